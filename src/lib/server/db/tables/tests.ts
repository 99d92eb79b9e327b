import { foreignKey, index, integer, primaryKey, sqliteTable, text, unique } from 'drizzle-orm/sqlite-core';
import { patterns } from './patterns.js';

/** A draft that testers follow, frozen as it was. */
export const calls = sqliteTable(
  'calls',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** From 1, in the order in which they were made. */
    number: integer('number').notNull(),
    /** The revision that was frozen. */
    revision: integer('revision').notNull(),
    text: text('text').notNull(),
    /** As it is followed, as JSON of `courseSchema`. */
    course: text('course').notNull(),
    /** What is asked of testers, as JSON of `wantedSchema`. */
    wanted: text('wanted').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.number] })],
);

/**
 * Who tests, by the name they want to be known by. A token, which is theirs alone, lets them go on with any device; of it only
 * what it hashes to is kept.
 */
export const testers = sqliteTable(
  'testers',
  {
    token: text('token').primaryKey(),
    patternId: text('pattern_id').notNull(),
    call: integer('call').notNull(),
    name: text('name').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [
    foreignKey({
      columns: [table.patternId, table.call],
      foreignColumns: [calls.patternId, calls.number],
    }).onDelete('cascade'),
    unique('testers_by_name').on(table.patternId, table.call, table.name),
  ],
);

/** What testers did, as their devices noted it. A row is never changed. */
export const testSteps = sqliteTable(
  'test_steps',
  {
    /** In the order in which they arrived. */
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id').notNull(),
    tester: text('tester')
      .notNull()
      .references(() => testers.token, { onDelete: 'cascade' }),
    /** By the device: one that is sent twice is kept once. */
    step: text('step').notNull(),
    /** As JSON of `stepSchema`. */
    content: text('content').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [
    unique('test_steps_once').on(table.tester, table.step),
    index('test_steps_of_pattern').on(table.patternId, table.id),
  ],
);

/** Photographs that testers took, by the name that their device gave them. */
export const testPhotographs = sqliteTable(
  'test_photographs',
  {
    patternId: text('pattern_id').notNull(),
    tester: text('tester')
      .notNull()
      .references(() => testers.token, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    type: text('type', { enum: ['jpeg', 'png'] }).notNull(),
    /** Pixels. */
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    /** SHA-256, by which the file is kept. */
    hash: text('hash').notNull().default(''),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.tester, table.name] })],
);
