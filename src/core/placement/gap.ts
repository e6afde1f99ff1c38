/** How much of a shape a photo does not reach. */
import { polygonArea, type Polygon } from '../shape';
import type { Bounds, Point } from './placement';

/** What of a polygon lies on the inner side of an upright or level line; its signed area is right even where it falls apart (Sutherland and Hodgman 1974). */
function clipped(polygon: Polygon, axis: 0 | 1, at: number, sign: 1 | -1): Polygon {
  const inside = (p: Point) => sign * (p[axis] - at) >= 0;
  const out: Point[] = [];
  polygon.forEach((from, i) => {
    const to = polygon[(i + 1) % polygon.length]!;
    if (inside(from)) out.push(from);
    if (inside(from) !== inside(to)) {
      const t = (at - from[axis]) / (to[axis] - from[axis]);
      out.push([from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t]);
    }
  });
  return out;
}

/** Share of the polygons' area outside a rectangle, 0…1; holes turn the other way. */
export function uncoveredShare(polygons: readonly Polygon[], [left, top, right, bottom]: Bounds): number {
  let [all, within] = [0, 0];
  for (const polygon of polygons) {
    all += polygonArea(polygon);
    const [a, b] = [clipped(polygon, 0, left, 1), [right, top, bottom] as const];
    const seen = clipped(clipped(clipped(a, 0, b[0], -1), 1, b[1], 1), 1, b[2], -1);
    if (seen.length > 2) within += polygonArea(seen);
  }
  const share = 1 - within / all;
  return share < 1e-9 ? 0 : Math.min(1, share);
}
