import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** A pattern on the shelf. Times are milliseconds since 1970. */
export const patterns = sqliteTable(
  'patterns',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    text: text('text').notNull(),
    /** Goes up by one with each change of the text; a save names the revision that it was made from. */
    revision: integer('revision').notNull().default(1),
    createdAt: integer('created_at').notNull(),
    updatedAt: integer('updated_at').notNull(),
    /** Put away, and still to be had back. */
    deletedAt: integer('deleted_at'),
    /** What the last check said in figures, as JSON of `summarySchema`. */
    summary: text('summary').notNull(),
    /** Set for patterns that came with the demo, so that they are brought in once only. */
    demoKey: text('demo_key').unique(),
  },
  (table) => [index('patterns_shelf').on(table.deletedAt, table.updatedAt)],
);
