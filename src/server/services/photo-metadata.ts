/** What a batch's photos say of themselves, as a table that can be brought in like any other. */
import { eq } from 'drizzle-orm';
import { OWN_FIELDS } from '../../core/metadata';
import { tableText } from '../../core/table';
import { tables } from '../db';
import { renderPool } from '../jobs';
import type { Here } from '../workspace';
import { batchRow } from './batches';
import { chunked } from './chunked';
import { byName } from './photo-order';

const { photos } = tables;

/** Files read by one thread in one go. */
const AT_ONCE = 40;

/**
 * A table with a row a photo, and those of the fields that any of them says something of. Nothing of it is kept or
 * written anywhere: that is for whoever brings it in.
 *
 * @returns CSV; empty where no photo says anything
 * @throws WobrelError `not-found`
 */
export async function photoMetadata(here: Here, batchId: number): Promise<string> {
  await batchRow(here, batchId);
  const rows = await here.db
    .select({ name: photos.name, sha256: photos.sha256 })
    .from(photos)
    .where(eq(photos.batchId, batchId))
    .orderBy(...byName);
  const read = await Promise.all(
    chunked(rows, AT_ONCE).map((part) =>
      renderPool()
        .own({ paths: part.map(({ sha256 }) => here.files.original(sha256)) })
        // One that took too long says nothing, and so do those that were read with it.
        .catch(() => part.map((): Readonly<Record<string, string>> => ({}))),
    ),
  );
  const own = read.flat();
  const fields = OWN_FIELDS.filter((field) => own.some((one) => one[field] !== undefined));
  if (fields.length === 0) return '';
  return tableText({ columns: ['photo', ...fields], rows: rows.map(({ name }, i) => [name, ...fields.map((field) => own[i]![field] ?? '')]) }); // prettier-ignore
}
