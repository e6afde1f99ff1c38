/** Batches: a set of photos and the template they go through. */
import { and, count, desc, eq, gte, inArray, isNotNull, lt, or, sql } from 'drizzle-orm';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { keptTemplate, type OpenFields, type Template } from '../../core/template';
import { tables, type DeliveryState } from '../db';
import { outlinesOf } from '../geometry';
import { demand, note, type Here } from '../workspace';
import { changedElsewhere, notFound } from './refusals';
import { askForFindings } from './findings';
import { refuseMissing } from './pictures';
import { stripsOf, type StripPhoto } from './strips';
import { newestVersion, refuseLocked } from './versions';

const { batches, deliveries, deliveryFiles, refusals, templates, templateVersions } = tables;

export const batchNameSchema = z.string().trim().min(1, { error: 'a batch needs a name' }).max(120);

export type BatchCard = {
  id: number;
  name: string;
  createdAt: number;
  photoCount: number;
  /** Of them, those that exports leave out. */
  outCount: number;
  refusalCount: number;
  /** Photos to look at; null while they are being counted. */
  findingCount: number | null;
  /** The newest delivery, if there was one. */
  delivery: { id: number; state: DeliveryState; fileCount: number; filesDone: number } | null;
  /** Of cutouts spread evenly through the batch, one photo each. */
  strip: StripPhoto[];
  template: Template;
};

export type BatchDetail = {
  id: number;
  name: string;
  revision: number;
  template: Template;
  /** The saved version the draft began from. */
  saved: {
    templateId: number;
    name: string;
    version: number;
    newest: number;
    open: OpenFields;
    template: Template;
  } | null;
  photoCount: number;
  outCount: number;
  /** Fields of its photos' data, in the order of their columns. */
  fields: readonly string[];
  refusals: { id: number; name: string; message: string; at: number }[];
  refusalCount: number;
};

/** Refusals listed one by one; the count goes on. */
const REFUSALS_LISTED = 500;

/** A new batch with a plain template that suits each photo, or with the newest version of a saved one. */
export async function createBatch(here: Here, name: string, templateId: number | null = null): Promise<number> {
  demand(here, 'artist');
  // A catalogue shape: nothing is worked out for it.
  const plain = () => ({
    draft: keptTemplate({ wobrel: 1, name: 'Plain circle', centring: { rule: 'auto', size: 'batch' } }),
    outline: null,
    templateVersionId: null,
  });
  const start = templateId === null ? plain() : await newestVersion(here, templateId);
  return here.write(async (tx) => {
    const [row] = await tx
      .insert(batches)
      .values({ name, ...start })
      .returning({ id: batches.id });
    await note(tx, here, { verb: 'made', kind: 'batch', subject: row!.id, name });
    return row!.id;
  });
}

/** All batches, newest first, in a fixed number of queries, none of which goes through all photos. */
export async function listBatches(here: Here): Promise<BatchCard[]> {
  const db = here.db;
  const rows = await db.select().from(batches).orderBy(desc(batches.id));
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
  const strips = await stripsOf(here, rows);
  return rows.map((row) => {
    const delivery = newest.find((d) => d.batchId === row.id);
    if (row.findingCount === null) askForFindings(here, row.id);
    return {
      id: row.id,
      name: row.name,
      createdAt: row.createdAt,
      photoCount: row.photoCount,
      outCount: row.outCount,
      refusalCount: refused.find((c) => c.batchId === row.id)?.n ?? 0,
      delivery: delivery
        ? {
            id: delivery.id,
            state: delivery.state,
            fileCount: delivery.fileCount,
            filesDone: written.find((w) => w.id === delivery.id)?.n ?? 0,
          }
        : null,
      strip: strips.get(row.id)!,
      findingCount: row.findingCount,
      template: keptTemplate(row.draft),
    };
  });
}

export async function batchRow(here: Here, id: number) {
  const [row] = await here.db.select().from(batches).where(eq(batches.id, id));
  if (!row) throw notFound('batch');
  return row;
}

export async function batchDetail(here: Here, id: number): Promise<BatchDetail> {
  const db = here.db;
  const row = await batchRow(here, id);
  const [saved] = row.templateVersionId
    ? await db
        .select({
          templateId: templates.id,
          name: templates.name,
          open: templates.open,
          version: templateVersions.version,
          document: templateVersions.document,
          newest: sql<number>`(select max(other.version) from ${templateVersions} as other where other.template_id = ${templates.id})`,
        })
        .from(templateVersions)
        .innerJoin(templates, eq(templates.id, templateVersions.templateId))
        .where(eq(templateVersions.id, row.templateVersionId))
    : [];
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
    template: keptTemplate(row.draft),
    saved: saved
      ? {
          templateId: saved.templateId,
          name: saved.name,
          version: saved.version,
          newest: saved.newest,
          open: saved.open,
          template: keptTemplate(saved.document),
        }
      : null,
    photoCount: row.photoCount,
    outCount: row.outCount,
    fields: row.fields,
    refusals: listed,
    refusalCount,
  };
}

export async function renameBatch(here: Here, id: number, name: string): Promise<void> {
  demand(here, 'artist');
  const before = await batchRow(here, id);
  await here.write(async (tx) => {
    await tx.update(batches).set({ name }).where(eq(batches.id, id));
    await note(tx, here, { verb: 'renamed', kind: 'batch', subject: id, name, words: before.name });
  });
}

/** Deletes the batch and what belongs to it; deliveries made from it stay. */
export async function deleteBatch(here: Here, id: number): Promise<void> {
  demand(here, 'artist');
  await here.write(async (tx) => {
    const [row] = await tx.delete(batches).where(eq(batches.id, id)).returning({ name: batches.name });
    if (row) await note(tx, here, { verb: 'deleted', kind: 'batch', subject: id, name: row.name });
  });
}

/** A save as one of a window's own: its name, and the number of the change. */
export type OwnSave = { readonly window: string; readonly change: number };

/**
 * Keeps the template as it stands on the batch. `revision` is the one the change was
 * made on: two windows on the same batch can't silently undo each other. A window's later
 * save follows its earlier one even where that has not been answered yet; an earlier one
 * that comes late changes nothing.
 *
 * @returns the new revision
 * @throws WobrelError `template-…`, `shape-intricate`, `picture-missing`, `not-found`, or `conflict`
 */
export async function saveDraft(
  here: Here,
  id: number,
  document: unknown,
  revision: number,
  own: OwnSave | null = null,
): Promise<number> {
  demand(here, 'artist');
  const { template, outline } = await outlinesOf().template(document);
  await refuseMissing(here, template);
  const { name, templateVersionId, draft } = await batchRow(here, id);
  await refuseLocked(here, templateVersionId, draft, template);
  const [window, change] = [own?.window ?? null, own?.change ?? 0];
  const isNext = eq(batches.revision, revision);
  const follows = own && and(eq(batches.savedBy, own.window), lt(batches.savedChange, own.change));
  const isLate = own && and(eq(batches.savedBy, own.window), gte(batches.savedChange, own.change));
  const kept = await here.write(async (tx) => {
    if (isLate) {
      const [newer] = await tx
        .select()
        .from(batches)
        .where(and(eq(batches.id, id), isLate));
      if (newer) return newer.revision;
    }
    const [changed] = await tx
      .update(batches)
      .set({
        draft: template,
        outline,
        revision: sql`${batches.revision} + 1`,
        savedBy: window,
        savedChange: change,
        findingCount: null,
        // Other slots make other cutouts.
        strip: null,
      }) // prettier-ignore
      .where(and(eq(batches.id, id), follows ? or(isNext, follows) : isNext))
      .returning({ revision: batches.revision });
    if (!changed) return null;
    await note(tx, here, { verb: 'worked', kind: 'batch', subject: id, name });
    return changed.revision;
  });
  if (kept !== null) return kept;
  await batchRow(here, id);
  throw changedElsewhere();
}

/**
 * Says which fields its photos' data has; what photos have in others is kept, in case they come back.
 *
 * @param was the fields that the change was made on; null where it counts whatever there is
 * @throws WobrelError `conflict` where they are others by now
 */
export async function setFields(
  here: Here,
  id: number,
  fields: readonly string[],
  was: readonly string[] | null = null,
): Promise<void> {
  demand(here, 'artist');
  const { name } = await batchRow(here, id);
  await here.write(async (tx) => {
    const [before] = await tx.select({ fields: batches.fields }).from(batches).where(eq(batches.id, id));
    // As they are to be they may be already: the answer that said so may have been lost.
    const isKnown = [was, fields].some((known) => JSON.stringify(known) === JSON.stringify(before?.fields));
    if (was !== null && !isKnown)
      throw new WobrelError('conflict', 'Somebody else has just changed the fields: theirs stand.');
    // Captions may speak of them, and slots be filled by them: what was worked out is old.
    const stale = { findingCount: null, strip: null, changes: sql`${batches.changes} + 1` };
    await tx.update(batches).set({ fields, ...stale }).where(eq(batches.id, id)); // prettier-ignore
    await note(tx, here, { verb: 'changed', kind: 'batch', subject: id, name, words: 'its fields' });
  });
}

/** Forgets the list of refused files. */
export async function clearRefusals(here: Here, id: number): Promise<void> {
  demand(here, 'artist');
  await here.write(async (tx) => {
    await tx.delete(refusals).where(eq(refusals.batchId, id));
  });
}
