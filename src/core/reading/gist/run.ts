import type { Span } from '../../text/source.js';
import { resemblesTerm } from '../../vocabulary/resembles.js';
import type { Chooser } from './choices.js';
import { spanOf, type Item } from './item.js';
import { Placing } from './placing.js';
import type { Row } from './row.js';
import { FAILS } from './shapes.js';

/** A figure that tells something of the round, and where it stands. */
export interface Told {
  readonly value: number;
  readonly span: Span;
}

/** One run through the items of an instruction: what it goes through, how it chooses, and what it has come to so far. */
export class Run {
  readonly text: string;
  readonly items: readonly Item[];
  readonly row: Row;
  readonly chooser: Chooser;
  readonly placing: Placing;
  /** No stitch is named in the whole instruction but increases and decreases. */
  readonly nameless: boolean;
  /** The count of the round, and how many rounds there are. */
  stated: Told | null = null;
  rounds: Told | null = null;
  /** Words that nothing is made of. */
  readonly passed: Span[] = [];
  /** Every figure says how many go into one stitch; null as long as nobody asked. */
  #inOne: boolean | null = null;
  /** Brackets that say no times only hold together; null as long as nobody asked. */
  #holds: boolean | null = null;

  constructor(text: string, items: readonly Item[], row: Row, chooser: Chooser) {
    this.text = text;
    this.items = items;
    this.row = row;
    this.chooser = chooser;
    this.placing = new Placing(text, chooser);
    this.nameless = !items.some((item) => item.is === 'tool' && item.stitch !== null && item.per + item.over === 2);
  }

  ends(i: number, ...kinds: readonly Item['is'][]): boolean {
    return i >= this.items.length || this.row.is(i, ...kinds);
  }

  /** Passes over a word without a meaning. @throws FAILS where it is likelier a term that is misspelt. */
  pass(i: number): void {
    const item = this.row.at(i);
    if (!item) return;
    if (item.is === 'word' && resemblesTerm(item.word)) throw FAILS;
    this.passed.push({ from: item.from, to: item.to });
  }

  /** Passes over the words without a meaning between two items; how many there are. */
  passWords(from: number, to: number): number {
    const before = this.passed.length;
    for (let word = from; word < to; word += 1) if (this.row.is(word, 'word')) this.pass(word);
    return this.passed.length - before;
  }

  /** Brackets that say no times may only hold together, throughout. */
  bracketsOnce(): boolean {
    return (this.#holds ??= this.chooser.either(['open', 'once']) === 'once');
  }

  /** The count of the round; a second one has to be the same. */
  states(value: number, from: number, next: number): number {
    if (this.stated && this.stated.value !== value) throw FAILS;
    this.stated = { value, span: spanOf(this.items, from, next) };
    return next;
  }

  /** "one, two, one, two and so on": each figure says how many go into the next stitch, where all of them are taken so. */
  figuresInOne(): boolean {
    if (this.#inOne !== null) return this.#inOne;
    const values = this.items.flatMap((item) => (item.is === 'number' && !item.ordinal ? [item.value] : []));
    const may = values.length > 1 && values.every((value) => value <= 3) && new Set(values).size > 1;
    return (this.#inOne = may && this.chooser.goesSoFar('figures alone', 'so many in one each'));
  }
}
