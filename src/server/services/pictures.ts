/** The library of pictures that templates show. */
import { desc, eq, inArray, like } from 'drizzle-orm';
import { rm } from 'node:fs/promises';
import { WobrelError } from '../../core/errors';
import { picturesOf, type Template } from '../../core/template';
import { MAX_FILE_BYTES } from '../config';
import { tables } from '../db';
import { developInThread, readable } from '../heic';
import { developedPath, inspectPhoto, removeArrival, type Arrival } from '../intake';
import { keptPicture } from '../pictures';
import { sha256Of, writeWhole } from '../store';
import { demand, note, type Here } from '../workspace';
import { cleanName } from './names';
import { notFound } from './refusals';

const { pictures, batches, deliveries, framings, photos, templateVersions } = tables;

export type KeptPicture = {
  readonly sha256: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  /** Batches and saved versions that show it. */
  readonly uses: number;
};

/** How often each picture is shown, by batches, saved versions and framings: of them only those are read that show any. */
async function uses(here: Here): Promise<ReadonlyMap<string, number>> {
  const shows = '%"picture":"%';
  const [drafts, versions, kept] = await Promise.all([
    here.db.select({ document: batches.draft }).from(batches).where(like(batches.draft, shows)),
    here.db.select({ document: templateVersions.document }).from(templateVersions).where(like(templateVersions.document, shows)), // prettier-ignore
    here.db.select({ document: framings.document }).from(framings).where(like(framings.document, shows)),
  ]);
  const counts = new Map<string, number>();
  for (const { document } of [...drafts, ...versions, ...kept])
    for (const sha256 of new Set(picturesOf(document).map((one) => one.sha256)))
      counts.set(sha256, (counts.get(sha256) ?? 0) + 1);
  return counts;
}

/** All of them, the newest first. */
export async function listPictures(here: Here): Promise<KeptPicture[]> {
  const [rows, counts] = await Promise.all([
    here.db.select().from(pictures).orderBy(desc(pictures.addedAt), desc(pictures.sha256)),
    uses(here),
  ]);
  return rows.map(({ sha256, name, width, height }) => ({
    sha256,
    name,
    width,
    height,
    uses: counts.get(sha256) ?? 0,
  }));
}

/** Asked before files arrive. @throws WobrelError `not-allowed` */
export const readyForPictures = (here: Here): void => demand(here, 'artist');

/** Keeps what a file shows under a name. */
async function keptFrom(here: Here, path: string, name: string): Promise<Omit<KeptPicture, 'uses'>> {
  const { data, width, height } = await keptPicture(path);
  const sha256 = sha256Of(data);
  await writeWhole(here.files.picture(sha256), data);
  const row = { sha256, name, width, height };
  await here.write(async (tx) => {
    const { rowsAffected } = await tx.insert(pictures).values(row).onConflictDoNothing();
    if (rowsAffected > 0) await note(tx, here, { verb: 'made', kind: 'picture', name });
  });
  return row;
}

/**
 * Keeps a photo of a batch as a picture, too.
 *
 * @throws WobrelError `not-found` or `photo-…`
 */
export async function pictureOfPhoto(here: Here, photo: number): Promise<Omit<KeptPicture, 'uses'>> {
  readyForPictures(here);
  const [row] = await here.db.select({ name: photos.name, sha256: photos.sha256 }).from(photos).where(eq(photos.id, photo)); // prettier-ignore
  if (!row) throw notFound('photo');
  return keptFrom(here, here.files.original(row.sha256), cleanName(row.name));
}

/**
 * Keeps an arrived file as a picture; the same one again is the one there is.
 *
 * @throws WobrelError `photo-…` where the file is no picture that can be worked with
 */
export async function takePicture(here: Here, arrival: Arrival): Promise<Omit<KeptPicture, 'uses'>> {
  try {
    readyForPictures(here);
    if (arrival.tooLarge)
      throw new WobrelError('photo-too-large', `The file is larger than ${MAX_FILE_BYTES / 1024 / 1024} MB.`);
    const path = await readable(arrival.path, () => developedPath(arrival), developInThread);
    await inspectPhoto(path);
    return await keptFrom(here, path, cleanName(arrival.name));
  } finally {
    await removeArrival(arrival);
  }
}

/** Where a kept picture's file lies. @throws WobrelError `not-found` */
export async function pictureFile(here: Here, sha256: string): Promise<string> {
  const [row] = await here.db.select().from(pictures).where(eq(pictures.sha256, sha256));
  if (!row) throw new WobrelError('not-found', 'There is no such picture.');
  return here.files.picture(sha256);
}

/** @throws WobrelError `conflict` where something shows it */
export async function deletePicture(here: Here, sha256: string): Promise<void> {
  demand(here, 'maker');
  await pictureFile(here, sha256);
  const part = `%${sha256}%`;
  await here.write(async (tx) => {
    const used = [
      await tx.select({ id: batches.id }).from(batches).where(like(batches.draft, part)).limit(1),
      await tx.select({ id: templateVersions.id }).from(templateVersions).where(like(templateVersions.document, part)).limit(1), // prettier-ignore
      await tx.select({ id: framings.id }).from(framings).where(like(framings.document, part)).limit(1),
      await tx.select({ id: deliveries.id }).from(deliveries).where(like(deliveries.document, part)).limit(1),
    ].flat();
    if (used.length > 0)
      throw new WobrelError('conflict', 'A batch, a saved template, a framing or a delivery shows this picture.');
    const [row] = await tx.delete(pictures).where(eq(pictures.sha256, sha256)).returning({ name: pictures.name });
    if (row) await note(tx, here, { verb: 'deleted', kind: 'picture', name: row.name });
  });
  await rm(here.files.picture(sha256), { force: true });
}

/** @throws WobrelError `picture-missing` with the field that names a picture which is not kept */
export async function refuseMissing(here: Here, template: Template): Promise<void> {
  const wanted = picturesOf(template);
  if (wanted.length === 0) return;
  const rows = await here.db
    .select({ sha256: pictures.sha256 })
    .from(pictures)
    .where(inArray(pictures.sha256, wanted.map(({ sha256 }) => sha256))); // prettier-ignore
  const missing = wanted.find(({ sha256 }) => !rows.some((row) => row.sha256 === sha256));
  if (missing) throw new WobrelError('picture-missing', `${missing.at}: there is no such picture`, missing.at);
}
