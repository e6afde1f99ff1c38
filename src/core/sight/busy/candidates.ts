/** Things that a network saw, as boxes. */
import type { Box } from '../boxes';
import type { Size } from '../lab';

/** What the network says on a grid a quarter as fine as its picture (scripts/detector.mjs). */
export type Detection = Size & {
  /** How surely a thing's middle lies in each cell, 0…1. */
  readonly thing: Float32Array;
  /** How far the thing's left, top, right and bottom are from there in pixels of the picture, plane by plane. */
  readonly sides: Float32Array;
};

/** A box in shares of the picture. */
export type Candidate = { readonly score: number; readonly box: Box };

/** Pixels of the network's picture to a cell. */
export const STRIDE = 4;
const LEAST = 0.03;
const MOST = 12;
/** Cells around a peak in which nothing is higher. */
const ALONE = 2;

const clamped = (v: number) => Math.min(1, Math.max(0, v));

/** The cells around one, cut off at the grid's rim. */
function* around(i: number, reach: number, { width, height }: Size): Generator<number> {
  const [x, y] = [i % width, Math.floor(i / width)];
  for (let v = Math.max(0, y - reach); v <= Math.min(height - 1, y + reach); v++)
    for (let u = Math.max(0, x - reach); u <= Math.min(width - 1, x + reach); u++) yield v * width + u;
}

function isPeak(detection: Detection, i: number): boolean {
  const { thing } = detection;
  for (const j of around(i, ALONE, detection))
    if (thing[j]! > thing[i]! || (thing[j] === thing[i] && j < i)) return false;
  return true;
}

/** The box at a peak: a mean over its neighbours, which say nearly the same. */
function boxAt(detection: Detection, i: number): Box {
  const { thing, sides, width, height } = detection;
  const n = thing.length;
  let all = 0;
  const sums: [number, number, number, number] = [0, 0, 0, 0];
  for (const j of around(i, 1, detection)) {
    const weight = thing[j]! ** 2;
    const [x, y] = [STRIDE * (j % width), STRIDE * Math.floor(j / width)];
    all += weight;
    sums[0] += weight * (x - sides[j]!);
    sums[1] += weight * (y - sides[n + j]!);
    sums[2] += weight * (x + sides[2 * n + j]!);
    sums[3] += weight * (y + sides[3 * n + j]!);
  }
  const [l, t, r, b] = sums.map((sum, k) => clamped(sum / all / STRIDE / (k % 2 ? height : width))) as [number, number, number, number]; // prettier-ignore
  return [l, t, r - l, b - t];
}

/** The clearest things, the surest first. */
export function candidatesOf(detection: Detection): Candidate[] {
  const { thing } = detection;
  const peaks: number[] = [];
  for (let i = 0; i < thing.length; i++) if (thing[i]! >= LEAST && isPeak(detection, i)) peaks.push(i);
  return peaks
    .sort((a, b) => thing[b]! - thing[a]!)
    .slice(0, MOST)
    .map((i) => ({ score: thing[i]!, box: boxAt(detection, i) }));
}
