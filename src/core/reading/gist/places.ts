import { once, type Step, type Work } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import { spanOf } from './item.js';
import type { Line } from './line.js';
import type { Target } from './row.js';
import type { Run } from './run.js';
import { EDGE, everyNth, FAILS, FILL, numberIn, often, PLAIN, work, type Shape } from './shapes.js';

const CHAIN: Shape = { stitch: 'chain', per: 1, over: 1 };

/** Words about where, before or behind what is done there. */
export class Places {
  readonly #run: Run;

  constructor(run: Run) {
    this.#run = run;
  }

  /** The words of place behind a stitch. */
  targetOf(at: number, line: Line): Target {
    return this.#alongChain(at, line) ?? this.onChain(this.#run.row.target(at), line);
  }

  /** "ch 7, from 2nd: 5 sc": right behind a chain, one of its stitches. */
  onChain(target: Target, line: Line): Target {
    const [rank] = target.ranks;
    const bare = target.place === null && target.ranks.length === 1 && target.inside && !target.each;
    if (rank === undefined || rank < 2 || !bare || line.last?.kind !== 'chain') return target;
    return { ...target, ranks: [], place: { kind: 'chain-from-hook', k: rank } };
  }

  /** "ch 9, sl st back from the 2nd": words may stand before the stitch of the chain; null where none does. */
  #alongChain(at: number, line: Line): Target | null {
    const words = this.#run.row.afterWords(at);
    const target = words > at ? this.onChain(this.#run.row.target(words), line) : null;
    if (target?.place?.kind !== 'chain-from-hook') return null;
    this.#run.passWords(at, words);
    return target;
  }

  /** The index behind words of place, where the stitch that goes there stands. */
  behindPlace({ next, place }: Target): number {
    const i = this.#run.row.afterWords(this.#run.row.is(next, 'gets') ? next + 1 : next);
    // "into each st. 1 sc"
    return this.#run.row.is(i, 'break') && this.#run.row.is(i + 1, 'number', 'tool', 'together') && !place ? i + 1 : i;
  }

  /** "the next two together", "every 3rd and 4th together"; null where they say neither how many nor which. */
  asOne({ ranks: [first, second], each, count, after }: Target, span: Span): Step | null {
    if (after !== null) return everyNth({ ...PLAIN, over: 2 }, after + 2, undefined, span);
    if (first === undefined) return count === null ? null : work({ ...PLAIN, over: count }, once, EDGE, span);
    return each && second !== undefined ? everyNth({ ...PLAIN, over: 2 }, first, second, span) : null;
  }

  /** "into the first three, one each; into the next, two": so many of what the round is worked in. */
  figureInPlace(at: number, i: number, target: Target, line: Line): number | null {
    const value = numberIn(this.#run.row.at(i));
    const each = this.#run.row.is(i + 1, 'each');
    const next = each ? i + 2 : i + 1;
    if (
      value === null ||
      target.place !== null ||
      !this.#run.nameless ||
      !this.#run.ends(next, 'break', 'and', 'close')
    )
      return null;
    const span = spanOf(this.#run.items, at, next);
    for (const step of this.#run.placing.placed(PLAIN, value, { ...target, each: target.each || each }, span))
      line.push(step);
    return next;
  }

  /**
   * "every other: 18", "every third twice", "every 4th and 5th": a shaping that only its place tells; the index behind it,
   * null where none does.
   */
  shapingByPlace(target: Target, span: Span, line: Line): number | null {
    const { each, ranks, count, place, next } = target;
    const [nth = 0, second] = ranks;
    const begins = line.length === 0 && this.#run.passed.length === 0;
    if (!begins || !each || nth < 2 || count !== null || place !== null) return null;
    return this.#everyNth(nth, second, next, span, line);
  }

  #everyNth(nth: number, second: number | undefined, next: number, span: Span, line: Line): number | null {
    const times = this.#run.row.timesAt(next);
    const twice = times?.times === 2 && second === undefined;
    if (!this.#run.ends(twice ? times.next : next, 'break', 'number', 'total', 'open', 'close')) return null;
    const grows = twice || (second === undefined && this.#run.chooser.either(['grows', 'narrows']) === 'grows');
    line.push(everyNth(grows ? { ...PLAIN, per: 2 } : { ...PLAIN, over: 2 }, nth, second, span));
    return twice ? times.next : next;
  }

  /** A place that no stitch stands behind: a ring, a first chain, or all that stands before it to the end. */
  placeAlone(target: Target, span: Span, line: Line): void {
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
  severalInEach(at: number, tool: number, target: Target, line: Line): number | null {
    if (!target.each || target.count !== null || target.ranks.length > 0) return null;
    const members = this.#members(tool);
    if (!members || this.#run.chooser.choose('in each', ['the first', 'all that follow']) === 'the first') return null;
    const span = spanOf(this.#run.items, at, members.next);
    line.push({ kind: 'group', members: members.works, amount: FILL, place: EDGE, span });
    return members.next;
  }

  #members(tool: number): { works: Work[]; next: number } | null {
    const works: Work[] = [];
    let i = this.#run.row.is(tool - 1, 'number') ? tool - 1 : tool;
    for (;;) {
      const at = this.#run.row.is(i, 'number') ? i + 1 : i;
      const item = this.#run.row.at(at);
      if (item?.is !== 'tool' && item?.is !== 'chain') break;
      const shape = item.is === 'tool' ? item : CHAIN;
      works.push(work(shape, often(numberIn(this.#run.row.at(i)) ?? 1), EDGE, spanOf(this.#run.items, i, at + 1)));
      i = at + 1;
      if (!this.#run.row.is(i, 'break', 'and')) break;
      i += 1;
    }
    const end = this.#run.row.is(i - 1, 'break', 'and') ? i - 1 : i;
    return works.length > 1 ? { works, next: end } : null;
  }
}
