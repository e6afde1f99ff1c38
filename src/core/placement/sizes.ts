/** Sizes of subjects that are like those of their batch. */
import { hasSlots, slotTemplate, type Template } from '../template';
import { sizer, type PhotoToPlace } from './place';

/** What of a template where its photos lie goes by. */
const MATTER = ['frame', 'shape', 'mode', 'edge', 'centring'] as const;
type Settled = { readonly from: Template; readonly centring: Template['centring'] };
/** By the photos: a border in another colour asks for none of them again. */
const settled = new WeakMap<readonly PhotoToPlace[], Settled>();

const medianOf = (values: readonly number[]): number | null =>
  values.length === 0 ? null : [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** What came of a template last: whoever asks twice has the same one. */
const answers = new WeakMap<Template, { readonly photos: readonly PhotoToPlace[]; readonly sized: Template }>();

/**
 * A template whose size is like the batch with the batch's sizes: of faces and of subjects the
 * median that they have where each photo just covers the shape. Any other template as it is.
 *
 * @param photos those that count: without the ones left out
 */
export function withSizes(template: Template, photos: readonly PhotoToPlace[]): Template {
  const last = answers.get(template);
  if (last?.photos === photos) return last.sized;
  const sized = sizedFor(template, photos);
  answers.set(template, { photos, sized });
  return sized;
}

function sizedFor(template: Template, photos: readonly PhotoToPlace[]): Template {
  if (!hasSlots(template)) return sizedAlone(template, photos);
  const slots = template.slots.map((slot, i) => {
    const own = slotTemplate(template, i);
    return slot.centring.size === 'batch' ? { ...slot, centring: sizedAlone(own, inSlot(photos, i)).centring } : slot;
  });
  return slots.every((slot, i) => slot === template.slots[i]) ? template : { ...template, slots };
}

/** Of the photos those of each slot: the same lists for the same photos. */
const slotted = new WeakMap<readonly PhotoToPlace[], PhotoToPlace[][]>();

function inSlot(photos: readonly PhotoToPlace[], slot: number): PhotoToPlace[] {
  const lists = slotted.get(photos) ?? [];
  slotted.set(photos, lists);
  return (lists[slot] ??= photos.filter((photo) => photo.slot === slot));
}

function sizedAlone(template: Template, photos: readonly PhotoToPlace[]): Template {
  const { centring } = template;
  if (centring.size !== 'batch') return template;
  const known = settled.get(photos);
  if (known && MATTER.every((key) => known.from[key] === template[key]))
    return { ...template, centring: known.centring };
  const sizeOf = sizer({ ...template, centring: { ...centring, size: null } });
  const sizes: Record<'face' | 'subject', number[]> = { face: [], subject: [] };
  for (const photo of photos) {
    // What was changed by hand says nothing of the others.
    const found = sizeOf(photo);
    if (found && found.rule !== 'middle') sizes[found.rule === 'face' ? 'face' : 'subject'].push(found.size);
  }
  const size = { face: medianOf(sizes.face), subject: medianOf(sizes.subject) };
  const sized: Settled = { from: template, centring: { ...centring, size } };
  settled.set(photos, sized);
  return { ...template, centring: sized.centring };
}
