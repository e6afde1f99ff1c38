/** What a batch comes to: every screen counts here, and a delivery takes the same photos. */

/** Not looked at yet, good as it is, left out of exports. */
export type Review = 'open' | 'good' | 'out';

/** Whether a photo is exported. */
const isExported = (review: Review): boolean => review !== 'out';

/** Whether somebody should look at a photo: one that is good as it is needs it no more, whatever was found. */
export const isToLookAt = (review: Review, isFailing: boolean): boolean => review === 'open' && isFailing;

type BatchCounts = {
  readonly photos: number;
  readonly leftOut: number;
  readonly exported: number;
  /** Of one export. */
  readonly files: number;
  readonly toLookAt: number;
};

type Counted = { readonly content: 'cutout' | 'framing' };

/** How many files so many cutouts give: of what has no photo in it one for all of them. */
export function filesFor(outputs: readonly Counted[], cutouts: number): number {
  const once = outputs.filter(({ content }) => content === 'framing').length;
  return (outputs.length - once) * cutouts + (cutouts > 0 ? once : 0);
}

/**
 * @param photos all of the batch, or those chosen of it
 * @param outputs of the template
 * @param cutouts a photo for each, where several make one
 */
export function countBatch<P extends { readonly review: Review }>(
  photos: readonly P[],
  outputs: readonly Counted[],
  isFailing: (photo: P) => boolean,
  cutouts: readonly P[] = photos,
): BatchCounts {
  const exported = cutouts.filter(({ review }) => isExported(review)).length;
  return {
    photos: photos.length,
    leftOut: photos.filter(({ review }) => !isExported(review)).length,
    exported,
    files: filesFor(outputs, exported),
    toLookAt: photos.filter((photo) => isToLookAt(photo.review, isFailing(photo))).length,
  };
}
