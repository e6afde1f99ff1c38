import { rowsInTurns } from './turns';

/** A table of so many rows, whose ids have gaps; what was asked of it is noted. */
function table(count: number) {
  const rows = Array.from({ length: count }, (_, i) => ({ id: 3 * i + 1 }));
  const asked: number[] = [];
  const read = async (after: number, most: number) => {
    asked.push(after);
    return rows.filter(({ id }) => id > after).slice(0, most);
  };
  return { rows, asked, read };
}

test.each([0, 1, 99, 100, 101, 250])('all of %i rows come, each once and in their order', async (count) => {
  const { rows, asked, read } = table(count);
  const got = [];
  for await (const row of rowsInTurns(read)) got.push(row);
  expect(got).toEqual(rows);
  expect(asked).toHaveLength(Math.floor(count / 100) + 1);
});

test('others have their turn after every hundred', async () => {
  let turns = 0;
  let isOver = false;
  const others = () => {
    turns++;
    if (!isOver) setImmediate(others);
  };
  setImmediate(others);
  const seen = new Set<number>();
  for await (const _ of rowsInTurns(table(1000).read)) seen.add(turns);
  isOver = true;
  expect(seen.size).toBe(10);
});
