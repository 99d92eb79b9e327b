import { diff3Merge } from 'node-diff3';
import { and, eq, isNull } from 'drizzle-orm';
import { convertTerms, type Conversion } from '../../core/index.js';
import type { Edition, EditionMade, TermsNotes, TermDecision, TermsWanted } from '../patterns.js';
import type { OpenDatabase } from './db/client.js';
import { editions, patterns, termDecisions } from './db/schema.js';
import type { PatternStore } from './patterns.js';

type To = 'us' | 'uk';

/** What is kept of a pattern's two vocabularies: which it is in, what has been decided, and its editions. */
export class TermsStore {
  readonly #database: OpenDatabase;
  readonly #patterns: PatternStore;

  constructor(database: OpenDatabase, store: PatternStore) {
    this.#database = database;
    this.#patterns = store;
  }

  /** Decisions, editions made from this pattern, and the one that it was made from. */
  async notes(id: string): Promise<TermsNotes> {
    const { db } = this.#database;
    const decisions = await db
      .select({ to: termDecisions.to, key: termDecisions.key, written: termDecisions.written })
      .from(termDecisions)
      .where(eq(termDecisions.patternId, id));
    const made = await db
      .select({ id: patterns.id, name: patterns.name, to: editions.to, sourceRevision: editions.sourceRevision })
      .from(editions)
      .innerJoin(patterns, eq(patterns.id, editions.patternId))
      .where(and(eq(editions.sourceId, id), isNull(patterns.deletedAt)));
    const own = await this.#patterns.get(id);
    const [from] = await db
      .select({
        id: patterns.id,
        name: patterns.name,
        to: editions.to,
        at: editions.sourceRevision,
        now: patterns.revision,
      })
      .from(editions)
      .innerJoin(patterns, eq(patterns.id, editions.sourceId))
      .where(and(eq(editions.patternId, id), isNull(patterns.deletedAt)));
    return {
      decisions,
      editions: made.map(({ sourceRevision, ...edition }): Edition => ({
        ...edition,
        behind: own !== null && own.revision > sourceRevision,
      })),
      source: from ? { id: from.id, name: from.name, to: from.to, behind: from.now > from.at } : null,
    };
  }

  /** Settles which vocabulary a pattern is in; false where there is no such pattern. */
  async settle(id: string, terms: 'auto' | To): Promise<boolean> {
    const changed = await this.#database.write(() =>
      this.#database.db.update(patterns).set({ terms }).where(eq(patterns.id, id)).returning({ id: patterns.id }),
    );
    await this.#patterns.recount(id);
    return changed.length > 0;
  }

  /** Keeps what is to be written for a word, or (null) forgets it; false where there is no such pattern. */
  async decide(id: string, { to, key, written }: TermDecision): Promise<boolean> {
    if (!(await this.#patterns.get(id))) return false;
    await this.#database.write(async () => {
      const { db } = this.#database;
      await db
        .delete(termDecisions)
        .where(and(eq(termDecisions.patternId, id), eq(termDecisions.to, to), eq(termDecisions.key, key)));
      if (written !== null) await db.insert(termDecisions).values({ patternId: id, to, key, written, at: Date.now() });
    });
    return true;
  }

  /**
   * Saves the conversion of a pattern as an edition of it. One that is there already is brought up to date: only what
   * the source has changed is changed in it, and lines that both have changed stay as they are and are told.
   * @returns null where there is no such pattern, or the conversion can't be trusted.
   */
  async edition(id: string, wanted: TermsWanted): Promise<EditionMade | null> {
    const source = await this.#patterns.get(id);
    if (!source) return null;
    const conversion = await this.#convert(source.text, source.terms, id, wanted);
    if (conversion.state !== 'proved') return null;
    const { db } = this.#database;
    const [known] = await db
      .select({ id: patterns.id, converted: editions.converted, revision: patterns.revision, text: patterns.text })
      .from(editions)
      .innerJoin(patterns, eq(patterns.id, editions.patternId))
      .where(and(eq(editions.sourceId, id), eq(editions.to, wanted.to), isNull(patterns.deletedAt)));
    const note = { sourceRevision: source.revision, converted: conversion.text, at: Date.now() };
    if (!known) {
      const name = `${source.name} (${wanted.to.toUpperCase()} terms)`.slice(0, 200);
      const made = await this.#patterns.add({ name, text: conversion.text });
      await this.#database.write(() =>
        db.insert(editions).values({ patternId: made, sourceId: id, to: wanted.to, ...note }),
      );
      return { id: made, kind: 'made', kept: 0 };
    }
    const { text, kept } = merged(known.text, known.converted, conversion.text);
    const saved = await this.#patterns.save(known.id, text, known.revision);
    if (saved.kind !== 'saved') return null;
    await this.#database.write(() => db.update(editions).set(note).where(eq(editions.patternId, known.id)));
    return { id: known.id, kind: text === known.text ? 'same' : 'updated', kept };
  }

  async #convert(text: string, terms: 'auto' | To, id: string, { to, ...options }: TermsWanted): Promise<Conversion> {
    const { decisions } = await this.notes(id);
    const own = decisions.filter((decision) => decision.to === to).map(({ key, written }) => [key, written] as const);
    return convertTerms(text, { to, from: terms, ...options, decisions: new Map(own) });
  }
}

/**
 * An edition's own text with what has changed between two conversions of its source. Where both have changed the same
 * lines those of the edition stay.
 */
export function merged(own: string, before: string, now: string): { text: string; kept: number } {
  const lines: string[] = [];
  let kept = 0;
  for (const { ok, conflict } of diff3Merge(own.split('\n'), before.split('\n'), now.split('\n'))) {
    if (conflict) kept += 1;
    lines.push(...(ok ?? conflict?.a ?? []));
  }
  return { text: lines.join('\n'), kept };
}
