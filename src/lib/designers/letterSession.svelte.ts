import { SvelteMap } from 'svelte/reactivity';
import { troubleIn } from '../client.js';
import type { AskedQuery, DesignerLetter } from '../designerLetter.js';
import { answerQuery } from './asking.js';

/** What stands under a query: nothing, that it was sent, what went wrong, or that it was changed meanwhile. */
export interface Told {
  readonly kind: 'sent' | 'trouble' | 'changed';
  readonly words: string;
}

/** Where words that are not sent yet are kept: on this device alone. */
export type KeptWords = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/** A letter that is answered query by query. Words that were typed are kept until they are sent. */
export class LetterSession {
  readonly #to: string;
  readonly #kept: KeptWords | null;
  readonly #answer: typeof answerQuery;
  queries = $state.raw<readonly AskedQuery[]>([]);
  /** Answers that are being written, by number. */
  readonly written = new SvelteMap<number, string>();
  readonly told = new SvelteMap<number, Told>();
  /** The query whose answer is on its way. */
  sending = $state<number | null>(null);
  readonly waiting = $derived(this.queries.filter(({ state }) => state === 'sent').length);
  readonly settled = $derived(this.queries.filter(({ state }) => state === 'settled'));
  readonly open = $derived(this.queries.filter(({ state }) => state !== 'settled'));

  /** @param to the address that answers are sent to */
  constructor(letter: DesignerLetter, to: string, kept: KeptWords | null, answer = answerQuery) {
    this.#to = to;
    this.#kept = kept;
    this.#answer = answer;
    this.queries = letter.queries;
    for (const query of this.open) {
      const words = this.#remember(query.number);
      if (words !== null && words !== query.answer) this.written.set(query.number, words);
      else if (query.state === 'sent') this.written.set(query.number, '');
    }
  }

  /** A query, as one that is answered anew. */
  change({ number, answer }: AskedQuery): void {
    this.written.set(number, answer);
    this.told.delete(number);
  }

  /** Leaves an answer as it was. */
  leave({ number, state }: AskedQuery): void {
    if (state === 'answered') this.written.delete(number);
    this.#forget(number);
  }

  write(number: number, words: string): void {
    this.written.set(number, words);
    try {
      this.#kept?.setItem(this.#key(number), words);
    } catch {
      // A browser that keeps nothing: the words stand in the field.
    }
  }

  /** Sends an answer; where it does not go through, what was written stands there still. */
  async send(query: AskedQuery, words: string): Promise<void> {
    const { number } = query;
    if (this.sending !== null || words.trim() === '') return;
    this.sending = number;
    this.told.delete(number);
    try {
      const kept = await this.#answer(this.#to, query, words.trim());
      if ('conflict' in kept) {
        this.#put(kept.conflict);
        this.told.set(number, {
          kind: 'changed',
          words:
            'The editor has changed this query while you were reading it. Look at it again; your words still stand here.',
        });
        this.write(number, words);
      } else {
        this.#put(kept.query);
        this.written.delete(number);
        this.#forget(number);
        this.told.set(number, { kind: 'sent', words: 'Your answer is with the editor.' });
      }
    } catch (error) {
      this.write(number, words);
      this.told.set(number, { kind: 'trouble', words: `${troubleIn(error)} Your words are kept here; try again.` });
    }
    this.sending = null;
  }

  #put(query: AskedQuery): void {
    this.queries = this.queries.map((one) => (one.number === query.number ? query : one));
  }

  #key(number: number): string {
    return `dostik.answer ${this.#to} ${number}`;
  }

  #remember(number: number): string | null {
    try {
      return this.#kept?.getItem(this.#key(number)) ?? null;
    } catch {
      return null;
    }
  }

  #forget(number: number): void {
    try {
      this.#kept?.removeItem(this.#key(number));
    } catch {
      // Nothing was kept.
    }
  }
}
