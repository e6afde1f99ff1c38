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
    const cells = parseInt(mask.slice(row * DIGITS, (row + 1) * DIGITS), 16)
      .toString(2)
      .padStart(SIDE, '0');
    const first = cells.indexOf('1');
    if (first < 0) continue;
    const last = cells.lastIndexOf('1') + 1;
    // The first and the last row reach to the box itself.
    const y = row === 0 ? 0 : row === SIDE - 1 ? 1 : (row + 0.5) / SIDE;
    down.push([first / SIDE, y]);
    up.unshift([last / SIDE, y]);
  }
  return [...down, ...up];
}

/** Where a pixel lies by a subject's mask. */
export const SIDES = { ground: 0, subject: 1, between: 2 } as const;

/**
 * For each pixel of a picture, row by row, whether it lies within a subject's mask or
 * outside it; between both in cells along its rim, which have some of each.
 */
export function sidesOf(
  mask: string,
  [left, top, across, down]: readonly [number, number, number, number],
  { width, height }: Size,
): Uint8Array {
  const rows = Array.from({ length: SIDE }, (_, row) => parseInt(mask.slice(row * DIGITS, (row + 1) * DIGITS), 16));
  const isIn = (row: number, column: number) =>
    row >= 0 && column >= 0 && row < SIDE && column < SIDE && ((rows[row]! >> (SIDE - 1 - column)) & 1) === 1;
  /** Of every cell and of a rim of cells around the box. */
  const cells = Uint8Array.from({ length: (SIDE + 2) ** 2 }, (_, k) => {
    const [row, column] = [Math.floor(k / (SIDE + 2)) - 1, (k % (SIDE + 2)) - 1];
    const around = [-1, 0, 1].flatMap((dy) => [-1, 0, 1].map((dx) => isIn(row + dy, column + dx)));
    return around.every((v) => v) ? SIDES.subject : around.some((v) => v) ? SIDES.between : SIDES.ground;
  });
  const columns = Int32Array.from({ length: width }, (_, x) =>
    Math.floor((((x + 0.5) / width - left) / across) * SIDE),
  );
  const out = new Uint8Array(width * height);
  for (let y = 0, i = 0; y < height; y++) {
    const row = Math.floor((((y + 0.5) / height - top) / down) * SIDE);
    const isBeside = row < -1 || row > SIDE;
    for (let x = 0; x < width; x++, i++) {
      const column = columns[x]!;
      if (!isBeside && column >= -1 && column <= SIDE) out[i] = cells[(row + 1) * (SIDE + 2) + column + 1]!;
    }
  }
  return out;
}
