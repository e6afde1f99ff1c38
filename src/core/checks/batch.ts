/** A batch as a whole: what its photos are like, which look the same, which have a finding. */
import { withSizes } from '../placement';
import type { Template } from '../template';
import type { BatchMeans, CheckedPhoto } from './check';
import { checker } from './checker';
import { isToLookAt, type Review } from './counts';
import { meansOf } from './means';
import { twinsOf } from './twins';

/** What its photos are compared by. */
export type Compared = {
  readonly means: BatchMeans;
  /** In the order of the photos. */
  readonly twins: readonly (CheckedPhoto['twin'] | null)[];
};

export type BatchPhoto = CheckedPhoto & { readonly name: string; readonly review?: Review };

/** @param photos those that count: without the ones left out */
export function compared(given: Template, photos: readonly BatchPhoto[]): Compared {
  return { means: meansOf(withSizes(given, photos), photos), twins: twinsOf(photos, given.limits.twins) };
}

/**
 * How many photos have a finding of their own, and nobody has called them good.
 *
 * @param photos those that count: without the ones left out
 */
export function toLookAt(given: Template, photos: readonly BatchPhoto[]): number {
  const template = withSizes(given, photos);
  const { means, twins } = compared(template, photos);
  const { check } = checker(template, means);
  const isFailing = (photo: BatchPhoto, i: number) =>
    check({ ...photo, twin: twins[i] ?? null }).some(({ about }) => about === 'photo');
  return photos.filter((photo, i) => isToLookAt(photo.review ?? 'open', true) && isFailing(photo, i)).length;
}
