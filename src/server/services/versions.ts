/** Versions of saved templates. */
import { desc, eq, max } from 'drizzle-orm';
import { WobrelError } from '../../core/errors';
import { brokenLock, FIELD_GROUPS, keptTemplate, type Template } from '../../core/template';
import { tables } from '../db';
import type { Here } from '../workspace';
import { notFound } from './refusals';

const { templates, templateVersions } = tables;

/** Each template's newest version, to be joined. */
export const newestVersions = (here: Here) =>
  here.db
    .select({ templateId: templateVersions.templateId, version: max(templateVersions.version).as('newest') })
    .from(templateVersions)
    .groupBy(templateVersions.templateId)
    .as('newest_versions');

/**
 * Refuses a change of what the template that a batch began from keeps locked.
 *
 * @param draft the batch's template as it is
 * @throws WobrelError `locked` with the first field at fault
 */
export async function refuseLocked(
  here: Here,
  templateVersionId: number | null,
  draft: unknown,
  next: Template,
  version?: unknown,
): Promise<void> {
  if (templateVersionId === null) return;
  const [saved] = await here.db
    .select({ open: templates.open, name: templates.name, document: templateVersions.document })
    .from(templateVersions)
    .innerJoin(templates, eq(templates.id, templateVersions.templateId))
    .where(eq(templateVersions.id, templateVersionId));
  if (!saved?.open) return;
  // A batch that was other before it was locked may stay so, and may become like its template again.
  const allowed = [draft, saved.document, ...(version === undefined ? [] : [version])].map(keptTemplate);
  const group = brokenLock(saved.open, next, allowed);
  if (group === null) return;
  const [field] = FIELD_GROUPS[group].keys;
  throw new WobrelError('locked', `${field}: ${FIELD_GROUPS[group].label} can’t be changed in batches that use ${saved.name}; save it under another name first`, field); // prettier-ignore
}

/**
 * The newest version of a saved template, its document under the name that it goes by now.
 *
 * @throws WobrelError `not-found`
 */
export async function newestVersion(here: Here, templateId: number) {
  const [newest] = await here.db
    .select({ version: templateVersions, name: templates.name })
    .from(templateVersions)
    .innerJoin(templates, eq(templates.id, templateVersions.templateId))
    .where(eq(templateVersions.templateId, templateId))
    .orderBy(desc(templateVersions.version))
    .limit(1);
  if (!newest) throw notFound('template');
  const { document, outline, id } = newest.version;
  return { draft: { ...(document as object), name: newest.name }, outline, templateVersionId: id };
}
