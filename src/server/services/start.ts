/** What happens once a process in each workspace: tables brought up to date, the work loops started. */
import { migrateDatabase } from '../db';
import { startRunner } from '../jobs';
import type { Here } from '../workspace';
import { lookAtAll } from './photos';
import { collectSoon } from './storage';
import { sweepArrivals } from './unneeded';

/** Work that a killed process left is taken up first. */
export async function startWorkspace(here: Here): Promise<void> {
  await migrateDatabase(here.db);
  await sweepArrivals(here);
  await startRunner(here);
  collectSoon(here);
  // Not waited for: pages open meanwhile.
  void lookAtAll(here).catch((error: unknown) => console.error('Photos could not be looked at:', error));
}
