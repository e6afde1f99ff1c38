/** How large subjects are wanted. */
import type { Template } from '../template';
import type { SuitedRule } from './subject';

type Size = Template['centring']['size'];

/** The size wanted of what a photo is centred by; null where the photo just covers the shape. */
export function wantedSize(size: Size, rule: SuitedRule): number | null {
  // What is like the batch is a number once the batch is known.
  if (size === null || size === 'batch') return null;
  return typeof size === 'number' ? size : (size[rule === 'face' ? 'face' : 'subject'] ?? null);
}
