/** Masks on a small raster: thresholds, clean-up, connected parts. */
import { common, narrowed, packed, unpacked, widened, type Bits } from './bits';
import type { Size } from './lab';

/** One byte a pixel, 0 or 1. */
export type Mask = Uint8Array;

/**
 * The threshold that parts values best into two classes (Otsu 1979, "A threshold selection
 * method from gray-level histograms"), and how well: between-class over whole variance, 0…1.
 */
export function otsu(values: Float32Array, most: number): { readonly threshold: number; readonly parted: number } {
  const BINS = 128;
  const histogram = new Float64Array(BINS);
  for (let i = 0; i < values.length; i++) histogram[Math.min(BINS - 1, Math.floor((values[i]! / most) * BINS))]!++;
  const n = values.length;
  let mean = 0;
  for (let i = 0; i < BINS; i++) mean += (i * histogram[i]!) / n;
  let variance = 0;
  for (let i = 0; i < BINS; i++) variance += ((i - mean) ** 2 * histogram[i]!) / n;
  let [best, at, share, sum] = [0, 0, 0, 0];
  for (let i = 0; i < BINS - 1; i++) {
    share += histogram[i]! / n;
    sum += (i * histogram[i]!) / n;
    if (share <= 0 || share >= 1) continue;
    const between = (mean * share - sum) ** 2 / (share * (1 - share));
    if (between > best) [best, at] = [between, i];
  }
  return { threshold: ((at + 1) / BINS) * most, parted: variance > 0 ? best / variance : 0 };
}

const again = (bits: Bits, times: number, step: (bits: Bits) => Bits): Bits =>
  times > 0 ? again(step(bits), times - 1, step) : bits;

/** Wider all round by so many pixels. */
export const grown = (mask: Mask, size: Size, by = 1): Mask => unpacked(again(packed(mask, size), by, widened));

const openedBits = (bits: Bits, radius: number) => again(again(bits, radius, narrowed), radius, widened);

/** Specks and bridges thinner than 2·radius + 1 pixels taken out. */
export const opened = (mask: Mask, size: Size, radius: number): Mask => unpacked(openedBits(packed(mask, size), radius)); // prettier-ignore

/** How far what is left grows back to its own thin ends: the lips of a bowl. */
const BACK = 2;

/** Specks taken out that are thinner than three pixels, thin ends kept. */
export function cleaned(mask: Mask, size: Size): Mask {
  const whole = packed(mask, size);
  return unpacked(again(openedBits(whole, 1), BACK, (bits) => common(widened(bits), whole)));
}

/** Gaps up to twice so many pixels closed and what they hold filled. */
export function closed(mask: Mask, size: Size, radius: number): Mask {
  const outside = grown(reachedFromRim(grown(mask, size, radius), size), size, radius);
  for (let i = 0; i < outside.length; i++) outside[i] = 1 - outside[i]!;
  return outside;
}

/**
 * What can be reached from the rim's empty pixels without crossing the mask. Swept down and
 * up until nothing changes: an outline is seldom so winding that this takes more than a few
 * sweeps, and each is much quicker than a queue.
 */
export function reachedFromRim(mask: Mask, { width, height }: Size): Mask {
  const outside = new Uint8Array(mask.length);
  const last = mask.length - width;
  for (let x = 0; x < width; x++) {
    outside[x] = 1 - mask[x]!;
    outside[last + x] = 1 - mask[last + x]!;
  }
  for (let i = 0; i < mask.length; i += width) {
    outside[i] = 1 - mask[i]!;
    outside[i + width - 1] = 1 - mask[i + width - 1]!;
  }
  for (let changed = true; changed;) {
    changed = false;
    // The rim is known, so every pixel between has four neighbours.
    for (let y = 1; y < height - 1; y++)
      for (let i = y * width + 1, end = i + width - 2; i < end; i++)
        if (mask[i]! + outside[i]! === 0 && (outside[i - 1]! | outside[i - width]!) === 1) outside[i] = 1;
    for (let y = height - 2; y > 0; y--)
      for (let i = y * width + width - 2, end = i - width + 2; i > end; i--)
        if (
          mask[i]! + outside[i]! === 0 &&
          (outside[i + 1]! | outside[i + width]! | outside[i - 1]! | outside[i - width]!) === 1
        ) {
          outside[i] = 1;
          changed = true;
        }
  }
  return outside;
}

/** Everything that the rim's empty pixels don't reach is filled. */
export function filled(mask: Mask, size: Size): Mask {
  const outside = reachedFromRim(mask, size);
  for (let i = 0; i < outside.length; i++) outside[i] = 1 - outside[i]!;
  return outside;
}

export type Part = {
  readonly pixels: readonly number[];
  /** Left, top, right, bottom; right and bottom are beyond the last pixel. */
  readonly box: readonly [number, number, number, number];
};

/** Takes a pixel out of what is left of a mask, into a part. */
function take(i: number, left: Mask, pixels: number[]): void {
  if (left[i] === 0) return;
  left[i] = 0;
  pixels.push(i);
}

const bySize = (a: Part, b: Part) => b.pixels.length - a.pixels.length;

/** Connected parts (by sides), the largest first. */
export function partsOf(mask: Mask, { width, height }: Size): Part[] {
  const left = mask.slice();
  const parts: Part[] = [];
  for (let start = left.indexOf(1); start >= 0; start = left.indexOf(1, start)) {
    const pixels: number[] = [];
    take(start, left, pixels);
    let [l, t, r, b] = [width, height, 0, 0];
    for (let k = 0; k < pixels.length; k++) {
      const i = pixels[k]!;
      const y = (i / width) | 0;
      const x = i - y * width;
      if (x < l) l = x;
      if (x >= r) r = x + 1;
      if (y < t) t = y;
      if (y >= b) b = y + 1;
      if (x > 0) take(i - 1, left, pixels);
      if (x < width - 1) take(i + 1, left, pixels);
      if (y > 0) take(i - width, left, pixels);
      if (y < height - 1) take(i + width, left, pixels);
    }
    parts.push({ pixels, box: [l, t, r, b] });
  }
  return parts.sort(bySize);
}
