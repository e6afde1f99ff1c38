/** Photo data from a table's file. */
import { open } from 'node:fs/promises';
import { WobrelError } from '../core/errors';
import { dataIn, type PhotoData } from '../core/fields';
import { columnOfNames, decoded, encodingOf, matchRows, MAX_TABLE_BYTES, readTable, takeTable } from '../core/table';

export type TableOfPhotos = {
  /** By a photo's place. */
  readonly of: (place: number) => PhotoData;
  /** What was not as it should be, in sentences. */
  readonly faults: readonly string[];
};

/** The file's bytes, no more than a table may have: it may be a device or grow meanwhile. */
async function bytesOf(path: string): Promise<Uint8Array> {
  const refuse = (why: string) => new WobrelError('invalid', `${path}: ${why}`, path);
  const file = await open(path, 'r').catch(() => {
    throw refuse('the table can’t be read');
  });
  try {
    const found = await file.stat();
    if (!found.isFile()) throw refuse('the table is no file');
    if (found.size > MAX_TABLE_BYTES) throw refuse('the table is larger than 20 MB');
    return await file.readFile();
  } finally {
    await file.close();
  }
}

/**
 * Reads a table and finds its rows' photos.
 *
 * @throws WobrelError `invalid` where it can't be read, or names none of the photos
 */
export async function photoData(path: string, photos: readonly { readonly path: string }[]): Promise<TableOfPhotos> {
  const bytes = await bytesOf(path);
  const table = readTable(decoded(bytes, encodingOf(bytes)));
  const named = photos.map((photo) => ({ name: photo.path }));
  const column = columnOfNames(table, named);
  if (column === null) throw new WobrelError('invalid', `${path}: no column names any of the photos’ files`, path);
  const match = matchRows(table, column, named);
  const others = table.columns.map((_, c) => c).filter((c) => c !== column);
  const { fields, changes } = takeTable(table, match, others, []);
  const told = (places: readonly number[], one: string, many: string) =>
    places.length > 0 ? [`${path}: ${places.length} ${places.length === 1 ? one : many}`] : [];
  return {
    of: (place) => dataIn(fields, (changes.get(place) ?? {}) as PhotoData),
    faults: [
      ...table.faults.map((fault) => `${path}: ${fault}`),
      ...told(match.spare, 'row names no photo', 'rows name no photo'),
      ...told(match.doubled, 'row is for a photo that has one already', 'rows are for photos that have one already'),
      ...told(match.lacking, 'photo has no row', 'photos have no row'),
    ],
  };
}
