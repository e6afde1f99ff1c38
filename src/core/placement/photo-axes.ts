/** A shape as a photo sees it: in axes that are turned with the photo. */
import type { Polygon } from '../shape';
import { axesOf, type Bounds } from './placement';

type Seen = {
  readonly angle: number;
  readonly bounds: Bounds;
  /** Turned only where they are asked for: photos that cover the bounds need no more. */
  polygons: readonly Polygon[] | null;
};

/** What was asked for last of each shape: most photos of a batch are turned alike. */
const last = new WeakMap<readonly Polygon[], Seen>();

/** In plain loops: every photo of a batch that is turned by itself asks for it at every move of the shape. */
function boundsBy(polygons: readonly Polygon[], angle: number): Bounds {
  const [cos, sin] = axesOf(-angle);
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const polygon of polygons)
    for (let i = 0; i < polygon.length; i++) {
      const point = polygon[i]!;
      const x = point[0] * cos - point[1] * sin;
      const y = point[0] * sin + point[1] * cos;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      if (y > bottom) bottom = y;
    }
  return [left, top, right, bottom];
}

function seenBy(polygons: readonly Polygon[], angle: number): Seen {
  const known = last.get(polygons);
  if (known?.angle === angle) return known;
  const seen: Seen = { angle, bounds: boundsBy(polygons, angle), polygons: angle === 0 ? polygons : null };
  last.set(polygons, seen);
  return seen;
}

/** Of a shape, frame units, in the axes of a photo that is turned clockwise by so many degrees. */
export const boundsSeen = (polygons: readonly Polygon[], angle: number): Bounds => seenBy(polygons, angle).bounds;

/** The shape itself in these axes. */
export function polygonsSeen(polygons: readonly Polygon[], angle: number): readonly Polygon[] {
  const seen = seenBy(polygons, angle);
  if (seen.polygons) return seen.polygons;
  const [cos, sin] = axesOf(-angle);
  seen.polygons = polygons.map((polygon) => polygon.map(([x, y]) => [x * cos - y * sin, x * sin + y * cos] as const));
  return seen.polygons;
}
