/** The work of an upload: every waiting file sent to its destination, each once. */
import { and, asc, eq, sql } from 'drizzle-orm';
import { join } from 'node:path';
import { stat } from 'node:fs/promises';
import PQueue from 'p-queue';
import { WobrelError } from '../../core/errors';
import { mediaTypeOf } from '../../core/export';
import { tables } from '../db';
import { openDestination, sendFile, type Pauses } from '../destinations';
import type { Here } from '../workspace';

const { arrivals, deliveryFiles, uploadFiles, uploads } = tables;
type UploadRow = typeof uploads.$inferSelect;

/** Files read from the database at a time. */
const PAGE = 100;

/** Files on their way at a time: more help little over one line, and are a burden to a small server. */
const AT_ONCE = 3;

async function waitingFiles(here: Here, { id, destination }: UploadRow) {
  return here.db
    .select({ row: uploadFiles, file: deliveryFiles, known: arrivals.version })
    .from(uploadFiles)
    .innerJoin(deliveryFiles, eq(deliveryFiles.id, uploadFiles.deliveryFileId))
    .leftJoin(arrivals, and(eq(arrivals.destination, destination), eq(arrivals.name, uploadFiles.name)))
    .where(and(eq(uploadFiles.uploadId, id), eq(uploadFiles.state, 'waiting')))
    .orderBy(asc(uploadFiles.id))
    .limit(PAGE);
}
type Waiting = Awaited<ReturnType<typeof waitingFiles>>[number];

/** The outcome of one file, and what lies at the destination by now. */
async function settle(
  here: Here,
  { destination }: UploadRow,
  { row }: Waiting,
  outcome: { state: 'sent' | 'kept'; version: string } | WobrelError,
): Promise<void> {
  await here.write(async (tx) => {
    const isRefused = outcome instanceof WobrelError;
    const { state, message } = isRefused
      ? { state: 'refused' as const, message: outcome.message }
      : { state: outcome.state, message: null };
    await tx.update(uploadFiles).set({ state, message }).where(eq(uploadFiles.id, row.id));
    if (isRefused) return;
    const { version } = outcome;
    await tx
      .insert(arrivals)
      .values({ destination, name: row.name, version })
      .onConflictDoUpdate({ target: [arrivals.destination, arrivals.name], set: { version: sql`excluded.version` } });
  });
}

/** What is wrong with one file is noted with it; all else ends the upload. */
const isOfFile = (error: unknown): error is WobrelError =>
  error instanceof WobrelError && ['file-refused', 'changed-there', 'gone'].includes(error.code);

/** Where a file lies here, whole. @throws WobrelError `gone` */
async function sourceOf(here: Here, { deliveryId, file, bytes }: Waiting['file']): Promise<string> {
  const path = join(here.files.delivery(deliveryId), file);
  const size = await stat(path).then((found) => found.size, () => null); // prettier-ignore
  if (size !== bytes)
    throw new WobrelError('gone', 'it is missing from the delivery’s folder; export the batch again', file);
  return path;
}

/**
 * Runs an upload to its end, or until it is told to stop.
 *
 * @throws where it can't go on: the destination can't be reached, takes nothing more, or is not there any more
 */
export async function upload(here: Here, uploadId: number, stop: AbortSignal, pauses?: Pauses): Promise<void> {
  const [row] = await here.db.select().from(uploads).where(eq(uploads.id, uploadId));
  if (!row) return;
  const way = await openDestination(here, row.destination);
  const broken = new AbortController();
  const signal = AbortSignal.any([stop, broken.signal]);
  let fatal = null as Error | null;
  const sendOne = async (one: Waiting) => {
    const { file, known } = one;
    const sent = { bytes: file.bytes!, sha256: file.sha256!, type: mediaTypeOf(file.file) };
    const outcome = await sourceOf(here, file)
      .then((source) =>
        sendFile(way, one.row.name, { ...sent, source }, { known, replace: row.replace, signal, pauses }),
      )
      .catch((error: unknown) => {
        if (isOfFile(error)) return error;
        throw error;
      });
    await settle(here, row, one, outcome);
  };
  const queue = new PQueue({ concurrency: AT_ONCE });
  for (
    let page = await waitingFiles(here, row);
    page.length > 0 && !signal.aborted;
    page = await waitingFiles(here, row)
  ) {
    for (const one of page)
      void queue
        .add(async () => {
          if (!signal.aborted) await sendOne(one);
        })
        .catch((error: Error) => {
          fatal ??= error;
          broken.abort();
        });
    await queue.onIdle();
  }
  if (fatal !== null) throw fatal;
}
