import { once, type Step } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import type { Chooser } from './choices.js';
import type { Target } from './row.js';
import { EDGE, everyNth, FILL, often, work, type Shape } from './shapes.js';

/** Where stitches go, by the words about their place; one for each run through an instruction. */
export class Placing {
  readonly #text: string;
  readonly #chooser: Chooser;
  /** Whether a figure that is written to its stitch is so many in one; null where none has come yet. */
  #inOneWord: boolean | null = null;

  constructor(text: string, chooser: Chooser) {
    this.#text = text;
    this.#chooser = chooser;
  }

  /** The steps that so many of a stitch come to where the words put them; `count` is null where no figure says how many. */
  placed(tool: Shape, count: number | null, target: Target, span: Span): Step[] {
    const inOne = tool.per === 1 && tool.over === 1 && count !== null && count > 1;
    const perEach = inOne ? { ...tool, per: count } : tool;
    const { place, ranks, each, around, count: stitches } = target;
    if (place) return this.#inPlace(tool, perEach, count, target, span);
    const nth = whichOf(target, tool);
    if (nth > 1) return [everyNth(perEach, nth + this.#asOne(perEach, target), ranks[1], span)];
    if (around || (each && stitches === null)) return [this.#allAround(tool, perEach, count, target, span)];
    if (stitches !== null && isPlaced(target)) return [this.#inSoMany(tool, perEach, stitches, each, span)];
    if (this.#glued(perEach !== tool, span, target)) return [work(perEach, once, EDGE, span)];
    return [single(tool, perEach, count, target, span)];
  }

  /** Whether "2sc" is two in one, and "2 sc" is not, throughout: a hand that writes the first as one word. */
  #glued(several: boolean, { from }: Span, { same, next1, last, ranks, inside }: Target): boolean {
    const bare = several && !same && !next1 && !last && !inside && ranks.length === 0;
    if (!bare || !/^\d\p{L}/u.test(this.#text.slice(from, from + 2))) return false;
    return (this.#inOneWord ??= this.#chooser.goesSoFar('a figure written to its stitch', 'so many in one'));
  }

  /** "dec every 3rd": so many stitches are counted as they are worked in, or as they are made, where two are one. */
  #asOne({ over }: Shape, { ranks, after }: Target): number {
    if (over === 1 || ranks.length !== 1 || after !== null) return 0;
    const way = this.#chooser.choose('a decrease every so many', ['of those worked in', 'of those made']);
    return way === 'of those made' ? over - 1 : 0;
  }

  #inPlace(tool: Shape, perEach: Shape, count: number | null, { place, count: stitches }: Target, span: Span): Step[] {
    if (place?.kind === 'ring' || place?.kind === 'both-layers')
      return [work(tool, often(count ?? stitches ?? 1), place, span)];
    // "(ch 7), sc from the 2nd ch"
    if (place?.kind === 'chain-from-hook' && count === null && FROM.test(this.#text.slice(span.from, span.to)))
      return [{ kind: 'first-chain', k: place.k, span }, work(tool, FILL, EDGE, span)];
    // "3 sc in the last ch": all of them in one.
    return [work(perEach, once, place ?? EDGE, span)];
  }

  #allAround(tool: Shape, perEach: Shape, count: number | null, { each, count: stitches }: Target, span: Span): Step {
    if (!each && stitches !== null && stitches > 1 && perEach === tool && this.#overSoMany(tool, span))
      return work({ ...tool, over: stitches }, FILL, EDGE, span);
    if (each || stitches !== null || count === null || perEach === tool) return work(perEach, FILL, EDGE, span);
    const way = this.#chooser.choose('around', ['so many', 'so many in each']);
    return work(tool, way === 'so many in each' ? FILL : often(count), EDGE, span);
  }

  #overSoMany({ per, over }: Shape, { from, to }: Span): boolean {
    if (per !== 1 || over !== 1 || !OVER.test(this.#text.slice(from, to))) return false;
    return this.#chooser.choose('over so many', ['one in each', 'as one']) === 'as one';
  }

  #inSoMany(tool: Shape, perEach: Shape, stitches: number, each: boolean, span: Span): Step {
    if (stitches === 1) {
      // "2 into 1"
      const several = perEach !== tool && tool.stitch === null && !each;
      const asOne = several && this.#chooser.goesSoFar('so many into one', 'as one');
      return work(asOne ? { ...tool, over: perEach.per } : perEach, once, EDGE, span);
    }
    // "sc over 2 sts"
    if (perEach === tool && !each && this.#overSoMany(tool, span))
      return work({ ...tool, over: stitches }, once, EDGE, span);
    const inEach =
      perEach === tool ||
      each ||
      this.#chooser.choose('in the next', ['so many in each', 'one in each']) === 'so many in each';
    return work(inEach ? perEach : tool, often(stitches), EDGE, span);
  }
}

/** A stitch, and from where on. */
const FROM = /^\p{L}+\s+(?:\p{L}+\s+){0,2}from(?!\p{L})/iu;
/** "over", "across" behind a stitch. */
const OVER = /(?<!\p{L})(?:over|across)(?!\p{L})/iu;

/** "every 3rd", "after every 2": by its last stitch, in which of how many a shaping stands; 0 where no such thing is said. */
function whichOf({ each, ranks, after }: Target, { over }: Shape): number {
  return after === null ? (each ? (ranks[0] ?? 0) : 0) : after + over;
}

/** "in", "each", "next": so many stitches are worked into. */
function isPlaced({ each, inside, next1 }: Target): boolean {
  return each || inside || next1;
}

/** "in the same st", "in the next": all of it in one; without such words so many beside each other. */
function single(tool: Shape, perEach: Shape, count: number | null, target: Target, span: Span): Step {
  if (target.same) return work(perEach, once, { kind: 'same' }, span);
  if (target.next1 || target.last || target.ranks.length > 0) return work(perEach, once, EDGE, span);
  const bare = count === null ? { bare: true as const } : {};
  return { ...work(tool, often(count ?? 1), EDGE, span), ...bare };
}
