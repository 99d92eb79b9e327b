import { once, type Work } from '../../pattern/instruction.js';
import { spanOf } from './item.js';
import type { Line } from './line.js';
import type { Places } from './places.js';
import type { Target } from './row.js';
import type { Run } from './run.js';
import { EDGE, FAILS, FILL, numberIn, often, PLAIN, work, type Shape } from './shapes.js';

/** A stitch while it is being taken: what it is, and how many of it, as far as that is known. */
interface Stitch {
  readonly at: number;
  readonly start: number;
  readonly before: number | null;
  readonly shape: Shape;
}

/** Stitches with what stands around them: how many, where, and what they are joined to. */
export class Stitches {
  readonly #run: Run;
  readonly #places: Places;

  constructor(run: Run, places: Places) {
    this.#run = run;
    this.#places = places;
  }

  /** Words of place before the stitch that goes there: "in every stitch 2 sc", "each st. double", "every 3rd st. double". */
  leading(at: number, line: Line): number {
    const target = this.#places.onChain(this.#run.row.target(at), line);
    if (target.next <= at) throw FAILS;
    const i = this.#places.behindPlace(target);
    const behind = this.#run.row.afterWords(i + 1);
    const before = this.#run.row.is(behind, 'tool') ? numberIn(this.#run.row.at(i)) : null;
    const tool = before === null ? i : behind;
    const several = this.#places.severalInEach(at, tool, target, line);
    if (several !== null) return several;
    if (this.#run.row.is(tool, 'tool')) return this.tool(tool, before, at, line, target);
    if (this.#run.row.is(tool, 'together')) {
      const step = this.#places.asOne(target, spanOf(this.#run.items, at, tool + 1));
      if (step) line.push(step);
      if (step) return tool + 1;
      // "all together by twos"
      const by = this.#run.row.afterWords(this.#run.row.is(tool + 1, 'in') ? tool + 2 : tool + 1);
      if (this.#run.row.is(by, 'tool')) return this.tool(by, null, at, line, target);
    }
    const figure = this.#places.figureInPlace(at, i, target, line);
    if (figure !== null) return figure;
    const span = spanOf(this.#run.items, at, target.next);
    const shaped = this.#places.shapingByPlace(target, span, line);
    if (shaped === null) this.#places.placeAlone(target, span, line);
    return shaped ?? target.next;
  }

  /** A stitch with how many, and where they go. */
  tool(at: number, before: number | null, start: number | null, line: Line, leading?: Target): number {
    const tool = this.#run.row.at(at);
    if (tool?.is !== 'tool') throw FAILS;
    // "double it": two in each, and no taller stitch.
    const doubles =
      /^double$/i.test(this.#run.text.slice(tool.from, tool.to)) &&
      this.#run.chooser.goesSoFar('double', 'two in each');
    const joined = before === null ? this.#joinedBySign(at, line, leading) : null;
    if (joined !== null) return joined;
    const one: Stitch = { at, start: start ?? at, before, shape: doubles ? { ...PLAIN, per: 2 } : tool };
    return before === null
      ? this.#uncounted(one, tool.stitch, line, leading)
      : (this.#joined(one, tool.stitch, line) ?? this.place(one, before, at + 1, line, leading));
  }

  /** "sc-sc in every one", "sc+sc tog": stitches that a sign ties to each other go into one, or are worked as one. */
  #joinedBySign(at: number, line: Line, leading?: Target): number | null {
    let end = at + 1;
    while (this.#tied(end)) end += this.#run.row.is(end, 'and') ? 2 : 1;
    const tools = this.#run.items.slice(at, end).filter(({ is }) => is === 'tool');
    const [shape] = tools;
    const alike = tools.every(
      (one) => one.is === 'tool' && shape?.is === 'tool' && one.stitch === shape.stitch && one.per + one.over === 2,
    );
    if (tools.length < 2 || !alike || shape?.is !== 'tool') return null;
    if (this.#run.row.is(end, 'together')) {
      const span = spanOf(this.#run.items, at, end + 1);
      line.push({ ...work({ ...shape, over: tools.length }, once, EDGE, span) });
      return end + 1;
    }
    if (!this.#run.chooser.goesSoFar('stitches tied by a sign', 'all in one')) return null;
    return this.place({ at, start: at, before: 1, shape: { ...shape, per: tools.length } }, 1, end, line, leading);
  }

  /** Whether a stitch, or a sign before one, is written to what stands before it. */
  #tied(i: number): boolean {
    const [before, item] = [this.#run.row.at(i - 1), this.#run.row.at(i)];
    if (!before || !item) return false;
    const tool = this.#run.row.at(item.is === 'and' ? i + 1 : i);
    return tool?.is === 'tool' && /^[-+&~]$/.test(this.#run.text.slice(before.to, tool.from));
  }

  /** A stitch without a figure before it. */
  #uncounted(one: Stitch, stitch: Work['stitch'], line: Line, leading?: Target): number {
    const { at } = one;
    if (stitch === 'slip' && this.#closesChain(at, line)) return this.#closing(at, line);
    const other = leading ? null : (this.#spokenOf(at, line) ?? this.#signed(one, line));
    if (other !== null) return other;
    const { after, next } = this.#after(at + 1);
    // "sc 2 together"
    if (after === null || !this.#run.row.is(next, 'together')) return this.place(one, after, next, line, leading);
    line.push(work({ stitch, per: 1, over: after }, once, EDGE, spanOf(this.#run.items, at, next + 1)));
    return next + 1;
  }

  /** "2 sc together": as one. */
  #joined({ at, start, before }: Stitch, stitch: Work['stitch'], line: Line): number | null {
    const behind = this.#run.row.afterWords(at + 1);
    if (before === null || !this.#run.row.is(behind, 'together')) return null;
    this.#run.passWords(at + 1, behind);
    line.push(work({ stitch, per: 1, over: before }, once, EDGE, spanOf(this.#run.items, start, behind + 1)));
    return behind + 1;
  }

  /** "…, the inc sits in the middle": a clause that speaks of a stitch, where it is taken so. */
  #spokenOf(at: number, line: Line): number | null {
    if (!this.#run.row.is(at + 1, 'word') || !line.works) return null;
    if (this.#run.chooser.either(['works', 'speaks']) === 'works') return null;
    let end = at;
    while (this.#run.row.at(end) && !this.#run.row.is(end, 'break', 'open', 'close')) end += 1;
    this.#run.passWords(at, end);
    return end;
  }

  /** "dc inc ×6": the sign may be of all that stands before it. */
  #signed({ at, shape }: Stitch, line: Line): number | null {
    const signed = line.works ? this.#run.row.signed(at + 1) : null;
    if (!signed) return null;
    line.push(work(shape, once, EDGE, spanOf(this.#run.items, at, at + 1)));
    line.wrap(often(signed.times), spanOf(this.#run.items, at, signed.next));
    return signed.next;
  }

  /** How many of a stitch the words behind it say: "sc 6", "sc ×6", "dc twice in the next". */
  #after(i: number): { after: number | null; next: number } {
    const named = this.#run.row.at(i);
    if (named?.is !== 'times') return this.#figureAfter(i, i);
    if (named.times === null) return this.#figureAfter(i, named.sign ? i + 1 : i);
    const twice = named.times === 1 || this.#run.row.is(i + 1, 'in', 'each', 'next');
    return twice ? { after: named.times, next: i + 1 } : { after: null, next: i };
  }

  #figureAfter(i: number, figure: number): { after: number | null; next: number } {
    const number = this.#run.row.at(figure);
    if (number?.is !== 'number' || number.ordinal) return { after: null, next: i };
    const takes = this.#run.row.is(figure + 1, 'together') || figure > i || number.glued || this.#isOf(i);
    return takes ? { after: number.value, next: figure + 1 } : { after: null, next: i };
  }

  /** Whether a figure is of the stitch before it: "sc 2 inc" leaves that open. */
  #isOf(figure: number): boolean {
    if (this.#run.row.is(figure + 1, 'tool'))
      return (
        this.#run.chooser.choose('a figure between', ['of what follows', 'of what is before']) === 'of what is before'
      );
    return !this.#run.row.timesAt(figure) && !this.#run.row.is(figure + 1, 'open', 'times', 'chain');
  }

  /** Puts so many of a stitch where the words say. */
  place({ start, shape }: Stitch, count: number | null, i: number, line: Line, leading?: Target): number {
    const target = leading ?? this.#places.targetOf(i, line);
    const next = leading ? i : Math.max(target.next, i);
    const whole = isWhole(target) ? this.#allAround({ start, shape }, count, next, line, leading === undefined) : null;
    if (whole !== null) return whole;
    const source = target.count === null ? null : this.#run.row.source(next);
    if (this.#tellsBoth(target, line)) line.takeFrom(line.length - 1);
    for (const step of this.#run.placing.placed(shape, count, target, spanOf(this.#run.items, start, next)))
      line.push(step.kind === 'work' && source ? { ...step, source: source.name } : step);
    return source?.next ?? next;
  }

  /** "sc inc all", "sc all together in pairs": what all around is said of; null where it is said of the stitch alone. */
  #allAround(
    { start, shape }: Pick<Stitch, 'start' | 'shape'>,
    count: number | null,
    next: number,
    line: Line,
    behind: boolean,
  ): number | null {
    const span = spanOf(this.#run.items, start, next);
    if (behind && this.#goesForAll(next, line)) {
      line.push(work(shape, often(count ?? 1), EDGE, span));
      line.wrap(FILL, span);
      return next;
    }
    const together = count === null ? this.#byTogether(next) : null;
    if (!together) return null;
    line.push(work({ ...shape, over: together.over }, FILL, EDGE, spanOf(this.#run.items, start, together.next)));
    return together.next;
  }

  /** "(sc all sts) together in pairs": so many of them as one. */
  #byTogether(at: number): { over: number; next: number } | null {
    const by = this.#run.row.is(at + 1, 'in') ? at + 2 : at + 1;
    const item = this.#run.row.is(at, 'together') ? this.#run.row.at(by) : undefined;
    return item?.is === 'tool' && item.per < item.over ? { over: item.over, next: by + 1 } : null;
  }

  /** "sc inc all": all of what has been told, and not the last step alone. */
  #goesForAll(next: number, line: Line): boolean {
    if (this.#run.row.is(next - 1, 'stitches') || !line.works) return false;
    return this.#run.chooser.choose('all round', ['all steps', 'the last step']) === 'all steps';
  }

  /** "1 sc and then 2 sc in every second": the plain ones before are those between, where it is taken so. */
  #tellsBoth({ each, ranks: [nth, second] }: Target, line: Line): boolean {
    const { last } = line;
    if (!each || nth === undefined || second !== undefined || last?.kind !== 'work') return false;
    const between = last.per === last.over && last.amount.kind === 'times' && last.amount.times === nth - 1;
    return between && this.#run.chooser.goesSoFar('plain ones before every so many', 'those between');
  }

  /** Whether a slip stitch behind a chain makes a ring of it, and does not go back along it: "ch 9, sl st from the 2nd". */
  #closesChain(at: number, line: Line): boolean {
    if (line.last?.kind !== 'chain') return false;
    const words = this.#run.row.afterWords(at + 1);
    const { place, each } = this.#places.onChain(this.#run.row.target(words), line);
    return place?.kind !== 'chain-from-hook' && !each;
  }

  /** "ch 12, sl st to the first ch to close the ring": the words up to the end of the clause. */
  #closing(at: number, line: Line): number {
    let next = at + 1;
    while (this.#run.row.at(next) && !this.#run.row.is(next, 'break', 'close', 'open', 'tool')) next += 1;
    line.push({ kind: 'join', span: spanOf(this.#run.items, at, next) });
    return next;
  }
}

/** "all", "around", and nothing else about a place. */
function isWhole({ each, around, count, ranks, after, place }: Target): boolean {
  return (each || around) && count === null && ranks.length === 0 && after === null && place === null;
}
