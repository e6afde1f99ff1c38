/** Finished pictures mixed with what lies below them, by the blend modes of W3C Compositing 1. */
import { blendRow, type Rgba } from '../paint';
import { overInto } from './lay';
import type { Overlay } from './plate';

/** Rows that the loops below work in. */
let rows = rowsFor(0);

function rowsFor(n: number) {
  const at = Int32Array.from({ length: n }, (_, i) => i * 4);
  return { below: new Float32Array(n * 3), above: new Float32Array(n * 4), at };
}

/**
 * Mixes straight 8-bit RGBA into what is below it, in place. Compositing 1 §9: with opaque ground
 * Cb·(1 − αs) + αs·B(Cb, Cs); of the ground's share αb of the pixel it is that, and beyond it the source
 * by itself.
 *
 * @param k, p where both rows begin
 */
function mixRow(
  out: Uint8ClampedArray,
  k: number,
  own: Uint8ClampedArray,
  p: number,
  n: number,
  { blend, opacity, isAtop }: Overlay,
): void {
  if (rows.at.length < n) rows = rowsFor(n);
  const { below, above, at } = rows;
  for (let i = 0, q = k, s = p, b = 0, a = 0; i < n; i++, q += 4, s += 4, b += 3, a += 4) {
    for (let c = 0; c < 3; c++) {
      below[b + c] = out[q + c]! / 255;
      above[a + c] = own[s + c]! / 255;
    }
    above[a + 3] = (own[s + 3]! / 255) * opacity;
  }
  blendRow(blend, below, { values: above, at }, n);
  for (let i = 0, q = k, b = 0, a = 0; i < n; i++, q += 4, b += 3, a += 4) {
    const source = above[a + 3]!;
    if (source === 0) continue;
    const ground = out[q + 3]! / 255;
    const beyond = isAtop ? 0 : source * (1 - ground);
    const all = ground + beyond;
    if (all === 0) continue;
    for (let c = 0; c < 3; c++) out[q + c] = (255 * (ground * below[b + c]! + beyond * above[a + c]!)) / all;
    out[q + 3] = 255 * all;
  }
}

/** The same of a picture that has holes: what is left below is less than its alpha leaves. */
function pierceRow(
  out: Uint8ClampedArray,
  k: number,
  own: Uint8ClampedArray,
  p: number,
  n: number,
  keep: Uint8Array,
): void {
  for (let i = 0, q = k, s = p; i < n; i++, q += 4, s += 4) {
    const kept = keep[s >> 2]!;
    if (kept === 255) continue;
    const alpha = own[s + 3]!;
    const below = (out[q + 3]! * kept) / 255;
    const all = alpha + below;
    if (all > 0) for (let c = 0; c < 3; c++) out[q + c] = (own[s + c]! * alpha + out[q + c]! * below) / all;
    out[q + 3] = all;
  }
}

/** What a front with holes leaves of all below it, 0…255 a pixel: over what is opaque, alpha is what it adds and what it leaves. */
export function leftBelow(overBlack: Uint8ClampedArray, front: Uint8ClampedArray): Uint8Array {
  const left = new Uint8Array(front.length / 4);
  for (let i = 0, k = 3; i < left.length; i++, k += 4) left[i] = overBlack[k]! - front[k]!;
  return left;
}

/** Lays a finished picture of the same size over another, in place. */
export function overlay(out: Uint8ClampedArray, own: Uint8ClampedArray, layer: Overlay): void {
  const { width, height, inked } = layer.plate;
  const { keep } = layer;
  if (keep) {
    // Holes reach beyond all that has a colour.
    for (let y = 0; y < height; y++) pierceRow(out, y * width * 4, own, y * width * 4, width, keep);
    return;
  }
  const isOver = layer.blend === 'normal' && layer.opacity === 1 && !layer.isAtop;
  for (let y = inked.top; y < inked.top + inked.height; y++) {
    const k = (y * width + inked.left) * 4;
    if (isOver) overInto(out, k, own, k, inked.width);
    else mixRow(out, k, own, k, inked.width, layer);
  }
}

/** Lays a colour below what is there, in place. */
export function layMatte(out: Uint8ClampedArray, { r, g, b, alpha }: Rgba): void {
  const matte = [r * 255, g * 255, b * 255];
  for (let k = 0; k < out.length; k += 4) {
    const own = out[k + 3]! / 255;
    if (own === 1) continue;
    const below = alpha * (1 - own);
    const all = own + below;
    for (let c = 0; c < 3; c++) out[k + c] = all === 0 ? 0 : (out[k + c]! * own + matte[c]! * below) / all;
    out[k + 3] = all * 255;
  }
}
