/** A batch as a whole: what its photos are like, which look the same, which have a finding. */
import { placer, withSizes } from '../placement';
import type { Template } from '../template';
import type { BatchMeans, CheckedPhoto } from './check';
import { checker } from './checker';
import { isToLookAt, type Review } from './counts';
import { meansOf } from './means';
import { twinsOf } from './twins';

export type BatchFindings = {
  readonly means: BatchMeans;
  /** In the order of the photos. */
  readonly twins: readonly (CheckedPhoto['twin'] | null)[];
  /** Photos with a finding of their own, that nobody has called good. */
  readonly toLookAt: number;
};

export type BatchPhoto = CheckedPhoto & { readonly name: string; readonly review?: Review };

/** @param photos those that count: without the ones left out */
export function findingsOf(given: Template, photos: readonly BatchPhoto[]): BatchFindings {
  const template = withSizes(given, photos);
  const place = placer(template);
  const means = meansOf(template, photos, place);
  const twins = twinsOf(photos, template.limits.twins);
  const { check } = checker(template, means, place);
  const toLookAt = photos.filter((photo, i) => {
    const isFailing = () => check({ ...photo, twin: twins[i] ?? null }).some(({ about }) => about === 'photo');
    const { review = 'open' } = photo;
    return isToLookAt(review, true) && isFailing();
  }).length;
  return { means, twins, toLookAt };
}
