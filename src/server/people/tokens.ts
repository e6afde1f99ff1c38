/** Tokens: what lets a script in, with a role and until a day. */
import { and, eq } from 'drizzle-orm';
import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { WobrelError } from '../../core/errors';
import { inNameOrder } from '../../core/name-order';
import { demand, note, type Here, type Role } from '../workspace';
import { peopleDb } from './database';
import { tokens, user } from './schema';
import { hashOf } from './who-asks';

const DAY = 24 * 60 * 60 * 1000;

/** What scripts may be: none of them rules. */
const TOKEN_ROLES = ['viewer', 'artist', 'maker'] as const;

export const tokenSchema = z.strictObject({
  name: z.string().trim().min(1, { error: 'a token needs a name' }).max(80),
  role: z.enum(TOKEN_ROLES),
  /** How long it is good, days. */
  days: z.int().min(1).max(366),
});

export type Token = {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly madeBy: string;
  readonly expiresAt: number;
  readonly usedAt: number | null;
};

/** The workspace's tokens, without what would open anything. For owners. */
export async function listTokens(here: Here): Promise<readonly Token[]> {
  demand(here, 'owner');
  const rows = await peopleDb()
    .select({
      id: tokens.id,
      name: tokens.name,
      role: tokens.role,
      madeBy: user.name,
      expiresAt: tokens.expiresAt,
      usedAt: tokens.usedAt,
    }) // prettier-ignore
    .from(tokens)
    .innerJoin(user, eq(user.id, tokens.person))
    .where(eq(tokens.workspace, here.key));
  return inNameOrder(rows, ({ name }) => name).map((row) => ({
    ...row,
    expiresAt: row.expiresAt.getTime(),
    usedAt: row.usedAt?.getTime() ?? null,
  }));
}

/** Makes a token; what it says is told this once. For owners. */
export async function makeToken(
  here: Here,
  { name, role, days }: z.infer<typeof tokenSchema>,
): Promise<{ token: string }> {
  demand(here, 'owner');
  const { person } = here.actor;
  if (person === null) throw new WobrelError('conflict', 'Where nobody signs in, scripts need no token.');
  const token = `wobrel_${randomBytes(32).toString('base64url')}`;
  const [createdAt, expiresAt] = [new Date(), new Date(Date.now() + days * DAY)];
  await peopleDb().insert(tokens).values({ workspace: here.key, name, role, hash: hashOf(token), person, createdAt, expiresAt }); // prettier-ignore
  await here.write((tx) =>
    note(tx, here, { verb: 'made', kind: 'token', name, words: `as ${role}, for ${days} days` }),
  );
  return { token };
}

/** Ends a token. For owners. @throws WobrelError `not-found` */
export async function endToken(here: Here, id: number): Promise<void> {
  demand(here, 'owner');
  const [row] = await peopleDb()
    .delete(tokens)
    .where(and(eq(tokens.id, id), eq(tokens.workspace, here.key)))
    .returning({ name: tokens.name });
  if (!row) throw new WobrelError('not-found', 'There is no such token.');
  await here.write((tx) => note(tx, here, { verb: 'deleted', kind: 'token', name: row.name }));
}
