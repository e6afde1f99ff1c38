/** Saved templates: a name and its versions. */
import { desc, eq, max, sql } from 'drizzle-orm';
import { z } from 'zod';
import { parseTemplate, type Template } from '../../core/template';
import { database, tables, write } from '../db';
import { batchRow, notFound } from './batches';

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
  return rows.map(({ document, ...row }) => ({ ...row, template: parseTemplate(document) }));
}

/** Saves the batch's template under a name: a new template, or the next version of the one called so. */
export async function saveTemplate(batchId: number, name: string): Promise<{ id: number; version: number }> {
  const batch = await batchRow(batchId);
  const document = parseTemplate({ ...(batch.draft as object), name });
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
      .values({ templateId: template!.id, version, document })
      .returning({ id: templateVersions.id });
    await tx
      .update(batches)
      .set({ templateVersionId: row!.id, draft: document, revision: batch.revision + 1 })
      .where(eq(batches.id, batchId));
    return { id: template!.id, version };
  });
}

/** Puts the newest version of a saved template on a batch. */
export async function applyTemplate(batchId: number, templateId: number): Promise<void> {
  const batch = await batchRow(batchId);
  const [version] = await database()
    .select()
    .from(templateVersions)
    .where(eq(templateVersions.templateId, templateId))
    .orderBy(desc(templateVersions.version))
    .limit(1);
  if (!version) throw notFound('template');
  await write(async (tx) => {
    await tx
      .update(batches)
      .set({ draft: version.document, templateVersionId: version.id, revision: batch.revision + 1 })
      .where(eq(batches.id, batchId));
  });
}
