import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** What people did, and what was refused to them. It points to nobody: it stays when they, or the pattern, are gone. */
export const deeds = sqliteTable(
  'deeds',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    /** A key of `DEEDS`. */
    deed: text('deed').notNull(),
    personId: text('person_id'),
    who: text('who').notNull(),
    role: text('role', { enum: ['owner', 'editor', 'designer', 'tester'] }),
    patternId: text('pattern_id'),
    /** What it was about, where that is no pattern: a person, a mail address that was tried. */
    about: text('about').notNull(),
    place: text('place').notNull(),
    refused: integer('refused', { mode: 'boolean' }).notNull(),
    times: integer('times').notNull(),
    first: integer('first').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [index('deeds_at').on(table.at), index('deeds_of').on(table.personId, table.at)],
);
