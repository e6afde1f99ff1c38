/** Planning deliveries: every file and its name, before anything is made. */
import { and, asc, eq, inArray, ne } from 'drizzle-orm';
import { WobrelError } from '../../core/errors';
import { dataIn, joinedData } from '../../core/fields';
import { namer } from '../../core/export';
import {
  hasSlots,
  keptTemplate,
  outputHeight,
  pictureOf,
  saysTheSame,
  slotTemplates,
  type Template,
} from '../../core/template';
import { database, tables, write } from '../db';
import { outlinesOf } from '../geometry';
import { embeddedQueue, wakeRunner, type SeenThen } from '../jobs';
import { batchRow } from './batches';
import { cutoutsOf } from './cutouts';
import { countedPhotos } from './findings';
import { notFound } from './refusals';
import { seenIn } from './seen';

const { deliveries, deliveryFiles, deliveryPhotos, photos, sights, templateVersions } = tables;

/** @throws WobrelError `not-found` */
export async function deliveryRow(id: number) {
  const [row] = await database().select().from(deliveries).where(eq(deliveries.id, id));
  if (!row) throw notFound('delivery');
  return row;
}

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

type Row = { readonly photo: typeof photos.$inferSelect };

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
  const isWanted = (row: Row | null) => row !== null && wanted!.has(row.photo.id); // prettier-ignore
  const cutouts = cutoutsOf(template, all).filter(({ lead, slots }) => !wanted || (slots ?? [lead]).some(isWanted));
  if (cutouts.length === 0)
    throw new WobrelError(
      'nothing-to-export',
      all.length > 0 && hasSlots(template)
        ? 'No group of photos is whole enough to be exported: see Slots for what stands in.'
        : 'The batch has no photos to export, or all are left out.',
    );
  const dataOf = (lead: Row, slots: readonly (Row | null)[] | null) =>
    joinedData((slots ?? [lead]).flatMap((row) => (row ? [dataIn(batch.fields, row.photo.data)] : [])));
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
            data: dataOf(lead, slots),
            slots: slots && slots.map((row) => row && { ...then(row), standsIn: row.standsIn }),
          })),
        )
        .returning({ id: deliveryPhotos.id });
      const files = chunk.flatMap(({ name, lead, slots }, i) => {
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
            data: dataOf(lead, slots),
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
