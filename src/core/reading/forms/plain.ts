import type { Work } from '../../pattern/instruction.js';
import { PLAIN_ONE, REST } from '../gist/phrases.js';
import { EDGE, FILL, PLAIN, work as worked } from '../gist/shapes.js';
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
import { isFabricStep } from './work.js';

/**
 * A round in which nothing is shaped, without the name of its stitch.
 *
 * `work even (30)`   `straight`   `no increases`   `without shaping, 24 sts`
 *  ^                  ^            ^                ^
 */
export const plain: InstructionForm = {
  name: 'plain',
  begins: ['work', 'evenly', 'each', 'unknown', 'steps', 'mark'],
  read(reader, at) {
    // What the pattern itself has one word for: "tutti: sc in every stitch".
    const own = meaningAt(reader, at, 'steps');
    if (own) {
      const span = spanBetween(reader, at, own.next);
      for (const step of own.meaning.steps) reader.steps.push({ ...step, span });
      return own.next;
    }
    if (reader.depth > 0) return null;
    const others = restAt(reader, at);
    if (others) {
      reader.steps.push(others.step);
      return others.next;
    }
    const next = dittoAt(reader, at) ?? plainWords(reader, pass(reader, at, 'work'));
    const ends = next !== null && (isBoundary(reader, next) || tokenAt(reader, next)?.kind === 'open');
    // "straight for 4 rounds"
    if (next === null || !(ends || isWord(reader, next, 'for'))) return null;
    if (reader.steps.some(isFabricStep)) {
      // "sc around with no increases": said of what has been worked.
      if (!isWord(reader, at, 'with', 'without', 'no')) return null;
      reader.found.remarks.push(spanBetween(reader, at, next));
      return next;
    }
    reader.steps.push(worked(PLAIN, FILL, EDGE, spanBetween(reader, at, next)));
    return next;
  },
};

/** "inc, rest sc", "2 tog, the rest normal", "inc x2, everything else plain": nothing is shaped behind what has been worked. */
function restAt(reader: Reader, at: number): { step: Work; next: number } | null {
  const [long, short] = [
    isWord(reader, at, 'everything', 'all') && isWord(reader, at + 1, 'else', 'others'),
    REST.test(tokenAt(reader, at)?.word ?? ''),
  ];
  if ((!long && !short) || !reader.steps.some(isFabricStep)) return null;
  const round = pass(reader, at + (long ? 2 : 1), 'round-word', 'row-word', 'stitch-word');
  const how = pass(reader, pass(reader, round, 'work'), 'in');
  const stitch = meaningAt(reader, how, 'stitch');
  const next = stitch?.next ?? (PLAIN_ONE.test(tokenAt(reader, how)?.word ?? '') ? how + 1 : null);
  if (next === null || !(isBoundary(reader, next) || tokenAt(reader, next)?.kind === 'open')) return null;
  const shape = { ...PLAIN, stitch: stitch?.meaning.stitch ?? null };
  return { step: worked(shape, FILL, EDGE, spanBetween(reader, at, next)), next };
}

/** "=", "〃": a cell of nothing but a sign for the same again. */
function dittoAt(reader: Reader, at: number): number | null {
  return at === 0 && reader.end === 1 && isWord(reader, at, '=', '〃', '″') ? 1 : null;
}

const SHAPING = ['shaping', 'change', 'changes', 'inc', 'dec'];

/** "even", "straight", "plain", "as they are", "without increases", "no more shaping"; null where no such words stand. */
export function plainWords(reader: Reader, at: number): number | null {
  if (isWord(reader, at, 'even', 'plain', 'straight'))
    return isWord(reader, at + 1, 'up') ? at + 2 : pass(reader, at + 1, 'round-word', 'row-word');
  if (isWord(reader, at, 'as') && isWord(reader, at + 1, 'they', 'it') && isWord(reader, at + 2, 'are', 'is'))
    return at + 3;
  if (isWord(reader, at, 'nothing') && isWord(reader, at + 1, 'for')) return at + 1;
  if (!isWord(reader, at, 'without', 'with', 'no')) return null;
  let i = isWord(reader, at, 'with') ? at + 1 : at;
  if (i > at && !isWord(reader, i, 'no')) return null;
  i = pass(reader, isWord(reader, i + 1, 'any') ? i + 2 : i + 1, 'more');
  const said = isWord(reader, i, ...SHAPING) || meaningAt(reader, i, 'increase', 'decrease') !== null;
  if (!said) return null;
  const and = isWord(reader, i + 1, 'or', 'and') && meaningAt(reader, i + 2, 'increase', 'decrease');
  return and ? and.next : i + 1;
}
