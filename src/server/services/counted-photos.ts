/** The photos of a batch that count: all that are not left out. */
import { and, eq, inArray, ne } from 'drizzle-orm';
import type { BatchPhoto } from '../../core/checks';
import { dataIn } from '../../core/fields';
import { seated, spokenOf } from '../../core/groups';
import type { Adjustment, HandSubject } from '../../core/placement';
import { keptTemplate } from '../../core/template';
import { othersTurn, tables } from '../db';
import type { Here } from '../workspace';
import { chunked } from './chunked';
import { byName } from './photo-order';
import { seenIn } from './seen';

const { photos, sights } = tables;

/** Photos read at a time: what was seen in one is kilobytes to be taken apart. */
const AT_ONCE = 40;

export type CountedRow = { readonly photo: typeof photos.$inferSelect; readonly sight: unknown };

/** With what was seen in them, in the order of their names; those that go meanwhile are missing. */
export async function countedRows(here: Here, batchId: number): Promise<readonly CountedRow[]> {
  const counts = and(eq(photos.batchId, batchId), ne(photos.review, 'out'));
  const ids = await here.db.select({ id: photos.id }).from(photos).where(counts).orderBy(...byName); // prettier-ignore
  const rows: CountedRow[] = [];
  for (const part of chunked(ids, AT_ONCE)) {
    const these = inArray(photos.id, part.map(({ id }) => id)); // prettier-ignore
    const found = await here.db
      .select({ photo: photos, sight: sights.document })
      .from(photos)
      .leftJoin(sights, eq(sights.sha256, photos.sha256))
      .where(and(counts, these))
      .orderBy(...byName);
    rows.push(...found);
    await othersTurn();
  }
  return rows;
}

/** In their slots, as the checks see them. */
export function countedPhotos(
  rows: readonly CountedRow[],
  { name: batch, draft, fields }: Pick<typeof tables.batches.$inferSelect, 'name' | 'draft' | 'fields'>,
): readonly BatchPhoto[] {
  const all = rows.map(
    ({ photo: { name, review, width, height, hasAlpha, handSubject, adjustment, data }, sight }, i) => ({
      name,
      words: { photo: name, batch, index: i + 1, data: dataIn(fields, data) },
      review,
      width,
      height,
      hasAlpha,
      ...seenIn(sight),
      handSubject: handSubject as HandSubject | null,
      adjustment: adjustment as Adjustment | null,
    }),
  );
  return seated(keptTemplate(draft), all).map(spokenOf);
}
