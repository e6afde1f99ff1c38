/**
 * A thing cut out along its outline: its box is roughly known, and GrabCut (Rother, Kolmogorov
 * and Blake 2004) parts what lies in it by colour. The cutting itself is a library's.
 */
import type { Box } from '../boxes';
import type { Raster, Size } from '../lab';
import { opened, partsOf, type Mask, type Part as MaskPart } from '../masks';
import type { Told } from '../pointing';
import { partOf } from './part';
import { maskOf, type Salience } from './salience';

/** What is known of a pixel before GrabCut, by OpenCV's numbers. */
export const GROUND = 0;
export const SUBJECT = 1;
export const MAYBE_GROUND = 2;
export const MAYBE_SUBJECT = 3;

/** 1 for every pixel that is subject; null where it can't be parted. */
export type GrabCut = (picture: Raster, known: Uint8Array, rounds: number) => Mask | null;

/** Longest side of what is cut, pixels. */
const SIZE = 192;
/** What is looked at around the box, as a share of it on either side. */
const MARGIN = 0.4;
/** What of that is perhaps subject still. */
const BAND = 0.12;
/** Fewer pixels that are surely ground say nothing of it. */
const ENOUGH = 20;
/** A side that is cut further from the box's, as a share of its extent, is not believed. */
const BELIEVED = 0.15;

export type CutOut = {
  /** In shares of the picture. */
  readonly box: Box;
  /** Its pixels in the part that was cut, and that part in shares of the picture. */
  readonly pixels: readonly number[];
  readonly part: Size;
  readonly within: Box;
};

/** A box of the part in shares of the picture, and back. */
const outOf = ([l, t, w, h]: Box, { width, height }: Size, [wl, wt, ww, wh]: Box): Box =>
  [wl + (l / width) * ww, wt + (t / height) * wh, (w / width) * ww, (h / height) * wh]; // prettier-ignore
const into = ([l, t, w, h]: Box, { width, height }: Size, [wl, wt, ww, wh]: Box): Box =>
  [((l - wl) / ww) * width, ((t - wt) / wh) * height, (w / ww) * width, (h / wh) * height]; // prettier-ignore

/** What a rough box says of every pixel, and in it what stands out. */
function knownBy([l, t, w, h]: Box, { width, height }: Size, stands: (x: number, y: number) => boolean) {
  const known = new Uint8Array(width * height);
  let ground = 0;
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) {
      const away = Math.max(Math.abs(x + 0.5 - l - w / 2) / w, Math.abs(y + 0.5 - t - h / 2) / h) - 0.5;
      known[i] = away > BAND ? GROUND : away > 0 || !stands(x, y) ? MAYBE_GROUND : MAYBE_SUBJECT;
      if (known[i] === GROUND) ground++;
    }
  return { known, ground };
}

const sidesOf = ([l, t, w, h]: Box) => [l, t, l + w, t + h] as const;

/** The cut's sides where they lie near the box's, else the box's. */
function believed(box: Box, cut: Box): Box {
  const sides = sidesOf(box);
  const [l, t, r, b] = sidesOf(cut).map((side, k) =>
    Math.abs(side - sides[k]!) < BELIEVED * box[2 + (k % 2)]! ? side : sides[k]!,
  ) as [number, number, number, number];
  return [l, t, r - l, b - t];
}

/** What is told of a place goes for what is so near to it, as a share of the box's shorter side. */
const NEAR = 0.06;

function tell(known: Uint8Array, { width, height }: Size, box: Box, within: Box, told: readonly Told[]): void {
  const radius = Math.max(2, NEAR * Math.min((box[2] / within[2]) * width, (box[3] / within[3]) * height));
  for (const { at, is } of told) {
    const [cx, cy] = into([at[0], at[1], 0, 0], { width, height }, within);
    for (let y = 0, i = 0; y < height; y++)
      for (let x = 0; x < width; x++, i++)
        if (Math.hypot(x + 0.5 - cx, y + 0.5 - cy) < radius) known[i] = is === 'subject' ? SUBJECT : GROUND;
  }
}

/** The parts that are told to be subject, or the largest. */
function partsTold(mask: Mask, part: Size, within: Box, told: readonly Told[]): MaskPart | null {
  const parts = partsOf(opened(mask, part, 1), part);
  const pixels = told
    .filter(({ is }) => is === 'subject')
    .map(({ at: [x, y] }) => into([x, y, 0, 0], part, within))
    .map(([x, y]) => Math.floor(y) * part.width + Math.floor(x));
  const own = parts.filter((one) => pixels.some((pixel) => one.pixels.includes(pixel)));
  const [first, ...rest] = own.length > 0 ? own : parts.slice(0, 1);
  if (!first) return null;
  return rest.reduce(
    ({ pixels: all, box: [l, t, r, b] }, { pixels: more, box: [l2, t2, r2, b2] }) => ({
      pixels: [...all, ...more],
      box: [Math.min(l, l2), Math.min(t, t2), Math.max(r, r2), Math.max(b, b2)],
    }),
    first,
  );
}

/** What is known beyond the box: places, and what stands out clearly. */
export type Known = { readonly told?: readonly Told[]; readonly salience?: Salience | null };

/** Whether a pixel of the part stands out; all of it where that is not known. */
function standing(salience: Salience | null, part: Size, [l, t, w, h]: Box): (x: number, y: number) => boolean {
  if (!salience) return () => true;
  const { width, height } = salience;
  const mask = maskOf(salience);
  return (x, y) => {
    const column = Math.floor((l + ((x + 0.5) / part.width) * w) * width);
    const row = Math.floor((t + ((y + 0.5) / part.height) * h) * height);
    return mask[row * width + column] === 1;
  };
}

/** The thing in a rough box; null where it can't be parted from what is around it. */
export function cutOut(
  picture: Raster,
  box: Box,
  grabCut: GrabCut,
  { told = [], salience = null }: Known = {},
): CutOut | null {
  const [l, t, w, h] = box;
  const around: Box = [l - MARGIN * w, t - MARGIN * h, w * (1 + 2 * MARGIN), h * (1 + 2 * MARGIN)];
  const { part, within } = partOf(picture, around, SIZE);
  const { known, ground } = knownBy(into(box, part, within), part, standing(salience, part, within));
  tell(known, part, box, within, told);
  const mask = ground < ENOUGH ? null : grabCut(part, known, 1);
  const largest = mask && partsTold(mask, part, within, told);
  if (!largest) return null;
  const [left, top, right, bottom] = largest.box;
  const cut = outOf([left, top, right - left, bottom - top], part, within);
  return { box: told.length > 1 ? cut : believed(box, cut), pixels: largest.pixels, part, within };
}

/** A cut's box in whole pixels of the part that was cut. */
export function sidesIn({ box: [l, t, w, h], part: { width, height }, within }: CutOut): MaskPart['box'] {
  const side = (v: number, from: number, all: number, limit: number) =>
    Math.min(limit, Math.max(0, Math.round(((v - from) / all) * limit)));
  const [left, top] = [side(l, within[0], within[2], width), side(t, within[1], within[3], height)];
  const right = Math.max(left + 1, side(l + w, within[0], within[2], width));
  return [left, top, right, Math.max(top + 1, side(t + h, within[1], within[3], height))];
}
