import { foreignKey, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { patterns } from './patterns.js';

/** Photographs that go out with a pattern. A row is never changed but for its words and its place: versions point to it. */
export const photographs = sqliteTable(
  'photographs',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** What is to be seen on it, for who can't see it. */
    alt: text('alt').notNull(),
    type: text('type', { enum: ['jpeg', 'png'] }).notNull(),
    /** Pixels. */
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    /** SHA-256, by which the file is kept. */
    hash: text('hash').notNull().default(''),
    /** Taken out of what goes out next. */
    removedAt: integer('removed_at'),
    at: integer('at').notNull(),
  },
  (table) => [index('photographs_of_pattern').on(table.patternId)],
);

/** What a person says of a line of the checklist; `basis` stands for what it was said of. */
export const confirmations = sqliteTable(
  'confirmations',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    line: text('line').notNull(),
    who: text('who').notNull(),
    basis: text('basis').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.line] })],
);

/** Rounds without a count that are taken on trust, with the reason; `key` stands for the round's words and its edge. */
export const trusts = sqliteTable(
  'trusts',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    key: text('key').notNull(),
    reason: text('reason').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.key] })],
);

/** Versions that are signed. A row is never changed. */
export const releases = sqliteTable(
  'releases',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    number: text('number').notNull(),
    signer: text('signer').notNull(),
    note: text('note').notNull(),
    /** SHA-256 over the texts of both editions. */
    fingerprint: text('fingerprint').notNull(),
    /** Everything that it was made from, as JSON of `frozenSchema`. */
    content: text('content').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.number] })],
);

/** Files of a version, made once and kept: what has gone out stays as it went. */
export const releaseFiles = sqliteTable(
  'release_files',
  {
    patternId: text('pattern_id').notNull(),
    number: text('number').notNull(),
    /** "us-a4-normal.pdf". */
    name: text('name').notNull(),
    /** SHA-256, by which it is kept and known again. */
    hash: text('hash').notNull(),
    /** What there is to say of it, as a JSON array of sentences. */
    told: text('told').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.patternId, table.number, table.name] }),
    foreignKey({
      columns: [table.patternId, table.number],
      foreignColumns: [releases.patternId, releases.number],
    }).onDelete('cascade'),
    index('release_files_by_hash').on(table.hash),
  ],
);

/** Mistakes that were found in a version after it had gone out. */
export const errata = sqliteTable(
  'errata',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    version: text('version').notNull(),
    /** Of the version's own text, from 1. */
    line: integer('line').notNull(),
    part: text('part').notNull(),
    round: text('round').notNull(),
    /** The words in both terms, as JSON of `erratumWordsSchema`. */
    words: text('words').notNull(),
    /** The stitches that the round has then; null where they are not known. */
    count: integer('count'),
    note: text('note').notNull(),
    /** Who has found it. */
    source: text('source').notNull(),
    /** The version that has taken it in; empty where none has. */
    takenIn: text('taken_in').notNull().default(''),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.number] })],
);
