/** Rows of a table that belong to photos, found by the names of their files. */
import { fieldKey } from '../fields';
import type { DataChange } from './cells';
import type { Table } from './read';

/** Endings that names of photos may have or lack. */
const ENDING = /\.(?:jpe?g|jfif|png|webp|avif|tiff?|gif|heic|heif|bmp|psd|raw|dng)$/;

/** A name without folders, accents and the difference of capitals. */
const plain = (name: string): string => name.split(/[/\\]/).pop()!.normalize('NFD').replace(/\p{M}/gu, '').normalize('NFC').trim().toLowerCase(); // prettier-ignore

const bare = (name: string): string => name.replace(ENDING, '');

type Named = { readonly name: string };

/** Places of photos by their whole names and by their names without ending. */
function placesOf(photos: readonly Named[]) {
  const [whole, short] = [new Map<string, number[]>(), new Map<string, number[]>()];
  const note = (map: Map<string, number[]>, key: string, i: number) => {
    const known = map.get(key);
    if (known) known.push(i);
    else map.set(key, [i]);
  };
  photos.forEach(({ name }, i) => {
    const key = plain(name);
    note(whole, key, i);
    note(short, bare(key), i);
  });
  return (name: string): readonly number[] => {
    const key = plain(name);
    if (key === '') return [];
    return whole.get(key) ?? short.get(key) ?? (ENDING.test(key) ? (short.get(bare(key)) ?? []) : []);
  };
}

export type Match = {
  /** Each photo's row; of several rows for one photo the first. */
  readonly rowOf: ReadonlyMap<number, number>;
  /** Rows that name no photo. */
  readonly spare: readonly number[];
  /** Rows that name only photos that have a row already. */
  readonly doubled: readonly number[];
  /** Photos without a row. */
  readonly lacking: readonly number[];
};

/** @param column of the names of files */
export function matchRows({ rows }: Table, column: number, photos: readonly Named[]): Match {
  const placesFor = placesOf(photos);
  const rowOf = new Map<number, number>();
  const spare: number[] = [];
  const doubled: number[] = [];
  rows.forEach((row, r) => {
    const places = placesFor(row[column] ?? '');
    if (places.length === 0) return spare.push(r);
    const free = places.filter((i) => !rowOf.has(i));
    if (free.length === 0) doubled.push(r);
    for (const i of free) rowOf.set(i, r);
  });
  return { rowOf, spare, doubled, lacking: photos.flatMap((_, i) => (rowOf.has(i) ? [] : [i])) };
}

/** Rows that are tried to find the column of names. */
const TRIED = 2000;

/** The column that names most photos; null where none names any. */
export function columnOfNames({ columns, rows }: Table, photos: readonly Named[]): number | null {
  const placesFor = placesOf(photos);
  const hits = columns.map((_, c) => rows.slice(0, TRIED).filter((row) => placesFor(row[c]!).length > 0).length);
  const most = Math.max(0, ...hits);
  return most === 0 ? null : hits.indexOf(most);
}

export type Taking = {
  /** The batch's fields afterwards. */
  readonly fields: readonly string[];
  /** What changes of each photo, by its place. Empty cells change nothing. */
  readonly changes: ReadonlyMap<number, DataChange>;
};

/**
 * What taking some columns into a batch comes to. A column that is called like a field goes into that.
 *
 * @param taken places of columns
 */
export function takeTable(
  { columns, rows }: Table,
  { rowOf }: Match,
  taken: readonly number[],
  fields: readonly string[],
): Taking {
  const known = new Map(fields.map((name) => [fieldKey(name), name]));
  const names = taken.map((c) => ({ c, name: known.get(fieldKey(columns[c]!)) ?? columns[c]! }));
  const changes = new Map<number, DataChange>();
  for (const [photo, row] of rowOf) {
    const said = names.flatMap(({ c, name }) => (rows[row]![c] === '' ? [] : [[name, rows[row]![c]!] as const]));
    if (said.length > 0) changes.set(photo, Object.fromEntries(said));
  }
  return { fields: [...new Set([...fields, ...names.map(({ name }) => name)])], changes };
}
