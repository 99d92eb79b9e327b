import { integer, sqliteTable, text, unique } from 'drizzle-orm/sqlite-core';
import { patterns } from './patterns.js';

/**
 * Which texts are in the index of words, `words` (a table of SQLite's FTS5, without the texts themselves): its row for each
 * piece of a text, and the revision that was taken in. The first piece is taken in last: where it is there, all are.
 */
export const wordRows = sqliteTable(
  'word_rows',
  {
    row: integer('row').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** Counted from 0. */
    piece: integer('piece').notNull().default(0),
    revision: integer('revision').notNull(),
  },
  (table) => [unique('word_rows_piece').on(table.patternId, table.piece)],
);
