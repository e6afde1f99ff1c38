/** The work of a delivery: every waiting photo rendered, each file once. */
import { and, asc, eq, inArray } from 'drizzle-orm';
import { access, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import PQueue from 'p-queue';
import sharp from 'sharp';
import { WobrelError } from '../../core/errors';
import { outsideOf, placer, type PhotoToPlace } from '../../core/placement';
import { parseTemplate, type Template } from '../../core/template';
import { database, tables, write } from '../db';
import { matteOf, plateCache, type RenderedFile, type RenderPool } from '../render';
import { deliveryFolder, digestFile, originalPath } from '../store';
import { announce } from './events';

const { deliveries, deliveryFiles, deliveryPhotos } = tables;
type PhotoRow = typeof deliveryPhotos.$inferSelect;

/** What placed a photo, as it was when its delivery began. */
export type SeenThen = Pick<PhotoToPlace, 'sight' | 'handSubject' | 'adjustment'>;

/** A delivery's photo as it was then. */
export const photoThen = <R extends { seen: unknown }>(row: R): R & SeenThen => ({
  ...row,
  ...(row.seen as SeenThen | null),
});

type FileRow = typeof deliveryFiles.$inferSelect;

/** Photos read from the database at a time: memory does not grow with the delivery. */
const PAGE = 64;

export type DeliverContext = { readonly pool: RenderPool; readonly isCancelled: () => boolean };

/** A file that an earlier, killed run had already finished; whole, because it was renamed into place. */
async function finishedBefore(path: string): Promise<RenderedFile | null> {
  const there = await access(path).then(
    () => true,
    () => false,
  );
  if (!there) return null;
  const [{ sha256, bytes }, { width, height }] = await Promise.all([digestFile(path), sharp(path).metadata()]);
  return { sha256, bytes, width, height };
}

/** Removes what a killed run had begun to write aside. */
async function sweepAside(folder: string): Promise<void> {
  const names = await readdir(folder).catch(() => []);
  for (const name of names) if (name.endsWith('.part')) await rm(join(folder, name), { force: true });
}

function deliverPhoto(template: Template, folder: string, { pool }: DeliverContext) {
  const plateFor = plateCache(pool, template);
  const place = placer(template);
  return async (photo: PhotoRow, files: readonly FileRow[]): Promise<Map<number, RenderedFile>> => {
    const done = new Map<number, RenderedFile>();
    const missing: FileRow[] = [];
    for (const file of files) {
      const before = await finishedBefore(join(folder, file.file));
      if (before) done.set(file.id, before);
      else missing.push(file);
    }
    if (missing.length === 0) return done;
    const targets = await Promise.all(
      missing.map(async (file) => {
        const output = template.outputs[file.outputIndex]!;
        return { output, plate: await plateFor(output.width, matteOf(output)), path: join(folder, file.file) };
      }),
    );
    const then = photoThen(photo);
    const { width, height } = photo;
    const rendered = await pool.render({
      source: originalPath(photo.sha256),
      photo: { width, height },
      placement: place(then),
      outside: outsideOf(template, then.sight),
      frame: template.frame,
      targets,
    });
    missing.forEach((file, i) => done.set(file.id, rendered[i]!));
    return done;
  };
}

/** Notes a photo's outcome; an error of the photo itself does not stop the others. */
async function settle(photo: PhotoRow, outcome: Map<number, RenderedFile> | WobrelError): Promise<void> {
  await write(async (tx) => {
    if (outcome instanceof WobrelError) {
      await tx
        .update(deliveryPhotos)
        .set({ state: 'failed', error: outcome.message })
        .where(eq(deliveryPhotos.id, photo.id));
      return;
    }
    for (const [id, file] of outcome) await tx.update(deliveryFiles).set(file).where(eq(deliveryFiles.id, id));
    await tx.update(deliveryPhotos).set({ state: 'done' }).where(eq(deliveryPhotos.id, photo.id));
  });
  announce(photo.deliveryId);
}

async function waitingPage(deliveryId: number) {
  const photos = await database()
    .select()
    .from(deliveryPhotos)
    .where(and(eq(deliveryPhotos.deliveryId, deliveryId), eq(deliveryPhotos.state, 'waiting')))
    .orderBy(asc(deliveryPhotos.id))
    .limit(PAGE);
  const files = photos.length
    ? await database()
        .select()
        .from(deliveryFiles)
        .where(
          inArray(
            deliveryFiles.deliveryPhotoId,
            photos.map((p) => p.id),
          ),
        )
    : [];
  return photos.map((photo) => ({ photo, files: files.filter((file) => file.deliveryPhotoId === photo.id) }));
}

/** One file at fault is a photo's error; a folder that can't be written to ends the delivery. */
const endsDelivery = (error: unknown) => !(error instanceof WobrelError) || error.code === 'cannot-write';

/**
 * Runs a delivery to its end, or until it is cancelled.
 *
 * @throws where it can't go on at all, for example as the disk is full
 */
export async function deliver(deliveryId: number, context: DeliverContext): Promise<void> {
  const [delivery] = await database().select().from(deliveries).where(eq(deliveries.id, deliveryId));
  if (!delivery) return;
  await sweepAside(deliveryFolder(deliveryId));
  const work = deliverPhoto(parseTemplate(delivery.document), deliveryFolder(deliveryId), context);
  // One photo more than threads, so that none waits for the database.
  const queue = new PQueue({ concurrency: context.pool.threads + 1 });
  let fatal: unknown = null;
  const stopped = () => fatal !== null || context.isCancelled();
  for (let page = await waitingPage(deliveryId); page.length > 0 && !stopped(); page = await waitingPage(deliveryId)) {
    for (const { photo, files } of page)
      void queue.add(async () => {
        if (stopped()) return;
        try {
          await settle(photo, await work(photo, files));
        } catch (error) {
          if (endsDelivery(error)) fatal ??= error;
          else await settle(photo, error as WobrelError);
        }
      });
    await queue.onIdle();
  }
  if (fatal !== null) throw fatal;
}
