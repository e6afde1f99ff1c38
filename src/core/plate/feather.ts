/** The photo's soft edge. */
import { coverage, softCoverage, type PixelWindow } from '../raster';
import { offset, type Polygon } from '../shape';
import { featherShift, type Template } from '../template';
import { softly } from './softly';

/** Shares below this are none in 8 bits, so that the fade ends within `featherReach`. */
const LEAST_SHARE = 0.5 / 255;

/** The feather is written as CSS writes a blur radius: its Gaussian's standard deviation is half of it. */
export const featherSigma = ({ feather }: Template['edge']) => feather / 2;

type Fade = { readonly edge: Template['edge']; readonly scale: number; readonly outline: readonly Polygon[] };

/** The last fade of each outline: what throws its shadow asks for it, too. */
const fades = new WeakMap<readonly Polygon[], Fade>();

/** The outline whose blurred coverage is the fade: moved in or out by the feather's length where the fade lies on one side. */
export function fadeOutline(outline: readonly Polygon[], edge: Template['edge'], scale: number): readonly Polygon[] {
  const known = fades.get(outline);
  if (known?.edge === edge && known.scale === scale) return known.outline;
  const made = offset(softly(outline, featherSigma(edge) * scale), featherShift(edge) * scale, 'round');
  fades.set(outline, { edge, scale, outline: made });
  return made;
}

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
