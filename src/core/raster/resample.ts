/** Pixels turned and moved, and what lies beyond their rim. */
import type { Affine } from '../shape';
import type { PixelWindow } from './coverage';
import { cubicWeights } from './cubic';

/** The part of a picture that is needed, straight 8-bit RGBA row by row, and the whole picture's size. */
export type PicturePart = {
  readonly data: Uint8Array | Uint8ClampedArray;
  readonly part: PixelWindow;
  readonly width: number;
  readonly height: number;
};

/**
 * Beyond the source: nothing; the source mirrored; its rim's pixels drawn out; or those
 * fading into one colour, r, g, b 0…255.
 */
export type Outside =
  | { readonly kind: 'none' | 'mirror' | 'smear' }
  | { readonly kind: 'ground'; readonly colour: readonly [r: number, g: number, b: number] };

/** The rim has wholly faded into the ground after this share of the source's longer side. */
const FADE = 0.12;

const clamp = (v: number, high: number) => (v < 0 ? 0 : v > high ? high : v);

/** Reflected into 0…length as often as it takes. */
function reflected(v: number, length: number): number {
  const period = 2 * length;
  const rest = ((v % period) + period) % period;
  return rest > length ? period - rest : rest;
}

/** 0…1 without a kink at either end. */
const smooth = (t: number) => (t >= 1 ? 1 : t * t * (3 - 2 * t));

/** Mixes the ground's colour into a pixel, the more the further it lies beyond the rim; `longer` is the source's longer side. */
export function fadeInto([r, g, b]: readonly [number, number, number], longer: number) {
  const reach = FADE * longer;
  return (pixels: Uint8ClampedArray | Float64Array, k: number, beyond: number): void => {
    const t = smooth(beyond / reach);
    pixels[k] = pixels[k]! + (r - pixels[k]!) * t;
    pixels[k + 1] = pixels[k + 1]! + (g - pixels[k + 1]!) * t;
    pixels[k + 2] = pixels[k + 2]! + (b - pixels[k + 2]!) * t;
  };
}

/**
 * The source seen through a window.
 *
 * @param toSource from the output's pixels (a pixel's middle lies at + 0.5) to the source's; must keep sizes, as the source was scaled before
 * @param outside what is seen beyond the source; for `none` alpha falls to 0 over the pixel at the rim
 */
export function resample(
  source: PicturePart,
  window: PixelWindow,
  toSource: Affine,
  outside: Outside,
): Uint8ClampedArray<ArrayBuffer> {
  const { data, part, width, height } = source;
  const [lastColumn, lastRow] = [part.width - 1, part.height - 1];
  const out = new Uint8ClampedArray(window.width * window.height * 4);
  const [a, b, c, d, e, f] = toSource;
  const [wx, wy] = [new Float64Array(4), new Float64Array(4)];
  const fade = outside.kind === 'ground' ? fadeInto(outside.colour, Math.max(width, height)) : null;
  const rgb = new Float64Array(3);
  let k = 0;
  for (let row = 0; row < window.height; row++)
    for (let column = 0; column < window.width; column++, k += 4) {
      const [ox, oy] = [window.left + column + 0.5, window.top + row + 0.5];
      let u = a * ox + c * oy + e;
      let v = b * ox + d * oy + f;
      // How far beyond the rim the pixel's middle lies; negative within.
      const beyond = Math.max(-u, u - width, -v, v - height);
      if (outside.kind === 'none' && beyond >= 0.5) continue;
      if (beyond > 0) {
        if (outside.kind === 'mirror') [u, v] = [reflected(u, width), reflected(v, height)];
        else [u, v] = [clamp(u - 0.5, width - 1) + 0.5, clamp(v - 0.5, height - 1) + 0.5];
      }
      const [x, y] = [u - 0.5, v - 0.5];
      const [left, top] = [Math.floor(x), Math.floor(y)];
      cubicWeights(x - left, wx);
      cubicWeights(y - top, wy);
      rgb.fill(0);
      for (let j = 0; j < 4; j++) {
        const line = clamp(clamp(top + j - 1, height - 1) - part.top, lastRow) * part.width;
        for (let i = 0; i < 4; i++) {
          const weight = wx[i]! * wy[j]!;
          if (weight === 0) continue;
          const p = (line + clamp(clamp(left + i - 1, width - 1) - part.left, lastColumn)) * 4;
          rgb[0]! += weight * data[p]!;
          rgb[1]! += weight * data[p + 1]!;
          rgb[2]! += weight * data[p + 2]!;
        }
      }
      if (beyond > 0) fade?.(rgb, 0, beyond);
      out[k] = rgb[0]!;
      out[k + 1] = rgb[1]!;
      out[k + 2] = rgb[2]!;
      // A whole pixel within is opaque; the rim's own pixels are covered by half a pixel's ramp.
      out[k + 3] = outside.kind === 'none' && beyond > -0.5 ? (0.5 - beyond) * 255 : 255;
    }
  return out;
}
