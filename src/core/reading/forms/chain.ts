import { once, type Chain, type Work } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import {
  closeOf,
  isWord,
  meaningAt,
  pass,
  spanBetween,
  tokenAt,
  type InstructionForm,
  type Reader,
} from '../reader.js';

/**
 * A run of chains, with what the pattern says of it.
 *
 * `ch 3`   `12K`   `chain 2`   `ch 3 (counts as dc)`   `ch 1 (does not count)`
 *  ^        ^       ^           ^                       ^
 */
export const chain: InstructionForm = {
  name: 'chain',
  begins: ['stitch', 'number', 'work'],
  read(reader, at) {
    const read = chainsAt(reader, at);
    if (!read) return null;
    const says = countsAfter(reader, read.next);
    const next = says?.next ?? read.next;
    const step: Chain = {
      kind: 'chain',
      count: read.count,
      counts: says?.counts ?? null,
      span: spanBetween(reader, at, next),
    };
    reader.steps.push(step);
    return next;
  },
};

/** How many chains are told at a token; null where none are. */
export function chainsAt(reader: Reader, at: number): { count: number; next: number } | null {
  let i = pass(reader, at, 'work');
  let count: number | null = null;
  const before = tokenAt(reader, i);
  if (before?.kind === 'number') {
    count = before.value;
    i = pass(reader, i + 1, 'more');
  }
  const word = meaningAt(reader, i, 'stitch');
  if (word?.meaning.stitch !== 'chain') return null;
  const after = tokenAt(reader, word.next);
  if (count !== null || after?.kind !== 'number') return { count: count ?? 1, next: word.next };
  return { count: after.value, next: word.next + 1 };
}

/** Chains among stitches that go into one. */
export function chainsInOne(count: number, span: Span): Work {
  return { kind: 'work', stitch: 'chain', per: count, over: 1, amount: once, place: { kind: 'same' }, span };
}

/** `sc 2, picot, sc 2`: a point beside the edge, and no part of it. */
export const picot: InstructionForm = {
  name: 'picot',
  begins: ['stitch', 'number', 'work'],
  read(reader, at) {
    const verb = pass(reader, at, 'work');
    const word = meaningAt(reader, tokenAt(reader, verb)?.value === 1 ? verb + 1 : verb, 'stitch');
    if (word?.meaning.stitch !== 'picot') return null;
    // "Picot edge: …" names the round.
    if (
      reader.steps.length === 0 &&
      isWord(reader, word.next, 'edge', 'edging', 'border') &&
      isWord(reader, word.next + 1, ':')
    ) {
      reader.found.remarks.push(spanBetween(reader, at, word.next + 1));
      return word.next + 2;
    }
    reader.steps.push({ kind: 'picot', span: spanBetween(reader, at, word.next) });
    return word.next;
  },
};

/** "(counts as dc)", "(does not count as a stitch)", with or without brackets. */
function countsAfter(reader: Reader, at: number): { counts: boolean; next: number } | null {
  const close = closeOf(reader, at);
  let i = close === null ? at : at + 1;
  if (isWord(reader, i, ',') && close === null) i += 1;
  if (isWord(reader, i, 'which', 'this', 'that', 'here')) i += 1;
  const says = meaningAt(reader, i, 'counts', 'counts-not');
  if (!says) return null;
  const counts = says.meaning.is === 'counts';
  if (close !== null) return { counts, next: close + 1 };
  i = says.next;
  if (isWord(reader, i, 'as', 'here', 'now')) i += 1;
  if (tokenAt(reader, i)?.kind === 'number') i += 1;
  i = pass(reader, i, 'stitch', 'stitch-word');
  return { counts, next: pass(reader, i, 'stitch-word') };
}
