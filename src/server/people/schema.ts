/** The tables of people: who signs in, where they belong, and what opens the door. The first four are better-auth's. */
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { ROLES } from '../workspace';

const date = (name: string) => integer(name, { mode: 'timestamp_ms' });
const made = () => date('created_at').notNull();
const changed = () => date('updated_at').notNull();

export const user = sqliteTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: integer('email_verified', { mode: 'boolean' }).notNull().default(false),
  image: text('image'),
  createdAt: made(),
  updatedAt: changed(),
});

const person = () =>
  text('person')
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' });

export const session = sqliteTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    token: text('token').notNull().unique(),
    userId: person(),
    /** The workspace that the person is in. */
    workspace: integer('workspace'),
    expiresAt: date('expires_at').notNull(),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    createdAt: made(),
    updatedAt: changed(),
  },
  (table) => [index('sessions_person').on(table.userId)],
);

/** How somebody signs in: by a password, of which only a hash is kept. */
export const account = sqliteTable(
  'accounts',
  {
    id: text('id').primaryKey(),
    accountId: text('account_id').notNull(),
    providerId: text('provider_id').notNull(),
    userId: person(),
    password: text('password'),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: date('access_token_expires_at'),
    refreshTokenExpiresAt: date('refresh_token_expires_at'),
    scope: text('scope'),
    createdAt: made(),
    updatedAt: changed(),
  },
  (table) => [index('accounts_person').on(table.userId)],
);

/** Links that can be used once. */
export const verification = sqliteTable(
  'verifications',
  {
    id: text('id').primaryKey(),
    identifier: text('identifier').notNull(),
    value: text('value').notNull(),
    expiresAt: date('expires_at').notNull(),
    createdAt: made(),
    updatedAt: changed(),
  },
  (table) => [index('verifications_identifier').on(table.identifier)],
);

export const workspaces = sqliteTable('workspaces', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  name: text('name').notNull(),
  createdAt: made(),
});

const workspace = () =>
  integer('workspace')
    .notNull()
    .references(() => workspaces.id, { onDelete: 'cascade' });

export const members = sqliteTable(
  'members',
  { person: person(), workspace: workspace(), role: text('role', { enum: ROLES }).notNull() },
  (table) => [primaryKey({ columns: [table.person, table.workspace] }), index('members_workspace').on(table.workspace)],
);

/** What lets a script in. */
export const tokens = sqliteTable(
  'tokens',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    workspace: workspace(),
    name: text('name').notNull(),
    /** SHA-256 of it in hex: it is itself 256 random bits, so nothing slower is needed. */
    hash: text('hash').notNull(),
    role: text('role', { enum: ROLES }).notNull(),
    /** Who made it; it goes with them. */
    person: person(),
    expiresAt: date('expires_at').notNull(),
    usedAt: date('used_at'),
    createdAt: made(),
  },
  (table) => [uniqueIndex('tokens_hash').on(table.hash), index('tokens_workspace').on(table.workspace)],
);

/** Mail that would be sent if any left this machine. */
export const outbox = sqliteTable(
  'outbox',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    person: person(),
    subject: text('subject').notNull(),
    body: text('body').notNull(),
    createdAt: made(),
  },
  (table) => [index('outbox_person').on(table.person)],
);
