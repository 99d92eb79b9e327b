import { and, eq, isNull, ne, or } from 'drizzle-orm';
import { handSchema, NO_HAND } from '../../core/index.js';
import { TooMuch, type Counting } from './counting/counting.js';
import { Missing, type OpenDatabase } from './db/client.js';
import { dismissals, patterns, ticks } from './db/schema.js';
import { parsed } from './readable.js';
import type { RuleStore } from './rules.js';

/**
 * Brings the figures on the shelf up to date, one pattern after the other, beside everything else: no save waits for it. A
 * pattern that changes while it is being counted is counted again afterwards, however often it has changed.
 */
export class Recounts {
  readonly #database: OpenDatabase;
  readonly #rules: RuleStore;
  readonly #counting: Counting;
  readonly #waiting = new Set<string>();
  #running: Promise<void> | null = null;

  constructor(database: OpenDatabase, rules: RuleStore, counting: Counting) {
    this.#database = database;
    this.#rules = rules;
    this.#counting = counting;
  }

  /** The figures of a pattern are to be counted anew. */
  readonly ask = (id: string): void => {
    this.#waiting.add(id);
    this.#running ??= this.#run();
  };

  /** Asks for every pattern whose figures are not those of its text and settings. */
  async askStale(): Promise<void> {
    const stale = await this.#database.db
      .select({ id: patterns.id })
      .from(patterns)
      .where(and(isNull(patterns.deletedAt), or(isNull(patterns.counted), ne(patterns.counted, patterns.revision))));
    for (const { id } of stale) this.ask(id);
  }

  /** Waits until nothing is left to count, but no longer than some milliseconds. */
  async idle(longest: number): Promise<void> {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<void>((resolve) => (timer = setTimeout(resolve, longest)));
    while (this.#running) if ((await Promise.race([this.#running, late.then(() => 'late')])) === 'late') break;
    clearTimeout(timer);
  }

  async #run(): Promise<void> {
    // Whoever asks in the same breath is waited for.
    await Promise.resolve();
    for (const id of this.#waiting) {
      this.#waiting.delete(id);
      // What fails (a database that has gone) is found stale at the next start.
      await this.#recount(id).catch((error: unknown) =>
        console.error('Figures of a pattern are not counted.', error instanceof Missing ? error.message : error),
      );
    }
    this.#running = null;
  }

  async #recount(id: string): Promise<void> {
    const { db } = this.#database;
    const [pattern] = await db
      .select({ text: patterns.text, terms: patterns.terms, hand: patterns.hand, revision: patterns.revision })
      .from(patterns)
      .where(eq(patterns.id, id));
    if (!pattern) return;
    const aside = await db.select({ key: dismissals.key }).from(dismissals).where(eq(dismissals.patternId, id));
    const ticked = await db.select({ key: ticks.key }).from(ticks).where(eq(ticks.patternId, id));
    const { text, terms } = pattern;
    const hand = handSchema.safeParse(parsed(pattern.hand)).data ?? NO_HAND;
    const rules = await this.#rules.holdingFor(id);
    const summary = await this.#counting
      .have('summary', {
        text,
        terms,
        hand,
        rules,
        aside: aside.map(({ key }) => key),
        ticks: ticked.map(({ key }) => key),
      })
      .catch((error: unknown) => {
        if (error instanceof TooMuch) return null;
        throw error;
      });
    // Where something has changed meanwhile it has been asked for again.
    if (this.#waiting.has(id)) return;
    await this.#database.write((tx) =>
      tx
        .update(patterns)
        .set({ summary: JSON.stringify(summary), counted: pattern.revision })
        .where(and(eq(patterns.id, id), eq(patterns.revision, pattern.revision))),
    );
  }
}
