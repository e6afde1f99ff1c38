/** Who asks, and in which workspace: by a session, by a token, or whoever sits here where nobody signs in. */
import { and, eq, gt, sql } from 'drizzle-orm';
import { createHash } from 'node:crypto';
import { WobrelError } from '../../core/errors';
import { ANYONE, FIRST_WORKSPACE, hereIn, type Here, type Role } from '../workspace';
import { auth } from './auth';
import { peopleDb } from './database';
import { members, session, tokens, user } from './schema';

/** Sessions end after as long, however busy, ms (OWASP ASVS 5.0, 7.3.2). */
export const LONGEST = 30 * 24 * 60 * 60 * 1000;
/** How exactly the last use of a token is noted, ms. */
const USED_EVERY = 60 * 1000;

export const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

export const signedOut = () => new WobrelError('signed-out', 'Sign in first.');

/** True where people sign in. */
export async function signInIsOn(): Promise<boolean> {
  const [someone] = await peopleDb()
    .select({ one: sql`1` })
    .from(user)
    .limit(1);
  return someone !== undefined;
}

async function byToken(token: string): Promise<Here> {
  const now = new Date();
  const [row] = await peopleDb()
    .select()
    .from(tokens)
    .where(and(eq(tokens.hash, hashOf(token)), gt(tokens.expiresAt, now)));
  if (!row) throw new WobrelError('signed-out', 'The token is wrong, or its time is over.');
  if (!row.usedAt || now.getTime() - row.usedAt.getTime() > USED_EVERY)
    await peopleDb().update(tokens).set({ usedAt: now }).where(eq(tokens.id, row.id));
  return hereIn(row.workspace, { person: row.person, name: `${row.name} (token)`, role: row.role });
}

/** A session that is open, and whose. */
export type OpenSession = {
  readonly token: string;
  readonly person: string;
  readonly name: string;
  readonly email: string;
  /** The workspace that the person is in, if they still may be. */
  readonly workspace: number | null;
};

/** The request's session; null where there is none, or it is over. */
export async function sessionOf(headers: Headers): Promise<OpenSession | null> {
  if (!headers.has('cookie')) return null;
  const found = await auth().api.getSession({ headers });
  if (!found) return null;
  const { token, createdAt, workspace } = found.session;
  if (Date.now() - createdAt.getTime() > LONGEST) {
    await peopleDb().delete(session).where(eq(session.token, token));
    return null;
  }
  const { id: person, name, email } = found.user;
  return { token, person, name, email, workspace: workspace ?? null };
}

/** What a person may in a workspace; null where they don't belong there. */
export async function roleIn(person: string, workspace: number): Promise<Role | null> {
  const [row] = await peopleDb()
    .select({ role: members.role })
    .from(members)
    .where(and(eq(members.person, person), eq(members.workspace, workspace)));
  return row?.role ?? null;
}

async function bySession(headers: Headers): Promise<Here> {
  const open = await sessionOf(headers);
  if (!open) throw signedOut();
  const role = open.workspace === null ? null : await roleIn(open.person, open.workspace);
  if (open.workspace === null || role === null) throw signedOut();
  return hereIn(open.workspace, { person: open.person, name: open.name, role });
}

const BEARER = /^Bearer (.+)$/i;

/**
 * Where a request works, and as whom.
 *
 * @throws WobrelError `signed-out` where a sign-in is asked for and there is none
 */
export async function whoAsks(headers: Headers): Promise<Here> {
  const [, token] = BEARER.exec(headers.get('authorization') ?? '') ?? [];
  if (token !== undefined) return byToken(token);
  if (!(await signInIsOn())) return hereIn(FIRST_WORKSPACE, ANYONE);
  return bySession(headers);
}
