import { sql } from 'drizzle-orm';

/** Ids as one value: a list of thousands would be more values than a statement takes. */
export const oneOf = (ids: readonly number[]) => sql`(select value from json_each(${JSON.stringify(ids)}))`;
