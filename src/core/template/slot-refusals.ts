/** What the schema alone can't say about slots. */
import { patternOf, readPattern } from '../groups';
import { refuse } from './refuse';
import type { TemplateDocument } from './schema';

type Slotted = Pick<TemplateDocument, 'fill' | 'mode' | 'behind' | 'before'> & {
  readonly slots: readonly { readonly name: string; readonly photo: string | null }[];
};

/**
 * Refuses slots that can't be told apart, and what needs one photo where there are several.
 *
 * @throws WobrelError `template-invalid` with the path of the field at fault
 */
export function refuseSlots({ slots, fill, mode, behind, before }: Slotted): void {
  if (slots.length === 0) return;
  if (mode === 'window') refuse('mode', 'photos in slots lie in their shapes, not around them');
  const names = new Map<string, number>();
  slots.forEach((slot, i) => {
    const key = slot.name.toLowerCase();
    const other = names.get(key);
    if (other !== undefined) refuse(`slots[${i}].name`, `slots[${other}] is called ${slot.name}, too`);
    names.set(key, i);
    const pattern = readPattern(patternOf(slot));
    if (fill.by === 'name' && typeof pattern === 'string') refuse(`slots[${i}].photo`, pattern);
  });
  behind.forEach(({ show }, i) => {
    if (show === 'photo') refuse(`behind[${i}].show`, 'with slots there is no single photo to show behind');
  });
  before.forEach(({ show }, i) => {
    if (show === 'photo') refuse(`before[${i}].show`, 'with slots there is no single photo to show on top');
  });
}
