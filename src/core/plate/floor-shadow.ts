/** The shadow of a cutout that stands, or floats, on a floor. */
import type { PixelWindow } from '../raster';
import { boundsOf, offset, type Polygon } from '../shape';
import type { Shadow } from '../layers';

/** The error function within 1.5 · 10⁻⁷ (Abramowitz and Stegun 1964, 7.1.26). */
export function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x));
  const sum = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t;
  const y = 1 - sum * Math.exp(-x * x);
  return x < 0 ? -y : y;
}

/** The lowest place of polygons in each column of pixels; −∞ where a column has none. */
function lowestIn(polygons: readonly Polygon[], left: number, width: number): Float64Array {
  const lowest = new Float64Array(width).fill(-Infinity);
  for (const polygon of polygons)
    polygon.forEach(([ax, ay], i) => {
      const [bx, by] = polygon[(i + 1) % polygon.length]!;
      const [from, to] = [Math.min(ax, bx), Math.max(ax, bx)];
      // A column counts by its middle.
      for (let x = Math.max(0, Math.ceil(from - left - 0.5)); x < width && left + x + 0.5 <= to; x++) {
        const share = bx === ax ? 0 : (left + x + 0.5 - ax) / (bx - ax);
        lowest[x] = Math.max(lowest[x]!, ay + (by - ay) * share);
      }
    });
  return lowest;
}

/** Gaussians are followed this many standard deviations. */
const TAIL = 3;

/**
 * How much of the shadow falls on each pixel of the window, 0…1. Each column of the cutout
 * throws as much as its height above the floor leaves (e^(−height / reach)) on a patch of
 * the floor that is `depth` thick in the middle and an ellipse to its sides; the higher
 * above the floor the softer, up to twice as soft.
 *
 * @param cutout polygons in pixels: what throws the shadow
 * @param scale pixels per frame unit
 */
export function floorMask(
  cutout: readonly Polygon[],
  shadow: Shadow,
  scale: number,
  window: PixelWindow,
): Float32Array {
  const { left, top, width, height } = window;
  const out = new Float32Array(width * height);
  const moved = offset(cutout, shadow.spread * scale, 'round').map((polygon) =>
    polygon.map(([px, py]) => [px + shadow.x * scale, py] as const),
  );
  const bounds = boundsOf(moved);
  if (!bounds) return out;
  const [first, , last, bottom] = bounds;
  const floor = bottom + shadow.y * scale;
  const [reach, depth, soft] = [shadow.reach * scale, shadow.depth * scale, (shadow.blur / 2) * scale];
  const [from, columns] = [Math.floor(first), Math.ceil(last) - Math.floor(first)];
  const lowest = lowestIn(moved, from, columns);
  // What falls on each column of the floor, and how thick and how soft that is on the mean.
  const sums = [new Float64Array(width), new Float64Array(width), new Float64Array(width)] as const;
  for (let c = 0; c < columns; c++) {
    if (lowest[c] === -Infinity) continue;
    const above = Math.max(0, floor - lowest[c]!);
    const dark = Math.exp(-above / reach);
    const sigma = soft * (2 - dark);
    const aside = (2 * (from + c + 0.5 - first)) / (last - first) - 1;
    const thick = depth * Math.sqrt(Math.max(0, 1 - aside * aside));
    const place = from + c + 0.5 - left;
    const [begin, end] = [Math.max(0, Math.floor(place - TAIL * sigma)), Math.min(width - 1, Math.floor(place + TAIL * sigma))]; // prettier-ignore
    const part = (x: number) => (sigma < 0.1 ? 1 : 0.5 * (erf((x + 1 - place) / (sigma * Math.SQRT2)) - erf((x - place) / (sigma * Math.SQRT2)))); // prettier-ignore
    for (let x = begin; x <= end; x++) {
      const share = dark * part(x);
      sums[0][x]! += share;
      sums[1][x]! += share * thick;
      sums[2][x]! += share * sigma;
    }
  }
  for (let x = 0; x < width; x++) {
    const dark = Math.min(1, sums[0][x]!);
    if (dark === 0) continue;
    const half = sums[1][x]! / sums[0][x]! / 2;
    const sigma = Math.max(0.3, sums[2][x]! / sums[0][x]!) * Math.SQRT2;
    const tail = half + TAIL * sigma;
    const [begin, end] = [Math.max(0, Math.floor(floor - tail - top)), Math.min(height - 1, Math.ceil(floor + tail - top))]; // prettier-ignore
    for (let y = begin; y <= end; y++) {
      const v = top + y + 0.5 - floor;
      out[y * width + x] = (dark / 2) * (erf((v + half) / sigma) - erf((v - half) / sigma));
    }
  }
  return out;
}
