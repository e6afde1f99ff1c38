/** A database: one client a file and process, one writer at a time. */
import { createClient } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import PQueue from 'p-queue';
import { WobrelError } from '../../core/errors';
import * as schema from './schema';

export type Database = LibSQLDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/**
 * Runs a write transaction after those before it. libSQL calls are synchronous: two open
 * write transactions in one process would freeze each other.
 *
 * @throws WobrelError `cannot-write` where the disk is full or not writable
 */
export type Write = <T>(work: (tx: Transaction) => Promise<T>) => Promise<T>;

/** SQLite's words for a disk that takes no more; Drizzle wraps the error that says so. */
const DISK_TROUBLE: Readonly<Record<string, string>> = {
  SQLITE_FULL: 'the disk is full',
  SQLITE_READONLY: 'the file may not be written to',
  SQLITE_IOERR: 'the disk can’t be read or written',
};

function asDiskError(error: unknown, path: string): unknown {
  const codes = [error, (error as Error)?.cause].map((e) => String((e as { code?: string } | undefined)?.code ?? ''));
  const found = Object.keys(DISK_TROUBLE).find((code) => codes.some((c) => c.startsWith(code)));
  if (!found) return error;
  return new WobrelError('cannot-write', `The database could not be written: ${DISK_TROUBLE[found]}.`, path);
}

/** Opens the database in a file, which is made where it is missing; its tables are brought up to date by `migrateDatabase`. */
export function openDatabase(path: string): { readonly db: Database; readonly write: Write } {
  mkdirSync(dirname(path), { recursive: true });
  // The timeout makes a second process (a backup, say) wait rather than fail.
  const db = drizzle(createClient({ url: `file:${path}`, timeout: 5000 }), { schema });
  const turns = new PQueue({ concurrency: 1 });
  const write: Write = (work) =>
    turns.add(() =>
      db.transaction(work).catch((error: unknown) => {
        throw asDiskError(error, path);
      }),
    );
  return { db, write };
}

/** Brings the tables up to date. */
export async function migrateDatabase(
  db: Database,
  folder = join(/*turbopackIgnore: true*/ process.cwd(), 'src/server/db/migrations'),
): Promise<void> {
  await db.run('PRAGMA journal_mode = WAL');
  await migrate(db, { migrationsFolder: folder });
}
