/** What happens once a process in each workspace: tables brought up to date, the work loops started. */
import { dataFolder, setting } from '../config';
import { holdFolder, migrateDatabase } from '../db';
import { startRunner } from '../jobs';
import { oncePerProcess } from '../once';
import { addWorkspace, migratePeople, signInIsOn, workspaceKeys } from '../people';
import { makeFolder } from '../store';
import { hereIn, ITSELF, note, type Here } from '../workspace';
import { putInOrder } from './photo-order';
import { lookAtAll } from './photos';
import { collectSoon } from './storage';
import { sweepArrivals } from './unneeded';

type Loops = Set<() => Promise<void>>;
const loops = () => oncePerProcess<Loops>('loops', () => new Set());
const held = () => oncePerProcess<Set<() => void>>('held', () => new Set());

/** Work that a killed process left is taken up first. */
async function startWorkspace(here: Here): Promise<void> {
  await migrateDatabase(here.db, here.files.database());
  await putInOrder(here);
  await sweepArrivals(here);
  loops().add(await startRunner(here));
  collectSoon(here);
  // Not waited for: pages open meanwhile.
  void lookAtAll(here).catch((error: unknown) => console.error('Photos could not be looked at:', error));
}

/** Where only this machine listens nobody else can come in. */
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);

/** Starts all workspaces. @throws WobrelError `cannot-write`, or `in-use` where another server works in the data folder */
export async function start(): Promise<void> {
  await makeFolder(dataFolder());
  held().add(await holdFolder(dataFolder()));
  await migratePeople();
  const host = setting('HOST');
  if (!LOOPBACK.has(host) && !(await signInIsOn()))
    console.error(
      `Whoever reaches ${host} may do everything here: npm run people -- add NAME EMAIL has people sign in.`,
    );
  for (const key of await workspaceKeys()) await startWorkspace(hereIn(key, ITSELF));
}

/** Ends the loops of all workspaces after the jobs at hand. */
export async function stop(): Promise<void> {
  await Promise.all([...loops()].map((end) => end()));
  loops().clear();
  for (const letGo of held()) letGo();
  held().clear();
}

/** Makes a workspace and starts it. For owners. @returns its number */
export async function makeWorkspace(here: Here, name: string): Promise<{ id: number }> {
  const made = await addWorkspace(here, name);
  await startWorkspace(hereIn(made.key, ITSELF));
  await made.write((tx) => note(tx, made, { verb: 'made', kind: 'workspace', name }));
  return { id: made.key };
}
