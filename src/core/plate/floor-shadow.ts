/** The shadow of a cutout that stands, or floats, on a floor. */
import { sameRoom } from '../raster';
import { boundsOf, offset, type Polygon } from '../shape';
import type { Shadow } from '../layers';
import type { ShadowMask } from './shadow';
import { softly } from './softly';

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

/** What is thrown on a floor, pixels: its level, the shadow's lengths, and the lowest place of each column from `left` on. */
type Floor = {
  readonly level: number;
  readonly reach: number;
  readonly depth: number;
  readonly soft: number;
  readonly left: number;
  readonly lowest: Float64Array;
  /** What throws it, from side to side. */
  readonly sides: readonly [from: number, to: number];
};

/** What falls on each column of so many pixels, and that times how thick and how soft it is. */
function fallenOn(
  { level, reach, depth, soft, left: from, lowest, sides: [first, last] }: Floor,
  left: number,
  width: number,
) {
  const sums = { dark: new Float64Array(width), thick: new Float64Array(width), soft: new Float64Array(width) };
  lowest.forEach((low, c) => {
    if (low === -Infinity) return;
    const dark = Math.exp(-Math.max(0, level - low) / reach);
    const sigma = soft * (2 - dark);
    const aside = (2 * (from + c + 0.5 - first)) / (last - first) - 1;
    const thick = depth * Math.sqrt(Math.max(0, 1 - aside * aside));
    const place = from + c + 0.5 - left;
    const [begin, end] = [Math.max(0, Math.floor(place - TAIL * sigma)), Math.min(width - 1, Math.floor(place + TAIL * sigma))]; // prettier-ignore
    const part = (x: number) => (sigma < 0.1 ? 1 : 0.5 * (erf((x + 1 - place) / (sigma * Math.SQRT2)) - erf((x - place) / (sigma * Math.SQRT2)))); // prettier-ignore
    for (let x = begin; x <= end; x++) {
      const share = dark * part(x);
      sums.dark[x]! += share;
      sums.thick[x]! += share * thick;
      sums.soft[x]! += share * sigma;
    }
  });
  return sums;
}

/**
 * How much of the shadow falls on each pixel. Each column of the cutout throws as much as
 * its height above the floor leaves (e^(−height / reach)) on a patch of the floor that is
 * `depth` thick in the middle and an ellipse to its sides; the higher above the floor the
 * softer, up to twice as soft.
 *
 * @param cutout polygons in pixels: what throws the shadow
 * @param scale pixels per frame unit
 */
export function floorMask(cutout: readonly Polygon[], shadow: Shadow, scale: number): ShadowMask {
  const room = sameRoom();
  const moved = offset(softly(cutout, (shadow.blur / 2) * scale), shadow.spread * scale, 'round').map((polygon) =>
    polygon.map(([px, py]) => [px + shadow.x * scale, py] as const),
  );
  const bounds = boundsOf(moved);
  if (!bounds) return ({ width, height }) => room(width * height);
  const [first, , last, bottom] = bounds;
  const left = Math.floor(first);
  const floor: Floor = {
    level: bottom + shadow.y * scale,
    reach: shadow.reach * scale,
    depth: shadow.depth * scale,
    soft: (shadow.blur / 2) * scale,
    left,
    lowest: lowestIn(moved, left, Math.ceil(last) - left),
    sides: [first, last],
  };
  const { level, depth, soft } = floor;
  /** Beyond which nothing falls. */
  const most = depth / 2 + TAIL * Math.max(LEAST_SOFT, 2 * soft) * Math.SQRT2;
  return ({ left, top, width, height }) => {
    const out = room(width * height);
    if (top > level + most + 1 || top + height < level - most - 1) return out;
    const sums = fallenOn(floor, left, width);
    for (let x = 0; x < width; x++) {
      const dark = Math.min(1, sums.dark[x]!);
      if (dark === 0) continue;
      const half = sums.thick[x]! / sums.dark[x]! / 2;
      const sigma = Math.max(LEAST_SOFT, sums.soft[x]! / sums.dark[x]!) * Math.SQRT2;
      const tail = half + TAIL * sigma;
      const [begin, end] = [Math.max(0, Math.floor(level - tail - top)), Math.min(height - 1, Math.ceil(level + tail - top))]; // prettier-ignore
      for (let y = begin; y <= end; y++) {
        const v = top + y + 0.5 - level;
        out[y * width + x] = (dark / 2) * (erf((v + half) / sigma) - erf((v - half) / sigma));
      }
    }
    return out;
  };
}

/** No shadow's edge is softer by less than this standard deviation, pixels: that of a pixel's own width is 0.29. */
const LEAST_SOFT = 0.3;
