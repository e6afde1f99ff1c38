/** Removing a delivery, with its files. */
import { and, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/sqlite-core';
import { rm } from 'node:fs/promises';
import { WobrelError } from '../../core/errors';
import { othersTurn, tables, type Transaction } from '../db';
import { demand, note, type Here } from '../workspace';
import { deliveryRow } from './delivery-plans';

const { deliveries, deliveryFiles, deliveryPhotos, uploads } = tables;
const between = alias(deliveryFiles, 'between');

const UNDER_WAY = ['waiting', 'running'] as const;

/** Rows removed in one transaction: others have their turn between. */
const CHUNK = 500;

/** Removes all rows of a delivery from a table, chunk by chunk. */
async function removeRows(
  here: Here,
  table: typeof deliveryFiles | typeof deliveryPhotos,
  deliveryId: number,
): Promise<void> {
  for (;;) {
    const some = sql`(select id from ${table} where delivery_id = ${deliveryId} limit ${CHUNK})`;
    const { rowsAffected } = await here.write((tx) => tx.delete(table).where(sql`${table.id} in ${some}`));
    if (rowsAffected < CHUNK) return;
    await othersTurn();
  }
}

/** What later deliveries took over from one, which took it over itself, is from then on taken from where that took it. */
async function passOn(tx: Transaction, deliveryId: number): Promise<void> {
  const taken = tx
    .select({ id: between.id })
    .from(between)
    .where(and(eq(between.deliveryId, deliveryId), isNotNull(between.takenFrom)));
  const origin = sql`(select taken_from from ${deliveryFiles} as its where its.id = ${deliveryFiles.takenFrom})`;
  await tx.update(deliveryFiles).set({ takenFrom: origin }).where(inArray(deliveryFiles.takenFrom, taken));
}

/** @throws WobrelError `not-found`, or `conflict` while it is being made or sent */
export async function refuseUnderWay(here: Here, id: number): Promise<void> {
  const { state } = await deliveryRow(here, id);
  const [sending] = await here.db.select({ id: uploads.id }).from(uploads).where(and(eq(uploads.deliveryId, id), inArray(uploads.state, UNDER_WAY))); // prettier-ignore
  if (sending) throw new WobrelError('conflict', 'The delivery is being sent: cancel that first.');
  if (state === 'waiting' || state === 'running')
    throw new WobrelError('conflict', 'The delivery is being made: cancel it first.');
}

/**
 * Removes a delivery and its files; what later ones have taken over from it stays with them.
 *
 * @throws WobrelError `not-found`, or `conflict` while it is being made or sent
 */
export async function removeDelivery(here: Here, id: number): Promise<void> {
  demand(here, 'artist');
  await refuseUnderWay(here, id);
  // Whatever breaks this off, it is not offered as whole any more.
  const message = 'This delivery was being removed: remove it again.';
  await here.write(async (tx) => {
    await tx.update(deliveries).set({ state: 'failed', message }).where(eq(deliveries.id, id));
    await passOn(tx, id);
  });
  await removeRows(here, deliveryFiles, id);
  await removeRows(here, deliveryPhotos, id);
  await here.write(async (tx) => {
    const [row] = await tx.delete(deliveries).where(eq(deliveries.id, id)).returning({ name: deliveries.batchName });
    if (row) await note(tx, here, { verb: 'deleted', kind: 'delivery', subject: id, name: row.name });
  });
  await rm(here.files.delivery(id), { recursive: true, force: true });
}
