import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/**
 * Practice patterns that somebody works through, or has. `person` is their account; empty for whoever works alone. What is
 * practised is nobody else's business: it goes into no workspace that is taken out.
 */
export const practices = sqliteTable(
  'practices',
  {
    id: text('id').primaryKey(),
    person: text('person').notNull(),
    /** Faults to be found, or terms to be turned. */
    what: text('what', { enum: ['faults', 'terms'] }).notNull(),
    level: integer('level').notNull(),
    /** The way of writing; empty for a pattern of one's own. */
    school: text('school').notNull(),
    /** The vocabulary that the text is in. */
    terms: text('terms', { enum: ['us', 'uk'] }).notNull(),
    text: text('text').notNull(),
    /** What was planted, as JSON; not shown before the end. */
    faults: text('faults').notNull(),
    /** What was marked or written so far, as JSON of `workSchema`. */
    work: text('work').notNull(),
    /** From 0 to 1, in thousandths; null while it is worked on. */
    mark: integer('mark'),
    /** What came of it kind by kind, as JSON of `tallySchema`; null while it is worked on. */
    tally: text('tally'),
    at: integer('at').notNull(),
    endedAt: integer('ended_at'),
  },
  (table) => [index('practices_of').on(table.person, table.at)],
);

/** What somebody knows of each kind of fault, as the library of spaced repetition keeps it; JSON of `cardSchema`. */
export const practiceCards = sqliteTable(
  'practice_cards',
  {
    person: text('person').notNull(),
    kind: text('kind').notNull(),
    card: text('card').notNull(),
    /** When it is to be practised again. */
    dueAt: integer('due_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.person, table.kind] })],
);
