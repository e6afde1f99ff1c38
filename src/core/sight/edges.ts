/** How sharply a picture changes from pixel to pixel. */
import type { Lab } from './lab';

/** JPEG keeps colour in blocks several pixels wide: a step of a* or b* counts so much of one of L*, squared. */
const COLOUR_WEIGHT = 0.25;

/** Sobel's operator on one plane, squared. */
function changeAt(p: Float32Array, i: number, width: number): number {
  const up = i - width;
  const down = i + width;
  const falling = p[down + 1]! - p[up - 1]!;
  const rising = p[up + 1]! - p[down - 1]!;
  const across = falling + rising + 2 * (p[i + 1]! - p[i - 1]!);
  const along = falling - rising + 2 * (p[down]! - p[up]!);
  return across * across + along * along;
}

/** How much the picture changes at every pixel: Sobel's operator over the three planes together, in ΔE*ab a pixel but for the weight of colour; what lies on the rim as its neighbour inside. */
export function edgesOf({ l, a, b, width, height }: Lab): Float32Array {
  const out = new Float32Array(l.length);
  for (let y = 1; y < height - 1; y++)
    for (let x = 1, i = y * width + 1; x < width - 1; x++, i++)
      out[i] = Math.sqrt(changeAt(l, i, width) + (changeAt(a, i, width) + changeAt(b, i, width)) * COLOUR_WEIGHT) / 8;
  const last = (height - 1) * width;
  for (let x = 0; x < width; x++) {
    out[x] = out[x + width]!;
    out[last + x] = out[last + x - width]!;
  }
  for (let y = 0; y < height; y++) {
    out[y * width] = out[y * width + 1]!;
    out[y * width + width - 1] = out[y * width + width - 2]!;
  }
  return out;
}
