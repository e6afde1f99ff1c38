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

/**
 * Variance of the Laplacian (4 neighbours) of luma, rim left out: a common measure of focus
 * (Pech-Pacheco, Cristóbal, Chamorro-Martínez and Fernández-Valdivia 2000, "Diatom
 * autofocusing in brightfield microscopy").
 *
 * @param within left, top, width and height in shares: only there, as what lies behind a subject may be soft
 */
export function sharpnessOf(luma: Float32Array, width: number, height: number, within: Within = [0, 0, 1, 1]): number {
  return varianceOf(luma, width, height, within, laplacianAt);
}

const laplacianAt = (luma: Float32Array, i: number, width: number) =>
  luma[i - 1]! + luma[i + 1]! + luma[i - width]! + luma[i + width]! - 4 * luma[i]!;
const itselfAt = (luma: Float32Array, i: number) => luma[i]!;

/** Variance of luma in the same place. */
export const contrastOf = (luma: Float32Array, width: number, height: number, within: Within = [0, 0, 1, 1]): number =>
  varianceOf(luma, width, height, within, itselfAt);

type Within = readonly [left: number, top: number, width: number, height: number];

/** Variance of a value over the pixels of a part, the picture's rim left out. */
function varianceOf(
  luma: Float32Array,
  width: number,
  height: number,
  [l, t, w, h]: Within,
  valueAt: (luma: Float32Array, i: number, width: number) => number,
): number {
  const [left, top] = [Math.max(1, Math.floor(l * width)), Math.max(1, Math.floor(t * height))];
  const [right, bottom] = [
    Math.min(width - 1, Math.ceil((l + w) * width)),
    Math.min(height - 1, Math.ceil((t + h) * height)),
  ];
  let [n, sum, squares] = [0, 0, 0];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const v = valueAt(luma, y * width + x, width);
      n++;
      sum += v;
      squares += v * v;
    }
  return n === 0 ? 0 : squares / n - (sum / n) ** 2;
}

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
