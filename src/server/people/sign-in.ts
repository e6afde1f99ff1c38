/** Signing in and out. What is wrong about a sign-in is not told: the address, or the password. */
import { APIError } from 'better-auth/api';
import { and, asc, eq, ne } from 'drizzle-orm';
import { WobrelError } from '../../core/errors';
import { inNameOrder } from '../../core/name-order';
import type { Role } from '../workspace';
import { attempt } from './attempts';
import { auth } from './auth';
import { peopleDb } from './database';
import { placeOf } from './place';
import { members, outbox, session, workspaces } from './schema';
import { hashOf, LONGEST, roleIn, sessionOf, signedOut, signInIsOn, type OpenSession } from './who-asks';

const wrong = () => new WobrelError('wrong-sign-in', 'The e-mail address or the password is wrong.');

/** better-auth's refusals as one of ours. */
async function refused<T>(work: Promise<T>, instead: () => WobrelError): Promise<T> {
  return work.catch((error: unknown) => {
    throw error instanceof APIError ? instead() : error;
  });
}

/** A session's cookies, for the answer. */
type Cookies = { readonly cookies: readonly string[] };

const cookiesIn = (headers: Headers): Cookies => ({ cookies: headers.getSetCookie() });

/**
 * Opens a new session, in the first of the person's workspaces.
 *
 * @throws WobrelError `wrong-sign-in`, or `too-often`
 */
export async function signIn(headers: Headers, email: string, password: string): Promise<Cookies> {
  return attempt(email, placeOf(headers), async () => {
    const { headers: answered, response } = await refused(
      auth().api.signInEmail({ body: { email, password }, headers, returnHeaders: true }),
      wrong,
    );
    const [first] = await peopleDb()
      .select({ workspace: members.workspace })
      .from(members)
      .where(eq(members.person, response.user.id))
      .orderBy(asc(members.workspace))
      .limit(1);
    if (!first) throw wrong();
    await peopleDb().update(session).set({ workspace: first.workspace }).where(eq(session.token, response.token));
    // The browser keeps it as long as any session lasts; when one ends is for the server to say, which sees its person come.
    return {
      cookies: cookiesIn(answered).cookies.map((cookie) => cookie.replace(/Max-Age=\d+/, `Max-Age=${LONGEST / 1000}`)),
    };
  });
}

/** Ends the request's session. */
export async function signOut(headers: Headers): Promise<Cookies> {
  const { headers: answered } = await auth().api.signOut({ headers, returnHeaders: true });
  return cookiesIn(answered);
}

async function openSession(headers: Headers): Promise<OpenSession> {
  const open = await sessionOf(headers);
  if (!open) throw signedOut();
  return open;
}

/** Ends all other sessions of the person, on whatever machine. @returns how many there were */
export async function signOutElsewhere(headers: Headers): Promise<{ ended: number }> {
  const { person, token } = await openSession(headers);
  const { rowsAffected } = await peopleDb().delete(session).where(and(eq(session.userId, person), ne(session.token, token))); // prettier-ignore
  return { ended: rowsAffected };
}

/** Goes to another of the person's workspaces. @throws WobrelError `not-found` */
export async function enterWorkspace(headers: Headers, workspace: number): Promise<void> {
  const { person, token } = await openSession(headers);
  if ((await roleIn(person, workspace)) === null) throw new WobrelError('not-found', 'There is no such workspace.');
  await peopleDb().update(session).set({ workspace }).where(eq(session.token, token));
}

/** Another password for oneself; all other sessions end. @throws WobrelError `wrong-sign-in`, or `too-often` */
export async function changePassword(headers: Headers, old: string, password: string): Promise<void> {
  const { email } = await openSession(headers);
  await attempt(email, placeOf(headers), () =>
    refused(
      auth().api.changePassword({
        body: { currentPassword: old, newPassword: password, revokeOtherSessions: false },
        headers,
      }),
      () => new WobrelError('wrong-sign-in', 'The old password is wrong.'),
    ),
  );
  await signOutElsewhere(headers);
}

/** A first or another password by a one-time link; all sessions of its person end. @throws WobrelError `gone`, or `too-often` */
export async function choosePassword(headers: Headers, token: string, password: string): Promise<void> {
  await attempt(`link ${hashOf(token)}`, placeOf(headers), () =>
    refused(
      auth().api.resetPassword({ body: { token, newPassword: password } }),
      () => new WobrelError('gone', 'This link was used already, or its day is over: ask an owner for another one.'),
    ),
  );
  await peopleDb().delete(outbox).where(eq(outbox.body, token));
}

/** Who is here, as their page knows it. */
export type WhoIsHere = {
  /** Whether people sign in at all. */
  readonly isOn: boolean;
  /** Who has; null where nobody has, or nobody does. */
  readonly person: {
    readonly name: string;
    readonly email: string;
    readonly role: Role;
    readonly workspace: number;
    /** All that they may go to. */
    readonly workspaces: readonly { readonly id: number; readonly name: string }[];
  } | null;
};

/** Whether people sign in, and who has. */
export async function whoIsHere(headers: Headers): Promise<WhoIsHere> {
  if (!(await signInIsOn())) return { isOn: false, person: null };
  const open = await sessionOf(headers);
  const role = open?.workspace ? await roleIn(open.person, open.workspace) : null;
  if (!open?.workspace || role === null) return { isOn: true, person: null };
  const rows = await peopleDb()
    .select({ id: workspaces.id, name: workspaces.name })
    .from(members)
    .innerJoin(workspaces, eq(workspaces.id, members.workspace))
    .where(eq(members.person, open.person));
  const { name, email, workspace } = open;
  return { isOn: true, person: { name, email, role, workspace, workspaces: inNameOrder(rows, (one) => one.name) } };
}
