/** Names in the order that people expect: a number counts as one, letters alike with and without accents, in any case (common practice of file managers). */

/** Digits that a number is made to have; longer ones are compared digit by digit. */
const DIGITS = 16;

/** What a name is put in its order by: such keys are compared character by character. */
export const nameKey = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/\d+/g, (digits) => digits.replace(/^0+(?=\d)/, '').padStart(DIGITS, '0'));

/** Character by character. */
export const compareText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Names whose keys are the same (“a1”, “A01”) by themselves. */
export function inNameOrder<T>(things: readonly T[], nameOf: (thing: T) => string): T[] {
  return things
    .map((thing) => ({ thing, name: nameOf(thing), key: nameKey(nameOf(thing)) }))
    .sort((a, b) => compareText(a.key, b.key) || compareText(a.name, b.name))
    .map(({ thing }) => thing);
}
