import { lineSpan, type SourceText, type Span } from '../../text/source.js';
import type { Lexicon } from '../lexicon.js';
import { contentStart, type Label } from '../labels.js';
import { tokenize } from '../lexer.js';
import { numeralsIn, type Numeral } from './numerals.js';

/** A line that is a round, as the series of numbers in the text shows it, and not a form of label that is known. */
export interface Unit {
  readonly label: Label;
  /** Where its instruction stands. */
  readonly body: Span;
  /** The figure in the place in which the hand writes its counts; null where the line has none there. */
  readonly stated: { readonly total: number; readonly span: Span } | null;
}

/** Units by the index of their line. */
export type Units = ReadonlyMap<number, Unit>;

/** A series is believed from so many steps of one on, and where so great a share of its numbers go up by one. */
const FEWEST = 3;
const SHARE = 0.75;
/** A count field is sought where so great a share of the units has a figure in it. */
const COUNTED = 0.4;
const LONGEST_LINE = 600;
const LONGEST_PREFIX = 48;
const MOST_LINES = 3000;
const MOST_COUNT_FIELDS = 3;

interface Place {
  readonly line: number;
  readonly numeral: Numeral;
  readonly start: number;
  readonly end: number;
}

/**
 * Reads a text by its series of numbers: what stands around a number that goes up by one from line to line is the label,
 * whatever it is (`bell 5 |`, `~5~`, `Verse V:`, `(e)`, `… #5`), and what stands around a figure in the same place of most
 * of these lines may be the count. Which of them is one only the sums can tell, so that several ways to take the same lines
 * are returned, the likeliest first.
 */
export function unitsOf(source: SourceText, lexicon: Lexicon): Units[] {
  if (source.lineStarts.length > MOST_LINES) return [];
  const label = seriesIn(placesByKey(source));
  if (!label) return [];
  const fields = countFields(source, lexicon, label);
  return [...fields, null].slice(0, MOST_COUNT_FIELDS).map((field) => unitsWith(source, lexicon, label, field));
}

/** All numerals of the text, by what stands before them in their line: all of it, or only the word or sign at their side. */
function placesByKey(source: SourceText): Map<string, Place[]> {
  const byKey = new Map<string, Place[]>();
  source.lineStarts.forEach((_, line) => {
    const span = lineSpan(source, line);
    if (span.to - span.from > LONGEST_LINE) return;
    const start = contentStart(source.text, span.from, span.to);
    const seen = new Set<string>();
    for (const numeral of numeralsIn(source.text, { from: start, to: span.to })) {
      const before = source.text.slice(start, numeral.from);
      const keys = [`near ${numeral.kind} ${besides(source.text, numeral, span.to)}`];
      if (before.length <= LONGEST_PREFIX) keys.push(`start ${numeral.kind} ${alike(before)}`);
      for (const key of keys) {
        if (seen.has(key)) continue;
        seen.add(key);
        const places = byKey.get(key) ?? [];
        places.push({ line, numeral, start, end: span.to });
        byKey.set(key, places);
      }
    }
  });
  return byKey;
}

/** The numbers that go up by one in the most lines; null where none do. */
function seriesIn(byKey: ReadonlyMap<string, readonly Place[]>): { key: string; places: readonly Place[] } | null {
  let best: { key: string; places: readonly Place[]; steps: number } | null = null;
  for (const [key, places] of byKey) {
    const kept: Place[] = [];
    let [steps, breaks, last] = [0, 0, 0];
    for (const place of places) {
      const { first } = place.numeral;
      const goesOn = last > 0 && first === last + 1;
      if (goesOn) steps += 1;
      else if (first !== 1) {
        breaks += 1;
        continue;
      }
      last = place.numeral.last;
      kept.push(place);
    }
    // Of two that are as long the one that stands at the start of its lines.
    const better = steps > (best?.steps ?? 0) || (steps === best?.steps && key.startsWith('start'));
    if (steps >= FEWEST && steps / (steps + breaks) >= SHARE && better) best = { key, places: kept, steps };
  }
  return best;
}

interface Series {
  readonly key: string;
  readonly places: readonly Place[];
}

interface CountField {
  readonly key: string;
  readonly left: readonly string[];
  readonly right: readonly string[];
}

/** Where the same lines have a figure beside the same word or sign; the commonest first, of these the last in the line. */
function countFields(source: SourceText, lexicon: Lexicon, series: Series): CountField[] {
  const found = new Map<string, { lines: number; offset: number; examples: { place: Place; figure: Numeral }[] }>();
  for (const place of series.places) {
    const seen = new Set<string>();
    for (const figure of figuresIn(source, lexicon, place)) {
      const key = besides(source.text, figure, place.end);
      if (seen.has(key)) continue;
      seen.add(key);
      const field = found.get(key) ?? { lines: 0, offset: 0, examples: [] };
      field.lines += 1;
      field.offset += (figure.from - place.start) / Math.max(1, place.end - place.start);
      field.examples.push({ place, figure });
      found.set(key, field);
    }
  }
  const enough = Math.max(FEWEST, series.places.length * COUNTED);
  return [...found]
    .filter(
      ([, { lines, examples }]) => lines >= enough && new Set(examples.map(({ figure }) => figure.first)).size > 1,
    )
    .sort(([, a], [, b]) => b.lines - a.lines || b.offset / b.lines - a.offset / a.lines)
    .map(([key, { examples }]) => ({ key, ...surroundings(source, examples) }));
}

/** Single figures of a line outside of its label, that belong to no stitch and to no repeat: those are of the instruction. */
function figuresIn({ text }: SourceText, lexicon: Lexicon, place: Place): Numeral[] {
  const { numeral, start, end } = place;
  return [
    ...numeralsIn(text, { from: start, to: numeral.from }),
    ...numeralsIn(text, { from: numeral.to, to: end }),
  ].filter(
    (figure) =>
      (figure.kind === 'figure' || figure.kind === 'word') &&
      figure.first === figure.last &&
      figure.first > 1 &&
      (endsLine(text, place, figure) || isNoAmount(text, lexicon, place, figure)),
  );
}

/**
 * "sc 6", "6 sc", "inc x 6", "6 times": what makes a figure beside it an amount. A count that was taken from an instruction
 * would leave one that fills any edge. Behind "around" or a column of spaces it may be the count.
 */
const AMOUNTS: ReadonlySet<string> = new Set(['stitch', 'shaping', 'increase', 'decrease', 'skip', 'times']);

function isNoAmount(text: string, lexicon: Lexicon, { start, end }: Place, { from, to }: Span): boolean {
  const before = /(?:\p{L}+|[x×*])[ \t]?$/iu.exec(text.slice(Math.max(start, from - 24), from))?.[0].trim() ?? '';
  const after = piecesOf(text.slice(to, Math.min(end, to + 24)))[0] ?? '';
  return [before, after].every((word) => !AMOUNTS.has(meaningOf(lexicon, word) ?? ''));
}

/** "[2 sc, inc] 6 times. 24 sc.": a figure and its stitch, behind a sentence of the instruction, and nothing more. */
function endsLine(text: string, { numeral, end }: Place, { from, to }: Span): boolean {
  const before = text.slice(numeral.to, from);
  return /\p{L}.*[.;|=–—)\]][ \t]*$/u.test(before) && /^[ \t]?\p{L}+[.!]?[ \t]*$/u.test(text.slice(to, end));
}

function meaningOf(lexicon: Lexicon, word: string): string | undefined {
  return lexicon.at(tokenize(word, { from: 0, to: word.length }), 0)?.meaning.is;
}

/** The words and signs that stand on both sides of a figure in all of its lines. */
function surroundings(
  source: SourceText,
  examples: readonly { place: Place; figure: Numeral }[],
): { left: string[]; right: string[] } {
  const sides = examples.map(({ place, figure }) => ({
    left: piecesOf(source.text.slice(Math.max(place.start, figure.from - LONGEST_PREFIX), figure.from)).reverse(),
    right: piecesOf(source.text.slice(figure.to, Math.min(place.end, figure.to + LONGEST_PREFIX))),
  }));
  const common = (side: 'left' | 'right'): string[] => {
    const first = sides[0]?.[side] ?? [];
    const differs = first.findIndex((piece, i) => sides.some((other) => other[side][i] !== piece));
    return differs < 0 ? first : first.slice(0, differs);
  };
  return { left: common('left'), right: common('right') };
}

function unitsWith(source: SourceText, lexicon: Lexicon, series: Series, field: CountField | null): Units {
  const units = new Map<number, Unit>();
  for (const place of series.places) {
    const label = labelAt(source.text, place, series.key.startsWith('start'));
    const figure =
      field && figuresIn(source, lexicon, place).findLast((one) => besides(source.text, one, place.end) === field.key);
    const count = figure ? countSpan(source.text, lexicon, place, figure, field) : null;
    const body = wordiestPiece(
      source.text,
      { from: place.start, to: place.end },
      count ? [label.span, count] : [label.span],
    );
    units.set(place.line, {
      label: { ...label, bodyFrom: body.from },
      body,
      stated: figure && count ? { total: figure.first, span: { from: figure.from, to: figure.to } } : null,
    });
  }
  return units;
}

const SIGNS_BEHIND = /(?:[ \t]*[^\s\p{L}\p{N}([{<*"'“]+|\/\d{1,3}(?=\s))?[ \t]*/uy;
const ROW = /(?<!\p{L})rows?(?!\p{L})/iu;

function labelAt(text: string, { numeral, start, line }: Place, atStart: boolean): Label {
  SIGNS_BEHIND.lastIndex = numeral.to;
  const behind = SIGNS_BEHIND.exec(text)?.[0].length ?? 0;
  const before = text.slice(start, numeral.from);
  const beside = /(?:\p{L}+|[^\s\p{L}\p{N}]+)[ \t.]*$/u.exec(before)?.[0].length ?? 0;
  // A count may stand before the label: that is no part of it.
  const from = atStart && !/\d/.test(before) ? start : numeral.from - beside;
  const written = text.slice(from, numeral.to).replace(/^[^\p{L}\p{N}#]+/u, '');
  return {
    span: { from, to: numeral.to + behind },
    bodyFrom: numeral.to + behind,
    text: written === '' ? `Line ${line + 1}` : written,
    from: numeral.first,
    to: numeral.last,
    numbers: Array.from({ length: Math.min(2000, numeral.last - numeral.first + 1) }, (_, i) => numeral.first + i),
    kind: ROW.test(before) ? 'row' : null,
    series: '',
  };
}

/** A count with the words and signs that always stand around it, as far as they mean nothing else. */
function countSpan(text: string, lexicon: Lexicon, place: Place, figure: Numeral, field: CountField): Span {
  let { from, to } = figure;
  if (endsLine(text, place, figure)) return { from, to: place.end };
  const line = text.slice(place.start, place.end).toLowerCase();
  for (const piece of field.left) {
    const at = means(lexicon, piece) ? -1 : line.lastIndexOf(piece, from - place.start - 1);
    if (at < 0) break;
    from = place.start + at;
  }
  for (const piece of field.right) {
    const at = means(lexicon, piece) ? -1 : line.indexOf(piece, to - place.start);
    if (at < 0) break;
    to = place.start + at + piece.length;
  }
  return { from, to };
}

/** Whether a word says something of stitches; one that only counts them does not. */
function means(lexicon: Lexicon, piece: string): boolean {
  const found = meaningOf(lexicon, piece);
  return found !== undefined && !['total', 'more', 'and', 'stitch-word', 'turn'].includes(found);
}

/** What is left of a line without some spans of it: the piece with most letters, without signs at its ends. */
function wordiestPiece(text: string, line: Span, without: readonly Span[]): Span {
  let best = { from: line.to, to: line.to, letters: 0 };
  let from = line.from;
  for (const gap of [...without].sort((a, b) => a.from - b.from).concat({ from: line.to, to: line.to })) {
    const piece = trimmed(text, { from, to: Math.min(gap.from, line.to) });
    const letters = text.slice(piece.from, piece.to).match(/\p{L}/gu)?.length ?? 0;
    if (letters > best.letters) best = { ...piece, letters };
    from = Math.max(from, gap.to);
  }
  return { from: best.from, to: best.to };
}

function trimmed(text: string, { from, to }: Span): Span {
  const words = text.slice(from, Math.max(from, to));
  const lead = /^[\s|:;,.·–—~=>/-]*/u.exec(words)?.[0].length ?? 0;
  const tail = /[\s|:;,.·–—~=>/-]*$/u.exec(words.slice(lead))?.[0].length ?? 0;
  return { from: from + lead, to: Math.max(from + lead, from + words.length - tail) };
}

/** What stands at the side of a numeral: the word or sign before it, and the sign behind it. */
function besides(text: string, { from, to }: Span, end: number): string {
  const before = piecesOf(text.slice(Math.max(0, from - 24), from)).at(-1) ?? '^';
  const behind = text
    .slice(to, Math.min(end, to + 4))
    .trimStart()
    .charAt(0);
  const after = behind === '' ? '$' : /[\p{L}\p{N}]/u.test(behind) ? 'w' : behind;
  return `${alike(before)}|${after}`;
}

function piecesOf(text: string): string[] {
  return text.toLowerCase().match(/\p{L}+|\d+|[^\s\p{L}\d]/gu) ?? [];
}

/** The same for what differs only in its figures, case, spaces and plural. */
function alike(text: string): string {
  return text
    .toLowerCase()
    .replace(/\d+/g, '#')
    .replace(/\s+/g, ' ')
    .replace(/(?<=\p{L}{2})s(?=\W*$)/u, '')
    .trimEnd();
}
