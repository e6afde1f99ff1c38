/** Templates as the screen of them shows them: page by page, with what they make and who uses them. */
import { and, asc, count, desc, eq, gt, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import { z } from 'zod';
import { keptTemplate, type OpenFields, type Template } from '../../core/template';
import { tables } from '../db';
import type { Here } from '../workspace';
import { notFound } from './refusals';
import { stripsOf, type StripPhoto } from './strips';
import { newestVersions } from './versions';

const { batches, templates, templateVersions } = tables;

export const cardsSchema = z.strictObject({
  search: z.string().trim().max(120).default(''),
  tag: z.string().trim().max(40).default(''),
  sort: z.enum(['name', 'newest', 'used']).default('name'),
  archived: z.stringbool().default(false),
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(100).default(60),
});

/** A batch, and the version of a template that it began from. */
export type UsedIn = { readonly id: number; readonly name: string; readonly version: number };

export type TemplateCard = {
  id: number;
  name: string;
  tags: readonly string[];
  /** What batches may change. */
  open: OpenFields;
  archivedAt: number | null;
  version: number;
  savedAt: number;
  /** Who saved it; null where nobody signed in. */
  madeBy: string | null;
  note: string | null;
  template: Template;
  /** How many batches use it, and the newest of them. */
  useCount: number;
  usedIn: readonly UsedIn[];
  /** Photos of the batch that used it last, one for each cutout. */
  strip: readonly StripPhoto[];
};

/** Batches named on a card. */
const NAMED = 3;

/** What is typed stands for itself: a per cent sign is no wildcard. */
const like = (text: string) => `%${text.replace(/[\\%_]/g, (mark) => `\\${mark}`)}%`;

/** The newest batches of each of some templates, and how many there are. */
async function usesOf(here: Here, ids: readonly number[]) {
  const ranked = here.db
    .select({
      id: batches.id,
      name: batches.name,
      templateId: templateVersions.templateId,
      version: templateVersions.version,
      rank: sql<number>`row_number() over (partition by ${templateVersions.templateId} order by ${batches.id} desc)`.as(
        'rank',
      ),
      all: sql<number>`count(*) over (partition by ${templateVersions.templateId})`.as('all_uses'),
    })
    .from(batches)
    .innerJoin(templateVersions, eq(templateVersions.id, batches.templateVersionId))
    .where(inArray(templateVersions.templateId, [...ids]))
    .as('ranked');
  return here.db.select().from(ranked).where(sql`${ranked.rank} <= ${NAMED}`).orderBy(asc(ranked.rank)); // prettier-ignore
}

/** One page of cards, in a fixed number of queries. */
export async function listCards(
  here: Here,
  { search, tag, sort, archived, offset, limit }: z.infer<typeof cardsSchema>,
) {
  const db = here.db;
  const newest = newestVersions(here);
  const used = db
    .select({ templateId: templateVersions.templateId, n: count().as('n') })
    .from(batches)
    .innerJoin(templateVersions, eq(templateVersions.id, batches.templateVersionId))
    .groupBy(templateVersions.templateId)
    .as('used');
  const where = and(
    archived ? isNotNull(templates.archivedAt) : isNull(templates.archivedAt),
    search === ''
      ? undefined
      : sql`(${templates.name} like ${like(search)} escape '\\' or ${templates.tags} like ${like(search)} escape '\\')`,
    tag === '' ? undefined : sql`exists (select 1 from json_each(${templates.tags}) where value = ${tag})`,
  );
  const rows = await db
    .select({
      id: templates.id,
      name: templates.name,
      tags: templates.tags,
      open: templates.open,
      archivedAt: templates.archivedAt,
      version: templateVersions.version,
      savedAt: templateVersions.createdAt,
      madeBy: templateVersions.madeBy,
      note: templateVersions.note,
      document: templateVersions.document,
      useCount: sql<number>`coalesce(${used.n}, 0)`,
    })
    .from(templates)
    .innerJoin(newest, eq(newest.templateId, templates.id))
    .innerJoin(
      templateVersions,
      sql`${templateVersions.templateId} = ${templates.id} and ${templateVersions.version} = ${newest.version}`,
    )
    .leftJoin(used, eq(used.templateId, templates.id))
    .where(where)
    .orderBy(
      ...(sort === 'newest' ? [desc(templateVersions.id)] : sort === 'used' ? [desc(sql`coalesce(${used.n}, 0)`)] : []),
      asc(sql`${templates.name} collate nocase`),
    )
    .limit(limit)
    .offset(offset);
  const [total] = await db.select({ n: count() }).from(templates).where(where);
  const tags = await db.selectDistinct({ tag: sql<string>`value` }).from(sql`${templates}, json_each(${templates.tags})`).orderBy(sql`value`); // prettier-ignore
  const uses = await usesOf(
    here,
    rows.map(({ id }) => id),
  );
  const last = uses.filter(({ rank }) => rank === 1).map(({ id }) => id);
  // A template that no batch uses is shown on the photos of the newest batch that has any.
  const [sample] = await db.select({ id: batches.id }).from(batches).where(gt(batches.photoCount, 0)).orderBy(desc(batches.id)).limit(1); // prettier-ignore
  const shown = [...last, ...(sample ? [sample.id] : [])];
  const strips = await stripsOf(here, await db.select().from(batches).where(inArray(batches.id, shown)));
  return {
    sample: (sample && strips.get(sample.id)) ?? [],
    total: total!.n,
    tags: tags.map(({ tag: one }) => one),
    cards: rows.map(({ document, ...row }): TemplateCard => {
      const usedIn = uses.filter(({ templateId }) => templateId === row.id);
      return {
        ...row,
        template: keptTemplate({ ...(document as object), name: row.name }),
        usedIn: usedIn.map(({ id, name, version }) => ({ id, name, version })),
        strip: (usedIn[0] && strips.get(usedIn[0].id)) ?? [],
      };
    }),
  };
}

export type TemplateVersion = {
  readonly version: number;
  readonly savedAt: number;
  readonly madeBy: string | null;
  readonly note: string | null;
  readonly template: Template;
};

/** Versions listed at a time. */
const VERSIONS = 60;

/**
 * A template with its versions, the newest first.
 *
 * @throws WobrelError `not-found`
 */
export async function templateHistory(here: Here, id: number) {
  const db = here.db;
  const [row] = await db.select().from(templates).where(eq(templates.id, id));
  if (!row) throw notFound('template');
  const versions = await db
    .select()
    .from(templateVersions)
    .where(eq(templateVersions.templateId, id))
    .orderBy(desc(templateVersions.version))
    .limit(VERSIONS);
  const usedIn = await db
    .select({ id: batches.id, name: batches.name, fields: batches.fields, version: templateVersions.version })
    .from(batches)
    .innerJoin(templateVersions, eq(templateVersions.id, batches.templateVersionId))
    .where(eq(templateVersions.templateId, id))
    .orderBy(desc(batches.id))
    .limit(VERSIONS);
  const [last] = usedIn;
  const strips = last ? await stripsOf(here, await db.select().from(batches).where(eq(batches.id, last.id))) : null;
  return {
    id,
    name: row.name,
    tags: row.tags,
    open: row.open,
    archivedAt: row.archivedAt,
    usedIn,
    strip: (last && strips?.get(last.id)) ?? [],
    versions: versions.map(({ version, createdAt, madeBy, note, document }): TemplateVersion => ({
      version,
      savedAt: createdAt,
      madeBy,
      note,
      template: keptTemplate({ ...(document as object), name: row.name }),
    })),
  };
}
export type TemplateHistory = Awaited<ReturnType<typeof templateHistory>>;
