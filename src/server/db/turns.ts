/** Turns: SQLite answers on the thread that asks, so whatever asks much lets others have theirs between. */

export const othersTurn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Rows asked for at a time. */
const PAGE = 100;

/**
 * The rows of a long list in the order of their ids, asked for a page at a time, with others' turns between.
 *
 * @param read those whose ids come after one, no more than so many
 */
export async function* rowsInTurns<R extends { readonly id: number }>(
  read: (after: number, most: number) => PromiseLike<readonly R[]>,
): AsyncGenerator<R> {
  for (let after = 0; ;) {
    const rows = await read(after, PAGE);
    yield* rows;
    if (rows.length < PAGE) return;
    after = rows.at(-1)!.id;
    await othersTurn();
  }
}
