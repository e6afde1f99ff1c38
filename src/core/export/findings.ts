/** What there is to say of one file. */
import type { CheckedPhoto, Checker } from '../checks';
import { hasSlots, type Template } from '../template';
import { heavyFinding } from './heavy';
import { findingItem, type ManifestItem } from './manifest';

/**
 * Of the file of one output: what its photos' checks say, each sentence once, and whether it is too heavy.
 *
 * @param photos one, or one a slot; null where a slot has none
 * @param output its place in the template
 */
export function fileFindings(
  template: Template,
  { check }: Checker,
  photos: readonly (CheckedPhoto | null)[],
  output: number,
  bytes: number,
): ManifestItem['findings'] {
  const all = photos.flatMap((photo, i) => {
    const found = photo ? check(photo, template.outputs[output]) : [];
    const name = hasSlots(template) && template.slots[i]?.name;
    // What is about the whole group names its slots itself.
    return found.map((one) => findingItem(name && one.check !== 'unfilled' ? { ...one, message: `${name}: ${one.message}` } : one)); // prettier-ignore
  });
  const each = all.filter(({ message }, i) => all.findIndex((other) => other.message === message) === i);
  const heavy = heavyFinding(template.outputs[output]!, bytes);
  return heavy ? [...each, heavy] : each;
}
