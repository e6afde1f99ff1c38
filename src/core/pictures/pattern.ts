/** A picture laid side by side without end. */
import type { Level } from './levels';
import type { Picture } from './shelf';

/** Premultiplied r, g, b and alpha, 0…255, at a place told in pictures to the right and down. */
export type PatternReader = (u: number, v: number, out: Float64Array) => void;

/** A place as the two pixels of a line of `n` beside it, over its end to its beginning, and how much of the second. */
const wrapped = (place: number, n: number): number => (place - Math.floor(place)) * n - 0.5;

/** Adds what lies at a place of a level, straight between four pixels. */
function add({ data, width, height }: Level, u: number, v: number, k: number, out: Float64Array): void {
  const [x, y] = [wrapped(u, width), wrapped(v, height)];
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  const [fx, fy] = [x - x0, y - y0];
  const left = x0 < 0 ? width - 1 : x0;
  const right = x0 + 1 >= width ? 0 : x0 + 1;
  const top = (y0 < 0 ? height - 1 : y0) * width;
  const bottom = (y0 + 1 >= height ? 0 : y0 + 1) * width;
  for (let c = 0; c < 4; c++) {
    const above = data[(top + left) * 4 + c]! * (1 - fx) + data[(top + right) * 4 + c]! * fx;
    const below = data[(bottom + left) * 4 + c]! * (1 - fx) + data[(bottom + right) * 4 + c]! * fx;
    out[c]! += (above * (1 - fy) + below * fy) * k;
  }
}

/** Places within a pixel that are looked at where the picture is finer than what is drawn. */
const WITHIN = [-0.25, 0.25] as const;

/**
 * @param right what a pixel to the right is, and `down` one downwards, in pictures
 */
export function patternReader(
  { width, height, levels }: Picture,
  right: readonly [u: number, v: number],
  down: readonly [u: number, v: number],
): PatternReader {
  const step = Math.max(Math.hypot(right[0] * width, right[1] * height), Math.hypot(down[0] * width, down[1] * height));
  const level = levels[Math.min(levels.length - 1, Math.max(0, Math.floor(Math.log2(step))))]!;
  if (step <= 1.001)
    return (u, v, out) => {
      out.fill(0);
      add(level, u, v, 1, out);
    };
  return (u, v, out) => {
    out.fill(0);
    for (const y of WITHIN)
      for (const x of WITHIN) add(level, u + right[0] * x + down[0] * y, v + right[1] * x + down[1] * y, 1 / 4, out);
  };
}
