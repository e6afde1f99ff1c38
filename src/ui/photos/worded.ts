/** Photos with what captions say of them. */
import { dataIn, type PhotoWords } from '@/core/fields';
import type { Template } from '@/core/template';
import type { PhotoRow } from '@/server/services';

export type WordedPhoto = PhotoRow & { readonly words: PhotoWords };

/** What was made of a photo, and for which fields. */
type Made = { readonly fields: readonly string[]; readonly photo: WordedPhoto };
const known = new WeakMap<PhotoRow, Made>();

/** Whether any caption counts photos: only then does one that is left out change what is written on others. */
export const counts = ({ captions }: Template): boolean => captions.some(({ text }) => /\{\s*index\b/i.test(text));

/** The photos in their order, those left out not counted; one that is as it was stays the same object. */
export function worded(
  photos: readonly PhotoRow[],
  { name: batch, fields }: { readonly name: string; readonly fields: readonly string[] },
  isCounted: boolean,
): WordedPhoto[] {
  let counted = 0;
  return photos.map((photo) => {
    if (isCounted && photo.review !== 'out') counted++;
    const index = Math.max(1, counted);
    const before = known.get(photo);
    const was = before?.photo.words;
    if (before?.fields === fields && was?.batch === batch && was.index === index) return before.photo;
    const made = { ...photo, words: { photo: photo.name, batch, index, data: dataIn(fields, photo.data) } };
    known.set(photo, { fields, photo: made });
    return made;
  });
}
