/** Subjects of photos whose first look was wrong or doubtful: pointed at, or like others that were. */
import { and, desc, eq, ne, sql } from 'drizzle-orm';
import { access } from 'node:fs/promises';
import { WobrelError } from '../../core/errors';
import type { FoundSubject, Pointing } from '../../core/sight';
import { tables } from '../db';
import { demand, type Here } from '../workspace';
import { batchRow } from './batches';
import { notFound } from './refusals';
import { sightPool } from './sight-pool';

const { photos } = tables;

/**
 * The outline of what somebody points at in a picture; null where nothing is pointed at yet, or nothing is found there.
 *
 * @throws WobrelError `not-found`, `photo-unseen`
 */
export async function pointedAt(here: Here, sha256: string, pointing: Pointing): Promise<FoundSubject | null> {
  demand(here, 'artist');
  const path = here.files.proxy(sha256, 512);
  await access(path).catch(() => {
    throw notFound('photo');
  });
  return sightPool().point(path, pointing);
}

/** Subjects that others are compared with, at most: those of the last photos by number. */
const EXAMPLES = 12;

const outline = (path: string) => sql`json_extract(${photos.handSubject}, ${path})`;

/** Subjects of a batch whose outlines somebody pointed at. */
async function examplesIn(here: Here, batchId: number, without: number) {
  const rows = await here.db
    .select({ sha256: photos.sha256, box: outline('$.box'), mask: sql<string>`${outline('$.mask')}` })
    .from(photos)
    .where(
      and(
        eq(photos.batchId, batchId),
        ne(photos.id, without),
        sql`${outline('$.mask')} is not null`,
        sql`${outline('$.alike')} is null`,
      ),
    )
    .orderBy(desc(photos.id))
    .limit(EXAMPLES);
  return rows.map(({ sha256, box, mask }) => ({
    path: here.files.proxy(sha256, 512),
    subject: { box: JSON.parse(box as string) as FoundSubject['box'], mask },
  }));
}

/**
 * The subject of a batch's photo that is like those that somebody pointed at in others; null where nothing is.
 *
 * @throws WobrelError `not-found`, `no-examples`, `photo-unseen`
 */
export async function foundAlike(here: Here, batchId: number, photoId: number): Promise<FoundSubject | null> {
  demand(here, 'artist');
  await batchRow(here, batchId);
  const [photo] = await here.db
    .select({ sha256: photos.sha256 })
    .from(photos)
    .where(and(eq(photos.batchId, batchId), eq(photos.id, photoId)));
  if (!photo) throw notFound('photo');
  const examples = await examplesIn(here, batchId, photoId);
  if (examples.length === 0)
    throw new WobrelError('no-examples', 'Nothing to go by: point at the subject of another photo first.');
  return sightPool().alike(here.files.proxy(photo.sha256, 512), examples);
}
