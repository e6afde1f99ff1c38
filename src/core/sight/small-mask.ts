/** A subject's small mask: what of its box it fills, 24 × 24 cells, kept as text. */

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

/**
 * Where a pixel of a picture lies by a subject's mask: 1 within the subject, 0 outside it,
 * and null in cells along its rim, which have some of both. By its place row by row.
 */
export function sideOf(
  mask: string,
  [left, top, across, down]: readonly [number, number, number, number],
  { width, height }: { readonly width: number; readonly height: number },
): (i: number) => 0 | 1 | null {
  const rows = Array.from({ length: SIDE }, (_, row) => parseInt(mask.slice(row * DIGITS, (row + 1) * DIGITS), 16));
  const isIn = (row: number, column: number) =>
    row >= 0 && column >= 0 && row < SIDE && column < SIDE && ((rows[row]! >> (SIDE - 1 - column)) & 1) === 1;
  /** Of every cell and of a rim of cells around the box. */
  const sides = Array.from({ length: (SIDE + 2) ** 2 }, (_, k) => {
    const [row, column] = [Math.floor(k / (SIDE + 2)) - 1, (k % (SIDE + 2)) - 1];
    const around = [-1, 0, 1].flatMap((dy) => [-1, 0, 1].map((dx) => isIn(row + dy, column + dx)));
    return around.every((v) => v) ? 1 : around.some((v) => v) ? null : 0;
  });
  return (i) => {
    const column = Math.floor(((((i % width) + 0.5) / width - left) / across) * SIDE);
    const row = Math.floor((((Math.floor(i / width) + 0.5) / height - top) / down) * SIDE);
    if (row < -1 || column < -1 || row > SIDE || column > SIDE) return 0;
    return sides[(row + 1) * (SIDE + 2) + column + 1]!;
  };
}
