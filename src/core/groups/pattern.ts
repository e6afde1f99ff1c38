/** Patterns of file names in which photos of one group differ: `{group}-front`. */

/** A pattern taken apart: `literals[0] {fields[0]} literals[1] …`, one literal more than there are fields. */
export type Pattern = { readonly literals: readonly string[]; readonly fields: readonly string[] };

/** Names are compared whatever their letters' case and however accents are written. */
export const plainName = (name: string): string => name.normalize('NFC').toLowerCase();

/** Why a pattern can't tell groups apart, in words; or the pattern. */
export function readPattern(text: string): Pattern | string {
  const parts = text.split(/\{(\w+)\}/);
  const literals = parts.filter((_, i) => i % 2 === 0);
  const fields = parts.filter((_, i) => i % 2 === 1);
  if (fields.length === 0)
    return `“${text}” needs a part in braces that those of one group have in common, like {group}`;
  if (literals.slice(1, -1).includes('')) return `in “${text}” two parts in braces touch: nothing says where one ends`;
  return { literals: literals.map(plainName), fields };
}

/**
 * What stands for each field in a name, in the name's own letters; null where the name is not like that.
 * Each field takes as little as it can, and something. Takes time in proportion to the name's length.
 */
export function valuesIn({ literals, fields }: Pattern, stem: string): string[] | null {
  const own = stem.normalize('NFC');
  const name = own.toLowerCase();
  // A letter whose small form is longer than itself would move all places after it.
  const letters = name.length === own.length ? own : name;
  const last = literals[literals.length - 1]!;
  if (!name.startsWith(literals[0]!) || !name.endsWith(last)) return null;
  const end = name.length - last.length;
  const values: string[] = [];
  let at = literals[0]!.length;
  for (let i = 1; i <= fields.length; i++) {
    const to = i === fields.length ? end : name.indexOf(literals[i]!, at + 1);
    if (to <= at || to > end) return null;
    values.push(letters.slice(at, to));
    at = to + literals[i]!.length;
  }
  return values;
}
