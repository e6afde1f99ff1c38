/** People for tests: a data folder of its own, and somebody of every role in it. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrateDatabase } from '../db';
import { FIRST_WORKSPACE, hereIn, ITSELF, ROLES, type Role } from '../workspace';
import { addPerson, migratePeople, signIn, turnOn, choosePassword } from '.';

export const PASSWORD = 'clay, glaze and kiln';
export const emailOf = (name: string) => `${name}@example.org`;

/** To be called once in a test file: everything is gone after its last test. */
export function peopleFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'wobrel-people-'));
  process.env.WOBREL_DATA = folder;
  beforeAll(async () => {
    await migratePeople();
    const { db, files } = hereIn(FIRST_WORKSPACE);
    await migrateDatabase(db, files.database());
  });
  afterAll(() => rmSync(folder, { recursive: true }));
  return folder;
}

/** What a browser would send of the cookies that it got. */
export const cookieOf = (cookies: readonly string[]) => cookies.map((one) => one.split(';')[0]).join('; ');

/** Signs somebody in. @returns the headers of their requests from then on */
export async function signedInAs(name: string, password = PASSWORD): Promise<Headers> {
  const { cookies } = await signIn(new Headers(), emailOf(name), password);
  return new Headers({ cookie: cookieOf(cookies) });
}

/** Adds somebody, who chooses a password. */
export async function joins(name: string, role: Role, workspace = FIRST_WORKSPACE): Promise<void> {
  const { link } = await addPerson(hereIn(workspace, ITSELF), { name, email: emailOf(name), role });
  if (link !== null) await choosePassword(new Headers(), link, PASSWORD);
}

/** Somebody of every role in the first workspace, called by it, and signed in. */
export async function everyRole(): Promise<Readonly<Record<Role, Headers>>> {
  await turnOn('owner', emailOf('owner'), PASSWORD);
  for (const role of ROLES) if (role !== 'owner') await joins(role, role);
  const all = await Promise.all(ROLES.map(async (role) => [role, await signedInAs(role)] as const));
  return Object.fromEntries(all) as Record<Role, Headers>;
}
