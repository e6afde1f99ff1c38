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

/** Where every pixel of a line comes from: the two beside its middle, and how much of the second. */
function stepsOf(from: number, length: number, count: number, limit: number) {
  return Array.from({ length: count }, (_, i) => {
    const at = Math.min(limit - 1, Math.max(0, from + ((i + 0.5) * length) / count - 0.5));
    const first = Math.min(limit - 1, Math.floor(at));
    return { first, second: Math.min(limit - 1, first + 1), share: at - first };
  });
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
  let k = 0;
  for (const row of rows) {
    const [above, below] = [row.first * picture.width, row.second * picture.width];
    for (const column of columns)
      for (let c = 0; c < 3; c++, k++) {
        const [p, q] = [3 * column.first + c, 3 * column.second + c];
        const [a, b] = [picture.rgb[3 * above + p]!, picture.rgb[3 * above + q]!];
        const [d, e] = [picture.rgb[3 * below + p]!, picture.rgb[3 * below + q]!];
        const high = a + (b - a) * column.share;
        rgb[k] = Math.round(high + (d + (e - d) * column.share - high) * row.share);
      }
  }
  const shares: Box = [left / picture.width, top / picture.height, across / picture.width, down / picture.height];
  return { part: { rgb, width, height }, within: shares };
}
