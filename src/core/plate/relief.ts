/** How a band stands out: slopes from its profile, and what the light makes of them. */
import type { Light, ProfileCurve, Relief } from '../layers';
import { blur, type Beside } from '../raster';

/** How much a height rises to the right and downwards, pixel by pixel of a window, as lengths over lengths. */
export type Slopes = { readonly right: Float32Array; readonly down: Float32Array };

/** Slopes are steeper nowhere: the rim of a round profile stands upright. */
const STEEPEST = 1000;

/** A soft slope is what lies around it, and so steep that it looks upright. */
const STEEPEST_SOFT = 8;

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
  // prettier-ignore
  if (profile === 'drawn') return curveRise(curve);
  if (profile === 'chamfer') return (t) => (t < chamfer ? 1 / chamfer : t > 1 - chamfer ? -1 / chamfer : 0);
  // Half an ellipse, up or down.
  const sign = profile === 'round' ? -1 : 1;
  return (t) => {
    const u = 2 * t - 1;
    return (sign * 2 * u) / Math.sqrt(Math.max(1 - u * u, 1e-12));
  };
}

/** What stands on a band: values 0…1 of its texture, NaN beyond it. */
export type Grain = Float32Array;

/** Adds the slopes of a texture that stands so many pixels high. */
function addGrain({ right, down }: Slopes, grain: Grain, width: number, height: number, high: number): void {
  const at = (i: number, other: number) => (Number.isNaN(grain[other]!) ? grain[i]! : grain[other]!);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      if (Number.isNaN(grain[i]!)) continue;
      const [l, r] = [x > 0 ? i - 1 : i, x < width - 1 ? i + 1 : i];
      const [a, b] = [y > 0 ? i - width : i, y < height - 1 ? i + width : i];
      right[i]! += ((at(i, r) - at(i, l)) / 2) * high;
      down[i]! += ((at(i, b) - at(i, a)) / 2) * high;
    }
}

/**
 * Slopes of a band.
 *
 * @param wide its width, pixels
 * @param scale pixels per frame unit
 */
export function slopesOf(
  relief: Pick<Relief, 'profile' | 'chamfer' | 'curve' | 'depth' | 'softness'> & { readonly grain?: number },
  wide: number,
  scale: number,
  { window, away, nx, ny }: Beside,
  grain: Grain | null,
): Slopes {
  const { width, height } = window;
  const slopes = { right: new Float32Array(width * height), down: new Float32Array(width * height) };
  const rise = riseOf(relief);
  const k = (relief.depth * scale) / wide;
  const most = relief.softness > 0 ? STEEPEST_SOFT : STEEPEST;
  for (let i = 0; i < away.length; i++) {
    const far = away[i]!;
    if (Number.isNaN(far)) continue;
    const slope = Math.min(most, Math.max(-most, k * rise(Math.min(1, Math.max(0, far / wide)))));
    slopes.right[i] = slope * nx[i]!;
    slopes.down[i] = slope * ny[i]!;
  }
  if (relief.softness > 0)
    for (const part of [slopes.right, slopes.down]) blur(part, width, height, (relief.softness * scale) / 2);
  if (grain && relief.grain) addGrain(slopes, grain, width, height, relief.grain * scale);
  return slopes;
}

/** How strongly shade and highlight lie on a place that rises so much to the right and downwards: written as two numbers, 0…1. */
export type Shading = (right: number, down: number, out: Float64Array) => void;

/**
 * Against a flat place, which is left as it is: Lambert's law with light from all sides,
 * and Blinn's highlights (1977), seen from straight above.
 */
export function shadingOf(
  { angle, height, ambient }: Light,
  relief: Pick<Relief, 'shine' | 'shadeStrength' | 'highlightStrength'>,
): Shading {
  // prettier-ignore
  const { shine, shadeStrength, highlightStrength } = relief;
  const [turn, high] = [(angle * Math.PI) / 180, (height * Math.PI) / 180];
  const [lx, ly, lz] = [Math.sin(turn) * Math.cos(high), -Math.cos(turn) * Math.cos(high), Math.sin(high)];
  const long = Math.sqrt(lx * lx + ly * ly + (lz + 1) * (lz + 1));
  const [hx, hy, hz] = [lx / long, ly / long, (lz + 1) / long];
  const flat = ambient + (1 - ambient) * lz;
  const flatShine = Math.pow(hz, shine);
  const [room, shineRoom] = [Math.max(1 - flat, 1e-6), Math.max(1 - flatShine, 1e-6)];
  return (right, down, out) => {
    if (right === 0 && down === 0) {
      out[0] = out[1] = 0;
      return;
    }
    const size = Math.sqrt(1 + right * right + down * down);
    const lit = ambient + (1 - ambient) * Math.max(0, (lz - right * lx - down * ly) / size);
    const mirrored = Math.pow(Math.max(0, (hz - right * hx - down * hy) / size), shine);
    const [more, shines] = [Math.max(0, lit - flat) / room, Math.max(0, mirrored - flatShine) / shineRoom];
    out[0] = Math.max(0, 1 - lit / flat) * shadeStrength;
    out[1] = (1 - (1 - more) * (1 - shines)) * highlightStrength;
  };
}
