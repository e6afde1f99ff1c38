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

const SEPARABLE = new Set<Blend>(blendSchema.options.slice(0, 12));

export const isSeparable = (mode: Blend): boolean => SEPARABLE.has(mode);

const hardLight = (b: number, s: number): number => (s <= 0.5 ? 2 * b * s : b + 2 * s - 1 - b * (2 * s - 1));

function softLight(b: number, s: number): number {
  if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
  const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
  return b + (2 * s - 1) * (d - b);
}

const codeOf = (mode: Blend): number => blendSchema.options.indexOf(mode);

/**
 * B(cb, cs) of one channel, all 0…1; `code` is the mode's place among `blendSchema`'s, as
 * numbers are told apart at once and words one by one. One switch for all modes: a table of functions would
 * make the loops below call what they can't foresee, several times as slow.
 */
function channel(code: number, b: number, s: number): number {
  switch (code) {
    case 1: // multiply
      return b * s;
    case 2: // screen
      return b + s - b * s;
    case 3: // overlay
      return hardLight(s, b);
    case 4: // darken
      return b < s ? b : s;
    case 5: // lighten
      return b > s ? b : s;
    case 6: // color-dodge
      return b === 0 ? 0 : s >= 1 ? 1 : Math.min(1, b / (1 - s));
    case 7: // color-burn
      return b >= 1 ? 1 : s <= 0 ? 0 : 1 - Math.min(1, (1 - b) / s);
    case 8: // hard-light
      return hardLight(b, s);
    case 9: // soft-light
      return softLight(b, s);
    case 10: // difference
      return Math.abs(b - s);
    case 11: // exclusion
      return b + s - 2 * b * s;
    default:
      return s;
  }
}

/** What a colour with some alpha makes of one channel of an opaque backdrop: §9, co = cb·(1 − αs) + αs·B(cb, cs). */
export const blended = (mode: Blend, b: number, s: number, alpha: number): number =>
  b * (1 - alpha) + alpha * channel(codeOf(mode), b, s);

/** Colours of pixels: r, g, b straight and alpha, 0…1, and where in them each pixel's begin. */
export type Colours = { readonly values: Float32Array; readonly at: Int32Array };

const lum = (r: number, g: number, b: number) => 0.3 * r + 0.59 * g + 0.11 * b;
const sat = (r: number, g: number, b: number) => Math.max(r, g, b) - Math.min(r, g, b);

/** The modes that mix channels (§9.2): SetLum of one colour, its saturation changed before where the mode is about that; with ClipColor. */
function mixRow(mode: Blend, picture: Float32Array, { values, at }: Colours, n: number): void {
  const isOfPicture = mode === 'saturation' || mode === 'luminosity';
  const setsSaturation = mode === 'hue' || mode === 'saturation';
  for (let i = 0, p = 0; i < n; i++, p += 3) {
    const q = at[i]!;
    const alpha = values[q + 3]!;
    if (alpha === 0) continue;
    const br = picture[p]!;
    const bg = picture[p + 1]!;
    const bb = picture[p + 2]!;
    const sr = values[q]!;
    const sg = values[q + 1]!;
    const sb = values[q + 2]!;
    let r = isOfPicture ? br : sr;
    let g = isOfPicture ? bg : sg;
    let b = isOfPicture ? bb : sb;
    if (setsSaturation) {
      const low = Math.min(r, g, b);
      const range = Math.max(r, g, b) - low;
      const wanted = isOfPicture ? sat(sr, sg, sb) : sat(br, bg, bb);
      const k = range > 0 ? wanted / range : 0;
      r = (r - low) * k;
      g = (g - low) * k;
      b = (b - low) * k;
    }
    const d = (mode === 'luminosity' ? lum(sr, sg, sb) : lum(br, bg, bb)) - lum(r, g, b);
    r += d;
    g += d;
    b += d;
    const l = lum(r, g, b);
    const low = Math.min(r, g, b);
    const high = Math.max(r, g, b);
    if (low < 0) {
      const k = l / (l - low);
      r = l + (r - l) * k;
      g = l + (g - l) * k;
      b = l + (b - l) * k;
    }
    if (high > 1) {
      const k = (1 - l) / (high - l);
      r = l + (r - l) * k;
      g = l + (g - l) * k;
      b = l + (b - l) * k;
    }
    picture[p] = br + alpha * (r - br);
    picture[p + 1] = bg + alpha * (g - bg);
    picture[p + 2] = bb + alpha * (b - bb);
  }
}

/** Soft light has a root in it, and is asked for often. */
function softLightRow(picture: Float32Array, { values, at }: Colours, n: number): void {
  for (let i = 0, p = 0; i < n; i++, p += 3) {
    const q = at[i]!;
    const alpha = values[q + 3]!;
    if (alpha === 0) continue;
    const r = picture[p]!;
    const g = picture[p + 1]!;
    const b = picture[p + 2]!;
    picture[p] = r + alpha * (softLight(r, values[q]!) - r);
    picture[p + 1] = g + alpha * (softLight(g, values[q + 1]!) - g);
    picture[p + 2] = b + alpha * (softLight(b, values[q + 2]!) - b);
  }
}

/**
 * Blends a row of colours onto a row of an opaque picture, in place.
 *
 * @param picture n times r, g, b, 0…1
 */
export function blendRow(mode: Blend, picture: Float32Array, colours: Colours, n: number): void {
  if (!isSeparable(mode)) return mixRow(mode, picture, colours, n);
  if (mode === 'soft-light') return softLightRow(picture, colours, n);
  const { values, at } = colours;
  const code = codeOf(mode);
  // The common three have loops of their own.
  if (mode === 'normal')
    for (let i = 0, p = 0; i < n; i++, p += 3) {
      const q = at[i]!;
      const alpha = values[q + 3]!;
      if (alpha === 0) continue;
      picture[p] = picture[p]! + alpha * (values[q]! - picture[p]!);
      picture[p + 1] = picture[p + 1]! + alpha * (values[q + 1]! - picture[p + 1]!);
      picture[p + 2] = picture[p + 2]! + alpha * (values[q + 2]! - picture[p + 2]!);
    }
  else if (mode === 'multiply')
    for (let i = 0, p = 0; i < n; i++, p += 3) {
      const q = at[i]!;
      const alpha = values[q + 3]!;
      if (alpha === 0) continue;
      picture[p] = picture[p]! * (1 + alpha * (values[q]! - 1));
      picture[p + 1] = picture[p + 1]! * (1 + alpha * (values[q + 1]! - 1));
      picture[p + 2] = picture[p + 2]! * (1 + alpha * (values[q + 2]! - 1));
    }
  else if (mode === 'screen')
    for (let i = 0, p = 0; i < n; i++, p += 3) {
      const q = at[i]!;
      const alpha = values[q + 3]!;
      if (alpha === 0) continue;
      picture[p] = picture[p]! + alpha * values[q]! * (1 - picture[p]!);
      picture[p + 1] = picture[p + 1]! + alpha * values[q + 1]! * (1 - picture[p + 1]!);
      picture[p + 2] = picture[p + 2]! + alpha * values[q + 2]! * (1 - picture[p + 2]!);
    }
  else
    for (let i = 0, p = 0; i < n; i++, p += 3) {
      const q = at[i]!;
      const alpha = values[q + 3]!;
      if (alpha === 0) continue;
      const r = picture[p]!;
      const g = picture[p + 1]!;
      const b = picture[p + 2]!;
      picture[p] = r + alpha * (channel(code, r, values[q]!) - r);
      picture[p + 1] = g + alpha * (channel(code, g, values[q + 1]!) - g);
      picture[p + 2] = b + alpha * (channel(code, b, values[q + 2]!) - b);
    }
}
