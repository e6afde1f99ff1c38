/** Photos that know the slot they lie in and, one of each group, all that lies in its cutout. */
import { groupsOf, type Filling } from './groups';

export type Seat = {
  /** Null where no slot takes it; left out where the template has none. */
  readonly slot?: number | null;
};

/** A photo in one of a group's slots. */
export type InSlot<P> = P & {
  readonly slot: number;
  /** True where it is not the slot's own, but stands in for one that is missing. */
  readonly standsIn: boolean;
};

/** What one photo of each group knows of it. */
export type Leading<P> = {
  readonly name: string;
  readonly seats: readonly (InSlot<P> | null)[];
  /** Names of slots that lack a photo. */
  readonly missing: readonly string[];
  readonly isMade: boolean;
};

export type Seated<P> = P & Seat & { readonly group?: Leading<P> };

/**
 * The photos with their slots, in their order; a photo without a group of its own is in another's.
 * Those that do not count have no slot and no group. Without slots all stay the same objects.
 */
export function seated<P extends { readonly name: string }>(
  filling: Filling,
  photos: readonly P[],
  counts: (photo: P) => boolean = () => true,
): readonly Seated<P>[] {
  if (filling.slots.length === 0) return photos;
  const counted = photos.filter(counts);
  const { groups } = groupsOf(filling, counted.map(({ name }) => name)); // prettier-ignore
  const slotOf = new Map<P, number>();
  const leads = new Map<P, Leading<P>>();
  for (const { name, seats, missing, isMade } of groups) {
    const inSlots = seats.map((place, slot): InSlot<P> | null =>
      place === null ? null : { ...counted[place]!, slot, standsIn: missing.includes(slot) },
    );
    const own = seats.flatMap((place, slot) => (place === null || missing.includes(slot) ? [] : [{ place, slot }]));
    for (const { place, slot } of own) slotOf.set(counted[place]!, slot);
    const words = missing.map((slot) => filling.slots[slot]!.name);
    leads.set(counted[own[0]!.place]!, { name, seats: inSlots, missing: words, isMade });
  }
  return photos.map((photo) => {
    const group = leads.get(photo);
    const seat = { ...photo, slot: counts(photo) ? (slotOf.get(photo) ?? null) : 0 };
    return group ? { ...seat, group } : seat;
  });
}
