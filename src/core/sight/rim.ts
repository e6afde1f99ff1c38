/** How a photo's rim differs from what lies just within it: what shows as streaks where the rim is drawn out. */
import type { Lab } from './lab';

/** Cells along each side. */
export const RIM_CELLS = 32;
/** How deep the strip is that the rim is compared with, as a share of the picture's longer side. */
const DEPTH = 0.05;
/** A step is taken across this share of the longer side. */
const ACROSS = 0.016;

/** Where a side's pixels lie: the first of the rim, and how far it is along the rim and inwards to the next. */
type Side = { readonly start: number; readonly along: number; readonly inwards: number; readonly length: number };

/** Top from the left, right from the top, bottom from the left, left from the top. */
const sidesOf = ({ width, height }: Lab): readonly Side[] => [
  { start: 0, along: 1, inwards: width, length: width },
  { start: width - 1, along: width, inwards: -1, length: height },
  { start: (height - 1) * width, along: 1, inwards: -width, length: width },
  { start: 0, along: width, inwards: 1, length: height },
];

/** A plane along a side, each value the mean of so many pixels inwards. */
function meansAlong(plane: Float32Array, { start, along, inwards, length }: Side, depth: number): Float32Array {
  const means = new Float32Array(length);
  for (let i = 0; i < length; i++) {
    let sum = 0;
    for (let d = 0; d < depth; d++) sum += plane[start + i * along + d * inwards]!;
    means[i] = sum / depth;
  }
  return means;
}

/** L*, a*, b* along a side. */
const profile = ({ l, a, b }: Lab, side: Side, depth: number): readonly Float32Array[] =>
  [meansAlong(l, side, depth), meansAlong(a, side, depth), meansAlong(b, side, depth)]; // prettier-ignore

/** ΔE*ab between two places of a profile. */
function step(of: readonly Float32Array[], i: number, j: number): number {
  let sum = 0;
  for (const values of of) sum += (values[i]! - values[j]!) ** 2;
  return Math.sqrt(sum);
}

/** By how much the largest step along the rim is more than that of the strip at the same place, in each cell. */
function cellsAlong(
  rim: readonly Float32Array[],
  strip: readonly Float32Array[],
  length: number,
  reach: number,
): Float32Array {
  const cells = new Float32Array(RIM_CELLS);
  for (let i = reach; i < length - reach; i++) {
    const cell = Math.floor((i * RIM_CELLS) / length);
    cells[cell] = Math.max(cells[cell]!, step(rim, i - reach, i + reach) - step(strip, i - reach, i + reach));
  }
  return cells;
}

function hexOf(cells: Float32Array): string {
  let hex = '';
  for (const v of cells) hex += Math.min(255, Math.round(v)).toString(16).padStart(2, '0');
  return hex;
}

/**
 * For each side, the largest step of colour along the rim in each cell, less the one that
 * the strip within has at the same place: a table's edge that runs straight into the rim
 * goes on naturally, a sleeve that ends there becomes a streak. ΔE*ab, 0…255, two
 * hexadecimal digits a cell; top from the left, right from the top, bottom from the left,
 * left from the top.
 */
export function rimOf(lab: Lab): string[] {
  const longer = Math.max(lab.width, lab.height);
  const reach = Math.max(1, Math.round((ACROSS * longer) / 2));
  return sidesOf(lab).map((side) => {
    const depth = Math.min(Math.ceil(DEPTH * longer), Math.abs(side.inwards) === 1 ? lab.width : lab.height);
    return hexOf(cellsAlong(profile(lab, side, 1), profile(lab, side, depth), side.length, reach));
  });
}
