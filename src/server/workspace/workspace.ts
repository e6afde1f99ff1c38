/** What a workspace has of its own: a folder, a database in it, its queue of work. Nothing of one is in reach of another. */
import { join } from 'node:path';
import { dataFolder } from '../config';
import { openDatabase, type Database, type Write } from '../db';
import { oncePerProcess } from '../once';
import { embeddedQueue, type JobQueue } from '../queue';
import { createKeeping, filesIn, type Files, type Keeping } from '../store';
import { ANYONE, type Actor } from './actor';
import { toTell } from './doings';
import { announce } from './signals';

type Workspace = {
  /** Its number; 1 is the one that is always there. */
  readonly key: number;
  readonly db: Database;
  readonly write: Write;
  readonly files: Files;
  readonly queue: JobQueue;
  /** Turns at its kept files. */
  readonly keeping: Keeping;
};

/** Where work happens and who asks for it: all that a service may reach. */
export type Here = Workspace & { readonly actor: Actor };

/** The workspace that is there without anybody having made one: its folder is the data folder itself. */
export const FIRST_WORKSPACE = 1;

const folderOf = (key: number) =>
  key === FIRST_WORKSPACE ? dataFolder() : join(dataFolder(), 'workspaces', String(key));

/** A workspace by its number, opened once a process. */
export function workspaceOf(key: number): Workspace {
  return oncePerProcess(`workspace ${key}`, () => {
    const files = filesIn(folderOf(key));
    const { db, write: writeAlone } = openDatabase(files.database());
    const write: Write = async (work) => {
      let changes: ReturnType<typeof toTell> = [];
      const done = await writeAlone(async (tx) => {
        const made = await work(tx);
        changes = toTell(tx);
        return made;
      });
      for (const { topic, signal } of changes) announce({ key }, topic, signal);
      return done;
    };
    return { key, db, write, files, queue: embeddedQueue(db, write), keeping: createKeeping() };
  });
}

/** An actor's place in a workspace. */
export const hereIn = (key: number, actor: Actor = ANYONE): Here => ({ ...workspaceOf(key), actor });

/** One value a workspace and process, made when it is first asked for. */
export const oncePerWorkspace = <T>({ key }: Workspace, name: string, make: () => T): T =>
  oncePerProcess(`${name} of ${key}`, make);
