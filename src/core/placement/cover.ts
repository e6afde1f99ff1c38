/** Scaling and moving a photo so that it reaches all of a shape. Everything here is in the photo's own axes: the shape is turned, not the photo. */
import type { Bounds, Point, Size } from './placement';

/** Sides of photo and shape that touch within this share of the shape count as covering: sums of products err by less. */
const TOUCHING = 1e-9;

/** The least scale at which the photo is as large as the bounds, wherever it lies. */
export const coverScale = ({ width, height }: Size, [left, top, right, bottom]: Bounds): number =>
  Math.max((right - left) / width, (bottom - top) / height);

/**
 * The least scale that covers the bounds while the photo's point `from` (pixels off its
 * centre) stays at `spot`; null where that point lies on or beyond the photo's edge, so
 * that no scale does.
 */
export function pinnedScale(photo: Size, from: Point, spot: Point, bounds: Bounds): number | null {
  const [left, top, right, bottom] = bounds;
  const needs: readonly (readonly [wanted: number, has: number])[] = [
    [spot[0] - left, from[0] + photo.width / 2],
    [right - spot[0], photo.width / 2 - from[0]],
    [spot[1] - top, from[1] + photo.height / 2],
    [bottom - spot[1], photo.height / 2 - from[1]],
  ];
  if (needs.some(([wanted, has]) => wanted > 0 && has <= 0)) return null;
  return Math.max(0, ...needs.map(([wanted, has]) => (wanted > 0 ? wanted / has : 0)));
}

/** The photo's centre moved as little as covers the bounds; its scale must be enough. */
export function shiftedCentre(photo: Size, scale: number, [x, y]: Point, [left, top, right, bottom]: Bounds): Point {
  const clamp = (v: number, half: number, near: number, far: number) => Math.min(Math.max(v, far - half), near + half);
  return [clamp(x, (photo.width * scale) / 2, left, right), clamp(y, (photo.height * scale) / 2, top, bottom)];
}

/** Whether a photo of this scale around `centre` covers the bounds. */
export function covers(photo: Size, scale: number, [x, y]: Point, [left, top, right, bottom]: Bounds): boolean {
  const slack = TOUCHING * (right - left + bottom - top);
  const [halfWidth, halfHeight] = [(photo.width * scale) / 2, (photo.height * scale) / 2];
  return (
    x - halfWidth <= left + slack &&
    x + halfWidth >= right - slack &&
    y - halfHeight <= top + slack &&
    y + halfHeight >= bottom - slack
  );
}
