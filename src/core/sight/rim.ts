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

/** L*, a*, b* along a side, each the mean of so many pixels inwards. */
function profile({ l, a, b }: Lab, { start, along, inwards, length }: Side, depth: number): readonly Float32Array[] {
  return [l, a, b].map((plane) =>
    Float32Array.from({ length }, (_, i) => {
      let sum = 0;
      for (let d = 0; d < depth; d++) sum += plane[start + i * along + d * inwards]!;
      return sum / depth;
    }),
  );
}

/** ΔE*ab between two places of a profile. */
function step(of: readonly Float32Array[], i: number, j: number): number {
  let sum = 0;
  for (const values of of) sum += (values[i]! - values[j]!) ** 2;
  return Math.sqrt(sum);
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
    const [rim, strip] = [profile(lab, side, 1), profile(lab, side, depth)];
    const cells = new Float32Array(RIM_CELLS);
    for (let i = reach; i < side.length - reach; i++) {
      const cell = Math.floor((i * RIM_CELLS) / side.length);
      const more = step(rim, i - reach, i + reach) - step(strip, i - reach, i + reach);
      cells[cell] = Math.max(cells[cell]!, more);
    }
    return [...cells].map((v) => Math.min(255, Math.round(v)).toString(16).padStart(2, '0')).join('');
  });
}
