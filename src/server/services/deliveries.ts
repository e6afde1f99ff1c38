/** Deliveries: one export of a batch, its files and its manifest. */
import { and, asc, count, desc, eq, gt, inArray, isNotNull, isNull, sql, sum } from 'drizzle-orm';
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { WobrelError } from '../../core/errors';
import { failedItem, SUMS_FILE, type Manifest, type ManifestItem } from '../../core/export';
import { ratioOf, type Template } from '../../core/template';
import { rowsInTurns, tables, type DeliveryState } from '../db';
import { askToStop, wakeRunner } from '../jobs';
import { announce, demand, note, type Here } from '../workspace';
import { batchRow } from './batches';
import { deliveryRow } from './delivery-plans';
import { isOnePhoto } from './delivery-svg';

export { deliveryChanges } from './delivery-changes';
export { exportAgain, startDelivery } from './delivery-plans';
export { removeDelivery } from './delivery-removal';

const { deliveries, deliveryFiles, deliveryPhotos } = tables;

export type DeliveryProgress = {
  id: number;
  batchId: number | null;
  batchName: string;
  templateName: string;
  /** Of its template: the name of each, height over width of its files as they are without trimming, and whether they are trimmed. */
  outputs: { name: string; ratio: number; isTrimmed: boolean }[];
  /** Whether each cutout is one photo in one shape. */
  isOnePhoto: boolean;
  /** The saved version that it began from; null where there was none. */
  templateVersion: number | null;
  /** Whether the batch had changed it. */
  templateChanged: boolean;
  state: DeliveryState;
  message: string | null;
  /** Who exported it; null where nobody signed in. */
  madeBy: string | null;
  createdAt: number;
  finishedAt: number | null;
  photoCount: number;
  fileCount: number;
  /** Photos that are over, with a file or with an error. */
  photosDone: number;
  photosFailed: number;
  filesDone: number;
  /** Of them, those larger than their output allows. */
  filesHeavy: number;
  /** Of them, those taken over from an earlier delivery. */
  filesTaken: number;
  bytes: number;
};

/** What a delivery's page knows of its outputs. */
const outputsOf = (template: Template): DeliveryProgress['outputs'] =>
  // What was kept of the first deliveries may be little.
  (template.outputs ?? []).map(({ name, trim }) => ({ name, ratio: ratioOf(template), isTrimmed: trim !== false }));

/** Counts what is done so far of some deliveries, in two queries for all. */
async function progressOf(here: Here, rows: readonly (typeof deliveries.$inferSelect)[]): Promise<DeliveryProgress[]> {
  const db = here.db;
  const ids = rows.map((row) => row.id);
  const states = await db
    .select({ id: deliveryPhotos.deliveryId, state: deliveryPhotos.state, n: count() })
    .from(deliveryPhotos)
    .where(inArray(deliveryPhotos.deliveryId, ids))
    .groupBy(deliveryPhotos.deliveryId, deliveryPhotos.state);
  const files = await db
    .select({
      id: deliveryFiles.deliveryId,
      n: count(),
      heavy: sql<number>`total(${deliveryFiles.findings} like '%"check":"heavy"%')`,
      taken: count(deliveryFiles.takenFrom),
      bytes: sum(deliveryFiles.bytes),
    })
    .from(deliveryFiles)
    .where(and(inArray(deliveryFiles.deliveryId, ids), isNotNull(deliveryFiles.sha256)))
    .groupBy(deliveryFiles.deliveryId);
  return rows.map(({ document, outline: _, ...row }) => {
    const inState = (state: string) => states.find((s) => s.id === row.id && s.state === state)?.n ?? 0;
    const written = files.find((f) => f.id === row.id);
    return {
      ...row,
      templateName: (document as Template).name,
      outputs: outputsOf(document as Template),
      isOnePhoto: isOnePhoto(document as Template),
      photosDone: inState('done') + inState('failed'),
      photosFailed: inState('failed'),
      filesDone: written?.n ?? 0,
      filesHeavy: Number(written?.heavy ?? 0),
      filesTaken: written?.taken ?? 0,
      bytes: Number(written?.bytes ?? 0),
    };
  });
}

export async function deliveryProgress(here: Here, id: number): Promise<DeliveryProgress> {
  return (await progressOf(here, [await deliveryRow(here, id)]))[0]!;
}

/** The newest deliveries, of one batch or of all. @throws WobrelError `not-found` */
export async function listDeliveries(here: Here, batchId: number | null, limit = 50): Promise<DeliveryProgress[]> {
  if (batchId !== null) await batchRow(here, batchId);
  return progressOf(
    here,
    await here.db
      .select()
      .from(deliveries)
      .where(batchId === null ? undefined : eq(deliveries.batchId, batchId))
      .orderBy(desc(deliveries.id))
      .limit(limit),
  );
}

/** Photos of a delivery that could not be made, with why. */
export async function failedPhotos(here: Here, id: number, limit = 200) {
  return here.db
    .select({ photo: deliveryPhotos.photo, error: deliveryPhotos.error })
    .from(deliveryPhotos)
    .where(and(eq(deliveryPhotos.deliveryId, id), eq(deliveryPhotos.state, 'failed')))
    .orderBy(asc(deliveryPhotos.id))
    .limit(limit);
}

/** Stops a delivery; what is finished stays, and it can be taken up again. */
export async function cancelDelivery(here: Here, id: number): Promise<void> {
  demand(here, 'artist');
  const { state, batchName: name } = await deliveryRow(here, id);
  if (state !== 'running' && state !== 'waiting') return;
  await here.write((tx) => note(tx, here, { verb: 'cancelled', kind: 'delivery', subject: id, name }));
  if (state === 'running') return askToStop(here, 'delivery', id);
  await here.write(async (tx) => {
    await tx.update(deliveries).set({ state: 'cancelled', finishedAt: Date.now() }).where(eq(deliveries.id, id));
  });
  announce(here, `delivery ${id}`);
}

/** Goes on with a cancelled or failed delivery; finished files are not made again. */
export async function resumeDelivery(here: Here, id: number): Promise<void> {
  demand(here, 'artist');
  const { state, batchName: name } = await deliveryRow(here, id);
  if (state !== 'cancelled' && state !== 'failed') return;
  await here.write(async (tx) => {
    await tx.update(deliveries).set({ state: 'waiting', message: null, finishedAt: null }).where(eq(deliveries.id, id));
    await here.queue.add('delivery', id, tx);
    await note(tx, here, { verb: 'resumed', kind: 'delivery', subject: id, name });
  });
  wakeRunner(here);
  announce(here, `delivery ${id}`);
}

/** Every file that a delivery was to have, with its photo. */
function plannedFiles(here: Here, id: number, onlyMade: boolean) {
  const { output, file, width, height, bytes, sha256, quality, findings } = deliveryFiles;
  const page = (after: number, most: number) =>
    here.db
      .select({
        id: deliveryFiles.id,
        row: { output, file, width, height, bytes, sha256, quality, findings },
        photo: deliveryPhotos.photo,
        photoId: deliveryPhotos.id,
        state: deliveryPhotos.state,
        error: deliveryPhotos.error,
        placed: deliveryPhotos.placed,
      })
      .from(deliveryFiles)
      .innerJoin(deliveryPhotos, eq(deliveryPhotos.id, deliveryFiles.deliveryPhotoId))
      .where(
        and(
          eq(deliveryFiles.deliveryId, id),
          gt(deliveryFiles.id, after),
          onlyMade ? isNull(deliveryFiles.takenFrom) : undefined,
        ),
      )
      .orderBy(asc(deliveryFiles.id))
      .limit(most);
  return rowsInTurns(page);
}

/**
 * The manifest of what is there: as it was noted when each photo was made.
 *
 * @param onlyMade true leaves out what was taken over from an earlier delivery
 */
export async function manifestOf(here: Here, id: number, onlyMade = false): Promise<Manifest> {
  const delivery = await deliveryRow(here, id);
  const failed = new Set<number>();
  const items: ManifestItem[] = [];
  for await (const { row, photo, photoId, state, error, placed } of plannedFiles(here, id, onlyMade)) {
    if (state === 'failed') {
      if (!failed.has(photoId)) items.push(failedItem(photo, error ?? 'The photo could not be made.'));
      failed.add(photoId);
      continue;
    }
    const { output, file, width, height, bytes, sha256, quality, findings } = row;
    if (sha256 === null) continue;
    const where = placed ?? { placement: null, subject: null };
    items.push({ photo, output, file, width, height, bytes, sha256, quality, ...where, findings: findings ?? [], error: null }); // prettier-ignore
  }
  const { name } = delivery.document as { name: string };
  const { templateVersion: version, templateChanged: changed } = delivery;
  return { template: name, version, changed, startedAt: new Date(delivery.createdAt).toISOString(), items };
}

export type ZipEntry = {
  readonly name: string;
  readonly size: number;
  readonly lastModified: Date;
  readonly input: () => Readable | string;
};

/** Bytes read at a time for a zip: with 64 KB a zip takes a third longer, with more hardly less (by hand). */
const ZIP_CHUNK = 512 * 1024;

/** Refuses where a file is gone or is not what was written: a zip that has begun can't be taken back. */
async function refuseMissing(folder: string, items: readonly ManifestItem[]): Promise<void> {
  for (const { file, bytes } of items) {
    if (file === null) continue;
    const size = await stat(join(folder, file)).then(
      (found) => found.size,
      () => null,
    );
    if (size !== bytes)
      throw new WobrelError('gone', `${file} is missing from the delivery’s folder; export the batch again.`, file);
  }
}

/**
 * What goes into the zip: the finished files, their checksums as `sha256sum -c` reads them, then the manifest. Files are opened one at a time, when their turn comes.
 *
 * @param onlyMade true leaves out what was taken over from an earlier delivery
 * @throws WobrelError `not-found`, `not-done`, or `gone` with the file that is missing
 */
export async function zipEntries(here: Here, id: number, onlyMade = false): Promise<ZipEntry[]> {
  const delivery = await deliveryRow(here, id);
  if (delivery.state !== 'done') throw new WobrelError('not-done', 'The delivery is not finished yet.');
  const manifest = await manifestOf(here, id, onlyMade);
  const lastModified = new Date(delivery.finishedAt ?? delivery.createdAt);
  const folder = here.files.delivery(id);
  await refuseMissing(folder, manifest.items);
  const files = manifest.items.flatMap(({ file, bytes }) =>
    file === null
      ? []
      : [
          {
            name: file,
            size: bytes!,
            lastModified,
            input: () => createReadStream(join(folder, file), { highWaterMark: ZIP_CHUNK }),
          },
        ],
  );
  const text = JSON.stringify(manifest, null, 2) + '\n';
  const sums = manifest.items.flatMap(({ file, sha256 }) => (file === null ? [] : [`${sha256}  ${file}\n`])).join('');
  const entryOf = (name: string, said: string) => ({ name, size: Buffer.byteLength(said), lastModified, input: () => said }); // prettier-ignore
  return [...files, entryOf(SUMS_FILE, sums), entryOf('manifest.json', text)];
}
