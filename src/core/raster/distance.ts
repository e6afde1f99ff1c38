/** Which side of an outline each pixel is nearest to, and how far from it. */
import type { Polygon } from '../shape';
import { coverage, type PixelWindow } from './coverage';

/** x, y of both ends of every side, one after the other, polygon by polygon. */
export function sidesOf(polygons: readonly Polygon[]): Float64Array {
  const sides = new Float64Array(4 * polygons.reduce((sum, polygon) => sum + polygon.length, 0));
  let k = 0;
  for (const polygon of polygons)
    for (let i = 0; i < polygon.length; i++) {
      const [a, b] = [polygon[i]!, polygon[(i + 1) % polygon.length]!];
      sides.set([a[0], a[1], b[0], b[1]], k);
      k += 4;
    }
  return sides;
}

/** How far along a side the point of it lies that is nearest to a place, 0…1. */
export function shareAlong(sides: Float64Array, side: number, x: number, y: number): number {
  const k = side * 4;
  const [dx, dy] = [sides[k + 2]! - sides[k]!, sides[k + 3]! - sides[k + 1]!];
  const whole = dx * dx + dy * dy;
  const t = whole === 0 ? 0 : ((x - sides[k]!) * dx + (y - sides[k + 1]!) * dy) / whole;
  return t < 0 ? 0 : t > 1 ? 1 : t;
}

function squaredDistance(sides: Float64Array, side: number, x: number, y: number): number {
  const k = side * 4;
  const t = shareAlong(sides, side, x, y);
  const ex = sides[k]! + (sides[k + 2]! - sides[k]!) * t - x;
  const ey = sides[k + 1]! + (sides[k + 3]! - sides[k + 1]!) * t - y;
  return ex * ex + ey * ey;
}

export type Nearest = {
  /** The side that is nearest to each pixel's middle; −1 where none lies near enough to the window. */
  readonly side: Int32Array;
  /** Squared distance from it, pixels; infinite where there is none. */
  readonly squared: Float32Array;
};

/**
 * The nearest of all sides for each pixel. Which one it is is handed on from pixel to pixel,
 * forwards and backwards (Danielsson 1980, "Euclidean distance mapping"); the distance to it
 * is exact. Only sides that cross the window are known: it has to reach as far as they matter.
 */
export function nearestSides(sides: Float64Array, { left, top, width, height }: PixelWindow): Nearest {
  const nearest = new Int32Array(width * height).fill(-1);
  const best = new Float32Array(width * height).fill(Infinity);
  const offer = (i: number, side: number, x: number, y: number): void => {
    const d = squaredDistance(sides, side, x, y);
    if (d >= best[i]!) return;
    best[i] = d;
    nearest[i] = side;
  };
  // Every side begins with the pixels that it crosses, and those beside them.
  for (let side = 0; side < sides.length / 4; side++) {
    const k = side * 4;
    const [ax, ay] = [sides[k]! - left, sides[k + 1]! - top];
    const [dx, dy] = [sides[k + 2]! - left - ax, sides[k + 3]! - top - ay];
    if (Math.max(ay, ay + dy) < -1 || Math.min(ay, ay + dy) > height + 1) continue;
    const steps = Math.max(1, Math.ceil(2 * Math.hypot(dx, dy)));
    for (let s = 0; s <= steps; s++) {
      const [px, py] = [Math.floor(ax + (dx * s) / steps), Math.floor(ay + (dy * s) / steps)];
      for (let y = Math.max(0, py - 1); y <= Math.min(height - 1, py + 1); y++)
        for (let x = Math.max(0, px - 1); x <= Math.min(width - 1, px + 1); x++)
          offer(y * width + x, side, left + x + 0.5, top + y + 0.5);
    }
  }
  const take = (i: number, from: number, x: number, y: number): void => {
    const side = nearest[from]!;
    if (side >= 0 && side !== nearest[i]) offer(i, side, left + x + 0.5, top + y + 0.5);
  };
  for (const way of [1, -1])
    for (let row = 0; row < height; row++) {
      const y = way > 0 ? row : height - 1 - row;
      for (let x = 0; x < width; x++) {
        const i = y * width + x;
        if (x > 0) take(i, i - 1, x, y);
        if (row === 0) continue;
        const before = i - way * width;
        take(i, before, x, y);
        if (x > 0) take(i, before - 1, x, y);
        if (x < width - 1) take(i, before + 1, x, y);
      }
      for (let x = width - 2; x >= 0; x--) take(y * width + x, y * width + x + 1, x, y);
    }
  return { side: nearest, squared: best };
}

/** About so many pixels are looked at at a time. */
const BAND_PIXELS = 4_000_000;

/**
 * Values for a window, worked out band by band, each with so many rows around it that
 * everything within `reach` pixels is seen.
 *
 * @param valuesOf for a window, row by row
 */
export function inBands(
  window: PixelWindow,
  reach: number,
  valuesOf: (window: PixelWindow) => Float32Array,
): Uint16Array<ArrayBuffer> {
  const { left, top, width, height } = window;
  const out = new Uint16Array(width * height);
  const rows = Math.max(64, Math.floor(BAND_PIXELS / Math.max(1, width)));
  const around = Math.ceil(reach) + 2;
  for (let from = 0; from < height; from += rows) {
    const count = Math.min(rows, height - from);
    // Beyond the window as well: what lies there may be nearest.
    const seen = {
      left: left - around,
      top: top + from - around,
      width: width + 2 * around,
      height: count + 2 * around,
    };
    const values = valuesOf(seen);
    for (let y = 0; y < count; y++)
      for (let x = 0; x < width; x++) {
        const v = values[(y + around) * seen.width + around + x]!;
        out[(from + y) * width + x] = v <= 0 ? 0 : v >= 1 ? 65535 : v * 65535 + 0.5;
      }
  }
  return out;
}

/**
 * Distance of each pixel's middle from the nearest side as a share of `depth` pixels, 0…65535
 * for 0…1; 0 where the pixel lies outside of the polygons, 1 at that depth and further in.
 *
 * @param polygons in pixels, filled by the nonzero rule
 */
export function depthField(polygons: readonly Polygon[], depth: number, window: PixelWindow): Uint16Array<ArrayBuffer> {
  const sides = sidesOf(polygons);
  return inBands(window, depth, (seen) => {
    const { squared } = nearestSides(sides, seen);
    const inside = coverage(polygons, seen);
    return squared.map((d, i) => (inside[i]! >= 0.5 ? Math.sqrt(d) / depth : 0));
  });
}
