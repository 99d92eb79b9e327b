import { PLAIN, work as worked } from '../gist/shapes.js';
import type { Work } from '../../pattern/instruction.js';
import type { Span } from '../../text/source.js';
import { isBeside } from './bracket.js';
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
 * A magic ring that is said before its stitches.
 *
 * `MR, 6 sc`   `MC 6`   `Start with a magic ring of 6`   `Magic circle, ch 1, 6 sc into ring`
 *  ^            ^                    ^                     ^
 */
export const ring: InstructionForm = {
  name: 'ring',
  begins: ['magic-ring', 'work', 'in', 'with', 'number', 'unknown'],
  read(reader, at) {
    const bare = bareStitches(reader, at);
    if (bare !== null) return bare;
    const sized = sizedRing(reader, at);
    if (sized !== null) return sized;
    const make = isWord(reader, at, 'form', 'create') ? at + 1 : at;
    const verb = pass(reader, pass(reader, make, 'work', 'in', 'with'), 'work');
    const said = meaningAt(reader, verb, 'magic-ring');
    const i =
      (said && passYarn(reader, said.next)) ??
      (isWord(reader, verb, 'mc') || yarnLoop(reader, at, verb) ? verb + 1 : -1);
    if (i < 0) return null;
    const number = tokenAt(reader, i);
    const next = number?.kind === 'number' ? pass(reader, i + 1, 'stitch-word', 'loop-word', 'times') : i;
    // "MC" is also the main colour; as a ring it stands before its stitches.
    const goesOn = isWord(reader, i, 'with') && tokenAt(reader, i + 1)?.kind === 'number';
    if (!said && number?.kind !== 'number' && !goesOn && !isWord(reader, i, ',', '-', ':', '.')) return null;
    // "in MC, sc in each" goes on in the main colour.
    if (!said && verb > at && number?.kind !== 'number' && tokenAt(reader, i + 1)?.kind !== 'number') return null;
    reader.steps.push({ kind: 'ring', span: spanBetween(reader, at, i) });
    if (number?.kind === 'number' && !meaningAt(reader, next, 'stitch', 'shaping', 'times')) {
      reader.steps.push(inRing(number.value, spanBetween(reader, at, next)));
      return next;
    }
    return stitchesBehind(reader, i) ?? i;
  },
};

/** "In a magic ring, work 8 sts": behind a ring that has been told. */
function stitchesBehind(reader: Reader, at: number): number | null {
  const verb = isWord(reader, at, ',', ':') ? at + 1 : at;
  const figure = pass(reader, verb, 'work');
  const number = tokenAt(reader, figure);
  const next = number?.kind === 'number' ? pass(reader, figure + 1, 'stitch-word') : figure + 1;
  const beside = isBeside(reader, next);
  // "ring, 6 (white)"; where nothing follows the figure is the count.
  if (number?.kind !== 'number' || (next === figure + 1 && !beside)) return null;
  if (!isBoundary(reader, next) && !beside && tokenAt(reader, next)?.kind !== 'open') return null;
  reader.steps.push(inRing(number.value, spanBetween(reader, figure, next)));
  return next;
}

/** "Make a loop, 6 dc into loop": a loop of the yarn, where nothing stands before it. */
function yarnLoop(reader: Reader, at: number, loop: number): boolean {
  return at === 0 && loop > at && isWord(reader, loop, 'loop') && isWord(reader, loop + 1, ',', '.', ':', '-');
}

/** "start with a 6 st magic ring": the size is told once more where the stitches follow. */
function sizedRing(reader: Reader, at: number): number | null {
  const number = pass(reader, pass(reader, at, 'work'), 'with');
  const size = number > at ? tokenAt(reader, number) : null;
  if (size?.kind !== 'number') return null;
  const ring = meaningAt(reader, pass(reader, number + 1, 'stitch-word'), 'magic-ring');
  if (!ring) return null;
  const span = spanBetween(reader, at, ring.next);
  reader.steps.push({ kind: 'ring', span });
  const behind = tokenAt(reader, isWord(reader, ring.next, ',', '.', ':') ? ring.next + 1 : ring.next);
  if (behind === null || behind.kind === 'open') reader.steps.push(inRing(size.value, span));
  return ring.next;
}

/** "form a ring with the yarn" */
function passYarn(reader: Reader, at: number): number {
  return isWord(reader, at, 'with', 'from') && isWord(reader, at + 1, 'yarn', 'thread', 'tail') ? at + 2 : at;
}

/** "6 sts in MR", "6 x in MR": stitches whose kind is not said. */
function bareStitches(reader: Reader, at: number): number | null {
  const number = tokenAt(reader, at);
  if (number?.kind !== 'number') return null;
  const into = meaningAt(reader, pass(reader, at + 1, 'stitch-word', 'loop-word', 'times'), 'in');
  const said = into && meaningAt(reader, into.next, 'magic-ring');
  if (!said) return null;
  reader.steps.push(inRing(number.value, spanBetween(reader, at, said.next)));
  return said.next;
}

function inRing(count: number, span: Span): Work {
  return worked(PLAIN, { kind: 'times', times: count }, { kind: 'ring' }, span);
}
