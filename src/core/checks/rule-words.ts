/** What a centring rule looks for, in words. */
import type { CheckInput } from './check';

export const looks = (rule: string): boolean => rule === 'subject' || rule === 'face' || rule === 'auto';

/** What the photo was centred by, or what was looked for in vain. */
export function thing({ template: { centring }, placement }: Pick<CheckInput, 'template' | 'placement'>): string {
  if (centring.rule !== 'auto') return centring.rule === 'face' ? 'face' : 'subject';
  if (!placement.subject) return 'face or subject';
  return placement.rule === 'face' ? 'face' : 'subject';
}
