import { once } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import { spanOf } from './item.js';
import type { Line } from './line.js';
import type { Run } from './run.js';
import { EDGE, FAILS, FILL, numberIn, often, PLAIN, work } from './shapes.js';
import type { Stitches } from './stitches.js';

/** So many go into one stitch at most, where a figure alone says how many. */
const MOST_IN_ONE = 3;
/** What may stand behind a shaping that a plain figure is told with, in a bracket and outside of any. */
const INNER_ENDS = ['close'] as const;
const OUTER_ENDS = ['open', 'total', 'around'] as const;
/** Takes a bracket, with the figure before it; the index behind it. */
type Bracket = (at: number, before: number | null, line: Line) => number;

/** Figures: how many of something, how often, how many rounds, or the count. */
export class Figures {
  readonly #run: Run;
  readonly #stitches: Stitches;
  readonly #bracket: Bracket;

  constructor(run: Run, stitches: Stitches, bracket: Bracket) {
    this.#run = run;
    this.#stitches = stitches;
    this.#bracket = bracket;
  }

  /** So many of the stitch that the round is of. */
  unnamed(at: number, count: number, line: Line): number {
    const found = this.#run.row.target(at + 1);
    // "1, 1, 2 / st": behind others it is the next one.
    const one = line.works && found.each && this.#run.chooser.goesSoFar('each behind others', 'the next one');
    const target = one ? { ...found, each: false, next1: true } : found;
    for (const step of this.#run.placing.placed(PLAIN, count, target, spanOf(this.#run.items, at, target.next)))
      line.push(step);
    return target.next;
  }

  number(at: number, line: Line): number {
    const item = this.#run.row.at(at);
    if (item?.is !== 'number') throw FAILS;
    const times = this.#run.row.timesAt(at);
    if (times) return this.#soOften(at, times, line);
    const found = item.ordinal ? null : (this.#told(item.value, at, line) ?? this.#amount(item.value, at, line));
    return found ?? this.#stitches.leading(at, line);
  }

  /** "2x all round", "1 + 2x": a sign with nothing before it to be done so often says how many go into one. */
  inOneBySign(at: number, line: Line): number | null {
    const value = numberIn(this.#run.row.at(at));
    if (value === null || value < 2 || !this.#run.row.signAt(at + 1) || !this.#run.nameless) return null;
    // "24x": where that is all, so many of the stitch that the sign is drawn for.
    if (value > MOST_IN_ONE && at === 0 && this.#run.ends(at + 2, 'open', 'total') && line.length === 0) {
      if (!this.#run.chooser.goesSoFar('a figure times nothing', 'so many stitches')) return null;
      line.push(work(PLAIN, often(value), EDGE, spanOf(this.#run.items, at, at + 2)));
      return at + 2;
    }
    if (value > MOST_IN_ONE) return null;
    const nothing = !line.works || this.#run.row.is(at - 1, 'and');
    if (!nothing || !this.#run.ends(at + 2, 'around', 'each', 'break', 'close')) return null;
    if (!this.#run.chooser.goesSoFar('a figure times nothing', 'so many in one')) return null;
    return this.#stitches.place({ at, start: at, before: 1, shape: { ...PLAIN, per: value } }, null, at + 2, line);
  }

  /** "6 times", "eight times round". */
  #soOften(at: number, { times, next }: { times: number; next: number }, line: Line): number {
    if (!this.#run.row.is(next, 'rounds')) {
      line.wrap(often(times), spanOf(this.#run.items, at, next));
      return next;
    }
    this.#run.rounds = { value: times, span: spanOf(this.#run.items, at, at + 1) };
    return this.roundsOn(next + 1, line);
  }

  /** "(three rounds) on 30", "(five rounds) of nine": what they are worked on is what they make. */
  roundsOn(at: number, line: Line): number {
    const i = this.#run.row.afterWords(this.#run.row.is(at, 'around', 'in') ? at + 1 : at);
    const figure = this.#run.row.is(i, 'in') ? i + 1 : i;
    const value = numberIn(this.#run.row.at(figure));
    if (line.works || value === null || !this.#run.ends(figure + 1, 'break', 'close', 'stitches')) return at;
    this.#run.passWords(at, figure);
    line.push(work(PLAIN, FILL, EDGE, spanOf(this.#run.items, at, figure + 1)));
    return this.#run.states(value, at, this.#run.row.is(figure + 1, 'stitches') ? figure + 2 : figure + 1);
  }

  /** A figure that tells its own: "one in one", "still 42 sts", "four rounds of that"; null for any other. */
  #told(value: number, at: number, line: Line): number | null {
    const gets = this.#gets(value, at, line);
    if (gets !== null) return gets;
    if (this.#run.row.placedOnly(at + 1)) return this.unnamed(at, value, line);
    const counts = this.#run.row.is(at + 1, 'stitches') && this.#run.ends(at + 2, 'break', 'close');
    if (counts && line.works && this.#run.stated === null) return this.#run.states(value, at, at + 2);
    const told = this.#countForRounds(value, at, line);
    if (told !== null) return told;
    // "7 lovely boring rounds"
    const unit = this.#run.row.afterWords(at + 1);
    if (!this.#run.row.is(unit, 'rounds')) return null;
    this.#run.rounds = { value, span: spanOf(this.#run.items, at, at + 1) };
    return this.roundsOn(unit + 1, line);
  }

  /** "two get one each": so many in each of so many. */
  #gets(value: number, at: number, line: Line): number | null {
    const i = this.#run.row.is(at + 1, 'stitches') ? at + 2 : at + 1;
    const per = this.#run.row.is(i, 'gets') ? numberIn(this.#run.row.at(i + 1)) : null;
    if (per === null) return null;
    const next = this.#run.row.is(i + 2, 'each') ? i + 3 : i + 2;
    line.push(work({ ...PLAIN, per }, often(value), EDGE, spanOf(this.#run.items, at, next)));
    return next;
  }

  /** "24 for two rounds" */
  #countForRounds(value: number, at: number, line: Line): number | null {
    const figure = this.#run.row.afterWords(at + 1);
    const rounds = numberIn(this.#run.row.at(figure));
    if (line.works || figure === at + 1 || rounds === null || !this.#run.row.is(figure + 1, 'rounds')) return null;
    const span = spanOf(this.#run.items, at, figure + 2);
    this.#run.passWords(at + 1, figure);
    this.#run.rounds = { value: rounds, span };
    line.push(work(PLAIN, FILL, EDGE, span));
    return this.#run.states(value, at, figure + 2);
  }

  /** A figure before what there are so many of, or alone; null where words of a place have to be looked at. */
  #amount(value: number, at: number, line: Line): number | null {
    const sign = this.#run.row.at(at + 1);
    let i = sign?.is === 'times' && sign.times === null ? at + 2 : at + 1;
    if (this.#run.row.is(i, 'more')) i += 1;
    i = this.#run.row.afterWords(i);
    return this.#amountOf(value, at, i, line) ?? this.#figure(value, at, i, line);
  }

  #amountOf(value: number, at: number, i: number, line: Line): number | null {
    const short = this.#plainAndShaping(at, i, line);
    if (short !== null) return short;
    if (this.#run.row.is(i, 'tool')) return this.#stitches.tool(i, value, at, line);
    if (this.#run.row.is(i, 'open') && this.#run.row.figureOf(i) === null) return this.#bracket(i, value, line);
    if (this.#run.row.is(i, 'chain')) return this.chain(i, value, line);
    const inLoops = this.#inLoops(value, at, i, line);
    if (inLoops !== null) return inLoops;
    // "7 in a loop", "6 mr"
    const ring = this.#run.row.is(i, 'in') ? i + 1 : i;
    if (this.#run.row.is(ring, 'ring') && !line.works) {
      line.push(work(PLAIN, often(value), { kind: 'ring' }, spanOf(this.#run.items, at, ring + 1)));
      return ring + 1;
    }
    // "two together", "2 sts together"
    const together = this.#run.row.is(i, 'stitches') ? i + 1 : i;
    if (!this.#run.row.is(together, 'together')) return null;
    const target = this.#run.row.target(together + 1);
    const end = target.after === null ? together + 1 : target.next;
    const shape = { ...PLAIN, over: value };
    if (target.after !== null)
      line.push(...this.#run.placing.placed(shape, null, target, spanOf(this.#run.items, at, end)));
    else line.push(work(shape, once, EDGE, spanOf(this.#run.items, at, end)));
    return end;
  }

  /** "30 blo", "24 in the back loops": so many, in these loops. */
  #inLoops(value: number, at: number, i: number, line: Line): number | null {
    const where = this.#run.row.is(i, 'in') ? i + 1 : i;
    const named = this.#run.row.at(where);
    if (named?.is !== 'loops' || !this.#run.ends(where + 1, 'break', 'close', 'open', 'total')) return null;
    const span = spanOf(this.#run.items, at, where + 1);
    line.push({ kind: 'loops', loops: named.loops, span });
    line.push(work(PLAIN, often(value), EDGE, span));
    return where + 1;
  }

  /** "a ring, and put six of them in it", "one, and two in the next", "sc + inc, 6", "so 24". */
  #figure(value: number, at: number, i: number, line: Line): number | null {
    const span = spanOf(this.#run.items, at, at + 1);
    if (this.#run.nameless && line.length > 0 && line.steps.every(({ kind }) => kind === 'ring')) {
      line.push(work(PLAIN, often(value), { kind: 'ring' }, span));
      this.#run.passWords(at + 1, i);
      return i;
    }
    if (!this.#run.ends(i, 'break', 'close', 'open', 'and')) return null;
    const ofNothing = i === at + 1 && this.#run.nameless && !this.#run.row.is(at - 1, 'rounds');
    if (ofNothing && this.#ofNothing(value, span, i, line)) return i;
    if (line.last === undefined) return null;
    // The count, or how often what stands before it is done.
    const counts = value > 1 && (this.#run.stated === null || this.#run.stated.value === value);
    if (counts && this.#run.chooser.either(['a step', 'the count']) === 'the count') this.#run.stated = { value, span };
    else line.countLast(value, span);
    return i;
  }

  /**
   * "one, and two in the next, all the way", "two ones and a two": a figure alone, where the whole instruction names no
   * stitch. It is so many of them, or several in one where it is one of its kind.
   * @returns whether it was taken so.
   */
  #ofNothing(value: number, span: Span, next: number, line: Line): boolean {
    if (this.#run.figuresInOne()) {
      line.push(work({ ...PLAIN, per: value }, once, EDGE, span));
      return true;
    }
    // The last figure of all is likelier the count.
    const ways = next < this.#run.items.length ? (['stitches', 'other'] as const) : (['other', 'stitches'] as const);
    if (line.length > 0 && value > 1 && this.#run.chooser.choose('a figure alone', ways) === 'other') return false;
    const inOne = /(?<!\p{L})an?\s+$/iu.test(this.#run.text.slice(Math.max(0, span.from - 4), span.from));
    line.push(work({ ...PLAIN, per: inOne ? value : 1 }, inOne ? once : often(value), EDGE, span));
    return true;
  }

  /** "2 inc 6", "2 inc ×6", "2 inc around", "(2 inc) six times": two plain ones and an increase, six times or to the end, where no plain stitch is named. */
  #plainAndShaping(at: number, tool: number, line: Line): number | null {
    const [count, shape] = [numberIn(this.#run.row.at(at)), this.#run.row.at(tool)];
    if (!this.#run.nameless || shape?.is !== 'tool' || shape.per === shape.over || count === null) return null;
    const figure = this.#run.row.signAt(tool + 1) ? tool + 2 : tool + 1;
    const times = numberIn(this.#run.row.at(figure));
    const next = times === null ? tool + 1 : figure + 1;
    const ends =
      times !== null
        ? this.#run.ends(next, 'break', 'close', 'open', 'total')
        : line.length === 0 && this.#run.ends(next, ...(line.depth > 0 ? INNER_ENDS : OUTER_ENDS));
    if (!ends) return null;
    if (this.#run.chooser.choose('a figure before a shaping', ['of it', 'plain stitches']) === 'of it') return null;
    line.push(work(PLAIN, often(count), EDGE, spanOf(this.#run.items, at, at + 1)));
    line.push(work(shape, once, EDGE, spanOf(this.#run.items, tool, tool + 1)));
    if (times !== null) line.wrap(often(times), spanOf(this.#run.items, tool + 1, next));
    if (!this.#run.row.is(next, 'around')) return next;
    line.wrap(FILL, spanOf(this.#run.items, next, next + 1));
    return next + 1;
  }

  /** "makes 18", "= 18": the count. */
  total(at: number): number {
    const i = this.#run.row.afterWords(at + 1);
    const value = numberIn(this.#run.row.at(i));
    return value === null ? at + 1 : this.#run.states(value, at, i + 1);
  }

  chain(at: number, before: number | null, line: Line): number {
    const after = before === null ? numberIn(this.#run.row.at(at + 1)) : null;
    const next = after === null ? at + 1 : at + 2;
    line.push({ kind: 'chain', count: before ?? after ?? 1, counts: null, span: spanOf(this.#run.items, at, next) });
    return next;
  }
}
