/** Saved templates: a name and its versions. */
import { and, eq, inArray, isNull, max, sql } from 'drizzle-orm';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { inNameOrder } from '../../core/name-order';
import { keptTemplate, OPENABLE, type Template } from '../../core/template';
import { tables, type Transaction } from '../db';
import { outlinesOf, type KeptTemplate } from '../geometry';
import { demand, nameOf, note, type Here } from '../workspace';
import { batchRow } from './batches';
import { refuseMissing } from './pictures';
import { changedElsewhere, notFound } from './refusals';
import { newestVersion, newestVersions, refuseLocked } from './versions';

const { batches, templates, templateVersions } = tables;

export const templateNameSchema = z.string().trim().min(1, { error: 'a template needs a name' }).max(120);

/** What is said of a version. */
export const noteSchema = z.string().trim().min(1).max(500);

export type SavedTemplate = { id: number; name: string; version: number; savedAt: number; template: Template };

/** Every saved template that is not put away with its newest version, by name. */
export async function listTemplates(here: Here): Promise<SavedTemplate[]> {
  const db = here.db;
  const newest = newestVersions(here);
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
    .where(isNull(templates.archivedAt));
  return inNameOrder(rows, ({ name }) => name).map(({ document, ...row }) => ({
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

/** The next version of a template, whatever its last one is. */
async function addVersion(
  here: Here,
  tx: Transaction,
  templateId: number,
  { template, outline }: KeptTemplate,
  note: string | null,
): Promise<{ id: number; version: number }> {
  const [last] = await tx
    .select({ version: max(templateVersions.version) })
    .from(templateVersions)
    .where(eq(templateVersions.templateId, templateId));
  const version = (last?.version ?? 0) + 1;
  const [row] = await tx
    .insert(templateVersions)
    .values({ templateId, version, document: template, outline, note, madeBy: nameOf(here) })
    .returning({ id: templateVersions.id });
  return { id: row!.id, version };
}

/** The template of a name, made where there is none; one that was put away is in use again. */
async function templateCalled(tx: Transaction, name: string): Promise<number> {
  await tx
    .insert(templates)
    .values({ name })
    .onConflictDoUpdate({ target: templates.name, set: { archivedAt: null } });
  const [template] = await tx.select().from(templates).where(eq(templates.name, name));
  return template!.id;
}

/**
 * Saves the batch's template under a name: a new template, or the next version of the one called so.
 *
 * @param revision of the draft that is meant
 * @param note what is said of this version
 * @throws WobrelError `conflict` where the draft is another by now
 */
export async function saveTemplate(
  here: Here,
  batchId: number,
  name: string,
  revision: number,
  said: string | null = null,
): Promise<{ id: number; version: number }> {
  demand(here, 'maker');
  const batch = await batchRow(here, batchId);
  const document = keptTemplate({ ...(batch.draft as object), name });
  const { outline } = batch;
  return here.write(async (tx) => {
    const id = await templateCalled(tx, name);
    const made = await addVersion(here, tx, id, { template: document, outline }, said);
    await changeDraft(tx, batchId, revision, { templateVersionId: made.id, draft: document });
    await note(tx, here, savedAs(id, name, made.version, said));
    return { id, version: made.version };
  });
}

/**
 * Reads a document without keeping it.
 *
 * @returns it with every default, and the version that it would become where its name is taken
 * @throws WobrelError as `parseTemplate`
 */
export async function readTemplate(
  here: Here,
  document: unknown,
): Promise<{ template: Template; nextVersion: number | null }> {
  const { template } = await outlinesOf().template(document);
  const [called] = await here.db
    .select({ version: max(templateVersions.version) })
    .from(templates)
    .innerJoin(templateVersions, eq(templateVersions.templateId, templates.id))
    .where(eq(templates.name, template.name))
    .groupBy(templates.id);
  return { template, nextVersion: called ? (called.version ?? 0) + 1 : null };
}

/**
 * Saves a document as a template of its own, or as the next version of the one that goes by its name.
 *
 * @throws WobrelError as `parseTemplate`; `picture-missing`; `conflict` where the name is taken and no version of it is meant
 */
export async function createTemplate(
  here: Here,
  document: unknown,
  asVersion: boolean,
  said: string | null = null,
): Promise<{ id: number; version: number }> {
  demand(here, 'maker');
  const kept = await outlinesOf().template(document);
  await refuseMissing(here, kept.template);
  const { name } = kept.template;
  return here.write(async (tx) => {
    const [called] = await tx.select().from(templates).where(eq(templates.name, name));
    if (called && !asVersion) throw nameTaken(name);
    const id = await templateCalled(tx, name);
    const { version } = await addVersion(here, tx, id, kept, said);
    await note(tx, here, savedAs(id, name, version, said));
    return { id, version };
  });
}

/**
 * Saves an older version once more as the newest; nothing that was saved changes.
 *
 * @throws WobrelError `not-found`
 */
export async function bringBack(here: Here, id: number, version: number): Promise<{ version: number }> {
  demand(here, 'maker');
  return here.write(async (tx) => {
    const [old] = await tx
      .select({ document: templateVersions.document, outline: templateVersions.outline, name: templates.name })
      .from(templateVersions)
      .innerJoin(templates, eq(templates.id, templateVersions.templateId))
      .where(and(eq(templateVersions.templateId, id), eq(templateVersions.version, version)));
    if (!old) throw notFound('version');
    const template = keptTemplate({ ...(old.document as object), name: old.name });
    const said = `as version ${version} was`;
    const made = await addVersion(here, tx, id, { template, outline: old.outline }, said);
    await note(tx, here, savedAs(id, old.name, made.version, said));
    return { version: made.version };
  });
}

/** What is noted of a version that was saved. */
const savedAs = (subject: number, name: string, version: number, said: string | null) =>
  ({ verb: 'saved-version', kind: 'template', subject, name, words: `version ${version}${said ? `, ${said}` : ''}` }) as const; // prettier-ignore

/** What a change of a template is about. */
function changeWords({ name, tags, archived, open }: z.infer<typeof templateChangeSchema>): string {
  const parts = [
    name !== undefined && `its name: ${name}`,
    tags && 'its tags',
    archived !== undefined && (archived ? 'put away' : 'taken out again'),
    open !== undefined && 'what batches may change',
  ];
  return parts.filter(Boolean).join('; ');
}

const nameTaken = (name: string) =>
  new WobrelError('conflict', `There is a template called ${name} already; choose another name.`, 'name');

/** What can be changed of a template besides its versions. */
export const templateChangeSchema = z.strictObject({
  name: templateNameSchema.optional(),
  tags: z.array(z.string().trim().min(1).max(40)).max(12).optional(),
  archived: z.boolean().optional(),
  /** What batches may change, parts and single fields; null for everything. */
  open: z
    .array(z.enum(OPENABLE as [string, ...string[]]))
    .max(OPENABLE.length)
    .nullable()
    .optional(),
});

/**
 * Changes a template's name, tags, or whether it is put away. Batches that began from it follow its name.
 *
 * @throws WobrelError `not-found`, or `conflict` where another template is called so
 */
export async function changeTemplate(
  here: Here,
  id: number,
  { name, tags, archived, open }: z.infer<typeof templateChangeSchema>,
): Promise<void> {
  demand(here, 'maker');
  await here.write(async (tx) => {
    const [before] = await tx.select().from(templates).where(eq(templates.id, id));
    if (!before) throw notFound('template');
    if (name !== undefined && name !== before.name) {
      const [called] = await tx.select().from(templates).where(eq(templates.name, name));
      if (called && called.id !== id) throw nameTaken(name);
      const own = tx.select({ id: templateVersions.id }).from(templateVersions).where(eq(templateVersions.templateId, id)); // prettier-ignore
      await tx
        .update(batches)
        .set({ draft: sql`json_set(${batches.draft}, '$.name', ${name})` })
        .where(
          and(inArray(batches.templateVersionId, own), sql`json_extract(${batches.draft}, '$.name') = ${before.name}`),
        );
    }
    await tx
      .update(templates)
      .set({
        name: name ?? before.name,
        tags: tags ? [...new Set(tags)] : before.tags,
        open: open === undefined ? before.open : open && [...new Set(open)],
        archivedAt: archived === undefined ? before.archivedAt : archived ? (before.archivedAt ?? Date.now()) : null,
      })
      .where(eq(templates.id, id));
    const asked = { name, tags, archived, open };
    await note(tx, here, {
      verb: 'changed',
      kind: 'template',
      subject: id,
      name: before.name,
      words: changeWords(asked),
    });
  });
}

/** Deletes a saved template with all its versions; batches keep their own copy. */
export async function deleteTemplate(here: Here, id: number): Promise<void> {
  demand(here, 'maker');
  await here.write(async (tx) => {
    const [row] = await tx.delete(templates).where(eq(templates.id, id)).returning({ name: templates.name });
    if (!row) throw notFound('template');
    await note(tx, here, { verb: 'deleted', kind: 'template', subject: id, name: row.name });
  });
}

/**
 * Puts the newest version of a saved template on a batch.
 *
 * @param document that version with the batch's own changes; the version as it is where it is left out
 * @throws WobrelError `not-found`, as `parseTemplate`, or `conflict` where the draft is another than the one meant
 */
export async function applyTemplate(
  here: Here,
  batchId: number,
  templateId: number,
  revision: number,
  document?: unknown,
): Promise<void> {
  demand(here, 'artist');
  const { name, draft } = await batchRow(here, batchId);
  const newest = await newestVersion(here, templateId);
  const own = document === undefined ? null : await outlinesOf().template(document);
  if (own) {
    await refuseMissing(here, own.template);
    await refuseLocked(here, newest.templateVersionId, draft, own.template, newest.draft);
  }
  await here.write(async (tx) => {
    await changeDraft(tx, batchId, revision, own ? { ...newest, draft: own.template, outline: own.outline } : newest);
    await note(tx, here, { verb: 'applied', kind: 'batch', subject: batchId, name, words: newest.draft.name });
  });
}
