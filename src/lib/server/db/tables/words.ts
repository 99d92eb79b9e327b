import { integer, sqliteTable, text, unique } from 'drizzle-orm/sqlite-core';
import { patterns } from './patterns.js';

/**
 * Which texts are in the index of words, `words` (a table of SQLite's FTS5, without the texts themselves): its row for each
 * piece of a text, by the key of its words, and the revision that it stands in. A text is in it where its revision stands there:
 * that is set last.
 */
export const wordRows = sqliteTable(
  'word_rows',
  {
    row: integer('row').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    key: text('key').notNull(),
    revision: integer('revision').notNull(),
  },
  (table) => [unique('word_rows_key').on(table.patternId, table.key)],
);
