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

const roundedTo = (decimals: number) => {
  const k = 10 ** decimals;
  return (v: number) => Math.round(v * k) / k;
};

/** The same for lengths alone: one that was something stays something, be it the least. */
function lengthTo(decimals: number) {
  const [rounded, least] = [roundedTo(decimals), 10 ** -decimals];
  return (v: number) => rounded(v) || Math.sign(v) * least;
}

/** Rounds a place or a length so. */
export const tidyIn = (unit: Unit) => roundedTo(DECIMALS[unit]);

/** Rounds a length so: one that was something stays something. */
export const tidyLengthIn = (unit: Unit) => lengthTo(DECIMALS[unit]);

/** Decimals that new lengths begin with: about a hundredth of a millimetre. */
const NEW: Readonly<Record<Unit, number>> = { px: 2, mm: 2, cm: 3, in: 3, pt: 2 };

/** Rounds a place that nobody has written yet. */
export const roundedIn = (unit: Unit) => roundedTo(NEW[unit]);

/** Rounds a length that nobody has written yet: one that was something stays something. */
export const roundedLengthIn = (unit: Unit) => lengthTo(NEW[unit]);

const STEPS: Readonly<Record<string, number>> = { px: 1, mm: 0.1, cm: 0.01, in: 0.01, pt: 0.5 } satisfies Record<Unit, number>; // prettier-ignore

/** What one press of a key goes by, in that unit; 1 of whatever is no length. */
export const stepIn = (unit: string): number => STEPS[unit] ?? 1;

/** How finely a hand sets lengths of a frame, and the least that it makes: a pixel. */
export const graspIn = ({ unit, ppi }: { readonly unit: Unit; readonly ppi: number }) => ({
  rounded: roundedIn(unit),
  least: 1 / pixelsPerUnit(unit, ppi),
});
