/** Blocks of cells in a grid: chosen, moved, filled and pasted over. Rows and columns count from 0. */

/** Where choosing began, and where it is now. */
export type Block = { readonly row: number; readonly col: number; readonly toRow: number; readonly toCol: number };

export type GridSize = { readonly rows: number; readonly cols: number };

/** First and last row and column, both within. */
export type Bounds = { readonly top: number; readonly left: number; readonly bottom: number; readonly right: number };

/** What a cell is to say. */
export type CellChange = { readonly row: number; readonly col: number; readonly value: string };

const within = (v: number, count: number) => Math.max(0, Math.min(count - 1, v));

export const cellAt = (row: number, col: number): Block => ({ row, col, toRow: row, toCol: col });

export const boundsOf = ({ row, col, toRow, toCol }: Block): Bounds => ({
  top: Math.min(row, toRow),
  left: Math.min(col, toCol),
  bottom: Math.max(row, toRow),
  right: Math.max(col, toCol),
});

export const isIn = ({ top, left, bottom, right }: Bounds, row: number, col: number): boolean =>
  row >= top && row <= bottom && col >= left && col <= right;

/** The block that still lies in a grid of another size. */
export const fittedBlock = ({ row, col, toRow, toCol }: Block, { rows, cols }: GridSize): Block => ({
  row: within(row, rows),
  col: within(col, cols),
  toRow: within(toRow, rows),
  toCol: within(toCol, cols),
});

/** One step on, by rows and columns; `grows` keeps where choosing began. */
export function movedBlock(
  block: Block,
  [rows, cols]: readonly [number, number],
  grows: boolean,
  size: GridSize,
): Block {
  const [toRow, toCol] = [within(block.toRow + rows, size.rows), within(block.toCol + cols, size.cols)];
  return grows ? { ...block, toRow, toCol } : cellAt(toRow, toCol);
}

/** The next cell in reading order, or the one before; the last one stays. */
export function nextCell({ toRow, toCol }: Block, back: boolean, { rows, cols }: GridSize): Block {
  const place = within(toRow * cols + toCol + (back ? -1 : 1), rows * cols);
  return cellAt(Math.floor(place / cols), place % cols);
}

/** Every cell of a block, row by row. */
export const cellsOf = ({ top, left, bottom, right }: Bounds): { row: number; col: number }[] =>
  Array.from({ length: bottom - top + 1 }, (_, r) =>
    Array.from({ length: right - left + 1 }, (_, c) => ({ row: top + r, col: left + c })),
  ).flat();

/**
 * What pasting some cells changes: from the block's first cell on, as far as the grid goes.
 * A block that is larger than they are by whole times is filled with them again and again, as spreadsheets do.
 */
export function pastedCells(block: Block, cells: readonly (readonly string[])[], size: GridSize): CellChange[] {
  const height = cells.length;
  const width = Math.max(0, ...cells.map((row) => row.length));
  if (height === 0 || width === 0) return [];
  const { top, left, bottom, right } = boundsOf(block);
  const times = (chosen: number, given: number) => (chosen % given === 0 ? chosen : given);
  const to = {
    top,
    left,
    bottom: Math.min(size.rows - 1, top + times(bottom - top + 1, height) - 1),
    right: Math.min(size.cols - 1, left + times(right - left + 1, width) - 1),
  };
  return cellsOf(to).map(({ row, col }) => ({ row, col, value: cells[(row - top) % height]![(col - left) % width] ?? '' })); // prettier-ignore
}

/** The block's first row into all below it; a single row takes the one above. */
export function filledDown(block: Block, valueAt: (row: number, col: number) => string): CellChange[] {
  const { top, left, bottom, right } = boundsOf(block);
  const from = top === bottom ? top - 1 : top;
  if (from < 0) return [];
  return cellsOf({ top: from + 1, left, bottom, right }).map(({ row, col }) => ({
    row,
    col,
    value: valueAt(from, col),
  }));
}
