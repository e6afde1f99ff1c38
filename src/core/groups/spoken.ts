/** What captions and names say of a group. */
import { joinedData, type PhotoWords } from '../fields';
import type { Seated } from './seated';

type Worded = { readonly words: PhotoWords };

const spoken = new WeakMap<object, object>();

/** A group's first photo spoken of as the group; others, and those without one, are as they are. The same object for the same photo. */
export function spokenOf<P extends Worded>(photo: Seated<P>): Seated<P> {
  const { group, words } = photo;
  if (!group) return photo;
  const known = spoken.get(photo) as Seated<P> | undefined;
  if (known) return known;
  const data = joinedData(group.seats.flatMap((seat) => (seat ? [seat.words.data ?? {}] : [])));
  const own: PhotoWords = { ...words, photo: group.name, stem: group.name, index: group.index, data };
  const made = { ...photo, words: own };
  spoken.set(photo, made);
  return made;
}
