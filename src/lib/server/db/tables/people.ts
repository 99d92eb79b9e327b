import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { patterns } from './patterns.js';
import { testers } from './tests.js';

/** Somebody of the house. The names of the fields are those that the library of the accounts asks for. */
export const people = sqliteTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: integer('email_verified', { mode: 'boolean' }).notNull(),
  image: text('image'),
  role: text('role', { enum: ['owner', 'editor', 'designer', 'tester'] }).notNull(),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
});

/** Who is signed in, browser by browser. */
export const sessions = sqliteTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    expiresAt: integer('expires_at', { mode: 'timestamp_ms' }).notNull(),
    token: text('token').notNull().unique(),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
    updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    userId: text('user_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
  },
  (table) => [index('sessions_of').on(table.userId)],
);

/** By what somebody is known: a password, hashed with Argon2id. */
export const credentials = sqliteTable(
  'credentials',
  {
    id: text('id').primaryKey(),
    accountId: text('account_id').notNull(),
    providerId: text('provider_id').notNull(),
    userId: text('user_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: integer('access_token_expires_at', { mode: 'timestamp_ms' }),
    refreshTokenExpiresAt: integer('refresh_token_expires_at', { mode: 'timestamp_ms' }),
    scope: text('scope'),
    password: text('password'),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
    updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
  },
  (table) => [index('credentials_of').on(table.userId)],
);

/** Keys of devices by which somebody signs in without a password: the public half of each. */
export const passkeys = sqliteTable(
  'passkeys',
  {
    id: text('id').primaryKey(),
    name: text('name'),
    publicKey: text('public_key').notNull(),
    userId: text('user_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    credentialID: text('credential_id').notNull().unique(),
    counter: integer('counter').notNull(),
    deviceType: text('device_type').notNull(),
    backedUp: integer('backed_up', { mode: 'boolean' }).notNull(),
    transports: text('transports'),
    createdAt: integer('created_at', { mode: 'timestamp_ms' }),
    aaguid: text('aaguid'),
  },
  (table) => [index('passkeys_of').on(table.userId)],
);

/** What the library of the accounts has still to verify. */
export const verifications = sqliteTable('verifications', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: integer('expires_at', { mode: 'timestamp_ms' }).notNull(),
  createdAt: integer('created_at', { mode: 'timestamp_ms' }).notNull(),
  updatedAt: integer('updated_at', { mode: 'timestamp_ms' }).notNull(),
});

/**
 * Addresses that hold a secret, each for one purpose. Of the secret only what it hashes to is kept; from the salt it can be
 * made again by who has the key of the server, which is not in the database.
 */
export const addresses = sqliteTable(
  'addresses',
  {
    hash: text('hash').primaryKey(),
    purpose: text('purpose', { enum: ['join', 'bench', 'letter', 'calendar'] }).notNull(),
    salt: text('salt').notNull(),
    /** Who sets a password by it. */
    personId: text('person_id').references(() => people.id, { onDelete: 'cascade' }),
    /** The pattern that is tested or asked about by it. */
    patternId: text('pattern_id').references(() => patterns.id, { onDelete: 'cascade' }),
    /** The call of the pattern that is tested. */
    call: integer('call'),
    endsAt: integer('ends_at').notNull(),
    withdrawnAt: integer('withdrawn_at'),
    usedAt: integer('used_at'),
    at: integer('at').notNull(),
  },
  (table) => [index('addresses_of').on(table.personId), index('addresses_of_pattern').on(table.patternId)],
);

/** Tests that somebody with an account has joined: they find them on every device. */
export const ownTests = sqliteTable(
  'own_tests',
  {
    personId: text('person_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    tester: text('tester')
      .notNull()
      .references(() => testers.token, { onDelete: 'cascade' }),
  },
  (table) => [primaryKey({ columns: [table.personId, table.tester] })],
);

/** Further devices of testers: of the token of each, what it hashes to. */
export const testerDevices = sqliteTable('tester_devices', {
  hash: text('hash').primaryKey(),
  tester: text('tester')
    .notNull()
    .references(() => testers.token, { onDelete: 'cascade' }),
  at: integer('at').notNull(),
});
