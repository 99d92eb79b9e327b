import { blob, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** The scope of settings that hold for all patterns. */
export const EVERYWHERE = 'everywhere';

/** Rules that are set otherwise than they are: for all patterns, or (by its id) for one. */
export const ruleSettings = sqliteTable(
  'rule_settings',
  {
    scope: text('scope').notNull(),
    rule: text('rule').notNull(),
    severity: text('severity', { enum: ['error', 'warning', 'hint', 'off'] }).notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.scope, table.rule] })],
);

/** What holds for the whole workspace, by name, as JSON. */
export const workspace = sqliteTable('workspace', {
  name: text('name').primaryKey(),
  value: text('value').notNull(),
  at: integer('at').notNull(),
});

/**
 * The last transactions that were carried out on a service elsewhere, each by a name that it gave itself: where the answer to
 * a commit does not arrive, it is looked up here whether it was carried out. On a file of this machine it stays empty.
 */
export const commits = sqliteTable('commits', { id: text('id').primaryKey(), at: integer('at').notNull() }, (table) => [
  index('commits_at').on(table.at),
]);

/** Files that an earlier version kept in the database, until they lie with the others (`files/moved.ts`); empty from then on. */
export const bytesToMove = sqliteTable('bytes_to_move', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  /** The table whose row takes up its SHA-256, where "moving-" and the number stand in its place until then; null where it is there. */
  place: text('place', { enum: ['photographs', 'test_photographs'] }),
  row: integer('row'),
  bytes: blob('bytes', { mode: 'buffer' }).notNull(),
});
