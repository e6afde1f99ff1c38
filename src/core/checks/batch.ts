/** A batch as a whole: what its photos are like, which look the same, which have a finding. */
import { placer } from '../placement';
import type { Template } from '../template';
import type { BatchMeans, CheckedPhoto } from './check';
import { checker } from './checker';
import { meansOf } from './means';
import { twinsOf } from './twins';

export type BatchFindings = {
  readonly means: BatchMeans;
  /** In the order of the photos. */
  readonly twins: readonly (CheckedPhoto['twin'] | null)[];
  /** Photos with a finding of their own. */
  readonly failing: number;
};

/** @param photos those that count: without the ones left out */
export function findingsOf(
  template: Template,
  photos: readonly (CheckedPhoto & { readonly name: string })[],
): BatchFindings {
  const place = placer(template);
  const means = meansOf(template, photos, place);
  const twins = twinsOf(photos, template.limits.twins);
  const { check } = checker(template, means, place);
  const failing = photos.filter((photo, i) => {
    const seen = { ...photo, twin: twins[i] ?? null };
    return check(seen).some(({ about }) => about === 'photo');
  }).length;
  return { means, twins, failing };
}
