import { randomUUID } from 'node:crypto';
import * as z from 'zod/mini';
import { and, desc, eq, isNull } from 'drizzle-orm';
import {
  LONGEST_NAME,
  patternSchema,
  summarySchema,
  type Dismissal,
  type Notes,
  type StoredPattern,
  type Summary,
} from '../patterns.js';
import type { OpenDatabase } from './db/client.js';
import { dismissals, patterns, ticks, versions } from './db/schema.js';
import { RuleStore } from './rules.js';
import { summarise } from './summary.js';

const storedSummary = z.nullable(summarySchema);

export interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: number;
  /** Null where the text is too long to be counted at each save. */
  readonly summary: Summary | null;
}

export type SaveOutcome =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'conflict'; readonly current: StoredPattern }
  | { readonly kind: 'gone' };

/** A sitting ends after so long a pause, and a new one begins after so long in any case; milliseconds. */
const SITTING = 30 * 60_000;
const LONGEST_SITTING = 4 * 3_600_000;
const MOST_VERSIONS = 50;

/** Everything that is done with stored patterns. */
export class PatternStore {
  readonly #database: OpenDatabase;
  readonly #rules: RuleStore;

  constructor(database: OpenDatabase) {
    this.#database = database;
    this.#rules = new RuleStore(database);
  }

  /** All patterns that are not put away, the last changed first. */
  async list(): Promise<ShelfEntry[]> {
    const rows = await this.#database.db
      .select({ id: patterns.id, name: patterns.name, updatedAt: patterns.updatedAt, summary: patterns.summary })
      .from(patterns)
      .where(isNull(patterns.deletedAt))
      .orderBy(desc(patterns.updatedAt), patterns.name);
    return rows.map((row) => ({ ...row, summary: storedSummary.parse(JSON.parse(row.summary)) }));
  }

  /** A pattern by its id; null where there is none or it has been put away. */
  async get(id: string): Promise<StoredPattern | null> {
    const [row] = await this.#database.db
      .select()
      .from(patterns)
      .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)));
    return row ? patternSchema.parse(row) : null;
  }

  /** Takes in a text, as `storable` keeps it, and returns its id. */
  async add(entry: { name: string; text: string; demoKey?: string }): Promise<string> {
    const id = randomUUID();
    const text = storable(entry.text);
    const now = Date.now();
    const rules = await this.#rules.of();
    await this.#database.write(() =>
      this.#database.db.insert(patterns).values({
        id,
        name: entry.name || nameFrom(text),
        text,
        createdAt: now,
        updatedAt: now,
        summary: JSON.stringify(summarise(text, new Set(), { terms: 'auto', rules })),
        demoKey: entry.demoKey ?? null,
      }),
    );
    return id;
  }

  /** Saves a text that was made from revision `base`; refuses where another save came first. */
  async save(id: string, given: string, base: number): Promise<SaveOutcome> {
    const text = storable(given);
    const summary = await this.#summaryOf(id, text, (await this.get(id))?.terms ?? 'auto');
    const changed = await this.#database.write(async () => {
      await this.#keepVersion(id, base);
      return this.#database.db
        .update(patterns)
        .set({ text, revision: base + 1, updatedAt: Date.now(), summary })
        .where(and(eq(patterns.id, id), eq(patterns.revision, base), isNull(patterns.deletedAt)))
        .returning({ revision: patterns.revision });
    });
    const saved = changed[0];
    if (saved) return { kind: 'saved', revision: saved.revision };
    const current = await this.get(id);
    if (!current) return { kind: 'gone' };
    // The same text again, after an answer that never arrived, is no conflict.
    if (current.text === text) return { kind: 'saved', revision: current.revision };
    return { kind: 'conflict', current };
  }

  /** Keeps the text that a save is about to replace, once for each sitting. */
  async #keepVersion(id: string, base: number): Promise<void> {
    const { db } = this.#database;
    const [last] = await db
      .select({ at: versions.at })
      .from(versions)
      .where(eq(versions.patternId, id))
      .orderBy(desc(versions.at))
      .limit(1);
    const [current] = await db
      .select({ text: patterns.text, updatedAt: patterns.updatedAt })
      .from(patterns)
      .where(and(eq(patterns.id, id), eq(patterns.revision, base)));
    const now = Date.now();
    if (!current || (last && now - current.updatedAt < SITTING && now - last.at < LONGEST_SITTING)) return;
    await db.insert(versions).values({ patternId: id, revision: base, text: current.text, at: now });
    const old = await db
      .select({ id: versions.id })
      .from(versions)
      .where(eq(versions.patternId, id))
      .orderBy(desc(versions.at))
      .offset(MOST_VERSIONS)
      .limit(1000);
    for (const { id: version } of old) await db.delete(versions).where(eq(versions.id, version));
  }

  async #asideOf(id: string): Promise<Set<string>> {
    const rows = await this.#database.db
      .select({ key: dismissals.key })
      .from(dismissals)
      .where(eq(dismissals.patternId, id));
    return new Set(rows.map(({ key }) => key));
  }

  /** Ticks, dismissals and the text before the last sitting. */
  async notes(id: string): Promise<Notes> {
    const { db } = this.#database;
    const ticked = await db.select({ key: ticks.key }).from(ticks).where(eq(ticks.patternId, id));
    const put = await db
      .select({ key: dismissals.key, rule: dismissals.rule, reason: dismissals.reason })
      .from(dismissals)
      .where(eq(dismissals.patternId, id));
    const [version] = await db
      .select({ text: versions.text })
      .from(versions)
      .where(eq(versions.patternId, id))
      .orderBy(desc(versions.at))
      .limit(1);
    return {
      ticks: ticked.map(({ key }) => key),
      dismissals: put,
      rules: await this.#rules.holdingFor(id),
      before: version?.text ?? null,
    };
  }

  /** Sets or takes off a tick; false where there is no such pattern. */
  async tick(id: string, key: string, on: boolean): Promise<boolean> {
    if (!(await this.get(id))) return false;
    await this.#database.write(async () => {
      const { db } = this.#database;
      if (on) await db.insert(ticks).values({ patternId: id, key, at: Date.now() }).onConflictDoNothing();
      else await db.delete(ticks).where(and(eq(ticks.patternId, id), eq(ticks.key, key)));
    });
    return true;
  }

  /** Puts a finding aside, or takes it up again where no reason is given; false where there is no such pattern. */
  async dismiss(id: string, { key, rule, reason }: Dismissal): Promise<boolean> {
    const pattern = await this.get(id);
    if (!pattern) return false;
    await this.#database.write(async () => {
      const { db } = this.#database;
      const of = and(eq(dismissals.patternId, id), eq(dismissals.key, key));
      await db.delete(dismissals).where(of);
      if (reason !== null) await db.insert(dismissals).values({ patternId: id, key, rule, reason, at: Date.now() });
    });
    await this.recount(id);
    return true;
  }

  /** Brings the figures on the shelf up to date, after something has changed that they rest on. */
  async recount(id: string): Promise<void> {
    const pattern = await this.get(id);
    if (!pattern) return;
    const summary = await this.#summaryOf(id, pattern.text, pattern.terms);
    await this.#database.write(() =>
      this.#database.db
        .update(patterns)
        .set({ summary })
        .where(and(eq(patterns.id, id), eq(patterns.revision, pattern.revision))),
    );
  }

  async #summaryOf(id: string, text: string, terms: StoredPattern['terms']): Promise<string> {
    const rules = await this.#rules.holdingFor(id);
    return JSON.stringify(summarise(text, await this.#asideOf(id), { terms, rules }));
  }

  async rename(id: string, name: string): Promise<boolean> {
    const changed = await this.#database.write(() =>
      this.#database.db.update(patterns).set({ name }).where(eq(patterns.id, id)).returning({ id: patterns.id }),
    );
    return changed.length > 0;
  }

  /** Puts a pattern away, or takes it back. */
  async setAway(id: string, away: boolean): Promise<boolean> {
    const changed = await this.#database.write(() =>
      this.#database.db
        .update(patterns)
        .set({ deletedAt: away ? Date.now() : null })
        .where(eq(patterns.id, id))
        .returning({ id: patterns.id }),
    );
    return changed.length > 0;
  }

  /** The keys of all demo patterns that have ever been brought in, put away or not. */
  async demoKeys(): Promise<Set<string>> {
    const rows = await this.#database.db.select({ key: patterns.demoKey }).from(patterns);
    return new Set(rows.flatMap(({ key }) => (key === null ? [] : [key])));
  }
}

/**
 * A text as it is kept: line ends become `\n`, the only kind that the editor knows. A NUL would end
 * the text in the database and is shown by its sign instead, so that nothing behind it is lost.
 */
function storable(text: string): string {
  return text.replace(/\r\n?/g, '\n').replaceAll('\0', '\u2400');
}

/** The first line with letters in it, without its ornaments. */
export function nameFrom(text: string): string {
  for (const line of text.slice(0, 20_000).split('\n')) {
    const name = (line.split(/\s+[/|]\s+|\t|\s{3,}/)[0] ?? '').replace(/^[^\p{L}\p{N}]+|[^\p{L}\p{N})!?"”’]+$/gu, '');
    if (/\p{L}/u.test(name)) return name.length > 80 ? `${name.slice(0, 79)}…` : name.slice(0, LONGEST_NAME);
  }
  return 'Untitled pattern';
}
