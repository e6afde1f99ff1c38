/** Saved templates: a name and its versions. */
import { and, eq, max, sql } from 'drizzle-orm';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { keptTemplate, type Template } from '../../core/template';
import { database, tables, write, type Transaction } from '../db';
import { batchRow } from './batches';
import { changedElsewhere, notFound } from './refusals';
import { newestVersion } from './versions';

const { batches, templates, templateVersions } = tables;

export const templateNameSchema = z.string().trim().min(1, { error: 'a template needs a name' }).max(120);

export type SavedTemplate = { id: number; name: string; version: number; savedAt: number; template: Template };

/** Every saved template with its newest version, by name. */
export async function listTemplates(): Promise<SavedTemplate[]> {
  const db = database();
  const newest = db
    .select({ templateId: templateVersions.templateId, version: max(templateVersions.version).as('newest') })
    .from(templateVersions)
    .groupBy(templateVersions.templateId)
    .as('newest_versions');
  const rows = await db
    .select({
      id: templates.id,
      name: templates.name,
      version: templateVersions.version,
      savedAt: templateVersions.createdAt,
      document: templateVersions.document,
    })
    .from(templates)
    .innerJoin(newest, eq(newest.templateId, templates.id))
    .innerJoin(
      templateVersions,
      sql`${templateVersions.templateId} = ${templates.id} and ${templateVersions.version} = ${newest.version}`,
    )
    .orderBy(templates.name);
  return rows.map(({ document, ...row }) => ({
    ...row,
    template: keptTemplate({ ...(document as object), name: row.name }),
  }));
}

/** Changes a batch's draft where it still is what the change was made on. */
async function changeDraft(
  tx: Transaction,
  batchId: number,
  revision: number,
  fields: Partial<typeof batches.$inferInsert>,
): Promise<void> {
  const [row] = await tx
    .update(batches)
    .set({ ...fields, revision: revision + 1, savedBy: null, savedChange: 0, findingCount: null })
    .where(and(eq(batches.id, batchId), eq(batches.revision, revision)))
    .returning({ id: batches.id });
  if (!row) throw changedElsewhere();
}

/**
 * Saves the batch's template under a name: a new template, or the next version of the one called so.
 *
 * @param revision of the draft that is meant
 * @throws WobrelError `conflict` where the draft is another by now
 */
export async function saveTemplate(
  batchId: number,
  name: string,
  revision: number,
): Promise<{ id: number; version: number }> {
  const batch = await batchRow(batchId);
  const document = keptTemplate({ ...(batch.draft as object), name });
  const { outline } = batch;
  return write(async (tx) => {
    await tx.insert(templates).values({ name }).onConflictDoNothing();
    const [template] = await tx.select().from(templates).where(eq(templates.name, name));
    const [last] = await tx
      .select({ version: max(templateVersions.version) })
      .from(templateVersions)
      .where(eq(templateVersions.templateId, template!.id));
    const version = (last?.version ?? 0) + 1;
    const [row] = await tx
      .insert(templateVersions)
      .values({ templateId: template!.id, version, document, outline })
      .returning({ id: templateVersions.id });
    await changeDraft(tx, batchId, revision, { templateVersionId: row!.id, draft: document });
    return { id: template!.id, version };
  });
}

/**
 * Gives a saved template another name; its versions and the batches that use it keep what they are.
 *
 * @throws WobrelError `not-found`, or `conflict` where another template is called so
 */
export async function renameTemplate(id: number, name: string): Promise<void> {
  await write(async (tx) => {
    const [called] = await tx.select().from(templates).where(eq(templates.name, name));
    if (called && called.id !== id)
      throw new WobrelError('conflict', `There is a template called ${name} already; choose another name.`, 'name');
    const [row] = await tx.update(templates).set({ name }).where(eq(templates.id, id)).returning({ id: templates.id });
    if (!row) throw notFound('template');
  });
}

/** Deletes a saved template with all its versions; batches keep their own copy. */
export async function deleteTemplate(id: number): Promise<void> {
  await write(async (tx) => {
    const [row] = await tx.delete(templates).where(eq(templates.id, id)).returning({ id: templates.id });
    if (!row) throw notFound('template');
  });
}

/**
 * Puts the newest version of a saved template on a batch.
 *
 * @throws WobrelError `not-found`, or `conflict` where the draft is another than the one meant
 */
export async function applyTemplate(batchId: number, templateId: number, revision: number): Promise<void> {
  await batchRow(batchId);
  const newest = await newestVersion(templateId);
  await write((tx) => changeDraft(tx, batchId, revision, newest));
}
