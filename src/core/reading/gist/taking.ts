import { once, type Amount, type Step, type Work } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import { resemblesTerm } from '../../vocabulary/resembles.js';
import type { Chooser } from './choices.js';
import { spanOf, type Item } from './item.js';
import { Line } from './line.js';
import { Placing } from './placing.js';
import { isSingle, type Row, type Target } from './row.js';
import {
  alone,
  EDGE,
  everyNth,
  FAILS,
  FILL,
  group,
  isFabric,
  isOnce,
  numberIn,
  often,
  PLAIN,
  repeated,
  work,
  type Shape,
} from './shapes.js';

interface Told {
  readonly value: number;
  readonly span: Span;
}

/** What one run through the items has come to. */
export interface Taken {
  readonly steps: readonly Step[];
  readonly stated: Told | null;
  /** "four rounds of that" */
  readonly rounds: Told | null;
  readonly passed: readonly Span[];
  readonly talk: number;
}

const CHAIN: Shape = { stitch: 'chain', per: 1, over: 1 };
const DEEPEST = 8;
/** What words before a colon may be that say nothing of what is done. */
const LEADS: ReadonlySet<Item['is']> = new Set(['word', 'last', 'next', 'in', 'number', 'more', 'rounds']);
/** What a bracket holds that only says where one is. */
const SPEAKS: ReadonlySet<Item['is']> = new Set(['word', 'rounds', 'number', 'and', 'in']);
/** What a list of things that go into one stitch is made of. */
const LISTED: ReadonlySet<Item['is']> = new Set(['tool', 'chain', 'number', 'break', 'and']);

/** A stitch while it is being taken: what it is, and how many of it, as far as that is known. */
interface Stitch {
  readonly at: number;
  readonly start: number;
  readonly before: number | null;
  readonly shape: Shape;
}

/** One run through the items, with one way chosen wherever several are open. */
export class Taking {
  readonly #text: string;
  readonly #items: readonly Item[];
  readonly #row: Row;
  readonly #chooser: Chooser;
  readonly #placing: Placing;
  /** No stitch is named in the whole instruction but increases and decreases. */
  readonly #nameless: boolean;
  #stated: Told | null = null;
  #rounds: Told | null = null;
  /** Every figure says how many go into one stitch; null as long as nobody asked. */
  #inOne: boolean | null = null;
  #holds: boolean | null = null;
  /** A clause without a figure may say how often. */
  #idle = false;
  readonly #passed: Span[] = [];
  #talk = 0;

  constructor(text: string, items: readonly Item[], row: Row, chooser: Chooser) {
    this.#text = text;
    this.#items = items;
    this.#row = row;
    this.#chooser = chooser;
    this.#placing = new Placing(text, chooser);
    this.#nameless = !items.some((item) => item.is === 'tool' && item.stitch !== null && item.per + item.over === 2);
  }

  /** What the items come to; null where they can't be taken so. */
  all(): Taken | null {
    try {
      const steps = this.#severalInOne() ?? this.#sequence(0, this.#items.length, 0);
      // "seven rounds of (30)": so many plain ones.
      if (!steps.some(isFabric) && this.#rounds) steps.push(work(PLAIN, FILL, EDGE, this.#rounds.span));
      const only = steps.length === 0 && this.#passed.length === 0 ? this.#stated : null;
      // "= 18"
      if (only && this.#chooser.goesSoFar('nothing but a count', 'a plain round'))
        steps.push(work(PLAIN, FILL, EDGE, only.span));
      // How many go into a ring may be for the count to say.
      if (!steps.some((step) => isFabric(step) || step.kind === 'ring')) return null;
      return {
        steps: this.#toTheEnd(alone(steps)),
        stated: this.#stated,
        rounds: this.#rounds,
        passed: this.#passed,
        talk: this.#talk,
      };
    } catch (error) {
      if (error === FAILS) return null;
      throw error;
    }
  }

  /** "2 sc, inc", "2 tog": who never says how often may mean to the end. */
  #toTheEnd(steps: readonly Step[]): readonly Step[] {
    const first = steps.findIndex(isFabric);
    const body = steps.slice(first, steps.findLastIndex(isFabric) + 1);
    const plain = body.every(
      (step) => step.kind === 'work' && step.amount.kind === 'times' && step.place.kind === 'edge',
    );
    const shapes = body.some((step) => step.kind === 'work' && step.per !== step.over);
    const several = body.length > 1 || (body[0]?.kind === 'work' && isOnce(body[0]));
    if (!plain || !shapes || !several || this.#idle) return steps;
    if (!this.#chooser.goesSoFar('no word of how often', 'to the end')) return steps;
    const span = { from: body[0]?.span.from ?? 0, to: body.at(-1)?.span.to ?? 0 };
    return [...steps.slice(0, first), repeated(body, FILL, span), ...steps.slice(first + body.length)];
  }

  /** "five petals, each of them in one stitch: sl st, 3 ch, sl st": so many times all that is listed, in one stitch each. */
  #severalInOne(): Step[] | null {
    const [first] = this.#items;
    const colon = this.#items.findIndex((item) => item.is === 'break' && this.#text.charAt(item.from) === ':');
    const lead = this.#items.slice(0, Math.max(0, colon));
    const inOne = lead.some((item, i) => item.is === 'in' && numberIn(lead[i + 1]) === 1);
    if (first?.is !== 'number' || first.ordinal || !inOne || !lead.some(({ is }) => is === 'each')) return null;
    const listed = this.#items.slice(colon + 1);
    const members = listed.flatMap((item, i): Work[] => {
      if (item.is !== 'tool' && item.is !== 'chain') return [];
      return [work(item.is === 'tool' ? item : CHAIN, often(numberIn(listed[i - 1]) ?? 1), EDGE, item)];
    });
    const known = listed.every(({ is }) => LISTED.has(is));
    if (members.length < 2 || !known) return null;
    this.#passWords(0, colon);
    const span = spanOf(this.#items, 0, this.#items.length);
    return [{ kind: 'group', members, amount: often(first.value), place: EDGE, span }];
  }

  #sequence(from: number, to: number, depth: number): Step[] {
    const line = new Line(this.#chooser, depth, to);
    let i = depth === 0 ? this.#afterLead(from, to) : from;
    let said: { readonly amount: Amount; readonly from: number } | null = null;
    while (i < to) {
      const idle = this.#idleAt(i, line);
      const inOne = idle === null ? this.#inOneBySign(i, line) : null;
      const first: { times: number; next: number } | null =
        (idle ?? inOne) === null && said === null && !line.works ? this.#timesFirst(i, to) : null;
      if (first) {
        said = { amount: often(first.times), from: line.length };
        i = first.next;
        continue;
      }
      const next = idle ?? inOne ?? this.#next(i, line);
      if (next <= i) throw FAILS;
      i = next;
    }
    if (said) {
      const steps = line.takeFrom(said.from);
      if (steps.length === 0) throw FAILS;
      line.push(repeated(steps, said.amount, spanOf(this.#items, from, to)));
    }
    return line.steps;
  }

  /** "6 times: dc, 2 dc in one": said before what is done. */
  #timesFirst(at: number, to: number): { times: number; next: number } | null {
    const first = this.#row.timesAt(at) ?? this.#timesOfAll(at, to);
    return first && !this.#row.placedOnly(first.next) ? first : null;
  }

  /** "6x 1 sc + inc": where several things follow, the sign may be of them all. */
  #timesOfAll(at: number, to: number): { times: number; next: number } | null {
    const [times, sign] = [numberIn(this.#row.at(at)), this.#row.at(at + 1)];
    const signed = sign?.is === 'times' && sign.sign && sign.times === null;
    if (times === null || !signed || !this.#row.is(at + 2, 'number', 'tool')) return null;
    if (this.#items.slice(at + 2, to).filter(({ is }) => is === 'tool').length < 2) return null;
    return this.#chooser.goesSoFar('so many times', 'all that follows') ? { times, next: at + 2 } : null;
  }

  /** Passes a clause that holds neither a figure nor a stitch, which may say to go on so; null where none begins here. */
  #idleAt(at: number, line: Line): number | null {
    const end = line.beginsClause && line.works ? this.#row.idleTo(at, line.end) : at;
    if (end === at) return null;
    this.#idle = true;
    if (this.#chooser.choose('words without a figure', ['nothing', 'repeat']) === 'repeat')
      line.wrap(FILL, spanOf(this.#items, at, end));
    else this.#talk += this.#passWords(at, end);
    return end;
  }

  /** Takes what begins at an item; the index behind it. */
  #next(at: number, line: Line): number {
    const item = this.#row.at(at);
    switch (item?.is) {
      case 'open':
        return this.#bracket(at, null, line);
      case 'chain':
        return this.#chain(at, null, line);
      case 'skip':
        return this.#skip(at, line);
      case 'tool':
        return this.#tool(at, null, null, line);
      case 'number':
        return this.#number(at, line);
      case 'total':
        return this.#total(at);
      case 'more':
      case 'times':
      case 'repeat':
        return this.#howOften(item, at, line);
      default:
        return item ? this.#nextPlace(item, at, line) : at + 1;
    }
  }

  /** Takes what begins with words about where, or stands by itself. */
  #nextPlace(item: Item, at: number, line: Line): number {
    switch (item.is) {
      case 'each':
        // "all six times"
        return this.#row.timesAt(this.#row.afterWords(at + 1)) ? at + 1 : this.#leading(at, line);
      case 'in':
        return this.#in(at, line);
      case 'around':
      case 'next':
      case 'last':
      case 'behind':
        return this.#leading(at, line);
      case 'rounds':
        return this.#plainRounds(at, line);
      default:
        this.#small(item, at, line);
        return at + 1;
    }
  }

  /** What is taken by itself: the end of a clause, a mark of where to work, words without a meaning. */
  #small(item: Item, at: number, line: Line): void {
    const span = spanOf(this.#items, at, at + 1);
    switch (item.is) {
      case 'break':
        line.breaks(item.strong);
        break;
      case 'and':
        line.breaks(false);
        break;
      case 'loops':
        line.push({ kind: 'loops', loops: item.loops, span });
        break;
      case 'marker':
        line.push({ kind: item.kind, span });
        break;
      case 'ring':
      case 'other-side':
        line.push({ kind: item.is, span });
        break;
      case 'layers':
        line.push({ kind: 'flat', span });
        break;
      case 'steps':
        for (const step of item.steps) line.push({ ...step, span });
        break;
      case 'word':
        this.#pass(at);
        break;
      default:
        this.#wholeRound(item, span, line);
    }
  }

  /** What is said of a round as a whole: "add 8", "plain", "straight on". */
  #wholeRound(item: Item, span: Span, line: Line): void {
    if (item.is === 'change') this.#change(item.by, span, line);
    if (item.is === 'plain' && line.works) return;
    if (item.is === 'plain' && item.rounds !== undefined) this.#rounds = { value: item.rounds, span };
    if (item.is === 'plain' || item.is === 'rest') line.push(work(PLAIN, FILL, EDGE, span));
  }

  /** "add 8": so many increases, or decreases, and all others plain. */
  #change(by: number, span: Span, line: Line): void {
    if (line.works || by === 0) throw FAILS;
    line.push(work(by > 0 ? { ...PLAIN, per: 2 } : { ...PLAIN, over: 2 }, often(Math.abs(by)), EDGE, span));
    line.push(work(PLAIN, FILL, EDGE, span));
  }

  /** "5 more times", "×6", "twice in the next", "repeat to the end". */
  #howOften(item: Item, at: number, line: Line): number {
    if (item.is === 'times' && item.times !== null) {
      if (this.#row.placedOnly(at + 1)) return this.#unnamed(at, item.times, line);
      line.wrap(often(item.times), item);
      return at + 1;
    }
    const found = item.is === 'repeat' ? this.#row.often(at) : this.#row.timesAt(at);
    if (!found) {
      if (item.is === 'repeat') throw FAILS;
      return at + 1;
    }
    line.wrap('amount' in found ? found.amount : often(found.times), spanOf(this.#items, at, found.next));
    return found.next;
  }

  /** "in the back loops", "into the back link": where, and not how many. */
  #in(at: number, line: Line): number {
    const behind = this.#row.afterWords(at + 1);
    if (this.#row.is(behind, 'stitches') && this.#row.is(behind + 1, 'break')) return behind + 1;
    const ends = behind >= line.end || this.#row.is(behind, 'break', 'and');
    // "and on like that to the marker"
    if (!this.#row.is(behind, 'loops', 'around') && !ends) return this.#leading(at, line);
    this.#passWords(at + 1, behind);
    return behind;
  }

  /** "simply go round", "go round four times": where nothing else is done, a plain round or so many of them. */
  #plainRounds(at: number, line: Line): number {
    const times = this.#row.timesAt(at + 1);
    const next = times?.next ?? at + 1;
    if (times && !line.works) {
      this.#rounds = { value: times.times, span: spanOf(this.#items, at, next) };
      const on = this.#roundsOn(next, line);
      if (on > next) return on;
    }
    if (line.works || !(times || this.#ends(next, 'break'))) {
      this.#pass(at);
      return at + 1;
    }
    const span = spanOf(this.#items, at, next);
    if (times) this.#rounds = { value: times.times, span };
    line.push(work(PLAIN, FILL, EDGE, span));
    return next;
  }

  #ends(i: number, ...kinds: readonly Item['is'][]): boolean {
    return i >= this.#items.length || this.#row.is(i, ...kinds);
  }

  /** Passes over a word without a meaning. @throws FAILS where it is likelier a term that is misspelt. */
  #pass(i: number): void {
    const item = this.#row.at(i);
    if (!item) return;
    if (item.is === 'word' && resemblesTerm(item.word)) throw FAILS;
    this.#passed.push({ from: item.from, to: item.to });
  }

  /** Passes over the words without a meaning between two items; how many there are. */
  #passWords(from: number, to: number): number {
    const before = this.#passed.length;
    for (let word = from; word < to; word += 1) if (this.#row.is(word, 'word')) this.#pass(word);
    return this.#passed.length - before;
  }

  /** "the last one that grows: a dc in each", "next round one sc …": words that nothing is done in. */
  #afterLead(from: number, to: number): number {
    const lead = this.#row.is(from, 'in') ? from + 1 : from;
    if (this.#row.is(lead, 'next') && this.#row.is(lead + 1, 'rounds')) return lead + 2;
    // "and the one after [2 sc, inc] …"
    const one = this.#row.is(from, 'and') ? from + 1 : from;
    if (from === 0 && this.#row.is(one, 'next') && this.#row.is(one + 1, 'open')) return one + 1;
    let i = from;
    while (i < to && this.#leads(i)) i += 1;
    const item = this.#row.at(i);
    const colon = i < to && item?.is === 'break' && this.#text.charAt(item.from) === ':';
    if (!colon || !this.#items.slice(i, to).some(({ is }) => is === 'tool')) return from;
    this.#talk += this.#passWords(from, i);
    return i + 1;
  }

  #leads(i: number): boolean {
    const item = this.#row.at(i);
    if (item === undefined) return false;
    // "we decrease over the tummy: (2 sc, 1 dec) six times"
    const shapes =
      item.is === 'tool' && item.per + item.over > 2 && item.stitch === null && this.#row.is(i + 1, 'break', 'in');
    return shapes || LEADS.has(item.is);
  }

  /** A bracket, with how often it is done: before it, or behind it. */
  #bracket(at: number, before: number | null, line: Line): number {
    const open = this.#row.at(at);
    const close = open?.is === 'open' ? open.close : -1;
    if (close < 0 || line.depth > DEEPEST) throw FAILS;
    const figure = before === null ? this.#row.figureAlone(at + 1, close) : null;
    if (figure !== null) return this.#states(figure, at, close + 1);
    // "(so we're at round 9)"
    const inside = this.#items.slice(at + 1, close);
    if (inside.some(({ is }) => is === 'rounds') && inside.every(({ is }) => SPEAKS.has(is))) {
      this.#passWords(at + 1, close);
      return close + 1;
    }
    const body = this.#sequence(at + 1, close, line.depth + 1);
    if (!body.some(isFabric)) {
      for (const step of body) line.push(step);
      return close + 1;
    }
    if (before === null) return this.#bracketed(at, close, body, line);
    line.push({ kind: 'repeat', body, amount: often(before), span: spanOf(this.#items, at, close + 1) });
    return close + 1;
  }

  /** "(sc, inc) 6 times", "(hdc, dc) in the next st": what stands behind a bracket. */
  #bracketed(at: number, close: number, body: readonly Step[], line: Line): number {
    const behind = this.#row.often(this.#row.afterWords(close + 1));
    const next = behind?.next ?? close + 1;
    const fabric = body.filter(isFabric);
    const one = behind ? null : this.#row.target(close + 1);
    if (one && isSingle(one) && fabric.length > 1) {
      line.push(group(fabric, spanOf(this.#items, at, close + 1)));
      return one.next;
    }
    // "*(sc, sc in the same st), sc*", "(every 2nd doubled)": a bracket in another, or round all, only holds together.
    const whole = line.depth > 0 || (at === 0 && next === this.#items.length);
    const holds = !behind && (whole || this.#bracketsOnce());
    if (holds) this.#hold(body, spanOf(this.#items, at, next), line);
    else line.push({ kind: 'repeat', body, amount: behind?.amount ?? null, span: spanOf(this.#items, at, next) });
    return next;
  }

  /** Brackets that say no times may only hold together, throughout. */
  #bracketsOnce(): boolean {
    return (this.#holds ??= this.#chooser.either(['open', 'once']) === 'once');
  }

  #hold(body: readonly Step[], span: Span, line: Line): void {
    const [only] = body;
    line.push(only && body.length === 1 ? only : { kind: 'repeat', body, amount: once, span });
  }

  /** The count of the round; a second one has to be the same. */
  #states(value: number, from: number, next: number): number {
    if (this.#stated && this.#stated.value !== value) throw FAILS;
    this.#stated = { value, span: spanOf(this.#items, from, next) };
    return next;
  }

  /** So many of the stitch that the round is of. */
  #unnamed(at: number, count: number, line: Line): number {
    const found = this.#row.target(at + 1);
    // "1, 1, 2 / st": behind others it is the next one.
    const one = line.works && found.each && this.#chooser.goesSoFar('each behind others', 'the next one');
    const target = one ? { ...found, each: false, next1: true } : found;
    for (const step of this.#placing.placed(PLAIN, count, target, spanOf(this.#items, at, target.next)))
      line.push(step);
    return target.next;
  }

  #number(at: number, line: Line): number {
    const item = this.#row.at(at);
    if (item?.is !== 'number') throw FAILS;
    const times = this.#row.timesAt(at);
    if (times) return this.#soOften(at, times, line);
    const found = item.ordinal ? null : (this.#told(item.value, at, line) ?? this.#amount(item.value, at, line));
    return found ?? this.#leading(at, line);
  }

  /** "2x all round", "1 + 2x": a sign with nothing before it to be done so often says how many go into one. */
  #inOneBySign(at: number, line: Line): number | null {
    const value = numberIn(this.#row.at(at));
    if (value === null || value < 2 || value > 3 || !this.#row.signAt(at + 1) || !this.#nameless) return null;
    const nothing = !line.works || this.#row.is(at - 1, 'and');
    if (!nothing || !this.#ends(at + 2, 'around', 'each', 'break', 'close')) return null;
    if (!this.#chooser.goesSoFar('a figure times nothing', 'so many in one')) return null;
    return this.#place({ at, start: at, before: 1, shape: { ...PLAIN, per: value } }, null, at + 2, line);
  }

  /** "6 times", "eight times round". */
  #soOften(at: number, { times, next }: { times: number; next: number }, line: Line): number {
    if (!this.#row.is(next, 'rounds')) {
      line.wrap(often(times), spanOf(this.#items, at, next));
      return next;
    }
    this.#rounds = { value: times, span: spanOf(this.#items, at, at + 1) };
    return this.#roundsOn(next + 1, line);
  }

  /** "(three rounds) on 30", "(five rounds) of nine": what they are worked on is what they make. */
  #roundsOn(at: number, line: Line): number {
    const i = this.#row.afterWords(this.#row.is(at, 'around', 'in') ? at + 1 : at);
    const figure = this.#row.is(i, 'in') ? i + 1 : i;
    const value = numberIn(this.#row.at(figure));
    if (line.works || value === null || !this.#ends(figure + 1, 'break', 'close', 'stitches')) return at;
    this.#passWords(at, figure);
    line.push(work(PLAIN, FILL, EDGE, spanOf(this.#items, at, figure + 1)));
    return this.#states(value, at, this.#row.is(figure + 1, 'stitches') ? figure + 2 : figure + 1);
  }

  /** A figure that tells its own: "one in one", "still 42 sts", "four rounds of that"; null for any other. */
  #told(value: number, at: number, line: Line): number | null {
    const gets = this.#gets(value, at, line);
    if (gets !== null) return gets;
    if (this.#row.placedOnly(at + 1)) return this.#unnamed(at, value, line);
    const counts = this.#row.is(at + 1, 'stitches') && this.#ends(at + 2, 'break', 'close');
    if (counts && line.works && this.#stated === null) return this.#states(value, at, at + 2);
    const told = this.#countForRounds(value, at, line);
    if (told !== null) return told;
    // "7 lovely boring rounds"
    const unit = this.#row.afterWords(at + 1);
    if (!this.#row.is(unit, 'rounds')) return null;
    this.#rounds = { value, span: spanOf(this.#items, at, at + 1) };
    return this.#roundsOn(unit + 1, line);
  }

  /** "two get one each": so many in each of so many. */
  #gets(value: number, at: number, line: Line): number | null {
    const i = this.#row.is(at + 1, 'stitches') ? at + 2 : at + 1;
    const per = this.#row.is(i, 'gets') ? numberIn(this.#row.at(i + 1)) : null;
    if (per === null) return null;
    const next = this.#row.is(i + 2, 'each') ? i + 3 : i + 2;
    line.push(work({ ...PLAIN, per }, often(value), EDGE, spanOf(this.#items, at, next)));
    return next;
  }

  /** "24 for two rounds" */
  #countForRounds(value: number, at: number, line: Line): number | null {
    const figure = this.#row.afterWords(at + 1);
    const rounds = numberIn(this.#row.at(figure));
    if (line.works || figure === at + 1 || rounds === null || !this.#row.is(figure + 1, 'rounds')) return null;
    const span = spanOf(this.#items, at, figure + 2);
    this.#passWords(at + 1, figure);
    this.#rounds = { value: rounds, span };
    line.push(work(PLAIN, FILL, EDGE, span));
    return this.#states(value, at, figure + 2);
  }

  /** A figure before what there are so many of, or alone; null where words of a place have to be looked at. */
  #amount(value: number, at: number, line: Line): number | null {
    const sign = this.#row.at(at + 1);
    let i = sign?.is === 'times' && sign.times === null ? at + 2 : at + 1;
    if (this.#row.is(i, 'more')) i += 1;
    i = this.#row.afterWords(i);
    return this.#amountOf(value, at, i, line) ?? this.#figure(value, at, i, line);
  }

  #amountOf(value: number, at: number, i: number, line: Line): number | null {
    const short = this.#plainAndShaping(at, i, line);
    if (short !== null) return short;
    if (this.#row.is(i, 'tool')) return this.#tool(i, value, at, line);
    if (this.#row.is(i, 'open') && this.#row.figureOf(i) === null) return this.#bracket(i, value, line);
    if (this.#row.is(i, 'chain')) return this.#chain(i, value, line);
    // "7 in a loop", "6 mr"
    const ring = this.#row.is(i, 'in') ? i + 1 : i;
    if (this.#row.is(ring, 'ring') && !line.works) {
      line.push(work(PLAIN, often(value), { kind: 'ring' }, spanOf(this.#items, at, ring + 1)));
      return ring + 1;
    }
    // "two together", "2 sts together"
    const together = this.#row.is(i, 'stitches') ? i + 1 : i;
    if (!this.#row.is(together, 'together')) return null;
    const target = this.#row.target(together + 1);
    const end = target.after === null ? together + 1 : target.next;
    const shape = { ...PLAIN, over: value };
    if (target.after !== null) line.push(...this.#placing.placed(shape, null, target, spanOf(this.#items, at, end)));
    else line.push(work(shape, once, EDGE, spanOf(this.#items, at, end)));
    return end;
  }

  /** "a ring, and put six of them in it", "one, and two in the next", "sc + inc, 6", "so 24". */
  #figure(value: number, at: number, i: number, line: Line): number | null {
    const span = spanOf(this.#items, at, at + 1);
    if (this.#nameless && line.length > 0 && line.steps.every(({ kind }) => kind === 'ring')) {
      line.push(work(PLAIN, often(value), { kind: 'ring' }, span));
      this.#passWords(at + 1, i);
      return i;
    }
    if (!this.#ends(i, 'break', 'close', 'open', 'and')) return null;
    const ofNothing = i === at + 1 && this.#nameless && !this.#row.is(at - 1, 'rounds');
    if (ofNothing && this.#ofNothing(value, span, i, line)) return i;
    if (line.last === undefined) return null;
    // The count, or how often what stands before it is done.
    const counts = value > 1 && (this.#stated === null || this.#stated.value === value);
    if (counts && this.#chooser.either(['a step', 'the count']) === 'the count') this.#stated = { value, span };
    else line.countLast(value, span);
    return i;
  }

  /**
   * "one, and two in the next, all the way", "two ones and a two": a figure alone, where the whole instruction names no
   * stitch. It is so many of them, or several in one where it is one of its kind.
   * @returns whether it was taken so.
   */
  #ofNothing(value: number, span: Span, next: number, line: Line): boolean {
    if (this.#figuresInOne()) {
      line.push(work({ ...PLAIN, per: value }, once, EDGE, span));
      return true;
    }
    // The last figure of all is likelier the count.
    const ways = next < this.#items.length ? (['stitches', 'other'] as const) : (['other', 'stitches'] as const);
    if (line.length > 0 && value > 1 && this.#chooser.choose('a figure alone', ways) === 'other') return false;
    const inOne = /(?<!\p{L})an?\s+$/iu.test(this.#text.slice(Math.max(0, span.from - 4), span.from));
    line.push(work({ ...PLAIN, per: inOne ? value : 1 }, inOne ? once : often(value), EDGE, span));
    return true;
  }

  /** "one, two, one, two and so on": each figure says how many go into the next stitch, where all of them are taken so. */
  #figuresInOne(): boolean {
    if (this.#inOne !== null) return this.#inOne;
    const values = this.#items.flatMap((item) => (item.is === 'number' && !item.ordinal ? [item.value] : []));
    const may = values.length > 1 && values.every((value) => value <= 3) && new Set(values).size > 1;
    return (this.#inOne = may && this.#chooser.goesSoFar('figures alone', 'so many in one each'));
  }

  /** "2 inc 6", "2 inc ×6", "2 inc": two plain ones and an increase, six times or to the end, where no plain stitch is named. */
  #plainAndShaping(at: number, tool: number, line: Line): number | null {
    const [count, shape] = [numberIn(this.#row.at(at)), this.#row.at(tool)];
    if (!this.#nameless || shape?.is !== 'tool' || shape.per === shape.over || count === null) return null;
    const figure = this.#row.signAt(tool + 1) ? tool + 2 : tool + 1;
    const times = numberIn(this.#row.at(figure));
    const next = times === null ? tool + 1 : figure + 1;
    const ends =
      times === null
        ? line.depth + line.length === 0 && this.#ends(next, 'open', 'total')
        : this.#ends(next, 'break', 'close', 'open', 'total');
    if (!ends) return null;
    if (this.#chooser.choose('a figure before a shaping', ['of it', 'plain stitches']) === 'of it') return null;
    line.push(work(PLAIN, often(count), EDGE, spanOf(this.#items, at, at + 1)));
    line.push(work(shape, once, EDGE, spanOf(this.#items, tool, tool + 1)));
    if (times !== null) line.wrap(often(times), spanOf(this.#items, tool + 1, next));
    return next;
  }

  /** "makes 18", "= 18": the count. */
  #total(at: number): number {
    const i = this.#row.afterWords(at + 1);
    const value = numberIn(this.#row.at(i));
    return value === null ? at + 1 : this.#states(value, at, i + 1);
  }

  #chain(at: number, before: number | null, line: Line): number {
    const after = before === null ? numberIn(this.#row.at(at + 1)) : null;
    const next = after === null ? at + 1 : at + 2;
    line.push({ kind: 'chain', count: before ?? after ?? 1, counts: null, span: spanOf(this.#items, at, next) });
    return next;
  }

  #skip(at: number, line: Line): number {
    const target = this.#row.target(at + 1);
    const chains = this.#items.slice(at + 1, target.next).some(({ is }) => is === 'chain');
    const next = Math.max(target.next, at + 1);
    line.push({
      kind: 'skip',
      count: target.count ?? 1,
      first: target.ranks[0] === 1,
      ...(chains ? { chains } : {}),
      span: spanOf(this.#items, at, next),
    });
    return next;
  }

  /** Words of place before the stitch that goes there: "in every stitch 2 sc", "each st. double", "every 3rd st. double". */
  #leading(at: number, line: Line): number {
    const target = this.#onChain(this.#row.target(at), line);
    if (target.next <= at) throw FAILS;
    const i = this.#behindPlace(target);
    const behind = this.#row.afterWords(i + 1);
    const before = this.#row.is(behind, 'tool') ? numberIn(this.#row.at(i)) : null;
    const tool = before === null ? i : behind;
    const several = this.#severalInEach(at, tool, target, line);
    if (several !== null) return several;
    if (this.#row.is(tool, 'tool')) return this.#tool(tool, before, at, line, target);
    if (this.#row.is(tool, 'together')) {
      const step = this.#asOne(target, spanOf(this.#items, at, tool + 1));
      if (step) line.push(step);
      if (step) return tool + 1;
      // "all together by twos"
      const by = this.#row.afterWords(this.#row.is(tool + 1, 'in') ? tool + 2 : tool + 1);
      if (this.#row.is(by, 'tool')) return this.#tool(by, null, at, line, target);
    }
    const figure = this.#figureInPlace(at, i, target, line);
    if (figure !== null) return figure;
    this.#placeAlone(target, spanOf(this.#items, at, target.next), line);
    return target.next;
  }

  /** "ch 7, from 2nd: 5 sc": right behind a chain, one of its stitches. */
  #onChain(target: Target, line: Line): Target {
    const [rank] = target.ranks;
    const bare = target.place === null && target.ranks.length === 1 && target.inside && !target.each;
    if (rank === undefined || rank < 2 || !bare || line.last?.kind !== 'chain') return target;
    return { ...target, ranks: [], place: { kind: 'chain-from-hook', k: rank } };
  }

  /** "ch 9, sl st back from the 2nd": words may stand before the stitch of the chain; null where none does. */
  #alongChain(at: number, line: Line): Target | null {
    const words = this.#row.afterWords(at);
    const target = words > at ? this.#onChain(this.#row.target(words), line) : null;
    if (target?.place?.kind !== 'chain-from-hook') return null;
    this.#passWords(at, words);
    return target;
  }

  /** The index behind words of place, where the stitch that goes there stands. */
  #behindPlace({ next, place }: Target): number {
    const i = this.#row.afterWords(this.#row.is(next, 'gets') ? next + 1 : next);
    // "into each st. 1 sc"
    return this.#row.is(i, 'break') && this.#row.is(i + 1, 'number', 'tool', 'together') && !place ? i + 1 : i;
  }

  /** "the next two together", "every 3rd and 4th together"; null where they say neither how many nor which. */
  #asOne({ ranks: [first, second], each, count, after }: Target, span: Span): Step | null {
    if (after !== null) return everyNth({ ...PLAIN, over: 2 }, after + 2, undefined, span);
    if (first === undefined) return count === null ? null : work({ ...PLAIN, over: count }, once, EDGE, span);
    return each && second !== undefined ? everyNth({ ...PLAIN, over: 2 }, first, second, span) : null;
  }

  /** "into the first three, one each; into the next, two": so many of what the round is worked in. */
  #figureInPlace(at: number, i: number, target: Target, line: Line): number | null {
    const value = numberIn(this.#row.at(i));
    const each = this.#row.is(i + 1, 'each');
    const next = each ? i + 2 : i + 1;
    if (value === null || target.place !== null || !this.#nameless || !this.#ends(next, 'break', 'and', 'close'))
      return null;
    const span = spanOf(this.#items, at, next);
    for (const step of this.#placing.placed(PLAIN, value, { ...target, each: target.each || each }, span))
      line.push(step);
    return next;
  }

  /** A place that no stitch stands behind: a ring, a first chain, or all that stands before it to the end. */
  #placeAlone(target: Target, span: Span, line: Line): void {
    const { place, around, each, count } = target;
    if (place?.kind === 'ring') {
      // "six stitches in the ring"
      if (count !== null) line.push(work(PLAIN, often(count), place, span));
    } else if (place?.kind === 'chain-from-hook') line.push({ kind: 'first-chain', k: place.k, span });
    else if (place) return;
    else if ((around || each) && count === null && line.works) line.wrap(FILL, span);
    // "simply go round"
    else if (around && !each && !line.works) line.push(work(PLAIN, FILL, EDGE, span));
    else throw FAILS;
  }

  /** "(into each loop) 1 sl st, 6 ch, 1 sl st": several things that are all done in one stitch, where it is taken so. */
  #severalInEach(at: number, tool: number, target: Target, line: Line): number | null {
    if (!target.each || target.count !== null || target.ranks.length > 0) return null;
    const members = this.#members(tool);
    if (!members || this.#chooser.choose('in each', ['the first', 'all that follow']) === 'the first') return null;
    const span = spanOf(this.#items, at, members.next);
    line.push({ kind: 'group', members: members.works, amount: FILL, place: EDGE, span });
    return members.next;
  }

  #members(tool: number): { works: Work[]; next: number } | null {
    const works: Work[] = [];
    let i = this.#row.is(tool - 1, 'number') ? tool - 1 : tool;
    for (;;) {
      const at = this.#row.is(i, 'number') ? i + 1 : i;
      const item = this.#row.at(at);
      if (item?.is !== 'tool' && item?.is !== 'chain') break;
      const shape = item.is === 'tool' ? item : CHAIN;
      works.push(work(shape, often(numberIn(this.#row.at(i)) ?? 1), EDGE, spanOf(this.#items, i, at + 1)));
      i = at + 1;
      if (!this.#row.is(i, 'break', 'and')) break;
      i += 1;
    }
    const end = this.#row.is(i - 1, 'break', 'and') ? i - 1 : i;
    return works.length > 1 ? { works, next: end } : null;
  }

  /** A stitch with how many, and where they go. */
  #tool(at: number, before: number | null, start: number | null, line: Line, leading?: Target): number {
    const tool = this.#row.at(at);
    if (tool?.is !== 'tool') throw FAILS;
    // "double it": two in each, and no taller stitch.
    const doubles =
      /^double$/i.test(this.#text.slice(tool.from, tool.to)) && this.#chooser.goesSoFar('double', 'two in each');
    const joined = before === null ? this.#joinedBySign(at, line, leading) : null;
    if (joined !== null) return joined;
    const one: Stitch = { at, start: start ?? at, before, shape: doubles ? { ...PLAIN, per: 2 } : tool };
    return before === null
      ? this.#uncounted(one, tool.stitch, line, leading)
      : (this.#joined(one, tool.stitch, line) ?? this.#place(one, before, at + 1, line, leading));
  }

  /** "sc-sc in every one", "sc+sc tog": stitches that a sign ties to each other go into one, or are worked as one. */
  #joinedBySign(at: number, line: Line, leading?: Target): number | null {
    let end = at + 1;
    while (this.#tied(end)) end += this.#row.is(end, 'and') ? 2 : 1;
    const tools = this.#items.slice(at, end).filter(({ is }) => is === 'tool');
    const [shape] = tools;
    const alike = tools.every(
      (one) => one.is === 'tool' && shape?.is === 'tool' && one.stitch === shape.stitch && one.per + one.over === 2,
    );
    if (tools.length < 2 || !alike || shape?.is !== 'tool') return null;
    if (this.#row.is(end, 'together')) {
      const span = spanOf(this.#items, at, end + 1);
      line.push({ ...work({ ...shape, over: tools.length }, once, EDGE, span) });
      return end + 1;
    }
    if (!this.#chooser.goesSoFar('stitches tied by a sign', 'all in one')) return null;
    return this.#place({ at, start: at, before: 1, shape: { ...shape, per: tools.length } }, 1, end, line, leading);
  }

  /** Whether a stitch, or a sign before one, is written to what stands before it. */
  #tied(i: number): boolean {
    const [before, item] = [this.#row.at(i - 1), this.#row.at(i)];
    if (!before || !item) return false;
    const tool = this.#row.at(item.is === 'and' ? i + 1 : i);
    return tool?.is === 'tool' && /^[-+&~]$/.test(this.#text.slice(before.to, tool.from));
  }

  /** A stitch without a figure before it. */
  #uncounted(one: Stitch, stitch: Work['stitch'], line: Line, leading?: Target): number {
    const { at } = one;
    if (stitch === 'slip' && this.#closesChain(at, line)) return this.#closing(at, line);
    const other = leading ? null : (this.#spokenOf(at, line) ?? this.#signed(one, line));
    if (other !== null) return other;
    const { after, next } = this.#after(at + 1);
    // "sc 2 together"
    if (after === null || !this.#row.is(next, 'together')) return this.#place(one, after, next, line, leading);
    // "sc 2 together over every 3rd and 4th"
    const target = this.#row.target(next + 1);
    const nth = target.each && target.ranks.length === 2;
    const end = nth ? target.next : next + 1;
    const shape = { stitch, per: 1, over: after };
    const span = spanOf(this.#items, at, end);
    if (nth) line.push(...this.#placing.placed(shape, null, target, span));
    else line.push(work(shape, once, EDGE, span));
    return end;
  }

  /** "2 sc together": as one. */
  #joined({ at, start, before }: Stitch, stitch: Work['stitch'], line: Line): number | null {
    const behind = this.#row.afterWords(at + 1);
    if (before === null || !this.#row.is(behind, 'together')) return null;
    this.#passWords(at + 1, behind);
    line.push(work({ stitch, per: 1, over: before }, once, EDGE, spanOf(this.#items, start, behind + 1)));
    return behind + 1;
  }

  /** "…, the inc sits in the middle": a clause that speaks of a stitch, where it is taken so. */
  #spokenOf(at: number, line: Line): number | null {
    if (!this.#row.is(at + 1, 'word') || !line.works) return null;
    if (this.#chooser.either(['works', 'speaks']) === 'works') return null;
    let end = at;
    while (this.#row.at(end) && !this.#row.is(end, 'break', 'open', 'close')) end += 1;
    this.#passWords(at, end);
    return end;
  }

  /** "dc inc ×6": the sign may be of all that stands before it. */
  #signed({ at, shape }: Stitch, line: Line): number | null {
    const signed = line.works ? this.#row.signed(at + 1) : null;
    if (!signed) return null;
    line.push(work(shape, once, EDGE, spanOf(this.#items, at, at + 1)));
    line.wrap(often(signed.times), spanOf(this.#items, at, signed.next));
    return signed.next;
  }

  /** How many of a stitch the words behind it say: "sc 6", "sc ×6", "dc twice in the next". */
  #after(i: number): { after: number | null; next: number } {
    const named = this.#row.at(i);
    if (named?.is !== 'times') return this.#figureAfter(i, i);
    if (named.times === null) return this.#figureAfter(i, named.sign ? i + 1 : i);
    const twice = named.times === 1 || this.#row.is(i + 1, 'in', 'each', 'next');
    return twice ? { after: named.times, next: i + 1 } : { after: null, next: i };
  }

  #figureAfter(i: number, figure: number): { after: number | null; next: number } {
    const number = this.#row.at(figure);
    if (number?.is !== 'number' || number.ordinal) return { after: null, next: i };
    const takes = this.#row.is(figure + 1, 'together') || figure > i || number.glued || this.#isOf(i);
    return takes ? { after: number.value, next: figure + 1 } : { after: null, next: i };
  }

  /** Whether a figure is of the stitch before it: "sc 2 inc" leaves that open. */
  #isOf(figure: number): boolean {
    if (this.#row.is(figure + 1, 'tool'))
      return this.#chooser.choose('a figure between', ['of what follows', 'of what is before']) === 'of what is before';
    return !this.#row.timesAt(figure) && !this.#row.is(figure + 1, 'open', 'times', 'chain');
  }

  /** Puts so many of a stitch where the words say. */
  #place({ start, shape }: Stitch, count: number | null, i: number, line: Line, leading?: Target): number {
    const target = leading ?? this.#alongChain(i, line) ?? this.#onChain(this.#row.target(i), line);
    const next = leading ? i : Math.max(target.next, i);
    const span = spanOf(this.#items, start, next);
    if (!leading && this.#goesForAll(target, next, line)) {
      line.push(work(shape, often(count ?? 1), EDGE, span));
      line.wrap(FILL, span);
      return next;
    }
    const pairs = count === null && isWhole(target) ? this.#byTogether(next) : null;
    if (pairs) {
      line.push(work({ ...shape, over: pairs.over }, FILL, EDGE, spanOf(this.#items, start, pairs.next)));
      return pairs.next;
    }
    const source = target.count === null ? null : this.#row.source(next);
    if (this.#tellsBoth(target, line)) line.takeFrom(line.length - 1);
    for (const step of this.#placing.placed(shape, count, target, span))
      line.push(step.kind === 'work' && source ? { ...step, source: source.name } : step);
    return source?.next ?? next;
  }

  /** "(sc all sts) together in pairs": so many of them as one. */
  #byTogether(at: number): { over: number; next: number } | null {
    const by = this.#row.is(at + 1, 'in') ? at + 2 : at + 1;
    const item = this.#row.is(at, 'together') ? this.#row.at(by) : undefined;
    return item?.is === 'tool' && item.per < item.over ? { over: item.over, next: by + 1 } : null;
  }

  /** "sc inc all": all of what has been told, and not the last step alone. */
  #goesForAll(target: Target, next: number, line: Line): boolean {
    if (!isWhole(target) || this.#row.is(next - 1, 'stitches') || !line.works) return false;
    return this.#chooser.choose('all round', ['the last step', 'all steps']) === 'all steps';
  }

  /** "1 sc and then 2 sc in every second": the plain ones before are those between, where it is taken so. */
  #tellsBoth({ each, ranks: [nth, second] }: Target, line: Line): boolean {
    const { last } = line;
    if (!each || nth === undefined || second !== undefined || last?.kind !== 'work') return false;
    const between = last.per === last.over && last.amount.kind === 'times' && last.amount.times === nth - 1;
    return between && this.#chooser.goesSoFar('plain ones before every so many', 'those between');
  }

  /** Whether a slip stitch behind a chain makes a ring of it, and does not go back along it: "ch 9, sl st from the 2nd". */
  #closesChain(at: number, line: Line): boolean {
    if (line.last?.kind !== 'chain') return false;
    const words = this.#row.afterWords(at + 1);
    const { place, each } = this.#onChain(this.#row.target(words), line);
    return place?.kind !== 'chain-from-hook' && !each;
  }

  /** "ch 12, sl st to the first ch to close the ring": the words up to the end of the clause. */
  #closing(at: number, line: Line): number {
    let next = at + 1;
    while (this.#row.at(next) && !this.#row.is(next, 'break', 'close', 'open', 'tool')) next += 1;
    line.push({ kind: 'join', span: spanOf(this.#items, at, next) });
    return next;
  }
}

/** "all", "around", and nothing else about a place. */
function isWhole({ each, around, count, ranks, after, place }: Target): boolean {
  return (each || around) && count === null && ranks.length === 0 && after === null && place === null;
}
