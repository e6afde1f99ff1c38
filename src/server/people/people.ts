/** The people of a workspace: who they are, what they may, and the links by which they choose a password. */
import { and, asc, count, desc, eq, max, ne } from 'drizzle-orm';
import PQueue from 'p-queue';
import { WobrelError } from '../../core/errors';
import { inNameOrder } from '../../core/name-order';
import { oncePerProcess } from '../once';
import { demand, FIRST_WORKSPACE, hereIn, note, type Here, type Role } from '../workspace';
import { auth } from './auth';
import { peopleDb } from './database';
import { account, members, outbox, session, tokens, user, verification, workspaces } from './schema';
import { signInIsOn } from './who-asks';

export type Person = {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  /** When they were last here, as their sessions say; null where they have none. */
  readonly seenAt: number | null;
  /** True where they have not chosen a password yet. */
  readonly isNew: boolean;
};

type NewPerson = { readonly name: string; readonly email: string; readonly role: Role };

/** One change at a time: what is asked of the list before a change still holds when it is made. */
const inTurn = <T>(work: () => Promise<T>): Promise<T> =>
  oncePerProcess('people-changes', () => new PQueue({ concurrency: 1 })).add(work);

const noPerson = () => new WobrelError('not-found', 'There is no such person here.');

async function newUser(name: string, email: string): Promise<string> {
  const { internalAdapter } = await auth().$context;
  const made = await internalAdapter.createUser({ name, email, emailVerified: true }, { method: 'admin' });
  return made.id;
}

/**
 * Turns signing in on: the first person becomes the owner of the first workspace.
 *
 * @throws WobrelError `conflict` where it is on
 */
export const turnOn = (name: string, email: string, password: string): Promise<void> =>
  inTurn(async () => {
    if (await signInIsOn()) throw new WobrelError('conflict', 'Signing in is on already.');
    const { internalAdapter, password: passwords } = await auth().$context;
    const person = await newUser(name, email);
    await internalAdapter.linkAccount({ userId: person, providerId: 'credential', accountId: person, password: await passwords.hash(password) }); // prettier-ignore
    await peopleDb().insert(members).values({ person, workspace: FIRST_WORKSPACE, role: 'owner' });
    const here = hereIn(FIRST_WORKSPACE, { person, name, role: 'owner' });
    await here.write((tx) => note(tx, here, { verb: 'turned-on', kind: 'workspace', name: 'signing in' }));
  });

/** Everybody of the workspace, by name. For owners. */
export async function listPeople(here: Here): Promise<readonly Person[]> {
  demand(here, 'owner');
  const db = peopleDb();
  const isHere = eq(members.workspace, here.key);
  const rows = await db
    .select({ id: user.id, name: user.name, email: user.email, role: members.role })
    .from(members)
    .innerJoin(user, eq(user.id, members.person))
    .where(isHere);
  const seen = await db
    .select({ person: members.person, at: max(session.updatedAt) })
    .from(members)
    .innerJoin(session, eq(session.userId, members.person))
    .where(isHere)
    .groupBy(members.person);
  const accounts = await db
    .selectDistinct({ person: members.person })
    .from(members)
    .innerJoin(account, eq(account.userId, members.person))
    .where(isHere);
  const seenAt = new Map(seen.map(({ person, at }) => [person, at?.getTime() ?? null]));
  const known = new Set(accounts.map(({ person }) => person));
  return inNameOrder(rows, ({ name }) => name).map((row) => ({
    ...row,
    seenAt: seenAt.get(row.id) ?? null,
    isNew: !known.has(row.id),
  }));
}

async function memberOf(here: Here, id: string): Promise<{ name: string; email: string; role: Role }> {
  const [row] = await peopleDb()
    .select({ name: user.name, email: user.email, role: members.role })
    .from(members)
    .innerJoin(user, eq(user.id, members.person))
    .where(and(eq(members.workspace, here.key), eq(members.person, id)));
  if (!row) throw noPerson();
  return row;
}

const isElsewhere = async (here: Here, id: string) =>
  (
    await peopleDb()
      .select({ workspace: members.workspace })
      .from(members)
      .where(and(eq(members.person, id), ne(members.workspace, here.key)))
  ).length > 0;

/** True where an actor owns every workspace that a person is in; the application itself owns all. */
async function rulesOver({ actor }: Here, id: string): Promise<boolean> {
  if (actor.person === null) return true;
  const rowsOf = (person: string) => peopleDb().select().from(members).where(eq(members.person, person));
  const [theirs, own] = [await rowsOf(id), await rowsOf(actor.person)];
  return theirs.every((one) => own.some(({ workspace, role }) => workspace === one.workspace && role === 'owner'));
}

/** Links for a password that are on their way are good no more. */
async function voidLinks(id: string): Promise<void> {
  await peopleDb().delete(verification).where(eq(verification.value, id));
  await peopleDb().delete(outbox).where(eq(outbox.person, id));
}

/**
 * The token of a link for choosing a password, as it lies in the outbox then.
 *
 * @throws WobrelError `not-found`
 */
export async function linkFor(email: string): Promise<string> {
  const db = peopleDb();
  const [row] = await db.select({ id: user.id }).from(user).where(eq(user.email, email));
  if (!row) throw noPerson();
  // Only the newest link is good.
  await voidLinks(row.id);
  await auth().api.requestPasswordReset({ body: { email } });
  const [mail] = await db.select({ token: outbox.body }).from(outbox).where(eq(outbox.person, row.id));
  return mail!.token;
}

/**
 * Adds a person to the workspace. For owners.
 *
 * @returns the token of a link by which they choose a password; null where they have one, from another workspace
 * @throws WobrelError `conflict` where they are here already, or the first and no owner, or have an account where the actor does not rule
 */
export const addPerson = (here: Here, { name, email, role }: NewPerson): Promise<{ link: string | null }> =>
  inTurn(async () => {
    demand(here, 'owner');
    if (role !== 'owner' && (await ownerCount(here)) === 0)
      throw new WobrelError('conflict', 'The first person of a workspace is its owner.', 'role');
    const [known] = await peopleDb().select({ id: user.id }).from(user).where(eq(user.email, email));
    // Whoever rules elsewhere may have their password, or a link for it: that would open this workspace.
    if (known && !(await rulesOver(here, known.id)))
      throw new WobrelError('conflict', `${email} has an account in another workspace: they are added on the server itself, by npm run people.`, 'email'); // prettier-ignore
    const person = known?.id ?? (await newUser(name, email));
    const { rowsAffected } = await peopleDb().insert(members).values({ person, workspace: here.key, role }).onConflictDoNothing(); // prettier-ignore
    if (rowsAffected === 0) throw new WobrelError('conflict', `${email} is here already.`, 'email');
    await here.write((tx) => note(tx, here, { verb: 'made', kind: 'person', name, words: `as ${role}` }));
    if (!known) return { link: await linkFor(email) };
    await voidLinks(person);
    return { link: null };
  });

async function ownerCount(here: Here): Promise<number> {
  const [owners] = await peopleDb()
    .select({ n: count() })
    .from(members)
    .where(and(eq(members.workspace, here.key), eq(members.role, 'owner')));
  return owners!.n;
}

/** @throws WobrelError `conflict` where nobody would be left who rules */
async function refuseLastOwner(here: Here): Promise<void> {
  if ((await ownerCount(here)) <= 1)
    throw new WobrelError('conflict', 'A workspace needs an owner: make somebody else one first.');
}

/** Gives a person another role. For owners. @throws WobrelError `not-found`, or `conflict` where they are the last owner */
export const giveRole = (here: Here, id: string, role: Role): Promise<void> =>
  inTurn(async () => {
    demand(here, 'owner');
    const { name, role: before } = await memberOf(here, id);
    if (before === role) return;
    if (before === 'owner') await refuseLastOwner(here);
    await peopleDb()
      .update(members)
      .set({ role })
      .where(and(eq(members.workspace, here.key), eq(members.person, id)));
    await here.write((tx) => note(tx, here, { verb: 'gave-role', kind: 'person', name, words: `${before} → ${role}` }));
  });

/**
 * Takes a person out of the workspace, with the tokens that they made for it; who belongs nowhere then is forgotten.
 * For owners.
 *
 * @throws WobrelError `not-found`, or `conflict` where they are the last owner
 */
export const removePerson = (here: Here, id: string): Promise<void> =>
  inTurn(async () => {
    demand(here, 'owner');
    const { name, role } = await memberOf(here, id);
    if (role === 'owner') await refuseLastOwner(here);
    const db = peopleDb();
    await db.delete(members).where(and(eq(members.workspace, here.key), eq(members.person, id)));
    await db.delete(tokens).where(and(eq(tokens.workspace, here.key), eq(tokens.person, id)));
    if (!(await isElsewhere(here, id))) await db.delete(user).where(eq(user.id, id));
    await here.write((tx) => note(tx, here, { verb: 'removed', kind: 'person', name }));
  });

/**
 * A one-time link for another password, to be handed over. For owners, and only of people who belong nowhere else:
 * it opens all their workspaces.
 *
 * @throws WobrelError `not-found`, or `conflict`
 */
export const makeLink = (here: Here, id: string): Promise<{ link: string }> =>
  inTurn(async () => {
    demand(here, 'owner');
    const { name, email } = await memberOf(here, id);
    if (await isElsewhere(here, id))
      throw new WobrelError('conflict', `${name} is in another workspace, too: their link is made on the server itself, by npm run people.`); // prettier-ignore
    const link = await linkFor(email);
    await here.write((tx) => note(tx, here, { verb: 'gave-link', kind: 'person', name }));
    return { link };
  });

/** Ends all sessions of a person. For owners. @throws WobrelError `not-found` */
export async function endSessions(here: Here, id: string): Promise<void> {
  demand(here, 'owner');
  const { name } = await memberOf(here, id);
  await peopleDb().delete(session).where(eq(session.userId, id));
  await here.write((tx) => note(tx, here, { verb: 'signed-out', kind: 'person', name }));
}

/** Mail that would have gone to people of the workspace, the newest first. For owners. */
export async function listOutbox(here: Here) {
  demand(here, 'owner');
  return peopleDb()
    .select({ id: outbox.id, to: user.email, subject: outbox.subject, token: outbox.body, at: outbox.createdAt })
    .from(outbox)
    .innerJoin(user, eq(user.id, outbox.person))
    .innerJoin(members, and(eq(members.person, user.id), eq(members.workspace, here.key)))
    .orderBy(desc(outbox.id));
}

/** All workspaces, and who is in each: for whoever has the machine itself. */
export async function rosterOf() {
  const db = peopleDb();
  const all = await db
    .select({ id: workspaces.id, name: workspaces.name })
    .from(workspaces)
    .orderBy(asc(workspaces.id));
  const people = await db
    .select({ workspace: members.workspace, email: user.email, name: user.name, role: members.role })
    .from(members)
    .innerJoin(user, eq(user.id, members.person))
    .orderBy(asc(user.email));
  return all.map((one) => ({ ...one, people: people.filter(({ workspace }) => workspace === one.id) }));
}

/** Removes everybody: signing in is off. What they did stays noted. */
export async function removeEverybody(): Promise<void> {
  await peopleDb().delete(user);
}
