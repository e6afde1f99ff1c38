/** How a band stands out: slopes from its profile, and what the light makes of them. */
import type { Light, ProfileCurve, Relief } from '../layers';
import type { Beside } from '../raster';

/** How much a height rises to the right and downwards at each place beside an outline, as lengths over lengths. */
export type Slopes = { readonly right: Float32Array; readonly down: Float32Array };

/** Slopes are steeper nowhere: the rim of a round profile stands upright. */
const STEEPEST = 1000;

/** Slopes at each point of a monotone cubic through the points (Fritsch & Carlson 1980). */
function tangentsOf(points: ProfileCurve): number[] {
  const rises = points.slice(1).map(([x, y], i) => (y - points[i]![1]) / (x - points[i]![0]));
  return points.map((_, i) => {
    const [before, after] = [rises[i - 1], rises[i]];
    if (before === undefined || after === undefined) return (before ?? after)!;
    // Harmonic mean: never steeper than three times either side.
    return before * after <= 0 ? 0 : (2 * before * after) / (before + after);
  });
}

/** The rise of a drawn curve at `t`. */
function curveRise(points: ProfileCurve): (t: number) => number {
  const tangents = tangentsOf(points);
  return (t) => {
    let k = 0;
    while (k < points.length - 2 && points[k + 1]![0] <= t) k++;
    const [[x0, y0], [x1, y1]] = [points[k]!, points[k + 1]!];
    const wide = x1 - x0;
    const s = Math.min(1, Math.max(0, (t - x0) / wide));
    const [m0, m1] = [tangents[k]!, tangents[k + 1]!];
    return (6 * s * s - 6 * s) * ((y0 - y1) / wide) + (3 * s * s - 4 * s + 1) * m0 + (3 * s * s - 2 * s) * m1;
  };
}

/** The rise of a profile, of height 1 and width 1, at `t` from its outer edge to its inner one. */
export function riseOf({
  profile,
  chamfer,
  curve,
}: Pick<Relief, 'profile' | 'chamfer' | 'curve'>): (t: number) => number {
  if (profile === 'drawn') return curveRise(curve);
  if (profile === 'chamfer') return (t) => (t < chamfer ? 1 / chamfer : t > 1 - chamfer ? -1 / chamfer : 0);
  // Half an ellipse, up or down.
  const sign = profile === 'round' ? -1 : 1;
  return (t) => {
    const u = 2 * t - 1;
    return (sign * 2 * u) / Math.sqrt(Math.max(1 - u * u, 1e-12));
  };
}

/** Standard deviation of a place within a pixel. */
const PIXEL = Math.sqrt(1 / 12);

/** A round profile narrower than this bends within a pixel, pixels. */
const NARROW = 16;

/** Steps of a profile across its band, and so many more beyond either side. */
const STEPS = 1024;
const BEYOND = STEPS / 2;

/** Heights of a profile at its steps, from half a band before it to half a band behind: its ends go on. */
function heightsOf(rise: (t: number) => number): Float64Array {
  const heights = new Float64Array(STEPS + 2 * BEYOND + 1);
  let height = 0;
  const FINE = 8;
  for (let i = 0; i <= STEPS; i++) {
    heights[BEYOND + i] = height;
    // Steep ends are added up in small steps.
    for (let k = 0; k < FINE; k++) height += rise((i + (k + 0.5) / FINE) / STEPS) / STEPS / FINE;
  }
  heights.fill(heights[BEYOND + STEPS]!, BEYOND + STEPS + 1);
  return heights;
}

/**
 * A profile's rise softened: its heights seen through a Gaussian.
 *
 * @param sigma in widths of the band
 */
function softRise(rise: (t: number) => number, sigma: number): (t: number) => number {
  const heights = heightsOf(rise);
  const reach = Math.min(BEYOND, Math.ceil(3 * sigma * STEPS));
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-(((i - reach) / (sigma * STEPS)) ** 2) / 2)); // prettier-ignore
  const total = weights.reduce((sum, w) => sum + w, 0);
  const soft = Float64Array.from({ length: STEPS + 2 }, (_, i) => {
    let sum = 0;
    for (let k = -reach; k <= reach; k++) {
      const at = Math.min(heights.length - 1, Math.max(0, BEYOND + i + k));
      sum += weights[k + reach]! * heights[at]!;
    }
    return sum / total;
  });
  return (t) => {
    const k = Math.min(STEPS, Math.floor(t * STEPS));
    return (soft[k + 1]! - soft[k]!) * STEPS;
  };
}

/** Adds the slopes of a texture that stands so many pixels high; `grain` is its values in the places. */
function addGrain({ right, down }: Slopes, grain: Float32Array, { window, places }: Beside, high: number): void {
  const { width, height } = window;
  const all = new Float32Array(width * height).fill(NaN);
  for (let i = 0; i < places.length; i++) all[places[i]!] = grain[i]!;
  const rise = (here: number, before: number, after: number) => {
    const [a, b] = [all[before]!, all[after]!];
    return ((Number.isNaN(b) ? here : b) - (Number.isNaN(a) ? here : a)) / 2;
  };
  for (let i = 0; i < places.length; i++) {
    const at = places[i]!;
    const x = at % width;
    right[i]! += rise(grain[i]!, x > 0 ? at - 1 : at, x < width - 1 ? at + 1 : at) * high;
    down[i]! += rise(grain[i]!, at >= width ? at - width : at, at < width * (height - 1) ? at + width : at) * high;
  }
}

/**
 * Slopes of a band.
 *
 * @param wide its width, pixels
 * @param scale pixels per frame unit
 * @param grain of the texture that stands out of it, its values in the places
 */
export function slopesOf(
  relief: Pick<Relief, 'profile' | 'chamfer' | 'curve' | 'depth' | 'softness'> & { readonly grain?: number },
  wide: number,
  scale: number,
  beside: Beside,
  grain: Float32Array | null,
): Slopes {
  const { away, nx, ny } = beside;
  const slopes = { right: new Float32Array(away.length), down: new Float32Array(away.length) };
  const sharp = riseOf(relief);
  const isEven = relief.profile === 'round' && relief.softness === 0 && wide > NARROW;
  // A pixel shows the mean over its width, which its middle says only where nothing bends suddenly.
  const rise = isEven ? sharp : softRise(sharp, Math.hypot((relief.softness * scale) / 2, PIXEL) / wide);
  const k = (relief.depth * scale) / wide;
  for (let i = 0; i < away.length; i++) {
    const t = away[i]! / wide;
    const slope = Math.min(STEEPEST, Math.max(-STEEPEST, k * rise(t < 0 ? 0 : t > 1 ? 1 : t)));
    slopes.right[i] = slope * nx[i]!;
    slopes.down[i] = slope * ny[i]!;
  }
  if (grain && relief.grain) addGrain(slopes, grain, beside, relief.grain * scale);
  return slopes;
}

/** How strongly shade and highlight lie on a place that rises so much to the right and downwards: written as two numbers, 0…1. */
export type Shading = (right: number, down: number, out: Float64Array) => void;

const POWERS = 8192;

/** `v` to a power, 0 below 0, out of a table: within 1/1000. */
function powersOf(exponent: number): (v: number) => number {
  const table = Float64Array.from({ length: POWERS + 2 }, (_, i) => Math.pow(i / POWERS, exponent));
  return (v) => {
    if (v <= 0) return 0;
    const at = Math.min(v, 1) * POWERS;
    const k = Math.floor(at);
    return table[k]! + (table[k + 1]! - table[k]!) * (at - k);
  };
}

/**
 * Against a flat place, which is left as it is: Lambert's law with light from all sides,
 * and Blinn's highlights (1977), seen from straight above.
 */
export function shadingOf(
  { angle, height, ambient }: Light,
  relief: Pick<Relief, 'shine' | 'shadeStrength' | 'highlightStrength'>,
): Shading {
  const { shine, shadeStrength, highlightStrength } = relief;
  const [turn, high] = [(angle * Math.PI) / 180, (height * Math.PI) / 180];
  const [lx, ly, lz] = [Math.sin(turn) * Math.cos(high), -Math.cos(turn) * Math.cos(high), Math.sin(high)];
  const long = Math.sqrt(lx * lx + ly * ly + (lz + 1) * (lz + 1));
  const [hx, hy, hz] = [lx / long, ly / long, (lz + 1) / long];
  const flat = ambient + (1 - ambient) * lz;
  const powers = powersOf(shine);
  const flatShine = powers(hz);
  const [room, shineRoom] = [Math.max(1 - flat, 1e-6), Math.max(1 - flatShine, 1e-6)];
  return (right, down, out) => {
    if (right === 0 && down === 0) {
      out[0] = out[1] = 0;
      return;
    }
    const size = Math.sqrt(1 + right * right + down * down);
    const lit = ambient + (1 - ambient) * Math.max(0, (lz - right * lx - down * ly) / size);
    const mirrored = powers((hz - right * hx - down * hy) / size);
    const [more, shines] = [Math.max(0, lit - flat) / room, Math.max(0, mirrored - flatShine) / shineRoom];
    out[0] = Math.max(0, 1 - lit / flat) * shadeStrength;
    out[1] = (1 - (1 - more) * (1 - shines)) * highlightStrength;
  };
}
