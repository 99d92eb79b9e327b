import type { SourceText, Span } from '../../text/source.js';
import type { Label } from '../labels.js';
import { tokenize } from '../lexer.js';
import type { Lexicon, Meaning } from '../lexicon.js';
import type { Numeral } from './numerals.js';
import type { Place } from './series.js';

const FEWEST = 3;
const SIGNS_BEHIND = /[^\s\p{L}\p{N}([{<*"'“]*[ \t]*/uy;
const ROW = /(?<!\p{L})rows?(?!\p{L})/iu;
/** A sign behind the number is of the label where so great a share of the labels has it, so many pieces on. */
const COMMON = 0.8;
const MOST_PIECES = 7;
const ROUND_WORDS: ReadonlySet<string> = new Set(['round-word', 'row-word']);
const PIECE = /\p{L}+|\d+|[^\s\p{L}\d]/gu;

/**
 * The sign that a label ends with: the last one of the first few that stands behind the number of most labels, with nothing
 * of crochet before it: "rd.:", "round.—", "/9 Sat –".
 */
export function endSign({ text }: SourceText, lexicon: Lexicon, places: readonly Place[]): string | null {
  const counts = new Map<string, { labels: number; position: number }>();
  for (const { numeral, end } of places) {
    const seen = new Set<string>();
    for (const { piece, index } of piecesBehind(text, lexicon, numeral.to, end)) {
      if (/[\p{L}\d([{<*/"'“]/u.test(piece) || seen.has(piece)) continue;
      seen.add(piece);
      const known = counts.get(piece) ?? { labels: 0, position: 0 };
      counts.set(piece, { labels: known.labels + 1, position: known.position + index });
    }
  }
  const common = [...counts].filter(([, { labels }]) => labels >= Math.max(FEWEST, places.length * COMMON));
  return common.sort(([, a], [, b]) => b.position / b.labels - a.position / a.labels)[0]?.[0] ?? null;
}

/** The words and signs behind a number up to the first that means something of crochet. */
function* piecesBehind(
  text: string,
  lexicon: Lexicon,
  from: number,
  end: number,
): Iterable<{ piece: string; index: number; to: number }> {
  let index = 0;
  let before = '';
  for (const match of text.slice(from, Math.min(end, from + 40)).matchAll(PIECE)) {
    const [piece] = match;
    // "3/9" is the third of nine; any other figure may be the count.
    if (/^\d/.test(piece) && before !== '/') return;
    before = piece;
    const meaning = meaningOf(lexicon, piece);
    if (/\p{L}/u.test(piece) && meaning !== undefined && !ROUND_WORDS.has(meaning)) return;
    yield { piece, index, to: from + match.index + piece.length };
    if ((index += 1) >= MOST_PIECES) return;
  }
}

/** The label at a place, with all that stands around its number and is alike in most labels. */
export function labelAt(
  source: SourceText,
  lexicon: Lexicon,
  place: Place,
  atStart: boolean,
  sign: string | null,
): Label {
  const { text } = source;
  const { numeral, start, line } = place;
  const to = labelEnd(text, lexicon, place, sign);
  const before = text.slice(start, numeral.from);
  const beside = BESIDE.exec(before)?.[0].length ?? 0;
  // A count may stand before the label: that is no part of it.
  const from = place.from ?? (atStart && (!/\d/.test(before) || before.length <= 6) ? start : numeral.from - beside);
  const behind = text.slice(numeral.to, to).replace(/\s*[([<{].*$/u, '');
  // "[7]-[12]"
  const number = text.slice(from, Math.min(to, numeral.to)).replace(/[)\]}](\s*[-–—]\s*)[([{]/u, '$1');
  const written = (number + behind).replace(/^[^\p{L}\p{N}#]+|[^\p{L}\p{N}]+$/gu, '');
  return labelled(written === '' ? `Line ${line + 1}` : written, numeral, { from, to }, ROW.test(text.slice(from, to)));
}

/** "B-" of "B-5", "Round the" of "Round the fifth", or the word or sign before a number. */
const BESIDE =
  /(?:(?<!\p{L})\p{L}{1,3}[-–#]|(?<!\p{L})(?:rounds?|rnds?|rds?|rows?)[ \t]+the|\p{L}+|[^\s\p{L}\p{N}]+)[ \t.]*$/iu;

function labelEnd(text: string, lexicon: Lexicon, { numeral, end }: Place, sign: string | null): number {
  const signed =
    sign === null
      ? undefined
      : [...piecesBehind(text, lexicon, numeral.to, end)].find(({ piece }) => piece === sign)?.to;
  // "3/9": the third of nine.
  const total = /^\/\d{1,3}(?!\d)/.exec(text.slice(numeral.to, numeral.to + 4))?.[0].length ?? 0;
  const to = signed === undefined || signed === numeral.to ? numeral.to + total : signed;
  SIGNS_BEHIND.lastIndex = to;
  return to + (SIGNS_BEHIND.exec(text)?.[0].length ?? 0);
}

/** A label by what is written and the numbers that it names. */
export function labelled(
  written: string,
  { first, last }: Pick<Numeral, 'first' | 'last'>,
  span: Span,
  row: boolean,
): Label {
  return {
    span,
    bodyFrom: span.to,
    text: written,
    from: first,
    to: last,
    numbers: Array.from({ length: Math.min(2000, last - first + 1) }, (_, i) => first + i),
    kind: row ? 'row' : null,
    series: '',
  };
}

/** "shut": a flat closing, or another round without a number. */
export function unnumbered(text: string, span: Span): Label {
  return { span, bodyFrom: span.to, text, from: 0, to: 0, numbers: [], kind: null, series: '' };
}

/** What a word or sign means by itself. */
export function meaningOf(lexicon: Lexicon, word: string): Meaning['is'] | undefined {
  return lexicon.at(tokenize(word, { from: 0, to: word.length }), 0)?.meaning.is;
}
