/** Asking the server again after something was changed there. */
import type { QueryClient, QueryKey } from '@tanstack/react-query';

/**
 * Every list that begins with the key is fetched anew. A first answer that is still on its
 * way is left: it may be older than the change, and an invalidation alone would take it for the new one.
 */
export async function anew(client: QueryClient, queryKey: QueryKey): Promise<void> {
  await client.cancelQueries({ queryKey });
  await client.invalidateQueries({ queryKey });
}
