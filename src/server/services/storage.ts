/** What lies on the disk, by batch. */
import { and, asc, count, desc, eq, isNotNull, isNull, lt, notExists, or, sql, sum } from 'drizzle-orm';
import { alias } from 'drizzle-orm/sqlite-core';
import { stat, statfs } from 'node:fs/promises';
import { z } from 'zod';
import { tables } from '../db';
import { demand, oncePerWorkspace, type Here } from '../workspace';
import { batchRow, deleteBatch } from './batches';
import { refuseUnderWay, removeDelivery } from './delivery-removal';
import { collectUnneeded, folderUsage, keptUsage, NONE, plus, type Usage } from './unneeded';

export { collectUnneeded };

const { batches, deliveries, deliveryFiles, photos } = tables;
const others = alias(deliveryFiles, 'others');

/** What a batch has on the disk. */
export type BatchUsage = {
  readonly id: number;
  readonly name: string;
  /** Its photos' files; what several batches hold counts in each. */
  readonly photos: Usage;
  readonly deliveries: number;
  /** Files of its deliveries; what one has taken over from another counts once. */
  readonly delivered: Usage;
};

export type Storage = {
  readonly originals: Usage;
  readonly proxies: Usage;
  readonly pictures: Usage;
  readonly delivered: Usage;
  readonly database: number;
  /** Originals and proxies that nothing needs any more. */
  readonly unneeded: Usage;
  /** Of the disk that all this lies on, bytes. */
  readonly free: number;
  readonly batches: readonly BatchUsage[];
  /** Deliveries whose batch is not there any more. */
  readonly orphans: { readonly deliveries: number; readonly delivered: Usage };
};

export const removalQuery = z.strictObject({ deliveries: z.enum(['true', 'false']).default('false') });

/** Most batches that are listed: those with the most on the disk. */
const MOST = 500;

async function usageByBatch(here: Here) {
  const db = here.db;
  // What it was taken from, or, where that is gone, an earlier one that was taken from the same.
  const sameFile = db
    .select({ one: sql`1` })
    .from(others)
    .where(
      and(
        isNotNull(others.sha256),
        or(
          eq(others.id, deliveryFiles.takenFrom),
          and(eq(others.takenFrom, deliveryFiles.takenFrom), lt(others.id, deliveryFiles.id)),
        ),
      ),
    );
  const photoRows = await db.select({ batch: photos.batchId, files: count(), bytes: sum(photos.bytes) }).from(photos).groupBy(photos.batchId); // prettier-ignore
  const deliveryRows = await db
    .select({
      batch: deliveries.batchId,
      deliveries: sql<number>`count(distinct ${deliveries.id})`,
      files: count(deliveryFiles.id),
      bytes: sum(deliveryFiles.bytes),
    })
    .from(deliveries)
    // One that was taken over is another's file by a second name.
    .leftJoin(
      deliveryFiles,
      and(
        eq(deliveryFiles.deliveryId, deliveries.id),
        isNotNull(deliveryFiles.sha256),
        or(isNull(deliveryFiles.takenFrom), notExists(sameFile)),
      ),
    ) // prettier-ignore
    .groupBy(deliveries.batchId);
  return { photoRows, deliveryRows };
}

type Counted = { readonly files: number; readonly bytes: string | null };
const usageIn = (row: Counted | undefined): Usage => ({ files: row?.files ?? 0, bytes: Number(row?.bytes ?? 0) });

/** What lies on the disk: every file is looked at, little at a time. */
export async function storage(here: Here): Promise<Storage> {
  const names = await here.db.select({ id: batches.id, name: batches.name }).from(batches).orderBy(desc(batches.id));
  const { photoRows, deliveryRows } = await usageByBatch(here);
  const [originals, proxies] = [await keptUsage(here, 'photos'), await keptUsage(here, 'proxies')];
  const { bsize, bavail } = await statfs(here.files.folder);
  const ofBatch = (id: number | null) => deliveryRows.find(({ batch }) => batch === id);
  const all = names.map(({ id, name }): BatchUsage => {
    const made = ofBatch(id);
    return { id, name, photos: usageIn(photoRows.find(({ batch }) => batch === id)), deliveries: made?.deliveries ?? 0, delivered: usageIn(made) }; // prettier-ignore
  });
  const orphan = ofBatch(null);
  return {
    originals: originals.all,
    proxies: proxies.all,
    pictures: await folderUsage(here.files.kept('pictures')),
    delivered: deliveryRows.map(usageIn).reduce(plus, NONE),
    database: (await stat(here.files.database())).size,
    unneeded: plus(originals.unneeded, proxies.unneeded),
    free: bsize * bavail,
    batches: all.sort((a, b) => b.photos.bytes + b.delivered.bytes - a.photos.bytes - a.delivered.bytes).slice(0, MOST),
    orphans: { deliveries: orphan?.deliveries ?? 0, delivered: usageIn(orphan) },
  };
}

/** Collects what nothing needs any more in the background; whoever asks meanwhile has it done once more. */
export function collectSoon(here: Here): void {
  const collecting = oncePerWorkspace(here, 'collecting', () => ({ is: false, isAskedAgain: false }));
  collecting.isAskedAgain = collecting.is;
  if (collecting.is) return;
  collecting.is = true;
  void collectUnneeded(here)
    .catch((error: unknown) => console.error('Unneeded files could not be collected:', error))
    .finally(() => {
      collecting.is = false;
      if (collecting.isAskedAgain) collectSoon(here);
    });
}

/**
 * Deletes a batch, and its deliveries where that is wanted: else they stay, with the photos that they are made again from.
 *
 * @throws WobrelError `not-found`, or `conflict` while one of those deliveries is being made or sent
 */
export async function removeBatch(here: Here, id: number, withDeliveries: boolean): Promise<void> {
  demand(here, 'artist');
  await batchRow(here, id);
  if (withDeliveries) {
    const rows = await here.db.select({ id: deliveries.id }).from(deliveries).where(eq(deliveries.batchId, id)).orderBy(asc(deliveries.id)); // prettier-ignore
    // All are asked first: either all go or none does.
    for (const delivery of rows) await refuseUnderWay(here, delivery.id);
    for (const delivery of rows) await removeDelivery(here, delivery.id);
  }
  await deleteBatch(here, id);
  collectSoon(here);
}
