/** Passwords, sessions and one-time links by better-auth; nothing of it is our own. */
import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { randomBytes } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { dataFolder, setting } from '../config';
import { oncePerProcess } from '../once';
import { peopleDb } from './database';
import { PLACE_HEADER } from './place';
import { MAX_PASSWORD, MIN_PASSWORD } from './passwords';
import * as schema from './schema';

const HOUR = 60 * 60;
const DAY = 24 * HOUR;

/** A session ends after as long without its person, s. */
const IDLE = 7 * DAY;
/** A one-time link is good for as long, s. */
const LINK_LIFE = DAY;

/** What cookies are signed with: made once, kept beside the database, read by nobody else. */
function secret(): string {
  const path = join(dataFolder(), 'secret');
  try {
    writeFileSync(path, randomBytes(32).toString('base64url'), { flag: 'wx', mode: 0o600 });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
  }
  return readFileSync(path, 'utf8');
}

/** True where pages are reached by https: cookies are then sent by no other way. */
const isSecure = () => setting('WOBREL_URL')?.startsWith('https:') ?? false;

function open() {
  return betterAuth({
    database: drizzleAdapter(peopleDb(), { provider: 'sqlite', schema, transaction: false }),
    secret: secret(),
    baseURL: setting('WOBREL_URL') ?? 'http://127.0.0.1',
    telemetry: { enabled: false },
    logger: { level: 'error' },
    emailAndPassword: {
      enabled: true,
      // Nobody signs up: owners add people.
      disableSignUp: true,
      minPasswordLength: MIN_PASSWORD,
      maxPasswordLength: MAX_PASSWORD,
      resetPasswordTokenExpiresIn: LINK_LIFE,
      revokeSessionsOnPasswordReset: true,
      sendResetPassword: async ({ user, token }) => {
        await peopleDb()
          .insert(schema.outbox)
          .values({ person: user.id, subject: 'Your password for Wobrel', body: token, createdAt: new Date() });
      },
    },
    verification: { storeIdentifier: 'hashed' },
    session: {
      expiresIn: IDLE,
      updateAge: HOUR,
      additionalFields: { workspace: { type: 'number', required: false, input: false } },
    },
    advanced: {
      cookiePrefix: 'wobrel',
      ipAddress: { ipAddressHeaders: [PLACE_HEADER] },
      useSecureCookies: isSecure(),
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax', path: '/' },
    },
  });
}

export const auth = (): ReturnType<typeof open> => oncePerProcess('auth', open);
