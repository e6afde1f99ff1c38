/** Photos of a batch: taking them in, listing them, letting them go. */
import { and, count, eq, inArray, ne, or, isNull, sql } from 'drizzle-orm';
import { access, mkdir, readFile, rename } from 'node:fs/promises';
import { dirname } from 'node:path';
import { WobrelError } from '../../core/errors';
import type { Review } from '../../core/checks';
import { nameKey } from '../../core/name-order';
import type { PhotoData } from '../../core/fields';
import type { Adjustment, HandSubject } from '../../core/placement';
import { SIGHT_VERSION, type Sight } from '../../core/sight';
import { MAX_FILE_BYTES, type ProxySize } from '../config';
import { tables } from '../db';
import { developInThread, readable } from '../heic';
import { developedPath, inspectPhoto, makeProxies, removeArrival, type Arrival, type PhotoFacts } from '../intake';
import { asWriteError } from '../store';
import { demand, note, type Here } from '../workspace';
import { batchRow } from './batches';
import { oneOf } from './one-of';
import { cleanName } from './names';
import { notFound } from './refusals';
import { seenIn, UNSEEN, type Unseen } from './seen';
import { sightPool } from './sight-pool';
import { byName } from './photo-order';

export { changePhotos, photoChangesSchema, type PhotoChange } from './photo-changes';

const { batches, photos, refusals, sights } = tables;

export type PhotoRow = {
  id: number;
  name: string;
  /** Of its content: where its proxies are found. */
  sha256: string;
  width: number;
  height: number;
  hasAlpha: boolean;
  review: Review;
  /** What was seen in it; null until it has been looked at, and where it could not be. */
  sight: Sight | null;
  /** True where it could not be looked at. */
  unseen: boolean;
  handSubject: HandSubject | null;
  adjustment: Adjustment | null;
  data: PhotoData;
};

/** What became of one arriving file. */
export type Received =
  | { readonly name: string; readonly outcome: 'kept'; readonly photo: PhotoRow }
  | { readonly name: string; readonly outcome: 'refused'; readonly message: string };

const COLUMNS = {
  id: photos.id,
  name: photos.name,
  sha256: photos.sha256,
  width: photos.width,
  height: photos.height,
  hasAlpha: photos.hasAlpha,
  review: photos.review,
  handSubject: photos.handSubject,
  adjustment: photos.adjustment,
  data: photos.data,
};

type Columns = { [K in keyof typeof COLUMNS]: (typeof photos.$inferSelect)[K] };

const rowOf = (columns: Columns, sight: unknown): PhotoRow => ({
  ...columns,
  handSubject: columns.handSubject as HandSubject | null,
  adjustment: columns.adjustment as Adjustment | null,
  ...seenIn(sight),
});

const exists = (path: string) =>
  access(path).then(
    () => true,
    () => false,
  );

/** The file that a picture is looked at in: a proxy is opaque, so one that may have been cut out before is its original. */
async function seenFile({ db, files }: Here, sha256: string): Promise<string> {
  const [photo] = await db.select({ hasAlpha: photos.hasAlpha }).from(photos).where(eq(photos.sha256, sha256)).limit(1);
  return photo?.hasAlpha ? files.original(sha256) : files.proxy(sha256, 512);
}

/** Looks at a picture, unless that has been done; what was seen holds for every batch with this picture. */
async function sightOf(here: Here, sha256: string): Promise<unknown> {
  const [known] = await here.db.select().from(sights).where(eq(sights.sha256, sha256));
  if (known?.version === SIGHT_VERSION) return known.document;
  // Whatever is wrong with a picture, it is kept: that it could not be looked at is a finding.
  const document = await sightPool()
    .see(await seenFile(here, sha256))
    .catch((): Unseen => UNSEEN);
  await here.write(async (tx) => {
    const row = { version: SIGHT_VERSION, document };
    await tx
      .insert(sights)
      .values({ sha256, ...row })
      .onConflictDoUpdate({ target: sights.sha256, set: row });
    // What was counted of batches that hold it goes by what was seen before.
    const holding = tx.select({ id: photos.batchId }).from(photos).where(eq(photos.sha256, sha256));
    const stale = { findingCount: null, changes: sql`${batches.changes} + 1` };
    await tx.update(batches).set(stale).where(inArray(batches.id, holding));
  });
  return document;
}

/** Looks at all pictures that no one has looked at, or only an older finder; ends when there are none. */
export async function lookAtAll(here: Here): Promise<number> {
  const rows = await here.db
    .selectDistinct({ sha256: photos.sha256 })
    .from(photos)
    .leftJoin(sights, eq(sights.sha256, photos.sha256))
    .where(or(isNull(sights.sha256), ne(sights.version, SIGHT_VERSION)));
  for (const { sha256 } of rows)
    await sightOf(here, sha256).catch((error: unknown) => console.error(`Looking at ${sha256} failed:`, error));
  return rows.length;
}

/** Most photos a page of the list holds. */
export const PAGE_LIMIT = 1000;

async function refuseTwin(here: Here, batchId: number, sha256: string): Promise<void> {
  const [twin] = await here.db
    .select({ name: photos.name })
    .from(photos)
    .where(and(eq(photos.batchId, batchId), eq(photos.sha256, sha256)));
  if (twin) throw new WobrelError('photo-twin', `The same picture is in the batch already, as ${twin.name}.`);
}

/** Checks the file and makes its proxies, then keeps it, or what it is developed into, under the name of what arrived. */
async function keepFile(here: Here, arrival: Arrival): Promise<PhotoFacts> {
  const home = here.files.original(arrival.sha256);
  const isKept = await exists(home);
  const path = isKept ? home : await readable(arrival.path, () => developedPath(arrival), developInThread);
  const facts = await inspectPhoto(path);
  const made = await Promise.all(([512, 2048] as const).map((size) => exists(here.files.proxy(arrival.sha256, size))));
  if (!made.every(Boolean)) await makeProxies(here, path, arrival.sha256);
  if (isKept) return facts;
  try {
    await mkdir(dirname(home), { recursive: true });
    await rename(path, home);
  } catch (error) {
    throw asWriteError(error, home);
  }
  return facts;
}

type Batch = Awaited<ReturnType<typeof batchRow>>;

async function insertPhoto(
  here: Here,
  { id: batchId, name: batchName }: Batch,
  name: string,
  arrival: Arrival,
  facts: PhotoFacts,
): Promise<PhotoRow> {
  const row = await here.write(async (tx) => {
    const [made] = await tx
      .insert(photos)
      .values({ batchId, name, nameKey: nameKey(name), sha256: arrival.sha256, bytes: arrival.bytes, ...facts })
      .onConflictDoNothing()
      .returning(COLUMNS);
    if (made)
      await note(tx, here, {
        verb: 'added-photos',
        kind: 'batch',
        subject: batchId,
        name: batchName,
        photos: [made.id],
      });
    return made;
  });
  if (row) return rowOf(row, await sightOf(here, arrival.sha256));
  // Its twin arrived at the same moment.
  await refuseTwin(here, batchId, arrival.sha256);
  throw notFound('batch');
}

/** Asked before files arrive. @throws WobrelError `not-allowed` or `not-found` */
export async function readyForPhotos(here: Here, batchId: number): Promise<void> {
  demand(here, 'artist');
  await batchRow(here, batchId);
}

/**
 * Takes one arrived file into the batch, or notes why not. Only trouble with the disk
 * is thrown; everything that is the file's own fault becomes a refusal.
 */
export async function takePhoto(here: Here, batchId: number, arrival: Arrival): Promise<Received> {
  demand(here, 'artist');
  const name = cleanName(arrival.name);
  try {
    if (arrival.tooLarge)
      throw new WobrelError('photo-too-large', `The file is larger than ${MAX_FILE_BYTES / 1024 / 1024} MB.`);
    await refuseTwin(here, batchId, arrival.sha256);
    const photo = await here.keeping.whileKept(async () =>
      insertPhoto(here, await batchRow(here, batchId), name, arrival, await keepFile(here, arrival)),
    );
    return { name, outcome: 'kept', photo };
  } catch (error) {
    if (!(error instanceof WobrelError) || !error.code.startsWith('photo-')) throw error;
    const { code, message } = error;
    await here.write(async (tx) => {
      // A file that is tried again is told once.
      await tx.delete(refusals).where(and(eq(refusals.batchId, batchId), eq(refusals.name, name)));
      await tx.insert(refusals).values({ batchId, name, code, message });
    });
    return { name, outcome: 'refused', message };
  } finally {
    await removeArrival(arrival);
  }
}

/** One page of the batch's photos by name. */
export async function listPhotos(here: Here, batchId: number, offset: number, limit: number) {
  await batchRow(here, batchId);
  const where = eq(photos.batchId, batchId);
  const rows = await here.db
    .select({ ...COLUMNS, sight: sights.document })
    .from(photos)
    .leftJoin(sights, eq(sights.sha256, photos.sha256))
    .where(where)
    .orderBy(...byName)
    .limit(limit)
    .offset(offset);
  const [total] = await here.db.select({ n: count() }).from(photos).where(where);
  return { photos: rows.map(({ sight, ...row }) => rowOf(row, sight)), total: total!.n };
}

/** Most photos that are asked for by their numbers at once. */
const SOME = 500;

/** Photos of a batch by their numbers, in no order. @throws WobrelError `invalid` */
export async function somePhotos(here: Here, batchId: number, ids: readonly number[]): Promise<PhotoRow[]> {
  if (ids.length > SOME) throw new WobrelError('invalid', `At most ${SOME} photos at once.`);
  const rows = await here.db
    .select({ ...COLUMNS, sight: sights.document })
    .from(photos)
    .leftJoin(sights, eq(sights.sha256, photos.sha256))
    .where(and(eq(photos.batchId, batchId), inArray(photos.id, [...ids])));
  return rows.map(({ sight, ...row }) => rowOf(row, sight));
}

/** Takes photos out of the batch; the stored files stay until unneeded ones are collected. */
export async function removePhotos(here: Here, batchId: number, ids: readonly number[]): Promise<void> {
  demand(here, 'artist');
  const { name } = await batchRow(here, batchId);
  await here.write(async (tx) => {
    await tx.delete(photos).where(and(eq(photos.batchId, batchId), sql`${photos.id} in ${oneOf(ids)}`));
    await note(tx, here, {
      verb: 'removed-photos',
      kind: 'batch',
      subject: batchId,
      name,
      times: ids.length,
      photos: ids,
    });
  });
}

/** The proxies of several pictures, in the order of their sums; null where there is none. */
export const proxiesOf = (here: Here, sums: readonly string[], size: ProxySize): Promise<(Buffer | null)[]> =>
  Promise.all(sums.map((sha256) => readFile(here.files.proxy(sha256, size)).catch(() => null)));
