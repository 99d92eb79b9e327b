import { index, integer, primaryKey, sqliteTable, text, unique } from 'drizzle-orm/sqlite-core';
import { patterns } from './patterns.js';

/** What has come of a pattern, one after the other: a file, or a text that was pasted. */
export const drafts = sqliteTable(
  'drafts',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** From 1, in the order in which they came. */
    number: integer('number').notNull(),
    /** What the file is called; empty for what was pasted. */
    file: text('file').notNull(),
    /** What it is, as a person calls it. */
    kind: text('kind').notNull(),
    /** Of the file; bytes. */
    size: integer('size').notNull(),
    /** SHA-256 of the file, by which it is kept and known again. */
    hash: text('hash').notNull(),
    /** What it was read as, before anything was changed. */
    text: text('text').notNull(),
    /** Remarks beside its lines, and what was left out, as JSON of `draftNotesSchema` and an array of sentences. */
    notes: text('notes').notNull(),
    left: text('left').notNull(),
    /** Who has sent it; empty where that is not known. */
    sender: text('sender').notNull().default(''),
    /** The working copy on top of it when the next one took its place; null while it is the newest. */
    worked: text('worked'),
    at: integer('at').notNull(),
  },
  (table) => [unique('drafts_in_order').on(table.patternId, table.number), index('drafts_by_hash').on(table.hash)],
);

/** What was decided on what the editor had changed in a draft when the next one came; `key` stands for its words before and after. */
export const ownChanges = sqliteTable(
  'own_changes',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** The draft that came. */
    draft: integer('draft').notNull(),
    key: text('key').notNull(),
    taken: text('taken', { enum: ['mine', 'theirs', 'query'] }).notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.draft, table.key] })],
);
