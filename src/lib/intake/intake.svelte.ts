import {
  lineKey,
  marksIn,
  senseInWords,
  type Hand,
  type LineRole,
  type Overview,
  type PartSaid,
  type Report,
  type Sense,
} from '../../core/index.js';
import type { Draft } from '../drafts.js';
import { handWith, type HandChange, type StoredPattern } from '../patterns.js';
import { plural } from '../plural.js';
import { short } from '../short.js';
import { secondPattern } from './twoPatterns.js';
import type { Checker, CheckListener, CheckState } from '../workers/checker.js';
import { byLine, correctionsOf, effectInWords, keysOf, ROLE_WORDS, undoing, type Correction } from './corrections.js';

/** What a line was taken for. */
export type Taken = Overview['lines'][number];
/** What the session asks of the core, wherever that works. */
export type Understanding = Pick<
  Checker,
  'check' | 'overview' | 'account' | 'meanings' | 'setHand' | 'setTerms' | 'close'
>;

/** How what is put right is kept; each fails where it could not be. */
export interface IntakeKeeping {
  readonly hand: (change: HandChange) => Promise<unknown>;
  readonly terms: (terms: StoredPattern['terms']) => Promise<unknown>;
  /** Tells what could not be kept. */
  readonly failed: (error: unknown) => void;
}

/** A round or a line that was not understood whole. */
export interface Doubt {
  /** From 1. */
  readonly line: number;
  readonly why: 'not placed' | 'not read' | 'worked out' | 'passed over';
  /** Number of the round among all; null for a line that is none. */
  readonly round: number | null;
  readonly text: string;
}

/** What is said of a round that was read with a doubt. */
const DOUBTS: Readonly<Record<string, 'worked out' | 'passed over' | undefined>> = {
  'worked-out': 'worked out',
  'passed-over': 'passed over',
};

/** A text as it was understood, before anything of it is checked, and what is put right of that. */
export class IntakeSession {
  report = $state.raw<Report | null>(null);
  overview = $state.raw<Overview | null>(null);
  hand = $state.raw<Hand>({ words: {} });
  /** The vocabulary that the editor has settled; `auto` goes by the text. */
  terms = $state<StoredPattern['terms']>('auto');
  checking = $state<CheckState>('busy');
  /** The first and the last of the lines that are selected, from 0; the last is where one is. */
  anchor = $state(0);
  at = $state(0);
  /** What the last correction has changed, in words. */
  effect = $state('');
  readonly lines: readonly string[];
  /** Remarks that came beside its lines, by the number of the line from 0. */
  readonly remarks: ReadonlyMap<number, Draft['notes']>;
  readonly #pattern: StoredPattern;
  readonly #keep: IntakeKeeping;
  /** By what was done the changes that take it back, the last behind. */
  readonly #done: HandChange[][] = [];
  #before: { counted: number; what: string } | null = null;
  #understanding: Understanding | null = null;

  readonly rounds: readonly Report['parts'][number]['rounds'][number][] = $derived(
    this.report?.parts.flatMap(({ rounds }) => rounds) ?? [],
  );
  readonly counted: number = $derived(this.rounds.filter(({ made }) => made !== null).length);
  readonly read: number = $derived(this.rounds.filter(({ verdict }) => verdict !== 'unreadable').length);
  readonly doubts: readonly Doubt[] = $derived(this.#doubts());
  readonly corrections: readonly Correction[] = $derived(correctionsOf(this.hand));
  /** The line, from 0, at which a second pattern begins in the text; null where there is one only. */
  readonly second: number | null = $derived(this.overview && secondPattern(this.overview));
  /** What it all comes to, in one sentence. */
  readonly summary: string = $derived(this.#summary());
  readonly selected: { readonly from: number; readonly to: number } = $derived({
    from: Math.min(this.anchor, this.at),
    to: Math.max(this.anchor, this.at),
  });

  constructor(pattern: StoredPattern, draft: Draft | null, keep: IntakeKeeping) {
    this.#pattern = pattern;
    this.#keep = keep;
    this.lines = pattern.text.split('\n');
    this.remarks = byLine(draft?.notes ?? [], this.lines);
    this.hand = pattern.hand;
    this.terms = pattern.terms;
  }

  /** Begins: what understands is there. */
  begin(open: (listener: CheckListener) => Understanding): void {
    this.#understanding = open({
      told: (report, _text, newest) => void this.#told(report, newest),
      state: (state) => (this.checking = state),
    });
    this.#look();
  }

  end(): void {
    this.#understanding?.close();
    this.#understanding = null;
  }

  /** What a line was taken for, and whether somebody has said so. */
  takenFor(line: number): { readonly taken: Taken; readonly said: boolean } {
    const said = this.hand.lines?.[lineKey(this.lines[line] ?? '')];
    return { taken: said ?? this.overview?.lines[line] ?? 'blank', said: said !== undefined };
  }

  /** Goes to a line; with `extend` all from the first selected one are selected. */
  goTo(line: number, extend = false): void {
    this.at = Math.max(0, Math.min(this.lines.length - 1, line));
    if (!extend) this.anchor = this.at;
  }

  /** Goes on by lines, past those that are empty. */
  step(by: 1 | -1, extend = false): void {
    let line = this.at + by;
    while (this.lines[line]?.trim() === '') line += by;
    if (this.lines[line] !== undefined) this.goTo(line, extend);
  }

  /** Goes to the next doubt, or the one before, and round from the last to the first. */
  stepDoubt(by: 1 | -1): void {
    const places = this.doubts.map(({ line }) => line - 1).sort((a, b) => a - b);
    const next =
      by > 0
        ? (places.find((line) => line > this.at) ?? places[0])
        : (places.findLast((line) => line < this.at) ?? places.at(-1));
    if (next !== undefined) this.goTo(next);
  }

  /** Says what the selected lines are; null goes by the text again. */
  async setRole(role: LineRole | null): Promise<void> {
    const { from, to } = this.selected;
    const lines = keysOf(this.lines.slice(from, to + 1));
    if (lines.length === 0) return;
    const which = lines.length === 1 ? `“${short(lines[0] ?? '')}”` : plural(lines.length, 'line');
    const what = role === null ? `${which} by the text again` : `${which}: ${ROLE_WORDS[role]}`;
    await this.change({ lines, role }, what);
  }

  /** Says what a part is called and how many are made; null goes by the text again. @param line of its heading, from 1. */
  async setPart(line: number, said: PartSaid | null): Promise<void> {
    const heading = lineKey(this.lines[line - 1] ?? '');
    if (heading === '') return;
    const before = this.hand.parts?.[heading];
    await this.change({ heading, said: said && { ...before, ...said } }, `“${short(heading)}”`);
  }

  /** Says what a word means; null goes by the text again. */
  async mean(word: string, sense: Sense | null): Promise<void> {
    await this.change(
      { word, sense },
      sense === null ? `“${word}” by the text again` : `“${word}” is ${senseInWords(sense)}`,
    );
  }

  /** Settles the terms that it is in. */
  async settle(terms: StoredPattern['terms']): Promise<void> {
    const before = this.terms;
    this.#set(terms, terms === 'auto' ? 'Terms by the text again' : `${terms.toUpperCase()} terms`);
    try {
      await this.#keep.terms(terms);
    } catch (error) {
      this.#set(before, '');
      this.#keep.failed(error);
    }
  }

  /** Takes back what was put right last; false where there is nothing. */
  async takeBack(): Promise<boolean> {
    const last = this.#done.pop();
    for (const change of last ?? []) {
      await this.change(change, 'Taken back');
      this.#done.pop();
    }
    return last !== undefined;
  }

  /** Puts something right: shown at once, and taken back where it can't be kept. @param what is said of it. */
  async change(change: HandChange, what: string): Promise<void> {
    const before = this.hand;
    this.#become(handWith(before, change), what);
    this.#done.push(undoing(before, change));
    try {
      await this.#keep.hand(change);
    } catch (error) {
      this.#done.pop();
      this.#become(before, '');
      this.#keep.failed(error);
    }
  }

  /** What the words of a round that mean nothing by themselves are, for the question what they mean. */
  account(round: number): ReturnType<Understanding['account']> {
    return this.#understanding?.account(round) ?? Promise.resolve(null);
  }

  meanings(word: string): ReturnType<Understanding['meanings']> {
    return this.#understanding?.meanings(word) ?? Promise.resolve(null);
  }

  #become(hand: Hand, what: string): void {
    this.hand = hand;
    this.#understanding?.setHand(hand);
    this.#ask(what);
  }

  #set(terms: StoredPattern['terms'], what: string): void {
    this.terms = terms;
    this.#understanding?.setTerms(terms);
    this.#ask(what);
  }

  #ask(what: string): void {
    this.#before = { counted: this.counted, what };
    this.#look();
  }

  #look(): void {
    this.#understanding?.check(this.#pattern.text, this.#pattern.name);
  }

  async #told(report: Report, newest: boolean): Promise<void> {
    const overview = await this.#understanding?.overview().catch(() => null);
    if (!this.#understanding) return;
    this.report = report;
    if (overview) this.overview = overview;
    const before = this.#before;
    // What was asked before something was put right is what that is measured by.
    this.#before = newest ? null : before && { ...before, counted: this.counted };
    if (before && newest) this.effect = effectInWords(before.what, this.counted - before.counted);
  }

  #doubts(): Doubt[] {
    const text = (line: number) => this.lines[line - 1]?.trim() ?? '';
    const unplaced = (this.overview?.lines ?? []).flatMap((taken, i): Doubt[] =>
      taken === 'unplaced' && !this.takenFor(i).said
        ? [{ line: i + 1, why: 'not placed', round: null, text: text(i + 1) }]
        : [],
    );
    // A mark that is explained nowhere may be why a round does not come out.
    const known = (this.overview?.words ?? []).map(({ term }) => term);
    const rounds = this.rounds.flatMap(({ line, label, verdict, doubt }, round): Doubt[] => {
      const off = verdict === 'off' && marksIn(text(line).replace(label, '')).some(({ mark }) => !known.includes(mark));
      const why = verdict === 'unreadable' ? 'not read' : (DOUBTS[doubt] ?? (off ? 'passed over' : undefined));
      return why ? [{ line, why, round, text: text(line) }] : [];
    });
    const order = { 'not placed': 0, 'not read': 1, 'passed over': 2, 'worked out': 3 };
    return [...unplaced, ...rounds].sort((a, b) => order[a.why] - order[b.why] || a.line - b.line);
  }

  #summary(): string {
    if (this.checking === 'gave-up') return 'This text is too much to be read at once. It is kept as it came.';
    if (this.checking === 'failed')
      return 'This text could not be read, by a fault of Dostik and not of the text. It is kept as it came.';
    if (this.checking === 'unfetched')
      return 'The part of Dostik that reads this text could not be fetched. It is kept as it came: load this page again once there is a connection.';
    if (!this.report) return 'Reading …';
    if (this.rounds.length === 0) return 'No rounds were found.';
    const unplaced = this.doubts.filter(({ why }) => why === 'not placed').length;
    const read =
      this.read === this.rounds.length
        ? `All ${plural(this.read, 'round')} read`
        : `${this.read} of ${plural(this.rounds.length, 'round')} read`;
    return unplaced === 0
      ? `${read}; every line has its place.`
      : `${read}; ${plural(unplaced, 'line')} could not be placed.`;
  }
}
