import type { Span } from '../text/source.js';
import { termsNear } from '../vocabulary/resembles.js';
import { inEitherCase } from '../text/eitherCase.js';

/** A small change of an instruction: one span replaced. Places count from its first character. */
export interface Edit extends Span {
  readonly text: string;
  /** How far it goes: the smaller, the likelier it is what was meant. */
  readonly size: number;
  readonly kind: 'number' | 'swap' | 'bracket' | 'exchange' | 'times' | 'spelling';
}

/** Figures that name a place ("2nd ch") or belong to a name ("2tog", "3.5 mm") are not tried. */
const FIGURE = /(?<![\d.])\d{1,3}(?!\d|\.\d|st(?![\p{L}])|nd|rd|th|\s?(?:tog|mm|cm|g)(?![\p{L}]))/gu;
const NUMBER_WORDS = new Map(
  'one two three four five six seven eight nine ten eleven twelve'.split(' ').map((word, i) => [word, i + 1]),
);
const WORD_FIGURE = inEitherCase(`(?<!\\p{L})(?:${[...NUMBER_WORDS.keys()].join('|')})(?!\\p{L})`, 'g');
const SHAPING =
  /(?<!\p{L})(?:(inc|increase|increases|incs)|(inv ?dec|invdec|dec|decrease|decreases|decs))(?!\p{L})|(?<![\p{L}])(\d*)([VA])(?=\d|\b)/giu;
/** A figure may have been meant to be so much larger or smaller. */
const REACH = 12;

/** The terms that the words which were not understood may have been meant to be. */
export function* spellingEdits(text: string, unread: readonly Span[]): Iterable<Edit> {
  for (const { from, to } of unread)
    for (const { 0: word, index } of text.slice(from, to).matchAll(/\p{L}{2,}/gu))
      for (const term of termsNear(word.toLowerCase()))
        yield {
          from: from + index,
          to: from + index + word.length,
          text: matchingCase(term, word),
          size: 0.5,
          kind: 'spelling',
        };
}

/** All small changes of an instruction: one number, an increase for a decrease, one bracket, one "times". */
export function* smallEdits(text: string): Iterable<Edit> {
  for (const { 0: found, index } of text.matchAll(FIGURE))
    yield* otherFigures(Number(found), index, found.length, String);
  for (const { 0: found, index } of text.matchAll(WORD_FIGURE)) {
    const value = NUMBER_WORDS.get(found.toLowerCase()) ?? 0;
    yield* otherFigures(value, index, found.length, (figure) => [...NUMBER_WORDS.keys()][figure - 1] ?? String(figure));
  }
  for (const match of text.matchAll(SHAPING)) yield* swapped(match);
}

function* otherFigures(value: number, from: number, length: number, write: (figure: number) => string): Iterable<Edit> {
  const slips = slipsOf(value);
  const edit = (other: number, size: number): Edit => ({
    from,
    to: from + length,
    text: write(other),
    size,
    kind: 'number',
  });
  for (const [other, size] of slips) yield edit(other, size);
  const highest = value + Math.max(REACH, Math.ceil(value / 2));
  for (let other = Math.max(1, value - REACH); other <= highest; other += 1)
    if (other !== value && !slips.has(other)) yield edit(other, Math.abs(other - value));
}

/** What a number may have been before the keys slipped: two digits exchanged, one struck twice, one too many; with its size. */
function slipsOf(value: number): Map<number, number> {
  const digits = String(value);
  const slips = new Map<number, number>();
  const note = (other: string, size: number) => {
    const known = slips.get(Number(other));
    if (/^[1-9]/.test(other) && other !== digits && !(known && known <= size)) slips.set(Number(other), size);
  };
  if (digits.length === 2) note(`${digits.charAt(1)}${digits.charAt(0)}`, 1);
  for (let i = 0; digits.length > 1 && i < digits.length; i += 1)
    note(digits.slice(0, i) + digits.slice(i + 1), digits.charAt(i) === digits.charAt(i - 1) ? 1 : 2);
  return slips;
}

function* swapped(match: RegExpExecArray): Iterable<Edit> {
  const [found, inc, dec, , letter] = match;
  const from = match.index + (letter ? found.length - 1 : 0);
  const to = match.index + found.length;
  const text = inc ? 'dec' : dec ? 'inc' : letter === 'V' ? 'A' : letter === 'A' ? 'V' : null;
  if (text !== null) yield { from, to, text: matchingCase(text, inc ?? dec ?? letter ?? ''), size: 1.5, kind: 'swap' };
}

function matchingCase(text: string, like: string): string {
  if (like.length > 1 && like === like.toUpperCase()) return text.toUpperCase();
  return /^\p{Lu}/u.test(like) ? text.charAt(0).toUpperCase() + text.slice(1) : text;
}

/** So many characters are read again at most in one search: beyond it a round is too long for each of its changes. */
const MOST_REREAD = 60_000;

/** The changes that are worth a try in an instruction of so many characters: all, or of a long one the smallest. */
export function withinReach(edits: Iterable<Edit>, length: number): Edit[] {
  const all = [...edits];
  const most = Math.floor(MOST_REREAD / Math.max(1, length));
  return all.length <= most ? all : all.sort((a, b) => a.size - b.size).slice(0, most);
}

const PAIRS: Record<string, string> = { '(': ')', '[': ']', '{': '}', ')': '(', ']': '[', '}': '{' };

const REPEATS = /^\s*(?:[x×*]\s*\d|\d+\s*(?:x|times)|twice|around|to end|rep)/i;

/** Where the missing partner of a bracket can stand: after a word or figure behind it, or before one in front. */
export function* bracketEdits(text: string, mark: string, at: number): Iterable<Edit> {
  const partner = PAIRS[mark];
  if (!partner) return;
  const opens = '([{'.includes(mark);
  const gaps = opens ? /(?<=[\p{L}\d)\]}])(?=[\s,;.)\]}*×]|$)/gu : /(?<=^|[\s,;(*])(?=[\p{L}\d(])/gu;
  for (const { index } of text.matchAll(gaps)) {
    if (opens ? index <= at + 1 : index >= at) continue;
    // Where "x 6" or "around" follows, all that stands before it is what is repeated.
    const likely = opens && REPEATS.test(text.slice(index, index + 16));
    yield {
      from: index,
      to: index,
      text: partner,
      size: likely ? 0.5 : 1 + Math.abs(index - at) / 1000,
      kind: 'bracket',
    };
  }
  yield { from: at, to: at + 1, text: '', size: 2, kind: 'bracket' };
}

/** "[sc 1, inc)": a bracket that one kind opens and another closes, as the one that closes it. */
export function* exchangeEdits(opening: string, at: number, closing: string): Iterable<Edit> {
  const other = PAIRS[closing];
  if ('([{'.includes(opening) && other !== undefined && other !== opening)
    yield { from: at, to: at + 1, text: other, size: 0.4, kind: 'exchange' };
}

/** "x 3" behind a repeat that says no number; `sign` as `timesSign` gives it. */
export function* timesEdits(at: number, sign: string): Iterable<Edit> {
  for (let times = 2; times <= 24; times += 1)
    yield { from: at, to: at, text: sign.replace('#', String(times)), size: 1, kind: 'times' };
}

/** How a pattern says how often, with its spaces: " × #", "x#", " # times". */
export function timesSign(text: string): string {
  const match = /[)\]}]( ?)([x×*])( ?)\d/.exec(text);
  if (match) return `${match[1] ?? ''}${match[2] ?? ''}${match[3] ?? ''}#`;
  return /[)\]}] \d+ times/.test(text) ? ' # times' : ' x #';
}
