import { SvelteMap } from 'svelte/reactivity';
import type { Conversion, TermChange, TermsEvidence } from '../../core/index.js';
import { plural } from '../plural.js';
import type { EditionMade, StoredPattern, TermDecision, TermsNotes, TermsWanted } from '../patterns.js';
import type { Converter } from '../workers/converter.js';
import { troubleInWords } from '../workers/trouble.js';

export type To = 'us' | 'uk';
/** What goes along into the other terms. */
export type Along = Omit<TermsWanted, 'to'>;
/** What the session asks of the core, wherever that works. */
export type Converting = Pick<Converter, 'evidence' | 'convert' | 'close'>;

/** How what is settled here is kept; each fails where it could not be. */
export interface TermsKeeping {
  readonly settle: (terms: StoredPattern['terms']) => Promise<unknown>;
  readonly decide: (decision: TermDecision) => Promise<unknown>;
  readonly edition: (wanted: TermsWanted) => Promise<EditionMade>;
  /** Tells what could not be kept. */
  readonly failed: (error: unknown) => void;
}

/** A pattern on the way into the other terms: the conversion, what is in doubt in it, and what was decided. */
export class TermsSession {
  evidence = $state.raw<TermsEvidence | null>(null);
  conversion = $state.raw<Conversion | null>(null);
  /** The vocabulary that the editor has settled; `auto` goes by the text. */
  settled = $state<StoredPattern['terms']>('auto');
  along = $state.raw<Along>({ hooks: false, weights: false, spelling: false });
  /** Key of the change that is looked at. */
  selected = $state<string | null>(null);
  saving = $state(false);
  /** Why there is no conversion. */
  trouble = $state('');
  #chosen = $state<To | null>(null);
  readonly #decided: SvelteMap<string, string>;
  readonly #pattern: StoredPattern;
  readonly #keep: TermsKeeping;
  #converting: Converting | null = null;

  readonly #found: To | null = $derived.by(() => {
    if (this.settled !== 'auto') return this.settled;
    const detected = this.evidence?.detected;
    return detected === 'us' || detected === 'uk' ? detected : null;
  });
  /** The terms that it goes into. */
  readonly to: To = $derived(this.#chosen ?? (this.#found === 'uk' ? 'us' : 'uk'));
  readonly changes: readonly TermChange[] = $derived(this.conversion?.changes ?? []);
  /** Words of which only a person knows whether they are meant. */
  readonly questions: readonly TermChange[] = $derived(this.changes.filter(({ doubtful }) => doubtful));
  readonly waiting: readonly TermChange[] = $derived(this.questions.filter(({ decided }) => !decided));
  /** The number of the selected change, from 0; -1 where none is selected. */
  readonly at: number = $derived(this.changes.findIndex(({ key }) => key === this.selected));
  readonly change: TermChange | null = $derived(this.changes[this.at] ?? null);
  /** There is nothing to convert, or it can't be told from what. */
  readonly refused: boolean = $derived(
    this.conversion !== null && this.conversion.state !== 'proved' && this.conversion.state !== 'unproved',
  );

  constructor(pattern: StoredPattern, notes: TermsNotes, keep: TermsKeeping) {
    this.#pattern = pattern;
    this.#keep = keep;
    this.settled = pattern.terms;
    this.#decided = new SvelteMap(notes.decisions.map(({ to, key, written }) => [`${to} ${key}`, written]));
  }

  /** Begins: what converts is there. */
  async begin(converting: Converting): Promise<void> {
    this.#converting = converting;
    try {
      this.evidence = await converting.evidence(this.#pattern.text);
    } catch (error) {
      this.trouble = troubleInWords(error, 'convert');
      return;
    }
    await this.#convert();
  }

  end(): void {
    this.#converting?.close();
    this.#converting = null;
  }

  /** Chooses the terms that it goes into. */
  async into(to: To): Promise<void> {
    this.#chosen = to;
    await this.#convert();
  }

  async setAlong(along: Partial<Along>): Promise<void> {
    this.along = { ...this.along, ...along };
    await this.#convert();
  }

  /** Settles the terms that it is in. */
  async settle(terms: StoredPattern['terms']): Promise<void> {
    const before = this.settled;
    const set = (value: StoredPattern['terms']) => {
      this.settled = value;
      this.#chosen = null;
    };
    await this.#keeping(
      () => set(terms),
      () => this.#keep.settle(terms),
      () => set(before),
    );
  }

  /** Decides what is written for a word; null decides nothing. */
  async decide({ key }: TermChange, written: string | null): Promise<void> {
    const { to } = this;
    const place = `${to} ${key}`;
    const before = this.#decided.get(place) ?? null;
    const set = (words: string | null) => {
      if (words === null) this.#decided.delete(place);
      else this.#decided.set(place, words);
    };
    await this.#keeping(
      () => set(written),
      () => this.#keep.decide({ to, key, written }),
      () => set(before),
    );
  }

  /** Decides on the change that is looked at: what stands in the list of terms, or what stands in the text. */
  async decideHere(which: 'after' | 'before' | null): Promise<void> {
    if (this.change) await this.decide(this.change, which && this.change[which]);
  }

  /** Goes to the next change (or the one before, for -1) among some of them, and round from the last to the first. */
  step(by: 1 | -1, among: readonly TermChange[] = this.changes): void {
    if (among.length === 0) return;
    const here = among.findIndex(({ key }) => key === this.selected);
    const next = here < 0 ? (by > 0 ? 0 : among.length - 1) : (here + by + among.length) % among.length;
    this.selected = among[next]?.key ?? null;
  }

  /** Saves the edition. @returns what came of it; null where it could not be kept, which is told. */
  async save(): Promise<EditionMade | null> {
    if (this.conversion?.state !== 'proved' || this.saving) return null;
    this.saving = true;
    try {
      return await this.#keep.edition({ to: this.to, ...this.along });
    } catch (error) {
      this.#keep.failed(error);
      return null;
    } finally {
      this.saving = false;
    }
  }

  /** Shown at once, and taken back where it can't be kept. */
  async #keeping(set: () => void, keep: () => Promise<unknown>, undo: () => void): Promise<void> {
    set();
    const shown = this.#convert();
    try {
      await keep();
    } catch (error) {
      undo();
      this.#keep.failed(error);
      await this.#convert();
    }
    await shown;
  }

  async #convert(): Promise<void> {
    if (!this.#converting || !this.evidence) return;
    const { to, settled: from, along } = this;
    const { text, hand } = this.#pattern;
    const holding = [...this.#decided].filter(([key]) => key.startsWith(`${to} `));
    const decisions = Object.fromEntries(holding.map(([key, written]) => [key.slice(3), written]));
    try {
      // One that has been overtaken by another has no answer.
      const told = await this.#converting.convert({ text, from, hand, to, ...along, decisions });
      if (told) this.conversion = told;
    } catch (error) {
      this.trouble = troubleInWords(error, 'convert');
    }
  }
}

/** What came of saving an edition, in words. */
export function editionInWords({ kind, kept }: EditionMade): string {
  const said = {
    made: 'The edition is on the shelf.',
    updated: 'The edition is up to date.',
    same: 'The edition was up to date.',
  }[kind];
  if (kept === 0) return said;
  return `${said} ${plural(kept, 'place')} changed in both stayed as in the edition.`;
}
