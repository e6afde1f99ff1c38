/** How sharply a picture changes from pixel to pixel. */
import type { Lab } from './lab';

/** JPEG keeps colour in blocks several pixels wide: a step of a* or b* counts so much of one of L*, squared. */
const COLOUR_WEIGHT = 0.25;
/** How much the picture changes at every pixel: Sobel's operator over the three planes together, in ΔE*ab a pixel but for the weight of colour; what lies on the rim as its neighbour inside. */
export function edgesOf({ l, a, b, width, height }: Lab): Float32Array {
  const out = new Float32Array(l.length);
  const planes = [l, a, b];
  for (let y = 1; y < height - 1; y++)
    for (let x = 1, i = y * width + 1; x < width - 1; x++, i++) {
      const [up, down] = [i - width, i + width];
      let sum = 0;
      for (let k = 0; k < 3; k++) {
        const p = planes[k]!;
        const falling = p[down + 1]! - p[up - 1]!;
        const rising = p[up + 1]! - p[down - 1]!;
        const across = falling + rising + 2 * (p[i + 1]! - p[i - 1]!);
        const along = falling - rising + 2 * (p[down]! - p[up]!);
        sum += (across * across + along * along) * (k === 0 ? 1 : COLOUR_WEIGHT);
      }
      out[i] = Math.sqrt(sum) / 8;
    }
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
