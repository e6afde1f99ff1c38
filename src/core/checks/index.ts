/** All checks, in the order in which they are shown. Adding one is one line here. */
import { placer, type Placed, type Placer } from '../placement';
import { hashBits, hashDistance } from '../sight';
import { templateOutline, type Output, type Template } from '../template';
import {
  sharpnessFor,
  type BatchMeans,
  type CheckDefinition,
  type CheckedPhoto,
  type CheckInput,
  type Finding,
  type Mend,
} from './check';
import { clearance } from './clearance';
import { enlargement } from './enlargement';
import { fade } from './fade';
import { faint } from './faint';
import { fine } from './fine';
import { flattened } from './flattened';
import { missing } from './missing';
import { several } from './several';
import { unsure } from './unsure';
import { gap } from './gap';
import { blurred } from './blurred';
import { exposure } from './exposure';
import { twin } from './twin';
import { opaque } from './opaque';
import { size } from './size';
import { small } from './small';
import { spot } from './spot';

export const CHECKS: readonly CheckDefinition[] = [
  gap,
  fade,
  missing,
  several,
  unsure,
  spot,
  size,
  clearance,
  enlargement,
  small,
  blurred,
  exposure,
  twin,
  flattened,
  fine,
  faint,
  opaque,
];
export { tooThin } from './fine';
export type { BatchMeans, CheckDefinition, CheckedPhoto, Finding, Mend } from './check';

const NO_PATTERN = '0'.repeat(16);

const NOTHING: BatchMeans = { sharpness: null, brightness: null, size: null };

function medianOf(values: readonly number[]): number | null {
  if (values.length === 0) return null;
  return [...values].sort((a, b) => a - b)[values.length >> 1]!;
}

/** What a batch is like as a whole, for checks that compare a photo with the others. */
export function meansOf(
  template: Template,
  photos: readonly CheckedPhoto[],
  place: Placer = placer(template),
): BatchMeans {
  const seen = photos.flatMap(({ sight }) => (sight ? [sight] : []));
  const sizes = template.centring.rule === 'middle' ? [] : photos.flatMap((photo) => place(photo).subject?.size ?? []);
  return {
    sharpness: medianOf(seen.map(sharpnessFor)),
    brightness: medianOf(seen.map(({ brightness }) => brightness)),
    size: medianOf(sizes),
  };
}

/** For each photo, in order, the first one before it that looks the same, if there is one. */
export function twinsOf(
  photos: readonly (CheckedPhoto & { readonly name: string })[],
  bits: number,
): (CheckedPhoto['twin'] | null)[] {
  // A picture without light and dark has no pattern to compare.
  const hashes = photos.map(({ sight }) => (sight && sight.hash !== NO_PATTERN ? hashBits(sight.hash) : null));
  return hashes.map((hash, i) => {
    if (!hash) return null;
    for (let k = 0; k < i; k++) {
      const other = hashes[k];
      const differ = other ? hashDistance(hash, other) : 64;
      if (differ <= bits) return { name: photos[k]!.name, bits: differ };
    }
    return null;
  });
}

/** A photo's findings, where it lies, and what mends each. */
export type Checker = {
  readonly place: (photo: CheckedPhoto) => Placed;
  /** A finding that reads the same for two outputs is given once. */
  readonly check: (photo: CheckedPhoto, only?: Output) => Finding[];
  /** What one click does about a finding; null where only people can do something. */
  readonly mend: (photo: CheckedPhoto, check: string) => Mend | null;
};

/** Every check for one template; `batch` gives what others of the batch are like. */
export function checker(template: Template, batch: BatchMeans = NOTHING, place: Placer = placer(template)): Checker {
  const outline = templateOutline(template);
  const inputFor = (photo: CheckedPhoto, output: Output, placement: Placed): CheckInput => ({
    template,
    outline,
    output,
    photo,
    placement,
    batch,
  });
  return {
    place,
    check: (photo, only) => {
      const placement = place(photo);
      const findings = new Map<string, Finding>();
      for (const check of CHECKS)
        for (const output of only ? [only] : template.outputs) {
          const input = inputFor(photo, output, placement);
          const value = check.measure(input);
          if (value === null) continue;
          const limit = check.limit(input);
          if (value <= limit + 1e-9) continue;
          const message = check.explain(value, input);
          findings.set(`${check.id}: ${message}`, {
            check: check.id,
            about: check.about,
            value,
            limit,
            brief: check.brief(value, input),
            message,
            mend: check.mend(input),
          });
        }
      return [...findings.values()];
    },
    mend: (photo, id) => {
      const definition = CHECKS.find((check) => check.id === id);
      return definition?.repair?.change(inputFor(photo, template.outputs[0]!, place(photo))) ?? null;
    },
  };
}
