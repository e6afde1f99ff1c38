/** A batch's photos in the slots of its template, and the cutouts that they make. */
import { seated, spokenOf, type Seated } from '@/core/groups';
import { hasSlots, type Template } from '@/core/template';
import type { WordedPhoto } from './worded';

/** A photo that may know its slot and, one of each group, all of its cutout. */
export type BenchPhoto = Seated<WordedPhoto>;

/** The photos in their order; those that are as they were stay the same objects. */
export const inSlots = (
  template: Pick<Template, 'slots' | 'fill'>,
  photos: readonly WordedPhoto[],
): readonly BenchPhoto[] =>
  hasSlots(template) ? seated(template, photos, ({ review }) => review !== 'out').map(spokenOf) : photos;

/** Whether a photo has a place on the wall: all but those that lie in the cutout of another. */
const isTile = ({ slot, group, review }: BenchPhoto) =>
  group !== undefined || slot === null || slot === undefined || review === 'out';

/** What the wall shows of some photos: each photo's cutout once, in the order of the first of its photos. */
export function tilesOf(all: readonly BenchPhoto[], some: readonly BenchPhoto[]): readonly BenchPhoto[] {
  const groups = all.filter(({ group }) => group);
  if (groups.length === 0) return some;
  const leads = new Map(groups.flatMap((photo) => membersOf(photo).map((id) => [id, photo] as const)));
  return [...new Set(some.flatMap((photo) => (isTile(photo) ? photo : (leads.get(photo.id) ?? []))))];
}

/** The photos of a tile's cutout: those of its group, or itself. */
export const membersOf = ({ id, group }: BenchPhoto): readonly number[] =>
  group ? group.seats.flatMap((seat) => (seat && !seat.standsIn ? [seat.id] : [])) : [id];

/** The same of several tiles. */
export const allMembers = (tiles: readonly BenchPhoto[]): readonly number[] => tiles.flatMap(membersOf);

/** A photo as its whole cutout is drawn while it is in the hand: in its group, with what is in the hand in its place. */
export function inItsGroup(shown: BenchPhoto, all: readonly BenchPhoto[]): BenchPhoto {
  const lead = all.find(({ group }) => group?.seats.some((seat) => seat?.id === shown.id));
  if (!lead?.group) return shown;
  const seats = lead.group.seats.map((seat) => (seat?.id === shown.id ? { ...seat, ...shown, slot: seat.slot } : seat));
  return { ...shown, words: lead.words, group: { ...lead.group, seats } };
}

/** What a tile is called by. */
export const tileName = ({ name, group }: BenchPhoto): string => group?.name ?? name;

/** Photos that give a file: of a group one, and none where it is not made. */
export const countedTiles = (photos: readonly BenchPhoto[]): readonly BenchPhoto[] =>
  photos.some(({ slot }) => slot !== undefined)
    ? photos.filter(({ group, review }) => (group ? group.isMade : review === 'out'))
    : photos;
