import type { StatedCount } from '../pattern/instruction.js';
import type { StitchId } from '../vocabulary/stitches.js';
import { closeOf, isWord, meaningAt, tokenAt, type Reader } from './reader.js';

const COUNTING: ReadonlySet<string> = new Set(['counting', 'including', 'incl']);
type Counted = Omit<StatedCount, 'span'>;

/** The count that a bracket holds; null where none opens at a token, or it holds something else. */
export function countInBracket(reader: Reader, at: number): ReturnType<typeof countIn> {
  const close = closeOf(reader, at);
  return close === null ? null : countIn(reader, at + 1, close);
}

/**
 * A count, and nothing but a count, between two tokens: `18`  `18 sts`  `12 sc, 6 hdc`
 * `10 sc, 4 sl st = 14`  `total 18`  `18 sts in total`. Null where anything else stands there.
 */
export function countIn(reader: Reader, from: number, to: number): Counted | null {
  const parts: { count: number; stitch: StitchId | null }[] = [];
  let total: number | null = null;
  let equals = false;
  let added = false;
  let air = false;
  let whole: number | null = null;
  for (let i = from; i < to;) {
    const token = reader.tokens[i];
    if (!token) return null;
    if (token.kind === 'number') {
      // "24, 3 rnds", "3 rounds, 24 sts": how many rounds.
      if (isRoundWord(reader, i + 1)) {
        i += 2;
        continue;
      }
      // "12 tr and 4 ch-2 sps": spaces are no stitches.
      const spaces = parts.length > 0 ? passSpace(reader, i + 1) : i + 1;
      if (spaces > i + 1) {
        air = true;
        i = spaces;
        continue;
      }
      const word = wordAfter(reader, i + 1, to);
      if (word === null) return null;
      if (equals) total = token.value;
      else parts.push({ count: token.value, stitch: word.stitch });
      i = word.next;
      continue;
    }
    const first = parts[0];
    if (token.word === ':' && first?.stitch === null && parts.length === 1) {
      // "18: 9 sc, 9 hdc"
      whole = first.count;
      parts.length = 0;
      i += 1;
    } else if (token.kind === 'mark' && /^[,;+&:.]$/.test(token.word)) {
      // "4 + 3 ch" adds up.
      added ||= token.word === '+';
      i += 1;
    } else if (token.word === '=' || token.word === '-') {
      equals = parts.length > 0;
      i += 1;
    } else if (token.word === 'and' || (token.word === 'now' && parts.length > 0)) i += 1;
    else {
      // "24 dc, counting ch 3": which they are.
      if (COUNTING.has(token.word) && parts.length > 0) break;
      const found = reader.lexicon.at(reader.tokens, i);
      const eachRound = parts.length > 0 ? passEachRound(reader, i) : i;
      if (eachRound > i) {
        i = eachRound;
        continue;
      }
      if (found?.meaning.is !== 'total' && found?.meaning.is !== 'more') return null;
      i += found.length;
    }
  }
  const breakdown = parts.flatMap(({ count, stitch }) => (stitch ? [{ count, stitch }] : []));
  if (parts.length === 0) return whole === null ? null : { total: whole, breakdown };
  total ??= whole;
  if (total === null) {
    if (parts.length > 1 && breakdown.length !== parts.length && !added) return null;
    total = parts.reduce((sum, part) => sum + part.count, 0);
  }
  return { total, breakdown, ...(air ? { spaces: true as const } : {}) };
}

function isRoundWord(reader: Reader, at: number): boolean {
  const meaning = reader.lexicon.at(reader.tokens, at)?.meaning.is;
  return meaning === 'round-word' || meaning === 'row-word';
}

/** The index behind "each round", "in every row"; the same index where that does not stand there. */
function passEachRound(reader: Reader, at: number): number {
  const inside = reader.lexicon.at(reader.tokens, at)?.meaning.is === 'in' ? at + 1 : at;
  const each = reader.lexicon.at(reader.tokens, inside);
  const word = inside + (each?.length ?? 0);
  return each?.meaning.is === 'each' && isRoundWord(reader, word) ? word + 1 : at;
}

/** What is counted, after a figure: stitches, a kind of stitch, or nothing at all. */
function wordAfter(reader: Reader, at: number, to: number): { stitch: StitchId | null; next: number } | null {
  if (at >= to) return { stitch: null, next: at };
  const found = reader.lexicon.at(reader.tokens, at);
  if (!found) {
    const token = reader.tokens[at];
    return token?.kind === 'mark' ? { stitch: null, next: at } : null;
  }
  const next = at + found.length;
  if (next > to) return null;
  if (
    found.meaning.is === 'stitch-word' ||
    found.meaning.is === 'loop-word' ||
    found.meaning.is === 'chain-word' ||
    found.meaning.is === 'total'
  )
    return { stitch: null, next };
  if (found.meaning.is === 'stitch') {
    const st = reader.lexicon.at(reader.tokens, next);
    const skip = st?.meaning.is === 'stitch-word' && next + st.length <= to ? st.length : 0;
    return { stitch: found.meaning.stitch, next: next + skip };
  }
  return ['and', 'in', 'each'].includes(found.meaning.is) ? { stitch: null, next: at } : null;
}

const SPACE = ['sp', 'sps', 'space', 'spaces'];

/** The index after "ch-2 sp", "2-ch space", "ch sp", "sp"; the same index where none stands there. */
export function passSpace(reader: Reader, at: number): number {
  let i = tokenAt(reader, at)?.kind === 'number' ? at + 1 : at;
  const chain = meaningAt(reader, i, 'stitch', 'chain-word');
  if (chain) i = chain.next;
  if (chain && tokenAt(reader, i)?.kind === 'number') i += 1;
  return isWord(reader, i, ...SPACE) && (chain !== null || i === at) ? i + 1 : at;
}
