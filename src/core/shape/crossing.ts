/** Whether contours run across themselves. */
import { boundsOf, flatten, type Polygon } from './flatten';
import type { Contour, Point } from './path';

/** Curves are followed within this share of the contour's size: crossings smaller than that can't be seen. */
const FINENESS = 1 / 4000;

/** Twice the area of the triangle: its sign says on which side of a–b the point c lies. */
const side = ([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point) => (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

const crosses = (a: Point, b: Point, c: Point, d: Point) =>
  side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;

/** Where two lines that cross do so. */
function placeOf(a: Point, b: Point, c: Point, d: Point): Point {
  const t = side(c, d, a) / (side(c, d, a) - side(c, d, b));
  return [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
}

/** A place where polygons run across themselves or each other; null where there is none. */
function polygonCrossing(polygons: readonly Polygon[]): Point | null {
  const sides = polygons.flatMap((polygon) =>
    polygon.map((from, i) => {
      const to = polygon[(i + 1) % polygon.length]!;
      return { from, to, left: Math.min(from[0], to[0]), right: Math.max(from[0], to[0]) };
    }),
  );
  // Swept from left to right: only sides that overlap across are compared.
  sides.sort((a, b) => a.left - b.left);
  for (const [i, one] of sides.entries())
    for (let j = i + 1; j < sides.length && sides[j]!.left <= one.right; j++) {
      const other = sides[j]!;
      if (crosses(one.from, one.to, other.from, other.to)) return placeOf(one.from, one.to, other.from, other.to);
    }
  return null;
}

/** True where a polygon runs across itself. */
export const polygonCrosses = (polygon: Polygon): boolean => polygonCrossing([polygon]) !== null;

/** A place where contours run across themselves or each other; null where there is none. Touching in a point is no crossing. */
export function crossingIn(contours: readonly Contour[]): Point | null {
  const bounds = boundsOf(flatten(contours, 1, Infinity));
  if (!bounds) return null;
  const [left, top, right, bottom] = bounds;
  const size = Math.max(right - left, bottom - top);
  return polygonCrossing(flatten(contours, 1, Math.max(size * FINENESS, 1e-4)));
}

/** True where the contour runs across itself. */
export const crossesItself = (contour: Contour): boolean => crossingIn([contour]) !== null;
