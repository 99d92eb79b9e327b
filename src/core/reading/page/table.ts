import { lineSpan, type SourceText, type Span } from '../../text/source.js';
import type { Lexicon } from '../lexicon.js';
import { tokenize } from '../lexer.js';
import { numeralsIn } from './numerals.js';

/** A row of cells; each without the spaces at its ends. */
interface Row {
  readonly line: number;
  readonly cells: readonly Span[];
}

/** The columns of a table by what they hold; indexes of cells, -1 where no column is such. */
export interface Columns {
  readonly rows: readonly Row[];
  readonly label: number;
  readonly count: number;
  readonly times: number;
  readonly change: number;
  readonly work: number;
  readonly part: number;
  /** Its rounds are numbered by letters. */
  readonly letters: boolean;
}

const FEWEST_ROWS = 6;
/** So many words and signs of a cell are looked at. */
const MOST_WORDS = 40;
/** What parts the cells of a row; each may stand in quotation marks. */
const DELIMITERS: readonly RegExp[] = [/"[,;]"/g, /\t/g, /;/g, /\|/g, /,(?! )/g, / {2,}/g];
const DITTO = /^(?:["”“〃]|''|ditto|do\.?|-"-|—"—)$/iu;

/** The tables that most lines of a text may be rows of, with what their columns may hold, the likeliest first. */
export function tablesIn(source: SourceText, lexicon: Lexicon): Columns[] {
  for (const delimiter of DELIMITERS) {
    const rows = rowsBy(source, delimiter);
    if (rows.length < FEWEST_ROWS) continue;
    const found = columnsOf(source, lexicon, rows);
    if (found.length > 0) return found;
  }
  return [];
}

/** Whether a cell says that it is as the one above. */
export function isDitto(text: string): boolean {
  return DITTO.test(text.trim());
}

function rowsBy(source: SourceText, delimiter: RegExp): Row[] {
  const rows: Row[] = [];
  source.lineStarts.forEach((_, line) => {
    const span = lineSpan(source, line);
    const text = source.text.slice(span.from, span.to);
    if (text.trim() === '' || text.length > 400) return;
    const cells = cellsOf(text, span.from, delimiter);
    if (cells.length >= 3 && cells.length <= 12) rows.push({ line, cells });
  });
  const widths = new Map<number, number>();
  for (const { cells } of rows) widths.set(cells.length, (widths.get(cells.length) ?? 0) + 1);
  const width = [...widths].sort(([, a], [, b]) => b - a)[0]?.[0] ?? 0;
  // Empty cells at the end of a row are often left out, and notes stand in cells of their own.
  return rows.filter(({ cells }) => cells.length >= width - 1 && cells.length <= width + 1);
}

function cellsOf(line: string, offset: number, delimiter: RegExp): Span[] {
  // Spaces at the start of a line part nothing.
  const quoted = delimiter.source.startsWith('"');
  const begins = quoted
    ? line.indexOf('"') + 1
    : delimiter.source.startsWith(' ')
      ? line.length - line.trimStart().length
      : 0;
  const cells: Span[] = [];
  let from = begins;
  const push = (to: number) => {
    const cell = line.slice(from, to);
    const lead = cell.length - cell.trimStart().length;
    cells.push({ from: offset + from + lead, to: offset + from + lead + cell.trim().length });
  };
  for (const match of line.matchAll(delimiter)) {
    if (match.index < begins) continue;
    push(match.index);
    from = match.index + match[0].length;
  }
  push(quoted ? line.trimEnd().replace(/"$/, '').length : line.length);
  return cells;
}

function columnsOf(source: SourceText, lexicon: Lexicon, rows: readonly Row[]): Columns[] {
  const width = Math.max(...rows.map(({ cells }) => cells.length));
  const text = (cell: Span | undefined) => (cell ? source.text.slice(cell.from, cell.to) : '');
  const column = (c: number) => rows.map(({ cells }) => text(cells[c]));
  const all = Array.from({ length: width }, (_, c) => column(c));
  const label = bestOf(all, seriesSteps);
  if (label < 0) return [];
  const worked = (words: ReadonlySet<string>) =>
    bestOf(
      all.map((cells, c) => (c === label ? [] : cells)),
      (cells) => workIn(cells, lexicon, words),
    );
  const named = worked(STITCHES);
  const work = named >= 0 || all.some(isChange) ? named : worked(PLACES);
  const numeric = all.flatMap((cells, c) => (c !== label && c !== work && shareOfNumbers(cells) >= 0.6 ? [c] : []));
  const changes = all.flatMap((cells, c) => (c !== label && c !== work && isChange(cells) ? [c] : []));
  const part = all.findIndex(
    (cells, c) => c !== label && c !== work && !numeric.includes(c) && isPartColumn(cells, column(label)),
  );
  const change = changes[0] ?? -1;
  const counts = numeric.filter((c) => c !== change);
  const letters = column(label).filter((cell) => /^\W*\p{L}\W*$/u.test(cell)).length > rows.length / 2;
  const base = { rows, label, work, part, change, letters };
  const ways: Columns[] = [];
  for (const count of [...counts, -1])
    for (const times of [...counts.filter((c) => c !== count), -1]) ways.push({ ...base, count, times });
  if (work < 0 && change < 0) return [];
  return ways;
}

function bestOf(columns: readonly (readonly string[])[], rate: (cells: readonly string[]) => number): number {
  let best = { column: -1, rating: 2 };
  columns.forEach((cells, column) => {
    const rating = rate(cells);
    if (rating > best.rating) best = { column, rating };
  });
  return best.column;
}

/** How many of the cells go up by one from the one before, or down where that is more. */
function seriesSteps(cells: readonly string[]): number {
  let [up, down] = [0, 0];
  let last: { first: number; last: number } | null = null;
  for (const cell of cells) {
    const numeral = cell.length <= 14 ? numeralsIn(cell, { from: 0, to: cell.length })[0] : undefined;
    if (!numeral) continue;
    if (last && numeral.first === last.last + 1) up += 1;
    if (last && numeral.last === last.first - 1) down += 1;
    last = numeral;
  }
  return Math.max(up, down);
}

/** What the cells of a column hold that says what to do. */
const STITCHES: ReadonlySet<string> = new Set(['stitch', 'shaping', 'increase', 'decrease']);
/** Some hands name no stitch: "2 in each". */
const PLACES: ReadonlySet<string> = new Set(['each', 'together', 'magic-ring']);

function workIn(cells: readonly string[], lexicon: Lexicon, words: ReadonlySet<string>): number {
  return cells.filter((cell) => {
    const tokens = tokenize(cell, { from: 0, to: cell.length }, MOST_WORDS, lexicon.alphabet);
    return tokens.some((_, i) => words.has(lexicon.at(tokens, i)?.meaning.is ?? ''));
  }).length;
}

function shareOfNumbers(cells: readonly string[]): number {
  const filled = cells.filter((cell) => cell !== '');
  return filled.length < FEWEST_ROWS - 2
    ? 0
    : filled.filter((cell) => /^\W{0,2}\d{1,4}\W{0,2}(?:sts?)?$/.test(cell)).length / filled.length;
}

/** "+6", "-6", "0", in at least three cells with a sign. */
function isChange(cells: readonly string[]): boolean {
  return cells.filter((cell) => /^[+−–-]\s?\d{1,3}(?!\d)/.test(cell)).length >= 3;
}

const FIRST = /^\D*1(?!\d)/;
const FEWEST_PIECES = 2;
const HEADS_LABELS = /^(?:\W*|(?:rows?|rnds?|rounds?|rds?|no|nr|number|part|step)\W?)$/iu;

/** Words that stay from row to row and change where the numbers begin again, or stand there alone. */
function isPartColumn(all: readonly string[], labels: readonly string[]): boolean {
  // The first row may name the columns.
  const begins = (i: number) => FIRST.test(labels[i] ?? '');
  const filled = all.flatMap((cell, i) => (/^\W*\p{L}{3}/u.test(cell) && (i > 0 || begins(i)) ? [i] : []));
  const few = filled.length >= FEWEST_PIECES && filled.length < all.length / 2;
  if (few && filled.every(begins)) return true;
  // What stands alone in its row is a note, and above the labels the name of the column.
  const cells = all.filter((_, i) => !HEADS_LABELS.test(labels[i] ?? ''));
  const named = cells.filter((cell) => /^\p{L}/u.test(cell) && !/^(?:ok|okay|yes|done|checked)$/i.test(cell));
  if (named.length < cells.length * 0.8 || new Set(named).size > cells.length / 3) return false;
  const changes = cells.filter((cell, i) => i > 0 && cell !== cells[i - 1]).length;
  const restarts = labels.filter((label) => FIRST.test(label)).length;
  return changes <= Math.max(restarts + 2, cells.length / 4);
}
