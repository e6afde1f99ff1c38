/** What is made of the photos of a run. */
import type { PhotoData, PhotoWords } from '../core/fields';
import { seated, spokenOf } from '../core/groups';
import { hasSlots, type Template } from '../core/template';
import type { Seen, SeenPhoto } from './seen';

/** One cutout to be made, of one photo or of several; or a photo that can't be worked with. */
export type Cutout = { readonly name: string; readonly isGroup?: boolean } & (
  | { readonly photos: readonly (SeenPhoto | null)[]; readonly data: PhotoData }
  | { readonly fault: string }
);

/** What the photos make: a cutout each, or one a group; a photo at fault is an item of its own. */
export function cutoutsOf(template: Template, seen: readonly Seen[]): Cutout[] {
  const one = (of: Seen): Cutout =>
    'fault' in of
      ? { name: of.path, fault: of.fault }
      : { name: of.path, photos: [of.photo], data: of.photo.words.data ?? {} };
  if (!hasSlots(template)) return seen.map(one);
  const good = seen.flatMap((of) => ('photo' in of ? [of.photo] : []));
  return [
    ...seated(template, good)
      .map(spokenOf)
      .flatMap(({ name, slot, group, words }): Cutout[] => {
        if (group?.isMade) return [{ name: group.name, isGroup: true, photos: group.seats, data: words.data ?? {} }];
        if (group) return [{ name: group.name, fault: `no photo for ${group.missing.join(', ')}` }];
        return slot === null ? [{ name, fault: 'no slot takes this photo' }] : [];
      }),
    ...seen.filter((of) => 'fault' in of).map(one),
  ];
}

/** How texts speak of a cutout; `index` is its place in the run, from 1. */
export const wordsOf = (cutout: Cutout, index: number): PhotoWords => ({
  photo: cutout.name,
  ...(cutout.isGroup && { stem: cutout.name }),
  batch: '',
  index,
  data: 'data' in cutout ? cutout.data : {},
});
