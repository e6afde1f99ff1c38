/** Pictures fitted to four corners. */
import { coverage, type PixelWindow } from '../raster';
import { inverse, ontoCorners, type Corners } from './homography';
import type { Level } from './levels';
import type { Picture } from './shelf';

/** Weights are exp(−2·Q), Q being 1 on the ellipse that a pixel's circle of radius 1 is seen as: followed to where little is left. */
const STEEP = 2;
const FAR = 2.25;

/** Least extents of a pixel in a level's pixels: a level is taken as coarse as leaves this much on the shorter axis. */
const SHORT = 1;
/** … and where the longer one is still more than this, a coarser one: it would take too long. */
const LONG = 24;

/** Extents of what a unit circle becomes: singular values, the longer first. */
function extents(ux: number, uy: number, vx: number, vy: number): readonly [number, number] {
  const sum = ux * ux + uy * uy + vx * vx + vy * vy;
  const area = Math.abs(ux * vy - uy * vx);
  const root = Math.sqrt(Math.max(0, sum * sum - 4 * area * area));
  return [Math.sqrt((sum + root) / 2), Math.sqrt(Math.max(0, (sum - root) / 2))];
}

const sums = new Float64Array(5);

/**
 * Adds a level's pixels around a place to four sums and the sum of their weights: an elliptical
 * weighted average (Heckbert 1989, §3.5.8 and §4.3.4), what is beyond the rim counted as the rim.
 *
 * @param u, v the place in the level's pixels; ux… how it moves with the picture's x and y
 */
function addEllipse(
  { data, width, height }: Level,
  u: number,
  v: number,
  ux: number,
  uy: number,
  vx: number,
  vy: number,
): void {
  // One more each way: the Gaussian by which the pixels themselves are joined.
  const a = vx * vx + vy * vy + 1;
  const b = -2 * (ux * vx + uy * vy);
  const c = ux * ux + uy * uy + 1;
  const whole = a * c - (b * b) / 4;
  const [across, down] = [Math.sqrt(c * FAR), Math.sqrt(a * FAR)];
  const [left, right] = [Math.ceil(u - 0.5 - across), Math.floor(u - 0.5 + across)];
  const [top, bottom] = [Math.ceil(v - 0.5 - down), Math.floor(v - 0.5 + down)];
  for (let y = top; y <= bottom; y++) {
    const dv = y + 0.5 - v;
    const row = Math.min(height - 1, Math.max(0, y)) * width;
    for (let x = left; x <= right; x++) {
      const du = x + 0.5 - u;
      const q = (a * du * du + b * du * dv + c * dv * dv) / whole;
      if (q > FAR) continue;
      const weight = Math.exp(-STEEP * q);
      const k = (row + Math.min(width - 1, Math.max(0, x))) * 4;
      for (let p = 0; p < 4; p++) sums[p]! += weight * data[k + p]!;
      sums[4]! += weight;
    }
  }
}

/**
 * A picture fitted to four corners, premultiplied 8-bit RGBA over a window of what is drawn,
 * row by row; pixels on the rim by the area that it covers of them.
 *
 * @param corners pixels of what is drawn, convex (`isConvex`)
 */
export function bentPicture(
  { width, height, levels }: Picture,
  corners: Corners,
  window: PixelWindow,
): Uint8ClampedArray {
  const [a, b, c, d, e, f, g, h, i] = inverse(ontoCorners(corners));
  const mask = coverage([corners], window);
  const out = new Uint8ClampedArray(window.width * window.height * 4);
  for (let row = 0, n = 0; row < window.height; row++)
    for (let column = 0; column < window.width; column++, n++) {
      const share = mask[n]!;
      if (share === 0) continue;
      const [x, y] = [window.left + column + 0.5, window.top + row + 0.5];
      const w = g * x + h * y + i;
      const [u, v] = [(a * x + b * y + c) / w, (d * x + e * y + f) / w];
      const [ux, uy] = [((a - g * u) / w) * width, ((b - h * u) / w) * width];
      const [vx, vy] = [((d - g * v) / w) * height, ((e - h * v) / w) * height];
      const [long, short] = extents(ux, uy, vx, vy);
      const fine = Math.max(Math.log2(Math.max(short, 1e-6) / SHORT), Math.log2(long / LONG));
      const level = levels[Math.min(levels.length - 1, Math.max(0, Math.floor(fine)))]!;
      const [kx, ky] = [level.width / width, level.height / height];
      sums.fill(0);
      addEllipse(level, u * level.width, v * level.height, ux * kx, uy * kx, vx * ky, vy * ky);
      for (let p = 0; p < 4; p++) out[n * 4 + p] = (sums[p]! / sums[4]!) * share;
    }
  return out;
}
