import type { Repeat, Work } from '../pattern/instruction.js';
import { filling } from './amount.js';
import { isWord, meaningAt, pass, spanBetween, tokenAt, type Reader } from './reader.js';

/**
 * An increase in every so-manieth stitch, with the stitches between worked plain; null where that is not said.
 *
 * `inc in every other st`   `2 sc in every 3rd st around`
 *      ^                          ^
 */
export function inEveryNth(
  reader: Reader,
  at: number,
  work: Work,
  from: number,
): { step: Repeat; next: number } | null {
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
