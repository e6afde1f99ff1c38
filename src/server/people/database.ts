/** The database of people: beside the first workspace's, and apart from all of them. */
import { createClient } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { chmodSync, closeSync, mkdirSync, openSync } from 'node:fs';
import { join } from 'node:path';
import { dataFolder } from '../config';
import { oncePerProcess } from '../once';
import { FIRST_WORKSPACE } from '../workspace';
import * as schema from './schema';

type PeopleDatabase = LibSQLDatabase<typeof schema>;

/**
 * The one client a process. Nothing here is written in an open transaction: each change is one statement, or one
 * batch, and needs no turn of its own.
 */
export const peopleDb = (): PeopleDatabase =>
  oncePerProcess('people', () => {
    mkdirSync(dataFolder(), { recursive: true });
    const path = join(dataFolder(), 'people.db');
    // Hashes of passwords are nobody's business but the application's; SQLite gives the files beside it the same mode.
    closeSync(openSync(path, 'a', 0o600));
    chmodSync(path, 0o600);
    return drizzle(createClient({ url: `file:${path}`, timeout: 5000 }), { schema });
  });

/** Brings the tables up to date; the first workspace is always there. */
export async function migratePeople(
  folder = join(/*turbopackIgnore: true*/ process.cwd(), 'src/server/people/migrations'),
): Promise<void> {
  const db = peopleDb();
  await db.run('PRAGMA journal_mode = WAL');
  await migrate(db, { migrationsFolder: folder });
  await db
    .insert(schema.workspaces)
    .values({ id: FIRST_WORKSPACE, name: 'Studio', createdAt: new Date() })
    .onConflictDoNothing();
}
