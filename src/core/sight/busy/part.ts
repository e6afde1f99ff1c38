/** A part of a picture at another size. */
import type { Box } from '../boxes';
import type { Raster, Size } from '../lab';

/** Left, top, right and bottom of a box cut off at the picture's rim, in whole pixels. */
function pixelsOf([l, t, w, h]: Box, { width, height }: Raster) {
  const [left, top] = [Math.max(0, Math.floor(l * width)), Math.max(0, Math.floor(t * height))];
  const right = Math.max(left + 4, Math.min(width, Math.ceil((l + w) * width)));
  const bottom = Math.max(top + 4, Math.min(height, Math.ceil((t + h) * height)));
  return { left, top, across: right - left, down: bottom - top };
}

/** Pixels of the picture that lie in a box. */
export function sizeIn(box: Box, picture: Raster): Size {
  const { across, down } = pixelsOf(box, picture);
  return { width: across, height: down };
}

/** Where every pixel of a line comes from: the two beside its middle, and how much of the second. */
function stepsOf(from: number, length: number, count: number, limit: number) {
  const [first, second, share] = [new Int32Array(count), new Int32Array(count), new Float64Array(count)];
  for (let i = 0; i < count; i++) {
    const at = Math.min(limit - 1, Math.max(0, from + ((i + 0.5) * length) / count - 0.5));
    first[i] = Math.min(limit - 1, Math.floor(at));
    second[i] = Math.min(limit - 1, first[i]! + 1);
    share[i] = at - first[i]!;
  }
  return { first, second, share };
}

type Steps = ReturnType<typeof stepsOf>;

/** A row of the picture drawn between its pixels: red, green and blue of each of the part's columns. */
function drawnRow({ rgb, width }: Raster, y: number, { first, second, share }: Steps, out: Float64Array): void {
  const row = y * width;
  for (let x = 0, k = 0; x < first.length; x++, k += 3) {
    const p = 3 * (row + first[x]!);
    const q = 3 * (row + second[x]!);
    const own = share[x]!;
    const r = rgb[p]!;
    const g = rgb[p + 1]!;
    const b = rgb[p + 2]!;
    out[k] = r + (rgb[q]! - r) * own;
    out[k + 1] = g + (rgb[q + 1]! - g) * own;
    out[k + 2] = b + (rgb[q + 2]! - b) * own;
  }
}

/** A row of the part: so far from one drawn row to the next. Math.round takes four times as long. */
function betweenRows(above: Float64Array, below: Float64Array, share: number, out: Uint8Array, start: number): void {
  for (let k = 0; k < above.length; k++) out[start + k] = (above[k]! + (below[k]! - above[k]!) * share + 0.5) | 0;
}

/** Pixels of a part whose longer side has so many. */
function sized(across: number, down: number, longest: number): Size {
  const scale = longest / Math.max(across, down);
  return { width: Math.max(8, Math.round(across * scale)), height: Math.max(8, Math.round(down * scale)) };
}

/**
 * Drawn straight between the picture's pixels, of which it should have no more than two each way for one of its own.
 *
 * @param box in shares of the picture; what is beyond its rim is left out
 * @param size of the part, or pixels of its longer side
 */
export function partOf(
  picture: Raster,
  box: Box,
  size: Size | number,
): { readonly part: Raster; readonly within: Box } {
  const { left, top, across, down } = pixelsOf(box, picture);
  const { width, height } = typeof size === 'number' ? sized(across, down, size) : size;
  const [columns, rows] = [stepsOf(left, across, width, picture.width), stepsOf(top, down, height, picture.height)];
  const rgb = new Uint8Array(width * height * 3);
  const lines = [new Float64Array(3 * width), new Float64Array(3 * width)] as const;
  /** Rows that lie in both lines. */
  const drawn = [-1, -1];
  const lineOf = (y: number) => {
    const line = lines[y % 2]!;
    if (drawn[y % 2] !== y) drawnRow(picture, y, columns, line);
    drawn[y % 2] = y;
    return line;
  };
  for (let y = 0; y < height; y++)
    betweenRows(lineOf(rows.first[y]!), lineOf(rows.second[y]!), rows.share[y]!, rgb, y * width * 3);
  const shares: Box = [left / picture.width, top / picture.height, across / picture.width, down / picture.height];
  return { part: { rgb, width, height }, within: shares };
}
