/** How far a place is from a shape's edge. */
import { flatten, type Outline, type Point } from '../shape';

/** Each edge's two ends, x and y after each other. */
const edgesOf = new WeakMap<Outline, Float64Array>();

function edgesFrom(outline: Outline): Float64Array {
  const polygons = flatten(outline, 1, 0.5);
  const edges = new Float64Array(4 * polygons.reduce((sum, { length }) => sum + length, 0));
  let k = 0;
  for (const polygon of polygons)
    for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
      edges.set(polygon[j]!, k);
      edges.set(polygon[i]!, k + 2);
      k += 4;
    }
  return edges;
}

/**
 * Distance from a point to the outline's nearest edge, frame units; negative outside. In plain loops: it is asked for
 * dozens of places of every photo at every move of the shape.
 */
export function distanceToEdge(outline: Outline, at: Point): number {
  const edges = edgesOf.get(outline) ?? edgesFrom(outline);
  edgesOf.set(outline, edges);
  const x = at[0];
  const y = at[1];
  let nearest = Infinity; // Squared: one root at the end.
  let inside = false;
  for (let k = 0; k < edges.length; k += 4) {
    const ax = edges[k]!;
    const ay = edges[k + 1]!;
    const bx = edges[k + 2]!;
    const by = edges[k + 3]!;
    const dx = bx - ax;
    const dy = by - ay;
    const along = ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1);
    const t = along < 0 ? 0 : along > 1 ? 1 : along;
    const ex = ax + dx * t - x;
    const ey = ay + dy * t - y;
    const square = ex * ex + ey * ey;
    if (square < nearest) nearest = square;
    if (ay > y !== by > y && x < (dx * (y - ay)) / dy + ax) inside = !inside;
  }
  return inside ? Math.sqrt(nearest) : -Math.sqrt(nearest);
}
