import type { Block } from './document.js';
import { columnsOf, FEWEST_TELLING, runsOn, startOf, type Column } from './pdfColumns.js';
import { edgeOf, hadRoom, rowsOf, textOf, type Page, type Row, type Segment } from './pdfRows.js';
import { runningRows } from './pdfRunning.js';

/** Left edges that are meant to be one; points. */
const ALIGNED = 4;
/** The gaps between the words of a line that is set to both edges are as wide, but for so much of the widest. */
const EVEN = 0.3;
/** and no wider than so much of the size of their letters. */
const JUSTIFIED = 2.5;
/** Letters are of one size where their sizes differ by no more; points. */
const SAME_SIZE = 0.6;
/** What begins something stands so many times as far below, in most of at least so many lines, where a document sets it apart. */
const SET_APART = 1.2;
const MOST_OF_THEM = 0.8;
const SOME_OF_THEM = 0.3;
const FEWEST_BEGINNINGS = 3;
/** Lines are indented by so much of the size of their letters at least. */
const INDENT = 0.5;
/** A line that ends before so much of a column's width is not full. */
const FULL = 0.75;
/** Lines further apart than so many times the usual have a blank line between them. */
const PARAGRAPH = 1.45;

/** The parts of a document in the order in which they are read. `runs`: whether heads, feet or numbers of pages were left out. */
export function blocksOf(pages: readonly Page[]): { readonly blocks: readonly Block[]; readonly runs: boolean } {
  const rows = pages.map(({ items }) => rowsOf(items));
  const running = runningRows(pages, rows);
  const kept = rows.map((page, i) => page.filter((row) => running[i]?.has(row) !== true));
  const columns = kept.flatMap((page, i) => columnsOf(page, pages[i]?.width ?? 0));
  return { blocks: inARow(columns, mannerOf(columns)), runs: running.some(({ size }) => size > 0) };
}

/** How a document sets its lines, as far as it is seen by those that certainly begin something. */
interface Manner {
  /** All words, in small letters. */
  readonly words: ReadonlySet<string>;
  /** What lines begin with that begin something, more than once: "[x] #/#", "#.-#.". */
  readonly openings: ReadonlySet<string>;
  /** How far lines that go on are below each other, of their size, where what begins something stands further below; else without bounds. */
  readonly within: number;
  /** Whether what begins something is indented and what goes on isn't, or the other way round; null where neither is so. */
  readonly indented: boolean | null;
}

function mannerOf(columns: readonly Column[]): Manner {
  const words = new Set<string>();
  const openings = new Map<string, number>();
  const [begin, mayGoOn]: [Seen, Seen] = [
    { gaps: [], indented: [] },
    { gaps: [], indented: [] },
  ];
  for (const column of columns) {
    const edge = lineEndOf(column);
    const usual = usualSizeOf(column.rows);
    const from = lineStartOf(column.rows);
    column.rows.forEach((row, i) => {
      for (const [word] of textOf(row)
        .toLowerCase()
        .matchAll(/\p{L}+/gu))
        words.add(word);
      const above = column.rows[i - 1];
      if (!above || Math.round(row.size) !== usual || Math.abs(above.size - row.size) > SAME_SIZE) return;
      const begins = hadRoom(above, row, edge);
      const seen = begins ? begin : mayGoOn;
      seen.gaps.push((above.y - row.y) / row.size);
      seen.indented.push(isIndented(row, from));
      const opening = begins ? openingOf(textOf(row)) : null;
      if (opening !== null) openings.set(opening, (openings.get(opening) ?? 0) + 1);
    });
  }
  return {
    words,
    openings: new Set([...openings].flatMap(([opening, often]) => (often > 1 ? [opening] : []))),
    within: withinOf(begin, mayGoOn),
    indented: indentedOf(begin, mayGoOn),
  };
}

/** How some lines stand below those above them. */
interface Seen {
  /** How far, of their size. */
  readonly gaps: number[];
  readonly indented: boolean[];
}

function withinOf(begin: Seen, mayGoOn: Seen): number {
  const closest = [...mayGoOn.gaps].sort((a, b) => a - b)[Math.floor(mayGoOn.gaps.length / 10)] ?? Infinity;
  const within = closest * SET_APART;
  return isMost(begin.gaps.map((gap) => gap > within)) ? within : Infinity;
}

function indentedOf(begin: Seen, mayGoOn: Seen): boolean | null {
  const indented = isMost(begin.indented);
  if (!indented && !isMost(begin.indented.map((one) => !one))) return null;
  const others = mayGoOn.indented.filter((one) => one !== indented).length;
  return others >= Math.max(FEWEST_TELLING, mayGoOn.indented.length * SOME_OF_THEM) ? indented : null;
}

function isMost(all: readonly boolean[]): boolean {
  return all.length >= FEWEST_BEGINNINGS && all.filter(Boolean).length >= all.length * MOST_OF_THEM;
}

function isIndented(row: Row, start: number): boolean {
  return (row.segments[0]?.from ?? 0) > start + INDENT * row.size;
}

/** What a line begins with, whatever its figures; null where that is a word or a figure as any. */
function openingOf(text: string): string | null {
  const [first = '', second = ''] = text.replace(/\d+/g, '#').split(/\s+/, 2);
  // "(50)" and "24" are what is left of a line.
  if (second === '') return null;
  if (first === '#') return `# ${second}`;
  return /^\p{L}*[,.;:]?$/u.test(first) ? null : first;
}

/** The parts of all columns; a line that goes on at the head of the next column is one. */
function inARow(columns: readonly Column[], manner: Manner): Block[] {
  const blocks: Block[] = [];
  columns.forEach((column, i) => {
    const parts = partsOf(column, manner);
    const [last, first] = [blocks.at(-1), parts[0]];
    const above = columns[i - 1];
    const [foot, head] = [above?.rows.at(-1), column.rows[0]];
    const goesOn =
      above &&
      foot &&
      head &&
      isWrapped(foot, head, {
        manner: { ...manner, within: Infinity, indented: null },
        from: 0,
        to: lineEndOf(above),
        pitch: Infinity,
      });
    if (goesOn && last?.kind === 'paragraph' && first?.kind === 'paragraph') {
      blocks[blocks.length - 1] = { kind: 'paragraph', text: joined(last.text, first.text, manner.words) };
      parts.shift();
    }
    blocks.push(...parts);
  });
  return blocks;
}

/**
 * Where the lines of a column end: where the longest in the size that most are set in does, as a title may go beyond. Where
 * all are short, and none goes on, a line could be longer.
 */
function lineEndOf({ rows, to }: Column): number {
  const usual = usualSizeOf(rows);
  const longest = edgeOf(rows.filter(({ size }) => Math.round(size) === usual));
  const from = startOf(rows);
  return runsOn(rows, longest) ? longest : Math.max(longest, from + (to - from) * FULL);
}

/** Where the lines of a column begin that are not indented; a title may begin before. */
function lineStartOf(rows: readonly Row[]): number {
  const usual = usualSizeOf(rows);
  return startOf(rows.filter(({ size }) => Math.round(size) === usual));
}

/** The size that most lines are set in, in whole points. */
function usualSizeOf(rows: readonly Row[]): number {
  const often = new Map<number, number>();
  for (const { size } of rows) often.set(Math.round(size), (often.get(Math.round(size)) ?? 0) + 1);
  return [...often].sort(([, a], [, b]) => b - a)[0]?.[0] ?? 0;
}

/** A line that is set to both edges, as the words that it is; a row of cells has gaps of many widths. */
function unjustified(row: Row): Row {
  const { segments } = row;
  const gaps = segments.slice(1).map(({ from }, i) => from - (segments[i]?.to ?? 0));
  const widest = Math.max(...gaps);
  if (gaps.length < 2 || widest > JUSTIFIED * row.size || Math.min(...gaps) < widest * (1 - EVEN)) return row;
  const [first, last] = [segments[0], segments.at(-1)];
  const text = segments.map((one) => one.text).join(' ');
  return first && last ? { ...row, segments: [{ text, from: first.from, to: last.to, size: row.size }] } : row;
}

/** The paragraphs and tables of a column. */
function partsOf(column: Column, manner: Manner): Block[] {
  const rows = column.rows.map(unjustified);
  const pitch = pitchOf(rows);
  const setting = { manner, from: lineStartOf(rows), to: lineEndOf({ ...column, rows }), pitch };
  const blocks: Block[] = [];
  for (let i = 0; i < rows.length;) {
    const above = rows[i - 1];
    const row = rows[i] as Row;
    if (above && above.y - row.y > pitch * PARAGRAPH) blocks.push({ kind: 'paragraph', text: '' });
    const table = tableAt(rows, i, pitch);
    if (table) {
      blocks.push({ kind: 'table', rows: table.rows });
      i = table.next;
      continue;
    }
    let text = textOf(row);
    let last = row;
    i += 1;
    for (let next = rows[i]; next && isWrapped(last, next, setting) && !tableAt(rows, i, pitch); next = rows[i]) {
      text = joined(text, textOf(next), manner.words);
      last = next;
      i += 1;
    }
    blocks.push({ kind: 'paragraph', text });
  }
  return blocks;
}

/** How far the lines of a column are usually apart. */
function pitchOf(rows: readonly Row[]): number {
  const gaps = rows.slice(1).map((row, i) => (rows[i]?.y ?? 0) - row.y);
  const sorted = gaps.filter((gap) => gap > 0).sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 3)] ?? 12;
}

/** What begins a line of its own: a label, a mark of a list, a figure with a point; and what explains a word. */
const LABELLED =
  /^(?:[-–—•*·▪◦]\s(?!\d+\s?(?:$|sts?\b|stitches\b))|\(?\d{1,3}\s?[.:)–-]\s+\S|\d{1,3}\.?\s?[–-]\s?\d{1,3}[.:)]\s|(?:rnds?|rounds?|rows?|r|rd|step)\.?\s?\d)/i;
const EXPLAINS = /^\S{1,10}\s[=–—-]\s(?!\d+\s?(?:$|sts?\b|stitches\b))/i;
const LOUD = /^[A-Z][A-Z ]{3,}$/;
/** What a line ends with that goes on, also where the next begins with a capital; */
const ASKS_FOR_MORE = /[,&–-]$|(?<!\p{L})and$/iu;
/** and also where that begins with a label: "sew them between", "Rnd 4". */
const ASKS_FOR_IT =
  /(?<!\p{L})(?:in|of|or|with|the|a|an|to|from|by|for|over|into|at|on|between|under|below|above|through|after|before|until)$/iu;
/** What a line ends with that is whole. */
const ENDS = /[.:!?)\]}>;]$/;

/** How the lines of a column are set: from where to where, and how far apart. */
interface Setting {
  readonly manner: Manner;
  readonly from: number;
  readonly to: number;
  readonly pitch: number;
}

/** Whether a line goes on in the next: because the first word of that would not have fitted into it. */
function isWrapped(line: Row, next: Row, setting: Setting): boolean {
  const { manner, from, to, pitch } = setting;
  const apart = line.y - next.y;
  if (apart > pitch * PARAGRAPH || apart > manner.within * next.size) return false;
  if (Math.abs(line.size - next.size) > SAME_SIZE) return false;
  const hangs = manner.indented === false && isIndented(next, from) && edgeOf([line]) > (from + to) / 2;
  return hangs || (!hadRoom(line, next, to) && !begins(next, line, setting));
}

/** Whether the words of a line begin something, whatever stands above. */
function begins(row: Row, above: Row, { manner, from }: Setting): boolean {
  const { openings, within, indented } = manner;
  const [text, before] = [textOf(row), textOf(above)];
  if (isRange(before, text) || ASKS_FOR_IT.test(before)) return false;
  if (indented !== null) return isIndented(row, from) === indented;
  const asks = ASKS_FOR_MORE.test(before) || isOpen(before);
  if (LABELLED.test(text) || (!asks && openings.has(openingOf(text) ?? ''))) return true;
  // Where what begins is set apart, this is not.
  if (within < Infinity) return false;
  // A capital begins something new, but behind a comma or a word that asks for more.
  return (
    EXPLAINS.test(text) ||
    LOUD.test(text) ||
    (/^\p{Lu}/u.test(text) && !asks) ||
    (/^\d/.test(text) && ENDS.test(before))
  );
}

/** "R3-" and "R9:" below it: the number that ends a range stands in the next line. */
function isRange(line: string, next: string): boolean {
  return /\d\s?[-–]$/.test(line) && /^(?:\p{L}{1,6}\.?\s?)?\d/u.test(next);
}

/** Whether a bracket is open where a line ends. */
function isOpen(text: string): boolean {
  return text.replace(/[^([{]/g, '').length > text.replace(/[^)\]}]/g, '').length;
}

/** Two lines as one. A hyphen at the end goes only where the word without it stands elsewhere in the text. */
function joined(line: string, next: string, words: ReadonlySet<string>): string {
  if (isRange(line, next)) return `${line}${next}`;
  const parted = /(\p{L}+)([-\u00ad\u2010])$/u.exec(line);
  const rest = /^\p{Ll}+/u.exec(next)?.[0];
  if (!parted || rest === undefined) return `${line} ${next}`;
  const whole = `${parted[1] ?? ''}${rest}`.toLowerCase();
  return parted[2] === '\u00ad' || words.has(whole) ? `${line.slice(0, -1)}${next}` : `${line}${next}`;
}

/** The table that begins at a row: rows of cells below each other, and lines that go on in one of them. */
function tableAt(rows: readonly Row[], start: number, pitch: number): { rows: string[][]; next: number } | null {
  const first = rows[start];
  if (!first || first.segments.length < 2) return null;
  const edges = first.segments.map(({ from }) => from);
  const cells: string[][] = [first.segments.map(({ text }) => text.trim())];
  let i = start + 1;
  for (; i < rows.length; i += 1) {
    const row = rows[i] as Row;
    const places = row.segments.map((segment) => placeIn(segment, edges));
    const fits = places.every((place, at) => place >= 0 && place > (places[at - 1] ?? -1));
    const goesOn = places[0] !== 0 && row.segments.length < edges.length;
    const near = (rows[i - 1]?.y ?? 0) - row.y <= pitch * 3;
    if (!fits || !near || (row.segments.length < 2 && !goesOn)) break;
    const cell = goesOn ? (cells.at(-1) as string[]) : edges.map(() => '');
    row.segments.forEach(({ text }, at) => {
      const place = places[at] ?? 0;
      cell[place] = `${cell[place] ?? ''} ${text.trim()}`.trim();
    });
    if (!goesOn) cells.push(cell);
  }
  return cells.length >= 2 || edges.length > 2 ? { rows: cells, next: i } : null;
}

/** The column that words stand in, by their left edge, or by what they reach into; -1 where in none. */
function placeIn({ from }: Segment, edges: readonly number[]): number {
  const exact = edges.findIndex((edge) => Math.abs(edge - from) <= ALIGNED);
  if (exact >= 0) return exact;
  return edges.length > 2 ? edges.findLastIndex((edge) => from >= edge - ALIGNED * 3) : -1;
}
