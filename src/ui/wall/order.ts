/** Which photos the wall shows, and in which order. */
import { CHECKS, isToLookAt } from '@/core/checks';
import type { PhotoRow } from '@/server/services';
import type { PhotoFindings } from '../checks/photo-findings';

/** A review state, all to look at, a check's id, or everything. */
export type Show = string;

export const SHOWS: readonly (readonly [Show, string])[] = [
  ['all', 'all'],
  ['look', 'to look at'],
  ['open', 'not looked at'],
  ['good', 'good'],
  ['out', 'left out'],
  ['by-face', 'centred by a face'],
  ['by-subject', 'centred by the subject'],
  ['by-middle', 'centred by the middle'],
  ...CHECKS.filter(({ about }) => about === 'photo').map(({ id, label }) => [id, label.toLowerCase()] as const),
];

const spot = (photo: PhotoRow, { placed }: PhotoFindings) =>
  Math.hypot(...(placed.get(photo.id)?.subject?.off ?? [0, 0]));

const RULES = ['middle', 'point', 'subject', 'face'] as const;

/** Every measured quantity that photos can be sorted by, the largest (or worst) first. */
export const SORTS = {
  name: { label: 'name', of: null },
  findings: { label: 'findings', of: (photo: PhotoRow, f: PhotoFindings) => f.byPhoto.get(photo.id)?.length ?? 0 },
  spot: { label: 'distance from spot', of: spot },
  rule: {
    label: 'what it is centred by',
    of: (photo: PhotoRow, f: PhotoFindings) => RULES.indexOf(f.placed.get(photo.id)?.rule ?? 'middle'),
  },
  size: {
    label: 'size of subject',
    of: (photo: PhotoRow, f: PhotoFindings) => f.placed.get(photo.id)?.subject?.size ?? 0,
  },
  enlarged: { label: 'enlargement', of: (photo: PhotoRow, f: PhotoFindings) => f.placed.get(photo.id)?.scale ?? 0 },
  gap: { label: 'gap', of: (photo: PhotoRow, f: PhotoFindings) => f.placed.get(photo.id)?.gap ?? 0 },
  unsure: { label: 'least confidence', of: (photo: PhotoRow) => -(photo.sight?.subject?.confidence ?? 0) },
  blurred: { label: 'softness', of: (photo: PhotoRow) => -(photo.sight?.sharpness ?? 0) },
  brightness: { label: 'brightness', of: (photo: PhotoRow) => photo.sight?.brightness ?? 0 },
} as const;
export type Sort = keyof typeof SORTS;

function isShown(photo: PhotoRow, show: Show, { byPhoto, placed }: PhotoFindings): boolean {
  if (show.startsWith('by-')) return placed.get(photo.id)?.rule === show.slice(3);
  if (show === 'all') return true;
  if (show === 'look') return isToLookAt(photo.review, byPhoto.has(photo.id));
  if (show === 'open' || show === 'good' || show === 'out') return photo.review === show;
  return isToLookAt(photo.review, byPhoto.get(photo.id)?.some(({ check }) => check === show) ?? false);
}

export function arranged<P extends PhotoRow>(
  photos: readonly P[],
  show: Show,
  sort: Sort,
  findings: PhotoFindings,
): readonly P[] {
  const shown = show === 'all' ? photos : photos.filter((photo) => isShown(photo, show, findings));
  const { of } = SORTS[sort];
  return of ? [...shown].sort((a, b) => of(b, findings) - of(a, findings)) : shown;
}

/** What is shown, for a sentence: "sharpness", "left out". */
export const showWords = (show: Show): string => SHOWS.find(([value]) => value === show)?.[1] ?? show;
