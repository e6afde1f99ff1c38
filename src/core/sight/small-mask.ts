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
