/** Tables as people have them: CSV, TSV, or pasted from a spreadsheet (RFC 4180 and what programs make of it). */
import Papa from 'papaparse';
import { cleanCell, fieldNames, MAX_CELL, MAX_FIELDS, MAX_ROWS } from './cells';

/** Most bytes of a table's file. */
export const MAX_TABLE_BYTES = 20_000_000;

/** Names of the WHATWG Encoding Standard. */
export const ENCODINGS = {
  'utf-8': 'UTF-8',
  'utf-16le': 'UTF-16',
  'utf-16be': 'UTF-16, big end first',
  'windows-1252': 'Windows, western',
  macintosh: 'Macintosh, western',
} as const;
export type Encoding = keyof typeof ENCODINGS;

export const SEPARATORS = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'upright line' } as const;
export type Separator = keyof typeof SEPARATORS;

export type Table = {
  /** Names of the columns, each once. */
  readonly columns: readonly string[];
  /** As long as there are columns, each. */
  readonly rows: readonly (readonly string[])[];
};

export type TableRead = Table & {
  readonly separator: Separator;
  /** What was not taken as it stands, in sentences. */
  readonly faults: readonly string[];
};

const startsWith = (bytes: Uint8Array, ...mark: number[]) => mark.every((byte, i) => bytes[i] === byte);

/** Bytes that are looked at for zeros. */
const PROBE = 4096;

/** Of every second byte among the first ones, the share that is zero. */
function zeros(bytes: Uint8Array, from: 0 | 1): number {
  const probe = bytes.subarray(0, PROBE).filter((_, i) => i % 2 === from);
  return probe.length === 0 ? 0 : probe.filter((byte) => byte === 0).length / probe.length;
}

const isUtf8 = (bytes: Uint8Array): boolean => {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
};

/** How the bytes were probably written: by their mark, else by what they can be. */
export function encodingOf(bytes: Uint8Array): Encoding {
  if (startsWith(bytes, 0xff, 0xfe)) return 'utf-16le';
  if (startsWith(bytes, 0xfe, 0xff)) return 'utf-16be';
  if (startsWith(bytes, 0xef, 0xbb, 0xbf)) return 'utf-8';
  // Western letters in two bytes each have a zero in every other place.
  if (zeros(bytes, 1) > 0.3) return 'utf-16le';
  if (zeros(bytes, 0) > 0.3) return 'utf-16be';
  return isUtf8(bytes) ? 'utf-8' : 'windows-1252';
}

/** What bytes 0x80 to 0x9F mean in windows-1252 (WHATWG Encoding Standard); Node's decoder leaves them as control characters. */
const WESTERN = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

/** The text without a mark of its encoding. */
export function decoded(bytes: Uint8Array, encoding: Encoding): string {
  const text = new TextDecoder(encoding).decode(bytes);
  if (encoding !== 'windows-1252') return text;
  return text.replace(/[\u0080-\u009f]/g, (letter) => WESTERN[letter.charCodeAt(0) - 0x80]!);
}

/** Cells that a spreadsheet would have taken for formulas are marked when they are written (see `tableText`). */
const unmarked = (cell: string): string => (/^'[=@+\-\t\r]/.test(cell) ? cell.slice(1) : cell);

type ReadHow = {
  /** Guessed where it is left out. */
  readonly separator?: Separator | undefined;
  /** Whether the first row holds the columns' names. */
  readonly named?: boolean;
};

/** A text as a table; rows without anything in them are left out. */
export function readTable(text: string, { separator, named = true }: ReadHow = {}): TableRead {
  const parsed = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    ...(separator && { delimiter: separator }),
    delimitersToGuess: Object.keys(SEPARATORS),
    skipEmptyLines: 'greedy',
    // One more tells that there are more.
    preview: MAX_ROWS + 2,
  });
  const faults: string[] = [];
  const open = parsed.errors.find(({ type }) => type === 'Quotes');
  if (open) faults.push(`Row ${(open.row ?? 0) + 1}: a quotation mark is never closed; what follows may be in the wrong column.`); // prettier-ignore
  const [head = [], ...body] = named ? parsed.data : [[], ...parsed.data];
  const widest = parsed.data.reduce((most, row) => Math.max(most, row.length), 0);
  if (widest > MAX_FIELDS) faults.push(`Only the first ${MAX_FIELDS} of ${widest} columns are taken.`);
  if (body.length > MAX_ROWS) faults.push(`Only the first ${MAX_ROWS.toLocaleString('en')} rows are taken.`);
  const width = Math.min(widest, MAX_FIELDS);
  const long = body.slice(0, MAX_ROWS).findIndex((row) => row.some((cell) => cell.length > MAX_CELL));
  if (long >= 0) faults.push(`Row ${long + (named ? 2 : 1)}: a text is longer than ${MAX_CELL} letters and is cut.`);
  const cells = (row: readonly string[]) => Array.from({ length: width }, (_, i) => cleanCell(unmarked(row[i] ?? '')));
  return {
    columns: fieldNames(cells(head)),
    rows: body.slice(0, MAX_ROWS).map(cells),
    separator: parsed.meta.delimiter as Separator,
    faults,
  };
}

/** A block of cells as spreadsheets copy them. */
export const readBlock = (text: string): readonly (readonly string[])[] =>
  Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' }).data.map((row) => row.map(cleanCell));
