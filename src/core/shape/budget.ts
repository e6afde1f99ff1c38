/** How much work an outline may be: documents can be written that ask for more than anybody could wait for. */
import { WobrelError } from '../errors';

/** Most curve segments of a shape, copies included. */
export const MAX_SEGMENTS = 20_000;

/** Most steps of all booleans of one shape together: chords times those that a sweep over them keeps at a time. Some seconds. */
const MAX_WORK = 8e6;

/** Most places in one boolean where chords may cross. */
export const MAX_CROSSINGS = 100_000;

/** What is left of it, used up step by step. */
export type Budget = { segments: number; work: number };

export const freshBudget = (): Budget => ({ segments: MAX_SEGMENTS, work: MAX_WORK });

/**
 * Over the budget.
 *
 * @throws WobrelError `shape-intricate`; whoever knows the shape's path in its document adds it
 */
export function tooIntricate(why: string): never {
  throw new WobrelError('shape-intricate', `the shape is too intricate: ${why}`);
}

/** Takes curve segments off the budget. */
export function spendSegments(budget: Budget, count: number): void {
  budget.segments -= count;
  if (budget.segments < 0) tooIntricate(`it has more than ${MAX_SEGMENTS.toLocaleString('en')} segments`);
}

/** Takes steps of booleans off the budget. */
export function spendWork(budget: Budget, steps: number): void {
  budget.work -= steps;
  if (budget.work < 0) tooIntricate('joining its parts would take too long');
}
