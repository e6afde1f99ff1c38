/** The subject that somebody points at. */
import { overlap, type Box } from '../boxes';
import type { Raster } from '../lab';
import { grown, partsOf, type Part } from '../masks';
import { subjectOfPixels } from '../pixels';
import type { Told } from '../pointing';
import type { FoundSubject } from '../sight';
import type { Candidate } from './candidates';
import { cutOut, sidesIn, type GrabCut } from './cut';
import { maskOf, rimAround, subjectOfPart, type Salience } from './salience';

/** A photo with all that is costly to find out about it: what stands out there, and the things that a network saw. */
export type Ready = {
  readonly picture: Raster;
  readonly salience: Salience;
  readonly seen: readonly Candidate[];
};

/** People point near a thing's middle: spread of where they do, as a share of its extent. */
const AIM = 0.2;
/** Further from its middle than this they mean another thing. */
const MISSED = 0.4;
/** What is looked at around a place where nothing is seen, as a share of the picture. */
const AROUND = 0.3;

const missOf = ([l, t, w, h]: Box, [x, y]: Told['at']) =>
  Math.max(Math.abs(x - l - w / 2) / w, Math.abs(y - t - h / 2) / h);

/** The box of what is meant by a place. */
function meant(seen: readonly Candidate[], at: Told['at']): Box {
  const near = seen.filter(({ box }) => missOf(box, at) < MISSED);
  const value = ({ box, score }: Candidate) => Math.log(score / (1 - score)) - (missOf(box, at) / AIM) ** 2 / 2;
  const [best] = [...near].sort((a, b) => value(b) - value(a));
  return best?.box ?? [at[0] - AROUND / 2, at[1] - AROUND / 2, AROUND, AROUND];
}

/** A rough box is some thing's that overlaps it as far as this. */
const ROUGH = 0.5;

function nearest(seen: readonly Candidate[], box: Box): Box {
  const [best] = [...seen].sort((a, b) => overlap(b.box, box) - overlap(a.box, box));
  return best && overlap(best.box, box) > ROUGH ? best.box : box;
}

const sharesOf = ([l, t, r, b]: Part['box'], { width, height }: Salience): Box =>
  [l / width, t / height, (r - l) / width, (b - t) / height]; // prettier-ignore

/** A part whose rim is wider than this is looked at anew in its surroundings alone; what stands out there counts … */
const CLEAR = 3;
/** … where both are the same thing so far: then the closer look knows its outline better. */
const SAME = 0.8;
/**
 * Where somebody points at a part its outline may be less clear than where nobody does (`WIDE`): of 120 composites'
 * parts up to here more are right than of what is seen around them.
 */
const WIDE_AT = 6;

/** Pixels from what stands out to a place that is told to be of it. */
const REACH = 3;

/** What stands out in a part of the picture, and where that part lies, in shares of the picture. */
export type Closer = { readonly salience: Salience; readonly within: Box };

/** A place of the picture in shares of a part of it. */
const inPart = ([x, y]: Told['at'], [l, t, w, h]: Box) => [(x - l) / w, (y - t) / h] as const;

/** What stands out at a place, or in a rough box. */
function standingAt(salience: Salience, from: Box | null, at: Told['at'] | undefined): Part | undefined {
  const { width, height } = salience;
  const mask = maskOf(salience);
  const parts = partsOf(mask, salience);
  if (from) return parts.find((part) => overlap(sharesOf(part.box, salience), from) > ROUGH);
  if (!at) return undefined;
  const pixel = (share: number, side: number) => Math.min(side - 1, Math.max(0, Math.floor(share * side)));
  const place = new Uint8Array(mask.length);
  place[pixel(at[1], height) * width + pixel(at[0], width)] = 1;
  const near = grown(place, salience, REACH);
  return parts.find(({ pixels }) => pixels.some((i) => near[i]));
}

/** The least box that holds a box and places. */
function holding([l, t, w, h]: Box, places: readonly Told['at'][]): Box {
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
  const [left, top] = [Math.min(l, ...xs), Math.min(t, ...ys)];
  return [left, top, Math.max(l + w, ...xs) - left, Math.max(t + h, ...ys) - top];
}

/** Ways to look at a photo that are a library's or a network's. */
export type Ways = {
  readonly grabCut: GrabCut;
  /** What stands out in the surroundings of a box. */
  readonly closer: (box: Box) => Promise<Closer>;
};

/** What stands out where only the surroundings of a box are looked at. */
async function standingIn({ closer }: Ways, box: Box, from: Box | null, at: Told['at'] | undefined) {
  const { salience, within } = await closer(box);
  const [left, top] = inPart([box[0], box[1]], within);
  const [right, bottom] = inPart([box[0] + box[2], box[1] + box[3]], within);
  const part = standingAt(salience, from && [left, top, right - left, bottom - top], at && inPart(at, within));
  return part && subjectOfPart(part, salience, within);
}

/** One that somebody told is sure. */
const sure = (subject: Omit<FoundSubject, 'confidence' | 'count'>): FoundSubject => ({ ...subject, confidence: 1, count: 1 }); // prettier-ignore

/**
 * The thing at a place, or in a rough box, along its outline; null where it can't be parted from what is around it.
 *
 * @param from the rough box; null where the first place of the subject tells what is meant
 * @param told places that are subject, or are not; at least one of the subject where there is no box
 */
export async function pointedAt(
  { picture, salience, seen }: Ready,
  from: Box | null,
  told: readonly Told[],
  ways: Ways,
): Promise<FoundSubject | null> {
  const places = told.filter(({ is }) => is === 'subject').map(({ at }) => at);
  const part = standingAt(salience, from, places[0]);
  const rim = part ? rimAround(salience, part.box) : Infinity;
  // Only the thing itself is told yet, nothing of its parts.
  const isFirst = told.length === (from ? 0 : 1);
  if (part && isFirst) {
    const own = subjectOfPart(part, salience);
    const closer = rim > CLEAR ? await standingIn(ways, own.box, from, places[0]) : null;
    if (closer && overlap(closer.box, own.box) > SAME) return sure(closer);
    if (rim <= WIDE_AT) return sure(own);
  }
  const standing = part && rim <= WIDE_AT ? part : null;
  const box = standing ? sharesOf(standing.box, salience) : from ? nearest(seen, from) : meant(seen, places[0]!);
  const closer = isFirst && (await standingIn(ways, box, from, places[0]));
  if (closer) return sure(closer);
  const cut = cutOut(picture, holding(box, places), ways.grabCut, { told, salience: standing && salience });
  if (!cut) return null;
  const { part: size, within, pixels } = cut;
  return sure(subjectOfPixels({ pixels, box: sidesIn(cut) }, { size, within }));
}
