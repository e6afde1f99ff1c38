/** Uploads: a delivery's files on their way to a destination. */
import { and, asc, count, desc, eq, gt, inArray, isNotNull, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { mediaTypeOf, safeName } from '../../core/export';
import { othersTurn, rowsInTurns, tables, type DeliveryState } from '../db';
import { lineTrouble, listDestinations, openDestination, patiently, refusedBy, type DestinationWords, type Rules } from '../destinations'; // prettier-ignore
import { askToStop, wakeRunner } from '../jobs';
import { demand, note, type Here } from '../workspace';
import { chunked } from './chunked';
import { deliveryRow } from './delivery-plans';
import { notFound } from './refusals';

const { deliveryFiles, uploadFiles, uploads } = tables;

export const uploadSchema = z.strictObject({
  destination: z.string().min(1).max(60),
  /** Folder at the destination; slashes part folders within folders. */
  folder: z.string().max(200).default(''),
  /** True leaves out what was taken over from an earlier delivery. */
  onlyMade: z.boolean().default(false),
  /** Whether files there that came from elsewhere may be replaced. */
  replace: z.boolean().default(false),
});
type UploadAsked = z.infer<typeof uploadSchema>;

/** Folders within folders at a destination, besides those of the files' own names. */
const MAX_FOLDERS = 8;

/** @returns ends in a slash where there is one */
function folderOf(text: string): string {
  const parts = text.split('/').filter((part) => part.trim() !== '');
  return parts.slice(0, MAX_FOLDERS).map((part) => `${safeName(part)}/`).join(''); // prettier-ignore
}

/** The finished files of a delivery, and their names at a destination. */
async function filesFor(
  here: Here,
  deliveryId: number,
  { folder, onlyMade }: Pick<UploadAsked, 'folder' | 'onlyMade'>,
) {
  const { state } = await deliveryRow(here, deliveryId);
  if (state !== 'done') throw new WobrelError('not-done', 'The delivery is not finished yet.');
  const within = folderOf(folder);
  const { id, file, width, height, bytes } = deliveryFiles;
  const page = (after: number, most: number) =>
    here.db
      .select({ id, file, width, height, bytes })
      .from(deliveryFiles)
      .where(
        and(
          eq(deliveryFiles.deliveryId, deliveryId),
          isNotNull(deliveryFiles.sha256),
          onlyMade ? isNull(deliveryFiles.takenFrom) : undefined,
          gt(id, after),
        ),
      )
      .orderBy(asc(id))
      .limit(most);
  const files = [];
  for await (const row of rowsInTurns(page)) files.push({ row, name: within + row.file });
  return files;
}

/** Most refusals that are listed. */
const MOST = 200;

/** What would come of an upload. */
export type UploadForecast = {
  readonly files: number;
  readonly bytes: number;
  /** What the destination's rules don't take, and why. */
  readonly refused: readonly { readonly name: string; readonly why: string }[];
  readonly refusedCount: number;
};

/** Time that a destination has for saying its rules, ms. */
const RULES_MS = 15_000;

async function rulesOf(here: Here, destination: string): Promise<Rules | null> {
  const way = await openDestination(here, destination);
  const signal = AbortSignal.timeout(RULES_MS);
  try {
    return await patiently(() => way.rules(signal), signal, { tries: 2, first: 300, longest: 1000 });
  } catch (error) {
    throw lineTrouble(error);
  }
}

const refusalsBy = (rules: Rules | null, files: Awaited<ReturnType<typeof filesFor>>) =>
  files.flatMap(({ row, name }) => {
    const { width, height, bytes } = row;
    const why =
      rules && refusedBy(rules, { name, type: mediaTypeOf(name), bytes: bytes!, width: width!, height: height! });
    return why ? [{ id: row.id, name, why }] : [];
  });

/** What an upload would be, before it begins. @throws WobrelError `not-found`, `not-done`, or what the way to it throws */
export async function uploadForecast(here: Here, deliveryId: number, asked: UploadAsked): Promise<UploadForecast> {
  demand(here, 'artist');
  const files = await filesFor(here, deliveryId, asked);
  const refused = refusalsBy(await rulesOf(here, asked.destination), files);
  return {
    files: files.length,
    bytes: files.reduce((sum, { row }) => sum + row.bytes!, 0),
    refused: refused.slice(0, MOST).map(({ name, why }) => ({ name, why })),
    refusedCount: refused.length,
  };
}

/**
 * Plans an upload, and leaves a job for it; what the destination's rules refuse is noted at once.
 *
 * @throws WobrelError as the forecast, or `nothing-to-send`
 */
export async function startUpload(here: Here, deliveryId: number, asked: UploadAsked): Promise<number> {
  demand(here, 'artist');
  const files = await filesFor(here, deliveryId, asked);
  if (files.length === 0) throw new WobrelError('nothing-to-send', 'There are no files to send.');
  const refused = new Map(refusalsBy(await rulesOf(here, asked.destination), files).map(({ id, why }) => [id, why]));
  const { destination, replace } = asked;
  const id = await here.write(async (tx) => {
    const [made] = await tx.insert(uploads).values({ deliveryId, destination, replace }).returning({ id: uploads.id });
    const uploadId = made!.id;
    const rows = files.map(({ row, name }) => {
      const message = refused.get(row.id) ?? null;
      return { uploadId, deliveryFileId: row.id, name, message, state: message === null ? ('waiting' as const) : ('refused' as const) }; // prettier-ignore
    });
    for (const chunk of chunked(rows)) {
      await tx.insert(uploadFiles).values(chunk);
      await othersTurn();
    }
    await note(tx, here, {
      verb: 'made',
      kind: 'upload',
      subject: uploadId,
      name: destination,
      words: `delivery ${deliveryId}`,
    });
    await here.queue.add('upload', uploadId, tx);
    return uploadId;
  });
  wakeRunner(here);
  return id;
}

/** An upload and how far it is. */
export type UploadProgress = {
  readonly id: number;
  readonly destination: string;
  readonly state: DeliveryState;
  readonly message: string | null;
  readonly createdAt: number;
  readonly fileCount: number;
  readonly sent: number;
  /** Files that lay there just so. */
  readonly kept: number;
  readonly refused: number;
};

/** A delivery's uploads, the newest first, in two queries for all. */
export async function uploadsOf(here: Here, deliveryId: number, limit = 50): Promise<readonly UploadProgress[]> {
  await deliveryRow(here, deliveryId);
  const rows = await here.db.select().from(uploads).where(eq(uploads.deliveryId, deliveryId)).orderBy(desc(uploads.id)).limit(limit); // prettier-ignore
  const ids = rows.map(({ id }) => id);
  const states = await here.db
    .select({ id: uploadFiles.uploadId, state: uploadFiles.state, n: count() })
    .from(uploadFiles)
    .where(inArray(uploadFiles.uploadId, ids))
    .groupBy(uploadFiles.uploadId, uploadFiles.state);
  return rows.map(({ id, destination, state, message, createdAt }) => {
    const inState = (wanted: string) => states.find((one) => one.id === id && one.state === wanted)?.n ?? 0;
    const fileCount = states.reduce((sum, one) => sum + (one.id === id ? one.n : 0), 0);
    return { id, destination, state, message, createdAt, fileCount, sent: inState('sent'), kept: inState('kept'), refused: inState('refused') }; // prettier-ignore
  });
}

async function uploadRow(here: Here, id: number) {
  const [row] = await here.db.select().from(uploads).where(eq(uploads.id, id));
  if (!row) throw notFound('upload');
  return row;
}

/** What an upload's destination did not take, and why. */
export async function refusedFiles(here: Here, id: number, limit = MOST) {
  await uploadRow(here, id);
  return here.db
    .select({ name: uploadFiles.name, why: uploadFiles.message })
    .from(uploadFiles)
    .where(and(eq(uploadFiles.uploadId, id), eq(uploadFiles.state, 'refused')))
    .orderBy(asc(uploadFiles.id))
    .limit(limit);
}

/** Stops an upload; what has arrived stays there, and it can be taken up again. */
export async function cancelUpload(here: Here, id: number): Promise<void> {
  demand(here, 'artist');
  const { state, destination: name } = await uploadRow(here, id);
  if (state !== 'running' && state !== 'waiting') return;
  await here.write((tx) => note(tx, here, { verb: 'cancelled', kind: 'upload', subject: id, name }));
  if (state === 'running') return askToStop(here, 'upload', id);
  await here.write(async (tx) => {
    await tx.update(uploads).set({ state: 'cancelled', finishedAt: Date.now() }).where(eq(uploads.id, id));
  });
}

/** Goes on with an upload that stopped, or tries what was refused once more; what has arrived is not sent again. */
export async function resumeUpload(here: Here, id: number): Promise<void> {
  demand(here, 'artist');
  const { state, destination: name } = await uploadRow(here, id);
  if (state === 'waiting' || state === 'running') return;
  await here.write(async (tx) => {
    await tx.update(uploads).set({ state: 'waiting', message: null, finishedAt: null }).where(eq(uploads.id, id));
    await tx
      .update(uploadFiles)
      .set({ state: 'waiting', message: null })
      .where(and(eq(uploadFiles.uploadId, id), eq(uploadFiles.state, 'refused')));
    await here.queue.add('upload', id, tx);
    await note(tx, here, { verb: 'resumed', kind: 'upload', subject: id, name });
  });
  wakeRunner(here);
}

/** Where deliveries can be sent. @throws WobrelError `destinations-invalid` */
export const destinations = (here: Here): Promise<readonly DestinationWords[]> => listDestinations(here);
