/** A database: one client a file and process, one writer at a time. */
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { chmodSync, closeSync, existsSync, mkdirSync, openSync } from 'node:fs';
import { dirname, join } from 'node:path';
import PQueue from 'p-queue';
import { WobrelError } from '../../core/errors';
import { asWriteError } from '../store';
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

/** What SQLite's codes mean to whoever looks after the file; Drizzle wraps the error that has one. */
const TROUBLE: Readonly<Record<string, string>> = {
  SQLITE_FULL: 'written: the disk is full',
  SQLITE_READONLY: 'written: the file may not be written to',
  SQLITE_IOERR: 'written: the disk can’t be read or written',
  SQLITE_NOTADB: 'read: the file is damaged, or no database',
  SQLITE_CORRUPT: 'read: the file is damaged',
};

/** Trouble with the file told in a sentence, which calls it by a name; other errors pass unchanged. */
function asFileError(error: unknown, path: string, name = 'The database'): unknown {
  const codes = [error, (error as Error)?.cause].map((e) => String((e as { code?: string } | undefined)?.code ?? ''));
  const found = Object.keys(TROUBLE).find((code) => codes.some((c) => c.startsWith(code)));
  if (!found) return error;
  return new WobrelError('cannot-write', `${name} could not be ${TROUBLE[found]}.`, path);
}

/**
 * Opens the file of a database, which is made where it is missing.
 *
 * @param isSecret whether only the server's own user may read it; SQLite gives the files beside it the same mode
 * @param patience how long a lock of another process (a backup, say) is waited for, ms
 * @throws WobrelError `cannot-write`
 */
export function openFile(path: string, { isSecret = false, patience = 5000 } = {}): Client {
  try {
    mkdirSync(dirname(path), { recursive: true });
    // Only where it is missing: closing a file lets go of all locks that this process has on it.
    if (!existsSync(path)) closeSync(openSync(path, 'a', isSecret ? 0o600 : undefined));
    if (isSecret) chmodSync(path, 0o600);
    return createClient({ url: `file:${path}`, timeout: patience });
  } catch (error) {
    const told = asWriteError(error, path);
    if (told instanceof WobrelError) throw told;
    throw new WobrelError(
      'cannot-write',
      `${path} could not be opened: it can’t be made or read, or is no file.`,
      path,
    );
  }
}

/**
 * Brings the tables of any database up to date by the migrations in a folder.
 *
 * @throws WobrelError `cannot-write` where its file is damaged, or the disk takes no more
 */
export async function migrateFile<S extends Record<string, unknown>>(
  db: LibSQLDatabase<S>,
  path: string,
  folder: string,
): Promise<void> {
  try {
    await db.run('PRAGMA journal_mode = WAL');
    await migrate(db, { migrationsFolder: folder });
  } catch (error) {
    throw asFileError(error, path, path);
  }
}

/** Opens the database in a file, which is made where it is missing; its tables are brought up to date by `migrateDatabase`. */
export function openDatabase(path: string): { readonly db: Database; readonly write: Write } {
  const db = drizzle(openFile(path), { schema });
  const turns = new PQueue({ concurrency: 1 });
  const write: Write = (work) =>
    turns.add(() =>
      db.transaction(work).catch((error: unknown) => {
        throw asFileError(error, path);
      }),
    );
  return { db, write };
}

/** Brings the tables of a workspace's database up to date. @throws WobrelError `cannot-write` */
export const migrateDatabase = (db: Database, path: string): Promise<void> =>
  migrateFile(db, path, join(/*turbopackIgnore: true*/ process.cwd(), 'src/server/db/migrations'));
