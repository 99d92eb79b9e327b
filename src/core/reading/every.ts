import type { Repeat, Work } from '../pattern/instruction.js';
import { filling } from './amount.js';
import { isWord, meaningAt, pass, spanBetween, tokenAt, type Reader } from './reader.js';

/**
 * A shaping in every so-manieth stitch, with the stitches between worked plain; null where that is not said.
 *
 * `inc in every other st`   `2 sc in every 3rd st around`   `dec every 4th and 5th st`
 *      ^                          ^                               ^
 */
export function inEveryNth(
  reader: Reader,
  at: number,
  work: Work,
  from: number,
): { step: Repeat; next: number } | null {
  if (work.over === 2 && work.amount.kind === 'times' && work.amount.times === 1)
    return decreaseEvery(reader, at, work, from);
  if (work.over > 1 || work.amount.kind !== 'times' || work.place.kind !== 'edge') return null;
  const per = work.per * work.amount.times;
  const nth = per < 2 ? null : nthStitch(reader, from);
  if (!nth) return null;
  const around = filling(reader, nth.next);
  const next = around?.amount.kind === 'fill' && around.amount.leave === 0 ? around.next : nth.next;
  const span = spanBetween(reader, at, next);
  const increase: Work = { ...work, per, amount: { kind: 'times', times: 1 }, span };
  const plain: Work = { ...increase, per: 1, amount: { kind: 'times', times: nth.n - 1 } };
  return { step: { kind: 'repeat', body: [plain, increase], amount: { kind: 'fill', leave: 0 }, span }, next };
}

/** "dec every 4th and 5th st": two in every so many become one. */
function decreaseEvery(reader: Reader, at: number, work: Work, from: number): { step: Repeat; next: number } | null {
  const each = meaningAt(reader, pass(reader, from, 'in'), 'each');
  const first = each && tokenAt(reader, each.next);
  const second = each && meaningAt(reader, each.next + 1, 'and') ? tokenAt(reader, each.next + 2) : null;
  if (!each || first?.kind !== 'ordinal' || second?.kind !== 'ordinal' || second.value !== first.value + 1) return null;
  const word = pass(reader, pass(reader, each.next + 3, 'stitch-word'), 'together');
  const around = filling(reader, word);
  const next = around?.amount.kind === 'fill' && around.amount.leave === 0 ? around.next : word;
  const span = spanBetween(reader, at, next);
  const plain: Work = { ...work, over: 1, amount: { kind: 'times', times: first.value - 1 }, span };
  return { step: { kind: 'repeat', body: [plain, work], amount: { kind: 'fill', leave: 0 }, span }, next };
}

/** "in every other st", "in each 3rd stitch", "every second st" */
function nthStitch(reader: Reader, at: number): { n: number; next: number } | null {
  const each = meaningAt(reader, pass(reader, at, 'in'), 'each');
  if (!each) return null;
  const rank = tokenAt(reader, each.next);
  const n = isWord(reader, each.next, 'other', 'alternate') ? 2 : rank?.kind === 'ordinal' ? rank.value : 0;
  if (n < 2 || n > 20) return null;
  const word = meaningAt(reader, each.next + 1, 'stitch-word', 'stitch', 'loop-word');
  return { n, next: word?.next ?? each.next + 1 };
}
