/** Changes of photos that follow each other as one change of each. */
import type { DataChange } from './cells';

type Values = { readonly data?: DataChange | undefined };
type Change = Values & {
  readonly id: number;
  /** What the change was made on. */
  readonly was?: Values | undefined;
};

/** Some values with others over them, of data field by field. */
function over<V extends Values>(below: V | undefined, above: V): V {
  const data = below?.data && above.data ? { data: { ...below.data, ...above.data } } : {};
  return { ...below, ...above, ...data };
}

/** One change a photo: the later count, of its data field by field; it was made on what the first of them was. */
export function joinedChanges<C extends Change>(changes: readonly C[]): C[] {
  const byId = new Map<number, C>();
  for (const change of changes) {
    const before = byId.get(change.id);
    const was = before && before.was && change.was ? { was: over(change.was, before.was) } : {};
    // A change that counts whatever there is makes the joined one such a change.
    const isFree = before !== undefined && (!before.was || !change.was);
    byId.set(change.id, { ...over(before, change), ...was, ...(isFree ? { was: undefined } : {}) });
  }
  return [...byId.values()];
}
