'use client';
/** What a reload broke off of looking for subjects like others, so that the page that follows goes on with it. */
import { z } from 'zod';
import type { PhotoChange } from '@/server/services';
import { createKept } from '../shared/kept';

const changes = z.array(z.custom<PhotoChange>((one) => typeof (one as PhotoChange | null)?.id === 'number')).readonly();
/** Photos yet to be looked at, of how many, and what came of the others. */
const brokenOff = z.object({ left: z.array(z.int()).readonly(), of: z.int(), back: changes, forth: changes });
export type BrokenOff = z.infer<typeof brokenOff>;

const kept = createKept('alike', brokenOff.extend({ batch: z.int() }).nullable(), null, 'window');

export const keepRun = (batch: number, run: BrokenOff): void => kept.change(() => ({ batch, ...run }));

export const forgetRun = (): void => kept.change(() => null);

/** Once: who takes it goes on with it. */
export function takeRun(batch: number): BrokenOff | null {
  const found = kept.now();
  if (found?.batch !== batch) return null;
  forgetRun();
  return found;
}
