import { senseInWords, type ReportFinding, type Sense } from '../../core/index.js';
import { plural } from '../plural.js';
import type { DeskSession } from './desk.svelte.js';
import { nearest, type PlacedRound } from './rounds.js';

type Say = (words: string, action?: { text: string; act: () => void }) => void;

/** Going through a pattern: from round to round, finding to finding, part to part. */
export class Walking {
  readonly #desk: DeskSession;
  readonly #say: Say;

  /** @param say tells where there is nowhere to go. */
  constructor(desk: DeskSession, say: Say) {
    this.#desk = desk;
    this.#say = say;
  }

  round(direction: 1 | -1): void {
    if (!this.#counted()) return;
    const { rounds, spot } = this.#desk;
    const next = nearest(rounds, spot, direction);
    if (next) this.#desk.toRound(next);
    else this.#say(direction === 1 ? 'This is the last round.' : 'This is the first round.');
  }

  /** To the next round without a tick, from the beginning again where none follows. */
  unticked(): void {
    const { rounds, spot, notes } = this.#desk;
    const open = ({ round }: PlacedRound) => !notes.ticks.has(round.key);
    const next = nearest(rounds, spot, 1, open) ?? rounds.find(open);
    if (next) this.#desk.toRound(next);
    else this.#say('Every round is ticked.');
  }

  /** Ticks the round at the caret, or takes the tick off. */
  tick(): void {
    if (!this.#counted()) return;
    const { round, notes } = this.#desk;
    if (round) void notes.tick(round.round.key, !notes.ticks.has(round.round.key));
  }

  /** Ticks the round at the caret, and goes on to the next without. */
  tickOn(): void {
    if (!this.#counted()) return;
    const { here, notes } = this.#desk;
    if (here && !notes.ticks.has(here.round.key)) void notes.tick(here.round.key, true);
    this.unticked();
  }

  finding(direction: 1 | -1): void {
    if (!this.#counted()) return;
    const { findings, spot } = this.#desk;
    const next =
      direction === 1
        ? (findings.find(({ line }) => line > spot.line) ?? findings[0])
        : (findings.findLast(({ endLine }) => endLine < spot.line) ?? findings.at(-1));
    if (next) this.#desk.goTo(next);
    else this.#say('Nothing left to mend.');
  }

  part(direction: 1 | -1): void {
    const { report, spot } = this.#desk;
    const parts = report?.parts ?? [];
    const next =
      direction === 1 ? parts.find(({ line }) => line > spot.line) : parts.findLast(({ line }) => line < spot.line);
    if (next) this.#desk.toLine(next.line);
    else this.#say(direction === 1 ? 'This is the last part.' : 'There is no part before.');
  }

  /** Applies a fix of the finding at the caret, by its number from 0. */
  fix(which: number): void {
    const { current } = this.#desk;
    const fix = current?.fixes[which];
    if (fix) this.applied(fix);
    else this.#say(current ? `There is no fix ${which + 1} for this finding.` : 'No finding stands at the caret.');
  }

  applied(fix: ReportFinding['fixes'][number]): void {
    if (!this.#desk.apply(fix)) this.#say('The text has changed meanwhile. Try again.');
    this.#desk.editor?.focus();
  }

  /** Settles what a word means, or (null) leaves it open; all rounds are counted anew. @param comesOut how many come out. */
  async mean(word: string, sense: Sense | null, comesOut: number | null): Promise<void> {
    const { notes, editor } = this.#desk;
    const before = notes.words.get(word) ?? null;
    const said = sense === null ? `“${word}” is left open again.` : `“${word}” is ${senseInWords(sense)}.`;
    const so = comesOut === null ? '' : ` ${plural(comesOut, 'round comes', 'rounds come')} out.`;
    this.#say(said + so, { text: 'Undo', act: () => void notes.mean(word, before) });
    editor?.focus();
    await notes.mean(word, sense);
  }

  /** Folds the part at the caret below its heading, or unfolds it; or all parts, with what stands before them. */
  fold(which: 'part' | 'all' | 'front'): void {
    const { report, spot, front, editor } = this.#desk;
    const parts = (report?.parts ?? []).map(({ line, rounds }) => ({ line, endLine: rounds.at(-1)?.endLine ?? line }));
    const before = front ? [front] : [];
    if (which === 'front') {
      if (front) editor?.fold(before);
      else this.#say('Nothing stands before the rounds.');
    } else if (which === 'all') editor?.fold([...before, ...parts]);
    else {
      const here = parts.findLast(({ line }) => line <= spot.line);
      editor?.fold(here ? [here] : before);
    }
  }

  /** Whether there are figures to go by; it is said where there are none yet. */
  #counted(): boolean {
    const { report, checking } = this.#desk;
    if (!report) this.#say(checking === 'busy' ? 'The rounds are still being counted.' : 'This text is not counted.');
    return report !== null;
  }
}
