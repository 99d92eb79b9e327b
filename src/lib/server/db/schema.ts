import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

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

/** Rounds that a person has agreed to. `key` stands for the round's words and all that its count rests on. */
export const ticks = sqliteTable(
  'ticks',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    key: text('key').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.key] })],
);

/** Findings that a person has put aside, with the reason. `key` stands for the rule and the words it was found in. */
export const dismissals = sqliteTable(
  'dismissals',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    key: text('key').notNull(),
    rule: text('rule').notNull(),
    reason: text('reason').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.key] })],
);

/** Earlier texts of a pattern: one for each sitting, as it was before it. */
export const versions = sqliteTable(
  'versions',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    text: text('text').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [index('versions_of_pattern').on(table.patternId, table.at)],
);
