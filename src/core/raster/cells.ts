/** Pictures in cells coarser than pixels, for what is smooth. */
import { newRoom, type Room } from './room';
import { otherUntil, sameUntil } from './until';

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

/**
 * Rows `from` to `from` + `rows` of the window's pixels, by straight lines between the cells' middles.
 *
 * @param unseen where it is 1 nobody asks, of all rows of the window; what is answered there means nothing
 */
export function fromCells(
  { cells, stride, rim, cell }: Cells,
  width: number,
  from: number,
  rows: number,
  unseen: Float32Array | null = null,
  room: Room = newRoom,
): Float32Array {
  const out = room(width * rows);
  if (cell === 1) {
    for (let y = 0; y < rows; y++) {
      const start = (from + y + rim) * stride + rim;
      out.set(cells.subarray(start, start + width), y * width);
    }
    return out;
  }
  const across = stepsFor(0, width, cell);
  const down = stepsFor(from, rows, cell);
  const stretched = new Map<number, Line>();
  const rowOf = (row: number): Line => {
    const known = stretched.get(row);
    if (known) return known;
    const values = new Float32Array(width);
    stretch(cells, (row + rim) * stride + rim, across, values);
    const from = sameUntil(values, 0, 0, width);
    let to = width;
    while (to > from && values[to - 1] === 0) to--;
    const line = { values, from, to };
    stretched.delete(row - 2);
    stretched.set(row, line);
    return line;
  };
  for (let y = 0; y < rows; y++) {
    const [upper, lower] = [rowOf(down.before[y]!), rowOf(down.before[y]! + 1)];
    const lines = { upper: upper.values, lower: lower.values, share: down.share[y]! };
    const [begin, end] = [Math.min(upper.from, lower.from), Math.max(upper.to, lower.to)];
    if (!unseen) {
      between(lines, begin, end, out, y * width);
      continue;
    }
    const start = (from + y) * width;
    for (let x = begin; x < end;) {
      const first = sameUntil(unseen, 1, start + x, start + end) - start;
      x = otherUntil(unseen, 1, start + first, start + end) - start;
      between(lines, first, x, out, y * width);
    }
  }
  return out;
}

/** A row of cells, whose first begins at `start`, as a row of pixels. */
function stretch(
  cells: Float32Array,
  start: number,
  { before, share }: ReturnType<typeof stepsFor>,
  out: Float32Array,
): void {
  for (let x = 0; x < out.length; x++) {
    const k = start + before[x]!;
    out[x] = cells[k]! + share[x]! * (cells[k + 1]! - cells[k]!);
  }
}

/** A row of pixels, and where in it those that are not 0 begin and end. */
type Line = { readonly values: Float32Array; readonly from: number; readonly to: number };

type Lines = { readonly upper: Float32Array; readonly lower: Float32Array; readonly share: number };

/** The pixels `first` to `end` of a row that lies so far between two others. */
function between({ upper, lower, share }: Lines, first: number, end: number, out: Float32Array, start: number): void {
  for (let x = first; x < end; x++) out[start + x] = upper[x]! + share * (lower[x]! - upper[x]!);
}
