import { DECORATED, type StitchId } from '../vocabulary/stitches.js';
import { isTimesSign } from './amount.js';
import { countInBracket } from './count.js';
import { closeOf, isWord, meaningAt, pass, spanBetween, tokenAt, type Reader } from './reader.js';

/** What is worked, before it is known how often and where: a stitch, an increase, a decrease. */
export interface Tool {
  readonly stitch: StitchId | null;
  readonly per: number;
  readonly over: number;
  readonly shaping: boolean;
  /** The number before it belongs to its name ("5-dc bobble", "2 sc tog") and is no amount. */
  readonly takesAmount: boolean;
  readonly next: number;
}

/** "5", "5 x", "6 more" in front of a stitch. */
export function amountBefore(reader: Reader, at: number): { amount: number | null; next: number } {
  const number = tokenAt(reader, at);
  if (number?.kind !== 'number') return { amount: null, next: at };
  const i = pass(reader, at + 1, 'more');
  const sign = meaningAt(reader, i, 'times');
  if (sign?.meaning.times === null) return { amount: number.value, next: sign.next };
  const star = tokenAt(reader, i);
  return { amount: number.value, next: star?.kind === 'star' && star.glued ? i + 1 : i };
}

/** "5", "x5", "× 5" behind a stitch; without a sign only where no amount stood before it. */
export function amountAfterTool(
  reader: Reader,
  at: number,
  before: number | null,
): { amount: number | null; next: number } {
  const sign = meaningAt(reader, at, 'times');
  // "sc twice in each st"
  if (sign && sign.meaning.times !== null && before === null && meaningAt(reader, sign.next, 'in'))
    return { amount: sign.meaning.times, next: sign.next };
  const signed = sign?.meaning.times === null || isTimesSign(reader, at);
  const number = tokenAt(reader, signed ? at + 1 : at);
  if (number?.kind !== 'number' || (!signed && before !== null)) return { amount: null, next: at };
  // "8sc inc 6sc": the figure is of the stitch behind it.
  if (!signed && !number.glued && tokenAt(reader, at + 1)?.glued && meaningAt(reader, at + 1, 'stitch'))
    return { amount: null, next: at };
  const behind = signed ? at + 2 : at + 1;
  // "inc 1 x 6": the sign is of the figure behind it.
  const next = tokenAt(reader, behind + 1)?.kind === 'number' ? behind : pass(reader, behind, 'times');
  return { amount: number.value, next: pass(reader, next, 'stitch-word') };
}

/** The stitch or shaping at an index. */
export function readTool(reader: Reader, at: number, before: number | null): Tool | null {
  const named = readNamed(reader, at, before);
  const post = meaningAt(reader, at, 'post');
  return named ?? (post && readNamed(reader, post.next, before));
}

function readNamed(reader: Reader, at: number, before: number | null): Tool | null {
  const first = meaningAt(reader, passKind(reader, at), 'stitch', 'shaping', 'increase', 'decrease');
  if (!first) return togetherOnly(reader, at, before) ?? stitchUnnamed(reader, at, before);
  const { meaning } = first;
  const next = passDot(reader, first.next);
  switch (meaning.is) {
    case 'shaping':
      return tool(meaning.stitch, meaning.per, meaning.over, next);
    case 'decrease': {
      const of = shapedStitch(reader, next);
      return of ? tool(of.stitch, 1, meaning.over, of.next) : tool(null, 1, meaning.over, next);
    }
    case 'increase': {
      // "inc3" is three in one stitch; "inc 3" is three increases.
      const number = tokenAt(reader, next);
      const inOne = number?.kind === 'number' && number.glued && number.value >= 2 && number.value <= 4;
      // "sc11, inc2, sc11": two of them, where all figures are written so.
      const soMany = inOne && number.value === 2 && gluesFigures(reader);
      if (soMany) return tool(null, meaning.per, 1, next);
      const of = shapedStitch(reader, next);
      if (of) return tool(of.stitch, meaning.per, 1, of.next);
      return inOne ? tool(null, number.value, 1, next + 1) : tool(null, meaning.per, 1, next);
    }
    case 'stitch':
      // "Double each stitch" is an increase in each.
      if (isWord(reader, at, 'double') && next === at + 1) {
        const each = isWord(reader, next, 'up') ? next + 1 : next;
        if (meaningAt(reader, each, 'each')) return tool(null, 2, 1, each);
      }
      if (meaning.foreign) noteForeign(reader, passKind(reader, at), first.next, meaning.stitch);
      return meaning.stitch === 'chain' || meaning.stitch === 'picot'
        ? null
        : stitchTool(reader, meaning.stitch, next, before);
  }
}

/** Whether figures stand right behind their stitches in this instruction: "sc11". */
function gluesFigures({ tokens, lexicon }: Reader): boolean {
  return tokens.some(({ kind, glued }, i) => {
    const figure = kind === 'number' && glued && tokens[i + 1]?.kind !== 'word';
    return figure && i > 0 && lexicon.at(tokens, i - 1)?.meaning.is === 'stitch';
  });
}

/** "(hdc, inc hdc) x 8": the stitch that a shaping is of, behind it and with nothing else to say. */
function shapedStitch(reader: Reader, at: number): { stitch: StitchId; next: number } | null {
  const found = meaningAt(reader, at, 'stitch');
  if (!found || found.meaning.stitch === 'chain' || found.meaning.stitch === 'slip') return null;
  const after = reader.tokens[found.next];
  const ends = after === undefined || after.kind === 'close' || after.word === ',';
  return ends ? { stitch: found.meaning.stitch, next: found.next } : null;
}

/** Keeps where a stitch is called by a name of the other vocabulary; a form may look at the same words more than once. */
function noteForeign(reader: Reader, from: number, to: number, stitch: StitchId): void {
  const span = spanBetween(reader, from, to);
  if (!reader.found.foreign.some((other) => other.span.from === span.from)) reader.found.foreign.push({ span, stitch });
}

/** "crochet 2 together", "2 sts tog", "next 2 dc tog", "working the last two together": a decrease by what it takes. */
function togetherOnly(reader: Reader, at: number, before: number | null): Tool | null {
  const which = before === null ? meaningAt(reader, at, 'last', 'next') : null;
  const many = which && tokenAt(reader, which.next);
  const ends = which && meaningAt(reader, pass(reader, which.next + 1, 'stitch-word', 'stitch'), 'together');
  if (many?.kind === 'number' && ends) return tool(null, 1, many.value, ends.next);
  const tog =
    before === null ? null : meaningAt(reader, pass(reader, pass(reader, at, 'stitch-word'), 'work'), 'together');
  return tog && before !== null ? { ...tool(null, 1, before, tog.next), takesAmount: true } : null;
}

/** "sc in next, 2 in next", "2 in 1", "(3, inc) x 6": as many of the stitch that the round is of. */
function stitchUnnamed(reader: Reader, at: number, before: number | null): Tool | null {
  if (before === null) return null;
  // "2 sts in each st"
  const into = meaningAt(reader, pass(reader, at, 'stitch-word'), 'in');
  if (
    into &&
    (meaningAt(reader, into.next, 'next', 'each', 'same', 'magic-ring') ||
      isOne(reader, into.next) ||
      tokenAt(reader, into.next)?.kind === 'ordinal')
  )
    return tool(null, 1, 1, pass(reader, at, 'stitch-word'));
  return besideShaping(reader, at) || beforeItsCount(reader, at, before)
    ? tool(null, 1, 1, pass(reader, at, 'stitch-word'))
    : null;
}

/** "32 (32)", "24 stitches": a figure that is all there is, and its count. */
function beforeItsCount(reader: Reader, at: number, before: number): boolean {
  if (reader.depth > 0 || reader.steps.length > 0) return false;
  if (at < reader.end && pass(reader, at, 'stitch-word') === reader.end) return true;
  if (isWord(reader, at, '=')) return tokenAt(reader, at + 1)?.value === before && tokenAt(reader, at + 2) === null;
  return countInBracket(reader, at)?.total === before;
}

function isOne(reader: Reader, at: number): boolean {
  const number = tokenAt(reader, at);
  return number?.kind === 'number' && number.value === 1;
}

/** Whether a figure that ends before an index has a shaping for its neighbour, and nothing else it could be of. */
function besideShaping(reader: Reader, at: number): boolean {
  if (isWord(reader, at, ',')) {
    const next = tokenAt(reader, at + 1)?.kind === 'number' ? at + 2 : at + 1;
    return meaningAt(reader, next, 'increase', 'decrease', 'shaping') !== null;
  }
  const last = reader.steps.at(-1);
  const count = isWord(reader, at, '=') || countInBracket(reader, at) !== null;
  const ends = at === reader.end || (reader.depth === 0 && count);
  return ends && last?.kind === 'work' && last.per !== last.over && reader.tokens[at - 2]?.word === ',';
}

/** "incr. in each st", "decr. 6 times": the full stop of a shortened word. */
function passDot(reader: Reader, at: number): number {
  const dot = tokenAt(reader, at);
  if (dot?.word !== '.' || !dot.glued) return at;
  const number = tokenAt(reader, at + 1)?.kind === 'number';
  const goesOn = number
    ? meaningAt(reader, at + 2, 'times')
    : meaningAt(reader, at + 1, 'in', 'times', 'each', 'around', 'next');
  return goesOn ? at + 1 : at;
}

/** "invisible dec", "inv. dec" */
function passKind(reader: Reader, at: number): number {
  const next = pass(reader, at, 'invisible');
  return next > at && isWord(reader, next, '.') ? next + 1 : next;
}

/** A stitch, and what the words behind it make of it: "sc inc", "hdc-dec", "5-dc bobble", "sc2tog". */
function stitchTool(reader: Reader, stitch: StitchId, at: number, before: number | null): Tool {
  const second = meaningAt(reader, at, 'stitch', 'increase', 'decrease');
  if (second?.meaning.is === 'increase' || second?.meaning.is === 'decrease') {
    if (before !== null && standsApart(reader, at, second.next)) return tool(stitch, 1, 1, at);
    return second.meaning.is === 'increase' ? tool(stitch, 2, 1, second.next) : tool(stitch, 1, 2, second.next);
  }
  if (second?.meaning.is === 'stitch' && DECORATED.has(second.meaning.stitch)) {
    return { ...tool(second.meaning.stitch, 1, 1, second.next), takesAmount: before !== null };
  }
  // "dc2inc"
  const two = tokenAt(reader, at);
  const shaped = two?.kind === 'number' && two.glued ? meaningAt(reader, at + 1, 'increase', 'decrease') : null;
  if (two && shaped && tokenAt(reader, at + 1)?.glued)
    return shaped.meaning.is === 'increase'
      ? tool(stitch, two.value, 1, shaped.next)
      : tool(stitch, 1, two.value, shaped.next);
  if (DECORATED.has(stitch)) return tool(stitch, 1, 1, passLegs(reader, pass(reader, at, 'stitch-word')));
  const together = togetherAfter(reader, at, before);
  if (together) return { ...tool(stitch, 1, together.count, together.next), takesAmount: together.fromBefore };
  return tool(stitch, 1, 1, pass(reader, at, 'stitch-word'));
}

/**
 * "(1sc inc) x 6", "3sc inc 4sc inc": where no comma parts the steps, the amount is of the stitch alone.
 * "(1 sc inc, 3 sc)" and "6 sc inc" are increases of that stitch.
 */
function standsApart(reader: Reader, at: number, next: number): boolean {
  const shaping = tokenAt(reader, at);
  if (shaping === null || shaping.glued) return false;
  const after = tokenAt(reader, next);
  if (after === null) return reader.depth > 0;
  if (after.kind === 'close' || (after.kind === 'star' && reader.inStar)) return true;
  return after.kind === 'number' && meaningAt(reader, next + 1, 'stitch') !== null;
}

/** "bobble of 4 dc", "popcorn (5 dc)": how it is made says nothing of the count. */
function passLegs(reader: Reader, at: number): number {
  const open = tokenAt(reader, at)?.kind === 'open';
  const number = tokenAt(reader, open ? at + 1 : at);
  const legs = number?.kind === 'number' ? meaningAt(reader, open ? at + 2 : at + 1, 'stitch') : null;
  if (!legs || legs.meaning.stitch === 'chain') return at;
  if (open) return closeOf(reader, at) === legs.next ? legs.next + 1 : at;
  return legs.next;
}

function tool(stitch: StitchId | null, per: number, over: number, next: number): Tool {
  return { stitch, per, over, shaping: per !== 1 || over !== 1, takesAmount: false, next };
}

/** "2tog", "2 together", "next 2 sts together", "tog" after an amount. */
function togetherAfter(
  reader: Reader,
  at: number,
  before: number | null,
): { count: number; fromBefore: boolean; next: number } | null {
  const bare = meaningAt(reader, pass(reader, at, 'work'), 'together');
  if (bare) return { count: before ?? 2, fromBefore: before !== null, next: bare.next };
  const number = tokenAt(reader, at);
  if (number?.kind !== 'number') return null;
  const after = pass(reader, at + 1, 'stitch-word');
  const tog = meaningAt(reader, after, 'together');
  return tog ? { count: number.value, fromBefore: false, next: tog.next } : null;
}
