/** Which of several things a photo is of. */
import { overlap, type Box } from '../boxes';
import type { Lab, Size } from '../lab';
import type { Candidate } from './candidates';

/** Things that cover less of the photo are not what it is of. */
const SPECK = 0.002;
/** … nor are those that are thinner. */
const THIN = 0.03;
/** Boxes that overlap more are the same thing, seen twice. */
const SAME = 0.5;
/** … and as surely as the other from here on. */
const QUITE = 0.75;
/** A ring around a thing, as a share of it on either side. */
const RING = 0.25;
/** Share of the photo that things mostly have. */
const USUAL = 0.1;

/**
 * How much each sign counts (fitted by logistic regression to generated scenes and composites,
 * see docs/decisions.md): the network's score; how much stands out within, in the ring around, and of all that
 * does; distance from the middle; how far it is from the usual size; sides that touch the rim; how much
 * sharper it is than the ring, and how unlike in colour.
 */
const WEIGHTS = [0.935, 2.887, -0.327, 3.284, -2.783, -0.767, -0.552, 5.73, 0.779] as const;

export type Ranked = { readonly box: Box; readonly value: number; readonly signs: readonly number[] };

/** A small picture of a photo as CIELAB, and for each of its pixels how much it stands out and how sharp it is. */
export type Views = { readonly lab: Lab; readonly salience: Float32Array; readonly focus: Float32Array };

type Sum = { readonly sum: number; readonly area: number };
type Sums = (box: Box) => Sum;
const mean = ({ sum, area }: Sum) => sum / Math.max(1, area);

/** Sums of a map over boxes in shares. */
function sumsOf(map: Float32Array, { width, height }: Size): Sums {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0, row = 0; x < width; x++, i++) {
      row += map[i]!;
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row;
    }
  const cut = (v: number, side: number) => Math.min(side, Math.max(0, Math.round(v * side)));
  return ([l, t, w, h]: Box) => {
    const [left, right] = [cut(l, width), cut(l + w, width)];
    const [top, bottom] = [cut(t, height) * (width + 1), cut(t + h, height) * (width + 1)];
    return {
      sum: sums[bottom + right]! - sums[top + right]! - sums[bottom + left]! + sums[top + left]!,
      area: ((right - left) * (bottom - top)) / (width + 1),
    };
  };
}

const logit = (p: number) => Math.log(p / (1 - p));

/** How surely a network saw the thing in a box, whatever the box's exact place. */
function seenAs(box: Box, seen: readonly Candidate[]): number {
  let score = 0.02;
  for (const other of seen) {
    const same = overlap(box, other.box);
    if (same > SAME) score = Math.max(score, other.score * Math.min(1, same / QUITE));
  }
  return logit(Math.min(0.95, score));
}

/**
 * The things in order, the likeliest subject first.
 *
 * @param seen what the network saw
 * @param standing boxes of what stands out, by itself a thing each
 */
export function ranked(
  seen: readonly Candidate[],
  standing: readonly Box[],
  { lab, salience, focus }: Views,
): Ranked[] {
  const stands = sumsOf(salience, lab);
  const sharp = sumsOf(focus, lab);
  const planes = [lab.l, lab.a, lab.b].map((plane) => sumsOf(plane, lab));
  const all = stands([0, 0, 1, 1]).sum;
  const signsOf = (box: Box): number[] => {
    const [l, t, w, h] = box;
    const around: Box = [l - RING * w, t - RING * h, w * (1 + 2 * RING), h * (1 + 2 * RING)];
    const inside = (sums: Sums) => mean(sums(box));
    const ring = (sums: Sums) => {
      const [own, both] = [sums(box), sums(around)];
      return mean({ sum: both.sum - own.sum, area: both.area - own.area });
    };
    const big = Math.log((w * h) / USUAL);
    return [
      seenAs(box, seen),
      inside(stands),
      ring(stands),
      stands(box).sum / Math.max(1e-6, all),
      4 * ((l + w / 2 - 0.5) ** 2 + (t + h / 2 - 0.5) ** 2),
      big * big,
      [l < 0.01, t < 0.01, l + w > 0.99, t + h > 0.99].filter(Boolean).length,
      inside(sharp) - ring(sharp),
      Math.hypot(...planes.map((plane) => inside(plane) - ring(plane))) / 20,
    ];
  };
  return [...seen.map(({ box }) => box), ...standing]
    .filter(([, , w, h]) => w * h >= SPECK && Math.min(w, h) >= THIN)
    .map((box) => {
      const signs = signsOf(box);
      return { box, signs, value: signs.reduce((sum, sign, k) => sum + sign * WEIGHTS[k]!, 0) };
    })
    .sort((a, b) => b.value - a.value);
}
