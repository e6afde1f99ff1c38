/** Length units of the frame. */
import { z } from 'zod';

export const unitSchema = z.enum(['px', 'mm', 'cm', 'in', 'pt']);
export type Unit = z.infer<typeof unitSchema>;

/** How many of each unit make one inch (CSS Values and Units 4 §6.2: 1in = 2.54cm = 25.4mm = 72pt = 96px). */
export const PER_INCH: Readonly<Record<Unit, number>> = { px: 96, mm: 25.4, cm: 2.54, in: 1, pt: 72 };

/**
 * Pixels per one unit at `ppi` pixels per inch. `px` are pixels of the picture itself, whatever the ppi.
 */
export function pixelsPerUnit(unit: Unit, ppi: number): number {
  return unit === 'px' ? 1 : ppi / PER_INCH[unit];
}

/** Decimals that lengths are kept to: readable, and fine enough that pixels come back from any unit as they were. */
const DECIMALS: Readonly<Record<Unit, number>> = { px: 3, mm: 5, cm: 6, in: 6, pt: 5 };

/** Rounds a length so. */
export function tidyIn(unit: Unit) {
  const k = 10 ** DECIMALS[unit];
  return (v: number) => Math.round(v * k) / k;
}
