/** The work of a delivery: every waiting photo rendered, each file once. */
import { and, asc, eq, gt, inArray } from 'drizzle-orm';
import { alias } from 'drizzle-orm/sqlite-core';
import { access, readdir, readFile, rm } from 'node:fs/promises';
import { join } from 'node:path';
import PQueue from 'p-queue';
import sharp from 'sharp';
import { WobrelError } from '../../core/errors';
import type { CheckedPhoto } from '../../core/checks';
import type { ManifestItem, PlacedItem } from '../../core/export';
import { keptTemplate, type Template } from '../../core/template';
import { rowsInTurns, tables } from '../db';
import { outlinesOf } from '../geometry';
import { keptPaths } from '../pictures';
import { plateCache, shareTemplate, shownIn, type RenderedFile, type Renderer } from '../render';
import { digestFile } from '../store';
import { announce, type Here } from '../workspace';
import { takeOver } from './take-over';

const { deliveries, deliveryFiles, deliveryPhotos } = tables;
const earlierFiles = alias(deliveryFiles, 'earlier_files');
type PhotoRow = typeof deliveryPhotos.$inferSelect;

/** What placed a photo, as it was when its delivery began. */
export type SeenThen = Pick<CheckedPhoto, 'sight' | 'unseen' | 'handSubject' | 'adjustment'>;

/** A delivery's photo as it was then. */
export const photoThen = <R extends { seen: unknown }>(row: R): R & SeenThen => ({
  ...row,
  ...(row.seen as SeenThen | null),
});

/** A planned file, and the earlier one that it is to be. */
type FileRow = typeof deliveryFiles.$inferSelect & { readonly earlier: typeof deliveryFiles.$inferSelect | null };

/** Photos read from the database at a time: memory does not grow with the delivery. */
const PAGE = 64;

export type DeliverContext = { readonly pool: Renderer; readonly isCancelled: () => boolean };

/** How large a written picture is: of most formats their heads say it. */
const sizeOf = async (path: string) =>
  sharp(path.endsWith('.ora') ? shownIn(path, await readFile(path)) : path).metadata();

/** A file that an earlier, killed run had already finished; whole, because it was renamed into place. */
async function finishedBefore(path: string): Promise<RenderedFile | null> {
  const there = await access(path).then(
    () => true,
    () => false,
  );
  if (!there) return null;
  const [{ sha256, bytes }, { width, height }] = await Promise.all([digestFile(path), sizeOf(path)]);
  return { sha256, bytes, width, height, quality: null };
}

/** Removes what a killed run had begun to write aside. */
async function sweepAside(folder: string): Promise<void> {
  const names = await readdir(folder, { recursive: true }).catch(() => []);
  for (const name of names) if (name.endsWith('.part')) await rm(join(folder, name), { force: true });
}

/** The photos of a cutout as they were then: one, or one a slot. */
function photosThen({ slots, ...row }: PhotoRow, template: Template) {
  if (!slots) return [{ ...photoThen(row), name: row.photo, standsIn: false }];
  const missing = template.slots.flatMap(({ name }, i) => (!slots[i] || slots[i].standsIn ? [name] : []));
  const first = slots.findIndex((one) => one !== null && !one.standsIn);
  return slots.map((one, slot) => {
    if (!one) return null;
    const photo = { ...photoThen(one), name: one.photo, slot, standsIn: one.standsIn };
    return slot === first ? { ...photo, group: { missing, isMade: true } } : photo;
  });
}

/** What the batch of a delivery is like; for each cutout its photos, which others look like them, and how captions speak of it. */
async function batchOf(here: Here, delivery: typeof deliveries.$inferSelect, template: Template) {
  const page = (after: number, most: number) =>
    here.db
      .select()
      .from(deliveryPhotos)
      .where(and(eq(deliveryPhotos.deliveryId, delivery.id), gt(deliveryPhotos.id, after)))
      .orderBy(asc(deliveryPhotos.id))
      .limit(most);
  const rows: PhotoRow[] = [];
  for await (const row of rowsInTurns(page)) rows.push(row);
  const words = rows.map(({ photo, slots, data }, i) => ({ photo, ...(slots && { stem: photo }), batch: delivery.batchName, index: i + 1, data: data ?? {} })); // prettier-ignore
  const all = rows.flatMap((row, i) =>
    photosThen(row, template).flatMap((photo, slot) =>
      // One that stands in is counted where it is its slot's own.
      photo && !photo.standsIn ? [{ id: row.id, slot, photo: { ...photo, words: words[i]! } }] : [],
    ),
  );
  const photos = all.map(({ photo }) => photo);
  const { means, twins } = await outlinesOf().comparison({ template, outline: delivery.outline }, photos);
  const twinOf = new Map(all.map(({ id, slot }, i) => [`${id} ${slot}`, twins[i] ?? null]));
  return {
    means,
    words: new Map(rows.map(({ id }, i) => [id, words[i]!])),
    twin: (id: number, slot: number) => twinOf.get(`${id} ${slot}`) ?? null,
  };
}

/** A file with what there is to say about it; `takenFrom` is null where it had to be made after all. */
type WrittenFile = RenderedFile & { readonly findings: ManifestItem['findings']; readonly takenFrom?: null };

/** What was made of one photo: where it lies, and its files with what there is to say about them. */
type Made = {
  readonly placed: PlacedItem;
  readonly files: ReadonlyMap<number, WrittenFile>;
};

async function photoMaker(here: Here, delivery: typeof deliveries.$inferSelect, { pool }: DeliverContext) {
  const template = keptTemplate(delivery.document);
  const folder = here.files.delivery(delivery.id);
  const { means, words, twin } = await batchOf(here, delivery, template);
  const shared = shareTemplate(template, delivery.outline, means, keptPaths(here, template));
  const plates = plateCache(pool, template, shared);
  return async (photo: PhotoRow, files: readonly FileRow[]): Promise<Made> => {
    const before = new Map<number, RenderedFile>();
    for (const file of files) {
      const path = join(folder, file.file);
      const { earlier } = file;
      const found = await finishedBefore(path);
      if (found) before.set(file.id, found);
      else if (earlier?.sha256) {
        const known = { path: join(here.files.delivery(earlier.deliveryId), earlier.file), sha256: earlier.sha256 };
        const taken = (await takeOver(known, path)) && (await finishedBefore(path));
        if (taken) before.set(file.id, { ...taken, quality: earlier.quality });
      }
    }
    const missing = files.filter((file) => !before.has(file.id));
    const targets = await Promise.all(
      missing.map(async ({ outputIndex, file }) => ({
        output: outputIndex,
        plate: await plates.of(template.outputs[outputIndex]!),
        path: join(folder, file),
      })),
    );
    const made = await pool.render({
      photos: photosThen(photo, template).map(
        (one, slot) =>
          one && {
            source: here.files.original(one.sha256),
            photo: { ...one, words: words.get(photo.id)!, twin: twin(photo.id, slot) },
          },
      ),
      words: words.get(photo.id)!,
      template: shared,
      targets,
      finished: files.flatMap(({ id, outputIndex: output }) => {
        const there = before.get(id);
        return there ? [{ output, bytes: there.bytes }] : [];
      }),
      widest: missing.length > 0 ? await plates.widest() : null,
    });
    const { files: written, findings, ...placed } = made;
    const done = files.map((file) => {
      const i = missing.indexOf(file);
      const one: RenderedFile & { readonly takenFrom?: null } = before.get(file.id) ?? {
        ...written[i]!,
        takenFrom: null,
      };
      return [file.id, { ...one, findings: findings[file.outputIndex]! }] as const;
    });
    return { placed, files: new Map(done) };
  };
}

/** Notes a photo's outcome; an error of the photo itself does not stop the others. */
async function settle(here: Here, photo: PhotoRow, outcome: Made | WobrelError): Promise<void> {
  await here.write(async (tx) => {
    if (outcome instanceof WobrelError) {
      await tx
        .update(deliveryPhotos)
        .set({ state: 'failed', error: outcome.message })
        .where(eq(deliveryPhotos.id, photo.id));
      return;
    }
    for (const [id, file] of outcome.files) await tx.update(deliveryFiles).set(file).where(eq(deliveryFiles.id, id));
    await tx
      .update(deliveryPhotos)
      .set({ state: 'done', placed: outcome.placed })
      .where(eq(deliveryPhotos.id, photo.id));
  });
  announce(here, `delivery ${photo.deliveryId}`);
}

async function waitingPage(here: Here, deliveryId: number) {
  const photos = await here.db
    .select()
    .from(deliveryPhotos)
    .where(and(eq(deliveryPhotos.deliveryId, deliveryId), eq(deliveryPhotos.state, 'waiting')))
    .orderBy(asc(deliveryPhotos.id))
    .limit(PAGE);
  const files = photos.length
    ? await here.db
        .select({ file: deliveryFiles, earlier: earlierFiles })
        .from(deliveryFiles)
        .leftJoin(earlierFiles, eq(earlierFiles.id, deliveryFiles.takenFrom))
        .where(
          inArray(
            deliveryFiles.deliveryPhotoId,
            photos.map((p) => p.id),
          ),
        )
    : [];
  return photos.map((photo) => ({
    photo,
    files: files.flatMap(({ file, earlier }) => (file.deliveryPhotoId === photo.id ? [{ ...file, earlier }] : [])),
  }));
}

/** One file at fault is a photo's error; a folder that can't be written to ends the delivery. */
const endsDelivery = (error: unknown) => !(error instanceof WobrelError) || error.code === 'cannot-write';

/**
 * Runs a delivery to its end, or until it is cancelled.
 *
 * @throws where it can't go on at all, for example as the disk is full
 */
export async function deliver(here: Here, deliveryId: number, context: DeliverContext): Promise<void> {
  const [delivery] = await here.db.select().from(deliveries).where(eq(deliveries.id, deliveryId));
  if (!delivery) return;
  await sweepAside(here.files.delivery(deliveryId));
  const make = await photoMaker(here, delivery, context);
  // One photo more than threads, so that none waits for the database.
  const queue = new PQueue({ concurrency: context.pool.threads + 1 });
  let fatal = null as Error | null;
  const stopped = () => fatal !== null || context.isCancelled();
  for (
    let page = await waitingPage(here, deliveryId);
    page.length > 0 && !stopped();
    page = await waitingPage(here, deliveryId)
  ) {
    for (const { photo, files } of page)
      void queue
        .add(async () => {
          if (stopped()) return;
          // Whatever goes wrong, in noting it too, is kept: nothing here may go unhandled.
          const outcome = await make(photo, files).catch((error: unknown) => {
            if (endsDelivery(error)) throw error;
            return error as WobrelError;
          });
          await settle(here, photo, outcome);
        })
        .catch((error: Error) => {
          fatal ??= error;
        });
    await queue.onIdle();
  }
  if (fatal !== null) throw fatal;
}
