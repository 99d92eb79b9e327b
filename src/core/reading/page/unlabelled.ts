import type { SourceText, Span } from '../../text/source.js';
import { saysTerms } from '../detect.js';
import { headingByLook, inlineSection } from '../headings.js';
import type { Label } from '../labels.js';
import { countOf } from '../quantity.js';
import type { Lexicon } from '../lexicon.js';
import { FLAT, LONGEST, lookAt, mayBeRound, numbersOf, stands, type Looks } from './looks.js';
import { namedPiece, ownNumbers, type Own } from './ownNumbers.js';
import { linesOf, type Stretch } from './stretches.js';

/** A line that may be a round although no number says so, with the number that its place gives it. */
export interface Unnumbered {
  readonly label: Label;
  readonly line: number;
  readonly words: Span;
  /** It is a round also where it states no count. */
  readonly stands: boolean;
  /** It begins a piece in a ring. */
  readonly starts: boolean;
  /** What that is called in the same words. */
  readonly part?: string;
}

const FEWEST = 5;
const MOST_LINES = 1500;
/** "… / 24 / 24 / …": so many plain ones, among the rounds of a line. */
const FIGURE_ONLY = /^\s*\d{1,3}\s*$/;

/** The lines of a text that has no labels at all which may be rounds: those that tell stitches, or are like other rounds. */
export function unnumberedIn(
  source: SourceText,
  lexicon: Lexicon,
  stretches = linesOf(source),
  fewest = FEWEST,
): Unnumbered[] {
  if (source.lineStarts.length > MOST_LINES) return [];
  const found: Unnumbered[] = [];
  const inRun = runOf(source, stretches, lexicon);
  let number = 0;
  let before = '';
  for (const stretch of stretches.filter((one) => mayTell(source, one))) {
    const text = source.text.slice(stretch.from, Math.min(stretch.to, stretch.from + LONGEST));
    const { own, part } = beginningOf(text, number, lexicon);
    const told = text.slice(own.end);
    const looks = lookAt(told, lexicon);
    if (beginsPiece(text, looks)) number = 0;
    const placed = inRun(text) || (FIGURE_ONLY.test(told) && stretch.line === found.at(-1)?.line);
    if (!placed && !mayBeRound(told, looks)) continue;
    const label = labelIn(text, stretch.from, own, number + 1, before);
    before = told;
    number = label.to || number;
    const isRound = own.stands || placed || stands(told, lexicon, looks);
    const words = { from: label.span.to, to: stretch.to };
    found.push({ label, line: stretch.line, words, stands: isRound, starts: looks.starts, ...part });
  }
  return found.length < fewest ? [] : found;
}

/** "18   1 & 2", "twelve  just sc": a count, and what it is the count of. */
const COUNT_LED = /^\W{0,3}(\d{1,3}|\p{L}{3,12}(?:-\p{L}{3,5})?)\s+(?!mm|cm|g\b|m\b|yd)\S/u;
const SHARE_OF_RUN = 0.6;

/** Tells lines that are rounds by being laid out like the others: behind a count, where most lines that begin so are rounds. */
function runOf(source: SourceText, stretches: readonly Stretch[], lexicon: Lexicon): (line: string) => boolean {
  const led = stretches
    .map(({ from, to }) => source.text.slice(from, Math.min(to, from + LONGEST)))
    .filter((text) => isCountLed(text));
  const rounds = led.length < FEWEST ? [] : led.filter((text) => mayBeRound(text, lookAt(text, lexicon)));
  return rounds.length >= Math.max(FEWEST, led.length * SHARE_OF_RUN) ? isCountLed : () => false;
}

function isCountLed(text: string): boolean {
  const word = COUNT_LED.exec(text)?.[1];
  return word !== undefined && countOf(word) > 2;
}

/** "BODY.": the name of a piece that a paragraph begins with. */
const SHORT_SENTENCE = /^([^.!?]{3,30})\.$/u;

/** Whether the numbers begin anew. */
function beginsPiece(text: string, { starts, works }: Looks): boolean {
  return starts || (!works && headingByLook(text.trim().replace(SHORT_SENTENCE, '$1')) !== null);
}

/** What stands before the instruction: the name of the piece that it begins in a ring, or the number of the round. */
function beginningOf(text: string, number: number, lexicon: Lexicon): { own: Own; part: { part?: string } } {
  const named = namedPiece(text);
  return named && lookAt(text.slice(named.end), lexicon).starts
    ? { own: { numbers: [1], end: named.end, stands: true }, part: { part: named.part } }
    : { own: ownNumbers(text, number), part: {} };
}

/** Whether a stretch is neither blank nor a list of words: "US terms: sc, inc, MR", "Abbreviations: …". */
function mayTell({ text }: SourceText, { from, to }: Span): boolean {
  const words = text.slice(from, Math.min(to, from + LONGEST));
  const { kind, match } = inlineSection(words);
  return words.trim() !== '' && kind !== 'legend' && !(match && saysTerms(match[1] ?? ''));
}

/** What a round is called that has the given number where its words name none. */
function labelIn(text: string, from: number, own: Own, next: number, before: string): Label {
  const begins = text.length - text.trimStart().length;
  const span = { from: from + begins, to: from + Math.max(begins, own.end) };
  const numbers = FLAT.test(text) ? [] : (own.numbers ?? numbersOf(text, next, before));
  const [first = 0, last = first] = [numbers[0], numbers.at(-1)];
  const called = first === 0 ? 'closing' : first === last ? String(first) : `${first}–${last}`;
  return { span, bodyFrom: span.to, text: called, from: first, to: last, numbers, kind: null, series: '' };
}
