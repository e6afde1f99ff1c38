/**
 * What of a subject's mask is only its colour run out over a clean ground: JPEG keeps colour in blocks up to
 * 16 pixels wide, and lightness in all its pixels.
 */
import type { Distances } from './ground';
import type { Size } from './lab';
import { cleaned, filled, grown, partsOf, type Mask, type Part } from './masks';

/** How far colour runs, pixels of the picture that is looked at: a block of a photo of 320 pixels. */
const REACH = 13;
/** Darker or lighter than the ground by this (L*) is no colour that ran out. */
const FIRM = 6;
/** What is as light as the ground, but for this much (L*), … */
const AS_LIGHT = 2;
/** … and less unlike it than this share of what is beside it may be some of that, … */
const SHARE = 0.5;
/** … if lightness changes by less than this (L*) where it ends: it has no outline of its own. */
const STEP = 1.6;

/** The most within `reach` values of each along a line (van Herk 1992, from memory: from both ends of blocks as long as that). */
function mostAlong(values: Float32Array, start: number, step: number, count: number, reach: number): void {
  const block = 2 * reach + 1;
  const all = count + 2 * reach;
  // Nothing lies beyond both ends.
  const own = new Float32Array(all);
  for (let i = 0; i < count; i++) own[i + reach] = values[start + i * step]!;
  const fromLeft = own.slice();
  for (let i = 1; i < all; i++) if (i % block !== 0 && fromLeft[i - 1]! > own[i]!) fromLeft[i] = fromLeft[i - 1]!;
  const fromRight = own;
  for (let i = all - 2; i >= 0; i--)
    if ((i + 1) % block !== 0 && fromRight[i + 1]! > own[i]!) fromRight[i] = fromRight[i + 1]!;
  for (let i = 0; i < count; i++) values[start + i * step] = Math.max(fromRight[i]!, fromLeft[i + 2 * reach]!);
}

/** The most within a square around each pixel. */
export function mostAround(values: Float32Array, { width, height }: Size, reach: number): Float32Array {
  const most = values.slice();
  for (let y = 0; y < height; y++) mostAlong(most, y * width, 1, width, reach);
  for (let x = 0; x < width; x++) mostAlong(most, x, width, height, reach);
  return most;
}

/** How much lightness changes between a part of a mask and what is beside it and not in the mask. */
function stepAround({ pixels }: Part, mask: Mask, lighter: Float32Array, { width }: Size): number {
  let [sum, n] = [0, 0];
  for (const i of pixels) {
    const x = i % width;
    // Beyond the picture there is no mask.
    for (const k of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width]) {
      if (mask[k] !== 0) continue;
      sum += Math.abs(lighter[i]! - lighter[k]!);
      n++;
    }
  }
  return n === 0 ? Infinity : sum / n;
}

/** What of a mask is as light as the ground, and close to what is firmly lighter or darker. */
function asLight(mask: Mask, lighter: Float32Array, size: Size): Mask {
  const firm = new Uint8Array(mask.length);
  for (let i = 0; i < mask.length; i++) if (mask[i] === 1 && Math.abs(lighter[i]!) > FIRM) firm[i] = 1;
  const near = grown(firm, size, REACH);
  for (let i = 0; i < mask.length; i++) near[i]! &= mask[i]! & (Math.abs(lighter[i]!) < AS_LIGHT ? 1 : 0);
  return near;
}

/** A mask without colour that ran out over its rim. */
export function withoutBleed(mask: Mask, { unshaded, lighter }: Distances, size: Size): Mask {
  const pale = asLight(mask, lighter, size);
  if (!pale.includes(1)) return mask;
  const most = mostAround(unshaded, size, REACH);
  for (let i = 0; i < pale.length; i++) if (unshaded[i]! >= SHARE * most[i]!) pale[i] = 0;
  const bleed = partsOf(pale, size).filter((part) => stepAround(part, mask, lighter, size) < STEP);
  if (bleed.length === 0) return mask;
  const left = mask.slice();
  for (const { pixels } of bleed) for (const i of pixels) left[i] = 0;
  return cleaned(filled(left, size), size);
}
