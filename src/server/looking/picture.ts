/** Small opaque pictures and turned squares cut from them. */

import type { Raster } from '../../core/sight';

/** Opaque pixels, three bytes each. */
export type Picture = { readonly data: Uint8Array; readonly width: number; readonly height: number };

/** As the finder takes it. */
export const rasterOf = ({ data, width, height }: Picture): Raster => ({ rgb: data, width, height });

/** Half as wide and high, every pixel the mean of four; an odd last column or row is left out. */
export function halved({ data, width, height }: Picture): Picture {
  const [w, h] = [Math.max(1, width >> 1), Math.max(1, height >> 1)];
  const out = new Uint8Array(w * h * 3);
  const [right, below] = [width > 1 ? 3 : 0, height > 1 ? width * 3 : 0];
  for (let y = 0, k = 0; y < h; y++)
    for (let x = 0, from = 2 * y * width * 3; x < w; x++, from += 6)
      for (let c = from; c < from + 3; c++, k++)
        out[k] = (data[c]! + data[c + right]! + data[c + below]! + data[c + below + right]! + 2) >> 2;
  return { data: out, width: w, height: h };
}

export type Spot = readonly [x: number, y: number];

/** A square of a picture: its middle and side in the picture's pixels, turned clockwise by radians until it is seen. */
export type Part = { readonly middle: Spot; readonly side: number; readonly turn: number };

/** Where a place of a part's square, from its middle in the picture's pixels, lies in the picture. */
export function placeOf({ middle: [cx, cy], turn }: Part, dx: number, dy: number): Spot {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return [cx + cos * dx + sin * dy, cy - sin * dx + cos * dy];
}

/** The picture, half of it, a quarter…: a part is taken from the one that is at most twice too fine. */
export type Levels = readonly [whole: Picture, half: Picture, quarter: Picture];

export function levelsOf(picture: Picture): Levels {
  const half = halved(picture);
  return [picture, half, halved(half)];
}

/** How many pixels a part's side is drawn in, and how wide and high a rectangle of them around its middle is wanted. */
export type Drawn = { readonly side: number; readonly width: number; readonly height: number };

export const drawnSquare = (side: number): Drawn => ({ side, width: side, height: side });

/**
 * Red, green and blue of a part, one after the other, drawn straight between the picture's pixels; values −1…1,
 * what lies beyond the picture is black.
 */
export function planesOf(levels: Levels, part: Part, drawn: Drawn): Float32Array {
  const wide = part.side / drawn.side;
  const level = Math.min(levels.length - 1, Math.max(0, Math.floor(Math.log2(wide + 1e-6))));
  const { data, width, height } = levels[level as 0 | 1 | 2];
  const fine = 2 ** -level;
  const [cos, sin] = [Math.cos(part.turn) * wide * fine, Math.sin(part.turn) * wide * fine];
  const first = placeOf(part, (-drawn.width / 2) * wide, (-drawn.height / 2) * wide);
  const [left, top] = [first[0] * fine + (cos + sin) / 2 - 0.5, first[1] * fine + (cos - sin) / 2 - 0.5];
  const n = drawn.width * drawn.height;
  const out = new Float32Array(3 * n).fill(-1);
  for (let y = 0, k = 0; y < drawn.height; y++) {
    let fx = left + y * sin;
    let fy = top + y * cos;
    for (let x = 0; x < drawn.width; x++, k++, fx += cos, fy -= sin) {
      // Half a pixel beyond the outermost middles is picture still.
      if (fx < -0.5 || fy < -0.5 || fx > width - 0.5 || fy > height - 0.5) continue;
      const gx = fx < 0 ? 0 : fx > width - 1.001 ? width - 1.001 : fx;
      const gy = fy < 0 ? 0 : fy > height - 1.001 ? height - 1.001 : fy;
      const x0 = gx | 0;
      const y0 = gy | 0;
      const u = gx - x0;
      const v = gy - y0;
      const a = ((1 - u) * (1 - v)) / 127.5;
      const b = (u * (1 - v)) / 127.5;
      const c = ((1 - u) * v) / 127.5;
      const d = (u * v) / 127.5;
      const i = (y0 * width + x0) * 3;
      const j = i + width * 3;
      out[k] = a * data[i]! + b * data[i + 3]! + c * data[j]! + d * data[j + 3]! - 1;
      out[k + n] = a * data[i + 1]! + b * data[i + 4]! + c * data[j + 1]! + d * data[j + 4]! - 1;
      out[k + 2 * n] = a * data[i + 2]! + b * data[i + 5]! + c * data[j + 2]! + d * data[j + 5]! - 1;
    }
  }
  return out;
}

/**
 * Red, green and blue of a picture, one after the other.
 *
 * @param values what each of the 256 values of red, then of green and blue, is to a network
 */
export function colourPlanes({ rgb, width, height }: Raster, values: Float32Array): Float32Array {
  const planes = new Float32Array(3 * width * height);
  for (let c = 0, to = 0; c < 3; c++)
    for (let k = c; k < rgb.length; k += 3, to++) planes[to] = values[c * 256 + rgb[k]!]!;
  return planes;
}
