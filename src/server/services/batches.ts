/** Batches: a set of photos and the template they go through. */
import { and, asc, count, desc, eq, inArray, isNotNull, ne, sql } from 'drizzle-orm';
import { z } from 'zod';
import { checker } from '../../core/checks';
import { WobrelError } from '../../core/errors';
import type { Adjustment, HandSubject, PhotoToPlace } from '../../core/placement';
import type { Sight } from '../../core/sight';
import { parseTemplate, type Template } from '../../core/template';
import { database, tables, write, type DeliveryState } from '../db';

const { batches, deliveries, deliveryFiles, photos, refusals, sights, templates, templateVersions } = tables;

export const batchNameSchema = z.string().trim().min(1, { error: 'a batch needs a name' }).max(120);

export type BatchCard = {
  id: number;
  name: string;
  createdAt: number;
  photoCount: number;
  refusalCount: number;
  /** Photos with a finding. */
  findingCount: number;
  /** The newest delivery, if there was one. */
  delivery: { id: number; state: DeliveryState; fileCount: number; filesDone: number } | null;
  /** Photos spread evenly through the batch, for the strip of cutouts. */
  strip: (PhotoToPlace & { id: number })[];
  template: Template;
};

export type BatchDetail = {
  id: number;
  name: string;
  revision: number;
  template: Template;
  /** The saved version the draft began from. */
  saved: { templateId: number; name: string; version: number; template: Template } | null;
  photoCount: number;
  refusals: { id: number; name: string; message: string; at: number }[];
  refusalCount: number;
};

/** Photos shown on a batch's card. */
const STRIP = 5;
/** Refusals listed one by one; the count goes on. */
const REFUSALS_LISTED = 500;

export function notFound(what: string): WobrelError {
  return new WobrelError('not-found', `There is no such ${what}.`);
}

/** A new batch with a plain template, or with the newest version of a saved one. */
export async function createBatch(name: string, templateId: number | null = null): Promise<number> {
  const [version] = templateId
    ? await database()
        .select()
        .from(templateVersions)
        .where(eq(templateVersions.templateId, templateId))
        .orderBy(desc(templateVersions.version))
        .limit(1)
    : [];
  if (templateId && !version) throw notFound('template');
  const draft = version?.document ?? parseTemplate({ wobrel: 1, name: 'Plain circle' });
  return write(async (tx) => {
    const [row] = await tx
      .insert(batches)
      .values({ name, draft, templateVersionId: version?.id ?? null })
      .returning({ id: batches.id });
    return row!.id;
  });
}

/** A few photos of each batch, spread evenly through its list. */
function stripPhotos() {
  const db = database();
  const ranked = db
    .select({
      id: photos.id,
      batchId: photos.batchId,
      width: photos.width,
      height: photos.height,
      sight: sights.document,
      handSubject: photos.handSubject,
      adjustment: photos.adjustment,
      rank: sql<number>`row_number() over (partition by ${photos.batchId} order by ${photos.name}, ${photos.id}) - 1`.as(
        'rank',
      ),
      step: sql<number>`max(1, count(*) over (partition by ${photos.batchId}) / ${sql.raw(String(STRIP))})`.as('step'),
    })
    .from(photos)
    .leftJoin(sights, eq(sights.sha256, photos.sha256))
    .where(ne(photos.review, 'out'))
    .as('ranked');
  return db
    .select()
    .from(ranked)
    .where(sql`${ranked.rank} % ${ranked.step} = 0 and ${ranked.rank} / ${ranked.step} < ${sql.raw(String(STRIP))}`)
    .orderBy(asc(ranked.rank));
}

/** How many photos of each size every batch holds: without a subject to centre, hardly anything else counts. */
function photoSizes() {
  const { batchId, width, height, hasAlpha } = photos;
  return database()
    .select({ batchId, width, height, hasAlpha, n: count() })
    .from(photos)
    .groupBy(batchId, width, height, hasAlpha);
}

/** Before the wall has counted: by size alone, or none where it depends on what is seen in each photo. */
function findingCount(template: Template, sizes: Awaited<ReturnType<typeof photoSizes>>): number {
  if (template.centring.rule !== 'middle') return 0;
  const { check } = checker(template);
  const failing = sizes.filter((size) => check(size).some((finding) => finding.about === 'photo'));
  return failing.reduce((sum, { n }) => sum + n, 0);
}

/** All batches, newest first, in a fixed number of queries. */
export async function listBatches(): Promise<BatchCard[]> {
  const db = database();
  const rows = await db.select().from(batches).orderBy(desc(batches.id));
  const counted = await db.select({ batchId: photos.batchId, n: count() }).from(photos).groupBy(photos.batchId);
  const refused = await db.select({ batchId: refusals.batchId, n: count() }).from(refusals).groupBy(refusals.batchId);
  const newest = await db
    .select({
      id: deliveries.id,
      batchId: deliveries.batchId,
      state: deliveries.state,
      fileCount: deliveries.fileCount,
    })
    .from(deliveries)
    .where(
      inArray(
        deliveries.id,
        db
          .select({ id: sql<number>`max(${deliveries.id})` })
          .from(deliveries)
          .groupBy(deliveries.batchId),
      ),
    );
  const written = await db
    .select({ id: deliveryFiles.deliveryId, n: count() })
    .from(deliveryFiles)
    .where(
      and(
        inArray(
          deliveryFiles.deliveryId,
          newest.map((d) => d.id),
        ),
        isNotNull(deliveryFiles.sha256),
      ),
    )
    .groupBy(deliveryFiles.deliveryId);
  const strips = await stripPhotos();
  const sizes = await photoSizes();
  const numberOf = (list: { batchId: number; n: number }[], id: number) => list.find((c) => c.batchId === id)?.n ?? 0;
  return rows.map((row) => {
    const template = parseTemplate(row.draft);
    const delivery = newest.find((d) => d.batchId === row.id);
    return {
      id: row.id,
      name: row.name,
      createdAt: row.createdAt,
      photoCount: numberOf(counted, row.id),
      refusalCount: numberOf(refused, row.id),
      delivery: delivery
        ? {
            id: delivery.id,
            state: delivery.state,
            fileCount: delivery.fileCount,
            filesDone: written.find((w) => w.id === delivery.id)?.n ?? 0,
          }
        : null,
      strip: strips
        .filter((s) => s.batchId === row.id)
        .map(({ id, width, height, sight, handSubject, adjustment }) => ({
          id,
          width,
          height,
          sight: sight as Sight | null,
          handSubject: handSubject as HandSubject | null,
          adjustment: adjustment as Adjustment | null,
        })),
      findingCount:
        row.findingCount ??
        findingCount(
          template,
          sizes.filter((s) => s.batchId === row.id),
        ),
      template,
    };
  });
}

export async function batchRow(id: number) {
  const [row] = await database().select().from(batches).where(eq(batches.id, id));
  if (!row) throw notFound('batch');
  return row;
}

export async function batchDetail(id: number): Promise<BatchDetail> {
  const db = database();
  const row = await batchRow(id);
  const [saved] = row.templateVersionId
    ? await db
        .select({
          templateId: templates.id,
          name: templates.name,
          version: templateVersions.version,
          document: templateVersions.document,
        })
        .from(templateVersions)
        .innerJoin(templates, eq(templates.id, templateVersions.templateId))
        .where(eq(templateVersions.id, row.templateVersionId))
    : [];
  const [{ n: photoCount }] = (await db.select({ n: count() }).from(photos).where(eq(photos.batchId, id))) as [
    { n: number },
  ];
  const [{ n: refusalCount }] = (await db.select({ n: count() }).from(refusals).where(eq(refusals.batchId, id))) as [
    { n: number },
  ];
  const listed = await db
    .select({ id: refusals.id, name: refusals.name, message: refusals.message, at: refusals.at })
    .from(refusals)
    .where(eq(refusals.batchId, id))
    .orderBy(desc(refusals.id))
    .limit(REFUSALS_LISTED);
  return {
    id,
    name: row.name,
    revision: row.revision,
    template: parseTemplate(row.draft),
    saved: saved
      ? {
          templateId: saved.templateId,
          name: saved.name,
          version: saved.version,
          template: parseTemplate(saved.document),
        }
      : null,
    photoCount,
    refusals: listed,
    refusalCount,
  };
}

/** Notes how many photos have a finding. */
export async function noteFindings(id: number, count: number): Promise<void> {
  await write(async (tx) => {
    await tx.update(batches).set({ findingCount: count }).where(eq(batches.id, id));
  });
}

export async function renameBatch(id: number, name: string): Promise<void> {
  await batchRow(id);
  await write(async (tx) => {
    await tx.update(batches).set({ name }).where(eq(batches.id, id));
  });
}

/** Deletes the batch and what belongs to it; deliveries made from it stay. */
export async function deleteBatch(id: number): Promise<void> {
  await write(async (tx) => {
    await tx.delete(batches).where(eq(batches.id, id));
  });
}

/**
 * Keeps the template as it stands on the batch. `revision` is the one the change was
 * made on: two windows on the same batch can't silently undo each other.
 *
 * @returns the new revision
 * @throws WobrelError `template-…`, `not-found`, or `conflict`
 */
export async function saveDraft(id: number, document: unknown, revision: number): Promise<number> {
  const template = parseTemplate(document);
  const changed = await write((tx) =>
    tx
      .update(batches)
      .set({ draft: template, revision: revision + 1 })
      .where(and(eq(batches.id, id), eq(batches.revision, revision)))
      .returning({ revision: batches.revision }),
  );
  if (changed[0]) return changed[0].revision;
  await batchRow(id);
  throw new WobrelError('conflict', 'This batch’s template was changed in another window. Reload to see it.');
}

/** Forgets the list of refused files. */
export async function clearRefusals(id: number): Promise<void> {
  await write(async (tx) => {
    await tx.delete(refusals).where(eq(refusals.batchId, id));
  });
}
