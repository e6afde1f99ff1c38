/** Which parts of a saved template, and which single fields, may be changed in the batches that use it. */
import { LAYER_LISTS, light, recoloured, reflection } from '../layers';
import { saysTheSame } from './same';
import type { Template } from './template';

/** Parts that are opened or locked as one, as the panels show them. */
export const FIELD_GROUPS = {
  shape: { label: 'shape and slots', keys: ['shape', 'mode', 'slots', 'fill'] },
  centring: { label: 'centring', keys: ['centring'] },
  edge: { label: 'edge', keys: ['edge'] },
  colours: { label: 'colours', keys: ['filters'] },
  tints: { label: 'tints', keys: ['tints'] },
  borders: { label: 'borders', keys: ['borders', 'light'] },
  shadows: { label: 'shadows', keys: ['shadows', 'reflection'] },
  mat: { label: 'mat', keys: ['mat'] },
  before: { label: 'what lies on top', keys: ['before', 'sets'] },
  captions: { label: 'captions', keys: ['captions'] },
  backdrop: { label: 'backdrop', keys: ['backdrop', 'behind'] },
  frame: { label: 'frame', keys: ['frame'] },
  limits: { label: 'limits of checks', keys: ['limits'] },
  outputs: { label: 'outputs', keys: ['outputs', 'metadata'] },
} as const satisfies Readonly<Record<string, { readonly label: string; readonly keys: readonly (keyof Template)[] }>>;

export type FieldGroup = keyof typeof FIELD_GROUPS;

const GROUPS = Object.keys(FIELD_GROUPS) as FieldGroup[];

/** Parts whose forms come from a definition: their controls are fields that can be opened one by one. A mat's are not: outputs go by them. */
export const DEFINED = { ...LAYER_LISTS, reflection, light, filters: recoloured } as const;

/** Fields of a part that has no definition: by their key what they are called. */
const NAMED = { edge: { rounding: 'Rounding', feather: 'Feather' } } as const;

type Part = keyof typeof DEFINED | keyof typeof NAMED;

/** A single field: the part that it is of, and its key there. In a list it is that of every layer. */
export type LockableField = {
  readonly path: string;
  readonly part: Part;
  readonly key: string;
  readonly label: string;
};

/** The single fields of a group that can be opened, in the order of its forms. */
export function lockableFields(group: FieldGroup): LockableField[] {
  const of = (part: Part, labels: Readonly<Record<string, string>>) =>
    Object.entries(labels).map(([key, label]) => ({ path: `${part}.${key}`, part, key, label }));
  return FIELD_GROUPS[group].keys.flatMap((part) => {
    if (part in NAMED) return of(part as keyof typeof NAMED, NAMED[part as keyof typeof NAMED]);
    if (!(part in DEFINED)) return [];
    const controls = DEFINED[part as keyof typeof DEFINED].controls as Readonly<Record<string, { label: string }>>;
    const title = part === 'reflection' ? 'Reflection: ' : part === 'light' ? 'Light: ' : '';
    return of(part as Part, Object.fromEntries(Object.entries(controls).map(([key, { label }]) => [key, title + label]))); // prettier-ignore
  });
}

const FIELDS = new Map(GROUPS.flatMap((group) => lockableFields(group).map((field) => [field.path, { ...field, group }]))); // prettier-ignore

/** Every group, and every single field by its path: all that can be opened. */
export const OPENABLE: readonly string[] = [...GROUPS, ...FIELDS.keys()];

/** The groups and single fields that may be changed; null for all of them. */
export type OpenFields = readonly string[] | null;

/** What is opened, in words: "captions", "borders: Paint". */
export function openWords(open: NonNullable<OpenFields>): string {
  const words = open.map((one) => {
    const field = FIELDS.get(one);
    return field ? `${FIELD_GROUPS[field.group].label}: ${field.label.toLowerCase()}` : FIELD_GROUPS[one as FieldGroup].label; // prettier-ignore
  });
  return words.length === 0 ? 'nothing' : words.join(', ');
}

export const isLocked = (open: OpenFields, group: FieldGroup): boolean => open !== null && !open.includes(group);

/** The single fields that are open within locked groups. */
export const openFieldsIn = (open: OpenFields): LockableField[] =>
  (open ?? []).flatMap((one) => {
    const field = FIELDS.get(one);
    return field && isLocked(open, field.group) ? [field] : [];
  });

/** A part with one field from another; as it is where both have not the same form. */
function withField(before: unknown, after: unknown, key: string): unknown {
  if (Array.isArray(before))
    return Array.isArray(after) && after.length === before.length
      ? before.map((one, i) => withField(one, after[i], key))
      : before;
  const [own, other] = [before, after] as readonly (Readonly<Record<string, unknown>> | null | undefined)[];
  if (!own || !other || !(key in own) || !(key in other)) return before;
  return { ...own, [key]: other[key] };
}

type Whole = Readonly<Record<string, unknown>> & { readonly slots?: readonly Whole[] };

/** A template, or a slot of it, with single fields from another one; its slots', too. */
function withFields<T>(before: T, after: T, fields: readonly LockableField[]): T {
  const [own, other] = [before, after] as unknown as readonly Whole[];
  let next: Whole = own!;
  for (const { part, key } of fields)
    if (part in next) next = { ...next, [part]: withField(next[part], other![part], key) };
  const { slots } = next;
  if (slots && slots.length === other!.slots?.length)
    next = { ...next, slots: slots.map((slot, i) => withFields(slot, other!.slots![i]!, fields)) };
  return next as T;
}

/** The first locked group in which a template is other than all of some that it may be like, but for open fields; null where none is. */
export function brokenLock(open: OpenFields, next: Template, allowed: readonly Template[]): FieldGroup | null {
  const fields = openFieldsIn(open);
  const like = allowed.map((one) => withFields(one, next, fields));
  const isKept = (group: FieldGroup) =>
    FIELD_GROUPS[group].keys.every((key) => like.some((one) => saysTheSame(one[key], next[key])));
  return GROUPS.find((group) => isLocked(open, group) && !isKept(group)) ?? null;
}

/** A change without what it would do to what is locked; the very template from before where nothing else is left. */
export function withLocksKept(open: OpenFields, before: Template, after: Template): Template {
  if (open === null) return after;
  const kept = GROUPS.filter((group) => isLocked(open, group)).flatMap((group) => [...FIELD_GROUPS[group].keys]);
  const locked = { ...after, ...Object.fromEntries(kept.map((key) => [key, before[key]])) };
  const next = withFields(locked, after, openFieldsIn(open));
  const keys = Object.keys(next) as (keyof Template)[];
  return keys.every((key) => saysTheSame(next[key], before[key])) ? before : next;
}
