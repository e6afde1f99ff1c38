import fc from 'fast-check';
import { boundsOf, cellAt, filledDown, movedBlock, nextCell, pastedCells } from '.';

const size = { rows: 4, cols: 3 };
const told = (changes: ReturnType<typeof pastedCells>) =>
  changes.map(({ row, col, value }) => `${row},${col}:${value}`);

test('arrows go from cell to cell and stay within; with Shift the block grows', () => {
  expect(movedBlock(cellAt(0, 0), [1, 0], false, size)).toEqual(cellAt(1, 0));
  expect(movedBlock(cellAt(3, 2), [5, 5], false, size)).toEqual(cellAt(3, 2));
  const grown = movedBlock(movedBlock(cellAt(2, 1), [-1, 0], true, size), [0, 1], true, size);
  expect(boundsOf(grown)).toEqual({ top: 1, left: 1, bottom: 2, right: 2 });
});

test('the next cell follows in reading order', () => {
  expect(nextCell(cellAt(0, 2), false, size)).toEqual(cellAt(1, 0));
  expect(nextCell(cellAt(1, 0), true, size)).toEqual(cellAt(0, 2));
  expect(nextCell(cellAt(3, 2), false, size)).toEqual(cellAt(3, 2));
});

test('pasting goes from the first cell as far as there are cells', () => {
  expect(told(pastedCells(cellAt(2, 1), [['a', 'b', 'c'], ['d', 'e', 'f'], ['g', 'h', 'i']], size))).toEqual(['2,1:a', '2,2:b', '3,1:d', '3,2:e']); // prettier-ignore
});

test('one cell fills the block, two rows a block of four', () => {
  expect(told(pastedCells({ row: 0, col: 0, toRow: 1, toCol: 1 }, [['x']], size))).toEqual(['0,0:x', '0,1:x', '1,0:x', '1,1:x']); // prettier-ignore
  expect(told(pastedCells({ row: 3, col: 0, toRow: 0, toCol: 0 }, [['x'], ['y']], size))).toEqual(['0,0:x', '1,0:y', '2,0:x', '3,0:y']); // prettier-ignore
});

test('filling down takes the first row, or the one above', () => {
  const valueAt = (row: number, col: number) => `${row}${col}`;
  expect(told(filledDown({ row: 1, col: 0, toRow: 3, toCol: 1 }, valueAt))).toEqual(['2,0:10', '2,1:11', '3,0:10', '3,1:11']); // prettier-ignore
  expect(told(filledDown(cellAt(2, 1), valueAt))).toEqual(['2,1:11']);
  expect(filledDown(cellAt(0, 0), valueAt)).toEqual([]);
});

test('whatever is pasted wherever, it stays within the grid and no cell is told twice', () => {
  const place = fc.integer({ min: 0, max: 3 });
  const block = fc.record({ row: place, col: place, toRow: place, toCol: place });
  const cells = fc.array(fc.array(fc.string(), { maxLength: 6 }), { maxLength: 6 });
  fc.assert(
    fc.property(block, cells, (at, given) => {
      const changes = pastedCells(at, given, { rows: 4, cols: 4 });
      expect(new Set(told(changes).map((one) => one.split(':')[0])).size).toBe(changes.length);
      for (const { row, col } of changes) expect(row >= 0 && row < 4 && col >= 0 && col < 4).toBe(true);
    }),
  );
});
