/** The blend modes of W3C Compositing and Blending 1 §9 (formulas: §9.1 separable, §9.2 not), over rows of colours. */
import { z } from 'zod';

export const blendSchema = z.enum([
  'normal',
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity',
]);
export type Blend = z.infer<typeof blendSchema>;

/** B(cb, cs) of one channel, all 0…1. */
type Channel = (b: number, s: number) => number;

const hardLight: Channel = (b, s) => (s <= 0.5 ? 2 * b * s : b + 2 * s - 1 - b * (2 * s - 1));

function softLight(b: number, s: number): number {
  if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
  const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
  return b + (2 * s - 1) * (d - b);
}

const SEPARABLE: Readonly<Partial<Record<Blend, Channel>>> = {
  normal: (_, s) => s,
  multiply: (b, s) => b * s,
  screen: (b, s) => b + s - b * s,
  overlay: (b, s) => hardLight(s, b),
  darken: (b, s) => (b < s ? b : s),
  lighten: (b, s) => (b > s ? b : s),
  'color-dodge': (b, s) => (b === 0 ? 0 : s >= 1 ? 1 : Math.min(1, b / (1 - s))),
  'color-burn': (b, s) => (b >= 1 ? 1 : s <= 0 ? 0 : 1 - Math.min(1, (1 - b) / s)),
  'hard-light': hardLight,
  'soft-light': softLight,
  difference: (b, s) => Math.abs(b - s),
  exclusion: (b, s) => b + s - 2 * b * s,
};

export const isSeparable = (mode: Blend): boolean => mode in SEPARABLE;

/** What a colour with some alpha makes of one channel of an opaque backdrop: §9, co = cb·(1 − αs) + αs·B(cb, cs). */
export const blended = (mode: Blend, b: number, s: number, alpha: number): number =>
  b * (1 - alpha) + alpha * SEPARABLE[mode]!(b, s);

const lum = (r: number, g: number, b: number) => 0.3 * r + 0.59 * g + 0.11 * b;
const sat = (r: number, g: number, b: number) => Math.max(r, g, b) - Math.min(r, g, b);

/** Where the two functions below leave their answer: no list is made for each pixel. */
const rgb = new Float64Array(3);

/** SetLum of what is in `rgb`, with ClipColor. */
function setLum(wanted: number): void {
  const d = wanted - lum(rgb[0]!, rgb[1]!, rgb[2]!);
  for (let c = 0; c < 3; c++) rgb[c] = rgb[c]! + d;
  const l = lum(rgb[0]!, rgb[1]!, rgb[2]!);
  const low = Math.min(rgb[0]!, rgb[1]!, rgb[2]!);
  const high = Math.max(rgb[0]!, rgb[1]!, rgb[2]!);
  if (low < 0) for (let c = 0; c < 3; c++) rgb[c] = l + ((rgb[c]! - l) * l) / (l - low);
  if (high > 1) for (let c = 0; c < 3; c++) rgb[c] = l + ((rgb[c]! - l) * (1 - l)) / (high - l);
}

/** SetSat of what is in `rgb`. */
function setSat(wanted: number): void {
  const low = Math.min(rgb[0]!, rgb[1]!, rgb[2]!);
  const range = Math.max(rgb[0]!, rgb[1]!, rgb[2]!) - low;
  for (let c = 0; c < 3; c++) rgb[c] = range > 0 ? ((rgb[c]! - low) * wanted) / range : 0;
}

/** B(Cb, Cs) of the modes that mix channels, into `rgb`. */
function mixChannels(mode: Blend, br: number, bg: number, bb: number, sr: number, sg: number, sb: number): void {
  const ofBackdrop = mode === 'saturation' || mode === 'luminosity';
  rgb[0] = ofBackdrop ? br : sr;
  rgb[1] = ofBackdrop ? bg : sg;
  rgb[2] = ofBackdrop ? bb : sb;
  if (mode === 'hue') setSat(sat(br, bg, bb));
  if (mode === 'saturation') setSat(sat(sr, sg, sb));
  setLum(mode === 'luminosity' ? lum(sr, sg, sb) : lum(br, bg, bb));
}

/**
 * Blends a row of colours onto a row of an opaque picture, in place.
 *
 * @param picture n times r, g, b, 0…1
 * @param paint n times r, g, b straight and alpha, 0…1
 */
export function blendRow(mode: Blend, picture: Float32Array, paint: Float32Array, n: number): void {
  if (!isSeparable(mode)) {
    for (let i = 0, p = 0, q = 0; i < n; i++, p += 3, q += 4) {
      const alpha = paint[q + 3]!;
      if (alpha === 0) continue;
      const [r, g, b] = [picture[p]!, picture[p + 1]!, picture[p + 2]!];
      mixChannels(mode, r, g, b, paint[q]!, paint[q + 1]!, paint[q + 2]!);
      picture[p] = r + alpha * (rgb[0]! - r);
      picture[p + 1] = g + alpha * (rgb[1]! - g);
      picture[p + 2] = b + alpha * (rgb[2]! - b);
    }
    return;
  }
  // The common three have loops of their own: a call a channel takes several times as long.
  if (mode === 'normal')
    for (let i = 0, p = 0, q = 0; i < n; i++, q += 4)
      for (let c = 0; c < 3; c++, p++) picture[p] = picture[p]! + paint[q + 3]! * (paint[q + c]! - picture[p]!);
  else if (mode === 'multiply')
    for (let i = 0, p = 0, q = 0; i < n; i++, q += 4)
      for (let c = 0; c < 3; c++, p++) picture[p] = picture[p]! * (1 + paint[q + 3]! * (paint[q + c]! - 1));
  else if (mode === 'screen')
    for (let i = 0, p = 0, q = 0; i < n; i++, q += 4)
      for (let c = 0; c < 3; c++, p++) picture[p] = picture[p]! + paint[q + 3]! * paint[q + c]! * (1 - picture[p]!);
  else {
    const channel = SEPARABLE[mode]!;
    for (let i = 0, p = 0, q = 0; i < n; i++, q += 4) {
      const alpha = paint[q + 3]!;
      for (let c = 0; c < 3; c++, p++) {
        const b = picture[p]!;
        picture[p] = b + alpha * (channel(b, paint[q + c]!) - b);
      }
    }
  }
}
