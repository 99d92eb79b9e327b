import { lineSpan, type SourceText, type Span } from '../../text/source.js';
import { numeralsIn, type Numeral } from './numerals.js';
import type { Label } from '../labels.js';
import { tokenize } from '../lexer.js';
import type { Lexicon, Meaning } from '../lexicon.js';
import { headingsBetween } from './parts.js';
import type { Figure, Unit, Units } from './unit.js';
import { alike, piecesOf, seriesOf, sidesOf, type Place, type Series } from './series.js';
import { countOfRounds, sentencesIn, unnumberedIn, type Unnumbered } from './unlabelled.js';
import { isDitto, tablesIn, type Columns } from './table.js';

const FEWEST = 3;
/** A count field is sought where so great a share of the units has a figure in it. */
const COUNTED = 0.3;
const MOST_COUNT_FIELDS = 3;
const MOST_LINES = 3000;

/**
 * Reads a text by its series of numbers: what stands around a number that goes up by one is the label, whatever it is
 * (`bell 5 |`, `~5~`, `Verse V:`, `(e)`, `… #5`), and what stands around a figure in the same place of most of these units
 * may be the count. Which of them is one only the sums can tell, so that several ways to take the same lines are returned,
 * the likeliest first.
 */
export function unitsOf(source: SourceText, lexicon: Lexicon): Units[] {
  if (source.lineStarts.length > MOST_LINES) return [];
  const ways: Unit[][] = tablesIn(source, lexicon).map((columns) => unitsInTable(source, columns));
  for (const series of seriesOf(source)) ways.push(...unitsOfSeries(source, lexicon, series));
  ways.push(...unnumberedWays(source, lexicon));
  return ways.map((units) => ({ units, headings: headingsBetween(source, units), upwards: descends(units) }));
}

function unitsOfSeries(source: SourceText, lexicon: Lexicon, series: Series): Unit[][] {
  return waysOf(source, lexicon, draftsOf(source, lexicon, series));
}

/** The lines, or sentences, of a text without labels: those that state a count, start a piece, or are like other rounds. */
function unnumberedWays(source: SourceText, lexicon: Lexicon): Unit[][] {
  return [unnumberedIn(source, lexicon), unnumberedIn(source, lexicon, sentencesIn(source))].flatMap((found) =>
    unnumberedOf(source, lexicon, found),
  );
}

function unnumberedOf(source: SourceText, lexicon: Lexicon, found: readonly Unnumbered[]): Unit[][] {
  if (found.length === 0) return [];
  const ways = waysOf(
    source,
    lexicon,
    found.map(({ label, line, words }) => ({ label, line, words: [words] })),
  );
  return ways.map((units) => units.filter(({ stated }, i) => stated !== null || found[i]?.stands));
}

/** The same units with each of the figures for their count that are likeliest, and with none. */
function waysOf(source: SourceText, lexicon: Lexicon, drafts: readonly Draft[]): Unit[][] {
  const fields = countFields(source, lexicon, drafts);
  return [...fields, null]
    .slice(0, MOST_COUNT_FIELDS)
    .map((field) => drafts.map((draft) => unitOf(source, lexicon, draft, field)));
}

/** A unit before it is known which of its figures is the count. */
interface Draft {
  readonly label: Label;
  readonly line: number;
  /** All its figures are of the instruction. */
  readonly uncounted?: true;
  /** Its words, without the label: before it, where the label stands behind, and from there on. */
  readonly words: readonly Span[];
}

/** What an instruction that goes on in the next line ends with. */
const GOES_ON = /(?:[,;:(\[{*+&–—-]|(?<![\p{L}\d])(?:and|in|into|the|next|each|of|to|from|then|with|a))\s*$/iu;
const ONLY_COUNT = /^\W*(?:\d{1,4}|\p{L}{3,9}(?:-\p{L}{3,5})?)\W*(?:sts?|stitches)?\W*$/u;

function draftsOf(source: SourceText, lexicon: Lexicon, { places, by, upwards: reversed }: Series): Draft[] {
  const { text } = source;
  const atStart = by === 'start';
  const sign = endSign(source, lexicon, places);
  const labels = places.map((place) => labelAt(source, lexicon, place, atStart, sign));
  const behind = standsBehind(text, places, labels);
  const inLine = places.filter(({ numeral, start }, i) =>
    /\p{L}/u.test(text.slice(start, Math.min(numeral.from, labels[i]?.span.from ?? start))),
  ).length;
  const flows = !behind && inLine >= Math.max(2, places.length * 0.15) && !hasPrefix(text, places);
  const bare =
    places.filter(({ end }, i) => text.slice(labels[i]?.span.to ?? end, end).trim() === '').length >
    places.length * 0.6;
  return places.flatMap((place, i): Draft[] => {
    const label = labels[i];
    if (!label) return [];
    const next = reversed ? undefined : labels[i + 1];
    const limit = next?.span.from ?? text.length;
    const lineEnd = Math.min(place.end, limit > label.span.to ? limit : place.end);
    const before = behind || (label.span.from > place.start && places[i - 1]?.line !== place.line && !flows);
    const end = extent(source, lexicon, { from: label.span.to, to: lineEnd }, place.line, limit, flows, bare);
    const to = flows ? end - leadsOn(text, label.span.to, end) : end;
    const words = [
      ...(before ? [{ from: place.start, to: label.span.from }] : []),
      { from: label.span.to, to: behind ? place.end : to },
    ];
    const between = spokenOf(source, labels[i - 1], label, place.line);
    const first = label.from === 2 && labels[i - 1]?.to !== 1 ? firstBefore(source, lexicon, label, place) : null;
    return [...(first ? [first] : []), ...(between ? [between] : []), { label, line: place.line, words }];
  });
}

/** "then 8 plain rounds" between 5 and 14: the rounds that are missing, told in a line of their own. */
function spokenOf(source: SourceText, before: Label | undefined, label: Label, line: number): Draft | null {
  const missing = before && label.from > before.to + 1 ? label.from - before.to - 1 : 0;
  if (!before || missing === 0) return null;
  for (let above = line - 1; above > Math.max(0, line - 4); above -= 1) {
    const { from, to } = lineSpan(source, above);
    if (from < before.span.to) break;
    const words = source.text.slice(from, to);
    if (countOfRounds(words) !== missing) continue;
    const start = from + words.length - words.trimStart().length;
    const numeral = { first: before.to + 1, last: label.from - 1 };
    const text = numeral.first === numeral.last ? String(numeral.first) : `${numeral.first}–${numeral.last}`;
    return {
      label: labelled(text, numeral, { from: start, to: start }, false),
      line: above,
      words: [{ from: start, to }],
      uncounted: true,
    };
  }
  return null;
}

/** The round without a number before the second one, in its line or right above: it begins in a ring. */
function firstBefore(source: SourceText, lexicon: Lexicon, label: Label, place: Place): Draft | null {
  const { text } = source;
  for (let line = place.line; line >= Math.max(0, place.line - 2); line -= 1) {
    const span = lineSpan(source, line);
    const end = line === place.line ? label.span.from : span.to;
    const to = end - leadsOn(text, span.from, end);
    const words = text.slice(span.from, to);
    if (words.trim() === '') continue;
    const tokens = tokenize(words, { from: 0, to: words.length }, 60, lexicon.alphabet);
    const ring = tokens.findIndex((_, i) => lexicon.at(tokens, i)?.meaning.is === 'magic-ring');
    if (ring < 0 || !tokens.some(({ kind }) => kind === 'number')) return null;
    // "Body, black. Ring with 6": the name of the piece may stand before it.
    const name = /^[^.:]{3,40}[.:]\s+/u.exec(words.slice(0, tokens[ring]?.from))?.[0].length ?? 0;
    const from = span.from + (name > 0 ? name : words.length - words.trimStart().length);
    return {
      label: labelled('1', { first: 1, last: 1 }, { from, to: from }, false),
      line,
      words: [{ from, to }],
      uncounted: true,
    };
  }
  return null;
}

/** Words at the end of a round in running text that belong to the next: "… for 24. In round five". */
const LEADS_ON = /[\s,;]*(?<!\p{L})(?:and|in|then|now|for)(?:\s+(?:and|in|then|now|for))?\s*$/iu;

/** How much of the end of a stretch leads on to the next. */
function leadsOn(text: string, from: number, to: number): number {
  return LEADS_ON.exec(text.slice(Math.max(from, to - 24), to))?.[0].length ?? 0;
}

/** Whether the same words and signs stand before most labels: those are of the label, or of the count before it. */
function hasPrefix(text: string, places: readonly Place[]): boolean {
  const prefixes = new Map<string, number>();
  for (const { start, numeral } of places) {
    const prefix = alike(text.slice(start, numeral.from));
    prefixes.set(prefix, (prefixes.get(prefix) ?? 0) + 1);
  }
  return Math.max(...prefixes.values()) > places.length * 0.6;
}

/** Whether the labels stand behind their instructions. */
function standsBehind(text: string, places: readonly Place[], labels: readonly Label[]): boolean {
  const letters = (from: number, to: number) => text.slice(from, Math.max(from, to)).match(/\p{L}/gu)?.length ?? 0;
  const behind = places.filter(({ start, end }, i) => {
    const span = labels[i]?.span;
    return span && letters(start, span.from) > letters(span.to, end) + 2;
  });
  return behind.length > places.length * 0.6;
}

/** Where the words of a unit end: with its line, or with the last of the lines that go on from it. */
function extent(
  source: SourceText,
  { alphabet }: Lexicon,
  first: Span,
  line: number,
  limit: number,
  flows: boolean,
  bare: boolean,
): number {
  const { text } = source;
  const signs = alphabet?.signs;
  const longest = flows ? Math.max(...source.lineStarts.map((_, at) => lineLength(source, at))) : 0;
  let { to } = first;
  if (to === limit) return to;
  let empty = text.slice(first.from, first.to).trim() === '';
  for (let below = line + 1; below < source.lineStarts.length; below += 1) {
    const span = lineSpan(source, below);
    const end = Math.min(span.to, limit);
    // What stands before the next label in its line is of that one.
    if (span.from >= limit || (!flows && limit < span.to)) break;
    const words = text.slice(span.from, end);
    const so = text.slice(first.from, to);
    if (words.trim() === '') {
      // The foot of a page may stand between two halves of a sentence.
      if (flows && !/[.!?)\]:]\s*$/u.test(so)) continue;
      if (empty) continue;
      break;
    }
    // A line that ends before the others do ends a paragraph.
    if (flows && /[.!?)]\s*$/u.test(so) && lineLength(source, below - 1) < longest * FULL) break;
    if (flows) to = end;
    else if (bare && empty) to = end;
    else if ((GOES_ON.test(so) && !endsOnSign(so, signs)) || (ONLY_COUNT.test(words) && isFigure(words))) to = end;
    else break;
    empty = false;
  }
  return to;
}

/** Lines shorter than this share of the longest are not broken by the width of a page. */
const FULL = 0.7;

function lineLength(source: SourceText, line: number): number {
  const { from, to } = lineSpan(source, line);
  return to - from;
}

/** "-ooo-": a dash at the end that is drawn for a stitch. */
function endsOnSign(words: string, signs: ReadonlySet<string> | undefined): boolean {
  return signs?.has(words.trimEnd().slice(-1)) ?? false;
}

function isFigure(words: string): boolean {
  return numeralsIn(words, { from: 0, to: words.length }).some(({ kind }) => kind === 'figure' || kind === 'word');
}

interface CountField {
  readonly key: string;
  readonly left: readonly string[];
  readonly right: readonly string[];
}

interface Found {
  readonly draft: Draft;
  readonly words: Span;
  readonly figure: Numeral;
}

/** Where the units have a figure beside the same word or sign; the commonest first, of these the last in the unit. */
function countFields({ text }: SourceText, lexicon: Lexicon, drafts: readonly Draft[]): CountField[] {
  const found = new Map<string, { units: number; offset: number; examples: Found[] }>();
  for (const draft of drafts) {
    const seen = new Set<string>();
    for (const one of figuresIn(text, lexicon, draft))
      for (const key of keysOf(text, one)) {
        if (seen.has(key)) continue;
        seen.add(key);
        const field = found.get(key) ?? { units: 0, offset: 0, examples: [] };
        field.units += 1;
        field.offset += (one.figure.from - one.words.from) / Math.max(1, one.words.to - one.words.from);
        field.examples.push(one);
        found.set(key, field);
      }
  }
  const enough = Math.max(FEWEST, drafts.length * COUNTED);
  return [...found]
    .filter(
      ([, { units, examples }]) => units >= enough && new Set(examples.map(({ figure }) => figure.first)).size > 1,
    )
    .sort(([, a], [, b]) => b.units - a.units || b.offset / b.units - a.offset / a.units)
    .map(([key, { examples }]) => ({ key, ...surroundings(text, examples) }));
}

/** By what a figure is known: what stands on both of its sides, or where nothing but signs comes after it, those. */
function keysOf(text: string, { figure, words }: Found): string[] {
  const { left, right } = sidesOf(text, figure, words);
  const behind = text.slice(figure.to, words.to).trim();
  return [`${left}|${right}`, ...(behind.length <= 3 && !/[\p{L}\d]/u.test(behind) ? [`last ${behind}`] : [])];
}

/** Single figures of a unit that belong to no stitch and to no repeat: those are of the instruction. */
function figuresIn(text: string, lexicon: Lexicon, draft: Draft, least = 2): Found[] {
  return draft.words.flatMap((words) =>
    numeralsIn(text, words)
      .filter(
        (figure) =>
          (figure.kind === 'figure' || figure.kind === 'word') &&
          figure.first === figure.last &&
          figure.first >= least &&
          (endsUnit(text, words, figure) || isNoAmount(text, lexicon, words, figure)),
      )
      .map((figure) => ({ draft, words, figure })),
  );
}

/**
 * "sc 6", "6 sc", "inc x 6", "6 times": what makes a figure beside it an amount. A count that was taken from an instruction
 * would leave one that fills any edge. Behind "around" or a column of spaces it may be the count.
 */
const AMOUNTS: ReadonlySet<Meaning['is']> = new Set(['stitch', 'shaping', 'increase', 'decrease', 'skip', 'times']);
/** What an instruction is known by. */
const CROCHET: ReadonlySet<Meaning['is']> = new Set([...AMOUNTS, 'magic-ring', 'together', 'steps']);

function isNoAmount(text: string, lexicon: Lexicon, words: Span, { from, to }: Span): boolean {
  // In "4x 16" the sign is of the figure before it.
  const before =
    /(?<!\d)(?:\p{L}+|[x×*])[ \t]?$/iu.exec(text.slice(Math.max(words.from, from - 24), from))?.[0].trim() ?? '';
  const after = piecesOf(text.slice(to, Math.min(words.to, to + 24)))[0] ?? '';
  return [before, after].every((word) => {
    const meaning = meaningOf(lexicon, word);
    return meaning === undefined || !AMOUNTS.has(meaning);
  });
}

/** "[2 sc, inc] 6 times. 24 sc.": a figure and its stitch, behind a sentence of the instruction, and nothing more. */
function endsUnit(text: string, words: Span, { from, to }: Span): boolean {
  if (!/^[ \t]?\p{L}+[.!]?\s*$/u.test(text.slice(to, Math.min(words.to, to + 40)))) return false;
  const before = text.slice(Math.max(words.from, from - 160), from).trimEnd();
  return /[.;|=–—)\]]$/u.test(before) && /\p{L}/u.test(before);
}

function meaningOf(lexicon: Lexicon, word: string): Meaning['is'] | undefined {
  return lexicon.at(tokenize(word, { from: 0, to: word.length }), 0)?.meaning.is;
}

const LONGEST_SIDE = 48;

/** The words and signs that stand on both sides of a figure in all of its units. */
function surroundings(text: string, examples: readonly Found[]): { left: string[]; right: string[] } {
  const sides = examples.map(({ words, figure }) => ({
    left: piecesOf(text.slice(Math.max(words.from, figure.from - LONGEST_SIDE), figure.from)).reverse(),
    right: piecesOf(text.slice(figure.to, Math.min(words.to, figure.to + LONGEST_SIDE))),
  }));
  const common = (side: 'left' | 'right'): string[] => {
    const first = sides[0]?.[side] ?? [];
    const differs = first.findIndex((piece, i) => sides.some((other) => other[side][i] !== piece));
    return differs < 0 ? first : first.slice(0, differs);
  };
  return { left: common('left'), right: common('right') };
}

function unitOf({ text }: SourceText, lexicon: Lexicon, draft: Draft, field: CountField | null): Unit {
  const { label, words } = draft;
  const found =
    field && !draft.uncounted
      ? figuresIn(text, lexicon, draft, 1).findLast((one) => keysOf(text, one).includes(field.key))
      : undefined;
  const count = found && field ? countSpan(text, lexicon, found, field) : null;
  const body = instructionIn(text, lexicon, words, count);
  return {
    label: { ...label, bodyFrom: body.from },
    body,
    stated: found ? { value: found.figure.first, span: { from: found.figure.from, to: found.figure.to } } : null,
    span: {
      from: Math.min(label.span.from, ...words.map(({ from }) => from)),
      to: Math.max(label.span.to, ...words.map(({ to }) => to)),
    },
  };
}

/** A count with the words and signs that always stand around it, as far as they mean nothing else. */
function countSpan(text: string, lexicon: Lexicon, { words, figure }: Found, field: CountField): Span {
  let { from, to } = figure;
  if (endsUnit(text, words, figure)) return { from, to: words.to };
  const all = text.slice(words.from, words.to).toLowerCase();
  for (const piece of field.left) {
    const at = means(lexicon, piece) ? -1 : all.lastIndexOf(piece, from - words.from - 1);
    if (at < 0) break;
    from = words.from + at;
  }
  for (const piece of field.right) {
    const at = means(lexicon, piece) ? -1 : all.indexOf(piece, to - words.from);
    if (at < 0) break;
    to = words.from + at + piece.length;
  }
  return { from, to };
}

/** Whether a word says something of stitches; one that only counts them does not. */
function means(lexicon: Lexicon, piece: string): boolean {
  const found = meaningOf(lexicon, piece);
  return found !== undefined && !['total', 'more', 'and', 'stitch-word', 'turn'].includes(found);
}

/** What is left of the words of a unit without its count: the piece with most crochet in it, without signs at its ends. */
function instructionIn(text: string, lexicon: Lexicon, words: readonly Span[], count: Span | null): Span {
  const last = words.at(-1) ?? { from: 0, to: 0 };
  let best = { from: last.from, to: last.from, weight: -1 };
  for (const one of words) {
    const inside = count && count.from >= one.from && count.to <= one.to ? count : null;
    const pieces = inside
      ? [
          { from: one.from, to: inside.from },
          { from: inside.to, to: one.to },
        ]
      : [one];
    for (const piece of pieces.map((span) => trimmed(text, span, lexicon))) {
      const weight = weightOf(text.slice(piece.from, piece.to), lexicon);
      if (weight > best.weight) best = { ...piece, weight };
    }
  }
  return { from: best.from, to: best.to };
}

/** Words of crochet count for much, letters and signs for little. */
function weightOf(words: string, lexicon: Lexicon): number {
  if (words.length > 4000) return words.length;
  const tokens = tokenize(words, { from: 0, to: words.length });
  const crochet = tokens.filter((_, i) => {
    const meaning = lexicon.at(tokens, i)?.meaning.is;
    return meaning !== undefined && CROCHET.has(meaning);
  });
  return crochet.length * 100 + Math.min(99, tokens.filter(({ kind }) => kind !== 'mark').length);
}

function trimmed(text: string, { from, to }: Span, lexicon: Lexicon): Span {
  const words = text.slice(from, Math.max(from, to));
  const signs = lexicon.alphabet?.signs;
  if (signs && signs.size > 0) {
    const lead = words.length - words.trimStart().length;
    return { from: from + lead, to: from + Math.max(lead, words.trimEnd().length) };
  }
  const lead = /^[\s|:;,.·–—~=>/-]*/u.exec(words)?.[0].length ?? 0;
  const tail = /[\s|:;,.·–—~=>/-]*$/u.exec(words.slice(lead))?.[0].length ?? 0;
  return { from: from + lead, to: Math.max(from + lead, from + words.length - tail) };
}

const SIGNS_BEHIND = /[^\s\p{L}\p{N}([{<*"'“]*[ \t]*/uy;
const ROW = /(?<!\p{L})rows?(?!\p{L})/iu;
/** A sign behind the number is of the label where so great a share of the labels has it, so many pieces on. */
const COMMON = 0.8;
const MOST_PIECES = 7;
const PIECE = /\p{L}+|\d+|[^\s\p{L}\d]/gu;

/**
 * The sign that a label ends with: the last one of the first few that stands behind the number of most labels, with nothing
 * of crochet before it: "rd.:", "round.—", "/9 Sat –".
 */
function endSign({ text }: SourceText, lexicon: Lexicon, places: readonly Place[]): string | null {
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
    if (/\p{L}/u.test(piece) && meaning !== undefined && meaning !== 'round-word' && meaning !== 'row-word') return;
    yield { piece, index, to: from + match.index + piece.length };
    if ((index += 1) >= MOST_PIECES) return;
  }
}

function labelAt(source: SourceText, lexicon: Lexicon, place: Place, atStart: boolean, sign: string | null): Label {
  const { text } = source;
  const { numeral, start, end, line } = place;
  let to = numeral.to;
  if (sign !== null)
    to = [...piecesBehind(text, lexicon, numeral.to, end)].find(({ piece }) => piece === sign)?.to ?? to;
  // "3/9": the third of nine.
  const total = /^\/\d{1,3}(?!\d)/.exec(text.slice(to, to + 4))?.[0].length ?? 0;
  if (to === numeral.to) to += total;
  SIGNS_BEHIND.lastIndex = to;
  to += SIGNS_BEHIND.exec(text)?.[0].length ?? 0;
  const before = text.slice(start, numeral.from);
  const beside = /(?:\p{L}+|[^\s\p{L}\p{N}]+)[ \t.]*$/u.exec(before)?.[0].length ?? 0;
  // A count may stand before the label: that is no part of it.
  const from = place.from ?? (atStart && (!/\d/.test(before) || before.length <= 6) ? start : numeral.from - beside);
  const written = text.slice(from, to).replace(/^[^\p{L}\p{N}#]+|\s*[([<{].*$|[^\p{L}\p{N}]+$/gu, '');
  return labelled(written === '' ? `Line ${line + 1}` : written, numeral, { from, to }, ROW.test(text.slice(from, to)));
}

function labelled(written: string, { first, last }: Pick<Numeral, 'first' | 'last'>, span: Span, row: boolean): Label {
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
function unnumbered(text: string, span: Span): Label {
  return { span, bodyFrom: span.to, text, from: 0, to: 0, numbers: [], kind: null, series: '' };
}

/** The rounds of a table, by what its columns hold. */
function unitsInTable({ text }: SourceText, columns: Columns): Unit[] {
  const units: Unit[] = [];
  let row = false;
  for (const { cells } of columns.rows) {
    const at = (column: number) => (column < 0 ? undefined : cells[column]);
    const words = (span: Span | undefined) => (span ? text.slice(span.from, span.to) : '');
    const cell = at(columns.label);
    if (!cell) continue;
    const label = words(cell);
    const numeral = label.length <= 14 ? numeralsIn(text, cell)[0] : undefined;
    if (/^rows?$/i.test(label)) row = true;
    else if (/^(?:rnds?|rounds?)$/i.test(label)) row = false;
    const closing =
      !numeral &&
      /\p{L}/u.test(words(at(columns.work))) &&
      /\d/.test(words(at(columns.count))) &&
      /^\p{L}/u.test(label);
    if (!numeral && !closing) continue;
    const body = at(columns.work) ?? { from: cell.to, to: cell.to };
    const end = cells.at(-1)?.to ?? cell.to;
    const part = words(at(columns.part));
    const figure = (span: Span | undefined): Figure | null => {
      const value = /^\W{0,2}[+−–-]?\s?(\d{1,4})(?!\d)/u.exec(words(span));
      if (!span || !value?.[1]) return null;
      return { value: Number(value[1]) * (/^\W{0,2}[−–-]/u.test(words(span)) ? -1 : 1), span };
    };
    const stated = figure(at(columns.count));
    const times = figure(at(columns.times));
    const change = columns.work < 0 ? (figure(at(columns.change)) ?? { value: 0, span: cell }) : null;
    units.push({
      label: numeral ? labelled(label, numeral, cell, row || ROW.test(label)) : unnumbered(label, cell),
      body,
      stated,
      ...(times ? { times } : {}),
      ...(change ? { change } : {}),
      ...(isDitto(words(body)) ? { ditto: true as const } : {}),
      ...(part ? { part } : {}),
      span: { from: cells[0]?.from ?? cell.from, to: end },
    });
  }
  return units;
}

function descends(units: readonly Unit[]): boolean {
  const down = units.filter(({ label }, i) => label.to + 1 === units[i - 1]?.label.from).length;
  return down > units.length / 2;
}
