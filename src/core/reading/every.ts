import type { Repeat, Work } from '../pattern/instruction.js';
import { filling } from './amount.js';
import { isWord, meaningAt, pass, spanBetween, tokenAt, type Reader } from './reader.js';

/**
 * A shaping in every so-manieth stitch or behind every so many, with the stitches between worked plain; null where that is
 * not said.
 *
 * `inc in every other st`   `2 sc in every 3rd st around`   `dec every 4th and 5th st`   `dec after every 3 sts`
 *      ^                          ^                               ^                           ^
 */
export function inEveryNth(
  reader: Reader,
  at: number,
  work: Work,
  from: number,
): { step: Repeat; next: number } | null {
  const after = afterEvery(reader, from);
  if (work.over === 2 && work.amount.kind === 'times' && work.amount.times === 1)
    return after ? behindPlain(reader, at, work, after) : decreaseEvery(reader, at, work, from);
  if (work.over > 1 || work.amount.kind !== 'times' || work.place.kind !== 'edge') return null;
  const per = work.per * work.amount.times;
  const found = per < 2 ? null : (after ?? nthStitch(reader, from));
  return found && behindPlain(reader, at, { ...work, per, amount: { kind: 'times', times: 1 } }, found);
}

/** Where something stands in its repeat: behind so many plain stitches. */
export interface Behind {
  readonly plain: number;
  readonly next: number;
}

/** So many plain stitches and the shaping, all around. */
function behindPlain(reader: Reader, at: number, work: Work, behind: Behind): { step: Repeat; next: number } {
  const around = filling(reader, behind.next);
  const next = around?.amount.kind === 'fill' && around.amount.leave === 0 ? around.next : behind.next;
  const span = spanBetween(reader, at, next);
  const plain: Work = { ...work, per: 1, over: 1, amount: { kind: 'times', times: behind.plain }, span };
  return { step: { kind: 'repeat', body: [plain, { ...work, span }], amount: { kind: 'fill', leave: 0 }, span }, next };
}

/** "dec every 4th and 5th st": two in every so many become one. */
function decreaseEvery(reader: Reader, at: number, work: Work, from: number): { step: Repeat; next: number } | null {
  const each = meaningAt(reader, pass(reader, from, 'in'), 'each');
  const two = each && twoRanked(reader, each.next);
  return two && behindPlain(reader, at, work, { ...two, next: pass(reader, two.next, 'together') });
}

/** "3rd and 4th", "4th + 5th stitch": two that become one, behind the plain ones before them. */
export function twoRanked(reader: Reader, at: number): Behind | null {
  const [first, second] = [tokenAt(reader, at), tokenAt(reader, at + 2)];
  if (first?.kind !== 'ordinal' || second?.kind !== 'ordinal' || second.value !== first.value + 1) return null;
  if (!meaningAt(reader, at + 1, 'and') && !isWord(reader, at + 1, '+', '&')) return null;
  return { plain: first.value - 1, next: pass(reader, at + 3, 'stitch-word') };
}

/** "after every 3 sts", "after each third stitch" */
function afterEvery(reader: Reader, at: number): Behind | null {
  const each = isWord(reader, at, 'after') ? meaningAt(reader, at + 1, 'each') : null;
  const rank = each && tokenAt(reader, each.next);
  // "after every st"
  const stitch = each && meaningAt(reader, each.next, 'stitch-word');
  if (stitch) return { plain: 1, next: stitch.next };
  if (!each || (rank?.kind !== 'number' && rank?.kind !== 'ordinal') || rank.value > MOST) return null;
  return { plain: rank.value, next: meaningAt(reader, each.next + 1, 'stitch-word', 'stitch')?.next ?? each.next + 1 };
}

const MOST = 20;

/** Which one behind "every" is meant: 2 for "other" and the "o" of "e/o"; 0 where none is told. */
export function rankAt(reader: Reader, at: number): number {
  const other = isWord(reader, at, 'other', 'alternate') || (isWord(reader, at, 'o') && isWord(reader, at - 1, '/'));
  const rank = tokenAt(reader, at);
  return other ? 2 : rank?.kind === 'ordinal' ? rank.value : 0;
}

/** "in every other st", "in each 3rd stitch", "every second st": so many plain ones, and the one that is meant. */
export function nthStitch(reader: Reader, at: number): Behind | null {
  const inside = pass(reader, at, 'in');
  const each = meaningAt(reader, inside, 'each') ?? (isWord(reader, inside, 'alternate') ? { next: inside } : null);
  if (!each) return null;
  const n = rankAt(reader, each.next);
  if (n < 2 || n > MOST) return null;
  const word = meaningAt(reader, each.next + 1, 'stitch-word', 'stitch', 'loop-word');
  const one = isWord(reader, each.next + 1, 'one', 'ones') ? each.next + 2 : each.next + 1;
  return { plain: n - 1, next: word?.next ?? one };
}
