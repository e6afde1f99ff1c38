/** The database of people: beside the first workspace's, and apart from all of them. */
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { join } from 'node:path';
import { dataFolder } from '../config';
import { migrateFile, openFile } from '../db';
import { oncePerProcess } from '../once';
import { FIRST_WORKSPACE } from '../workspace';
import * as schema from './schema';

type PeopleDatabase = LibSQLDatabase<typeof schema>;

const pathOf = () => join(dataFolder(), 'people.db');

/**
 * The one client a process. Nothing here is written in an open transaction: each change is one statement, or one
 * batch, and needs no turn of its own.
 */
export const peopleDb = (): PeopleDatabase =>
  // Hashes of passwords are nobody's business but the application's.
  oncePerProcess('people', () => drizzle(openFile(pathOf(), { isSecret: true }), { schema }));

/** Brings the tables up to date; the first workspace is always there. @throws WobrelError `cannot-write` */
export async function migratePeople(): Promise<void> {
  const db = peopleDb();
  await migrateFile(db, pathOf(), join(/*turbopackIgnore: true*/ process.cwd(), 'src/server/people/migrations'));
  await db
    .insert(schema.workspaces)
    .values({ id: FIRST_WORKSPACE, name: 'Studio', createdAt: new Date() })
    .onConflictDoNothing();
}
