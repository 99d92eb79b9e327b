import { createHash, randomUUID } from 'node:crypto';
import { and, desc, eq, isNull, lte } from 'drizzle-orm';
import * as z from 'zod/mini';
import { handSchema, isRule, type Hand } from '../../core/index.js';
import {
  dismissalSchema,
  keySchema,
  LONGEST_NAME,
  patternSchema,
  UNTITLED,
  type Dismissal,
  handWith,
  type HandChange,
  type Notes,
  type StoredPattern,
} from '../patterns.js';
import type { Database, OpenDatabase, Writing } from './db/client.js';
import { dismissals, patterns, saves, ticks, versions } from './db/schema.js';
import { followText } from './places.js';
import { parsed, readable } from './readable.js';
import { RuleStore } from './rules.js';

export type SaveOutcome =
  | { readonly kind: 'saved'; readonly revision: number }
  /** Another save came first; `kept`: the text had been saved before that one, though no answer arrived. */
  | { readonly kind: 'conflict'; readonly current: StoredPattern; readonly kept: boolean }
  | { readonly kind: 'gone' };

/** A sitting ends after so long a pause, and a new one begins after so long in any case; milliseconds. */
const SITTING = 30 * 60_000;
const LONGEST_SITTING = 4 * 3_600_000;
const MOST_VERSIONS = 50;
/** So many saves are remembered by their hash: an hour of typing, and longer than any answer is out. */
const MOST_SAVES = 2000;

const keyRow = z.object({ key: keySchema });

/** Everything that is done with stored patterns. */
export class PatternStore {
  readonly #database: OpenDatabase;
  readonly #rules: RuleStore;
  readonly #changed: (id: string) => void;

  /** @param changed is told of each pattern whose figures are to be counted anew. */
  constructor(database: OpenDatabase, changed: (id: string) => void = () => undefined) {
    this.#database = database;
    this.#rules = new RuleStore(database);
    this.#changed = changed;
  }

  /** A pattern by its id; null where there is none or it has been put away. */
  async get(id: string): Promise<StoredPattern | null> {
    return getIn(this.#database.db, id);
  }

  /** The revision of a pattern; null where there is none. */
  async revision(id: string): Promise<number | null> {
    const [row] = await this.#database.db
      .select({ revision: patterns.revision })
      .from(patterns)
      .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
    return row?.revision ?? null;
  }

  /** Takes in a text, as `storable` keeps it, and returns its id. */
  async add(entry: NewPattern): Promise<string> {
    const id = await this.#database.write((db) => insertPattern(db, entry));
    this.#changed(id);
    return id;
  }

  /** Saves a text that was made from revision `base`; refuses where another save came first. */
  async save(id: string, text: string, base: number): Promise<SaveOutcome> {
    const outcome = await this.#database.write((db) => saveIn(db, id, text, base));
    if (outcome.kind === 'saved') this.#changed(id);
    return outcome;
  }

  /**
   * Settles a conflict at once, whatever has been saved meanwhile: one of the two texts goes on, the other is shelved as a
   * copy. Returns what stands there then; null where there is no such pattern.
   */
  async settle(id: string, mine: string, keep: 'mine' | 'theirs'): Promise<StoredPattern | null> {
    const settled = await this.#database.write(async (db) => {
      const current = await getIn(db, id);
      if (!current) return null;
      const text = storable(mine);
      if (text === current.text) return { now: current, copy: null };
      const copy = await copyOf(db, current, keep === 'mine' ? current.text : text);
      if (keep === 'theirs') return { now: current, copy };
      await saveIn(db, id, text, current.revision);
      return { now: { ...current, text, revision: current.revision + 1 }, copy };
    });
    if (!settled) return null;
    this.#changed(id);
    if (settled.copy !== null) this.#changed(settled.copy);
    return settled.now;
  }

  /** Ticks, dismissals, and how the rules are set. */
  async notes(id: string): Promise<Notes> {
    const { db } = this.#database;
    const ticked = await db.select({ key: ticks.key }).from(ticks).where(eq(ticks.patternId, id));
    const put = await db
      .select({ key: dismissals.key, rule: dismissals.rule, reason: dismissals.reason })
      .from(dismissals)
      .where(eq(dismissals.patternId, id));
    return {
      ticks: readable(ticked, keyRow, 'ticks').map(({ key }) => key),
      dismissals: readable(put, dismissalSchema, 'findings put aside'),
      rules: await this.#rules.holdingFor(id),
    };
  }

  /** The text as it was before the last sitting; null where there was none. */
  async earlier(id: string): Promise<string | null> {
    const [version] = await this.#database.db
      .select({ text: versions.text })
      .from(versions)
      .where(eq(versions.patternId, id))
      .orderBy(desc(versions.at))
      .limit(1);
    return typeof version?.text === 'string' ? version.text : null;
  }

  /** Sets or takes off a tick; false where there is no such pattern. */
  async tick(id: string, key: string, on: boolean): Promise<boolean> {
    const done = await this.#database.write(async (db) => {
      if (!(await isThere(db, id))) return false;
      // How many are ticked stands on the shelf.
      await db.update(patterns).set({ counted: null }).where(eq(patterns.id, id));
      if (on) await db.insert(ticks).values({ patternId: id, key, at: Date.now() }).onConflictDoNothing();
      else await db.delete(ticks).where(and(eq(ticks.patternId, id), eq(ticks.key, key)));
      return true;
    });
    if (done) this.#changed(id);
    return done;
  }

  /**
   * Puts a finding aside, or takes it up again where no reason is given; false where there is no such pattern, or no
   * such rule.
   */
  async dismiss(id: string, { key, rule, reason }: Dismissal): Promise<boolean> {
    if (!isRule(rule)) return false;
    const done = await this.#database.write(async (db) => {
      if (!(await isThere(db, id))) return false;
      await db.delete(dismissals).where(and(eq(dismissals.patternId, id), eq(dismissals.key, key)));
      if (reason !== null) await db.insert(dismissals).values({ patternId: id, key, rule, reason, at: Date.now() });
      await db.update(patterns).set({ counted: null }).where(eq(patterns.id, id));
      return true;
    });
    if (done) this.#changed(id);
    return done;
  }

  /** Puts right how a pattern was understood, or takes that back; false where there is no such pattern, or no room for more. */
  async changeHand(id: string, change: HandChange): Promise<boolean> {
    const done = await this.#database.write(async (db) => {
      const pattern = await getIn(db, id);
      if (!pattern) return false;
      const hand = handWith(pattern.hand, change);
      if (!handSchema.safeParse(hand).success) return false;
      // The figures on the shelf rest on it.
      await db
        .update(patterns)
        .set({ hand: JSON.stringify(hand), counted: null })
        .where(eq(patterns.id, id));
      return true;
    });
    if (done) this.#changed(id);
    return done;
  }

  async rename(id: string, name: string): Promise<boolean> {
    const renamed = await this.#database.write((db) =>
      db
        .update(patterns)
        .set({ name })
        .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)))
        .returning({ id: patterns.id }),
    );
    return renamed.length > 0;
  }

  /** The keys of all demo patterns that have ever been brought in, put away or not. */
  async demoKeys(): Promise<Set<string>> {
    const rows = await this.#database.db.select({ key: patterns.demoKey }).from(patterns);
    return new Set(rows.flatMap(({ key }) => (key === null ? [] : [key])));
  }
}

export interface NewPattern {
  /** Empty: the first line of the text. */
  readonly name: string;
  readonly text: string;
  readonly demoKey?: string;
  /** What words of its hand mean; a copy takes it over. */
  readonly hand?: Hand;
}

/** Puts a text on the shelf, as a part of a transaction. */
export async function insertPattern(db: Writing, { name, text: given, demoKey, hand }: NewPattern): Promise<string> {
  const id = randomUUID();
  const text = storable(given);
  const now = Date.now();
  await db.insert(patterns).values({
    id,
    name: name || nameFrom(text),
    text,
    createdAt: now,
    updatedAt: now,
    summary: 'null',
    demoKey: demoKey ?? null,
    ...(hand ? { hand: JSON.stringify(hand) } : {}),
  });
  return id;
}

/** Shelves a text as a copy, once: who asks again has not had the answer. */
async function copyOf(db: Writing, { name: of, hand }: StoredPattern, text: string): Promise<string> {
  const name = `Copy: ${of}`.slice(0, LONGEST_NAME);
  const [known] = await db
    .select({ id: patterns.id })
    .from(patterns)
    .where(and(eq(patterns.name, name), eq(patterns.text, text), isNull(patterns.deletedAt)));
  return known?.id ?? insertPattern(db, { name, text, hand });
}

/** Saves a text, as a part of a transaction; see `PatternStore.save`. */
export async function saveIn(db: Writing, id: string, given: string, base: number): Promise<SaveOutcome> {
  const text = storable(given);
  const hash = createHash('sha256').update(text).digest('hex').slice(0, 24);
  const [now] = await db
    .select({ revision: patterns.revision, updatedAt: patterns.updatedAt, text: patterns.text })
    .from(patterns)
    .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
  if (!now) return { kind: 'gone' };
  if (now.revision !== base) return laterSave(db, id, text, hash, base);
  await keepVersion(db, id, now);
  await followText(db, id, now.text, text);
  const revision = base + 1;
  await db.update(patterns).set({ text, revision, updatedAt: Date.now() }).where(eq(patterns.id, id));
  await db.insert(saves).values({ patternId: id, revision, hash });
  await db.delete(saves).where(and(eq(saves.patternId, id), lte(saves.revision, revision - MOST_SAVES)));
  return { kind: 'saved', revision };
}

/** A save on an older revision: of a text that was saved already, or against another one. */
async function laterSave(db: Writing, id: string, text: string, hash: string, base: number): Promise<SaveOutcome> {
  const current = await getIn(db, id);
  if (!current) return { kind: 'gone' };
  // The same text again, after an answer that never arrived, is no conflict.
  if (current.text === text) return { kind: 'saved', revision: current.revision };
  const same = await db
    .select({ revision: saves.revision })
    .from(saves)
    .where(and(eq(saves.patternId, id), eq(saves.hash, hash)));
  return { kind: 'conflict', current, kept: same.some(({ revision }) => revision > base) };
}

/** Keeps the text that a save is about to replace, once for each sitting. */
async function keepVersion(
  db: Writing,
  id: string,
  now: { revision: number; updatedAt: number; text: string },
): Promise<void> {
  const [last] = await db
    .select({ at: versions.at })
    .from(versions)
    .where(eq(versions.patternId, id))
    .orderBy(desc(versions.at))
    .limit(1);
  const at = Date.now();
  if (last && at - now.updatedAt < SITTING && at - last.at < LONGEST_SITTING) return;
  await db.insert(versions).values({ patternId: id, revision: now.revision, text: now.text, at });
  const old = await db
    .select({ id: versions.id })
    .from(versions)
    .where(eq(versions.patternId, id))
    .orderBy(desc(versions.at))
    .offset(MOST_VERSIONS)
    .limit(1000);
  for (const { id: version } of old) await db.delete(versions).where(eq(versions.id, version));
}

async function getIn(db: Pick<Database, 'select'>, id: string): Promise<StoredPattern | null> {
  const [row] = await db
    .select()
    .from(patterns)
    .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
  if (!row) return null;
  const read = patternSchema.safeParse({ ...row, hand: parsed(row.hand) });
  if (!read.success) throw new Spoilt();
  return read.data;
}

/** What is kept of a pattern can't be read: something else than Dostik has written there. */
export class Spoilt extends Error {
  constructor() {
    super('What is kept of this pattern could not be read; something else than Dostik has changed it.');
  }
}

/** Whether a pattern is on the shelf. */
export async function isThere(db: Writing, id: string): Promise<boolean> {
  const [row] = await db
    .select({ id: patterns.id })
    .from(patterns)
    .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
  return row !== undefined;
}

/**
 * A text as it is kept: line ends become `\n`, the only kind that the editor knows. A NUL would end
 * the text in the database and is shown by its sign instead, so that nothing behind it is lost.
 */
export function storable(text: string): string {
  return text.replace(/\r\n?/g, '\n').replaceAll('\0', '\u2400');
}

/** The first line with letters in it, without its ornaments. */
export function nameFrom(text: string): string {
  for (const line of text.slice(0, 20_000).split('\n')) {
    const name = (line.split(/\s+[/|]\s+|\t|\s{3,}/)[0] ?? '').replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N})!?"”’]+$/gu, '');
    if (/\p{L}/u.test(name)) return name.length > 80 ? `${name.slice(0, 79)}…` : name.slice(0, LONGEST_NAME);
  }
  return UNTITLED;
}
