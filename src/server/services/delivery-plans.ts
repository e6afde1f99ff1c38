/** Starting deliveries: what is planned is noted, and a job is left for it. */
import { filesFor } from '../../core/checks';
import { asc, eq, inArray } from 'drizzle-orm';
import { keptTemplate, saysTheSame } from '../../core/template';
import { othersTurn, tables } from '../db';
import { wakeRunner } from '../jobs';
import { demand, nameOf, note, type Here } from '../workspace';
import { batchRow } from './batches';
import { chunked } from './chunked';
import { deliveryFilesOf } from './delivery-files';
import { notFound } from './refusals';

const { deliveries, deliveryFiles, deliveryPhotos, templateVersions } = tables;

/** @throws WobrelError `not-found` */
export async function deliveryRow(here: Here, id: number) {
  const [row] = await here.db.select().from(deliveries).where(eq(deliveries.id, id));
  if (!row) throw notFound('delivery');
  return row;
}

/** Photos noted before others have their turn: each has kilobytes of what was seen in it. */
const PHOTOS = 25;

/**
 * Plans a delivery: every file and its name is decided here, so that a run that is broken
 * off can go on where it stopped. What is in the batch's last delivery just so is taken over from there.
 *
 * @param only ids of the photos to export; null all that are not left out
 */
export const startDelivery = (here: Here, batchId: number, only: readonly number[] | null = null): Promise<number> =>
  here.keeping.whileKept(() => planDelivery(here, batchId, only));

async function planDelivery(here: Here, batchId: number, only: readonly number[] | null): Promise<number> {
  demand(here, 'artist');
  const batch = await batchRow(here, batchId);
  const { template, cutouts } = await deliveryFilesOf(here, batch, only);
  const began = await versionOf(here, batch);
  const id = await here.write(async (tx) => {
    const [delivery] = await tx
      .insert(deliveries)
      .values({
        batchId,
        batchName: batch.name,
        document: template,
        outline: batch.outline,
        ...began,
        photoCount: cutouts.length,
        fileCount: filesFor(template.outputs, cutouts.length),
        madeBy: nameOf(here),
      })
      .returning({ id: deliveries.id });
    const deliveryId = delivery!.id;
    for (const chunk of chunked(cutouts, PHOTOS)) {
      const inserted = await tx
        .insert(deliveryPhotos)
        .values(chunk.map(({ name, lead, slots, data }) => ({ deliveryId, ...lead, photo: name, data, slots })))
        .returning({ id: deliveryPhotos.id });
      const files = chunk.flatMap((cutout, i) =>
        cutout.files.map(({ output, outputIndex, file, recipe, same }) => ({
          deliveryId,
          deliveryPhotoId: inserted[i]!.id,
          output: output.name,
          outputIndex,
          file,
          recipe,
          takenFrom: same?.id ?? null,
        })),
      );
      for (const part of chunked(files)) await tx.insert(deliveryFiles).values(part);
      await othersTurn();
    }
    await note(tx, here, { verb: 'exported', kind: 'delivery', subject: deliveryId, name: batch.name });
    // In the same transaction: a delivery without its job would wait for ever.
    await here.queue.add('delivery', deliveryId, tx);
    return deliveryId;
  });
  wakeRunner(here);
  return id;
}

/** The saved version that a batch began from, and whether it has changed it since. */
async function versionOf(here: Here, { templateVersionId, draft }: Awaited<ReturnType<typeof batchRow>>) {
  const [saved] = templateVersionId
    ? await here.db.select().from(templateVersions).where(eq(templateVersions.id, templateVersionId))
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
export const exportAgain = (here: Here, id: number): Promise<number> =>
  here.keeping.whileKept(() => planAgain(here, id));

async function planAgain(here: Here, id: number): Promise<number> {
  demand(here, 'artist');
  const {
    id: _,
    state: _state,
    message: _message,
    createdAt: _created,
    finishedAt: _finished,
    ...old
  } = await deliveryRow(here, id);
  const ids = await here.db.select({ id: deliveryPhotos.id }).from(deliveryPhotos).where(eq(deliveryPhotos.deliveryId, id)).orderBy(asc(deliveryPhotos.id)); // prettier-ignore
  const made = await here.write(async (tx) => {
    const [delivery] = await tx
      .insert(deliveries)
      .values({ ...old, madeBy: nameOf(here) })
      .returning({ id: deliveries.id });
    const deliveryId = delivery!.id;
    for (const part of chunked(ids, PHOTOS)) {
      const these = inArray(deliveryPhotos.id, part.map((one) => one.id)); // prettier-ignore
      const chunk = await tx.select().from(deliveryPhotos).where(these).orderBy(asc(deliveryPhotos.id));
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
      const again = files.map(({ deliveryPhotoId, output, outputIndex, file, recipe }) => ({
        deliveryId,
        deliveryPhotoId: newId.get(deliveryPhotoId)!,
        output,
        outputIndex,
        file,
        recipe,
      }));
      for (const some of chunked(again)) await tx.insert(deliveryFiles).values(some);
      await othersTurn();
    }
    const words = `as delivery ${id} was`;
    await note(tx, here, { verb: 'exported', kind: 'delivery', subject: deliveryId, name: old.batchName, words });
    await here.queue.add('delivery', deliveryId, tx);
    return deliveryId;
  });
  wakeRunner(here);
  return made;
}
