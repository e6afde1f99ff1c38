/** Photos put together to groups, each of which fills the slots of one cutout. */
import { stemOf } from '../fields';
import { plainName, readPattern, valuesIn, type Pattern } from './pattern';

/** What of a template it goes by. */
export type Filling = {
  readonly slots: readonly { readonly name: string; readonly photo: string | null }[];
  readonly fill: { readonly by: 'order' | 'name'; readonly missing: 'leave' | 'repeat' | 'skip' };
};

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

function byOrder(filling: Filling, names: readonly string[]): Groups {
  const k = filling.slots.length;
  const groups = Array.from({ length: Math.ceil(names.length / k) }, (_, g) => {
    const own = Array.from({ length: k }, (_, slot) => (g * k + slot < names.length ? g * k + slot : null));
    return grouped(filling, stemOf(names[g * k]!), own);
  });
  return { groups, strays: [] };
}

function byName(filling: Filling, names: readonly string[]): Groups {
  const patterns = filling.slots.map((slot) => readPattern(patternOf(slot)));
  const found = new Map<string, { readonly name: string; readonly own: (number | null)[] }>();
  const strays: number[] = [];
  names.forEach((file, i) => {
    const stem = stemOf(file);
    const fits = patterns.flatMap((pattern, slot) => {
      const values = typeof pattern === 'string' ? null : valuesIn(pattern as Pattern, stem);
      return values ? [{ slot, values }] : [];
    });
    // “mug-back-front” is a front, not a back: the pattern that leaves least to its fields says more.
    const spare = ({ values }: (typeof fits)[number]) => values.join('').length;
    const [best] = fits.sort((a, b) => spare(a) - spare(b) || a.slot - b.slot);
    if (!best) return strays.push(i);
    const key = best.values.map(plainName).join('\0');
    const group = found.get(key) ?? { name: best.values.join('-'), own: filling.slots.map(() => null) };
    found.set(key, group);
    // Of two that want the same place the first has it.
    if (group.own[best.slot] !== null) return strays.push(i);
    group.own[best.slot] = i;
  });
  return { groups: [...found.values()].map(({ name, own }) => grouped(filling, name, own)), strays };
}

/**
 * @param names of the photos' files, in the batch's order
 */
export function groupsOf(filling: Filling, names: readonly string[]): Groups {
  if (filling.slots.length === 0 || names.length === 0) return { groups: [], strays: [] };
  return filling.fill.by === 'order' ? byOrder(filling, names) : byName(filling, names);
}
