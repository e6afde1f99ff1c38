/** A placement on a pixel grid: the whole-pixel rectangle that the photo is scaled to. */
import type { PixelWindow } from '../raster';
import type { Placement, Size } from './placement';

/** Sums of halves and products may miss a whole number by this much. */
const TOLERANCE = 1e-6;

/** Near and far end of one axis, rounded, but never short of pixels that the exact span reaches. */
function span(centre: number, length: number, from: number, to: number): readonly [number, number] {
  const near = centre - length / 2;
  const far = centre + length / 2;
  const start = Math.floor(near + 0.5);
  const end = Math.max(Math.floor(far + 0.5), start + 1);
  return [
    near < from + 1 - TOLERANCE ? Math.min(start, from) : start,
    far > to - 1 + TOLERANCE ? Math.max(end, to) : end,
  ];
}

/**
 * Where the whole photo lies in pixels of the output. Preview and export share it, so
 * they show the same pixels; each side is within half a pixel of the exact placement,
 * or up to one where a partly covered pixel of `shown` needs it.
 */
export function pixelRect(
  photo: Size,
  placement: Placement,
  pixelsPerFrameUnit: number,
  shown: PixelWindow,
): PixelWindow {
  const k = pixelsPerFrameUnit;
  const [left, right] = span(placement.x * k, photo.width * placement.scale * k, shown.left, shown.left + shown.width);
  const [top, bottom] = span(placement.y * k, photo.height * placement.scale * k, shown.top, shown.top + shown.height);
  return { left, top, width: right - left, height: bottom - top };
}
