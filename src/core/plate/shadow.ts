/** Drop shadows: the cutout's silhouette, moved, spread and blurred (CSS Backgrounds 3 §7.1). */
import { sameRoom, softCoverage, type PixelWindow } from '../raster';
import { offset, type Polygon } from '../shape';
import type { Shadow } from '../layers';
import { softly } from './softly';

/** CSS: the blur radius makes a Gaussian whose standard deviation is half of it. */
const sigmaOf = (blurRadius: number) => blurRadius / 2;

/** Part of what throws the shadow: polygons in pixels, and how soft they are themselves (a Gaussian's sigma in pixels). */
export type Caster = { readonly polygons: readonly Polygon[]; readonly sigma: number };

/**
 * How much of a shadow falls on each pixel of a window, 0…1, which holds until the next window is asked for.
 *
 * @param unseen where it is 1 nothing of the shadow is seen, and it need not be worked out
 */
export type ShadowMask = (window: PixelWindow, unseen?: Float32Array | null) => Float32Array;

/**
 * Shadows of casters that don't overlap add up, and one Gaussian after another is a Gaussian
 * of both variances.
 *
 * @param casters what is there of the cutout, in parts that don't overlap
 * @param scale pixels per frame unit
 */
export function shadowMask(
  casters: readonly Caster[],
  { x, y, blur: radius, spread }: Pick<Shadow, 'x' | 'y' | 'blur' | 'spread'>,
  scale: number,
): ShadowMask {
  const parts = casters.map(({ polygons, sigma }) => {
    const soft = Math.hypot(sigma, sigmaOf(radius) * scale);
    const moved = offset(softly(polygons, soft), spread * scale, 'round').map((polygon) =>
      polygon.map(([px, py]) => [px + x * scale, py + y * scale] as const),
    );
    return { moved, sigma: soft, room: sameRoom() };
  });
  return (window, unseen = null) =>
    parts
      .map(({ moved, sigma, room }) => softCoverage(moved, window, sigma, unseen, room))
      .reduce((sum, mask) => sum.map((v, i) => Math.min(1, v + mask[i]!)));
}
