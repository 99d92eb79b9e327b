import { SvelteMap, SvelteSet } from 'svelte/reactivity';
import type { Sense } from '../../core/index.js';
import { saveDismissal, saveHand, saveTick, Trouble } from '../client.js';
import { toasts } from '../components/toasts.svelte.js';
import type { Notes as StoredNotes, StoredPattern } from '../patterns.js';

/** What a person notes on a pattern: rounds agreed to, findings put aside, words explained. Shown at once, and kept on the server. */
export class Notes {
  readonly ticks: SvelteSet<string>;
  /** Reasons of the findings that are put aside, by key. */
  readonly aside: SvelteMap<string, string>;
  /** What its own words mean, as it was settled. */
  readonly words: SvelteMap<string, Sense>;
  #underWay = $state(0);
  /** Called after each change, also where it could not be kept and is taken back. */
  changed: { readonly ticks: () => void; readonly aside: () => void; readonly words: () => void } | null = null;
  readonly #id: string;

  constructor({ id, hand }: Pick<StoredPattern, 'id' | 'hand'>, stored: StoredNotes) {
    this.#id = id;
    this.words = new SvelteMap(Object.entries(hand.words));
    this.ticks = new SvelteSet(stored.ticks);
    this.aside = new SvelteMap(
      stored.dismissals.flatMap(({ key, reason }) => (reason === null ? [] : [[key, reason]])),
    );
  }

  /** Whether something is on its way to the server: a page that is asked for now may not show it yet. */
  get saving(): boolean {
    return this.#underWay > 0;
  }

  /** Ticks a round, or takes the tick off. */
  async tick(key: string, on: boolean): Promise<void> {
    const set = (value: boolean) => {
      if (value) this.ticks.add(key);
      else this.ticks.delete(key);
      this.changed?.ticks();
    };
    set(on);
    await this.#keep(
      () => saveTick(this.#id, key, on),
      () => set(!on),
      'The tick could not be kept',
    );
  }

  /** Puts a finding aside with a reason; null takes it up again. */
  async putAside(finding: { key: string; rule: string }, reason: string | null): Promise<void> {
    const before = this.aside.get(finding.key) ?? null;
    const set = (value: string | null) => {
      if (value === null) this.aside.delete(finding.key);
      else this.aside.set(finding.key, value);
      this.changed?.aside();
    };
    set(reason);
    await this.#keep(
      () => saveDismissal(this.#id, { key: finding.key, rule: finding.rule, reason }),
      () => set(before),
      'This could not be put aside',
    );
  }

  /** Settles what a word of the pattern's own means, or (null) takes it back. */
  async mean(word: string, sense: Sense | null): Promise<void> {
    const before = this.words.get(word) ?? null;
    const set = (value: Sense | null) => {
      if (value === null) this.words.delete(word);
      else this.words.set(word, value);
      this.changed?.words();
    };
    set(sense);
    await this.#keep(
      () => saveHand(this.#id, { word, sense }),
      () => set(before),
      'What the word means could not be kept',
    );
  }

  async #keep(save: () => Promise<void>, undo: () => void, what: string): Promise<void> {
    this.#underWay += 1;
    try {
      await save();
    } catch (error) {
      undo();
      toasts.say(`${what}. ${error instanceof Trouble ? error.message : 'Try again.'}`);
    } finally {
      this.#underWay -= 1;
    }
  }
}
