import { REMARK_LEADS } from '../../vocabulary/words.js';
import { isBoundary, meaningAt, spanBetween, tokenAt, type InstructionForm, type Reader } from '../reader.js';

/**
 * Words to the maker that are no crochet: stuffing, markers, fastening off, talk. Only the clause is
 * taken, so that an instruction later in the sentence is still read.
 *
 * `Fold flat, sc 6 through both layers`   `Fasten off, leaving a long tail.`   `pinch it and sc 11 …`
 *  ^                                       ^                                    ^
 */
export const remark: InstructionForm = {
  name: 'remark',
  examples: ['sc 6. Fasten off, leaving a long tail.', 'Fold flat, sc 6 through both layers'],
  read(reader, at) {
    const first = tokenAt(reader, at);
    if (first?.kind !== 'word') return null;
    const known = REMARK_LEADS.has(first.word) || reader.lexeme(at)?.meaning.is === 'remark';
    const talk = !known && endsSentenceBefore(reader, at) && reader.found.stated !== null;
    if (!known && !talk) return null;
    let i = at + 1;
    while (i < reader.end && !isBoundary(reader, i)) {
      const token = tokenAt(reader, i);
      if (token?.kind === 'open') {
        const close = reader.partner[i] ?? -1;
        if (close > i && close < reader.end) {
          i = close + 1;
          continue;
        }
      }
      if (token?.word === 'and' && startsWork(reader, i + 1)) break;
      if (token?.word === 'then' && startsWork(reader, i + 1)) break;
      if (token?.word === 'with' && startsWork(reader, i + 1)) break;
      i += 1;
    }
    reader.found.remarks.push(spanBetween(reader, at, i));
    return i;
  },
};

function startsWork(reader: Reader, at: number): boolean {
  const token = tokenAt(reader, at);
  if (token?.kind === 'number') return meaningAt(reader, at + 1, 'stitch', 'shaping', 'increase', 'decrease') !== null;
  const meant = meaningAt(reader, at, 'stitch', 'shaping', 'increase', 'decrease');
  if (!meant) return false;
  const after = tokenAt(reader, meant.next);
  return after?.kind === 'number' || meaningAt(reader, meant.next, 'in', 'around', 'next', 'each') !== null;
}

/** Whether the sentence before this token has ended. */
export function endsSentenceBefore(reader: Reader, at: number): boolean {
  const before = reader.tokens[at - 1];
  return before === undefined || /^[.!?]$/.test(before.word) || before.kind === 'close' || before.word === '-';
}
