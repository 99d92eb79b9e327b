import { once, type Amount, type Step, type Work } from '../pattern/instruction.js';
import { filling } from './amount.js';
import { countInBracket } from './count.js';
import { isBoundary, isWord, meaningAt, pass, spanBetween, tokenAt, type Reader } from './reader.js';
import { amountAfterTool, amountBefore, readTool, type Tool } from './tool.js';

/** Shapings of which the words say how many they are, or where on the round, with all the other stitches worked plain. */
interface Spread {
  readonly steps: Step[];
  readonly next: number;
}

/** A shaping with how often it is done, as far as that is said; `per` and `over` are of one. */
interface Shaping {
  readonly tool: Pick<Tool, 'stitch' | 'per' | 'over'>;
  readonly times: number | null;
  readonly next: number;
}

/** Where on a round shapings stand. */
interface Ends {
  readonly first: boolean;
  readonly last: boolean;
  readonly next: number;
}

/**
 * Shapings spread over a round or set at its ends, with all the other stitches worked plain; null where that is not said.
 *
 * `inc 6 times evenly around`   `sc around, decreasing 4 sts evenly`   `increase evenly to 30 sts`   `dec 1 st at each end`
 *  ^                                        ^                           ^                             ^
 * Where on the round they stand that are spread is left to the maker, and changes no count.
 */
export function spreadAt(reader: Reader, at: number): Spread | null {
  if (reader.depth > 0 || !maySpread(reader, at)) return null;
  const shaping = shapingAt(reader, at);
  if (!shaping) return null;
  const { tool, times, next } = timesBehind(reader, shaping);
  const ends = endsAfter(reader, next);
  if (ends) return atEnds(reader, at, shaping, ends);
  const grows = tool.per > tool.over;
  const total = times === null ? (totalAfter(reader, next, grows) ?? totalStated(reader, next, grows)) : null;
  const spread = total || next > shaping.next ? next : evenlyAfter(reader, next);
  const amount = total?.amount ?? (times !== null && spread !== null ? ({ kind: 'times', times } as const) : null);
  if (!amount) return null;
  const behind = endOfSpread(reader, total?.next ?? spread ?? next);
  const span = spanBetween(reader, at, behind);
  const work: Work = { kind: 'work', ...tool, amount, place: { kind: 'edge' }, span };
  return {
    // What goes on until so many are there has all other stitches with it.
    steps: total ? [work] : [work, plainLike(work, 0)],
    next: behind,
  };
}

/** "inc evenly 6 times": how often is said behind the word for it. */
function timesBehind(reader: Reader, shaping: Shaping): Shaping {
  const spread = shaping.times === null ? evenlyAfter(reader, shaping.next) : null;
  const { amount, next } = spread === null ? { amount: null, next: 0 } : amountAfterTool(reader, spread, null);
  return amount === null ? shaping : { ...shaping, times: amount, next };
}

/** A quick look ahead, since most steps say nothing of the kind. */
function maySpread(reader: Reader, at: number): boolean {
  const end = Math.min(reader.end, at + 9);
  for (let i = at + 1; i < end; i += 1) if (SPREADS.has(reader.tokens[i]?.word ?? '')) return true;
  return false;
}

const SPREADS: ReadonlySet<string> = new Set([
  'evenly',
  'out',
  'to',
  ...['end', 'ends', 'side', 'sides', 'edge', 'edges'],
  ...['beginning', 'beg', 'start', 'last'],
]);

/** "inc 6 times", "increasing by 6", "dec one stitch", "2 sc": what is done, and how often. */
function shapingAt(reader: Reader, at: number): Shaping | null {
  const before = amountBefore(reader, pass(reader, at, 'work'));
  const read = readTool(reader, before.next, before.amount);
  if (!read) return null;
  const { stitch, over } = read;
  if (!read.shaping) {
    // "2 sc in first and last st"
    const per = read.takesAmount ? 0 : (before.amount ?? 0);
    return per > 1 && per <= MOST_IN_ONE ? { tool: { stitch, per, over }, times: null, next: read.next } : null;
  }
  const by = isWord(reader, read.next, 'by') ? read.next + 1 : read.next;
  const after = amountAfterTool(reader, by, before.amount);
  const times = read.takesAmount ? after.amount : (before.amount ?? after.amount);
  return { tool: { stitch, per: read.per, over }, times, next: after.next };
}

const MOST_IN_ONE = 4;

/** The index behind "evenly", "spread evenly", ", spaced out"; null where nothing says so. */
function evenlyAfter(reader: Reader, at: number): number | null {
  const behind = isWord(reader, at, ',') ? at + 1 : at;
  const spread = isWord(reader, behind, 'spread', 'spaced', 'distributed') ? behind + 1 : behind;
  const out = spread > behind && isWord(reader, spread, 'out') ? spread + 1 : spread;
  return isWord(reader, out, 'evenly') ? out + 1 : out > spread ? out : null;
}

/** "evenly to 30 sts", "to 18 sts evenly": how many the round has then. */
function totalAfter(reader: Reader, at: number, grows: boolean): { amount: Amount; next: number } | null {
  const spread = evenlyAfter(reader, at) ?? at;
  const count = isWord(reader, spread, 'to') ? tokenAt(reader, spread + 1) : null;
  if (count?.kind !== 'number') return null;
  const next = pass(reader, spread + 2, 'stitch-word');
  const behind = evenlyAfter(reader, next) ?? next;
  if (!isBoundary(reader, behind) && tokenAt(reader, behind)?.kind !== 'open' && behind === next) return null;
  return { amount: untilSpread(count.value, grows), next: behind };
}

function untilSpread(count: number, grows: boolean): Amount {
  return { kind: 'until-made', count, ...(grows ? { grows } : {}), spread: true };
}

/** "inc evenly around (30)": only its count says how many. */
function totalStated(reader: Reader, at: number, grows: boolean): { amount: Amount; next: number } | null {
  const spread = evenlyAfter(reader, at);
  const next = spread === null ? at : endOfSpread(reader, spread);
  const behind = isWord(reader, next, '.') ? next + 1 : next;
  const count = spread === null ? undefined : countInBracket(reader, behind)?.total;
  return count === undefined ? null : { amount: untilSpread(count, grows), next };
}

/** "at each end", "on both sides", "at the beginning and end of the row", "in first and last st". */
function endsAfter(reader: Reader, at: number): Ends | null {
  const into = isWord(reader, at, 'at', 'on') ? at + 1 : pass(reader, at, 'in');
  const both = pass(reader, into, 'each') > into || isWord(reader, into, 'both', 'either');
  if (both && isWord(reader, into + 1, 'end', 'ends', 'side', 'sides', 'edge', 'edges'))
    return { first: true, last: true, next: ofRound(reader, into + 2) };
  const first = tokenAt(reader, into);
  const stands = first?.kind === 'ordinal' && first.value === 1;
  if (stands || (into > at && isWord(reader, into, 'beginning', 'beg', 'start'))) {
    const word = stands ? pass(reader, into + 1, 'stitch-word', 'stitch') : into + 1;
    const and = meaningAt(reader, word, 'and')?.next;
    const second = and === undefined ? null : lastAfter(reader, and);
    if (second !== null) return { first: true, last: true, next: second };
    return stands ? null : { first: true, last: false, next: ofRound(reader, word) };
  }
  return into > at && isWord(reader, into, 'end')
    ? { first: false, last: true, next: ofRound(reader, into + 1) }
    : null;
}

/** "end of the row", "at the end", "in last st": the index behind it, null where it does not stand. */
function lastAfter(reader: Reader, at: number): number | null {
  const into = isWord(reader, at, 'at', 'on') ? at + 1 : pass(reader, at, 'in');
  if (isWord(reader, into, 'end')) return ofRound(reader, into + 1);
  const last = meaningAt(reader, into, 'last');
  return last && pass(reader, last.next, 'stitch-word', 'stitch');
}

/** "of the row", "of every round": they change nothing. */
function ofRound(reader: Reader, at: number): number {
  const each = pass(reader, at, 'each', 'next');
  return meaningAt(reader, each, 'round-word', 'row-word')?.next ?? at;
}

/** A shaping at one end of a round, or at each. */
function atEnds(reader: Reader, at: number, { tool, times }: Shaping, { first, last, next }: Ends): Spread | null {
  if ((times ?? 1) > 1 && first && last) return null;
  if (!isBoundary(reader, next) && tokenAt(reader, next)?.kind !== 'open') return null;
  const amount: Amount = times === null ? once : { kind: 'times', times };
  const span = spanBetween(reader, at, next);
  const work: Work = { kind: 'work', ...tool, amount, place: { kind: 'edge' }, span };
  const plain = plainLike(work, last ? tool.over * (times ?? 1) : 0);
  return { steps: [...(first ? [work] : []), plain, ...(last ? [work] : [])], next };
}

/** The stitches between shapings, save some at the end. */
function plainLike(work: Work, leave: number): Work {
  return { ...work, per: 1, over: 1, amount: { kind: 'fill', leave } };
}

/** "spaced", "around", "in every round", "over the round". */
function endOfSpread(reader: Reader, at: number): number {
  const spaced = isWord(reader, at, 'spaced', 'distributed', 'spread', 'placed', 'apart') ? at + 1 : at;
  const around = filling(reader, spaced);
  if (around?.amount.kind === 'fill' && around.amount.leave === 0) return around.next;
  const over = pass(reader, pass(reader, spaced, 'in'), 'each');
  return meaningAt(reader, over, 'round-word', 'row-word')?.next ?? spaced;
}

/** Whether a step works all of the edge plain, so that shapings named behind it are among its stitches. */
export function isPlainAround(step: Step | undefined): boolean {
  if (step?.kind !== 'work' || step.per !== 1 || step.over !== 1 || step.place.kind !== 'edge') return false;
  return step.bare === true || (step.amount.kind === 'fill' && step.amount.leave === 0);
}
