import { and, eq, isNull } from 'drizzle-orm';
import * as z from 'zod/mini';
import {
  LONGEST_NAME,
  termDecisionSchema,
  type Edition,
  type EditionMade,
  type TermsNotes,
  type TermDecision,
  type TermsWanted,
} from '../patterns.js';
import type { Counting } from './counting/counting.js';
import type { OpenDatabase } from './db/client.js';
import { editions, patterns, termDecisions } from './db/schema.js';
import { insertPattern, saveIn, type PatternStore } from './patterns.js';
import { readable } from './readable.js';

type To = 'us' | 'uk';

const decisionRow = z.extend(termDecisionSchema, { written: z.string() });

/** What is kept of a pattern's two vocabularies: which it is in, what has been decided, and its editions. */
export class TermsStore {
  readonly #database: OpenDatabase;
  readonly #patterns: PatternStore;
  readonly #counting: Counting;
  readonly #changed: (id: string) => void;

  /** @param changed is told of each pattern whose figures are to be counted anew. */
  constructor(
    database: OpenDatabase,
    store: PatternStore,
    counting: Counting,
    changed: (id: string) => void = () => undefined,
  ) {
    this.#database = database;
    this.#patterns = store;
    this.#counting = counting;
    this.#changed = changed;
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
      decisions: readable(decisions, decisionRow, 'what was decided on words'),
      editions: made.map(({ sourceRevision, ...edition }): Edition => ({
        ...edition,
        behind: own !== null && own.revision > sourceRevision,
      })),
      source: from ? { id: from.id, name: from.name, to: from.to, behind: from.now > from.at } : null,
    };
  }

  /** Settles which vocabulary a pattern is in; false where there is no such pattern. */
  async settle(id: string, terms: 'auto' | To): Promise<boolean> {
    const changed = await this.#database.write((db) =>
      db
        .update(patterns)
        .set({ terms, counted: null })
        .where(and(eq(patterns.id, id), isNull(patterns.deletedAt)))
        .returning({ id: patterns.id }),
    );
    if (changed.length > 0) this.#changed(id);
    return changed.length > 0;
  }

  /** Keeps what is to be written for a word, or (null) forgets it; false where there is no such pattern. */
  async decide(id: string, { to, key, written }: TermDecision): Promise<boolean> {
    if (!(await this.#patterns.get(id))) return false;
    await this.#database.write(async (db) => {
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
   * @throws TooMuch
   */
  async edition(id: string, wanted: TermsWanted): Promise<EditionMade | null> {
    const source = await this.#patterns.get(id);
    if (!source) return null;
    const known = await this.#known(id, wanted.to);
    const { state, converted, merged } = await this.#counting.have('edition', {
      text: source.text,
      from: source.terms,
      hand: source.hand,
      wanted,
      decisions: await this.#decisions(id, wanted.to),
      known,
    });
    if (state !== 'proved') return null;
    const note = { sourceRevision: source.revision, converted, at: Date.now() };
    const made = await this.#database.write(async (db): Promise<EditionMade | null> => {
      if (!known || !merged) {
        const name = `${source.name} (${wanted.to.toUpperCase()} terms)`.slice(0, LONGEST_NAME);
        const edition = await insertPattern(db, { name, text: converted, hand: source.hand });
        await db.insert(editions).values({ patternId: edition, sourceId: id, to: wanted.to, ...note });
        return { id: edition, kind: 'made', kept: 0 };
      }
      const saved = await saveIn(db, known.id, merged.text, known.revision);
      if (saved.kind !== 'saved') return null;
      await db.update(editions).set(note).where(eq(editions.patternId, known.id));
      return { id: known.id, kind: merged.text === known.text ? 'same' : 'updated', kept: merged.kept };
    });
    if (made) this.#changed(made.id);
    return made;
  }

  /** What there is of a pattern in other terms: its editions with their texts, and what has been decided. */
  async forRelease(id: string): Promise<{
    kept: { to: To; text: string; behind: boolean }[];
    decisions: TermsNotes['decisions'];
  }> {
    const { decisions, editions: made } = await this.notes(id);
    const kept = await Promise.all(
      made.map(async ({ to, behind }) => ({ to, behind, text: (await this.#known(id, to))?.text ?? '' })),
    );
    return { kept, decisions };
  }

  /** The edition of a pattern that is there already. */
  async #known(id: string, to: To): Promise<{ id: string; converted: string; revision: number; text: string } | null> {
    const [known] = await this.#database.db
      .select({ id: patterns.id, converted: editions.converted, revision: patterns.revision, text: patterns.text })
      .from(editions)
      .innerJoin(patterns, eq(patterns.id, editions.patternId))
      .where(and(eq(editions.sourceId, id), eq(editions.to, to), isNull(patterns.deletedAt)));
    return known ?? null;
  }

  async #decisions(id: string, to: To): Promise<[key: string, written: string][]> {
    const { decisions } = await this.notes(id);
    return decisions.filter((decision) => decision.to === to).map(({ key, written }) => [key, written]);
  }
}
