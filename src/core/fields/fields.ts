/** What stands in `{…}` in names of files, in captions and in metadata. */
import { filterOf } from './filters';

/** Fields of a photo from a table: what each is called, and what it says. */
export type PhotoData = Readonly<Record<string, string>>;

/** A photo as texts speak of it. */
export type PhotoWords = {
  /** Its file's name, with or without folders. */
  readonly photo: string;
  /** What stands for the file's name without its ending, where it is not that: the name of a group. */
  readonly stem?: string;
  /** The batch's name; empty on the command line. */
  readonly batch: string;
  /** Place in the batch, from 1. */
  readonly index: number;
  /** Its photo data: every field of the batch's table, empty where the photo has none. */
  readonly data?: PhotoData | undefined;
};

export type FieldParts = PhotoWords & {
  readonly template: string;
  readonly output: string;
  /** Pixels of the output. */
  readonly width: number;
  readonly height: number;
};

/** By their keys; a map: names such as toString are no fields. */
export type Fields = ReadonlyMap<string, string>;

/** A photo's name without folder and extension. */
export function stemOf(fileName: string): string {
  const name = fileName.split(/[/\\]/).pop()!;
  const dot = name.lastIndexOf('.');
  return dot > 0 ? name.slice(0, dot) : name;
}

/** Fields are told apart whatever their letters' case, and however accents and gaps are written. */
export const fieldKey = (name: string): string => name.normalize('NFC').trim().replace(/\s+/g, ' ').toLowerCase();

/** What a photo's data says in each of a batch's fields: nothing where it says nothing. */
export const dataIn = (fields: readonly string[], data: PhotoData): PhotoData => Object.fromEntries(fields.map((name) => [name, data[name] ?? ''])); // prettier-ignore

/** The data of several photos as one: of each field what the first says that says anything. */
export function joinedData(all: readonly PhotoData[]): PhotoData {
  const joined = new Map<string, string>();
  for (const data of all)
    for (const [name, value] of Object.entries(data)) if (!joined.get(name)) joined.set(name, value);
  return Object.fromEntries(joined);
}

/** Fields that every photo has; a table's fields of the same names do not count. */
export const OWN_FIELDS = ['photo', 'output', 'batch', 'template', 'index', 'width', 'height'] as const;

export const isOwnField = (name: string): boolean => (OWN_FIELDS as readonly string[]).includes(fieldKey(name));

export const fieldsOf = ({
  photo,
  stem = stemOf(photo),
  batch,
  index,
  data = {},
  template,
  output,
  width,
  height,
}: FieldParts): Fields =>
  new Map([
    ...Object.entries(data).map(([name, value]) => [fieldKey(name), value] as const),
    ['photo', stem],
    ['output', output],
    ['batch', batch],
    ['template', template],
    ['index', String(index).padStart(4, '0')],
    ['width', String(width)],
    ['height', String(height)],
  ]);

/** A field in a text: its name, and what is done with it. */
const PLACEHOLDER = /\{([^{}|]{1,100})((?:\|[^{}|]{0,40}){0,4})\}/g;

const filtersIn = (text: string): string[] => text.split('|').slice(1).map((name) => name.trim()); // prettier-ignore

/** The fields that a text asks for, by their names as written, each once. */
export const fieldsIn = (text: string): readonly string[] => [...new Set([...text.matchAll(PLACEHOLDER)].map(([, name]) => name!.trim()))]; // prettier-ignore

/**
 * The text with every field that is known.
 *
 * @param missing what stands for one that is not, or asks for an unknown filter: what was written, where it is left out
 */
export const filled = (
  text: string,
  fields: Fields,
  missing: (written: string) => string = (written) => written,
): string =>
  text.replace(PLACEHOLDER, (whole, name: string, filters: string) => {
    const value = fields.get(fieldKey(name));
    const steps = filtersIn(filters).map(filterOf);
    if (value === undefined || steps.includes(null)) return missing(whole);
    return steps.reduce((said, step) => step!(said), value);
  });
