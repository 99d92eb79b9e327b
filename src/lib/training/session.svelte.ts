import { SvelteMap } from 'svelte/reactivity';
import type { FaultKindId, PencilMark, PracticeSheet, Work } from '../training.js';
import { troubleIn } from '../client.js';

/** What working through a practice pattern asks of the outside. */
export interface PracticeOptions {
  readonly note: (work: Work) => Promise<void>;
  readonly handIn: (work: Work) => Promise<void>;
  readonly say: (words: string) => void;
  /** Milliseconds from some moment on. */
  readonly now?: () => number;
}

/** What was done is kept so long after it; milliseconds. */
const SOON = 600;
/** The clock stands still once nothing was done for so long; milliseconds. */
const IDLE = 180_000;

/** A practice pattern that somebody works through: what they have marked, and for how long. */
export class PracticeSession {
  readonly sheet: PracticeSheet;
  readonly lines: readonly string[];
  readonly marks: SvelteMap<number, PencilMark>;
  /** The text as it is turned. */
  answer = $state('');
  /** The line that one is at, from 1. */
  at = $state(1);
  seconds = $state(0);
  /** It is not to be seen. */
  clockHidden = $state(false);
  saving = $state(false);
  /** Why nothing could be kept; empty where it could. */
  trouble = $state('');
  handing = $state(false);
  readonly #options: PracticeOptions;
  readonly #now: () => number;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #last: number;
  #touched: number;

  /** The marks in the order of the text. */
  readonly inOrder: readonly PencilMark[] = $derived.by(() => [...this.marks.values()].sort((a, b) => a.line - b.line));
  /** The mark of the line that one is at; null where it has none. */
  readonly here: PencilMark | null = $derived.by(() => this.marks.get(this.at) ?? null);

  constructor(sheet: PracticeSheet, options: PracticeOptions) {
    this.sheet = sheet;
    this.#options = options;
    this.#now = options.now ?? (() => performance.now());
    this.lines = sheet.text.replace(/\n$/, '').split('\n');
    this.marks = new SvelteMap(sheet.work.marks.map((mark) => [mark.line, mark]));
    this.answer = sheet.work.answer === '' ? sheet.text : sheet.work.answer;
    this.seconds = sheet.work.seconds;
    this.at = this.#first();
    this.#last = this.#touched = this.#now();
  }

  /** The first line of the first round, as far as that can be told without reading it. */
  #first(): number {
    return Math.max(1, this.lines.findIndex((line) => line.trim() !== '') + 1);
  }

  get title(): string {
    return this.lines[0] ?? '';
  }

  get work(): Work {
    return {
      marks: [...this.inOrder],
      answer: this.sheet.what === 'terms' && this.answer !== this.sheet.text ? this.answer : '',
      seconds: Math.round(this.seconds),
    };
  }

  /** Lets the clock go on; it stands while nothing is done. */
  tick(): void {
    const now = this.#now();
    if (now - this.#touched < IDLE) this.seconds += Math.max(0, now - this.#last) / 1000;
    this.#last = now;
  }

  /** Something was done: the clock goes on. */
  touch(): void {
    this.#touched = this.#now();
  }

  goTo(line: number): void {
    this.touch();
    this.at = Math.min(this.lines.length, Math.max(1, line));
  }

  /** To the next line that says something, or (-1) the one before. */
  step(by: 1 | -1): void {
    for (let line = this.at + by; line >= 1 && line <= this.lines.length; line += by)
      if (this.lines[line - 1]?.trim() !== '') {
        this.goTo(line);
        return;
      }
  }

  /** To the next mark, or (-1) the one before. */
  toMark(by: 1 | -1): void {
    const lines = this.inOrder.map(({ line }) => line);
    const line = by > 0 ? lines.find((one) => one > this.at) : lines.findLast((one) => one < this.at);
    if (line !== undefined) this.goTo(line);
  }

  /** Marks a line as off, or takes the mark back. */
  pencil(line = this.at): void {
    if (this.lines[line - 1]?.trim() === '') return;
    this.at = line;
    if (!this.marks.delete(line)) this.marks.set(line, { line, kind: null, proposal: '' });
    this.#done();
  }

  /** Says what is wrong with the line that one is at; null where that is taken back. */
  name(kind: FaultKindId | null): void {
    this.#change({ kind });
  }

  /** Says how the line should read. */
  propose(proposal: string): void {
    this.#change({ proposal: proposal.trim() === this.lines[this.at - 1]?.trim() ? '' : proposal });
  }

  #change(change: Partial<PencilMark>): void {
    const mark = this.here;
    if (!mark) return;
    this.marks.set(mark.line, { ...mark, ...change });
    this.#done();
  }

  /** The text was turned a little further. */
  write(answer: string): void {
    this.answer = answer;
    this.#done();
  }

  #done(): void {
    this.touch();
    this.saving = true;
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.keep(), SOON);
  }

  /** Keeps what was done; tried again with the next thing that is done. */
  async keep(): Promise<void> {
    clearTimeout(this.#timer);
    if (this.handing) return;
    try {
      await this.#options.note(this.work);
      this.trouble = '';
    } catch (error) {
      this.trouble = troubleIn(error);
    }
    this.saving = false;
  }

  /** Hands it in; true where that was done. */
  async handIn(): Promise<boolean> {
    clearTimeout(this.#timer);
    this.tick();
    this.handing = true;
    try {
      await this.#options.handIn(this.work);
      return true;
    } catch (error) {
      this.#options.say(`It could not be handed in. ${troubleIn(error)}`);
      return false;
    } finally {
      this.handing = false;
    }
  }
}
