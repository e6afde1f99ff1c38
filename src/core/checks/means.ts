/** What a batch is like as a whole. */
import { placer, type Placer } from '../placement';
import { hasSlots, type Template } from '../template';
import { lightestFor, sharpnessFor, type BatchMeans, type CheckedPhoto } from './check';

/** Of a single photo: there is nothing to compare it with. */
export const NO_MEANS: BatchMeans = { sharpness: null, brightness: null, lightest: null, size: null };

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
  // Photos that each go by what suits them are no measure for each other.
  // Nor are those of slots, each with a size of its own.
  const { rule } = template.centring;
  const isMeasure = rule !== 'middle' && rule !== 'auto' && !hasSlots(template);
  const sizes = !isMeasure ? [] : photos.flatMap((photo) => place(photo).subject?.size ?? []);
  return {
    sharpness: medianOf(seen.map(sharpnessFor)),
    brightness: medianOf(seen.map(({ brightness }) => brightness)),
    lightest: medianOf(seen.map(lightestFor)),
    size: medianOf(sizes),
  };
}
