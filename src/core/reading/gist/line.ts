import type { Amount, Step } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import type { Chooser } from './choices.js';
import { FAILS, isFabric, isOnce, often, repeated, withAmount } from './shapes.js';

/** A step with where the clause and the sentence that it stands in begin, among the steps. */
interface Standing {
  readonly step: Step;
  readonly clause: number;
  readonly sentence: number;
}

/** The steps of an instruction, or of a bracket in it, as far as they have been taken. */
export class Line {
  readonly #standing: Standing[] = [];
  readonly #chooser: Chooser;
  #clause = 0;
  #sentence = 0;
  /** How many brackets it stands in. */
  readonly depth: number;
  /** The index behind its last item. */
  readonly end: number;

  constructor(chooser: Chooser, depth: number, end: number) {
    this.#chooser = chooser;
    this.depth = depth;
    this.end = end;
  }

  get steps(): Step[] {
    return this.#standing.map(({ step }) => step);
  }

  get length(): number {
    return this.#standing.length;
  }

  get last(): Step | undefined {
    return this.#standing.at(-1)?.step;
  }

  /** Whether anything has been done that uses stitches or makes some. */
  get works(): boolean {
    return this.#standing.some(({ step }) => isFabric(step));
  }

  /** Nothing has been taken yet in the clause at hand. */
  get beginsClause(): boolean {
    return this.#standing.length === this.#clause;
  }

  push(...steps: readonly Step[]): void {
    for (const step of steps) this.#standing.push({ step, clause: this.#clause, sentence: this.#sentence });
  }

  /** A clause ends here, and with it the sentence or not. */
  breaks(strong: boolean): void {
    this.#clause = this.#standing.length;
    if (strong) this.#sentence = this.#standing.length;
  }

  /** Takes the steps from an index on off again. */
  takeFrom(index: number): Step[] {
    return this.#standing.splice(index).map(({ step }) => step);
  }

  /** A figure behind the last step is of it, where it can be, or says how often what stands before it is done. */
  countLast(value: number, span: Span): void {
    const last = this.#standing.at(-1);
    const single = last?.step.kind === 'work' && isOnce(last.step);
    const way = this.#chooser.choose('a figure behind', single ? ['of the last step', 'times'] : ['times']);
    if (way === 'of the last step' && last?.step.kind === 'work')
      this.#standing[this.#standing.length - 1] = { ...last, step: withAmount(last.step, value) };
    else this.wrap(often(value), span);
  }

  /**
   * What stands before is done so often: all of it, its last sentence, its last clause or its last step.
   * @throws FAILS where nothing stands before.
   */
  wrap(amount: Amount, behind: Span): void {
    const standing = this.#standing;
    const last = standing.at(-1);
    if (!last) throw FAILS;
    if (last.step.kind === 'repeat' && last.step.amount === null) {
      standing[standing.length - 1] = { ...last, step: { ...last.step, amount } };
      return;
    }
    const start = this.#wrapFrom(last);
    const taken = standing.splice(start);
    const body = taken.map(({ step }) => step);
    const from = body[0]?.span.from ?? behind.from;
    const { clause, sentence } = taken[0] ?? last;
    standing.push({ step: repeated(body, amount, { from, to: behind.to }), clause, sentence });
  }

  #wrapFrom(last: Standing): number {
    const first = this.#standing.findIndex(({ step }) => isFabric(step));
    if (first < 0) throw FAILS;
    const begins = new Map<number, string>();
    const ways: [number, string][] = [
      [0, 'all before'],
      [last.sentence, 'the sentence before'],
      [last.clause, 'the clause before'],
      [this.#standing.length - 1, 'the step before'],
    ];
    // Where two of them begin alike it can't be told which of them is the habit.
    for (const [from, way] of ways) {
      const start = Math.max(first, from);
      const known = begins.get(start);
      if (start < this.#standing.length) begins.set(start, known === undefined ? way : `${known}|${way}`);
    }
    const [one = 'all before', ...others] = begins.values();
    const way = this.#chooser.choose('repeats', [one, ...others]);
    return [...begins].find(([, name]) => name === way)?.[0] ?? first;
  }
}
