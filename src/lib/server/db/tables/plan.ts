import { real, sqliteTable, text, integer } from 'drizzle-orm/sqlite-core';
import { patterns } from './patterns.js';

/** Patterns that stand on a list with a date, with what was settled of them. Days are written as 2026-03-14. */
export const plans = sqliteTable('plans', {
  patternId: text('pattern_id')
    .primaryKey()
    .references(() => patterns.id, { onDelete: 'cascade' }),
  /** "Spring list". */
  list: text('list').notNull(),
  release: text('release').notNull(),
  /** Who does the editor's part; empty where that is not settled. */
  editor: text('editor').notNull(),
  /** Hours that the toy takes, as somebody has set them; null where they go by what is known of it. */
  hours: real('hours'),
  /** Ids of the patterns that come out before it, as a JSON array. */
  after: text('after').notNull(),
  /** Stages that somebody has said to be reached, and those that were moved, each with its day; JSON. */
  done: text('done').notNull(),
  moved: text('moved').notNull(),
  at: integer('at').notNull(),
});
