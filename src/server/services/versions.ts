/** Versions of saved templates. */
import { desc, eq, max } from 'drizzle-orm';
import { database, tables } from '../db';
import { notFound } from './refusals';

const { templates, templateVersions } = tables;

/** Each template's newest version, to be joined. */
export const newestVersions = () =>
  database()
    .select({ templateId: templateVersions.templateId, version: max(templateVersions.version).as('newest') })
    .from(templateVersions)
    .groupBy(templateVersions.templateId)
    .as('newest_versions');

/**
 * The newest version of a saved template, its document under the name that it goes by now.
 *
 * @throws WobrelError `not-found`
 */
export async function newestVersion(templateId: number) {
  const [newest] = await database()
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
