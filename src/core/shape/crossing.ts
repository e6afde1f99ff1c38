/** Whether contours run across themselves. */
import { boundsOf, flatten, type Polygon } from './flatten';
import type { Contour, Point } from './path';

/** Curves are followed within this share of the contour's size: crossings smaller than that can't be seen. */
const FINENESS = 1 / 4000;

/** Twice the area of the triangle: its sign says on which side of a–b the point c lies. */
const side = ([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point) => (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

const crosses = (a: Point, b: Point, c: Point, d: Point) =>
  side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;

/** True where a polygon runs across itself. */
export function polygonCrosses(polygon: Polygon): boolean {
  const sides = polygon.map((from, i) => {
    const to = polygon[(i + 1) % polygon.length]!;
    return { from, to, left: Math.min(from[0], to[0]), right: Math.max(from[0], to[0]) };
  });
  // Swept from left to right: only sides that overlap across are compared.
  sides.sort((a, b) => a.left - b.left);
  return sides.some((one, i) => {
    for (let j = i + 1; j < sides.length && sides[j]!.left <= one.right; j++)
      if (crosses(one.from, one.to, sides[j]!.from, sides[j]!.to)) return true;
    return false;
  });
}

/** True where the contour runs across itself; touching in a point is no crossing. */
export function crossesItself(contour: Contour): boolean {
  const [polygon] = flatten([contour], 1, Infinity);
  const [left, top, right, bottom] = boundsOf([polygon!])!;
  const size = Math.max(right - left, bottom - top);
  return polygonCrosses(flatten([contour], 1, Math.max(size * FINENESS, 1e-4))[0]!);
}
