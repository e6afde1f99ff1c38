'use client';
/** What a reload broke off of looking for subjects like others, so that the page that follows goes on with it. */
import { z } from 'zod';
import type { PhotoChange } from '@/server/services';
import { createKept } from '../shared/kept';

/** Photos yet to be looked at, of how many, and what came of the others. */
export type BrokenOff = {
  readonly left: readonly number[];
  readonly of: number;
  readonly back: readonly PhotoChange[];
  readonly forth: readonly PhotoChange[];
};

const changes = z.array(z.custom<PhotoChange>((one) => typeof (one as PhotoChange | null)?.id === 'number'));
const schema = z
  .object({ batch: z.int(), left: z.array(z.int()), of: z.int(), back: changes, forth: changes })
  .nullable();
const kept = createKept('alike', schema, null, 'window');

export const keepRun = (batch: number, run: BrokenOff): void => kept.change(() => ({ batch, ...run, left: [...run.left], back: [...run.back], forth: [...run.forth] })); // prettier-ignore

export const forgetRun = (): void => kept.change(() => null);

/** Once: who takes it goes on with it. */
export function takeRun(batch: number): BrokenOff | null {
  const found = kept.now();
  if (found?.batch !== batch) return null;
  forgetRun();
  return found;
}
