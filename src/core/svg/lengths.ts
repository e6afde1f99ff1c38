/** Lengths of SVG attributes. */

/** Pixels a unit (CSS Values and Units 4 §6.2); `Q` is a quarter of a millimetre. */
const PIXELS: Readonly<Record<string, number>> = {
  '': 1, px: 1, mm: 96 / 25.4, cm: 96 / 2.54, in: 96, pt: 96 / 72, pc: 16, q: 96 / 101.6,
}; // prettier-ignore

/** A length in pixels; percentages are of `whole`. Null where it is none, or in a unit that depends on text. */
export function lengthOf(text: string | null, whole: number): number | null {
  const match = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*([a-z]*|%)\s*$/i.exec(text ?? '');
  if (!match) return null;
  const value = Number(match[1]);
  if (match[2] === '%') return (value / 100) * whole;
  const unit = PIXELS[match[2]!.toLowerCase()];
  return unit === undefined || !Number.isFinite(value) ? null : value * unit;
}

/** The numbers of a list such as viewBox or points. */
export const numbersOf = (text: string): number[] =>
  (text.match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi) ?? []).map(Number);
