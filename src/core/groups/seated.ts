/** Photos that know the slot they lie in and, one of each group, all that lies in its cutout. */
import type { PhotoData } from '../fields';
import { groupsOf, type Filling, type Grouped } from './groups';

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
  /** Its place among the groups, from 1. */
  readonly index: number;
  readonly seats: readonly (InSlot<P> | null)[];
  /** Names of slots that lack a photo. */
  readonly missing: readonly string[];
  readonly isMade: boolean;
};

export type Seated<P> = P & Seat & { readonly group?: Leading<P> };

/** What was made of a photo before, so that what is as it was stays the same object. */
type Known = { readonly inSlots: Map<string, unknown>; seated: Seated<unknown> | null };
const known = new WeakMap<object, Known>();

function knownOf(photo: object): Known {
  const one = known.get(photo) ?? { inSlots: new Map<string, unknown>(), seated: null };
  known.set(photo, one);
  return one;
}

function inSlot<P extends object>(photo: P, slot: number, standsIn: boolean): InSlot<P> {
  const { inSlots } = knownOf(photo);
  const key = `${slot} ${standsIn}`;
  const made = (inSlots.get(key) as InSlot<P> | undefined) ?? { ...photo, slot, standsIn };
  inSlots.set(key, made);
  return made;
}

const sameList = <T>(a: readonly T[], b: readonly T[]) => a.length === b.length && a.every((v, i) => v === b[i]);

function sameGroup<P>(a: Leading<P> | undefined, b: Leading<P> | undefined): boolean {
  if (!a || !b) return a === b;
  return a.name === b.name && a.index === b.index && a.isMade === b.isMade && sameList(a.seats, b.seats) && sameList(a.missing, b.missing); // prettier-ignore
}

function seatedAs<P extends object>(photo: P, slot: number | null, group: Leading<P> | undefined): Seated<P> {
  const own = knownOf(photo);
  const before = own.seated as Seated<P> | null;
  if (before && before.slot === slot && sameGroup(before.group, group)) return before;
  const made: Seated<P> = group ? { ...photo, slot, group } : { ...photo, slot };
  own.seated = made;
  return made;
}

/**
 * The photos with their slots, in their order; a photo without a group of its own is in another's.
 * Those that do not count have no group. Without slots all stay the same objects; with slots those
 * that are as they were the last time do.
 */
export function seated<P extends Grouped & { readonly words?: { readonly data?: PhotoData | undefined } | undefined }>(
  filling: Filling,
  photos: readonly P[],
  counts: (photo: P) => boolean = () => true,
): readonly Seated<P>[] {
  if (filling.slots.length === 0) return photos;
  const counted = photos.filter(counts);
  // Texts know the fields that there are; what else is kept of a photo does not count.
  const { groups } = groupsOf(filling, counted.map(({ name, data, words }) => ({ name, data: words?.data ?? data }))); // prettier-ignore
  const slotOf = new Map<P, number>();
  const leads = new Map<P, Leading<P>>();
  groups.forEach(({ name, seats, missing, isMade }, i) => {
    const inSlots = seats.map((place, slot) =>
      place === null ? null : inSlot(counted[place]!, slot, missing.includes(slot)),
    );
    const own = seats.flatMap((place, slot) => (place === null || missing.includes(slot) ? [] : [{ place, slot }]));
    for (const { place, slot } of own) slotOf.set(counted[place]!, slot);
    const words = missing.map((slot) => filling.slots[slot]!.name);
    leads.set(counted[own[0]!.place]!, { name, index: i + 1, seats: inSlots, missing: words, isMade });
  });
  return photos.map((photo) => seatedAs(photo, counts(photo) ? (slotOf.get(photo) ?? null) : 0, leads.get(photo)));
}
