/** Figures of a photo's pixels, for telling blurred, dark and doubled ones. */
import type { Lab, Raster } from './lab';

/** Luma of 8-bit sRGB by ITU-R BT.709-6 item 3.2, 0…255. */
export function lumaOf({ rgb, width, height }: Raster): Float32Array {
  const out = new Float32Array(width * height);
  for (let i = 0, k = 0; i < out.length; i++, k += 3)
    out[i] = 0.2126 * rgb[k]! + 0.7152 * rgb[k + 1]! + 0.0722 * rgb[k + 2]!;
  return out;
}

/** Mean luma, 0…1. */
export function brightnessOf(luma: Float32Array): number {
  let sum = 0;
  for (let i = 0; i < luma.length; i++) sum += luma[i]!;
  return sum / luma.length / 255;
}

/** One pixel in so many is lighter than what `lightestOf` says. */
const LIGHTEST = 100;

/** The luma that the lightest hundredth of the pixels have at least, 0…1: how much light there was, more than how light the things are. */
export function lightestOf(luma: Float32Array): number {
  const counts = new Uint32Array(256);
  for (let i = 0; i < luma.length; i++) counts[Math.min(255, (luma[i]! + 0.5) | 0)]!++;
  let value = 256;
  for (let more = luma.length / LIGHTEST; more > 0 && value > 0;) more -= counts[--value]!;
  return value / 255;
}

/** Parts of a picture, in shares: left, top, width and height. */
type Within = readonly [left: number, top: number, width: number, height: number];

/** Pixels either way that an edge is looked at over. */
const REACH = 4;
/** Change of luma a pixel, and over all that is looked at, below which there is no edge but grain. */
const [LEAST_CHANGE, LEAST_DIFFERENCE] = [6, 24];
/** Classes of steepness from 0 to 1, and edges below which nothing is told. */
const CLASSES = 512;
const FEW = 100;
/** Share of the edges that are less steep than what is told. */
const QUARTILE = 0.75;

/**
 * Counts an edge by its steepness: where luma changes most along a row or column, what lies between the pixels beside it
 * as a share of the difference around it. A step has all of it.
 *
 * @param at the pixel
 * @param step to the next one of its line
 * @param before pixels of the line before it
 * @param after pixels of the line behind it
 */
function countEdge(
  luma: Float32Array,
  at: number,
  step: number,
  before: number,
  after: number,
  counts: Uint32Array,
): void {
  const change = Math.abs(luma[at + step]! - luma[at - step]!);
  if (change < 2 * LEAST_CHANGE) return;
  if (before > 1 && Math.abs(luma[at]! - luma[at - 2 * step]!) > change) return;
  if (after > 1 && Math.abs(luma[at + 2 * step]! - luma[at]!) >= change) return;
  let [least, most] = [luma[at]!, luma[at]!];
  for (let k = -Math.min(REACH, before), last = Math.min(REACH, after); k <= last; k++) {
    const value = luma[at + k * step]!;
    if (value < least) least = value;
    else if (value > most) most = value;
  }
  if (most - least < LEAST_DIFFERENCE) return;
  counts[Math.min(CLASSES - 1, ((change / (most - least)) * CLASSES) | 0)]!++;
}

/**
 * How steep a picture's edges are, 0…1: the upper quartile, 1 for steps, and where there are hardly any. What is smooth
 * itself has an outline that is sharp in a photo in focus. After Marziliano, Dufaux, Winkler and Ebrahimi 2002, “A
 * no-reference perceptual blur metric”, which measures how wide edges are.
 *
 * @param within only there, as what lies behind a subject may be soft
 */
export function steepnessOf(luma: Float32Array, width: number, height: number, within: Within = [0, 0, 1, 1]): number {
  const [l, t, w, h] = within;
  const [left, top] = [Math.max(1, Math.floor(l * width)), Math.max(1, Math.floor(t * height))];
  const [right, bottom] = [Math.min(width - 1, Math.ceil((l + w) * width)), Math.min(height - 1, Math.ceil((t + h) * height))]; // prettier-ignore
  const counts = new Uint32Array(CLASSES);
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const at = y * width + x;
      countEdge(luma, at, 1, x, width - 1 - x, counts);
      countEdge(luma, at, width, y, height - 1 - y, counts);
    }
  let total = 0;
  for (let i = 0; i < CLASSES; i++) total += counts[i]!;
  if (total < FEW) return 1;
  let [below, place] = [0, 0];
  while (below + counts[place]! < QUARTILE * total) below += counts[place++]!;
  return (place + 0.5) / CLASSES;
}

/** As much as to make 15 % of the median, which templates have as their limit, about three quarters of its steepness. */
const POWER = 7;

/** How sharp a picture is, 0…1: its steepness, drawn apart. */
export const sharpnessOf = (luma: Float32Array, width: number, height: number, within?: Within): number =>
  steepnessOf(luma, width, height, within) ** POWER;

/** Mean of luma over the part of a picture that one cell of a grid covers. */
function cellMeans(luma: Float32Array, width: number, height: number, columns: number, rows: number): Float64Array {
  const sums = new Float64Array(columns * rows);
  const counts = new Float64Array(columns * rows);
  const columnOf = new Uint8Array(width);
  for (let x = 0; x < width; x++) columnOf[x] = (x * columns) / width;
  for (let y = 0, i = 0; y < height; y++) {
    const row = Math.floor((y * rows) / height) * columns;
    for (let x = 0; x < width; x++, i++) {
      const cell = row + columnOf[x]!;
      sums[cell]! += luma[i]!;
      counts[cell]!++;
    }
  }
  for (let i = 0; i < sums.length; i++) sums[i] = counts[i]! > 0 ? sums[i]! / counts[i]! : 0;
  return sums;
}

/**
 * Difference hash of 64 bits: whether each cell of a grid of 9 × 8 is darker than the one to
 * its right, row by row (common practice; the method is known as dHash). 16 hexadecimal digits.
 */
export function hashOf(luma: Float32Array, width: number, height: number): string {
  const means = cellMeans(luma, width, height, 9, 8);
  let hex = '';
  for (let row = 0; row < 8; row++) {
    let byte = 0;
    for (let x = 0; x < 8; x++) byte = byte * 2 + (means[row * 9 + x]! < means[row * 9 + x + 1]! ? 1 : 0);
    hex += byte.toString(16).padStart(2, '0');
  }
  return hex;
}

/** Cells across and down whose colours are kept. */
const CELLS = 8;

/**
 * The mean colour of each cell of a grid of 8 × 8, row by row: L*, a* + 128 and b* + 128, two hexadecimal digits each.
 * On a plain ground the hash tells little more than where a thing lies, and nothing of its colour.
 */
export function cellsOf({ l, a, b, width, height }: Lab): string {
  const [lights, as, bs] = [l, a, b].map((plane) => cellMeans(plane, width, height, CELLS, CELLS));
  const digits = (v: number) =>
    Math.min(255, Math.max(0, Math.round(v)))
      .toString(16)
      .padStart(2, '0');
  let hex = '';
  for (let i = 0; i < CELLS * CELLS; i++) hex += digits(lights![i]!) + digits(as![i]! + 128) + digits(bs![i]! + 128);
  return hex;
}

/** The numbers of `cellsOf`, for comparing many with each other. */
export function cellNumbers(hex: string): Uint8Array {
  const out = new Uint8Array(hex.length >> 1);
  for (let i = 0; i < out.length; i++) out[i] = parseInt(hex.slice(2 * i, 2 * i + 2), 16);
  return out;
}

/** Whether no cell's colour differs from that of the same one by more than a limit (ΔE*ab). */
export function haveSameColours(one: Uint8Array, other: Uint8Array, limit: number): boolean {
  for (let i = 0; i + 2 < one.length; i += 3) {
    const [dl, da, db] = [one[i]! - other[i]!, one[i + 1]! - other[i + 1]!, one[i + 2]! - other[i + 2]!];
    if (dl * dl + da * da + db * db > limit * limit) return false;
  }
  return true;
}

/** A hash as two halves of 32 bits, for comparing many with each other. */
export type HashBits = readonly [high: number, low: number];
export const hashBits = (hash: string): HashBits => [
  parseInt(hash.slice(0, 8), 16) | 0,
  parseInt(hash.slice(8), 16) | 0,
];

/** Ones in 32 bits, added up in pairs, fours, bytes (Warren 2002, "Hacker's Delight", §5-1). */
function ones(v: number): number {
  let n = v - ((v >>> 1) & 0x55555555);
  n = (n & 0x33333333) + ((n >>> 2) & 0x33333333);
  return Math.imul((n + (n >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

/** Bits in which two hashes differ, 0…64. */
export const hashDistance = (a: HashBits, b: HashBits): number => ones(a[0] ^ b[0]) + ones(a[1] ^ b[1]);
