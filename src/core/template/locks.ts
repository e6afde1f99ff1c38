/** Which parts of a saved template may be changed in the batches that use it. */
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
  before: { label: 'what lies on top', keys: ['before'] },
  captions: { label: 'captions', keys: ['captions'] },
  backdrop: { label: 'backdrop', keys: ['backdrop', 'behind'] },
  frame: { label: 'frame', keys: ['frame'] },
  limits: { label: 'limits of checks', keys: ['limits'] },
  outputs: { label: 'outputs', keys: ['outputs', 'metadata'] },
} as const satisfies Readonly<Record<string, { readonly label: string; readonly keys: readonly (keyof Template)[] }>>;

export type FieldGroup = keyof typeof FIELD_GROUPS;

const GROUPS = Object.keys(FIELD_GROUPS) as FieldGroup[];

/** The groups that may be changed; null for all of them. */
export type OpenFields = readonly FieldGroup[] | null;

export const isLocked = (open: OpenFields, group: FieldGroup): boolean => open !== null && !open.includes(group);

/** The first locked group in which a template is other than all of some that it may be like; null where none is. */
export function brokenLock(open: OpenFields, next: Template, allowed: readonly Template[]): FieldGroup | null {
  const isKept = (group: FieldGroup) =>
    FIELD_GROUPS[group].keys.every((key) => allowed.some((one) => saysTheSame(one[key], next[key])));
  return GROUPS.find((group) => isLocked(open, group) && !isKept(group)) ?? null;
}

/** A change without what it would do to locked groups; the very template from before where nothing else is left. */
export function withLocksKept(open: OpenFields, before: Template, after: Template): Template {
  if (open === null) return after;
  const kept = GROUPS.filter((group) => isLocked(open, group)).flatMap((group) => [...FIELD_GROUPS[group].keys]);
  const next = { ...after, ...Object.fromEntries(kept.map((key) => [key, before[key]])) };
  const keys = Object.keys(next) as (keyof Template)[];
  return keys.every((key) => saysTheSame(next[key], before[key])) ? before : next;
}
