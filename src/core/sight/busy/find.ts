/** The subject of a photo whose ground is busy: what a network sees there, what stands out, and the outline of the likelier thing. */
import { bodyOf, partOfBox } from '../body';
import { overlap, type Box } from '../boxes';
import { toLab, type Raster, type Size } from '../lab';
import { partsOf } from '../masks';
import type { FoundSubject } from '../sight';
import { smallMask } from '../small-mask';
import type { Candidate } from './candidates';
import { cutOut, type CutOut, type GrabCut } from './cut';
import { focusOf } from './focus';
import { ranked, type Ranked } from './rank';
import { salienceOf } from './salience';

/** The picture of 512 pixels, half and a quarter of it. */
export type Looks = readonly [whole: Raster, half: Raster, quarter: Raster];

/** Candidates that overlap less are other things. */
const OTHER = 0.3;
/** Those that overlap more are the same one. */
const SAME = 0.5;
const MOST_AHEAD = 5;

/** How sure it is (fitted like the ranking's weights, so that 0.45 parts sure and unsure): by how far it is ahead, and by how far its box and its outline agree. */
const SURE = { constant: -9.26, ahead: 0.53, agree: 8.26 };

/** What stands out by more than these is looked at as things by themselves, the largest few of each. */
const LEVELS = [0.25, 0.4, 0.55, 0.7];
const LARGEST = 3;

/** Boxes of the parts that stand out. */
function standingIn(salience: Float32Array, { width, height }: Size): Box[] {
  return LEVELS.flatMap((level) => {
    const mask = new Uint8Array(salience.length);
    for (let i = 0; i < mask.length; i++) if (salience[i]! > level) mask[i] = 1;
    return partsOf(mask, { width, height })
      .slice(0, LARGEST)
      .map(({ box: [l, t, r, b] }): Box => [l / width, t / height, (r - l) / width, (b - t) / height]);
  });
}

/** A thing by the network's box, which is more exact than that of what stands out. */
export function exact(best: Ranked, things: readonly Ranked[], seen: readonly Candidate[]): Ranked {
  return things.find(({ box }) => overlap(box, best.box) > SAME && seen.some((one) => one.box === box)) ?? best;
}

function confidenceOf(things: readonly Ranked[], best: Ranked, agree: number): number {
  const other = things.find(({ box }) => overlap(box, best.box) < OTHER);
  const ahead = other ? Math.min(MOST_AHEAD, things[0]!.value - other.value) : MOST_AHEAD;
  return 1 / (1 + Math.exp(-(SURE.constant + SURE.ahead * ahead + SURE.agree * agree)));
}

/** What was cut, as a subject. */
export function subjectOfCut({ box, pixels, part, within }: CutOut, confidence: number): FoundSubject {
  const { width, height } = part;
  let [x, y] = [0, 0];
  for (const i of pixels) {
    x += ((i % width) + 0.5) / width / pixels.length;
    y += (Math.floor(i / width) + 0.5) / height / pixels.length;
  }
  const [l, t, w, h] = box;
  const side = (v: number, from: number, all: number, limit: number) =>
    Math.min(limit, Math.max(0, Math.round(((v - from) / all) * limit)));
  const [left, top] = [side(l, within[0], within[2], width), side(t, within[1], within[3], height)];
  const right = Math.max(left + 1, side(l + w, within[0], within[2], width));
  const bottom = Math.max(top + 1, side(t + h, within[1], within[3], height));
  return {
    box: [l, t, w, h],
    body: partOfBox(box, bodyOf(pixels, [left, top, right, bottom], width)),
    centroid: [within[0] + x * within[2], within[1] + y * within[3]],
    area: (pixels.length / (width * height)) * within[2] * within[3],
    confidence,
    mask: smallMask(pixels, [left, top, right, bottom], width),
    count: 1,
  };
}

/** A guess by its box alone: no rule goes by it. */
const guess = ([l, t, w, h]: Box): FoundSubject => ({
  box: [l, t, w, h],
  centroid: [l + w / 2, t + h / 2],
  area: w * h,
  confidence: 0.1,
  mask: 'ffffff'.repeat(24),
  count: 1,
});

/** A photo with all that is costly to find out about it. */
export type Ready = { readonly looks: Looks; readonly seen: readonly Candidate[]; readonly things: readonly Ranked[] };

export function readied(looks: Looks, seen: readonly Candidate[]): Ready {
  const [whole, , quarter] = looks;
  const lab = toLab(quarter);
  const focus = focusOf(whole);
  const views = { lab, focus, salience: salienceOf(lab, focus) };
  return { looks, seen, things: ranked(seen, standingIn(views.salience, lab), views) };
}

/** The subject; null where nothing is seen and nothing stands out. */
export function busySubject({ looks: [whole], seen, things }: Ready, grabCut: GrabCut): FoundSubject | null {
  const [first] = things;
  if (!first) return null;
  const best = exact(first, things, seen);
  const cut = cutOut(whole, best.box, grabCut);
  if (!cut) return guess(best.box);
  return subjectOfCut(cut, confidenceOf(things, best, cut.agree));
}
