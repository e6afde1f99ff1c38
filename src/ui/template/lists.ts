/** Lists of layers, changed in one place. */

export const replaced = <T>(list: readonly T[], i: number, fields: Partial<T>): T[] =>
  list.map((v, k) => (k === i ? { ...v, ...fields } : v));

export const without = <T>(list: readonly T[], i: number): T[] => list.filter((_, k) => k !== i);

/** The one at `i` a place further on or back; the same list at its ends. */
export function moved<T>(list: readonly T[], i: number, by: 1 | -1): readonly T[] {
  const to = i + by;
  if (to < 0 || to >= list.length) return list;
  const next = [...list];
  [next[i], next[to]] = [next[to]!, next[i]!];
  return next;
}

/** Ways to move the one at `i`, for its buttons. */
export const moves = (length: number, i: number, move: (by: 1 | -1) => void) => ({
  up: i > 0 ? () => move(-1) : null,
  down: i < length - 1 ? () => move(1) : null,
});
