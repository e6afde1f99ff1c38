/** Who did what in the workspace. */
import { and, count, desc, eq, getTableColumns, sql } from 'drizzle-orm';
import { z } from 'zod';
import { tables } from '../db';
import type { Here } from '../workspace';

const { doings } = tables;

export type Doing = Omit<typeof doings.$inferSelect, 'person'>;

/** Most lines of a page. */
const PAGE = 100;
/** Most names that are offered to choose from. */
const NAMES = 200;

export const doingsQuery = z.strictObject({
  who: z.string().max(200).optional(),
  kind: z.enum(tables.KINDS).optional(),
  /** The number of one thing of that kind. */
  subject: z.coerce.number().int().optional(),
  offset: z.coerce.number().int().min(0).default(0),
});

const { person: _, ...columns } = getTableColumns(doings);

/** A page of what was done, the newest first, and whose names there are. */
export async function listDoings(here: Here, { who, kind, subject, offset }: z.output<typeof doingsQuery>) {
  const those = and(
    who === undefined ? undefined : eq(doings.who, who),
    kind && eq(doings.kind, kind),
    subject === undefined ? undefined : eq(doings.subject, subject),
  );
  const rows: Doing[] = await here.db
    .select(columns)
    .from(doings)
    .where(those)
    .orderBy(desc(doings.at), desc(doings.id))
    .limit(PAGE)
    .offset(offset);
  const [total] = await here.db.select({ n: count() }).from(doings).where(those);
  const names = await here.db.select({ who: doings.who }).from(doings).groupBy(doings.who).orderBy(sql`${doings.who} collate nocase`).limit(NAMES); // prettier-ignore
  return { doings: rows, total: total!.n, names: names.map(({ who }) => who) };
}
