import type { Proposed, ReportFinding } from '../../core/index.js';
import type { Query } from '../queries.js';
import type { DeskSession } from './desk.svelte.js';

type Say = (words: string, action?: { text: string; act: () => void }) => void;

/** A query that a person is putting into words: a new one, or one that is there. */
export interface Composing {
  readonly words: string;
  readonly text: string;
  readonly proposal: string;
  readonly keep: (text: string, proposal: string) => Promise<boolean>;
}

/** Asking the designer from the Desk: about a finding in one key, or about a round or some words in words of one's own. */
export class Asking {
  composing = $state.raw<Composing | null>(null);
  readonly #desk: DeskSession;
  readonly #say: Say;

  constructor(desk: DeskSession, say: Say) {
    this.#desk = desk;
    this.#say = say;
  }

  /** About the finding at the caret; else about what is selected, or the round. */
  async ask(): Promise<void> {
    const { asking, checked, text, editor, current } = this.#desk;
    const chosen = editor?.selection() ?? { from: 0, to: 0 };
    // What goTo selects is the finding itself; a selection that a person has made says what it is about.
    const finding = current && (chosen.from === chosen.to || this.#isFinding(chosen)) ? current : null;
    if (!asking || checked !== text) {
      this.#say('The text is still being counted. Try again in a moment.');
      return;
    }
    const proposed = await asking.query(finding ? finding.key : chosen).catch(() => null);
    if (!proposed) this.#say('This could not be worked out. Try again.');
    else if (finding) await this.#made(proposed, finding);
    else this.#compose(proposed);
  }

  /** About a finding anywhere in the text. */
  async about(finding: ReportFinding): Promise<void> {
    this.#desk.goTo(finding);
    await this.ask();
  }

  /** Puts a query that is there into other words. */
  word(query: Query): void {
    this.composing = {
      words: query.place?.words ?? '',
      text: query.text,
      proposal: query.proposal,
      keep: (text, proposal) => this.#kept(this.#desk.queries.change(query, { text, proposal })),
    };
  }

  cancel(): void {
    this.composing = null;
    this.#desk.editor?.focus();
  }

  #isFinding({ from, to }: { from: number; to: number }): boolean {
    const { current, text } = this.#desk;
    if (!current) return false;
    const line = text.slice(0, from).split('\n').length;
    const endLine = line + text.slice(from, to).split('\n').length - 1;
    return line === current.line && endLine === current.endLine;
  }

  async #made(proposed: Proposed, { rule, key }: { rule: string; key: string }): Promise<void> {
    const before = this.#desk.queries.all;
    const made = await this.#make(proposed, rule, key);
    if (!made) return;
    const known = before.some(({ number }) => number === made.number);
    this.#say(known ? `This is asked already, as query ${made.number}.` : `Query ${made.number} is made.`, {
      text: 'Word it',
      act: () => this.word(made),
    });
  }

  #compose(proposed: Proposed): void {
    this.composing = {
      words: this.#wordsAt(proposed),
      text: proposed.text,
      proposal: proposed.proposal,
      keep: (text, proposal) => this.#kept(this.#make({ ...proposed, text, proposal }, '', '')),
    };
  }

  #make(proposed: Proposed, rule: string, finding: string): Promise<Query | null> {
    return this.#desk.queries.make(proposed, this.#wordsAt(proposed), { rule, finding, ref: crypto.randomUUID() });
  }

  #wordsAt({ at }: Proposed): string {
    return at ? this.#desk.text.slice(at.from, at.to) : '';
  }

  async #kept(work: Promise<unknown>): Promise<boolean> {
    const done = await work;
    if (done) this.cancel();
    return Boolean(done);
  }
}
