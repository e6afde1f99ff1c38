/** Changes of photos that follow each other as one change of each. */
import type { DataChange } from './cells';

type Change = { readonly id: number; readonly data?: DataChange | undefined };

/** One change a photo: the later count, of its data field by field. */
export function joinedChanges<C extends Change>(changes: readonly C[]): C[] {
  const byId = new Map<number, C>();
  for (const change of changes) {
    const before = byId.get(change.id);
    const data = before?.data && change.data ? { data: { ...before.data, ...change.data } } : {};
    byId.set(change.id, { ...before, ...change, ...data });
  }
  return [...byId.values()];
}
