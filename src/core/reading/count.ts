import type { StatedCount } from '../pattern/instruction.js';
import type { StitchId } from '../vocabulary/stitches.js';
import { isWord, meaningAt, tokenAt, type Reader } from './reader.js';

const COUNTING: ReadonlySet<string> = new Set(['counting', 'including', 'incl']);
type Counted = Omit<StatedCount, 'span'>;

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
  for (let i = from; i < to;) {
    const token = reader.tokens[i];
    if (!token) return null;
    if (token.kind === 'number') {
      // "24, 3 rnds": how many rounds.
      const rounds = parts.length > 0 ? reader.lexicon.at(reader.tokens, i + 1)?.meaning.is : undefined;
      if (rounds === 'round-word' || rounds === 'row-word') {
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
    if (token.kind === 'mark' && /^[,;+&:.]$/.test(token.word)) {
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
      if (found?.meaning.is !== 'total' && found?.meaning.is !== 'more') return null;
      i += found.length;
    }
  }
  const breakdown = parts.flatMap(({ count, stitch }) => (stitch ? [{ count, stitch }] : []));
  if (parts.length === 0) return null;
  if (total === null) {
    if (parts.length > 1 && breakdown.length !== parts.length && !added) return null;
    total = parts.reduce((sum, part) => sum + part.count, 0);
  }
  return { total, breakdown, ...(air ? { spaces: true as const } : {}) };
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
  return found.meaning.is === 'and' ? { stitch: null, next: at } : null;
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
