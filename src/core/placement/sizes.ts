/** Sizes of subjects that are like those of their batch. */
import type { Template } from '../template';
import { placer, type PhotoToPlace } from './place';

const medianOf = (values: readonly number[]): number | null =>
  values.length === 0 ? null : [...values].sort((a, b) => a - b)[values.length >> 1]!;

/**
 * A template whose size is like the batch with the batch's sizes: of faces and of subjects the
 * median that they have where each photo just covers the shape. Any other template as it is.
 *
 * @param photos those that count: without the ones left out
 */
export function withSizes(template: Template, photos: readonly PhotoToPlace[]): Template {
  const { centring } = template;
  if (centring.size !== 'batch') return template;
  const place = placer({ ...template, centring: { ...centring, size: null } });
  const sizes: Record<'face' | 'subject', number[]> = { face: [], subject: [] };
  for (const photo of photos) {
    // What was changed by hand says nothing of the others.
    const { rule, subject } = place(photo.adjustment ? { ...photo, adjustment: null } : photo);
    if (subject && rule !== 'middle') sizes[rule === 'face' ? 'face' : 'subject'].push(subject.size);
  }
  const size = { face: medianOf(sizes.face), subject: medianOf(sizes.subject) };
  return { ...template, centring: { ...centring, size } };
}
