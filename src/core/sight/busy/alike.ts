/**
 * Subjects like others that somebody pointed at: how much likelier each colour is the subject's than the ground's
 * (histograms of both, as Jones and Rehg 2002, "Statistical color models with application to skin detection"), added
 * to how surely it stands out. Both are logarithms of odds, which add up where two things speak for the same.
 */
import type { Raster, Size } from '../lab';
import { filled, opened } from '../masks';
import type { FoundSubject } from '../sight';
import { SIDES, sidesOf } from '../small-mask';
import { asSubject, mainOf, maskOf, rimAround, type Salience } from './salience';

/** A picture and the subject in it that somebody pointed at. */
export type Example = { readonly picture: Raster; readonly subject: Pick<FoundSubject, 'box' | 'mask'> };

/** What subjects that were pointed at are like. */
export type Likeness = {
  /** Logarithm of how much likelier a colour is the subject's than the ground's, a cell of colours each. */
  readonly odds: Float32Array;
  /** The median of their longer sides, as a share of the picture's. */
  readonly size: number;
};

/** Bits a channel of the cells that colours are counted in. */
const BITS = 4;
const CELLS = 1 << BITS;
/** A colour that was seen nowhere is as likely as this on both sides. */
const UNSEEN = 1e-4;
/** What one colour says at most, either way. */
const MOST = 3;

const cellOf = (rgb: Raster['rgb'], k: number): number =>
  ((rgb[k]! >> (8 - BITS)) << (2 * BITS)) | ((rgb[k + 1]! >> (8 - BITS)) << BITS) | (rgb[k + 2]! >> (8 - BITS));

/** Shares of neighbouring cells mixed, ¼ ½ ¼ along each channel: few pixels stand for many shades. */
function smoothed(shares: Float64Array): Float64Array {
  let from = shares;
  for (const step of [1, CELLS, CELLS * CELLS]) {
    const to = new Float64Array(from.length);
    for (let i = 0; i < to.length; i++) {
      const at = Math.floor(i / step) % CELLS;
      const before = at > 0 ? from[i - step]! : from[i]!;
      const after = at < CELLS - 1 ? from[i + step]! : from[i]!;
      to[i] = (before + 2 * from[i]! + after) / 4;
    }
    from = to;
  }
  return from;
}

/** The median; of an even number the upper one of the middle. */
const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** @param examples at least one */
export function likenessOf(examples: readonly Example[]): Likeness {
  const subject = new Float64Array(CELLS ** 3);
  const ground = new Float64Array(CELLS ** 3);
  for (const { picture, subject: found } of examples) {
    const sides = sidesOf(found.mask, found.box, picture);
    let [inside, outside] = [0, 0];
    for (const side of sides) {
      if (side === SIDES.subject) inside++;
      else if (side === SIDES.ground) outside++;
    }
    for (let i = 0; i < sides.length; i++) {
      const cell = cellOf(picture.rgb, 3 * i);
      if (sides[i] === SIDES.subject) subject[cell]! += 1 / inside / examples.length;
      else if (sides[i] === SIDES.ground) ground[cell]! += 1 / outside / examples.length;
    }
  }
  const [ofSubject, ofGround] = [smoothed(subject), smoothed(ground)];
  const odds = Float32Array.from(ofSubject, (share, i) => Math.log((share + UNSEEN) / (ofGround[i]! + UNSEEN)));
  const sizes = examples.map(({ picture, subject: { box } }) => longerSide(box, picture));
  return { odds: odds.map((v) => Math.max(-MOST, Math.min(MOST, v))), size: median(sizes) };
}

/** A box's longer side as a share of the picture's. */
const longerSide = ([, , w, h]: FoundSubject['box'], { width, height }: Raster): number =>
  Math.max(w * width, h * height) / Math.max(width, height);

/** Half the side of the square that colours are averaged over, pixels: one pixel alone says little. */
const AROUND = 3;

/** Means over a row or a column and its neighbours, cut off at the picture's rim. */
function meansAlong(from: Float32Array, to: Float32Array, start: number, step: number, count: number): void {
  let [sum, n] = [0, 0];
  for (let i = -AROUND; i < count; i++) {
    const [coming, going] = [i + AROUND, i - AROUND - 1];
    if (coming < count) [sum, n] = [sum + from[start + coming * step]!, n + 1];
    if (going >= 0) [sum, n] = [sum - from[start + going * step]!, n - 1];
    if (i >= 0) to[start + i * step] = sum / n;
  }
}

/** What the colours around each pixel say. */
function colourOdds({ rgb, width, height }: Raster, odds: Float32Array): Float32Array {
  const own = new Float32Array(width * height);
  for (let i = 0; i < own.length; i++) own[i] = odds[cellOf(rgb, 3 * i)]!;
  const across = new Float32Array(own.length);
  for (let y = 0; y < height; y++) meansAlong(own, across, y * width, 1, width);
  for (let x = 0; x < width; x++) meansAlong(across, own, x, width, height);
  return own;
}

/** What the network says at most, either way. */
const SUREST = 4;
/** How much the colours weigh beside it. */
const WEIGHT = 1.5;

/** Places between the pixels of a line, for each pixel of another one as long: the one before, and how far on it is. */
function placesOn(count: number, of: number): readonly (readonly [at: number, share: number])[] {
  return Array.from({ length: count }, (_, i) => {
    const place = Math.min(of - 1, Math.max(0, ((i + 0.5) / count) * of - 0.5));
    const at = Math.min(of - 2, Math.floor(place));
    return [at, place - at] as const;
  });
}

/** How surely each pixel of the picture stands out, with what its colour says. */
function weighed(salience: Salience, { width, height }: Size, colours: Float32Array): Salience {
  const [columns, rows] = [placesOn(width, salience.width), placesOn(height, salience.height)];
  const values = new Float32Array(width * height);
  for (let y = 0, i = 0; y < height; y++) {
    const [row, down] = rows[y]!;
    for (let x = 0; x < width; x++, i++) {
      const [column, across] = columns[x]!;
      const at = row * salience.width + column;
      const of = (k: number) => salience.values[k]! + (salience.values[k + 1]! - salience.values[k]!) * across;
      const share = of(at) + (of(at + salience.width) - of(at)) * down;
      const seen = Math.max(-SUREST, Math.min(SUREST, Math.log((share + 1e-3) / (1 - share + 1e-3))));
      values[i] = 1 / (1 + Math.exp(-seen - WEIGHT * colours[i]!));
    }
  }
  return { values, width, height };
}

/** Colours of a subject that are no likelier than this to be one's than ground, in the mean, say that it is another thing. */
const LIKE = 0.2;
/** What is larger or smaller by more than this is not taken for sure: in a series things have about one size. */
const AS_LARGE = 2;
/** Surer than this is nobody of one whose size is another, or that a closer look sees otherwise. */
export const DOUBTED = 0.4;

const doubted = (found: FoundSubject): FoundSubject => ({ ...found, confidence: Math.min(found.confidence, DOUBTED) });

/** A rim wider than this is not taken for sure: colours that speak for a wrong part make its rim clearer, too, so it is less than `WIDE`. */
const WIDE_ALIKE = 2.5;

/** The subject of a picture that looks like those; null where nothing does that stands out. */
export function subjectAlike(salience: Salience, picture: Raster, { odds, size }: Likeness): FoundSubject | null {
  const colours = colourOdds(picture, odds);
  const all = weighed(salience, picture, colours);
  const part = mainOf(filled(opened(maskOf(all), all, 1), all), all);
  if (!part || part.pixels.reduce((sum, i) => sum + colours[i]!, 0) < LIKE * part.pixels.length) return null;
  const found = asSubject(part, all, rimAround(all, part.box), WIDE_ALIKE);
  const times = longerSide(found.box, picture) / size;
  const isAsLarge = times <= AS_LARGE && times >= 1 / AS_LARGE;
  return isAsLarge ? found : doubted(found);
}

/**
 * A closer look agrees where both have their centres no further apart than this, as a share of the longer side, and longer
 * sides that differ by no more than twice that: a template's usual limit (`limits.apart`) where a subject takes 0.6 of the shape.
 */
const APART = 0.05;

/**
 * One that was found like others, by what a closer look saw in its surroundings: who clears doubts of many photos at
 * once sees few of them, so that what does not stand out there as it does in the whole is not taken for sure.
 */
export function seenAlike(found: FoundSubject, again: FoundSubject['box'] | null, picture: Raster): FoundSubject {
  if (!again) return doubted(found);
  const [l, t, w, h] = found.box;
  const [across, down] = [again[0] + again[2] / 2 - l - w / 2, again[1] + again[3] / 2 - t - h / 2];
  const off =
    Math.hypot(across * picture.width, down * picture.height) / Math.max(w * picture.width, h * picture.height);
  const times = longerSide(again, picture) / longerSide(found.box, picture);
  return off > APART || Math.abs(times - 1) > 2 * APART ? doubted(found) : found;
}
