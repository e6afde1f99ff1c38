/** How far each pixel within an outline is from its edge. */
import type { Polygon } from '../shape';
import { coverage, type PixelWindow } from './coverage';

/** x, y of both ends of every side, one after the other. */
function sidesOf(polygons: readonly Polygon[]): Float64Array {
  const sides = new Float64Array(4 * polygons.reduce((sum, polygon) => sum + polygon.length, 0));
  let k = 0;
  for (const polygon of polygons)
    for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
      sides[k++] = polygon[j]![0];
      sides[k++] = polygon[j]![1];
      sides[k++] = polygon[i]![0];
      sides[k++] = polygon[i]![1];
    }
  return sides;
}

/** Squared distance from a point to a side. */
function squared(sides: Float64Array, side: number, x: number, y: number): number {
  const k = side * 4;
  const [ax, ay] = [sides[k]!, sides[k + 1]!];
  const [dx, dy] = [sides[k + 2]! - ax, sides[k + 3]! - ay];
  const along = dx * dx + dy * dy;
  const t = along === 0 ? 0 : ((x - ax) * dx + (y - ay) * dy) / along;
  const at = t < 0 ? 0 : t > 1 ? 1 : t;
  const [ex, ey] = [ax + dx * at - x, ay + dy * at - y];
  return ex * ex + ey * ey;
}

/**
 * Distance of each pixel's middle from the nearest side of the polygons, in pixels; 0 where
 * the pixel lies outside of them. Which side is nearest is handed on from pixel to pixel,
 * forwards and backwards (Danielsson 1980, "Euclidean distance mapping"), the distance to
 * it is exact.
 *
 * @param polygons in pixels, filled by the nonzero rule
 */
export function insideDistance(polygons: readonly Polygon[], window: PixelWindow): Float32Array {
  const { left, top, width, height } = window;
  const sides = sidesOf(polygons);
  const nearest = new Int32Array(width * height).fill(-1);
  const best = new Float32Array(width * height).fill(Infinity);
  const offer = (i: number, side: number, x: number, y: number): void => {
    const d = squared(sides, side, x, y);
    if (d >= best[i]!) return;
    best[i] = d;
    nearest[i] = side;
  };
  // Every side begins with the pixels that it crosses, and those beside them.
  for (let side = 0; side < sides.length / 4; side++) {
    const [ax, ay, bx, by] = sides.subarray(side * 4, side * 4 + 4) as unknown as [number, number, number, number];
    const steps = Math.max(1, Math.ceil(2 * Math.hypot(bx - ax, by - ay)));
    for (let s = 0; s <= steps; s++) {
      const [px, py] = [ax + ((bx - ax) * s) / steps, ay + ((by - ay) * s) / steps];
      for (let y = Math.floor(py - top) - 1; y <= Math.floor(py - top) + 1; y++)
        for (let x = Math.floor(px - left) - 1; x <= Math.floor(px - left) + 1; x++)
          if (x >= 0 && y >= 0 && x < width && y < height) offer(y * width + x, side, left + x + 0.5, top + y + 0.5);
    }
  }
  const take = (i: number, from: number, x: number, y: number): void => {
    const side = nearest[from]!;
    if (side >= 0 && side !== nearest[i]) offer(i, side, left + x + 0.5, top + y + 0.5);
  };
  for (const way of [1, -1]) {
    for (let row = 0; row < height; row++) {
      const y = way > 0 ? row : height - 1 - row;
      const isFirst = row === 0;
      for (let x = 0; x < width; x++) {
        const i = y * width + x;
        if (x > 0) take(i, i - 1, x, y);
        if (isFirst) continue;
        const above = i - way * width;
        take(i, above, x, y);
        if (x > 0) take(i, above - 1, x, y);
        if (x < width - 1) take(i, above + 1, x, y);
      }
      for (let x = width - 2; x >= 0; x--) take(y * width + x, y * width + x + 1, x, y);
    }
  }
  const inside = coverage(polygons, window);
  for (let i = 0; i < best.length; i++) best[i] = inside[i]! > 0 && inside[i]! >= 0.5 ? Math.sqrt(best[i]!) : 0;
  return best;
}
