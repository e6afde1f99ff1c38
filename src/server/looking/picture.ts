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

/**
 * A part in a square of so many pixels, drawn straight between the picture's; values −1…1,
 * what lies beyond the picture is black.
 */
export function squareOf(levels: Levels, part: Part, pixels: number): Float32Array {
  const level = Math.min(levels.length - 1, Math.max(0, Math.floor(Math.log2(part.side / pixels + 1e-6))));
  const { data, width, height } = levels[level as 0 | 1 | 2];
  const fine = 2 ** -level;
  const step = (part.side / pixels) * fine;
  const [cos, sin] = [Math.cos(part.turn) * step, Math.sin(part.turn) * step];
  const first = placeOf(part, -part.side / 2, -part.side / 2);
  const [left, top] = [first[0] * fine + (cos + sin) / 2 - 0.5, first[1] * fine + (cos - sin) / 2 - 0.5];
  const out = new Float32Array(pixels * pixels * 3).fill(-1);
  for (let y = 0, k = 0; y < pixels; y++) {
    let [fx, fy] = [left + y * sin, top + y * cos];
    for (let x = 0; x < pixels; x++, k += 3, fx += cos, fy -= sin) {
      // Half a pixel beyond the outermost middles is picture still.
      if (fx < -0.5 || fy < -0.5 || fx > width - 0.5 || fy > height - 0.5) continue;
      const gx = fx < 0 ? 0 : fx > width - 1.001 ? width - 1.001 : fx;
      const gy = fy < 0 ? 0 : fy > height - 1.001 ? height - 1.001 : fy;
      const [x0, y0] = [gx | 0, gy | 0];
      const [u, v] = [gx - x0, gy - y0];
      const [a, b, c, d] = [(1 - u) * (1 - v), u * (1 - v), (1 - u) * v, u * v];
      const from = (y0 * width + x0) * 3;
      const below = from + width * 3;
      for (let p = 0; p < 3; p++)
        out[k + p] =
          (a * data[from + p]! + b * data[from + 3 + p]! + c * data[below + p]! + d * data[below + 3 + p]!) / 127.5 - 1;
    }
  }
  return out;
}
