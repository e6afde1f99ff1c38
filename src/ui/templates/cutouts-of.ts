/** Photos as the cutouts that a template makes of them, for pictures of the template. */
import { hasSlots, type Template } from '@/core/template';
import type { PreviewPhoto } from '@/preview';
import type { StripPhoto } from '@/server/services';

/** Pictures on a card. */
const SHOWN = 4;

/** The photos as they come; where the template has slots that their batch had not, one after the other. */
export function cutoutsOf(template: Template, photos: readonly StripPhoto[], batch: string): readonly PreviewPhoto[] {
  const worded = photos.map((photo, i) => ({ ...photo, words: { photo: photo.name, batch, index: i + 1 } }));
  if (!hasSlots(template) || worded.some(({ group }) => group)) return worded.slice(0, SHOWN);
  const [first] = worded;
  if (!first) return [];
  return [
    { ...first, group: { seats: template.slots.map((_, slot) => ({ ...worded[slot % worded.length]!, slot })) } },
  ];
}
