/** Photos with what captions say of them. */
import type { PhotoWords } from '@/core/fields';
import type { Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';

export type WordedPhoto = PhotoRow & { readonly words: PhotoWords };

const known = new WeakMap<PhotoRow, WordedPhoto>();

const same = (a: PhotoWords, b: PhotoWords) => a.batch === b.batch && a.index === b.index && a.photo === b.photo;

/** Whether any caption counts photos: only then does one that is left out change what is written on others. */
export const counts = ({ captions }: Template): boolean => captions.some(({ text }) => text.includes('{index}'));

/** The photos in their order, those left out not counted; one that is as it was stays the same object. */
export function worded(photos: readonly PhotoRow[], batch: string, isCounted: boolean): WordedPhoto[] {
  let index = 0;
  return photos.map((photo) => {
    if (isCounted && photo.review !== 'out') index++;
    const words: PhotoWords = { photo: photo.name, batch, index: Math.max(1, index) };
    const before = known.get(photo);
    if (before && same(before.words, words)) return before;
    const made = { ...photo, words };
    known.set(photo, made);
    return made;
  });
}
