import { blob, index, integer, primaryKey, sqliteTable, text, unique } from 'drizzle-orm/sqlite-core';
import { patterns } from './patterns.js';

/** Questions to the designer, each with a number that is its own for good. */
export const queries = sqliteTable(
  'queries',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    /** Goes up with each change of its words or its state; a change names the one that it was made from. */
    revision: integer('revision').notNull().default(1),
    state: text('state', { enum: ['open', 'sent', 'answered', 'settled', 'withdrawn'] }).notNull(),
    scope: text('scope', { enum: ['words', 'round', 'part', 'pattern'] }).notNull(),
    /** Where it was made, as JSON of `placeSchema`; `null` for one about the whole pattern. */
    place: text('place').notNull(),
    /** Part and round by name, as they were when it was made. */
    part: text('part').notNull(),
    round: text('round').notNull(),
    text: text('text').notNull(),
    /** The line as it would come out; empty where there is no proposal. */
    proposal: text('proposal').notNull(),
    /** The finding that it was made from; empty where there was none. */
    rule: text('rule').notNull(),
    finding: text('finding').notNull(),
    /** The newest draft when it was made; 0 where no drafts are kept. */
    draft: integer('draft').notNull(),
    /** What the designer has answered last. */
    answer: text('answer').notNull().default(''),
    /** Made in a window, by a name of its own: one that is sent twice is made once. */
    ref: text('ref').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.patternId, table.number] }),
    unique('queries_made_once').on(table.patternId, table.ref),
  ],
);

/** What has happened to a pattern and its queries, in order. */
export const events = sqliteTable(
  'events',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** The query; null where it is about the pattern. */
    query: integer('query'),
    what: text('what').notNull(),
    who: text('who').notNull(),
    said: text('said').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [index('events_of_pattern').on(table.patternId, table.id)],
);

/** Letters to the designer, with the message as it went out. */
export const letters = sqliteTable(
  'letters',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    to: text('to').notNull(),
    subject: text('subject').notNull(),
    /** Numbers of the queries in it, as a JSON array. */
    queries: text('queries').notNull(),
    text: text('text').notNull(),
    /** The whole message; null for one that a person has sent by themselves. */
    message: blob('message', { mode: 'buffer' }),
    /** How it went out. */
    way: text('way', { enum: ['outbox', 'smtp', 'own'] }).notNull(),
    at: integer('at').notNull(),
  },
  (table) => [index('letters_of_pattern').on(table.patternId, table.at)],
);
