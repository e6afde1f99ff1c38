/** How much of a shape a photo does not reach. */
import { polygonArea, type Polygon } from '../shape';
import type { Bounds, Point } from './placement';

/**
 * What of a polygon lies on the inner side of an upright or level line; its signed area is right even where it falls
 * apart (Sutherland and Hodgman 1974). In plain loops: every photo of a wall asks for it at every move of the shape.
 */
function clipped(polygon: Polygon, axis: 0 | 1, at: number, sign: 1 | -1): Polygon {
  let first = 0;
  while (first < polygon.length && sign * (polygon[first]![axis] - at) >= 0) first++;
  if (first === polygon.length) return polygon;
  const out: Point[] = [];
  let from = polygon[polygon.length - 1]!;
  let wasInside = sign * (from[axis] - at) >= 0;
  for (let i = 0; i < polygon.length; i++) {
    const to = polygon[i]!;
    const isInside = sign * (to[axis] - at) >= 0;
    if (isInside !== wasInside) {
      const t = (at - from[axis]) / (to[axis] - from[axis]);
      out.push([from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t]);
    }
    if (isInside) out.push(to);
    from = to;
    wasInside = isInside;
  }
  return out;
}

/** Share of the polygons' area outside a rectangle, 0…1; holes turn the other way. */
export function uncoveredShare(polygons: readonly Polygon[], [left, top, right, bottom]: Bounds): number {
  let [all, within] = [0, 0];
  for (const polygon of polygons) {
    all += polygonArea(polygon);
    let seen = clipped(polygon, 0, left, 1);
    if (seen.length > 2) seen = clipped(seen, 0, right, -1);
    if (seen.length > 2) seen = clipped(seen, 1, top, 1);
    if (seen.length > 2) seen = clipped(seen, 1, bottom, -1);
    if (seen.length > 2) within += polygonArea(seen);
  }
  const share = 1 - within / all;
  return share < 1e-9 ? 0 : Math.min(1, share);
}
