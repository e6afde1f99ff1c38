/** Workspaces: each with its people, and nothing of the others. */
import { asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { demand, hereIn, note, type Here } from '../workspace';
import { peopleDb } from './database';
import { members, workspaces } from './schema';

export const workspaceSchema = z.strictObject({
  name: z.string().trim().min(1, { error: 'a workspace needs a name' }).max(80),
});

/** The numbers of all workspaces. */
export const workspaceKeys = async (): Promise<readonly number[]> =>
  (await peopleDb().select({ id: workspaces.id }).from(workspaces).orderBy(asc(workspaces.id))).map(({ id }) => id);

async function workspaceName(key: number): Promise<string> {
  const [row] = await peopleDb().select({ name: workspaces.name }).from(workspaces).where(eq(workspaces.id, key));
  return row?.name ?? '';
}

/**
 * Makes a workspace, of which whoever makes it is the owner; its tables are not there yet. For owners.
 *
 * @throws WobrelError `conflict` where nobody signs in: all would be in one
 */
export async function addWorkspace(here: Here, name: string): Promise<Here> {
  demand(here, 'owner');
  const { person } = here.actor;
  if (person === null) throw new WobrelError('conflict', 'Turn signing in on first: workspaces are for people.');
  const [row] = await peopleDb().insert(workspaces).values({ name, createdAt: new Date() }).returning({ id: workspaces.id }); // prettier-ignore
  await peopleDb().insert(members).values({ person, workspace: row!.id, role: 'owner' });
  return hereIn(row!.id, here.actor);
}

/** Renames the workspace. For owners. */
export async function renameWorkspace(here: Here, name: string): Promise<void> {
  demand(here, 'owner');
  const before = await workspaceName(here.key);
  await peopleDb().update(workspaces).set({ name }).where(eq(workspaces.id, here.key));
  await here.write((tx) => note(tx, here, { verb: 'renamed', kind: 'workspace', name, words: before }));
}
