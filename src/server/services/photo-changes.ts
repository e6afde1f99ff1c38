/** Changes of photos by hand: many of them in one statement, and none on top of what somebody else has changed meanwhile. */
import { and, eq, sql } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { adjustmentSchema, handSubjectSchema } from '../../core/placement';
import { dataChangeSchema, joinedChanges } from '../../core/table';
import { tables, type Transaction } from '../db';
import { demand, note, type Here } from '../workspace';
import { batchRow } from './batches';
import { oneOf } from './one-of';
import { isMadeOn, photoStateSchema } from './photo-state';

const { photos } = tables;

/** What can be changed by hand about a photo. */
export const photoChangeSchema = z.strictObject({
  id: z.int(),
  review: z.enum(tables.REVIEWS).optional(),
  handSubject: handSubjectSchema.nullable().optional(),
  adjustment: adjustmentSchema.nullable().optional(),
  /** Fields that change, by name. */
  data: dataChangeSchema.optional(),
  /** What of it was there when the change was made; left out where it counts whatever there is. */
  was: photoStateSchema.optional(),
});
export type PhotoChange = z.infer<typeof photoChangeSchema>;

/** Most photos changed at once: a whole batch. */
export const photoChangesSchema = z.array(photoChangeSchema).min(1).max(20_000);

/** A change's value for a column, or what the column holds where the change leaves it alone. */
const changed = (column: SQLiteColumn, key: keyof PhotoChange) =>
  sql`case when json_type(change.value, ${`$.${key}`}) is null then ${sql.identifier(column.name)} else json_extract(change.value, ${`$.${key}`}) end`; // prettier-ignore

/**
 * Each photo is found by its own number: the plus keeps SQLite from going through the whole batch for each change instead
 * (a unary plus takes a term away from its indexes: SQLite, “The SQLite Query Optimizer Overview”).
 */
export const changeRows = (batchId: number, changes: readonly PhotoChange[]) =>
  sql`update ${photos} set
      review = ${changed(photos.review, 'review')},
      hand_subject = ${changed(photos.handSubject, 'handSubject')},
      adjustment = ${changed(photos.adjustment, 'adjustment')},
      data = json_patch(${photos.data}, coalesce(json_extract(change.value, '$.data'), '{}'))
      from json_each(${JSON.stringify(changes)}) as change
      where +${photos.batchId} = ${batchId} and ${photos.id} = json_extract(change.value, '$.id')`;

/** Most fields that are kept of a photo, those that are away for a while included: twice as many as a batch may have. */
const MAX_KEPT_FIELDS = 120;

/** @throws WobrelError `too-many-fields` */
async function refuseManyFields(tx: Transaction, changes: readonly PhotoChange[]): Promise<void> {
  const ids = changes.flatMap(({ id, data }) => (data ? [id] : []));
  if (ids.length === 0) return;
  const isOver = sql`(select count(*) from json_each(${photos.data})) > ${MAX_KEPT_FIELDS}`;
  const [over] = await tx.select({ name: photos.name }).from(photos).where(and(sql`${photos.id} in ${oneOf(ids)}`, isOver)).limit(1); // prettier-ignore
  if (over) throw new WobrelError('too-many-fields', `${over.name}: a photo may have at most ${MAX_KEPT_FIELDS} fields of data.`, over.name); // prettier-ignore
}

/** What was made on something else than there is by now: somebody else has changed it meanwhile. */
async function staleIn(
  tx: Transaction,
  batchId: number,
  changes: readonly PhotoChange[],
): Promise<readonly { readonly id: number; readonly name: string }[]> {
  const made = new Map(changes.flatMap(({ id, was, ...change }) => (was ? [[id, { ...change, was }] as const] : [])));
  if (made.size === 0) return [];
  const { id, name, review, handSubject, adjustment, data } = photos;
  const rows = await tx.select({ id, name, review, handSubject, adjustment, data }).from(photos).where(and(eq(photos.batchId, batchId), sql`${photos.id} in ${oneOf([...made.keys()])}`)); // prettier-ignore
  return rows.filter((row) => !isMadeOn(row, made.get(row.id)!));
}

/**
 * Changes photos of a batch in one statement.
 *
 * @throws WobrelError `too-many-fields`; nothing is changed then
 * @returns the names of photos that are left as they are, since somebody else changed the same of them meanwhile
 */
export async function changePhotos(
  here: Here,
  batchId: number,
  changes: readonly PhotoChange[],
): Promise<{ refused: readonly string[] }> {
  demand(here, 'artist');
  const { name } = await batchRow(here, batchId);
  const joined = joinedChanges(changes);
  return here.write(async (tx) => {
    const stale = await staleIn(tx, batchId, joined);
    const refusedIds = new Set(stale.map(({ id }) => id));
    const kept = joined.filter(({ id }) => !refusedIds.has(id));
    const refused = stale.map(({ name: called }) => called);
    if (kept.length === 0) return { refused };
    await tx.run(changeRows(batchId, kept));
    await refuseManyFields(tx, kept);
    const ids = kept.map(({ id }) => id);
    await note(tx, here, {
      verb: 'changed-photos',
      kind: 'batch',
      subject: batchId,
      name,
      times: ids.length,
      photos: ids,
    });
    return { refused };
  });
}
