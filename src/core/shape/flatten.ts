/** Curves into straight pieces. */
import type { Contour, Outline, Point } from './path';

/** A closed polygon; the last corner joins the first. */
export type Polygon = readonly Point[];

/** Largest distance between curve and polygon, in the units of the flattened outline times `scale`. */
export const FLATNESS = 0.004;

/**
 * Pieces for a cubic so that no chord is further than `tolerance` from the curve:
 * Wang’s bound, n² ≥ 3/4 · max|Δ²| / tolerance, with Δ² the second differences of the control points.
 */
export function pieces(x0: number, y0: number, c: readonly number[], tolerance: number): number {
  const d1 = Math.hypot(x0 - 2 * c[0]! + c[2]!, y0 - 2 * c[1]! + c[3]!);
  const d2 = Math.hypot(c[0]! - 2 * c[2]! + c[4]!, c[1]! - 2 * c[3]! + c[5]!);
  return Math.max(1, Math.ceil(Math.sqrt((0.75 * Math.max(d1, d2)) / tolerance)));
}

function flattenContour({ start, cubics }: Contour, scale: number, flatness: number): Polygon {
  const corners: Point[] = [];
  let [x0, y0] = start;
  for (const cubic of cubics) {
    const [x1, y1, x2, y2, x3, y3] = cubic;
    const n = pieces(x0, y0, cubic, flatness / scale);
    for (let i = 0; i < n; i++) {
      const t = i / n;
      const s = 1 - t;
      const b0 = s * s * s;
      const b1 = 3 * s * s * t;
      const b2 = 3 * s * t * t;
      const b3 = t * t * t;
      corners.push([(b0 * x0 + b1 * x1 + b2 * x2 + b3 * x3) * scale, (b0 * y0 + b1 * y1 + b2 * y2 + b3 * y3) * scale]);
    }
    x0 = x3;
    y0 = y3;
  }
  return corners;
}

/** Polygons of the outline in pixels at `scale` pixels per unit, within `flatness` pixels of the curves. */
export function flatten(outline: Outline, scale: number, flatness = FLATNESS): Polygon[] {
  return outline.map((contour) => flattenContour(contour, scale, flatness));
}

/** Left, top, right and bottom over all corners; null where there is none. */
export function boundsOf(polygons: readonly Polygon[]): readonly [number, number, number, number] | null {
  let left = Infinity;
  let top = Infinity;
  let right = -Infinity;
  let bottom = -Infinity;
  for (const polygon of polygons)
    for (const place of polygon) {
      left = Math.min(left, place[0]);
      right = Math.max(right, place[0]);
      top = Math.min(top, place[1]);
      bottom = Math.max(bottom, place[1]);
    }
  return left <= right ? [left, top, right, bottom] : null;
}

/** The corners in their order, beginning with the topmost; of several as high the one furthest to the left. */
export function fromTop(polygon: Polygon): Polygon {
  const first = polygon.reduce((best, [x, y], i) => {
    const [bx, by] = polygon[best]!;
    return y < by || (y === by && x < bx) ? i : best;
  }, 0);
  return [...polygon.slice(first), ...polygon.slice(0, first)];
}
