/** Pictures drawn upright into a box. */
import type { Level } from './levels';
import type { Picture } from './shelf';

/** Pixels of what is drawn; they need not be whole. */
type Rect = { readonly left: number; readonly top: number; readonly width: number; readonly height: number };
type Window = Rect;

export const FITS = ['cover', 'contain', 'stretch'] as const;
export type Fit = (typeof FITS)[number];

/** Where the whole picture lies so that it fits its box: all of it filled, all of it seen, or both by another proportion. */
export function fitted({ width, height }: Pick<Picture, 'width' | 'height'>, box: Rect, fit: Fit): Rect {
  if (fit === 'stretch') return box;
  const [across, down] = [box.width / width, box.height / height];
  const k = fit === 'cover' ? Math.max(across, down) : Math.min(across, down);
  const [w, h] = [width * k, height * k];
  return { left: box.left + (box.width - w) / 2, top: box.top + (box.height - h) / 2, width: w, height: h };
}

/** How much of pixel `i` lies between two places. */
const covered = (from: number, to: number, i: number) => Math.max(0, Math.min(to, i + 1) - Math.max(from, i));

/** Places within a pixel that are looked at on each axis; of a level too fine for one alone, pixels would be missed. */
const ONE = [0.5] as const;
const TWO = [0.25, 0.75] as const;
type Steps = typeof ONE | typeof TWO;

/** For every step of every pixel of a line: the two pixels of a level beside it, and how much of the second. Flat, as this runs over every pixel. */
type Taps = {
  readonly steps: number;
  readonly first: Int32Array;
  readonly second: Int32Array;
  readonly share: Float64Array;
};

/** @param n pixels of the level's line */
function tapsOf(steps: Steps, from: number, pixels: number, start: number, extent: number, n: number): Taps {
  const many = pixels * steps.length;
  const taps = {
    steps: steps.length,
    first: new Int32Array(many),
    second: new Int32Array(many),
    share: new Float64Array(many),
  };
  for (let i = 0; i < many; i++) {
    const place = from + Math.floor(i / steps.length) + steps[i % steps.length]!;
    const at = Math.min(n - 1, Math.max(0, ((place - start) / extent) * n - 0.5));
    taps.first[i] = Math.floor(at);
    taps.second[i] = Math.min(n - 1, taps.first[i]! + 1);
    taps.share[i] = at - taps.first[i]!;
  }
  return taps;
}

/** Adds what a pixel shows of a level to four sums: the mean of its steps, each drawn straight between four pixels. */
function addPixel({ data, width }: Level, across: Taps, x: number, down: Taps, y: number, sums: Float64Array): void {
  const n = across.steps;
  for (let j = y * n; j < y * n + n; j++) {
    const [top, bottom, v] = [down.first[j]! * width, down.second[j]! * width, down.share[j]!];
    for (let i = x * n; i < x * n + n; i++) {
      const u = across.share[i]!;
      const [left, right] = [across.first[i]!, across.second[i]!];
      const a = (1 - u) * (1 - v);
      const b = u * (1 - v);
      const d = (1 - u) * v;
      const e = u * v;
      const [p, q, r, t] = [(top + left) * 4, (top + right) * 4, (bottom + left) * 4, (bottom + right) * 4];
      for (let c = 0; c < 4; c++) sums[c]! += a * data[p + c]! + b * data[q + c]! + d * data[r + c]! + e * data[t + c]!;
    }
  }
}

/**
 * A picture in its box, premultiplied 8-bit RGBA over a window of what is drawn, row by row;
 * pixels on the rim by the area that it covers of them.
 */
export function drawnPicture(picture: Picture, box: Rect, fit: Fit, window: Window): Uint8ClampedArray {
  const whole = fitted(picture, box, fit);
  const shown = fit === 'contain' ? whole : box;
  const step = Math.min(picture.width / whole.width, picture.height / whole.height);
  const level = picture.levels[Math.min(picture.levels.length - 1, Math.max(0, Math.floor(Math.log2(step))))]!;
  const out = new Uint8ClampedArray(window.width * window.height * 4);
  const steps = picture.width / whole.width > 1.001 || picture.height / whole.height > 1.001 ? TWO : ONE;
  const across = tapsOf(steps, window.left, window.width, whole.left, whole.width, level.width);
  const down = tapsOf(steps, window.top, window.height, whole.top, whole.height, level.height);
  const shares = Float64Array.from({ length: window.width }, (_, x) =>
    covered(shown.left, shown.left + shown.width, window.left + x),
  );
  const sums = new Float64Array(4);
  for (let y = 0, k = 0; y < window.height; y++) {
    const high = covered(shown.top, shown.top + shown.height, window.top + y);
    if (high === 0) {
      k += window.width * 4;
      continue;
    }
    for (let x = 0; x < window.width; x++, k += 4) {
      const share = (shares[x]! * high) / steps.length ** 2;
      if (share === 0) continue;
      sums.fill(0);
      addPixel(level, across, x, down, y, sums);
      for (let c = 0; c < 4; c++) out[k + c] = sums[c]! * share;
    }
  }
  return out;
}
