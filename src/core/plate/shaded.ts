/** What lies behind everything where no photo has a share of it: the ground, and the shadows on it. */
import { ALPHA } from './pixel';

/** Shadows that fall on the ground, the first on top: r, g, b and alpha of each, and how much of it falls on each pixel of a band. */
export type Shades = { readonly colours: Float64Array; readonly masks: readonly Float32Array[] };

/**
 * Writes `n` pixels of the ground with the shadows on it, straight 8-bit RGBA.
 *
 * @param out where to, from byte `k` on
 * @param ground pixels in the making, `channels` numbers each, the first at `q`; of one that is the same everywhere
 *   `channels` is 0
 * @param i the first pixel's place in the shadows' masks
 * @param least less alpha than this is none
 */
export function writeShaded(
  out: Uint8ClampedArray,
  k: number,
  n: number,
  ground: Float32Array | Float64Array,
  q: number,
  channels: number,
  { colours, masks }: Shades,
  i: number,
  least: number,
): void {
  for (const end = i + n; i < end; i++, k += 4, q += channels) {
    let r = ground[q]!;
    let g = ground[q + 1]!;
    let b = ground[q + 2]!;
    let alpha = ground[q + ALPHA]!;
    for (let s = masks.length - 1; s >= 0; s--) {
      const own = masks[s]![i]!;
      if (own === 0) continue;
      const share = colours[s * 4 + 3]! * own;
      const rest = 1 - share;
      r = colours[s * 4]! * share + r * rest;
      g = colours[s * 4 + 1]! * share + g * rest;
      b = colours[s * 4 + 2]! * share + b * rest;
      alpha = share + alpha * rest;
    }
    if (alpha < least) continue;
    out[k] = (r / alpha) * 255;
    out[k + 1] = (g / alpha) * 255;
    out[k + 2] = (b / alpha) * 255;
    out[k + 3] = alpha * 255;
  }
}
