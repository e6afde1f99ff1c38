/** Pictures in cells coarser than pixels, for what is smooth. */

/** Values row by row, `stride` a row; `rim` cells lie around the window, whose first pixel is the corner of the first cell within. */
export type Cells = {
  readonly cells: Float32Array;
  readonly stride: number;
  readonly rim: number;
  /** Side of a cell, pixels. */
  readonly cell: number;
};

/** Values along one axis between cells: the cell before each pixel's centre, and the share of the one after. */
function stepsFor(from: number, length: number, cell: number) {
  const before = new Int32Array(length);
  const share = new Float32Array(length);
  for (let i = 0; i < length; i++) {
    const at = (from + i + 0.5) / cell - 0.5;
    before[i] = Math.floor(at);
    share[i] = at - before[i]!;
  }
  return { before, share };
}

/** Rows `from` to `from` + `rows` of the window's pixels, by straight lines between the cells' middles. */
export function fromCells(
  { cells, stride, rim, cell }: Cells,
  width: number,
  from: number,
  rows: number,
): Float32Array {
  const out = new Float32Array(width * rows);
  if (cell === 1) {
    for (let y = 0; y < rows; y++) {
      const start = (from + y + rim) * stride + rim;
      out.set(cells.subarray(start, start + width), y * width);
    }
    return out;
  }
  const across = stepsFor(0, width, cell);
  const down = stepsFor(from, rows, cell);
  const stretched = new Map<number, Float32Array>();
  const rowOf = (row: number) => {
    const known = stretched.get(row);
    if (known) return known;
    const line = new Float32Array(width);
    const start = (row + rim) * stride + rim;
    for (let x = 0; x < width; x++) {
      const k = start + across.before[x]!;
      line[x] = cells[k]! + across.share[x]! * (cells[k + 1]! - cells[k]!);
    }
    stretched.delete(row - 2);
    stretched.set(row, line);
    return line;
  };
  for (let y = 0; y < rows; y++) {
    const upper = rowOf(down.before[y]!);
    const lower = rowOf(down.before[y]! + 1);
    const share = down.share[y]!;
    const line = out.subarray(y * width, (y + 1) * width);
    for (let x = 0; x < width; x++) line[x] = upper[x]! + share * (lower[x]! - upper[x]!);
  }
  return out;
}
