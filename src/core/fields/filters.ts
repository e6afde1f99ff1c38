/** What can be done with a field on its way into a text: `{photo|slug}`, `{index|000}`. */
import slugify from '@sindresorhus/slugify';

/** Letters of the web alone, words parted by hyphens; of scripts that have no such letters their own. */
function slug(text: string): string {
  const plain = slugify(text, { decamelize: false });
  return plain === '' ? slugify(text, { decamelize: false, transliterate: false }) : plain;
}

const BY_NAME: Readonly<Record<string, (text: string) => string>> = {
  slug,
  upper: (text) => text.toUpperCase(),
  lower: (text) => text.toLowerCase(),
};

/** Filters and what they make, in words. */
export const FILTERS: Readonly<Record<string, string>> = {
  slug: 'small letters, digits and hyphens alone',
  upper: 'capitals',
  lower: 'small letters',
  '000': 'a number with so many digits',
};

/** A whole number with at least as many digits as there are zeros; other texts as they are. */
const padded = (zeros: number) => (text: string) =>
  /^\d{1,15}$/.test(text.trim()) ? String(Number(text)).padStart(zeros, '0') : text;

/** What a filter does; null where there is none of that name. */
export function filterOf(name: string): ((text: string) => string) | null {
  if (/^0{1,12}$/.test(name)) return padded(name.length);
  return Object.hasOwn(BY_NAME, name) ? BY_NAME[name]! : null;
}
