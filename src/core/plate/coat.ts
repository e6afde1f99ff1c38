/** Paints laid over each other, row by row. */
import { fillPaint, fillPlaces, type PaintRows, type Places, type Ramp } from '../paint';
import type { PixelWindow } from '../raster';
import { ALPHA, OTHERS } from './pixel';

/** A paint ready to be laid. */
export type Coat = PaintRows & {
  /** Which of the other sources it is (`Others`), of which the ramp then only says the alpha; −1 for a paint of its own. */
  readonly pick: number;
  /** Where a border's dash, or a layer's shape, covers it; null all over. */
  readonly dash: Places | null;
  /** True where it takes away what is below instead of covering it. */
  readonly isHole?: boolean;
  /** Light on it: premultiplied 8-bit RGBA over a window, seen as far as the paint is (Compositing 1: source-atop). */
  readonly atop?: { readonly window: PixelWindow; readonly data: Uint8ClampedArray };
  /** A picture instead of the paint: premultiplied 8-bit RGBA over a window; of one that shows a colour of the photo (`pick`), how much of that each pixel has, 0…255, beside its own colours. */
  readonly pixels?: {
    readonly window: PixelWindow;
    readonly data: Uint8ClampedArray;
    readonly opacity: number;
    readonly shares?: Uint8ClampedArray;
  };
};

/** True where it is the same in every row. */
export const isSameAllOver = ({ places, pixels, dash }: Coat): boolean => places.kind === 'flat' && !pixels && !dash;

/** What both cover, of one window. */
export function bothCover(one: Places, other: Places): Places {
  if (one.kind !== 'field' || other.kind !== 'field') return one;
  const values = one.field.values.map((v, k) => (v * other.field.values[k]!) / 65535 + 0.5);
  return { kind: 'field', field: { ...one.field, values } };
}

/** Lays a coat over `n` pixels in the making, of row `y` from column `x` on. */
export type Lay = (coat: Coat, x: number, y: number, n: number, out: Float32Array) => void;

/** Where nothing but the paint's own colours come: a loop by itself, which most pixels of most coats go through. */
function layColours(ramp: Ramp, at: Int32Array, covers: Float32Array | null, n: number, out: Float32Array): void {
  for (let i = 0, q = 0; i < n; i++, q += OTHERS) {
    const p = at[i]!;
    const alpha = covers ? ramp[p + 3]! * covers[i]! : ramp[p + 3]!;
    if (alpha === 0) continue;
    const rest = 1 - alpha;
    out[q] = ramp[p]! * alpha + out[q]! * rest;
    out[q + 1] = ramp[p + 1]! * alpha + out[q + 1]! * rest;
    out[q + 2] = ramp[p + 2]! * alpha + out[q + 2]! * rest;
    out[q + ALPHA] = alpha + out[q + ALPHA]! * rest;
  }
}

export function coatLayer(width: number, channels: number): Lay {
  const [scratch, at, dash] = [new Float32Array(width), new Int32Array(width), new Float32Array(width)];
  const layPixels = (
    coat: Coat,
    { window, data, opacity, shares }: NonNullable<Coat['pixels']>,
    x: number,
    y: number,
    n: number,
    out: Float32Array,
  ) => {
    let k = ((y - window.top) * window.width + x - window.left) * 4;
    for (let i = 0, q = 0; i < n; i++, q += channels, k += 4) {
      const strength = coat.dash ? opacity * dash[i]! : opacity;
      const alpha = (data[k + 3]! / 255) * strength;
      if (alpha === 0) continue;
      const rest = 1 - alpha;
      for (let c = 0; c < 3; c++) out[q + c] = (data[k + c]! / 255) * strength + out[q + c]! * rest;
      out[q + ALPHA] = alpha + out[q + ALPHA]! * rest;
      for (let c = OTHERS; c < channels; c++) out[q + c]! *= rest;
      if (shares) out[q + OTHERS + coat.pick]! += (shares[k >> 2]! / 255) * strength;
    }
  };
  return (coat, x, y, n, out) => {
    if (coat.dash) fillPlaces(coat.dash, x, y, n, dash);
    if (coat.pixels) return layPixels(coat, coat.pixels, x, y, n, out);
    fillPaint(coat, x, y, n, scratch, at);
    const { ramp, atop } = coat;
    if (channels === OTHERS && coat.pick < 0 && !atop) return layColours(ramp, at, coat.dash && dash, n, out);
    const own = coat.pick < 0 ? 1 : 0;
    let light = atop ? ((y - atop.window.top) * atop.window.width + x - atop.window.left) * 4 : 0;
    for (let i = 0, q = 0; i < n; i++, q += channels) {
      const p = at[i]!;
      const alpha = coat.dash ? ramp[p + 3]! * dash[i]! : ramp[p + 3]!;
      if (alpha === 0) {
        light += 4;
        continue;
      }
      const rest = 1 - alpha;
      for (let c = 0; c < 3; c++) out[q + c] = ramp[p + c]! * alpha * own + out[q + c]! * rest;
      out[q + ALPHA] = alpha + out[q + ALPHA]! * rest;
      for (let c = OTHERS; c < channels; c++) out[q + c]! *= rest;
      if (coat.pick >= 0) out[q + OTHERS + coat.pick]! += alpha;
      if (!atop) continue;
      const lit = atop.data[light + 3]! / 255;
      if (coat.pick >= 0) out[q + OTHERS + coat.pick]! -= alpha * lit;
      else for (let c = 0; c < 3; c++) out[q + c]! -= ramp[p + c]! * alpha * lit;
      for (let c = 0; c < 3; c++) out[q + c]! += (atop.data[light + c]! / 255) * alpha;
      light += 4;
    }
  };
}
