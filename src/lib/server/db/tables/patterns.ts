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
    /** The vocabulary that the editor has settled; `auto` goes by the text. */
    terms: text('terms', { enum: ['auto', 'us', 'uk'] })
      .notNull()
      .default('auto'),
    /** What words of this hand mean, as JSON of `handSchema`. */
    hand: text('hand').notNull().default('{"words":{}}'),
    /** Who has written it, and where letters to them go; empty where that is not known. */
    designer: text('designer').notNull().default(''),
    designerMail: text('designer_mail').notNull().default(''),
    /** Put away, and still to be had back. */
    deletedAt: integer('deleted_at'),
    /** What the last check said in figures, as JSON of `summarySchema`; `null` where the text is too much to be counted. */
    summary: text('summary').notNull(),
    /** The revision that the figures are about; null where something else has changed that they rest on. */
    counted: integer('counted'),
    /** Set for patterns that came with the demo, so that they are brought in once only. */
    demoKey: text('demo_key').unique(),
  },
  (table) => [index('patterns_shelf').on(table.deletedAt, table.updatedAt)],
);

/** What a person set of hook, yarn and gauge beside the text, as JSON of `shapeSettingsSchema`. */
export const shapes = sqliteTable('shapes', {
  patternId: text('pattern_id')
    .primaryKey()
    .references(() => patterns.id, { onDelete: 'cascade' }),
  settings: text('settings').notNull(),
  at: integer('at').notNull(),
});

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

/**
 * The last texts that were saved, by a hash of each: a window whose answer never arrived asks again, and what it sends has
 * been saved already.
 */
export const saves = sqliteTable(
  'saves',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    hash: text('hash').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.revision] })],
);

/** What an editor wants written for a word on the way into the other vocabulary. `key` stands for the word in its line. */
export const termDecisions = sqliteTable(
  'term_decisions',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    to: text('to', { enum: ['us', 'uk'] }).notNull(),
    key: text('key').notNull(),
    written: text('written').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.to, table.key] })],
);

/** A pattern that was made from another by converting it, with what it was made from: to see whether it is behind. */
export const editions = sqliteTable(
  'editions',
  {
    patternId: text('pattern_id')
      .primaryKey()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    sourceId: text('source_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    to: text('to', { enum: ['us', 'uk'] }).notNull(),
    sourceRevision: integer('source_revision').notNull(),
    /** The conversion as it was made, before anything was changed in the edition itself. */
    converted: text('converted').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [index('editions_of_source').on(table.sourceId)],
);
