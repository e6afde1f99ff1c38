/** A subject's small mask: what of its box it fills, 24 × 24 cells, kept as text. */

import type { Size } from './lab';

const SIDE = 24;
const DIGITS = SIDE / 4;

/**
 * One row after the other, the leftmost cell first, in six hexadecimal digits each.
 *
 * @param pixels places in the raster that belong to the subject
 * @param box left, top, right, bottom in pixels; right and bottom are beyond the last one
 * @param width of the raster
 */
export function smallMask(
  pixels: readonly number[],
  [left, top, right, bottom]: readonly [number, number, number, number],
  width: number,
): string {
  const own = new Uint8Array(width * bottom);
  for (const i of pixels) own[i] = 1;
  const middle = (cell: number, from: number, to: number) => Math.floor(from + ((cell + 0.5) / SIDE) * (to - from));
  let mask = '';
  for (let row = 0; row < SIDE; row++) {
    const y = middle(row, top, bottom);
    let bits = 0;
    for (let column = 0; column < SIDE; column++) bits = bits * 2 + own[y * width + middle(column, left, right)]!;
    mask += bits.toString(16).padStart(DIGITS, '0');
  }
  return mask;
}

/** Both ends of every row that has any cells, in shares of the box: down its left side, then up its right one. */
export function rimOfMask(mask: string): readonly (readonly [number, number])[] {
  const down: [number, number][] = [];
  const up: [number, number][] = [];
  for (let row = 0; row < SIDE; row++) {
    const cells = parseInt(mask.slice(row * DIGITS, (row + 1) * DIGITS), 16);
    if (cells === 0) continue;
    // Of 32 bits the lowest 24: the first cell is the highest that is set.
    const first = Math.clz32(cells) - (32 - SIDE);
    const last = Math.clz32(cells & -cells) - (32 - SIDE) + 1;
    // The first and the last row reach to the box itself.
    const y = row === 0 ? 0 : row === SIDE - 1 ? 1 : (row + 0.5) / SIDE;
    down.push([first / SIDE, y]);
    up.unshift([last / SIDE, y]);
  }
  return [...down, ...up];
}

/** Where a pixel lies by a subject's mask. */
export const SIDES = { ground: 0, subject: 1, between: 2 } as const;

/** A mask's cells and one more on every side. */
const AROUND = SIDE + 2;

/** Where each cell lies, and each of a rim of cells around the box: by itself and its eight neighbours. */
function cellsOf(mask: string): Uint8Array {
  // Bits of a row from the right, the cells beyond its ends included; above and below there are none.
  const rows = new Int32Array(AROUND + 2);
  for (let row = 0; row < SIDE; row++) rows[row + 2] = parseInt(mask.slice(row * DIGITS, (row + 1) * DIGITS), 16) << 1;
  const cells = new Uint8Array(AROUND * AROUND);
  for (let row = 0, k = 0; row < AROUND; row++) {
    const some = rows[row]! | rows[row + 1]! | rows[row + 2]!;
    const every = rows[row]! & rows[row + 1]! & rows[row + 2]!;
    const any = some | (some << 1) | (some >> 1);
    const all = every & (every << 1) & (every >> 1);
    for (let bit = AROUND - 1; bit >= 0; bit--, k++)
      cells[k] = (all >> bit) & 1 ? SIDES.subject : (any >> bit) & 1 ? SIDES.between : SIDES.ground;
  }
  return cells;
}

/**
 * For each pixel of a picture, row by row, whether it lies within a subject's mask or
 * outside it; between both in cells along its rim, which have some of each.
 */
export function sidesOf(
  mask: string,
  [left, top, across, down]: readonly [number, number, number, number],
  { width, height }: Size,
): Uint8Array {
  const cells = cellsOf(mask);
  const columns = new Int32Array(width);
  for (let x = 0; x < width; x++) columns[x] = Math.floor((((x + 0.5) / width - left) / across) * SIDE);
  const out = new Uint8Array(width * height);
  for (let y = 0, i = 0; y < height; y++) {
    const row = Math.floor((((y + 0.5) / height - top) / down) * SIDE);
    const isBeside = row < -1 || row > SIDE;
    for (let x = 0; x < width; x++, i++) {
      const column = columns[x]!;
      if (!isBeside && column >= -1 && column <= SIDE) out[i] = cells[(row + 1) * AROUND + column + 1]!;
    }
  }
  return out;
}
