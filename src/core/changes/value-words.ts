/** Values of a document in a few words. */

const rounded = (v: number): string => String(Math.round(v * 1000) / 1000);

const NUMBERS = {
  length: (v: number, unit: string) => `${rounded(v)} ${unit}`,
  share: (v: number) => `${rounded(v * 100)} %`,
  angle: (v: number) => `${rounded(v)}°`,
} as const;

export type NumberKind = keyof typeof NUMBERS;

const isObject = (v: unknown): v is Readonly<Record<string, unknown>> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** Null where a value is too much for a few words. */
export function valueWords(value: unknown, as: NumberKind | undefined, unit: string): string | null {
  if (value === null || value === undefined) return 'none';
  if (typeof value === 'number') return as ? NUMBERS[as](value, unit) : rounded(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  // A hash or a path says nothing to anybody.
  if (typeof value === 'string') return value.length > 40 ? null : value === '' ? 'nothing' : value;
  if (Array.isArray(value)) return value.length <= 4 && value.every((v) => typeof v === 'number') ? value.map(rounded).join(', ') : null; // prettier-ignore
  if (isObject(value) && value.kind === 'texture' && isObject(value.of)) return `${String(value.of.kind)} texture`;
  if (isObject(value) && value.kind === 'pattern') return 'a picture as pattern';
  if (isObject(value) && typeof value.kind === 'string')
    return value.kind === 'picked'
      ? `the ${String(value.tone)} colour of the ${String(value.from)}`
      : `${value.kind} gradient`;
  return null;
}

/** "width 16 → 20 px", or only that it changed. */
export function changeWords(name: string, before: unknown, after: unknown, as: NumberKind | undefined, unit: string) {
  const [from, to] = [valueWords(before, as, unit), valueWords(after, as, unit)];
  if (from === null || to === null || from === to) return `${name} changed`;
  // The unit once: 16 → 20 px.
  const tail = /( px| mm| cm| in| pt| %|°)$/.exec(to)?.[0];
  const short = tail && from.endsWith(tail) ? from.slice(0, -tail.length) : from;
  return `${name} ${short} → ${to}`;
}
