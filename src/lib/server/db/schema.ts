import { blob, foreignKey, index, integer, primaryKey, sqliteTable, text, unique } from 'drizzle-orm/sqlite-core';

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

/** What has come of a pattern, one after the other: a file, or a text that was pasted. */
export const drafts = sqliteTable(
  'drafts',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** From 1, in the order in which they came. */
    number: integer('number').notNull(),
    /** What the file is called; empty for what was pasted. */
    file: text('file').notNull(),
    /** What it is, as a person calls it. */
    kind: text('kind').notNull(),
    /** Of the file; bytes. */
    size: integer('size').notNull(),
    /** Of the file, to know it again. */
    hash: text('hash').notNull(),
    /** What it was read as, before anything was changed. */
    text: text('text').notNull(),
    /** Remarks beside its lines, and what was left out, as JSON of `draftNotesSchema` and an array of sentences. */
    notes: text('notes').notNull(),
    left: text('left').notNull(),
    /** Who has sent it; empty where that is not known. */
    sender: text('sender').notNull().default(''),
    /** The working copy on top of it when the next one took its place; null while it is the newest. */
    worked: text('worked'),
    at: integer('at').notNull(),
  },
  (table) => [unique('drafts_in_order').on(table.patternId, table.number), index('drafts_by_hash').on(table.hash)],
);

/** The files themselves, byte for byte, apart from what is asked for often. */
export const originals = sqliteTable('originals', {
  draftId: integer('draft_id')
    .primaryKey()
    .references(() => drafts.id, { onDelete: 'cascade' }),
  bytes: blob('bytes', { mode: 'buffer' }).notNull(),
});

/** What was decided on what the editor had changed in a draft when the next one came; `key` stands for its words before and after. */
export const ownChanges = sqliteTable(
  'own_changes',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** The draft that came. */
    draft: integer('draft').notNull(),
    key: text('key').notNull(),
    taken: text('taken', { enum: ['mine', 'theirs', 'query'] }).notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.draft, table.key] })],
);

/** Questions to the designer, each with a number that is its own for good. */
export const queries = sqliteTable(
  'queries',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    /** Goes up with each change of its words or its state; a change names the one that it was made from. */
    revision: integer('revision').notNull().default(1),
    state: text('state', { enum: ['open', 'sent', 'answered', 'settled', 'withdrawn'] }).notNull(),
    scope: text('scope', { enum: ['words', 'round', 'part', 'pattern'] }).notNull(),
    /** Where it was made, as JSON of `placeSchema`; `null` for one about the whole pattern. */
    place: text('place').notNull(),
    /** Part and round by name, as they were when it was made. */
    part: text('part').notNull(),
    round: text('round').notNull(),
    text: text('text').notNull(),
    /** The line as it would come out; empty where there is no proposal. */
    proposal: text('proposal').notNull(),
    /** The finding that it was made from; empty where there was none. */
    rule: text('rule').notNull(),
    finding: text('finding').notNull(),
    /** The newest draft when it was made; 0 where no drafts are kept. */
    draft: integer('draft').notNull(),
    /** What the designer has answered last. */
    answer: text('answer').notNull().default(''),
    /** Made in a window, by a name of its own: one that is sent twice is made once. */
    ref: text('ref').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.patternId, table.number] }),
    unique('queries_made_once').on(table.patternId, table.ref),
  ],
);

/** What has happened to a pattern and its queries, in order. */
export const events = sqliteTable(
  'events',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** The query; null where it is about the pattern. */
    query: integer('query'),
    what: text('what').notNull(),
    who: text('who').notNull(),
    said: text('said').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [index('events_of_pattern').on(table.patternId, table.id)],
);

/** Letters to the designer, with the message as it went out. */
export const letters = sqliteTable(
  'letters',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    to: text('to').notNull(),
    subject: text('subject').notNull(),
    /** Numbers of the queries in it, as a JSON array. */
    queries: text('queries').notNull(),
    text: text('text').notNull(),
    /** The whole message; null for one that a person has sent by themselves. */
    message: blob('message', { mode: 'buffer' }),
    /** How it went out. */
    way: text('way', { enum: ['outbox', 'smtp', 'own'] }).notNull(),
    at: integer('at').notNull(),
  },
  (table) => [index('letters_of_pattern').on(table.patternId, table.at)],
);

/** What a person set of hook, yarn and gauge beside the text, as JSON of `shapeSettingsSchema`. */
export const shapes = sqliteTable('shapes', {
  patternId: text('pattern_id')
    .primaryKey()
    .references(() => patterns.id, { onDelete: 'cascade' }),
  settings: text('settings').notNull(),
  at: integer('at').notNull(),
});

/** A draft that testers follow, frozen as it was. The secret is its address: whoever has it may join. */
export const calls = sqliteTable(
  'calls',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** From 1, in the order in which they were made. */
    number: integer('number').notNull(),
    secret: text('secret').notNull().unique(),
    /** The revision that was frozen. */
    revision: integer('revision').notNull(),
    text: text('text').notNull(),
    /** As it is followed, as JSON of `courseSchema`. */
    course: text('course').notNull(),
    /** What is asked of testers, as JSON of `wantedSchema`. */
    wanted: text('wanted').notNull(),
    withdrawnAt: integer('withdrawn_at'),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.number] })],
);

/** Who tests, by the name they want to be known by; the token is theirs alone, and lets them go on with any device. */
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
    bytes: blob('bytes', { mode: 'buffer' }).notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.tester, table.name] })],
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

/** Photographs that go out with a pattern. A row is never changed but for its words and its place: versions point to it. */
export const photographs = sqliteTable(
  'photographs',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    /** What is to be seen on it, for who can't see it. */
    alt: text('alt').notNull(),
    type: text('type', { enum: ['jpeg', 'png'] }).notNull(),
    /** Pixels. */
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    bytes: blob('bytes', { mode: 'buffer' }).notNull(),
    /** Taken out of what goes out next. */
    removedAt: integer('removed_at'),
    at: integer('at').notNull(),
  },
  (table) => [index('photographs_of_pattern').on(table.patternId)],
);

/** What a person says of a line of the checklist; `basis` stands for what it was said of. */
export const confirmations = sqliteTable(
  'confirmations',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    line: text('line').notNull(),
    who: text('who').notNull(),
    basis: text('basis').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.line] })],
);

/** Rounds without a count that are taken on trust, with the reason; `key` stands for the round's words and its edge. */
export const trusts = sqliteTable(
  'trusts',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    key: text('key').notNull(),
    reason: text('reason').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.key] })],
);

/** Versions that are signed. A row is never changed. */
export const releases = sqliteTable(
  'releases',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    number: text('number').notNull(),
    signer: text('signer').notNull(),
    note: text('note').notNull(),
    /** SHA-256 over the texts of both editions. */
    fingerprint: text('fingerprint').notNull(),
    /** Everything that it was made from, as JSON of `frozenSchema`. */
    content: text('content').notNull(),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.number] })],
);

/** Files of a version, made once and kept: what has gone out stays as it went. */
export const releaseFiles = sqliteTable(
  'release_files',
  {
    patternId: text('pattern_id').notNull(),
    number: text('number').notNull(),
    /** "us-a4-normal.pdf". */
    name: text('name').notNull(),
    /** SHA-256. */
    hash: text('hash').notNull(),
    /** What there is to say of it, as a JSON array of sentences. */
    told: text('told').notNull(),
    bytes: blob('bytes', { mode: 'buffer' }).notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.patternId, table.number, table.name] }),
    foreignKey({
      columns: [table.patternId, table.number],
      foreignColumns: [releases.patternId, releases.number],
    }).onDelete('cascade'),
    index('release_files_by_hash').on(table.hash),
  ],
);

/** Mistakes that were found in a version after it had gone out. */
export const errata = sqliteTable(
  'errata',
  {
    patternId: text('pattern_id')
      .notNull()
      .references(() => patterns.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    version: text('version').notNull(),
    /** Of the version's own text, from 1. */
    line: integer('line').notNull(),
    part: text('part').notNull(),
    round: text('round').notNull(),
    /** The words in both terms, as JSON of `erratumWordsSchema`. */
    words: text('words').notNull(),
    /** The stitches that the round has then; null where they are not known. */
    count: integer('count'),
    note: text('note').notNull(),
    /** Who has found it. */
    source: text('source').notNull(),
    /** The version that has taken it in; empty where none has. */
    takenIn: text('taken_in').notNull().default(''),
    at: integer('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.patternId, table.number] })],
);

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
