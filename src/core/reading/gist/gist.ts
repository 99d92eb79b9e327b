import { once, type Amount, type Place, type Step, type Work } from '../../pattern/instruction.js';
import type { Instruction } from '../../pattern/pattern.js';
import type { Sense } from '../../vocabulary/senses.js';
import type { Lexicon } from '../lexicon.js';
import { wordsOf } from '../instruction.js';
import type { Span } from '../../text/source.js';
import { everyChoice, type Choice, type Chooser } from './choices.js';
import { referenceIn } from './reference.js';
import { itemsOf, spanOf, type Item } from './items.js';

/** One way to take an instruction, with the choices that were made for it. */
export interface Gist {
  readonly instruction: Instruction;
  readonly chosen: readonly Choice[];
  /** Words without a meaning that were passed over, and where. */
  readonly words: readonly string[];
  readonly passed: readonly Span[];
  /** How many of them stand in clauses that hold nothing else. */
  readonly talk: number;
}

/** So many words and signs are looked at, and so many ways to take them. */
const MOST_TOKENS = 120;
const MOST_WAYS = 64;
/** Fewer ways are tried of a long instruction: so many words and signs in all. */
const MOST_LOOKED_AT = 1600;

/**
 * All ways to take the gist of an instruction: only what can bear on its count is looked at, in whatever order a hand puts
 * it, and what the words leave open is chosen in every way. Which one is meant only the sums can tell.
 * @param senses what words mean in this hand that mean nothing by themselves; all others are passed over.
 */
export function gistsOf(text: string, span: Span, lexicon: Lexicon, senses: ReadonlyMap<string, Sense>): Gist[] {
  const tokens = wordsOf(text, span, lexicon, MOST_TOKENS + 1);
  const items = tokens.length > MOST_TOKENS ? null : itemsOf(tokens, lexicon, senses);
  const reference = referenceIn(text, span);
  const referring: Gist[] = reference ? [{ ...NOTHING_FOUND, instruction: { ...NO_INSTRUCTION, reference } }] : [];
  if (!items) return referring;
  const most = Math.max(4, Math.min(MOST_WAYS, Math.floor(MOST_LOOKED_AT / items.length)));
  const ways = everyChoice((chooser) => new Taking(text, items, chooser).all(), most);
  const taken = ways.flatMap(({ result, chosen }) => {
    if (!result) return [];
    const { steps, stated, rounds, passed, talk } = result;
    const words = passed.map(({ from, to }) => singular(text.slice(from, to).toLowerCase()));
    const instruction: Instruction = {
      ...NO_INSTRUCTION,
      steps,
      stated: stated && { total: stated.value, breakdown: [], span: stated.span },
      statedRounds: rounds && { count: rounds.value, span: rounds.span },
    };
    return [{ instruction, chosen, words, passed, talk }];
  });
  return [...taken, ...referring];
}

/** A word without its plural: what it means is the same. */
export function singular(word: string): string {
  return word.length > 3 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word;
}

export const NO_INSTRUCTION: Instruction = {
  steps: [],
  stated: null,
  reference: null,
  statedRounds: null,
  unread: [],
  brackets: [],
  foreign: [],
  remarks: [],
};
/** The words of an instruction that mean nothing by themselves, in the singular. */
export function unknownIn(text: string, span: Span, lexicon: Lexicon): string[] {
  return unclearIn(text, span, lexicon).map(({ word }) => word);
}

/** The words of an instruction that mean nothing by themselves, in the singular, and where they stand. */
export function unclearIn(text: string, span: Span, lexicon: Lexicon): (Span & { readonly word: string })[] {
  const tokens = wordsOf(text, span, lexicon, MOST_TOKENS);
  return tokens.flatMap((token, i) =>
    token.kind === 'word' && !lexicon.at(tokens, i)
      ? [{ word: singular(token.word), from: token.from, to: token.to }]
      : [],
  );
}

const NOTHING_FOUND = { chosen: [], words: [], passed: [], talk: 0 };

interface Told {
  readonly value: number;
  readonly span: Span;
}

interface Taken {
  readonly steps: readonly Step[];
  readonly stated: Told | null;
  /** "four rounds of that" */
  readonly rounds: Told | null;
  readonly passed: readonly Span[];
  readonly talk: number;
}

/** A step with where the clause and the sentence that it stands in begin, among the steps. */
interface Standing {
  readonly step: Step;
  readonly clause: number;
  readonly sentence: number;
}

/** The words about where a stitch goes. */
interface Target {
  readonly next: number;
  readonly each: boolean;
  readonly around: boolean;
  readonly next1: boolean;
  readonly same: boolean;
  readonly last: boolean;
  readonly inside: boolean;
  readonly count: number | null;
  readonly ranks: readonly number[];
  readonly place: Place | null;
}

/** The words can't be taken so; made once, since it is thrown often. */
const FAILS = new Error('not to be taken so');

/** One run through the items, with one way chosen wherever several are open. */
class Taking {
  readonly #text: string;
  readonly #items: readonly Item[];
  readonly #chooser: Chooser;
  /** No stitch is named in the whole instruction but increases and decreases. */
  readonly #nameless: boolean;
  #stated: Told | null = null;
  #rounds: Told | null = null;
  /** A clause without a figure may say how often. */
  #idle = false;
  readonly #passed: Span[] = [];
  #talk = 0;

  constructor(text: string, items: readonly Item[], chooser: Chooser) {
    this.#text = text;
    this.#items = items;
    this.#chooser = chooser;
    this.#nameless = !items.some((item) => item.is === 'tool' && item.stitch !== null && item.per + item.over === 2);
  }

  all(): Taken | null {
    try {
      const steps = this.#severalInOne() ?? this.#sequence(0, this.#items.length, 0);
      return steps.some(isFabric)
        ? {
            steps: this.#toTheEnd(alone(steps)),
            stated: this.#stated,
            rounds: this.#rounds,
            passed: this.#passed,
            talk: this.#talk,
          }
        : null;
    } catch (error) {
      if (error === FAILS) return null;
      throw error;
    }
  }

  /** "2 sc, inc": who never says how often may mean to the end. */
  #toTheEnd(steps: readonly Step[]): readonly Step[] {
    const first = steps.findIndex(isFabric);
    const body = steps.slice(first, steps.findLastIndex(isFabric) + 1);
    const plain = body.every(
      (step) => step.kind === 'work' && step.amount.kind === 'times' && step.place.kind === 'edge',
    );
    const shapes = body.some((step) => step.kind === 'work' && step.per !== step.over);
    if (!plain || !shapes || body.length < 2 || this.#idle) return steps;
    if (!this.#chooser.goesSoFar('no word of how often', 'to the end')) return steps;
    const span = { from: body[0]?.span.from ?? 0, to: body.at(-1)?.span.to ?? 0 };
    return [...steps.slice(0, first), repeated(body, FILL, span), ...steps.slice(first + body.length)];
  }

  /** "five petals, each of them in one stitch: sl st, 3 ch, sl st": so many times all that is listed, in one stitch each. */
  #severalInOne(): Step[] | null {
    const [first] = this.#items;
    const colon = this.#items.findIndex((item) => item.is === 'break' && this.#text.charAt(item.from) === ':');
    const lead = this.#items.slice(0, Math.max(0, colon));
    const inOne = lead.some(
      (item, i) => item.is === 'in' && lead[i + 1]?.is === 'number' && numberIn(lead[i + 1]) === 1,
    );
    if (first?.is !== 'number' || first.ordinal || !inOne || !lead.some(({ is }) => is === 'each')) return null;
    const listed = this.#items.slice(colon + 1);
    const members = listed.flatMap((item, i): Work[] => {
      if (item.is !== 'tool' && item.is !== 'chain') return [];
      const shape = item.is === 'tool' ? item : ({ stitch: 'chain', per: 1, over: 1 } as const);
      return [work(shape, often(numberIn(listed[i - 1]) ?? 1), EDGE, item)];
    });
    const known = listed.every(
      ({ is }) => is === 'tool' || is === 'chain' || is === 'number' || is === 'break' || is === 'and',
    );
    if (members.length < 2 || !known) return null;
    this.#passWords(0, colon);
    const span = spanOf(this.#items, 0, this.#items.length);
    return [{ kind: 'group', members, amount: often(first.value), place: EDGE, span }];
  }

  #sequence(from: number, to: number, depth: number): Step[] {
    const standing: Standing[] = [];
    let [clause, sentence] = [0, 0];
    const push = (step: Step) => standing.push({ step, clause, sentence });
    let i = depth === 0 ? this.#afterLead(from, to) : from;
    let said: { readonly amount: Amount; readonly from: number } | null = null;
    while (i < to) {
      const item = this.#items[i];
      if (!item) break;
      const start = i;
      const idle = standing.length === clause && standing.some(({ step }) => isFabric(step)) ? this.#idleTo(i, to) : i;
      if (idle > i) {
        this.#idle = true;
        if (this.#chooser.choose('words without a figure', ['nothing', 'repeat']) === 'repeat')
          this.#wrap(standing, FILL, spanOf(this.#items, i, idle));
        else this.#talk += this.#passWords(i, idle);
        i = idle;
        continue;
      }
      // "6 times: dc, 2 dc in one": said before what is done.
      const first = standing.some(({ step }) => isFabric(step)) ? null : this.#timesAt(i);
      if (first && said === null && !this.#placedOnly(first.next)) {
        said = { amount: often(first.times), from: standing.length };
        i = first.next;
        continue;
      }
      switch (item.is) {
        case 'break':
          clause = standing.length;
          if (item.strong) sentence = standing.length;
          i += 1;
          break;
        case 'and':
          clause = standing.length;
          i += 1;
          break;
        case 'open':
          i = this.#bracket(i, null, depth, push);
          break;
        case 'loops':
          push({ kind: 'loops', loops: item.loops, span: spanOf(this.#items, i, i + 1) });
          i += 1;
          break;
        case 'marker':
          push({ kind: item.kind, span: spanOf(this.#items, i, i + 1) });
          i += 1;
          break;
        case 'ring':
        case 'other-side':
          push({ kind: item.is, span: spanOf(this.#items, i, i + 1) });
          i += 1;
          break;
        case 'layers':
          push({ kind: 'flat', span: spanOf(this.#items, i, i + 1) });
          i += 1;
          break;
        case 'chain':
          i = this.#chain(i, null, push);
          break;
        case 'steps':
          for (const step of item.steps) push({ ...step, span: spanOf(this.#items, i, i + 1) });
          i += 1;
          break;
        case 'skip':
          i = this.#skip(i, push);
          break;
        case 'tool':
          i = this.#tool(i, null, null, standing, push);
          break;
        case 'number':
          i = this.#number(i, depth, standing, push);
          break;
        case 'total':
          i = this.#total(i);
          break;
        case 'more': {
          const again = this.#timesAt(i);
          if (again) this.#wrap(standing, often(again.times), spanOf(this.#items, i, again.next));
          i = again?.next ?? i + 1;
          break;
        }
        case 'times':
          if (item.times === null) i = this.#timesSign(i, standing);
          else if (this.#placedOnly(i + 1)) i = this.#unnamed(i, item.times, push);
          else {
            this.#wrap(standing, { kind: 'times', times: item.times }, item);
            i += 1;
          }
          break;
        case 'repeat':
          i = this.#repeat(i, standing);
          break;
        case 'each':
          // "all six times"
          i = this.#timesAt(this.#afterWords(i + 1)) ? i + 1 : this.#leading(i, standing, depth, push);
          break;
        case 'in': {
          // "in the back loops", "into the back link": where, and not how many.
          const behind = this.#afterWords(i + 1);
          if (this.#is(behind, 'stitches') && this.#is(behind + 1, 'break')) {
            i = behind + 1;
            break;
          }
          const ends = behind >= to || this.#is(behind, 'break', 'and');
          // "and on like that to the marker"
          if (this.#is(behind, 'loops', 'around') || ends) {
            for (let word = i + 1; word < behind; word += 1) this.#pass(word);
            i = behind;
            break;
          }
          i = this.#leading(i, standing, depth, push);
          break;
        }
        case 'around':
        case 'next':
        case 'last':
          i = this.#leading(i, standing, depth, push);
          break;
        case 'rounds':
          // "simply go round"
          i = this.#plainRounds(i, standing, push);
          break;
        case 'word':
          this.#pass(i);
          i += 1;
          break;
        default:
          i += 1;
      }
      if (i <= start) throw FAILS;
    }
    if (said) {
      const body = standing.splice(said.from).map(({ step }) => step);
      if (body.length === 0) throw FAILS;
      push(repeated(body, said.amount, spanOf(this.#items, from, to)));
    }
    return standing.map(({ step }) => step);
  }

  /** "simply go round", "go round four times": where nothing else is done, a plain round or so many of them. */
  #plainRounds(at: number, standing: readonly Standing[], push: (step: Step) => void): number {
    const times = this.#timesAt(at + 1);
    const next = times?.next ?? at + 1;
    if (
      standing.some(({ step }) => isFabric(step)) ||
      !(times || next >= this.#items.length || this.#is(next, 'break'))
    ) {
      this.#pass(at);
      return at + 1;
    }
    const span = spanOf(this.#items, at, next);
    if (times) this.#rounds = { value: times.times, span };
    push(work({ stitch: null, per: 1, over: 1 }, FILL, EDGE, span));
    return next;
  }

  #pass(i: number): void {
    const item = this.#at(i);
    if (item) this.#passed.push({ from: item.from, to: item.to });
  }

  /** "the last one that grows: a dc in each": words up to a colon that nothing is done in. */
  #afterLead(from: number, to: number): number {
    // "next round one single crochet and one increase …"
    const lead = this.#is(from, 'in') ? from + 1 : from;
    if (this.#is(lead, 'next') && this.#is(lead + 1, 'rounds')) return lead + 2;
    for (let i = from; i < to; i += 1) {
      const item = this.#at(i);
      if (item?.is === 'break' && this.#text.charAt(item.from) === ':') {
        if (!this.#items.slice(i, to).some(({ is }) => is === 'tool')) return from;
        this.#talk += this.#passWords(from, i);
        return i + 1;
      }
      // "we decrease: (2 sc, 1 dec) six times"
      const shapes =
        item?.is === 'tool' && item.per + item.over > 2 && item.stitch === null && this.#is(i + 1, 'break');
      const talks = shapes || item?.is === 'word' || item?.is === 'last' || item?.is === 'next' || item?.is === 'in';
      if (!talks && item?.is !== 'number' && item?.is !== 'more' && item?.is !== 'rounds') return from;
    }
    return from;
  }

  /** Passes over the words without a meaning between two items; how many there are. */
  #passWords(from: number, to: number): number {
    const before = this.#passed.length;
    for (let word = from; word < to; word += 1) if (this.#is(word, 'word')) this.#pass(word);
    return this.#passed.length - before;
  }

  /** Where a clause ends that holds neither a figure nor a stitch; the same index where it holds one. */
  #idleTo(from: number, to: number): number {
    let i = from;
    for (; i < to; i += 1) {
      const item = this.#at(i);
      if (item?.is === 'break') break;
      if (item?.is !== 'word' && item?.is !== 'in' && item?.is !== 'and' && item?.is !== 'next' && item?.is !== 'same')
        return from;
    }
    return i;
  }

  #at(i: number): Item | undefined {
    return this.#items[i];
  }

  #is(i: number, ...kinds: readonly Item['is'][]): boolean {
    const item = this.#items[i];
    return item !== undefined && kinds.includes(item.is);
  }

  /** The index of the next item that is no word without a meaning. */
  #afterWords(i: number): number {
    let at = i;
    for (let item = this.#at(at); item?.is === 'word'; item = this.#at(at)) at += 1;
    return at;
  }

  /** A bracket, with how often it is done: before it, or behind it. */
  #bracket(at: number, before: number | null, depth: number, push: (step: Step) => void): number {
    const open = this.#at(at);
    const close = open?.is === 'open' ? open.close : -1;
    if (close < 0 || depth > 8) throw FAILS;
    const figure = this.#figureAlone(at + 1, close);
    if (figure !== null && before === null) {
      if (this.#stated && this.#stated.value !== figure) throw FAILS;
      this.#stated = { value: figure, span: spanOf(this.#items, at, close + 1) };
      return close + 1;
    }
    const body = this.#sequence(at + 1, close, depth + 1);
    const after = this.#afterWords(close + 1);
    const behind = before === null ? this.#often(after) : null;
    const span = spanOf(this.#items, at, behind?.next ?? close + 1);
    const fabric = body.filter(isFabric);
    if (fabric.length === 0) {
      body.forEach(push);
      return close + 1;
    }
    const one = before === null && !behind ? this.#target(close + 1) : null;
    if (one && isSingle(one) && fabric.length > 1) {
      push(group(fabric, span));
      return one.next;
    }
    const amount: Amount | null = before === null ? (behind?.amount ?? null) : { kind: 'times', times: before };
    push({ kind: 'repeat', body, amount, span });
    return behind?.next ?? close + 1;
  }

  /** The figure that a bracket holds besides words that count stitches: "(18 sts)", "(that's 24)", "[6 in all]". */
  #figureAlone(from: number, to: number): number | null {
    let figure: number | null = null;
    for (let i = from; i < to; i += 1) {
      const item = this.#at(i);
      if (item?.is === 'number' && figure === null) figure = item.value;
      else if (item?.is !== 'word' && item?.is !== 'total' && item?.is !== 'stitches' && item?.is !== 'in') {
        const plain = item?.is === 'tool' && item.per === 1 && item.over === 1;
        if (item?.is !== 'each' && !(plain && figure !== null && i === to - 1)) return null;
      }
    }
    return figure;
  }

  /** "6 times", "x 6", "six", "twice", "repeat 6 times", "around", "repeat to the end", behind a bracket. */
  #often(at: number): { amount: Amount; next: number } | null {
    let i = at;
    if (this.#is(i, 'break') && this.#is(i + 1, 'repeat')) i += 1;
    const repeat = this.#is(i, 'repeat');
    if (repeat) i = this.#afterWords(i + 1);
    const item = this.#at(i);
    if (item?.is === 'around' || item?.is === 'each') return { amount: { kind: 'fill', leave: 0 }, next: i + 1 };
    const times = this.#timesAt(i) ?? (item?.is === 'number' && !item.ordinal ? this.#bareTimes(i, repeat) : null);
    if (times) return { amount: { kind: 'times', times: times.times }, next: times.next };
    return repeat ? { amount: { kind: 'fill', leave: 0 }, next: i } : null;
  }

  /** "(sc, inc) 6": a figure alone behind a bracket, where it is not the count. */
  #bareTimes(at: number, repeat: boolean): { times: number; next: number } | null {
    const item = this.#at(at);
    if (item?.is !== 'number') return null;
    const after = this.#at(at + 1);
    const alone = after === undefined || after.is === 'break' || after.is === 'open' || after.is === 'close';
    if (!repeat && !item.glued && !alone) return null;
    return { times: item.value, next: at + 1 };
  }

  /** "6 times", "6x", "x6", "5 more times", "twice". */
  #timesAt(at: number): { times: number; next: number } | null {
    const item = this.#at(at);
    if (item?.is === 'times' && item.times !== null) return { times: item.times, next: at + 1 };
    if (item?.is === 'times' && item.sign) {
      const number = this.#at(at + 1);
      if (number?.is !== 'number' || number.ordinal) return null;
      return { times: number.value, next: this.#is(at + 2, 'times') ? at + 3 : at + 2 };
    }
    let [i, more] = [at, 0];
    const count = (): void => {
      while (this.#is(i, 'more')) {
        more = 1;
        i += 1;
      }
    };
    count();
    const number = this.#at(i);
    if (number?.is !== 'number' || number.ordinal) return null;
    i += 1;
    count();
    const word = this.#at(i);
    if (word?.is !== 'times' || word.times !== null) return null;
    // "6 x sc", "6 x (…)": the sign belongs to what comes after it.
    const opens = this.#is(i + 1, 'open') && this.#figureOf(i + 1) === null;
    if (word.sign && (opens || this.#is(i + 1, 'tool', 'number'))) return null;
    i += 1;
    count();
    return { times: number.value + more, next: i };
  }

  /** Whether words of a place follow, and no stitch before them: "twice in the next". */
  #placedOnly(at: number): boolean {
    if (!this.#is(at, 'in')) return false;
    const target = this.#target(at);
    const after = this.#afterWords(target.next);
    return target.next > at && !this.#is(after, 'tool', 'number') && target.place === null;
  }

  /** So many of the stitch that the round is of. */
  #unnamed(at: number, count: number, push: (step: Step) => void): number {
    const target = this.#target(at + 1);
    const shape = { stitch: null, per: 1, over: 1 };
    for (const step of this.#placed(shape, count, target, spanOf(this.#items, at, target.next))) push(step);
    return target.next;
  }

  /** "×6" where nothing about a place follows. */
  #signed(at: number): { times: number; next: number } | null {
    const sign = this.#at(at);
    const found = sign?.is === 'times' && sign.times === null && sign.sign ? this.#timesAt(at) : null;
    return found && !this.#is(found.next, 'in', 'each', 'next', 'stitches') ? found : null;
  }

  #number(at: number, depth: number, standing: Standing[], push: (step: Step) => void): number {
    const item = this.#at(at);
    if (item?.is !== 'number') throw FAILS;
    const times = this.#timesAt(at);
    if (times) {
      // "eight times round"
      if (this.#is(times.next, 'rounds')) {
        this.#rounds = { value: times.times, span: spanOf(this.#items, at, times.next + 1) };
        return times.next + 1;
      }
      this.#wrap(standing, { kind: 'times', times: times.times }, spanOf(this.#items, at, times.next));
      return times.next;
    }
    // "one in one, two in the next"
    if (!item.ordinal && this.#placedOnly(at + 1)) return this.#unnamed(at, item.value, push);
    // "still 42 sts"
    const told = this.#at(at + 1)?.is === 'stitches' ? this.#at(at + 2) : undefined;
    const closes = at + 2 >= this.#items.length || told?.is === 'break' || told?.is === 'close';
    if (
      !item.ordinal &&
      this.#is(at + 1, 'stitches') &&
      closes &&
      standing.some(({ step }) => isFabric(step)) &&
      this.#stated === null
    ) {
      this.#stated = { value: item.value, span: spanOf(this.#items, at, at + 2) };
      return at + 2;
    }
    // "four rounds of that", "7 lovely boring rounds"
    const unit = this.#afterWords(at + 1);
    if (!item.ordinal && this.#is(unit, 'rounds')) {
      this.#rounds = { value: item.value, span: spanOf(this.#items, at, unit + 1) };
      return unit + 1;
    }
    const sign = this.#at(at + 1);
    let i = sign?.is === 'times' && sign.times === null ? at + 2 : at + 1;
    if (this.#is(i, 'more')) i += 1;
    i = this.#afterWords(i);
    if (!item.ordinal) {
      const short = this.#plainAndShaping(at, i, standing, push);
      if (short !== null) return short;
      if (this.#is(i, 'tool')) return this.#tool(i, item.value, at, standing, push);
      if (this.#is(i, 'open') && this.#figureOf(i) === null) return this.#bracket(i, item.value, depth, push);
      if (this.#is(i, 'chain')) return this.#chain(i, item.value, push);
      if (this.#is(i, 'together')) {
        push(work({ stitch: null, per: 1, over: item.value }, once, EDGE, spanOf(this.#items, at, i + 1)));
        return i + 1;
      }
      if (this.#is(i, 'stitches') && this.#is(i + 1, 'together')) {
        push(work({ stitch: null, per: 1, over: item.value }, once, EDGE, spanOf(this.#items, at, i + 2)));
        return i + 2;
      }
    }
    const last = standing.at(-1);
    i = this.#afterWords(i);
    // "a ring, and put six of them in it"
    if (this.#nameless && !item.ordinal && standing.length > 0 && standing.every(({ step }) => step.kind === 'ring')) {
      push(
        work({ stitch: null, per: 1, over: 1 }, often(item.value), { kind: 'ring' }, spanOf(this.#items, at, at + 1)),
      );
      this.#passWords(at + 1, i);
      return i;
    }
    const alone = i >= this.#items.length || this.#is(i, 'break', 'close', 'open', 'and');
    const ofRound = this.#is(at - 1, 'rounds');
    if (
      alone &&
      i === at + 1 &&
      !item.ordinal &&
      !ofRound &&
      this.#nameless &&
      this.#ofNothing(item, last !== undefined, i, push)
    )
      return i;
    const figure = !item.ordinal && alone && last ? this.#figureBehind(item, last, standing) : null;
    if (figure) return i;
    return this.#leading(at, standing, depth, push);
  }

  /**
   * "one, and two in the next, all the way", "two ones and a two": a figure alone, where the whole instruction names no
   * stitch. It is so many of them, or several in one where it is one of its kind.
   * @returns whether it was taken so.
   */
  #ofNothing(
    { value, from, to }: { value: number } & Span,
    behind: boolean,
    next: number,
    push: (step: Step) => void,
  ): boolean {
    // The last figure of all is likelier the count.
    const ways = next < this.#items.length ? (['stitches', 'other'] as const) : (['other', 'stitches'] as const);
    if (behind && value > 1 && this.#chooser.choose('a figure alone', ways) === 'other') return false;
    const inOne = /(?<!\p{L})an?\s+$/iu.test(this.#text.slice(Math.max(0, from - 4), from));
    push(work({ stitch: null, per: inOne ? value : 1, over: 1 }, inOne ? once : often(value), EDGE, { from, to }));
    return true;
  }

  /**
   * A figure with no stitch beside it: "dc into the ring, six of them", "sc + inc, 6", "so 24".
   * @returns whether it was taken for anything.
   */
  #figureBehind({ value, from, to }: { value: number } & Span, last: Standing, standing: Standing[]): boolean {
    const counts = value > 1 && (this.#stated === null || this.#stated.value === value);
    if (counts && this.#chooser.either(['a step', 'the count']) === 'the count') {
      this.#stated = { value, span: { from, to } };
      return true;
    }
    const { step } = last;
    const once = step.kind === 'work' && isOnce(step);
    const way = this.#chooser.choose('a figure behind', once ? ['of the last step', 'times'] : ['times']);
    if (way === 'of the last step' && step.kind === 'work')
      standing[standing.length - 1] = { ...last, step: withAmount(step, value) };
    else this.#wrap(standing, often(value), { from, to });
    return true;
  }

  /** "2 inc 6": two plain ones and an increase, six times, where no plain stitch is named. */
  #plainAndShaping(at: number, tool: number, standing: Standing[], push: (step: Step) => void): number | null {
    const [count, shape, times] = [numberIn(this.#at(at)), this.#at(tool), numberIn(this.#at(tool + 1))];
    const ends = tool + 2 >= this.#items.length || this.#is(tool + 2, 'break', 'close', 'open');
    if (!this.#nameless || shape?.is !== 'tool' || count === null || times === null || !ends) return null;
    if (this.#chooser.choose('a figure before a shaping', ['of it', 'plain stitches']) === 'of it') return null;
    push(work({ stitch: null, per: 1, over: 1 }, often(count), EDGE, spanOf(this.#items, at, at + 1)));
    push(work(shape, once, EDGE, spanOf(this.#items, tool, tool + 1)));
    this.#wrap(standing, often(times), spanOf(this.#items, tool + 1, tool + 2));
    return tool + 2;
  }

  #figureOf(open: number): number | null {
    const item = this.#at(open);
    return item?.is === 'open' ? this.#figureAlone(open + 1, item.close) : null;
  }

  /** "makes 18", "= 18": the count. */
  #total(at: number): number {
    const i = this.#afterWords(at + 1);
    const number = this.#at(i);
    if (number?.is !== 'number' || number.ordinal) return at + 1;
    if (this.#stated && this.#stated.value !== number.value) throw FAILS;
    this.#stated = { value: number.value, span: spanOf(this.#items, at, i + 1) };
    return i + 1;
  }

  #timesSign(at: number, standing: Standing[]): number {
    const times = this.#timesAt(at);
    if (!times) return at + 1;
    this.#wrap(standing, { kind: 'times', times: times.times }, spanOf(this.#items, at, times.next));
    return times.next;
  }

  #repeat(at: number, standing: Standing[]): number {
    const found = this.#often(at);
    if (!found) throw FAILS;
    this.#wrap(standing, found.amount, spanOf(this.#items, at, found.next));
    return found.next;
  }

  #chain(at: number, before: number | null, push: (step: Step) => void): number {
    const number = this.#at(at + 1);
    const after = before === null && number?.is === 'number' && !number.ordinal ? number.value : null;
    const next = after === null ? at + 1 : at + 2;
    push({ kind: 'chain', count: before ?? after ?? 1, counts: null, span: spanOf(this.#items, at, next) });
    return next;
  }

  #skip(at: number, push: (step: Step) => void): number {
    const target = this.#target(at + 1);
    const chains = this.#items.slice(at + 1, target.next).some(({ is }) => is === 'chain');
    const next = Math.max(target.next, at + 1);
    push({
      kind: 'skip',
      count: target.count ?? 1,
      first: target.ranks[0] === 1,
      ...(chains ? { chains } : {}),
      span: spanOf(this.#items, at, next),
    });
    return next;
  }

  /** Words of place before the stitch that goes there: "in every stitch 2 sc", "each st. double", "every 3rd st. double". */
  #leading(at: number, standing: Standing[], depth: number, push: (step: Step) => void): number {
    const target = this.#target(at);
    if (target.next <= at) throw FAILS;
    let i = this.#afterWords(target.next);
    // "into each st. 1 sc"
    if (this.#is(i, 'break') && this.#is(i + 1, 'number', 'tool') && !target.place) i += 1;
    const number = this.#at(i);
    const before =
      number?.is === 'number' && !number.ordinal && this.#is(this.#afterWords(i + 1), 'tool') ? number : null;
    if (before) i = this.#afterWords(i + 1);
    const members = target.each && target.count === null && target.ranks.length === 0 ? this.#members(i) : null;
    if (members && this.#chooser.choose('in each', ['the first', 'all that follow']) === 'all that follow') {
      push({
        kind: 'group',
        members: members.works,
        amount: FILL,
        place: EDGE,
        span: spanOf(this.#items, at, members.next),
      });
      return members.next;
    }
    if (this.#is(i, 'tool')) return this.#tool(i, before?.value ?? null, at, standing, push, target);
    if (this.#is(i, 'together') && target.ranks.length === 0 && target.count !== null) {
      push(work({ stitch: null, per: 1, over: target.count }, once, EDGE, spanOf(this.#items, at, i + 1)));
      return i + 1;
    }
    if (target.place) {
      // "six stitches in the ring"
      if (target.place.kind === 'ring' && target.count !== null)
        push(
          work(
            { stitch: null, per: 1, over: 1 },
            often(target.count),
            target.place,
            spanOf(this.#items, at, target.next),
          ),
        );
      if (target.place.kind === 'chain-from-hook')
        push({ kind: 'first-chain', k: target.place.k, span: spanOf(this.#items, at, target.next) });
      return target.next;
    }
    // "sc, inc, all round": what stands before it is done all around.
    if ((target.around || target.each) && target.count === null && standing.some(({ step }) => isFabric(step))) {
      this.#wrap(standing, { kind: 'fill', leave: 0 }, spanOf(this.#items, at, target.next));
      return target.next;
    }
    // "simply go round"
    if (target.around && !target.each && !standing.some(({ step }) => isFabric(step))) {
      push(work({ stitch: null, per: 1, over: 1 }, FILL, EDGE, spanOf(this.#items, at, target.next)));
      return target.next;
    }
    throw FAILS;
  }

  /** "(into each loop) 1 sl st, 6 ch, 1 sl st": several things that are all done in one stitch; null for a single one. */
  #members(tool: number): { works: Work[]; next: number } | null {
    const works: Work[] = [];
    let i = this.#is(tool - 1, 'number') ? tool - 1 : tool;
    for (;;) {
      const number = this.#at(i);
      const count = number?.is === 'number' && !number.ordinal ? number.value : 1;
      const at = number?.is === 'number' ? i + 1 : i;
      const item = this.#at(at);
      if (item?.is !== 'tool' && item?.is !== 'chain') break;
      const span = spanOf(this.#items, i, at + 1);
      const shape = item.is === 'tool' ? item : ({ stitch: 'chain', per: 1, over: 1 } as const);
      works.push(work(shape, often(count), EDGE, span));
      i = at + 1;
      if (!this.#is(i, 'break', 'and')) break;
      i += 1;
    }
    const end = this.#is(i - 1, 'break', 'and') ? i - 1 : i;
    return works.length > 1 ? { works, next: end } : null;
  }

  /** A stitch with how many, and where they go. */
  #tool(
    at: number,
    before: number | null,
    start: number | null,
    standing: Standing[],
    push: (step: Step) => void,
    leading?: Target,
  ): number {
    const tool = this.#at(at);
    if (tool?.is !== 'tool') throw FAILS;
    let i = at + 1;
    // "double it": two in each, and no taller stitch.
    const doubles =
      /^double$/i.test(this.#text.slice(tool.from, tool.to)) && this.#chooser.goesSoFar('double', 'two in each');
    let shape: Pick<Work, 'stitch' | 'per' | 'over'> = doubles ? { stitch: null, per: 2, over: 1 } : tool;
    // "2 sc together", "sc 2 together"
    const behind = this.#afterWords(i);
    const joined = this.#is(behind, 'together') ? before : null;
    if (joined !== null) {
      this.#passWords(i, behind);
      shape = { stitch: tool.stitch, per: 1, over: joined };
      push(work(shape, once, EDGE, spanOf(this.#items, start ?? at, behind + 1)));
      return behind + 1;
    }
    if (tool.stitch === 'slip' && before === null && standing.at(-1)?.step.kind === 'chain')
      return this.#closing(at, push);
    // "…, the inc sits in the middle": a clause that speaks of a stitch.
    const speaks =
      before === null &&
      leading === undefined &&
      this.#is(at + 1, 'word') &&
      standing.some(({ step }) => isFabric(step));
    if (speaks && this.#chooser.either(['works', 'speaks']) === 'speaks') {
      let end = at;
      while (this.#at(end) && !this.#is(end, 'break', 'open', 'close')) end += 1;
      for (let word = at; word < end; word += 1) if (this.#is(word, 'word')) this.#pass(word);
      return end;
    }
    let after: number | null = null;
    // "dc inc ×6": the sign may be of all that stands before it.
    const signed =
      before === null && leading === undefined && standing.some(({ step }) => isFabric(step)) ? this.#signed(i) : null;
    if (signed) {
      push(work(shape, once, EDGE, spanOf(this.#items, at, i)));
      this.#wrap(standing, often(signed.times), spanOf(this.#items, at, signed.next));
      return signed.next;
    }
    const named = this.#at(i);
    // "dc twice in the next", "dc once"
    if (
      before === null &&
      named?.is === 'times' &&
      named.times !== null &&
      (named.times === 1 || this.#is(i + 1, 'in', 'each', 'next'))
    ) {
      after = named.times;
      i += 1;
    }
    const sign = this.#at(i);
    const figure = sign?.is === 'times' && sign.times === null && sign.sign ? i + 1 : i;
    const number = this.#at(figure);
    if (before === null && after === null && number?.is === 'number' && !number.ordinal) {
      if (this.#is(figure + 1, 'together')) {
        push(
          work({ stitch: tool.stitch, per: 1, over: number.value }, once, EDGE, spanOf(this.#items, at, figure + 2)),
        );
        return figure + 2;
      }
      // "sc 2 inc": the figure is of the one or of the other.
      const between = figure === i && !number.glued && this.#is(figure + 1, 'tool');
      if (
        between &&
        this.#chooser.choose('a figure between', ['of what follows', 'of what is before']) === 'of what is before'
      ) {
        after = number.value;
        i = figure + 1;
      } else if (
        figure > i ||
        number.glued ||
        (!this.#timesAt(i) && !this.#is(figure + 1, 'tool', 'open', 'times', 'chain'))
      ) {
        after = number.value;
        i = figure + 1;
      }
    }
    const target = leading ?? this.#target(i);
    const next = leading ? i : Math.max(target.next, i);
    const span = spanOf(this.#items, start ?? at, next);
    const count = before ?? after;
    // "sc inc all": the last step, or all of them.
    const whole =
      (target.each || target.around) && target.count === null && target.ranks.length === 0 && !target.place && !leading;
    if (whole && !this.#is(next - 1, 'stitches') && standing.some(({ step }) => isFabric(step))) {
      if (this.#chooser.choose('all round', ['the last step', 'all steps']) === 'all steps') {
        push(work(shape, often(count ?? 1), EDGE, span));
        this.#wrap(standing, FILL, span);
        return next;
      }
    }
    const source = target.count === null ? null : this.#source(next);
    for (const step of this.#placed(shape, count, target, span))
      push(step.kind === 'work' && source ? { ...step, source: source.name } : step);
    return source?.next ?? next;
  }

  /** "ch 12, sl st to the first ch to close the ring": the words up to the end of the clause. */
  #closing(at: number, push: (step: Step) => void): number {
    let next = at + 1;
    while (this.#at(next) && !this.#is(next, 'break', 'close', 'open', 'tool')) next += 1;
    push({ kind: 'join', span: spanOf(this.#items, at, next) });
    return next;
  }

  /** "(over the 12 of) the first leg": the piece that stitches belong to. */
  #source(at: number): { name: string; next: number } | null {
    const first = this.#at(at);
    const ordinal = first?.is === 'number' && first.ordinal;
    const word = this.#at(ordinal ? at + 1 : at);
    if (
      word?.is !== 'word' ||
      !/(?<!\p{L})of\s+(?:the\s+)?$/iu.test(
        this.#text.slice(Math.max(0, (first ?? word).from - 10), (first ?? word).from),
      )
    )
      return null;
    return { name: this.#text.slice((first ?? word).from, word.to).toLowerCase(), next: ordinal ? at + 2 : at + 1 };
  }

  #placed(tool: Pick<Work, 'stitch' | 'per' | 'over'>, count: number | null, target: Target, span: Span): Step[] {
    const plain = tool.per === 1 && tool.over === 1;
    if (target.place) {
      const { place } = target;
      if (place.kind === 'ring' || place.kind === 'both-layers')
        return [work(tool, { kind: 'times', times: count ?? target.count ?? 1 }, place, span)];
      // "3 sc in the last ch": all of them in one.
      return [work({ ...tool, per: plain ? (count ?? 1) : tool.per }, once, place, span)];
    }
    const inOne = plain && count !== null && count > 1;
    const perEach = inOne ? { ...tool, per: count } : tool;
    const nth = target.ranks[0];
    if (target.each && nth !== undefined && nth > 1) return [everyNth(perEach, nth, target.ranks[1], span)];
    if (target.around && !target.each && target.count === null && inOne)
      return [
        work(
          tool,
          this.#chooser.choose('around', ['so many', 'so many in each']) === 'so many in each' ? FILL : often(count),
          EDGE,
          span,
        ),
      ];
    if (target.around || (target.each && target.count === null)) return [work(perEach, FILL, EDGE, span)];
    if (target.count !== null && (target.each || target.inside || target.next1)) {
      if (target.count === 1) return [work(perEach, once, EDGE, span)];
      const each =
        !inOne ||
        target.each ||
        this.#chooser.choose('in the next', ['so many in each', 'one in each']) === 'so many in each';
      return [work(each ? perEach : tool, often(target.count), EDGE, span)];
    }
    if (target.same) return [work(perEach, once, { kind: 'same' }, span)];
    if (target.next1 || target.last || nth !== undefined) return [work(perEach, once, EDGE, span)];
    return [{ ...work(tool, often(count ?? 1), EDGE, span), ...(count === null ? { bare: true as const } : {}) }];
  }

  /** The words about where a stitch goes, from an index on. */
  #target(at: number): Target {
    const ranks: number[] = [];
    let [each, around, next1, same, last, inside] = [false, false, false, false, false, false];
    let count: number | null = null;
    let place: Place | null = null;
    let i = at;
    for (; ; i += 1) {
      const item = this.#at(i);
      if (item === undefined) break;
      if (item.is === 'in') inside = true;
      else if (item.is === 'each') {
        // "all that 6 times"
        if (this.#timesAt(this.#afterWords(i + 1))) break;
        each = true;
      } else if (item.is === 'around') around = true;
      else if (item.is === 'next') next1 = true;
      else if (item.is === 'same') same = true;
      else if (item.is === 'last') last = true;
      else if (item.is === 'ring' && inside) place = { kind: 'ring' };
      else if (item.is === 'other-side' && inside) continue;
      else if (item.is === 'layers') place = { kind: 'both-layers' };
      else if (item.is === 'from-hook' && ranks[0] !== undefined) place = { kind: 'chain-from-hook', k: ranks[0] };
      else if (item.is === 'chain' && (inside || each || last)) {
        if (ranks[0] !== undefined) place = { kind: 'chain-from-hook', k: ranks[0] };
        else if (last) place = { kind: 'last-chain' };
      } else if (item.is === 'number') {
        const ordinal = item.ordinal;
        if (ordinal) {
          if (count !== null || (!inside && !each && !this.#is(i + 1, 'stitches', 'each'))) break;
          ranks.push(item.value);
        } else {
          const named = this.#is(i + 1, 'stitches');
          const placed = inside || each || next1 || named;
          if (count !== null || !placed || this.#timesAt(i) || this.#is(i + 1, 'tool', 'open')) break;
          count = item.value;
        }
      } else if (item.is === 'and' && each && ranks.length === 1 && this.#rankAt(i + 1)) continue;
      else if (item.is === 'and' && each && this.#is(i + 1, 'each')) continue;
      else if (item.is === 'stitches') continue;
      else if (item.is === 'tool' && item.per === 1 && item.over === 1 && (each || next1) && count !== null) continue;
      else break;
    }
    // A word such as "in" belongs to what comes after it, where nothing of a place has been said.
    const said = each || around || next1 || same || last || count !== null || ranks.length > 0 || place !== null;
    return { next: said ? i : at, each, around, next1, same, last, inside, count, ranks, place };
  }

  #rankAt(i: number): boolean {
    const item = this.#at(i);
    return item?.is === 'number' && item.ordinal;
  }

  /** What stands before is done so often: all of it, its last sentence, its last clause or its last step. */
  #wrap(standing: Standing[], amount: Amount, behind: Span): void {
    const last = standing.at(-1);
    if (!last) throw FAILS;
    if (last.step.kind === 'repeat' && last.step.amount === null) {
      standing[standing.length - 1] = { ...last, step: { ...last.step, amount } };
      return;
    }
    const first = standing.findIndex(({ step }) => isFabric(step));
    if (first < 0) throw FAILS;
    const begins = new Map<number, string>();
    const ways: [number, string][] = [
      [0, 'all before'],
      [last.sentence, 'the sentence before'],
      [last.clause, 'the clause before'],
      [standing.length - 1, 'the step before'],
    ];
    // Where two of them begin alike it can't be told which of them is the habit.
    for (const [from, way] of ways) {
      const start = Math.max(first, from);
      if (start < standing.length) begins.set(start, begins.has(start) ? `${begins.get(start) ?? ''}|${way}` : way);
    }
    const [one = 'all before', ...others] = begins.values();
    const way = this.#chooser.choose('repeats', [one, ...others]);
    const start = [...begins].find(([, name]) => name === way)?.[0] ?? first;
    const taken = standing.splice(start);
    const body = taken.map(({ step }) => step);
    const from = body[0]?.span.from ?? behind.from;
    const { clause, sentence } = taken[0] ?? last;
    standing.push({ step: repeated(body, amount, { from, to: behind.to }), clause, sentence });
  }
}

const EDGE: Place = { kind: 'edge' };
const FILL: Amount = { kind: 'fill', leave: 0 };
const often = (count: number): Amount => ({ kind: 'times', times: count });

function work(
  { stitch, per, over }: Pick<Work, 'stitch' | 'per' | 'over'>,
  amount: Amount,
  place: Place,
  span: Span,
): Work {
  return { kind: 'work', stitch, per, over, amount, place, span };
}

function isOnce({ amount }: Work): boolean {
  return amount.kind === 'times' && amount.times === 1;
}

function withAmount({ bare: _bare, ...step }: Work, count: number): Work {
  return { ...step, amount: often(count) };
}

function numberIn(item: Item | undefined): number | null {
  return item?.is === 'number' && !item.ordinal ? item.value : null;
}

/** A single step that is done once needs no bracket. */
function repeated(body: readonly Step[], amount: Amount, span: Span): Step {
  const only = body.length === 1 ? body[0] : undefined;
  const single = only?.kind === 'work' && isOnce(only);
  return single ? { ...withAmount(only, 1), amount, span } : { kind: 'repeat', body, amount, span };
}

/** "every 3rd st double", "every 4th and 5th st together": so many plain ones between. */
function everyNth(
  tool: Pick<Work, 'stitch' | 'per' | 'over'>,
  nth: number,
  second: number | undefined,
  span: Span,
): Step {
  if (second !== undefined && (tool.over !== 2 || second !== nth + 1)) throw FAILS;
  const between = second === undefined ? nth - tool.over : nth - 1;
  const plain = work({ stitch: tool.stitch, per: 1, over: 1 }, often(between), EDGE, span);
  const body = between > 0 ? [plain, work(tool, once, EDGE, span)] : [work(tool, once, EDGE, span)];
  return { kind: 'repeat', body, amount: FILL, span };
}

/** "into one stitch", "in the next": one stitch takes it all. */
function isSingle({ each, around, count, next1, same, ranks, inside }: Target): boolean {
  return (
    !each &&
    !around &&
    (count === null || count === 1) &&
    (next1 || same || ranks.length > 0 || (inside && count === 1))
  );
}

function group(members: readonly Step[], span: Span): Step {
  const works = members.filter((step) => step.kind === 'work');
  if (works.length !== members.length) throw FAILS;
  return { kind: 'group', members: works, amount: once, place: EDGE, span };
}

function isFabric(step: Step): boolean {
  return step.kind === 'work' || step.kind === 'group' || step.kind === 'repeat' || step.kind === 'skip';
}

/** "tutti", "sc": a stitch that is all there is of the instruction is worked all around. */
function alone(steps: readonly Step[]): readonly Step[] {
  const fabric = steps.filter(isFabric);
  const only = fabric[0];
  if (fabric.length !== 1 || only?.kind !== 'work' || !only.bare) return steps;
  return steps.map((step) => (step === only ? { ...only, amount: FILL } : step));
}
