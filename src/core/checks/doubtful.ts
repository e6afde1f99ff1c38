import type { HandSubject, Placed } from '../placement';
import type { Finding } from './check';

/** Checks that say that a photo may be of something else than what was found. */
const DOUBTS: readonly string[] = ['unsure', 'apart', 'missing'];

/** True where somebody pointed at the subject along its outline: others can be found that are like it. */
export const isExample = (subject: HandSubject | null): boolean =>
  subject !== null && 'box' in subject && subject.mask !== undefined && subject.alike === undefined;

/** Whether a photo's subject is in doubt, and nobody has pointed at it. */
export function isDoubtful(
  subject: HandSubject | null,
  { rule, subject: placed }: Pick<Placed, 'rule' | 'subject'>,
  findings: readonly Finding[],
): boolean {
  const isByHand = subject !== null && !('box' in subject && subject.alike !== undefined);
  // By faces or by a point nothing else is looked for; the middle goes for a subject where none was found.
  const isLookedFor = rule === 'subject' || (rule === 'middle' && placed === null);
  return !isByHand && isLookedFor && (placed === null || findings.some(({ check }) => DOUBTS.includes(check)));
}
