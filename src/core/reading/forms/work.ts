import { once, type Amount, type Place, type Work } from '../../pattern/instruction.js';
import { DECORATED, type StitchId } from '../../vocabulary/stitches.js';
import { isTimesSign, amountAfter } from '../amount.js';
import { placementAfter } from '../placement.js';
import { isWord, meaningAt, pass, spanBetween, tokenAt, type InstructionForm, type Reader } from '../reader.js';

/** What is worked, before it is known how often and where: a stitch, an increase, a decrease. */
interface Tool {
  readonly stitch: StitchId | null;
  readonly per: number;
  readonly over: number;
  readonly shaping: boolean;
  readonly next: number;
}

/**
 * Stitches, increases and decreases with their amount and place.
 *
 * `sc 5`   `5 x sc in BLO`   `2 sc in each of next 3 sts`   `inc x3`   `sc2tog twice`   `sc around`
 *  ^        ^                 ^                              ^          ^                ^
 */
export const work: InstructionForm = {
  name: 'work',
  begins: ['number', 'stitch', 'shaping', 'increase', 'decrease', 'invisible', 'work', 'in'],
  examples: ['sc 5', '5 x sc', '2 sc in each of next 3 sts', 'inc x3', 'sc2tog twice', 'sc around', '6X', 'V6'],
  read(reader, at) {
    const read = readWork(reader, at) ?? again(reader, at);
    if (!read) return null;
    if (read.loops && read.loops !== 'both') {
      reader.steps.push({ kind: 'loops', loops: read.loops, span: read.work.span });
    }
    reader.steps.push(read.work);
    return read.next;
  },
};

/**
 * The stitch before goes on in other places.
 *
 * `sc in 2nd ch from hook and in each ch across`
 *                             ^
 */
function again(reader: Reader, at: number): ReadWork | null {
  const last = reader.steps.at(-1);
  if (last?.kind !== 'work' || !meaningAt(reader, at, 'in')) return null;
  const placement = placementAfter(reader, at);
  if (!placement || placement.place.kind !== 'edge' || placement.together) return null;
  const work: Work = {
    ...last,
    per: last.over > 1 ? last.per : 1,
    amount: placement.amount,
    place: placement.place,
    span: spanBetween(reader, at, placement.next),
  };
  return { work, loops: placement.loops, next: placement.next };
}

export interface ReadWork {
  readonly work: Work;
  readonly loops: 'both' | 'front' | 'back' | null;
  readonly next: number;
}

/** Reads one step of work; null where none stands. Chains are read by a form of their own. */
export function readWork(reader: Reader, at: number): ReadWork | null {
  let i = at;
  // "work 6 sc", "make 2 dc": the verb adds nothing where an amount or a stitch follows.
  i = pass(reader, i, 'work');
  let before: number | null = null;
  const amount = tokenAt(reader, i);
  if (amount?.kind === 'number') {
    before = amount.value;
    i = pass(reader, i + 1, 'more');
    const sign = meaningAt(reader, i, 'times');
    if (sign && sign.meaning.times === null) i = sign.next;
    else if (isWord(reader, i, '×') || (tokenAt(reader, i)?.kind === 'star' && tokenAt(reader, i)?.glued)) i += 1;
  }
  const tool = readTool(reader, i, before);
  if (!tool) return null;
  if (tool.stitch === 'slip' && !tool.shaping && isWord(reader, tool.next, 'to') && !toEnd(reader, tool.next))
    return null;
  i = tool.next;
  // A number that belongs to the name ("5-dc bobble") is no amount.
  if (tool.per === -1) before = null;
  const per = tool.per === -1 ? 1 : tool.per;

  let after: number | null = null;
  const sign = meaningAt(reader, i, 'times');
  const signed = (sign && sign.meaning.times === null) || isTimesSign(reader, i);
  const number = tokenAt(reader, signed ? i + 1 : i);
  if (number?.kind === 'number' && (signed || before === null)) {
    after = number.value;
    i = pass(reader, signed ? i + 2 : i + 1, 'times');
    i = pass(reader, i, 'stitch-word');
  }
  const placement = placementAfter(reader, i);
  if (placement) i = placement.next;
  let extra = 1;
  if (placement?.amount.kind === 'times' || !placement) {
    // "inc, repeat around" repeats more than the increase; that is for another form.
    const own = !isWord(reader, i, ',', ';') && !meaningAt(reader, i, 'repeat');
    const more = own && (after === null || placement || isTimesSign(reader, i)) ? amountAfter(reader, i) : null;
    if (more?.amount.kind === 'times' && saysTimes(reader, i)) {
      extra = more.amount.times;
      i = more.next;
    } else if (more && !placement && more.amount.kind !== 'times') {
      return finish(reader, at, more.next, tool.stitch, per, tool.over, more.amount, { kind: 'edge' }, null);
    }
  }
  if (placement?.together && tool.over === 1) {
    const over = placement.amount.kind === 'times' ? placement.amount.times : 2;
    return finish(
      reader,
      at,
      i,
      tool.stitch,
      per,
      over,
      scaled(once, (before ?? 1) * extra),
      placement.place,
      placement.loops,
    );
  }
  const { each, total } = sharing(tool, before, after, placement?.amount ?? null, placement?.place ?? null, per);
  return finish(
    reader,
    at,
    i,
    tool.stitch,
    each,
    tool.over,
    scaled(total, extra),
    placement?.place ?? { kind: 'edge' },
    placement?.loops ?? null,
  );
}

/** How many go into each stitch, and into how many: "2 sc in next 3 sts" against "5 sc in next 5 sts". */
function sharing(
  tool: Tool,
  before: number | null,
  after: number | null,
  placed: Amount | null,
  place: Place | null,
  per: number,
): { each: number; total: Amount } {
  const named = (before ?? 1) * (after ?? 1);
  const single: Amount = { kind: 'times', times: named };
  if (!placed || !place || place.kind === 'ring' || place.kind === 'both-layers') {
    const whole = placed?.kind === 'times' && placed.times > 1 ? placed : single;
    return { each: per, total: place?.kind === 'both-layers' && before === null ? whole : single };
  }
  if (place.kind === 'same' || place.kind === 'chain-from-hook' || place.kind === 'last-chain') {
    return tool.shaping ? { each: per, total: single } : { each: named, total: once };
  }
  if (tool.shaping)
    return { each: per, total: before !== null && placed.kind === 'times' && placed.times === 1 ? single : placed };
  if (before === null) return { each: after ?? per, total: placed };
  // "5 sc in next 5 sts" is one in each of them.
  if (placed.kind === 'times' && placed.times === before && before > 1) return { each: 1, total: placed };
  return { each: named, total: placed };
}

function scaled(amount: Amount, by: number): Amount {
  return amount.kind === 'times' && by !== 1 ? { kind: 'times', times: amount.times * by } : amount;
}

function finish(
  reader: Reader,
  at: number,
  next: number,
  stitch: StitchId | null,
  per: number,
  over: number,
  amount: Amount,
  place: Place,
  loops: ReadWork['loops'],
): ReadWork {
  const span = spanBetween(reader, at, next);
  return { work: { kind: 'work', stitch, per, over, amount, place, span }, loops, next };
}

/** The stitch or shaping at an index. A `per` of -1 says that the number before it belongs to the name. */
function readTool(reader: Reader, at: number, before: number | null): Tool | null {
  let i = pass(reader, at, 'invisible');
  const first = meaningAt(reader, i, 'stitch', 'shaping', 'increase', 'decrease');
  if (!first) return null;
  const meaning = first.meaning;
  i = first.next;
  if (meaning.is === 'shaping')
    return {
      stitch: meaning.stitch,
      per: meaning.per,
      over: meaning.over,
      shaping: meaning.per !== 1 || meaning.over !== 1,
      next: i,
    };
  if (meaning.is === 'increase' || meaning.is === 'decrease') {
    const decrease = meaning.is === 'decrease';
    const number = tokenAt(reader, i);
    const inOne = !decrease && number?.kind === 'number' && number.glued && number.value <= 4 && number.value >= 2;
    if (inOne) i += 1;
    return {
      stitch: null,
      per: decrease ? 1 : inOne ? number.value : 2,
      over: decrease ? 2 : 1,
      shaping: true,
      next: i,
    };
  }
  if (meaning.stitch === 'chain' || meaning.stitch === 'picot') return null;
  const second = meaningAt(reader, i, 'stitch', 'increase', 'decrease');
  if (second?.meaning.is === 'increase')
    return { stitch: meaning.stitch, per: 2, over: 1, shaping: true, next: second.next };
  if (second?.meaning.is === 'decrease')
    return { stitch: meaning.stitch, per: 1, over: 2, shaping: true, next: second.next };
  if (second?.meaning.is === 'stitch' && DECORATED.has(second.meaning.stitch)) {
    return { stitch: second.meaning.stitch, per: before === null ? 1 : -1, over: 1, shaping: false, next: second.next };
  }
  const over = togetherAfter(reader, i, before);
  if (over)
    return { stitch: meaning.stitch, per: over.fromBefore ? -1 : 1, over: over.count, shaping: true, next: over.next };
  return { stitch: meaning.stitch, per: 1, over: 1, shaping: false, next: pass(reader, i, 'stitch-word') };
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

/** Whether the words at an index say "times" in so many words, and are not the amount of what follows. */
function saysTimes(reader: Reader, at: number): boolean {
  if (isTimesSign(reader, at) || meaningAt(reader, at, 'times')) return true;
  const token = tokenAt(reader, at);
  return token?.kind === 'number' && meaningAt(reader, pass(reader, at + 1, 'more'), 'times') !== null;
}

function toEnd(reader: Reader, at: number): boolean {
  return meaningAt(reader, at, 'around') !== null || meaningAt(reader, at + 1, 'last') !== null;
}
