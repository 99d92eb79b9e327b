import type { Repeat, Work } from '../../pattern/instruction.js';
import { filling } from '../amount.js';
import { nthStitch, type Behind } from '../every.js';
import { EDGE } from '../placement.js';
import {
  isBoundary,
  isWord,
  meaningAt,
  pass,
  spanBetween,
  tokenAt,
  type InstructionForm,
  type Reader,
} from '../reader.js';

/**
 * Stitches of the edge that are passed over.
 *
 * `sk 1`   `skip next 2 sts`   `miss 1 st`   `miss first st`
 *  ^        ^                   ^             ^
 */
export const skip: InstructionForm = {
  name: 'skip',
  begins: ['skip'],
  read(reader, at) {
    const verb = meaningAt(reader, at, 'skip');
    if (!verb) return null;
    const nth = nthStitch(reader, verb.next);
    if (nth) return skipEvery(reader, at, nth);
    let i = pass(reader, verb.next, 'next', 'each');
    const number = tokenAt(reader, i);
    let count = 1;
    if (number?.kind === 'number') {
      count = number.value;
      i += 1;
    } else if (number?.kind === 'ordinal' && number.value === 1) i += 1;
    const word = pass(reader, i, 'stitch-word', 'loop-word', 'chain-word', 'stitch');
    // "skip the pin" is no stitch.
    if (word === i && number?.kind !== 'number') return null;
    const noun = meaningAt(reader, i, 'stitch', 'chain-word')?.meaning;
    const chains = noun !== undefined && (noun.is === 'chain-word' || noun.stitch === 'chain');
    reader.steps.push({
      kind: 'skip',
      count,
      first: number?.kind === 'ordinal',
      ...(chains ? { chains: true as const } : {}),
      span: spanBetween(reader, at, word),
    });
    return word;
  },
};

/** "miss every 4th st (around)": the others are worked plain. */
function skipEvery(reader: Reader, at: number, { plain, next: behind }: Behind): number {
  const around = filling(reader, behind);
  const next = around?.amount.kind === 'fill' && around.amount.leave === 0 ? around.next : behind;
  const span = spanBetween(reader, at, next);
  const amount = { kind: 'times', times: plain } as const;
  const work: Work = { kind: 'work', stitch: null, per: 1, over: 1, amount, place: EDGE, span };
  const body: Repeat['body'] = [work, { kind: 'skip', count: 1, first: false, span }];
  reader.steps.push({ kind: 'repeat', body, amount: { kind: 'fill', leave: 0 }, span });
  return next;
}

/**
 * The end of the edge, left on purpose.
 *
 * `sc 4, leave the remaining 8 sts unworked`   `sc 6, leave the rest`   `sc 23; one stitch is left over`
 *        ^                                            ^                          ^
 */
export const leave: InstructionForm = {
  name: 'leave',
  begins: ['leave', 'total', 'number'],
  read(reader, at) {
    const over = leftOver(reader, at);
    if (over !== null) return over;
    const verb = meaningAt(reader, at, 'leave') ?? (isWord(reader, at, 'leaving') ? { next: at + 1 } : null);
    if (!verb) return null;
    let i = pass(reader, pass(reader, verb.next, 'last'), 'next', 'each');
    let count: number | null = null;
    let rest = i > verb.next;
    if (isWord(reader, i, 'rest', 'remainder', 'others', 'other')) {
      rest = true;
      i += 1;
    }
    const number = tokenAt(reader, i);
    if (number?.kind === 'number') {
      count = number.value;
      i += 1;
    }
    const word = pass(reader, i, 'stitch-word', 'loop-word', 'chain-word', 'stitch');
    let end = pass(reader, word, 'round-word', 'row-word');
    const said = isWord(reader, end, 'unworked', 'free', 'empty', 'open', 'alone', 'undone');
    if (said) end += 1;
    // "leave a 20 cm tail", "leave 6 sts apart" are no stitches of the edge.
    // "leave the rest (6)"
    const ends = isBoundary(reader, end) || /^[([{]$/.test(tokenAt(reader, end)?.word ?? '');
    if (!said && !(rest && ends)) return null;
    reader.steps.push({ kind: 'leave', count, span: spanBetween(reader, at, end) });
    return end;
  },
};

/** "4 sts remain unworked", "one stitch is left over"; "6 sts are left" tells the count. */
function leftOver(reader: Reader, at: number): number | null {
  const number = tokenAt(reader, at);
  const stitch = number?.kind === 'number' ? meaningAt(reader, at + 1, 'stitch-word', 'stitch') : null;
  const remain = stitch && meaningAt(reader, stitch.next, 'remain');
  if (!number || !remain || !isWord(reader, remain.next, 'over', 'unworked', 'unused', 'free')) return null;
  reader.steps.push({ kind: 'leave', count: number.value, span: spanBetween(reader, at, remain.next + 1) });
  return remain.next + 1;
}
