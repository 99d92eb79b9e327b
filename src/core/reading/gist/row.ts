import type { Amount, Place } from '../../pattern/instruction.js';
import type { Item } from './item.js';
import { FILL, numberIn, often } from './shapes.js';

/** The words about where a stitch goes. */
export interface Target {
  readonly next: number;
  readonly each: boolean;
  readonly around: boolean;
  readonly next1: boolean;
  readonly same: boolean;
  readonly last: boolean;
  readonly inside: boolean;
  readonly count: number | null;
  readonly ranks: readonly number[];
  /** Behind every so many. */
  readonly after: number | null;
  readonly place: Place | null;
}

type Draft = { -readonly [Key in keyof Target]: Key extends 'ranks' ? number[] : Target[Key] };

/** Words that count stitches. */
const COUNTS: ReadonlySet<Item['is']> = new Set(['word', 'total', 'stitches', 'in', 'each']);

/** What a clause may hold that says nothing of the count: "draw them together". */
const IDLE: ReadonlySet<Item['is']> = new Set(['word', 'in', 'and', 'next', 'same', 'together']);

const NOWHERE = {
  each: false,
  around: false,
  next1: false,
  same: false,
  last: false,
  inside: false,
  count: null,
  after: null,
  place: null,
} as const;

/** The items of an instruction, and what stands at each place of them; nothing here chooses. */
export class Row {
  readonly #text: string;
  readonly #items: readonly Item[];
  /** Looked at once, however many ways there are to take the items. */
  readonly #targets: Target[] = [];

  constructor(text: string, items: readonly Item[]) {
    this.#text = text;
    this.#items = items;
  }

  at(i: number): Item | undefined {
    return this.#items[i];
  }

  is(i: number, ...kinds: readonly Item['is'][]): boolean {
    const item = this.#items[i];
    return item !== undefined && kinds.includes(item.is);
  }

  /** The index of the next item that is no word without a meaning. */
  afterWords(i: number): number {
    let at = i;
    for (let item = this.at(at); item?.is === 'word'; item = this.at(at)) at += 1;
    return at;
  }

  /** The figure that a bracket holds besides words that count stitches: "(18 sts)", "(that's 24)", "[6 in all]". */
  figureAlone(from: number, to: number): number | null {
    let figure: number | null = null;
    for (let i = from; i < to; i += 1) {
      const item = this.#items[i];
      if (item?.is === 'number' && figure === null) figure = item.value;
      else if (!item || (!COUNTS.has(item.is) && !(isPlain(item) && figure !== null && i === to - 1))) return null;
    }
    return figure;
  }

  /** The figure that a bracket holds alone; null where none opens there, or it holds more. */
  figureOf(open: number): number | null {
    const item = this.at(open);
    return item?.is === 'open' ? this.figureAlone(open + 1, item.close) : null;
  }

  /** "6 times", "x 6", "six", "twice", "repeat 6 times", "around", "repeat to the end", behind a bracket. */
  often(at: number): { amount: Amount; next: number } | null {
    let i = at;
    if (this.is(i, 'break') && this.is(i + 1, 'repeat')) i += 1;
    const repeat = this.is(i, 'repeat');
    if (repeat) i = this.afterWords(i + 1);
    const item = this.at(i);
    if (item?.is === 'around' || item?.is === 'each') return { amount: FILL, next: i + 1 };
    const times = this.timesAt(i) ?? (item?.is === 'number' && !item.ordinal ? this.#bareTimes(i, repeat) : null);
    if (times) return { amount: often(times.times), next: times.next };
    return repeat ? { amount: FILL, next: i } : null;
  }

  /** "(sc, inc) 6": a figure alone behind a bracket, where it is not the count. */
  #bareTimes(at: number, repeat: boolean): { times: number; next: number } | null {
    const item = this.at(at);
    if (item?.is !== 'number') return null;
    const after = this.at(at + 1);
    const alone = after === undefined || after.is === 'break' || after.is === 'open' || after.is === 'close';
    if (!repeat && !item.glued && !alone) return null;
    return { times: item.value, next: at + 1 };
  }

  /** "6 times", "6x", "x6", "5 more times", "twice". */
  timesAt(at: number): { times: number; next: number } | null {
    const item = this.at(at);
    if (item?.is === 'times') return this.#timesBehind(item, at);
    // "5 more times" are six, and so are "and again 5 times".
    const figure = this.#afterMore(at);
    const word = this.#afterMore(figure + 1);
    const [times, sign] = [numberIn(this.at(figure)), this.at(word)];
    if (times === null || sign?.is !== 'times' || sign.times !== null) return null;
    // "6 x sc", "6 x (…)": the sign belongs to what comes after it.
    const opens = this.is(word + 1, 'open') && this.figureOf(word + 1) === null;
    if (sign.sign && (opens || this.is(word + 1, 'tool', 'number'))) return null;
    const next = this.#afterMore(word + 1);
    const more = figure > at || word > figure + 1 || next > word + 1 ? 1 : 0;
    return { times: times + more, next };
  }

  /** Whether a sign stands there, and no word, for how often something is done. */
  signAt(at: number): boolean {
    const item = this.at(at);
    return item?.is === 'times' && item.sign;
  }

  /** "twice", "x6". */
  #timesBehind({ times, sign }: Extract<Item, { is: 'times' }>, at: number): { times: number; next: number } | null {
    if (times !== null) return { times, next: at + 1 };
    const value = sign ? numberIn(this.at(at + 1)) : null;
    return value === null ? null : { times: value, next: this.is(at + 2, 'times') ? at + 3 : at + 2 };
  }

  #afterMore(at: number): number {
    let i = at;
    while (this.is(i, 'more')) i += 1;
    return i;
  }

  /** Whether words of a place follow, and no stitch before them: "twice in the next", "2 / st". */
  placedOnly(at: number): boolean {
    // "2 / st", "2 each"
    const ends = this.at(at + 1) === undefined || this.is(at + 1, 'stitches', 'break', 'open', 'total', 'close');
    if (!this.is(at, 'in') && !(this.is(at, 'each') && ends)) return false;
    const target = this.target(at);
    const after = this.afterWords(target.next);
    return target.next > at && !this.is(after, 'tool', 'number') && target.place === null;
  }

  /** "×6" where nothing about a place follows. */
  signed(at: number): { times: number; next: number } | null {
    const sign = this.at(at);
    const found = sign?.is === 'times' && sign.times === null && sign.sign ? this.timesAt(at) : null;
    return found && !this.is(found.next, 'in', 'each', 'next', 'stitches') ? found : null;
  }

  /** The words about where a stitch goes, from an index on. */
  target(at: number): Target {
    return (this.#targets[at] ??= this.#targetFrom(at));
  }

  #targetFrom(at: number): Target {
    const found: Draft = { ...NOWHERE, next: at, ranks: [] };
    let i = at;
    for (let item = this.at(i); item !== undefined && this.#isOfPlace(item, i, found); item = this.at(i)) i += 1;
    const { each, around, next1, same, last, count, ranks, after, place } = found;
    // A word such as "in" belongs to what comes after it, where nothing of a place has been said.
    const which = each || around || next1 || same || last || after !== null;
    const said = which || count !== null || ranks.length > 0 || place !== null;
    return { ...found, next: said ? i : at };
  }

  /** Whether an item belongs to the words about a place; what it says is noted. */
  #isOfPlace(item: Item, i: number, found: Draft): boolean {
    switch (item.is) {
      case 'each':
        // "all that 6 times"
        if (this.timesAt(this.afterWords(i + 1))) return false;
        found.each = true;
        return true;
      case 'number':
        return this.#isFigure(item, i, found);
      case 'and':
        return found.each && (this.is(i + 1, 'each') || this.#isSecondRank(i + 1, found.ranks));
      case 'tool':
        return item.per === 1 && item.over === 1 && (found.each || found.next1) && found.count !== null;
      default:
        return saysWhich(item, found) || isPlace(item, found);
    }
  }

  #isFigure({ value, ordinal }: Extract<Item, { is: 'number' }>, i: number, found: Draft): boolean {
    return ordinal || this.#isOfTwo(value, i, found) ? this.#isRank(value, i, found) : this.#isCount(value, i, found);
  }

  #isRank(value: number, i: number, found: Draft): boolean {
    // "2nd ch from hook: 6 sc"
    if (this.is(i + 1, 'chain') && this.is(i + 2, 'from-hook')) found.inside = true;
    const placed = found.inside || found.each || this.is(i + 1, 'stitches', 'each', 'gets');
    if (found.count !== null || !placed) return false;
    found.ranks.push(value);
    return true;
  }

  #isCount(value: number, i: number, found: Draft): boolean {
    const placed = found.inside || found.each || found.next1 || this.is(i + 1, 'stitches');
    if (found.count !== null || !placed || this.timesAt(i) || this.is(i + 1, 'tool', 'open')) return false;
    found.count = value;
    return true;
  }

  #isSecondRank(i: number, [first, ...others]: readonly number[]): boolean {
    const item = this.at(i);
    if (item?.is !== 'number' || first === undefined || others.length > 0) return false;
    return item.ordinal || item.value === first + 1;
  }

  /** "every 4+5", "every three and four": figures that follow each other tell which two. */
  #isOfTwo(value: number, i: number, { each, ranks: [first] }: Draft): boolean {
    if (first !== undefined) return this.is(i - 1, 'and') && value === first + 1;
    return each && this.is(i + 1, 'and') && numberIn(this.at(i + 2)) === value + 1;
  }

  /** Where a clause ends that holds neither a figure nor a stitch; the same index where it holds one. */
  idleTo(from: number, to: number): number {
    let i = from;
    for (; i < to; i += 1) {
      const item = this.at(i);
      // "into the next, two" has its figure behind the comma.
      if (item?.is === 'break' && this.is(i - 1, 'next') && this.is(i + 1, 'number', 'tool')) return from;
      if (item?.is === 'break') break;
      if (!item || !IDLE.has(item.is)) return from;
    }
    return i;
  }

  /** "(over the 12 of) the first leg": the piece that stitches belong to. */
  source(at: number): { name: string; next: number } | null {
    const first = this.at(at);
    const ordinal = first?.is === 'number' && first.ordinal;
    const word = this.at(ordinal ? at + 1 : at);
    if (
      word?.is !== 'word' ||
      !/(?<!\p{L})of\s+(?:the\s+)?$/iu.test(
        this.#text.slice(Math.max(0, (first ?? word).from - 10), (first ?? word).from),
      )
    )
      return null;
    return { name: this.#text.slice((first ?? word).from, word.to).toLowerCase(), next: ordinal ? at + 2 : at + 1 };
  }
}

/** "in", "next", "same", "last", "around", "stitches". */
function saysWhich(item: Item, found: Draft): boolean {
  const { is } = item;
  if (is === 'stitches') return true;
  if (is === 'behind') found.after = item.plain;
  else if (is === 'in') found.inside = true;
  else if (is === 'next') found.next1 = true;
  else if (is === 'around' || is === 'same' || is === 'last') found[is] = true;
  else return false;
  return true;
}

function isPlain(item: Item): boolean {
  return item.is === 'tool' && item.per === 1 && item.over === 1;
}

/** A ring, both layers, or a chain by its number: where the stitch goes. */
function isPlace(item: Item, found: Draft): boolean {
  const rank = found.ranks[0];
  if (item.is === 'ring' && found.inside) found.place = { kind: 'ring' };
  else if (item.is === 'layers') found.place = { kind: 'both-layers' };
  else if (item.is === 'from-hook' && rank !== undefined) found.place = { kind: 'chain-from-hook', k: rank };
  else if (item.is === 'chain' && (found.inside || found.each || found.last)) {
    if (rank !== undefined) found.place = { kind: 'chain-from-hook', k: rank };
    else if (found.last) found.place = { kind: 'last-chain' };
  } else return item.is === 'other-side' && found.inside;
  return true;
}

/** "into one stitch", "in the next": one stitch takes it all. */
export function isSingle({ each, around, count, next1, same, ranks, inside }: Target): boolean {
  return (
    !each &&
    !around &&
    (count === null || count === 1) &&
    (next1 || same || ranks.length > 0 || (inside && count === 1))
  );
}
