/** The subject of a photo whose ground is busy: what stands out, as a network says it pixel by pixel. */
import { passing, sidesBetween } from '../between';
import type { Box } from '../boxes';
import type { Size } from '../lab';
import { mainPart, type MainPart } from '../main-part';
import type { Mask, Part } from '../masks';
import { subjectOfPixels } from '../pixels';
import type { FoundSubject } from '../sight';

/** How surely each pixel of a picture stands out, 0…1 (scripts/salience.mjs). */
export type Salience = Size & { readonly values: Float32Array };

/** Pixels above this are subject. */
const SUBJECT = 0.5;
/** Between these a pixel is neither clearly. */
const [GROUND, CLEAR] = [0.1, 0.9];

/** Parts of a subject lie no further apart, as a share of the picture. */
const NEARBY = 0.02;

export function maskOf({ values }: Salience): Mask {
  const mask = new Uint8Array(values.length);
  for (let i = 0; i < mask.length; i++) if (values[i]! > SUBJECT) mask[i] = 1;
  return mask;
}

/**
 * How wide the rim is where a picture is neither clearly subject nor clearly ground, in pixels: those pixels for
 * each one of the outline. One or two where the network knows the outline; many where it wavers between things.
 * Infinite where there is no subject.
 *
 * @param within what is counted, in pixels; all of it if left out
 */
export function rimOf({ values, width, height }: Salience, within: Part['box'] = [0, 0, width, height]): number {
  const [left, top, right, bottom] = within;
  const isSubject = (x: number, y: number) =>
    x >= 0 && y >= 0 && x < width && y < height && values[y * width + x]! > SUBJECT;
  let [outline, neither] = [0, 0];
  for (let y = Math.max(0, top); y < Math.min(height, bottom); y++)
    for (let x = Math.max(0, left); x < Math.min(width, right); x++) {
      const v = values[y * width + x]!;
      if (v > GROUND && v < CLEAR) neither++;
      if (v > SUBJECT && !(isSubject(x - 1, y) && isSubject(x + 1, y) && isSubject(x, y - 1) && isSubject(x, y + 1)))
        outline++;
    }
  return outline === 0 ? Infinity : neither / outline;
}

/** What is counted around a part, as a share of its extents on either side. */
const BESIDE = 0.15;

/** How wide the rim is in a part's box and right beside it. */
export function rimAround(salience: Salience, [l, t, r, b]: Part['box']): number {
  const [across, down] = [Math.round(BESIDE * (r - l)), Math.round(BESIDE * (b - t))];
  return rimOf(salience, [l - across, t - down, r + across, b + down]);
}

/**
 * A rim wider than this is looked at in a larger picture, and not taken for sure: of the 105 of 120
 * composites (bench/composites.ts) that are sure one is off by more than 3 %.
 */
export const WIDE = 4;
/** Confidence with no rim at all: with one of `WIDE` it is 0.45, below which a subject is a guess. */
const MOST = 0.9;

/** What of a mask is the subject: its largest part near the middle, and those close to it; null where there is none. */
export const mainOf = (mask: Mask, size: Size): MainPart | null => mainPart(mask, size, NEARBY);

/** A part along its outline. @param within the picture in shares of the photo, if it is not all of it */
export const subjectOfPart = (part: Part, salience: Salience, within?: Box): ReturnType<typeof subjectOfPixels> =>
  subjectOfPixels(part, { size: salience, within, sides: sidesBetween(part, salience, passing(salience.values, SUBJECT)) }); // prettier-ignore

/** A part as the subject, trusted by how wide the rim is. @param wide the rim beyond which it is not taken for sure */
export const asSubject = (part: MainPart, salience: Salience, rim: number, wide = WIDE): FoundSubject => ({
  ...subjectOfPart(part, salience),
  confidence: MOST / (1 + rim / wide),
  count: 1 + part.others.length,
});

/** The subject; null where nothing stands out. */
export function standingSubject(salience: Salience): FoundSubject | null {
  const part = mainOf(maskOf(salience), salience);
  return part && asSubject(part, salience, rimOf(salience));
}

/**
 * What stands out where only a part of the photo is looked at; null where its outline is not clear.
 *
 * @param within the part in shares of the photo
 */
export function clearIn(salience: Salience, within: Box): Box | null {
  if (rimOf(salience) > WIDE) return null;
  const part = mainOf(maskOf(salience), salience);
  return part && subjectOfPart(part, salience, within).box;
}
