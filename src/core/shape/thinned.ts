/** Polygons with fewer corners. */
import type { Polygon } from './flatten';

/** Corners between two that are kept: those further from the line between them than the tolerance, and so on (Ramer 1972; Douglas & Peucker 1973). */
function keepBetween(polygon: Polygon, keeps: Uint8Array, first: number, last: number, tolerance: number): void {
  const open: [number, number][] = [[first, last]];
  while (open.length > 0) {
    const [from, to] = open.pop()!;
    const [[ax, ay], [bx, by]] = [polygon[from]!, polygon[to % polygon.length]!];
    const [dx, dy] = [bx - ax, by - ay];
    const long = Math.hypot(dx, dy);
    let furthest = tolerance;
    let at = -1;
    for (let i = from + 1; i < to; i++) {
      const [x, y] = polygon[i]!;
      const away = long > 0 ? Math.abs((x - ax) * dy - (y - ay) * dx) / long : Math.hypot(x - ax, y - ay);
      if (away > furthest) {
        furthest = away;
        at = i;
      }
    }
    if (at < 0) continue;
    keeps[at] = 1;
    open.push([from, at], [at, to]);
  }
}

export const cornersOf = (polygons: readonly Polygon[]): number =>
  polygons.reduce((sum, { length }) => sum + length, 0);

/** More corners than an outline has that is not rough. */
export const MANY = 2000;

/** Polygons of very many corners with as few as follow them within a tolerance; others as they are. */
export const lightened = (polygons: readonly Polygon[], tolerance: number): readonly Polygon[] =>
  cornersOf(polygons) > MANY ? thinned(polygons, tolerance) : polygons;

/** As few corners as follow each polygon within a tolerance. */
export const thinned = (polygons: readonly Polygon[], tolerance: number): Polygon[] =>
  polygons.map((polygon) => {
    if (polygon.length < 8) return polygon;
    const keeps = new Uint8Array(polygon.length);
    // Both halves by themselves: a closed line has no ends.
    const half = polygon.length >> 1;
    keeps[0] = keeps[half] = 1;
    keepBetween(polygon, keeps, 0, half, tolerance);
    keepBetween(polygon, keeps, half, polygon.length, tolerance);
    return polygon.filter((_, i) => keeps[i] === 1);
  });
