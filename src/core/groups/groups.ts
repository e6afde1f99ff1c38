/** Photos put together to groups, each of which fills the slots of one cutout. */
import { fieldKey, stemOf, type PhotoData } from '../fields';
import { plainName, readPattern, valuesIn } from './pattern';

/** What of a template it goes by. */
export type Filling = {
  readonly slots: readonly { readonly name: string; readonly photo: string | null }[];
  readonly fill: {
    readonly by: 'order' | 'name' | 'data';
    readonly missing: 'leave' | 'repeat' | 'skip';
    /** Fields of photo data: what those of one group have in common, and which slot a photo fills. */
    readonly group: string;
    readonly slot: string;
  };
};

/** A photo as it is put into a group. */
export type Grouped = { readonly name: string; readonly data?: PhotoData | undefined };

export type Group = {
  /** What its photos' names have in common, or its first photo's name without ending. */
  readonly name: string;
  /** For each slot the photo's place in the list; null where there is none, and none stands in. */
  readonly seats: readonly (number | null)[];
  /** Slots that lack a photo of their own. */
  readonly missing: readonly number[];
  /** False where it lacks photos and such groups are not made. */
  readonly isMade: boolean;
};

export type Groups = {
  readonly groups: readonly Group[];
  /** Photos that no slot takes: places in the list. */
  readonly strays: readonly number[];
};

/** The pattern of names that a slot goes by. */
export const patternOf = ({ name, photo }: Filling['slots'][number]): string => photo ?? `{group}-${name}`;

function grouped({ fill }: Filling, name: string, own: readonly (number | null)[]): Group {
  const missing = own.flatMap((seat, slot) => (seat === null ? [slot] : []));
  const first = own.find((seat) => seat !== null)!;
  const seats = fill.missing === 'repeat' ? own.map((seat) => seat ?? first) : own;
  return { name, seats, missing, isMade: fill.missing !== 'skip' || missing.length === 0 };
}

function byOrder(filling: Filling, photos: readonly Grouped[]): Groups {
  const k = filling.slots.length;
  const groups = Array.from({ length: Math.ceil(photos.length / k) }, (_, g) => {
    const own = Array.from({ length: k }, (_, slot) => (g * k + slot < photos.length ? g * k + slot : null));
    return grouped(filling, stemOf(photos[g * k]!.name), own);
  });
  return { groups, strays: [] };
}

/** A photo's group, by a key and as it is called, and its slot. */
type Claim = { readonly key: string; readonly name: string; readonly slot: number };

/** Photos that each know their group and slot; of two that want the same place the first has it. */
function byClaims(filling: Filling, claims: readonly (Claim | null)[]): Groups {
  const found = new Map<string, { readonly name: string; readonly own: (number | null)[] }>();
  const strays: number[] = [];
  claims.forEach((claim, i) => {
    if (!claim) return strays.push(i);
    const group = found.get(claim.key) ?? { name: claim.name, own: filling.slots.map(() => null) };
    found.set(claim.key, group);
    if (group.own[claim.slot] !== null) return strays.push(i);
    group.own[claim.slot] = i;
  });
  return { groups: [...found.values()].map(({ name, own }) => grouped(filling, name, own)), strays };
}

function byName(filling: Filling, photos: readonly Grouped[]): Groups {
  const patterns = filling.slots.map((slot) => readPattern(patternOf(slot)));
  const claimOf = ({ name: file }: Grouped): Claim | null => {
    const stem = stemOf(file);
    const fits = patterns.flatMap((pattern, slot) => {
      const values = typeof pattern === 'string' ? null : valuesIn(pattern, stem);
      return values ? [{ slot, values }] : [];
    });
    // “mug-back-front” is a front, not a back: the pattern that leaves least to its fields says more.
    const spare = ({ values }: (typeof fits)[number]) => values.join('').length;
    const [best] = fits.sort((a, b) => spare(a) - spare(b) || a.slot - b.slot);
    return best ? { key: best.values.map(plainName).join('\0'), name: best.values.join('-'), slot: best.slot } : null;
  };
  return byClaims(filling, photos.map(claimOf));
}

function byData(filling: Filling, photos: readonly Grouped[]): Groups {
  const { group, slot } = filling.fill;
  const slots = new Map(filling.slots.map(({ name }, i) => [fieldKey(name), i]));
  const said = ({ data = {} }: Grouped, field: string) =>
    Object.entries(data)
      .find(([name]) => fieldKey(name) === fieldKey(field))?.[1]
      .trim() ?? '';
  const claimOf = (photo: Grouped): Claim | null => {
    const [name, place] = [said(photo, group), slots.get(fieldKey(said(photo, slot)))];
    return name === '' || place === undefined ? null : { key: fieldKey(name), name, slot: place };
  };
  return byClaims(filling, photos.map(claimOf));
}

const WAYS = { order: byOrder, name: byName, data: byData } as const;

/**
 * @param photos in the batch's order
 */
export function groupsOf(filling: Filling, photos: readonly Grouped[]): Groups {
  if (filling.slots.length === 0 || photos.length === 0) return { groups: [], strays: [] };
  return WAYS[filling.fill.by](filling, photos);
}
