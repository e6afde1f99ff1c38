/** A batch's findings as the screens use them. */
import { checker, isToLookAt, type Checker, type Finding, type FindingsChange } from '@/core/checks';
import type { Placed } from '@/core/placement';
import type { Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';

export type PhotoFindings = {
  /** By photo, those about the photo itself; photos without any are left out. */
  readonly byPhoto: ReadonlyMap<number, readonly Finding[]>;
  /** Those about the template or an output, which are the same for every photo. */
  readonly ofOutputs: readonly Finding[];
  /** Where each photo lies. */
  readonly placed: ReadonlyMap<number, Placed>;
  /** Why nothing is known of the photos as they are now. */
  readonly fault: string | null;
  readonly mend: (photo: PhotoRow, check: string) => ReturnType<Checker['mend']>;
};

export const NO_FINDINGS: PhotoFindings = {
  byPhoto: new Map(),
  ofOutputs: [],
  placed: new Map(),
  fault: null,
  mend: () => null,
};

/** The findings after a change; `photos` are all that there are, `template` is what they were checked by. */
export function withChange(
  before: PhotoFindings,
  { photos: changed, ofOutputs, means }: FindingsChange,
  template: Template,
  photos: readonly Pick<PhotoRow, 'id'>[],
): PhotoFindings {
  const byPhoto = new Map(before.byPhoto);
  const placed = new Map(before.placed);
  for (const { id, placed: where, findings } of changed) {
    placed.set(id, where);
    if (findings.length > 0) byPhoto.set(id, findings);
    else byPhoto.delete(id);
  }
  if (placed.size > photos.length) {
    const there = new Set(photos.map(({ id }) => id));
    for (const id of placed.keys()) if (!there.has(id)) [placed, byPhoto].forEach((map) => map.delete(id));
  }
  // A mend is worked out for the one photo that it is asked for.
  let mender: Checker | null = null;
  return {
    byPhoto,
    placed,
    ofOutputs,
    fault: null,
    mend: (photo, check) => (mender ??= checker(template, means)).mend(photo, check),
  };
}

/** Whether all of a batch's photos have been checked; `total` counts those that have not come from the server yet, too. */
export const areChecked = ({ placed, fault }: PhotoFindings, total: number): boolean =>
  fault === null && placed.size >= total;

/** The findings of photos that somebody is still to look at: without those called good or left out. */
export function withoutReviewed(
  findings: PhotoFindings,
  photos: readonly Pick<PhotoRow, 'id' | 'review'>[],
): PhotoFindings {
  const byPhoto = new Map(findings.byPhoto);
  for (const { id, review } of photos) if (!isToLookAt(review, byPhoto.has(id))) byPhoto.delete(id);
  return { ...findings, byPhoto };
}
