/** A template's slots, each seen as a template of its own. */
import type { Slot, Template } from './template';

/** What a slot has for itself; all else of a template its slots share. */
export const SLOT_FIELDS = [
  'shape',
  'edge',
  'centring',
  'filters',
  'tints',
  'borders',
  'shadows',
  'reflection',
] as const;

type SlotFields = Pick<Template, (typeof SLOT_FIELDS)[number]>;

const fieldsOf = (from: SlotFields): SlotFields =>
  Object.fromEntries(SLOT_FIELDS.map((key) => [key, from[key]])) as unknown as SlotFields;

export const hasSlots = ({ slots }: Pick<Template, 'slots'>): boolean => slots.length > 0;

const known = new WeakMap<Template, Template[]>();

/** The template as it is for one slot's photo; as it stands where there are no slots. */
export function slotTemplate(template: Template, slot: number): Template {
  const own = template.slots[slot];
  if (!own) return template;
  const all = known.get(template) ?? [];
  known.set(template, all);
  return (all[slot] ??= { ...template, ...fieldsOf(own), slots: [] });
}

/** Each slot as a template; without slots the template alone. */
export const slotTemplates = (template: Template): Template[] =>
  hasSlots(template) ? template.slots.map((_, i) => slotTemplate(template, i)) : [template];

/** The template with what a slot has for itself in its own fields: what is edited while that slot is in hand. */
export function withSlotInHand(template: Template, slot: number | null): Template {
  const own = slot === null ? undefined : template.slots[slot];
  return own ? { ...template, ...fieldsOf(own) } : template;
}

/** The other way round: what was edited goes into the slot, and the template's own fields stay as they were. */
export function withSlotPutBack(template: Template, slot: number | null, edited: Template): Template {
  const own = slot === null ? undefined : template.slots[slot];
  if (!own || edited.slots.length !== template.slots.length) return edited;
  const slots = edited.slots.map((other, i): Slot => (i === slot ? { ...other, ...fieldsOf(edited) } : other));
  return { ...edited, ...fieldsOf(template), slots };
}

/** `changed` with what became of each slot of `template`, changed as if it were a template by itself. */
export const withEachSlot = (
  changed: Template,
  template: Template,
  change: (slot: Template) => Template,
): Template => ({
  ...changed,
  slots: template.slots.map((slot, i) => ({ ...slot, ...fieldsOf(change(slotTemplate(template, i))) })),
});

/** A slot with the template's own shape and finish. */
export const slotOf = (template: Template, name: string, photo: string | null = null): Slot => ({
  name,
  photo,
  set: null,
  ...fieldsOf(template),
});
