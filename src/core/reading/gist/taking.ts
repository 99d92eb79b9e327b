import { once, type Amount, type Step } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import type { Chooser } from './choices.js';
import { Figures } from './figures.js';
import { spanOf, type Item } from './item.js';
import { Line } from './line.js';
import { Places } from './places.js';
import { isSingle, type Row } from './row.js';
import { Run, type Told } from './run.js';
import {
  alone,
  EDGE,
  FAILS,
  FILL,
  group,
  isFabric,
  isOnce,
  numberIn,
  often,
  PLAIN,
  repeated,
  soOften,
  work,
} from './shapes.js';
import { Stitches } from './stitches.js';

/** What one run through the items has come to. */
export interface Taken {
  readonly steps: readonly Step[];
  readonly stated: Told | null;
  /** "four rounds of that" */
  readonly rounds: Told | null;
  readonly passed: readonly Span[];
  readonly talk: number;
}

const DEEPEST = 8;
/** What words before a colon may be that say nothing of what is done. */
const LEADS: ReadonlySet<Item['is']> = new Set(['word', 'last', 'next', 'in', 'number', 'more', 'rounds']);
/** What a bracket holds that only says where one is. */
const SPEAKS: ReadonlySet<Item['is']> = new Set(['word', 'rounds', 'number', 'and', 'in', 'break']);

/** One run through the items, with one way chosen wherever several are open. */
export class Taking {
  readonly #run: Run;
  readonly #stitches: Stitches;
  readonly #figures: Figures;
  /** A clause without a figure may say how often. */
  #idle = false;
  #talk = 0;

  constructor(text: string, items: readonly Item[], row: Row, chooser: Chooser) {
    this.#run = new Run(text, items, row, chooser);
    this.#stitches = new Stitches(this.#run, new Places(this.#run));
    this.#figures = new Figures(this.#run, this.#stitches, (at, before, line) => this.#bracket(at, before, line));
  }

  /** What the items come to; null where they can't be taken so. */
  all(): Taken | null {
    try {
      const steps = this.#sequence(0, this.#run.items.length, 0);
      // "seven rounds of (30)": so many plain ones.
      if (!steps.some(isFabric) && this.#run.rounds) steps.push(work(PLAIN, FILL, EDGE, this.#run.rounds.span));
      const only = steps.length === 0 && this.#run.passed.length === 0 ? this.#run.stated : null;
      // "= 18"
      if (only && this.#run.chooser.goesSoFar('nothing but a count', 'a plain round'))
        steps.push(work(PLAIN, FILL, EDGE, only.span));
      // How many go into a ring may be for the count to say.
      if (!steps.some((step) => isFabric(step) || step.kind === 'ring')) return null;
      return {
        steps: this.#toTheEnd(alone(steps)),
        stated: this.#run.stated,
        rounds: this.#run.rounds,
        passed: this.#run.passed,
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
    const fabric = steps.slice(first, steps.findLastIndex(isFabric) + 1);
    const body = heldTogether(fabric);
    const plain = body.every(
      (step) => step.kind === 'work' && step.amount.kind === 'times' && step.place.kind === 'edge',
    );
    const shapes = body.some((step) => step.kind === 'work' && step.per !== step.over);
    const several = body.length > 1 || (body[0]?.kind === 'work' && isOnce(body[0]));
    if (!plain || !shapes || !several || this.#idle) return steps;
    if (!this.#run.chooser.goesSoFar('no word of how often', 'to the end')) return steps;
    const span = { from: body[0]?.span.from ?? 0, to: body.at(-1)?.span.to ?? 0 };
    return [...steps.slice(0, first), repeated(body, FILL, span), ...steps.slice(first + fabric.length)];
  }

  #sequence(from: number, to: number, depth: number): Step[] {
    const line = new Line(this.#run.chooser, depth, to);
    let i = depth === 0 ? this.#afterLead(from, to) : from;
    let said: { readonly amount: Amount; readonly from: number } | null = null;
    while (i < to) {
      const idle = this.#idleAt(i, line);
      const inOne = idle === null ? this.#figures.inOneBySign(i, line) : null;
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
    if (said) line.push(soOften(line.takeFrom(said.from), said.amount, spanOf(this.#run.items, from, to)));
    return line.steps;
  }

  /** "6 times: dc, 2 dc in one": said before what is done. */
  #timesFirst(at: number, to: number): { times: number; next: number } | null {
    const first = this.#run.row.timesAt(at) ?? this.#timesOfAll(at, to);
    return first && !this.#run.row.placedOnly(first.next) ? first : null;
  }

  /** "6x 1 sc + inc": where several things follow, the sign may be of them all. */
  #timesOfAll(at: number, to: number): { times: number; next: number } | null {
    const [times, sign] = [numberIn(this.#run.row.at(at)), this.#run.row.at(at + 1)];
    const signed = sign?.is === 'times' && sign.sign && sign.times === null;
    if (times === null || !signed || !this.#run.row.is(at + 2, 'number', 'tool')) return null;
    if (this.#run.items.slice(at + 2, to).filter(({ is }) => is === 'tool').length < 2) return null;
    return this.#run.chooser.goesSoFar('so many times', 'all that follows') ? { times, next: at + 2 } : null;
  }

  /** Passes a clause that holds neither a figure nor a stitch, which may say to go on so; null where none begins here. */
  #idleAt(at: number, line: Line): number | null {
    const end = line.beginsClause && line.works ? this.#run.row.idleTo(at, line.end) : at;
    if (end === at) return null;
    this.#idle = true;
    if (this.#run.chooser.choose('words without a figure', ['nothing', 'repeat']) === 'repeat')
      line.wrap(FILL, spanOf(this.#run.items, at, end));
    else this.#talk += this.#run.passWords(at, end);
    return end;
  }

  /** Takes what begins at an item; the index behind it. */
  #next(at: number, line: Line): number {
    const item = this.#run.row.at(at);
    switch (item?.is) {
      case 'open':
        return this.#bracket(at, null, line);
      case 'chain':
        return this.#figures.chain(at, null, line);
      case 'skip':
        return this.#skip(at, line);
      case 'tool':
        return this.#stitches.tool(at, null, null, line);
      case 'number':
        return this.#figures.number(at, line);
      case 'total':
        return this.#figures.total(at);
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
        return this.#run.row.timesAt(this.#run.row.afterWords(at + 1)) ? at + 1 : this.#stitches.leading(at, line);
      case 'in':
        return this.#in(at, line);
      case 'around':
      case 'next':
      case 'last':
      case 'behind':
        return this.#stitches.leading(at, line);
      case 'rounds':
        return this.#plainRounds(at, line);
      default:
        this.#small(item, at, line);
        return at + 1;
    }
  }

  /** What is taken by itself: the end of a clause, a mark of where to work, words without a meaning. */
  #small(item: Item, at: number, line: Line): void {
    const span = spanOf(this.#run.items, at, at + 1);
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
        this.#run.pass(at);
        break;
      default:
        this.#wholeRound(item, span, line);
    }
  }

  /** What is said of a round as a whole: "add 8", "plain", "straight on". */
  #wholeRound(item: Item, span: Span, line: Line): void {
    if (item.is === 'change') this.#change(item.by, span, line);
    if (item.is === 'plain' && line.works) return;
    if (item.is === 'plain' && item.rounds !== undefined) {
      // "24 plain" is so many stitches, too.
      const stitches = item.orStitches === true && this.#run.chooser.either(['rounds', 'stitches']) === 'stitches';
      if (stitches) line.push(work(PLAIN, often(item.rounds), EDGE, span));
      else this.#run.rounds = { value: item.rounds, span };
      if (stitches) return;
    }
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
      if (this.#run.row.placedOnly(at + 1)) return this.#figures.unnamed(at, item.times, line);
      line.wrap(often(item.times), item);
      return at + 1;
    }
    // "2 sc, dec, repeat 18": eighteen times, or to the end, where there are eighteen then.
    const ends = line.depth === 0 && (at + 2 === line.end || this.#run.row.is(at + 2, 'open'));
    const figure = item.is === 'repeat' && ends ? this.#run.row.at(at + 1) : undefined;
    if (
      figure?.is === 'number' &&
      this.#run.chooser.choose('a figure behind a repeat', ['times', 'the count']) === 'the count'
    ) {
      line.wrap(FILL, item);
      return this.#run.states(figure.value, at + 1, at + 2);
    }
    const found = item.is === 'repeat' ? this.#run.row.often(at) : this.#run.row.timesAt(at);
    if (!found) {
      if (item.is === 'repeat') throw FAILS;
      return at + 1;
    }
    line.wrap('amount' in found ? found.amount : often(found.times), spanOf(this.#run.items, at, found.next));
    return found.next;
  }

  /** "in the back loops", "into the back link": where, and not how many. */
  #in(at: number, line: Line): number {
    const behind = this.#run.row.afterWords(at + 1);
    if (this.#run.row.is(behind, 'stitches') && this.#run.row.is(behind + 1, 'break')) return behind + 1;
    const ends = behind >= line.end || this.#run.row.is(behind, 'break', 'and');
    // "and on like that to the marker"
    if (!this.#run.row.is(behind, 'loops', 'around') && !ends) return this.#stitches.leading(at, line);
    this.#run.passWords(at + 1, behind);
    return behind;
  }

  /** "simply go round", "go round four times": where nothing else is done, a plain round or so many of them. */
  #plainRounds(at: number, line: Line): number {
    const times = this.#run.row.timesAt(at + 1);
    const next = times?.next ?? at + 1;
    // "go round 6 more times" is six rounds, and the one before is told already.
    const more = this.#run.items.slice(at + 1, next).some(({ is }) => is === 'more') ? 1 : 0;
    const rounds = times && Math.max(1, times.times - more);
    if (rounds && !line.works) {
      this.#run.rounds = { value: rounds, span: spanOf(this.#run.items, at, next) };
      const on = this.#figures.roundsOn(next, line);
      if (on > next) return on;
    }
    if (line.works || !(times || this.#run.ends(next, 'break'))) {
      this.#run.pass(at);
      return at + 1;
    }
    const span = spanOf(this.#run.items, at, next);
    if (rounds) this.#run.rounds = { value: rounds, span };
    line.push(work(PLAIN, FILL, EDGE, span));
    return next;
  }

  /** "the last one that grows: a dc in each", "next round one sc …": words that nothing is done in. */
  #afterLead(from: number, to: number): number {
    const lead = this.#run.row.is(from, 'in') ? from + 1 : from;
    if (this.#run.row.is(lead, 'next') && this.#run.row.is(lead + 1, 'rounds')) return lead + 2;
    // "and the one after [2 sc, inc] …"
    const one = this.#run.row.is(from, 'and') ? from + 1 : from;
    if (from === 0 && this.#run.row.is(one, 'next') && this.#run.row.is(one + 1, 'open')) return one + 1;
    let i = from;
    while (i < to && this.#leads(i)) i += 1;
    const item = this.#run.row.at(i);
    const colon = i < to && item?.is === 'break' && this.#run.text.charAt(item.from) === ':';
    if (!colon || !this.#run.items.slice(i, to).some(({ is }) => is === 'tool')) return from;
    this.#talk += this.#run.passWords(from, i);
    return i + 1;
  }

  #leads(i: number): boolean {
    const item = this.#run.row.at(i);
    if (item === undefined) return false;
    // "we decrease over the tummy: (2 sc, 1 dec) six times"
    const shapes =
      item.is === 'tool' && item.per + item.over > 2 && item.stitch === null && this.#run.row.is(i + 1, 'break', 'in');
    return shapes || LEADS.has(item.is);
  }

  /** A bracket, with how often it is done: before it, or behind it. */
  #bracket(at: number, before: number | null, line: Line): number {
    const open = this.#run.row.at(at);
    const close = open?.is === 'open' ? open.close : -1;
    if (close < 0 || line.depth > DEEPEST) throw FAILS;
    const figure = before === null ? this.#run.row.figureAlone(at + 1, close) : null;
    if (figure !== null) return this.#run.states(figure, at, close + 1);
    // "(so we're at round 9)"
    const inside = this.#run.items.slice(at + 1, close);
    if (inside.some(({ is }) => is === 'rounds') && inside.every(({ is }) => SPEAKS.has(is))) {
      this.#run.passWords(at + 1, close);
      return close + 1;
    }
    const body = this.#sequence(at + 1, close, line.depth + 1);
    if (!body.some(isFabric)) {
      for (const step of body) line.push(step);
      return close + 1;
    }
    if (before === null) return this.#bracketed(at, close, body, line);
    line.push({ kind: 'repeat', body, amount: often(before), span: spanOf(this.#run.items, at, close + 1) });
    return close + 1;
  }

  /** "(sc, inc) 6 times", "(hdc, dc) in the next st": what stands behind a bracket. */
  #bracketed(at: number, close: number, body: readonly Step[], line: Line): number {
    const behind = this.#run.row.often(this.#run.row.afterWords(close + 1));
    const next = behind?.next ?? close + 1;
    const fabric = body.filter(isFabric);
    const one = behind ? null : this.#run.row.target(close + 1);
    if (one && isSingle(one) && fabric.length > 1) {
      line.push(group(fabric, spanOf(this.#run.items, at, close + 1)));
      return one.next;
    }
    // "*(sc, sc in the same st), sc*", "(every 2nd doubled)": a bracket in another, or round all, only holds together.
    const whole = line.depth > 0 || (at === 0 && next === this.#run.items.length);
    const holds = !behind && (whole || this.#run.bracketsOnce());
    if (holds) this.#hold(body, spanOf(this.#run.items, at, next), line);
    else line.push({ kind: 'repeat', body, amount: behind?.amount ?? null, span: spanOf(this.#run.items, at, next) });
    return next;
  }

  #hold(body: readonly Step[], span: Span, line: Line): void {
    const [only] = body;
    line.push(only && body.length === 1 ? only : { kind: 'repeat', body, amount: once, span });
  }

  #skip(at: number, line: Line): number {
    const target = this.#run.row.target(at + 1);
    const chains = this.#run.items.slice(at + 1, target.next).some(({ is }) => is === 'chain');
    const next = Math.max(target.next, at + 1);
    line.push({
      kind: 'skip',
      count: target.count ?? 1,
      first: target.ranks[0] === 1,
      ...(chains ? { chains } : {}),
      span: spanOf(this.#run.items, at, next),
    });
    return next;
  }
}

/** "(2, inc)": what a bracket holds that is all there is, and that nothing says the times of. */
function heldTogether(fabric: readonly Step[]): readonly Step[] {
  const only = fabric.length === 1 ? fabric[0] : undefined;
  return only?.kind === 'repeat' && only.amount === once ? only.body : fabric;
}
