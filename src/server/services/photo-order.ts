/** Photos in the order of their names: the order of a batch wherever it shows or is delivered. */
import { and, asc, eq, gt, sql } from 'drizzle-orm';
import { nameKey } from '../../core/name-order';
import { tables } from '../db';
import type { Here } from '../workspace';

const { photos } = tables;

export const byName = [asc(photos.nameKey), asc(photos.name), asc(photos.id)] as const;

/** Rows that are brought up to date in one transaction. */
const SOME = 5000;

/** Gives photos of before there were such keys theirs. */
export async function putInOrder(here: Here): Promise<void> {
  const next = (after: number) =>
    here.db
      .select({ id: photos.id, name: photos.name })
      .from(photos)
      .where(and(eq(photos.nameKey, ''), gt(photos.id, after)))
      .orderBy(asc(photos.id))
      .limit(SOME);
  for (let rows = await next(0); rows.length > 0; rows = await next(rows.at(-1)!.id)) {
    const keys = JSON.stringify(rows.map(({ id, name }) => ({ id, key: nameKey(name) })));
    await here.write(async (tx) => {
      await tx.run(sql`update ${photos} set name_key = json_extract(one.value, '$.key')
        from json_each(${keys}) as one where ${photos.id} = json_extract(one.value, '$.id')`);
    });
  }
}
