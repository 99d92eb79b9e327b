import { REMARK_LEADS } from '../../vocabulary/words.js';
import { countIn } from '../count.js';
import {
  isBoundary,
  meaningAt,
  pass,
  spanBetween,
  tokenAt,
  type Beginning,
  type InstructionForm,
  type Reader,
} from '../reader.js';

/** Talk can begin with any word that is not itself crochet. */
const EVERY_WORD: readonly Beginning[] = [
  'unknown',
  'ordinal',
  'together',
  'join',
  'loops',
  'times',
  'around',
  'stitch-word',
  'chain-word',
  'loop-word',
  'each',
  'same',
  'last',
  'next',
  'in',
  'from-hook',
  'other-side',
  'both-layers',
  'until',
  'remain',
  'total',
  'counts',
  'counts-not',
  'round-word',
  'row-word',
  'more',
  'work',
  'with',
  'change',
  'remark',
  'magic-ring',
  'turn',
  'skip',
  'invisible',
];

/**
 * Words to the maker that are no crochet: stuffing, markers, fastening off, talk. Only the clause is
 * taken, so that an instruction later in the sentence is still read.
 *
 * `Fold flat, sc 6 through both layers`   `Fasten off, leaving a long tail.`   `pinch it and sc 11 …`
 *  ^                                       ^                                    ^
 */
export const remark: InstructionForm = {
  name: 'remark',
  begins: EVERY_WORD,
  examples: ['sc 6. Fasten off, leaving a long tail.', 'Fold flat, sc 6 through both layers'],
  read(reader, at) {
    const first = tokenAt(reader, at);
    if (first?.kind !== 'word') return null;
    const known = REMARK_LEADS.has(first.word) || reader.lexeme(at)?.meaning.is === 'remark';
    // Behind the count of a round stand words to the maker: "leaves you with 18 sts and a neck".
    const talk = reader.found.stated !== null && reader.steps.length > 0;
    const lead = leadBefore(reader, at);
    if (lead !== null) {
      reader.found.remarks.push(spanBetween(reader, at, lead));
      return lead;
    }
    if (!known && !talk) return null;
    let i = at + 1;
    while (i < reader.end && !isBoundary(reader, i)) {
      const token = tokenAt(reader, i);
      if (token?.kind === 'open') {
        const close = reader.partner[i] ?? -1;
        if (close > i && countIn(reader, i + 1, close)) break;
        if (close > i && close < reader.end) {
          i = close + 1;
          continue;
        }
      }
      if ((token?.word === 'and' || token?.word === 'then' || token?.word === 'with') && startsWork(reader, i + 1))
        break;
      // "turn to work along the other side"
      if (meaningAt(reader, i, 'other-side')) break;
      // Crochet in the middle of a clause is not talk, and must not vanish with it.
      if (!talk && startsWork(reader, i)) return null;
      i += 1;
    }
    reader.found.remarks.push(spanBetween(reader, at, i));
    return i;
  },
};

function startsWork(reader: Reader, from: number): boolean {
  const at = pass(reader, from, 'work');
  const token = tokenAt(reader, at);
  if (token?.kind === 'number') return meaningAt(reader, at + 1, 'stitch', 'shaping', 'increase', 'decrease') !== null;
  const meant = meaningAt(reader, at, 'stitch', 'shaping', 'increase', 'decrease');
  if (!meant) return false;
  const after = tokenAt(reader, meant.next);
  return after?.kind === 'number' || meaningAt(reader, meant.next, 'in', 'around', 'next', 'each') !== null;
}

/** A name at the very beginning, up to its colon: "Toes: turn, *sl st …". */
function leadBefore(reader: Reader, at: number): number | null {
  if (at !== 0 || reader.depth > 0) return null;
  for (let i = at; i < at + 5; i += 1) {
    const token = tokenAt(reader, i);
    if (token?.word === ':') return i + 1;
    if (token?.kind !== 'word' || meaningAt(reader, i, 'stitch', 'shaping', 'increase', 'decrease', 'loops'))
      return null;
  }
  return null;
}
