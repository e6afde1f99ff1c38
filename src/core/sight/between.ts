/** Where a subject's sides lie between the pixels of the picture that is looked at. */
import type { Distances } from './ground';
import type { Size } from './lab';
import type { Part } from './masks';

type Sides = Part['box'];

/** Lines whose ends are at most so many pixels within the outermost one may be it. */
const NEAR = 1;
/** So many of the lines that may be it have to tell where they begin. */
const MOST = 0.5;
/** A side lies no further within its outermost pixels than this share of the extent. */
const DEEPEST = 0.25;

/**
 * Where a line of the subject begins, in pixels from the outer edge of its outermost one inwards; null where that
 * can't be told.
 *
 * @param end place of that pixel
 * @param inwards from one place to the next one further in
 */
export type Start = (end: number, inwards: number) => number | null;

/** Lightness alone tells where it differs by this (L*) from the ground's: JPEG lets colour run over an outline. */
const LIGHT = 10;
/** Else all that is unlike the ground does, by as many times what the ground itself is. */
const CLEAR = 4;
/** What is two pixels out is less than this share of the subject's: a shadow is none of it. */
const NONE = 0.05;

/**
 * How an outline looks that is as sharp as pixels can show: the line's pixel so `deep` in is subject in full, the one
 * before it at least this share of that, and two pixels further in no more than `even` is different.
 */
type Outline = { readonly deep: number; readonly full: number; readonly even: number };

const SHARP: Outline = { deep: 2, full: 0.95, even: 0.15 };
/** That of a photo that was enlarged to be looked at. */
const ENLARGED: Outline = { deep: 3, full: 0.98, even: 0.06 };

/** Where a line begins whose end looks like that. @param least what the subject's values are at least */
function startIn(values: Float32Array, end: number, inwards: number, least: number, outline = SHARP): number | null {
  const { deep, full, even } = outline;
  const own = values[end + deep * inwards]!;
  const share = (k: number) => values[end + k * inwards]! / own;
  const isSo = Math.abs(own) >= least && share(deep - 1) >= full && Math.abs(1 - share(deep + 2)) <= even;
  if (!isSo || Math.abs(share(-2)) > NONE) return null;
  let start = deep;
  for (let k = -1; k < deep; k++) start -= Math.min(1, Math.max(0, share(k)));
  return start;
}

/**
 * Sharp outlines: what is unlike the ground around a line's end, in pixels that are as unlike it as what lies
 * further in. Where that is not even, light may fall off towards the rim, and pixels there are subject in full.
 */
export const sharpStart =
  ({ unshaded, lighter }: Distances, noise: number): Start =>
  (end, inwards) =>
    startIn(lighter, end, inwards, LIGHT) ??
    startIn(lighter, end, inwards, LIGHT, ENLARGED) ??
    startIn(unshaded, end, inwards, CLEAR * noise);

/** Where values pass a limit, straight between the pixels' middles. */
export const passing =
  (values: Float32Array, limit: number): Start =>
  (end, inwards) => {
    const [outer, inner] = [values[end - inwards]!, values[end]!];
    return outer < limit && inner >= limit ? (limit - outer) / (inner - outer) - 0.5 : null;
  };

/** The sides of a subject's box, in pixels, as told by where its lines begin; those at the picture's rim are there. */
export function sidesBetween({ pixels, box: [l, t, r, b] }: Part, { width, height }: Size, start: Start): Sides {
  const mask = new Uint8Array(width * height);
  for (const i of pixels) mask[i] = 1;
  /** How far inwards a side lies from its outermost pixels; `across` leads from a line to the next. */
  const inset = (first: number, lines: number, across: number, inwards: number) => {
    let [least, told, all] = [Infinity, 0, 0];
    for (let line = 0; line < lines; line++)
      for (let depth = 0, end = first + line * across; depth <= NEAR; depth++, end += inwards) {
        if (mask[end] === 0) continue;
        const own = start(end, inwards);
        all++;
        if (own !== null) told++;
        if (own !== null && depth + own < least) least = depth + own;
        break;
      }
    const extent = Math.abs(inwards) === 1 ? r - l : b - t;
    return told > 0 && told >= MOST * all ? Math.min(least, DEEPEST * extent) : 0;
  };
  return [
    l === 0 ? 0 : l + inset(t * width + l, b - t, width, 1),
    t === 0 ? 0 : t + inset(t * width + l, r - l, 1, width),
    r === width ? r : r - inset(t * width + r - 1, b - t, width, -1),
    b === height ? b : b - inset((b - 1) * width + l, r - l, 1, -width),
  ];
}
