/** Rows inserted in one statement: SQLite takes at most 32,766 values. */
const CHUNK = 500;

/** A list in pieces of so many, the last perhaps of fewer. */
export function chunked<T>(list: readonly T[], size = CHUNK): T[][] {
  return Array.from({ length: Math.ceil(list.length / size) }, (_, i) => list.slice(i * size, (i + 1) * size));
}
