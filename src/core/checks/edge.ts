/** How far a place is from a shape's edge. */
import { flatten, type Outline, type Point } from '../shape';

const edgesOf = new WeakMap<Outline, readonly (readonly Point[])[]>();

/** Distance from a point to the outline's nearest edge, frame units; negative outside. */
export function distanceToEdge(outline: Outline, [x, y]: Point): number {
  const edges = edgesOf.get(outline) ?? flatten(outline, 1, 0.5);
  edgesOf.set(outline, edges);
  let nearest = Infinity; // Squared: one root at the end.
  let inside = false;
  for (const polygon of edges)
    for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
      const [ax, ay] = polygon[j]!;
      const [bx, by] = polygon[i]!;
      const [dx, dy] = [bx - ax, by - ay];
      const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
      const [ex, ey] = [ax + dx * t - x, ay + dy * t - y];
      nearest = Math.min(nearest, ex * ex + ey * ey);
      if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
    }
  return inside ? Math.sqrt(nearest) : -Math.sqrt(nearest);
}
