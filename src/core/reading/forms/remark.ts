import { NOT_NOW, REMARK_LEADS, WEAK_REMARK_LEADS } from '../../vocabulary/words.js';
import { countIn } from '../count.js';
import { freeLoopsAt } from './reference.js';
import {
  closeOf,
  isWord,
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
  'post',
  'evenly',
  'leave',
];

/** Meanings that a sentence about crochet can hold, and one about anything else can't. */
const CROCHET: ReadonlySet<string> = new Set([
  'stitch',
  'shaping',
  'increase',
  'decrease',
  'skip',
  'repeat',
  'loops',
  'around',
  'each',
  'same',
  'together',
  'times',
  'stitch-word',
  'chain-word',
  'loop-word',
  'magic-ring',
  'until',
  'other-side',
  'both-layers',
  'round-word',
  'row-word',
]);

const FLAT = /^(?:fold|folded|flat|flatten|pinch|press|squash|squeeze|halves)$/;

/**
 * Words to the maker that are no crochet: stuffing, markers, fastening off, talk. They end where crochet
 * begins, so that an instruction later in the sentence is still read.
 *
 * `Fold flat, sc 6 through both layers`   `Fasten off, leaving a long tail.`   `pinch it and sc 11 …`
 *  ^                                       ^                                    ^
 */
export const remark: InstructionForm = {
  name: 'remark',
  begins: EVERY_WORD,
  read(reader, at) {
    const first = tokenAt(reader, at);
    // Behind the count of a round stand words to the maker: "leaves you with 18 sts and a neck", "first one: fasten off".
    const talk = reader.found.stated !== null && reader.steps.length > 0;
    if (first?.kind !== 'word' && !(talk && first?.kind === 'ordinal')) return null;
    const lead = leadBefore(reader, at);
    if (lead !== null) {
      reader.found.remarks.push(spanBetween(reader, at, lead));
      return lead;
    }
    const strong = talk || REMARK_LEADS.has(first.word) || reader.lexeme(at)?.meaning.is === 'remark';
    const end = strong
      ? endOfTalk(reader, at, talk)
      : WEAK_REMARK_LEADS.has(first.word) || (reader.steps.length > 0 && beginsSentence(reader, at))
        ? endOfPlainSentence(reader, at)
        : null;
    if (end === null || saysTimes(reader, at, end)) return null;
    const span = spanBetween(reader, at, end);
    for (let i = at; i < end; i += 1) {
      if (FLAT.test(tokenAt(reader, i)?.word ?? '') || meaningAt(reader, i, 'both-layers')) {
        reader.steps.push({ kind: 'flat', span });
        break;
      }
    }
    reader.found.remarks.push(span);
    return end;
  },
};

/** "and again 5 times": how often something is done is no talk. */
function saysTimes(reader: Reader, from: number, to: number): boolean {
  for (let i = from; i < to; i += 1)
    if (tokenAt(reader, i)?.kind === 'number' && meaningAt(reader, i + 1, 'times') && !isWord(reader, i + 1, 'x', '×'))
      return true;
  return false;
}

/** Index after the talk: where crochet begins again, or the sentence ends. Null where crochet in it must not be done. */
function endOfTalk(reader: Reader, at: number, talk: boolean): number | null {
  let turned = NOT_NOW.has(tokenAt(reader, at)?.word ?? '');
  let i = at + 1;
  for (; i < reader.end; i += 1) {
    const token = tokenAt(reader, i);
    if (!token) break;
    if (token.kind === 'mark' && /^[.;!?]$/.test(token.word)) {
      const after = tokenAt(reader, i + 1);
      // "1.5 cm" and "approx. 6" go on.
      if (!(token.word === '.' && token.glued && after?.glued)) break;
    }
    if (token.kind === 'mark' && /^[,:=-]$/.test(token.word)) {
      // "Stuff, *sc2tog; rep from * to end"
      const next = !talk && tokenAt(reader, i + 1)?.kind === 'star' ? i + 2 : i + 1;
      if (beginsCrochet(reader, next) || beginsCount(reader, i) || freeLoopsAt(reader, i + 1)) break;
      // "fasten off, leaving the last 4 sts unworked"
      if (isWord(reader, i + 1, 'leave', 'leaving') && leavesStitches(reader, i + 2)) break;
      continue;
    }
    if (token.kind === 'open') {
      const close = closeOf(reader, i);
      if (close === null || countIn(reader, i + 1, close) || beginsCrochet(reader, i + 1)) break;
      if (close < reader.end) i = close;
      continue;
    }
    if (NOT_NOW.has(token.word)) turned = true;
    if (meaningAt(reader, i, 'other-side')) break;
    if ((token.word === 'and' || token.word === 'then' || token.word === 'with') && beginsCrochet(reader, i + 1)) break;
    // Crochet in the middle of a clause is not talk, and must not vanish with it.
    if (!talk && beginsCrochet(reader, i)) {
      if (turned) return null;
      break;
    }
  }
  return i;
}

function leavesStitches(reader: Reader, from: number): boolean {
  for (let i = from; i < from + 6; i += 1) if (isWord(reader, i, 'unworked', 'undone')) return true;
  return false;
}

/** Index after a sentence or clause without a number and without a word of crochet; null where one stands in it. */
function endOfPlainSentence(reader: Reader, at: number): number | null {
  let i = at;
  for (; i < reader.end; i += 1) {
    const token = tokenAt(reader, i);
    if (!token || token.kind === 'open' || token.kind === 'close' || /^[.;!?,:=]$/.test(token.word)) break;
    if (
      (token.kind !== 'word' && token.kind !== 'ordinal') ||
      (i > at && CROCHET.has(reader.lexeme(i)?.meaning.is ?? ''))
    )
      return null;
  }
  return i > at + 1 || (i > at && WEAK_REMARK_LEADS.has(tokenAt(reader, at)?.word ?? '')) ? i : null;
}

function beginsSentence(reader: Reader, at: number): boolean {
  const before = reader.tokens[at - 1];
  return before !== undefined && /^[.!?]$/.test(before.word) && !CROCHET.has(reader.lexeme(at)?.meaning.is ?? '');
}

/** "= 18", "- 18 sts" in the middle of talk is the count. */
function beginsCount(reader: Reader, at: number): boolean {
  const number = tokenAt(reader, at + 1);
  // "over Rnds 3-5" is a range.
  const range = reader.tokens[at - 1]?.kind === 'number' && tokenAt(reader, at)?.glued && number?.glued;
  return isWord(reader, at, '=', '-') && number?.kind === 'number' && !range;
}

function beginsCrochet(reader: Reader, from: number): boolean {
  const at = pass(reader, from, 'work');
  const token = tokenAt(reader, at);
  if (token?.kind === 'number') return meaningAt(reader, at + 1, 'stitch', 'shaping', 'increase', 'decrease') !== null;
  const meant = meaningAt(reader, at, 'stitch', 'shaping', 'increase', 'decrease');
  if (!meant) return false;
  const after = tokenAt(reader, meant.next);
  return (
    after?.kind === 'number' ||
    meaningAt(reader, meant.next, 'in', 'around', 'next', 'each', 'both-layers') !== null ||
    meaningAt(reader, meant.next, 'times') !== null
  );
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
