import { readFile } from 'node:fs/promises';
import { numberOf, proxySizeOf, route } from '@/server/http';
import { photos } from '@/server/services';

export const GET = route(async (_, { id, size }) => {
  const path = await photos.proxyOf(numberOf(id), proxySizeOf(size));
  const headers = { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' };
  return new Response(new Uint8Array(await readFile(path)), { headers });
});
