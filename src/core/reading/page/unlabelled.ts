import { lineSpan, type SourceText, type Span } from '../../text/source.js';
import { headingByLook } from '../headings.js';
import type { Label } from '../labels.js';
import { tokenize } from '../lexer.js';
import type { Lexicon, Meaning } from '../lexicon.js';
import { numeralsIn } from './numerals.js';

/** A line that may be a round although no number says so, with the number that its place gives it. */
export interface Unnumbered {
  readonly label: Label;
  readonly line: number;
  readonly words: Span;
  /** It is a round also where it states no count. */
  readonly stands: boolean;
}

const CROCHET: ReadonlySet<Meaning['is']> = new Set(['stitch', 'shaping', 'increase', 'decrease', 'steps']);
const FEWEST = 5;
const MOST_LINES = 1500;
/** "then 6 rounds of sc", "the same three rounds" */
const SO_MANY =
  /(?<!\p{L})(\d{1,3}|two|three|four|five|six|seven|eight|nine|ten|twelve)\s+(?:more\s+)?(?:rounds?|rows?|rnds?|rds?)(?!\p{L})/iu;
/** "rounds 1 to 5 exactly like the head" */
const NUMBERED = /(?<!\p{L})(?:rounds?|rows?|rnds?|rds?)\s+(\d{1,3})(?:\s*(?:-|–|to|and)\s*(\d{1,3}))?/iu;
/** "first three rounds of the legs again" */
const FIRST = /(?<!\p{L})first\s+(\d{1,2}|\p{L}{3,5})\s+(?:rounds?|rows?|rnds?|rds?)(?!\p{L})/iu;
const ALIKE = /(?<!\p{L})(?:same|as|like|again)(?!\p{L})/iu;
const FLAT = /(?<!\p{L})(?:both|two) (?:layers|sides|edges)/iu;

/** The lines of a text that has no labels at all which may be rounds: those that tell stitches, or are like other rounds. */
export function unnumberedIn(source: SourceText, lexicon: Lexicon): Unnumbered[] {
  if (source.lineStarts.length > MOST_LINES) return [];
  const found: Unnumbered[] = [];
  let number = 0;
  source.lineStarts.forEach((_, line) => {
    const span = lineSpan(source, line);
    const text = source.text.slice(span.from, Math.min(span.to, span.from + 400));
    if (text.trim() === '') return;
    const tokens = tokenize(text, { from: 0, to: text.length }, 200, lexicon.alphabet);
    const meanings = tokens.map((_token, i) => lexicon.at(tokens, i)?.meaning.is);
    const works = meanings.some((meaning) => meaning !== undefined && CROCHET.has(meaning));
    const starts = works && meanings.includes('magic-ring');
    const refers = ALIKE.test(text) && (SO_MANY.test(text) || NUMBERED.test(text));
    if (starts || (!works && headingByLook(text.trim()))) number = 0;
    if (/[=?]/.test(text) || !(works ? /\d/.test(text) || starts : refers)) return;
    const lead = text.length - text.trimStart().length;
    const words = { from: span.from + lead, to: span.to };
    const numbers = FLAT.test(text) ? [] : numbersOf(text, number + 1);
    number = numbers.at(-1) ?? number;
    found.push({ label: labelOf(words.from, numbers), line, words, stands: starts || refers });
  });
  return found.length < FEWEST ? [] : found;
}

/** The numbers of the rounds that a line tells, the first of which has the given number where it names none. */
function numbersOf(text: string, first: number): number[] {
  const named = NUMBERED.exec(text);
  if (named?.[1] && ALIKE.test(text)) {
    const from = Number(named[1]);
    return range(from, Number(named[2] ?? from));
  }
  const begun = FIRST.exec(text)?.[1];
  if (begun !== undefined && ALIKE.test(text))
    return range(1, numeralsIn(begun, { from: 0, to: begun.length })[0]?.first ?? 1);
  const many = SO_MANY.exec(text)?.[1];
  const count = many === undefined ? 1 : (numeralsIn(many, { from: 0, to: many.length })[0]?.first ?? 1);
  return range(first, first + count - 1);
}

function range(from: number, to: number): number[] {
  return Array.from({ length: Math.max(0, Math.min(500, to - from + 1)) }, (_, i) => from + i);
}

function labelOf(at: number, numbers: readonly number[]): Label {
  const [first = 0, last = first] = [numbers[0], numbers.at(-1)];
  const text = first === 0 ? 'closing' : first === last ? String(first) : `${first}–${last}`;
  return { span: { from: at, to: at }, bodyFrom: at, text, from: first, to: last, numbers, kind: null, series: '' };
}
