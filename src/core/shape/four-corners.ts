/** Shapes that have four corners. */
import { isStraight } from './cubic';
import type { Outline, Point } from './path';

export type FourCorners = readonly [Point, Point, Point, Point];

/** Sides shorter than this are none, frame units: closing a contour may leave one. */
const NOTHING = 1e-3;

/** The corners of an outline that has four straight sides, clockwise from the one nearest to the left top; null for others. */
export function fourCorners(outline: Outline): FourCorners | null {
  const [contour, ...others] = outline;
  if (!contour || others.length > 0) return null;
  const corners: Point[] = [];
  let from = contour.start;
  for (const cubic of contour.cubics) {
    if (!isStraight(from, cubic)) return null;
    const to: Point = [cubic[4], cubic[5]];
    if (Math.hypot(to[0] - from[0], to[1] - from[1]) > NOTHING) corners.push(from);
    from = to;
  }
  if (corners.length !== 4) return null;
  const area = corners.reduce((sum, [x, y], k) => {
    const [nx, ny] = corners[(k + 1) % 4]!;
    return sum + x * ny - nx * y;
  }, 0);
  const way = area < 0 ? corners.reverse() : corners;
  const first = way.reduce((best, [x, y], k) => (x + y < way[best]![0] + way[best]![1] ? k : best), 0);
  return [...way.slice(first), ...way.slice(0, first)] as unknown as FourCorners;
}
