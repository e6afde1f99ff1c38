/** What a stand-in does wrong, on request. */
import { z } from 'zod';

export const faultSchema = z.strictObject({
  /**
   * `slow` takes a file piece by piece with pauses; `error` answers 500; `busy` 503 with a wait; `cut` breaks the line
   * in the middle of a file; `full` has no room; `mute` takes a file whole and breaks the line before it answers.
   */
  kind: z.enum(['none', 'slow', 'error', 'busy', 'cut', 'full', 'mute']),
  /** For so many files; left out: until it is told otherwise. */
  count: z.int().min(1).optional(),
  /** Of the pauses of `slow`, for each 64 KB or part of it. */
  pauseMs: z.int().min(0).max(60_000).default(200),
});
export type Fault = z.infer<typeof faultSchema>;

/** Gives each file its fault, and counts. */
export function faults() {
  let now: Fault = { kind: 'none', pauseMs: 0 };
  return {
    set: (fault: Fault) => {
      now = fault;
    },
    next: (): Fault => {
      const fault = now;
      if (fault.count === undefined) return fault;
      now = fault.count > 1 ? { ...fault, count: fault.count - 1 } : { kind: 'none', pauseMs: 0 };
      return fault;
    },
  };
}
