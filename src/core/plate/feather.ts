/** The photo's soft edge. */
import { coverage, softCoverage, type PixelWindow } from '../raster';
import { offset, type Polygon } from '../shape';
import { featherShift, type Template } from '../template';

/** Shares below this are none in 8 bits, so that the fade ends within `featherReach`. */
const LEAST_SHARE = 0.5 / 255;

/** The feather is written as CSS writes a blur radius: its Gaussian's standard deviation is half of it. */
export const featherSigma = ({ feather }: Template['edge']) => feather / 2;

/** The outline whose blurred coverage is the fade: moved in or out by the feather's length where the fade lies on one side. */
export const fadeOutline = (outline: readonly Polygon[], edge: Template['edge'], scale: number): readonly Polygon[] =>
  offset(outline, featherShift(edge) * scale, 'round');

/**
 * How much of each pixel of a window the photo covers, 0…1. Inside, nothing shows beyond the outline;
 * outside, everything within it shows in full; in the centre, half of it on the outline.
 *
 * @param outline polygons in pixels
 * @param scale pixels per frame unit
 */
export function featherMask(
  outline: readonly Polygon[],
  edge: Template['edge'],
  scale: number,
): (window: PixelWindow) => Float32Array {
  const fade = fadeOutline(outline, edge, scale);
  return (window) => {
    const mask = softCoverage(fade, window, featherSigma(edge) * scale);
    const hard = edge.featherSide === 'centre' ? null : coverage(outline, window);
    for (let i = 0; i < mask.length; i++) {
      if (hard) mask[i] = edge.featherSide === 'inside' ? Math.min(mask[i]!, hard[i]!) : Math.max(mask[i]!, hard[i]!);
      if (mask[i]! < LEAST_SHARE) mask[i] = 0;
      else if (mask[i]! > 1 - LEAST_SHARE) mask[i] = 1;
    }
    return mask;
  };
}
