/** Deliveries: one export of a batch, its files and its manifest. */
import { and, asc, count, desc, eq, inArray, isNotNull, ne, sql, sum } from 'drizzle-orm';
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { WobrelError } from '../../core/errors';
import { failedItem, namer, type Manifest, type ManifestItem } from '../../core/export';
import {
  hasSlots,
  outputHeight,
  keptTemplate,
  pictureOf,
  saysTheSame,
  slotTemplates,
  type Template,
} from '../../core/template';
import { database, tables, write, type DeliveryState } from '../db';
import { outlinesOf } from '../geometry';
import { announce, askToStop, embeddedQueue, wakeRunner, type SeenThen } from '../jobs';
import { deliveryFolder } from '../store';
import { batchRow } from './batches';
import { cutoutsOf } from './cutouts';
import { countedPhotos } from './findings';
import { notFound } from './refusals';
import { seenIn } from './seen';

const { deliveries, deliveryFiles, deliveryPhotos, photos, sights, templateVersions } = tables;

export type DeliveryProgress = {
  id: number;
  batchId: number | null;
  batchName: string;
  templateName: string;
  /** The saved version that it began from; null where there was none. */
  templateVersion: number | null;
  /** Whether the batch had changed it. */
  templateChanged: boolean;
  state: DeliveryState;
  message: string | null;
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
  bytes: number;
};

/** Rows inserted in one statement: SQLite takes at most 32,766 values. */
const CHUNK = 500;

function chunked<T>(list: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(list.length / CHUNK) }, (_, i) => list.slice(i * CHUNK, (i + 1) * CHUNK));
}

/** A photo as it is now, to be delivered as it was then. */
const then = ({ photo: { name, sha256, width, height, hasAlpha, handSubject, adjustment }, sight }: { photo: typeof photos.$inferSelect; sight: unknown }) => ({
  photo: name,
  sha256,
  width,
  height,
  hasAlpha,
  seen: { ...seenIn(sight), handSubject, adjustment } as SeenThen,
}); // prettier-ignore

/**
 * Plans a delivery: every file and its name is decided here, so that a run that is broken
 * off can go on where it stopped.
 *
 * @param only ids of the photos to export; null all that are not left out
 */
export async function startDelivery(batchId: number, only: readonly number[] | null = null): Promise<number> {
  const batch = await batchRow(batchId);
  const template = await sizedTemplate(batch);
  const all = await database()
    .select({ name: photos.name, photo: photos, sight: sights.document })
    .from(photos)
    .leftJoin(sights, eq(sights.sha256, photos.sha256))
    .where(and(eq(photos.batchId, batchId), ne(photos.review, 'out')))
    .orderBy(asc(photos.name), asc(photos.id));
  const wanted = only && new Set(only);
  const isWanted = (row: { readonly photo: typeof photos.$inferSelect } | null) => row !== null && wanted!.has(row.photo.id); // prettier-ignore
  const cutouts = cutoutsOf(template, all).filter(({ lead, slots }) => !wanted || (slots ?? [lead]).some(isWanted));
  if (cutouts.length === 0)
    throw new WobrelError(
      'nothing-to-export',
      all.length > 0 && hasSlots(template)
        ? 'No group of photos is whole enough to be exported: see Slots for what stands in.'
        : 'The batch has no photos to export, or all are left out.',
    );
  const began = await versionOf(batch);
  const nameFile = namer();
  const id = await write(async (tx) => {
    const [delivery] = await tx
      .insert(deliveries)
      .values({
        batchId,
        batchName: batch.name,
        document: template,
        outline: batch.outline,
        ...began,
        photoCount: cutouts.length,
        fileCount: cutouts.length * template.outputs.length,
      })
      .returning({ id: deliveries.id });
    const deliveryId = delivery!.id;
    let index = 0;
    for (const chunk of chunked(cutouts)) {
      const inserted = await tx
        .insert(deliveryPhotos)
        .values(
          chunk.map(({ name, lead, slots }) => ({
            deliveryId,
            ...then(lead),
            photo: name,
            slots: slots && slots.map((row) => row && { ...then(row), standsIn: row.standsIn }),
          })),
        )
        .returning({ id: deliveryPhotos.id });
      const files = chunk.flatMap(({ name, slots }, i) => {
        index++;
        return template.outputs.map((output, outputIndex) => ({
          deliveryId,
          deliveryPhotoId: inserted[i]!.id,
          output: output.name,
          outputIndex,
          file: nameFile(output, {
            photo: name,
            ...(slots && { stem: name }),
            batch: batch.name,
            template: template.name,
            index,
            height: outputHeight(pictureOf(template), output.width),
          }),
        }));
      });
      for (const part of chunked(files)) await tx.insert(deliveryFiles).values(part);
    }
    // In the same transaction: a delivery without its job would wait for ever.
    await embeddedQueue.add('delivery', deliveryId, tx);
    return deliveryId;
  });
  wakeRunner();
  return id;
}

/** The saved version that a batch began from, and whether it has changed it since. */
async function versionOf({ templateVersionId, draft }: Awaited<ReturnType<typeof batchRow>>) {
  const [saved] = templateVersionId
    ? await database().select().from(templateVersions).where(eq(templateVersions.id, templateVersionId))
    : [];
  if (!saved) return { templateVersion: null, templateChanged: false };
  // Whatever it is called.
  const unnamed = (document: unknown) => ({ ...keptTemplate(document), name: '' });
  return { templateVersion: saved.version, templateChanged: !saysTheSame(unnamed(saved.document), unnamed(draft)) };
}

/**
 * The same delivery once more: its template and its photos as they were then, whatever became of its batch.
 *
 * @throws WobrelError `not-found`
 */
export async function exportAgain(id: number): Promise<number> {
  const {
    id: _,
    state: _state,
    message: _message,
    createdAt: _created,
    finishedAt: _finished,
    ...old
  } = await deliveryRow(id);
  const rows = await database().select().from(deliveryPhotos).where(eq(deliveryPhotos.deliveryId, id)).orderBy(asc(deliveryPhotos.id)); // prettier-ignore
  const made = await write(async (tx) => {
    const [delivery] = await tx.insert(deliveries).values(old).returning({ id: deliveries.id });
    const deliveryId = delivery!.id;
    for (const chunk of chunked(rows)) {
      const fresh = chunk.map(({ id: _id, state: _done, error: _error, placed: _placed, ...row }) => ({
        ...row,
        deliveryId,
      }));
      const inserted = await tx.insert(deliveryPhotos).values(fresh).returning({ id: deliveryPhotos.id });
      const newId = new Map(chunk.map((row, i) => [row.id, inserted[i]!.id]));
      const files = await tx
        .select()
        .from(deliveryFiles)
        .where(inArray(deliveryFiles.deliveryPhotoId, [...newId.keys()]))
        .orderBy(asc(deliveryFiles.id));
      const again = files.map(({ deliveryPhotoId, output, outputIndex, file }) => ({
        deliveryId,
        deliveryPhotoId: newId.get(deliveryPhotoId)!,
        output,
        outputIndex,
        file,
      }));
      for (const part of chunked(again)) await tx.insert(deliveryFiles).values(part);
    }
    await embeddedQueue.add('delivery', deliveryId, tx);
    return deliveryId;
  });
  wakeRunner();
  return made;
}

/** The batch's template as it is delivered: sizes like the batch are those of the whole batch, as on the wall. */
async function sizedTemplate(batch: Awaited<ReturnType<typeof batchRow>>): Promise<Template> {
  const template = keptTemplate(batch.draft);
  if (!slotTemplates(template).some(({ centring }) => centring.size === 'batch')) return template;
  return outlinesOf().sized({ template, outline: batch.outline }, await countedPhotos(batch));
}

async function deliveryRow(id: number) {
  const [row] = await database().select().from(deliveries).where(eq(deliveries.id, id));
  if (!row) throw notFound('delivery');
  return row;
}

/** Counts what is done so far of some deliveries, in two queries for all. */
async function progressOf(rows: readonly (typeof deliveries.$inferSelect)[]): Promise<DeliveryProgress[]> {
  const db = database();
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
      templateName: (document as { name: string }).name,
      photosDone: inState('done') + inState('failed'),
      photosFailed: inState('failed'),
      filesDone: written?.n ?? 0,
      filesHeavy: Number(written?.heavy ?? 0),
      bytes: Number(written?.bytes ?? 0),
    };
  });
}

export async function deliveryProgress(id: number): Promise<DeliveryProgress> {
  return (await progressOf([await deliveryRow(id)]))[0]!;
}

/** The newest deliveries, of one batch or of all. */
export async function listDeliveries(batchId: number | null, limit = 50): Promise<DeliveryProgress[]> {
  return progressOf(
    await database()
      .select()
      .from(deliveries)
      .where(batchId === null ? undefined : eq(deliveries.batchId, batchId))
      .orderBy(desc(deliveries.id))
      .limit(limit),
  );
}

/** Photos of a delivery that could not be made, with why. */
export async function failedPhotos(id: number, limit = 200) {
  return database()
    .select({ photo: deliveryPhotos.photo, error: deliveryPhotos.error })
    .from(deliveryPhotos)
    .where(and(eq(deliveryPhotos.deliveryId, id), eq(deliveryPhotos.state, 'failed')))
    .orderBy(asc(deliveryPhotos.id))
    .limit(limit);
}

/** Stops a delivery; what is finished stays, and it can be taken up again. */
export async function cancelDelivery(id: number): Promise<void> {
  const { state } = await deliveryRow(id);
  if (state === 'running') return askToStop(id);
  if (state !== 'waiting') return;
  await write(async (tx) => {
    await tx.update(deliveries).set({ state: 'cancelled', finishedAt: Date.now() }).where(eq(deliveries.id, id));
  });
  announce(id);
}

/** Goes on with a cancelled or failed delivery; finished files are not made again. */
export async function resumeDelivery(id: number): Promise<void> {
  const { state } = await deliveryRow(id);
  if (state !== 'cancelled' && state !== 'failed') return;
  await write(async (tx) => {
    await tx.update(deliveries).set({ state: 'waiting', message: null, finishedAt: null }).where(eq(deliveries.id, id));
    await embeddedQueue.add('delivery', id, tx);
  });
  wakeRunner();
  announce(id);
}

/** The manifest of what is there: as it was noted when each photo was made. */
export async function manifestOf(id: number): Promise<Manifest> {
  const delivery = await deliveryRow(id);
  const rows = await database()
    .select({
      file: deliveryFiles,
      photo: deliveryPhotos.photo,
      photoId: deliveryPhotos.id,
      state: deliveryPhotos.state,
      error: deliveryPhotos.error,
      placed: deliveryPhotos.placed,
    }) // prettier-ignore
    .from(deliveryFiles)
    .innerJoin(deliveryPhotos, eq(deliveryPhotos.id, deliveryFiles.deliveryPhotoId))
    .where(eq(deliveryFiles.deliveryId, id))
    .orderBy(asc(deliveryFiles.id));
  const failed = new Set<number>();
  const items = rows.flatMap(({ file: row, photo, photoId, state, error, placed }): ManifestItem[] => {
    if (state === 'failed') {
      if (failed.has(photoId)) return [];
      failed.add(photoId);
      return [failedItem(photo, error ?? 'The photo could not be made.')];
    }
    if (row.sha256 === null) return [];
    const { output, file, width, height, bytes, sha256, quality, findings } = row;
    const where = placed ?? { placement: null, subject: null };
    return [
      { photo, output, file, width, height, bytes, sha256, quality, ...where, findings: findings ?? [], error: null },
    ];
  });
  const { name } = delivery.document as { name: string };
  const { templateVersion: version, templateChanged: changed } = delivery;
  return { template: name, version, changed, startedAt: new Date(delivery.createdAt).toISOString(), items };
}

export type ZipEntry = {
  readonly name: string;
  readonly size: number;
  readonly lastModified: Date;
  readonly input: () => ReadableStream | string;
};

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
 * What goes into the zip: the finished files, then the manifest. Files are opened one at a time, when their turn comes.
 *
 * @throws WobrelError `not-found`, `not-done`, or `gone` with the file that is missing
 */
export async function zipEntries(id: number): Promise<ZipEntry[]> {
  const delivery = await deliveryRow(id);
  if (delivery.state !== 'done') throw new WobrelError('not-done', 'The delivery is not finished yet.');
  const manifest = await manifestOf(id);
  const lastModified = new Date(delivery.finishedAt ?? delivery.createdAt);
  const folder = deliveryFolder(id);
  await refuseMissing(folder, manifest.items);
  const files = manifest.items.flatMap(({ file, bytes }) =>
    file === null
      ? []
      : [
          {
            name: file,
            size: bytes!,
            lastModified,
            input: () => Readable.toWeb(createReadStream(join(folder, file))) as ReadableStream,
          },
        ],
  );
  const text = JSON.stringify(manifest, null, 2) + '\n';
  return [...files, { name: 'manifest.json', size: Buffer.byteLength(text), lastModified, input: () => text }];
}
