/** What a delivery's own page shows: its files in pages, their pictures, and what is different from another's. */
import { and, asc, count, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/sqlite-core';
import { readFile } from 'node:fs/promises';
import { shownIn } from '../render';
import { join } from 'node:path';
import PQueue from 'p-queue';
import sharp from 'sharp';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { CHECKS } from '../../core/checks';
import type { ManifestItem } from '../../core/export';
import { tables } from '../db';
import { oncePerProcess } from '../once';
import type { Here } from '../workspace';
import { deliveryRow } from './delivery-plans';

const { deliveryFiles, deliveryPhotos } = tables;

export type DeliveredFile = {
  id: number;
  /** Of its photo or group. */
  photo: string;
  output: string;
  file: string;
  width: number;
  height: number;
  bytes: number;
  sha256: string;
  quality: number | null;
  /** True where it was taken over from an earlier delivery. */
  isTaken: boolean;
  findings: ManifestItem['findings'];
};

/** Most files of a page. */
const MOST = 200;

export const filesQuery = z.strictObject({
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(MOST).default(MOST),
  show: z.enum(['all', 'made', 'found']).default('all'),
});

/** Checks that say the same of every photo of an output: no news on a file. */
const OF_ALL: readonly string[] = CHECKS.filter(({ about }) => about === 'output').map(({ id }) => id);

const COLUMNS = {
  id: deliveryFiles.id,
  photo: deliveryPhotos.photo,
  output: deliveryFiles.output,
  file: deliveryFiles.file,
  width: deliveryFiles.width,
  height: deliveryFiles.height,
  bytes: deliveryFiles.bytes,
  sha256: deliveryFiles.sha256,
  quality: deliveryFiles.quality,
  takenFrom: deliveryFiles.takenFrom,
  findings: deliveryFiles.findings,
};

type Columns = { [K in Exclude<keyof typeof COLUMNS, 'photo'>]: (typeof deliveryFiles.$inferSelect)[K] } & {
  photo: string;
};

const fileOf = ({ takenFrom, findings, width, height, bytes, sha256, ...row }: Columns): DeliveredFile => ({
  ...row,
  width: width!,
  height: height!,
  bytes: bytes!,
  sha256: sha256!,
  isTaken: takenFrom !== null,
  findings: (findings ?? []).filter(({ check }) => !OF_ALL.includes(check)),
});

/** Files that are finished, in the order of the manifest. */
export async function deliveredFiles(here: Here, id: number, { offset, limit, show }: z.infer<typeof filesQuery>) {
  await deliveryRow(here, id);
  const those = and(
    eq(deliveryFiles.deliveryId, id),
    isNotNull(deliveryFiles.sha256),
    show === 'made' ? isNull(deliveryFiles.takenFrom) : undefined,
    show === 'found' ? sql`exists (select 1 from json_each(${deliveryFiles.findings}) where json_extract(value, '$.check') not in ${OF_ALL})` : undefined, // prettier-ignore
  );
  const rows = await here.db
    .select(COLUMNS)
    .from(deliveryFiles)
    .innerJoin(deliveryPhotos, eq(deliveryPhotos.id, deliveryFiles.deliveryPhotoId))
    .where(those)
    .orderBy(asc(deliveryFiles.id))
    .limit(limit)
    .offset(offset);
  const [total] = await here.db.select({ n: count() }).from(deliveryFiles).where(those);
  return { files: rows.map(fileOf), total: total!.n };
}

/** Longest side of the pictures on the page, pixels. */
const SIDE = 240;

/**
 * A file of a delivery made small, with its transparency.
 *
 * @throws WobrelError `not-found`, `gone`
 */
export async function deliveredPicture(here: Here, id: number, fileId: number): Promise<Buffer> {
  const [row] = await here.db
    .select({ file: deliveryFiles.file })
    .from(deliveryFiles)
    .where(and(eq(deliveryFiles.deliveryId, id), eq(deliveryFiles.id, fileId), isNotNull(deliveryFiles.sha256)));
  if (!row) throw new WobrelError('not-found', 'There is no such file.');
  const data = await readFile(join(here.files.delivery(id), row.file)).catch(() => {
    throw new WobrelError('gone', `${row.file} is missing from the delivery’s folder.`, row.file);
  });
  const small = () => sharp(shownIn(row.file, data)).resize(SIDE, SIDE, { fit: 'inside', withoutEnlargement: true }).webp({ quality: 85, alphaQuality: 100 }).toBuffer(); // prettier-ignore
  // Large files are decoded whole: not all of a page at once.
  return oncePerProcess('delivered-pictures', () => new PQueue({ concurrency: 2 })).add(small);
}

export type DeliveryDifferences = {
  same: number;
  /** Files of both that are not the same bytes: of then and of now. */
  different: [before: DeliveredFile, after: DeliveredFile][];
  differentCount: number;
  added: DeliveredFile[];
  addedCount: number;
  gone: DeliveredFile[];
  goneCount: number;
};

/** Files listed of each kind. */
const LISTED = 200;

const counted = sql<number>`count(*) over ()`.as('counted');

/** Finished files of one delivery whose names another does not have. */
async function lacking(here: Here, of: number, inOther: number) {
  const other = alias(deliveryFiles, 'other_files');
  const rows = await here.db
    .select({ ...COLUMNS, counted })
    .from(deliveryFiles)
    .innerJoin(deliveryPhotos, eq(deliveryPhotos.id, deliveryFiles.deliveryPhotoId))
    .leftJoin(other, and(eq(other.deliveryId, inOther), eq(other.file, deliveryFiles.file), isNotNull(other.sha256)))
    .where(and(eq(deliveryFiles.deliveryId, of), isNotNull(deliveryFiles.sha256), isNull(other.id)))
    .orderBy(asc(deliveryFiles.id))
    .limit(LISTED);
  return { files: rows.map(({ counted: _, ...row }) => fileOf(row)), count: rows[0]?.counted ?? 0 };
}

/**
 * What is different between two deliveries, by the names of their files.
 *
 * @param before id of the earlier one
 * @throws WobrelError `not-found`
 */
export async function deliveryDifferences(here: Here, id: number, before: number): Promise<DeliveryDifferences> {
  await Promise.all([deliveryRow(here, id), deliveryRow(here, before)]);
  const [then, thenPhotos] = [alias(deliveryFiles, 'then_files'), alias(deliveryPhotos, 'then_photos')];
  const both = and(eq(deliveryFiles.deliveryId, id), isNotNull(deliveryFiles.sha256), isNotNull(then.sha256));
  const sameName = and(eq(then.deliveryId, before), eq(then.file, deliveryFiles.file));
  const thenColumns = Object.fromEntries(
    Object.keys(COLUMNS).map((key) => [key, key === 'photo' ? thenPhotos.photo : then[key as 'id']]),
  ) as unknown as typeof COLUMNS;
  const rows = await here.db
    .select({ after: COLUMNS, before: thenColumns, counted })
    .from(deliveryFiles)
    .innerJoin(deliveryPhotos, eq(deliveryPhotos.id, deliveryFiles.deliveryPhotoId))
    .innerJoin(then, sameName)
    .innerJoin(thenPhotos, eq(thenPhotos.id, then.deliveryPhotoId))
    .where(and(both, sql`${then.sha256} <> ${deliveryFiles.sha256}`))
    .orderBy(asc(deliveryFiles.id))
    .limit(LISTED);
  const [same] = await here.db
    .select({ n: count() })
    .from(deliveryFiles)
    .innerJoin(then, sameName)
    .where(and(both, eq(then.sha256, deliveryFiles.sha256)));
  const [added, gone] = [await lacking(here, id, before), await lacking(here, before, id)];
  return {
    same: same!.n,
    different: rows.map((row) => [fileOf(row.before), fileOf(row.after)]),
    differentCount: rows[0]?.counted ?? 0,
    added: added.files,
    addedCount: added.count,
    gone: gone.files,
    goneCount: gone.count,
  };
}
