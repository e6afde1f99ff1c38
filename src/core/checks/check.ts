/** The one form of a check: its number, its limit, a sentence and a way to mend. */
import type { PhotoWords } from '../fields';
import type { Adjustment, Placed, PhotoToPlace } from '../placement';
import type { Sight } from '../sight';
import type { Outline } from '../shape';
import type { Output, Template } from '../template';

export type CheckedPhoto = PhotoToPlace & {
  readonly hasAlpha: boolean;
  /** How captions speak of it; left out where nobody asks. */
  readonly words?: PhotoWords | undefined;
  /** True where looking at it failed. */
  readonly unseen?: boolean;
  /** Of a group's first photo: the slots that lack one. */
  readonly group?: { readonly missing: readonly string[]; readonly isMade: boolean } | undefined;
  /** Name of another photo of the batch that looks the same, with the bits their hashes differ in. */
  readonly twin?: { readonly name: string; readonly bits: number } | null | undefined;
};

/** What the batch is like as a whole: medians, null where there is nothing to compare with. */
export type BatchMeans = {
  readonly sharpness: number | null;
  readonly brightness: number | null;
  readonly lightest: number | null;
  readonly size: number | null;
};

/** What a check looks at: one photo as placed by one template, for one of its outputs. */
export type CheckInput = {
  readonly template: Template;
  readonly outline: Outline;
  readonly output: Output;
  readonly photo: CheckedPhoto;
  readonly placement: Placed;
  readonly batch: BatchMeans;
};

/** What mends a finding on one photo. */
export type Mend = { readonly adjustment: Adjustment | null } | { readonly review: 'out' };

export type CheckDefinition = {
  readonly id: string;
  readonly label: string;
  /** Whether it is about each photo, or about the template or an output and so the same for all photos. */
  readonly about: 'photo' | 'output';
  /** True where the number depends on the others of the batch. */
  readonly compares?: boolean;
  /** The number it is about; null where it does not apply. */
  readonly measure: (input: CheckInput) => number | null;
  /** A finding is raised where the measure is above this. */
  readonly limit: (input: CheckInput) => number;
  /** A few words for the mark on a cutout. */
  readonly brief: (value: number, input: CheckInput) => string;
  /** The sentence for people. */
  readonly explain: (value: number, input: CheckInput) => string;
  /** What can be done about it. */
  readonly mend: (input: CheckInput) => string;
  /** What one click does about it, in a few words and as a change of the photo; null where only people can. */
  readonly repair?: { readonly words: string; readonly change: (input: CheckInput) => Mend | null };
  /** What one click does about it to the template, in a few words. */
  readonly remake?: { readonly words: string; readonly change: (template: Template, outline: Outline) => Template };
};

export const defineCheck = (definition: CheckDefinition): CheckDefinition => definition;

/** A photo's failing of a check. */
export type Finding = {
  readonly check: string;
  readonly about: 'photo' | 'output';
  readonly value: number;
  readonly limit: number;
  readonly brief: string;
  readonly message: string;
  readonly mend: string;
};

/** How sharp a photo is; of one that was seen before edges were measured, for its contrast. */
export const sharpnessFor = ({ sharpness, contrast }: Pick<Sight, 'sharpness' | 'contrast'>) =>
  contrast === undefined ? sharpness : sharpness / Math.max(contrast, 1);

/** How light its lightest parts are; of one that was seen before those were asked for, all of it. */
export const lightestFor = ({ lightest, brightness }: Pick<Sight, 'lightest' | 'brightness'>) => lightest ?? brightness;

/** Digits that no one asks for. */
const MOST_DIGITS = 5;

/** A number in as few digits after the point as tell it from another, such as its limit. */
export function apartFrom(value: number, other: number, digits: number): string {
  const [told, besides] = [value.toFixed(digits), other.toFixed(digits)];
  return told === besides && value !== other && digits < MOST_DIGITS ? apartFrom(value, other, digits + 1) : told;
}

/** @param limit what it must not read the same as */
export const percent = (share: number, limit = share) => `${Number(apartFrom(share * 100, limit * 100, 1))} %`;
