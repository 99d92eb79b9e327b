import { and, eq, isNull, ne, or } from 'drizzle-orm';
import { handSchema, NO_HAND } from '../../core/index.js';
import { TooMuch, type Counting } from './counting/counting.js';
import type { OpenDatabase } from './db/client.js';
import { Missing } from './db/failures.js';
import { dismissals, patterns, ticks } from './db/schema.js';
import { log } from './log.js';
import { parsed } from './readable.js';
import type { RuleStore } from './rules.js';
import { catchUp, indexWords } from './words.js';

/** What could not be counted is tried again after so long; milliseconds. */
const LATER = 30_000;

/**
 * Brings the figures on the shelf up to date, one pattern after the other, beside everything else: no save waits for it. A
 * pattern that changes while it is being counted is counted again afterwards, however often it has changed.
 */
export class Recounts {
  readonly #database: OpenDatabase;
  readonly #rules: RuleStore;
  readonly #counting: Counting;
  readonly #waiting = new Set<string>();
  /** Texts may be there that the index of words has not. */
  #behind = false;
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

  /** How many wait. */
  get waiting(): number {
    return this.#waiting.size;
  }

  /** Asks for every pattern whose figures are not those of its text and settings. */
  async askStale(): Promise<void> {
    const stale = await this.#database.db
      .select({ id: patterns.id })
      .from(patterns)
      .where(and(isNull(patterns.deletedAt), or(isNull(patterns.counted), ne(patterns.counted, patterns.revision))));
    for (const { id } of stale) this.ask(id);
    this.#behind = true;
    this.#running ??= this.#run();
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
      await this.#recount(id).catch((error: unknown) => {
        notDone(error);
        // The disk may have room again, or the file be back. What is never done is found stale at the next start.
        setTimeout(() => this.ask(id), LATER).unref();
      });
    }
    if (this.#behind) {
      this.#behind = false;
      await catchUp(this.#database).catch(notDone);
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
    const set = await this.#database.write((tx) =>
      tx
        .update(patterns)
        .set({ summary: JSON.stringify(summary), counted: pattern.revision })
        .where(and(eq(patterns.id, id), eq(patterns.revision, pattern.revision)))
        .returning({ id: patterns.id }),
    );
    // Its words are found from then on.
    if (set.length > 0) await indexWords(this.#database, id, text, pattern.revision);
  }
}

function notDone(error: unknown): void {
  log.error('Figures or words of a pattern are not brought up to date.');
  log.error(error instanceof Missing ? error.message : error);
}
