/** Lists of slots as the panel changes them. */
import { arrangedSlots, roundedLengthIn, slotOf, type Slot, type Template } from '@/core/template';

/** Most slots a template may have. */
export const MOST_SLOTS = 24;

/** A name that no other slot has. */
export function freeName(slots: readonly Slot[], wanted: string): string {
  const taken = new Set(slots.map(({ name }) => name.toLowerCase()));
  for (let n = 1; ; n++) {
    const name = n === 1 ? wanted : `${wanted} ${n}`;
    if (!taken.has(name.toLowerCase())) return name;
  }
}

/** Whether it shows its photo once more, behind or on top: with slots there is no single one to show. */
export const showsPhotoAgain = ({ behind, before }: Template): boolean =>
  [...behind, ...before].some(({ show }) => show === 'photo');

/** A gap between slots that suits a frame. */
export const gapIn = ({ width, height, unit }: Template['frame']): number =>
  roundedLengthIn(unit)(Math.min(width, height) / 27);

/** The template with so many slots like its own shape, laid out in its frame; photos lie in them, not around them. */
export function withSlots(template: Template, n: number): Template {
  const slots = Array.from({ length: n }, (_, i) => slotOf(template, `${i + 1}`));
  const gap = gapIn(template.frame);
  // The smallest frame has room without gaps.
  const laid = arrangedSlots(slots, { as: 'grid', gap }, template.frame) ?? arrangedSlots(slots, { as: 'grid', gap: 0 }, template.frame)!; // prettier-ignore
  return { ...template, mode: 'cutout', slots: laid };
}

/** The slot in hand once more, beside itself. */
export function withCopy(slots: readonly Slot[], at: number): Slot[] {
  const own = slots[at]!;
  const { box } = own.shape;
  const by = box.width / 10;
  const shape = { ...own.shape, box: { ...box, cx: box.cx + by, cy: box.cy + by } };
  const copy: Slot = { ...own, shape, name: freeName(slots, own.name), photo: null };
  return [...slots.slice(0, at + 1), copy, ...slots.slice(at + 1)];
}

/** Each slot with what the one in hand has, but for its name, its photos, its set, its shape and its place. */
export const finishedAlike = (slots: readonly Slot[], at: number): Slot[] =>
  slots.map((slot) => {
    const { name, photo, set, shape } = slot;
    return { ...slots[at]!, name, photo, set, shape };
  });

/** Two slots in each other's place of the list. */
export function swapped(slots: readonly Slot[], a: number, b: number): Slot[] {
  const next = [...slots];
  [next[a], next[b]] = [next[b]!, next[a]!];
  return next;
}
