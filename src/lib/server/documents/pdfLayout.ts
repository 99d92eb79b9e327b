import type { Block } from './document.js';

/** Some letters on a page. Lengths are points; x goes to the right, y upwards. */
export interface Item {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  /** The size of the letters. */
  readonly size: number;
}

export interface Page {
  readonly width: number;
  readonly height: number;
  readonly items: readonly Item[];
}

/** Words that stand together, with no more than a blank between them. */
interface Segment {
  readonly text: string;
  readonly from: number;
  readonly to: number;
  readonly size: number;
}

/** The segments of one height on a page, from left to right. */
interface Row {
  readonly y: number;
  readonly size: number;
  readonly segments: readonly Segment[];
}

/** Between words there is a blank from so much of a letter's size on, and between cells or columns from so much. */
const BLANK = 0.16;
/** How wide a blank is, of the size of its letters, where it isn't seen. */
const USUAL_BLANK = 0.27;
/** The widths of words are known so well, of the size of their letters. */
const NEARLY = 0.4;
const APART = 1.1;
/** Letters belong to one row where their feet are on one height, in points, */
const SAME_HEIGHT = 1.2;
/** or, where they stand close to each other, no further apart than so much of their size: raised and lowered ones. */
const RAISED = 0.45;
const CLOSE = 0.6;
/** Left edges that are meant to be one; points. */
const ALIGNED = 4;
/** A column of a page is at least so much of what is printed, and its lines have so many letters on average. */
const NARROWEST_COLUMN = 0.22;
const SHORTEST_LINES = 9;
/** So many rows side by side are columns; fewer where nothing goes through the gap between them. */
const FEWEST_ROWS = 4;
const FEWEST_CLEAR = 2;
/** Lines of a column reach so far into it as a rule; labels of a table don't. */
const REACHES = 0.45;
/** The gaps between the words of a line that is set to both edges are as wide, but for so much of the widest. */
const EVEN = 0.3;
/** and no wider than so much of the size of their letters. */
const JUSTIFIED = 2.5;
/** Lines further apart than so many times the usual have a blank line between them. */
const PARAGRAPH = 1.45;

/** The parts of a document in the order in which they are read. `runs`: whether heads, feet or numbers of pages were left out. */
export function blocksOf(pages: readonly Page[]): { readonly blocks: readonly Block[]; readonly runs: boolean } {
  const rows = pages.map(({ items }) => rowsOf(items));
  const running = runningRows(pages, rows);
  const kept = rows.map((page, i) => page.filter((row) => running[i]?.has(row) !== true));
  const columns = kept.flatMap(columnsOf);
  const words = new Set(
    columns.flatMap((column) =>
      column.flatMap((row) => row.segments.flatMap(({ text }) => text.toLowerCase().match(/\p{L}+/gu) ?? [])),
    ),
  );
  return { blocks: inARow(columns, words), runs: running.some(({ size }) => size > 0) };
}

/** The rows of a page from the top down. */
function rowsOf(items: readonly Item[]): Row[] {
  const groups: Item[][] = [];
  for (const item of [...items].sort((a, b) => b.y - a.y)) {
    const group = groups.findLast((one) => one.some((other) => isOneRow(other, item)));
    if (group) group.push(item);
    else groups.push([item]);
  }
  return groups.map((group) => {
    const size = Math.max(...group.map((item) => item.size));
    const foot = group.find((item) => item.size === size) ?? group[0];
    return { y: foot?.y ?? 0, size, segments: segmentsOf(group) };
  });
}

function isOneRow(a: Item, b: Item): boolean {
  const size = Math.max(a.size, b.size);
  const apart = Math.abs(a.y - b.y);
  const gap = Math.max(a.x - (b.x + b.width), b.x - (a.x + a.width));
  return apart <= SAME_HEIGHT || (apart <= RAISED * size && gap <= CLOSE * size && gap >= -CLOSE * size);
}

function segmentsOf(items: readonly Item[]): Segment[] {
  const segments: Segment[] = [];
  for (const item of items.map(trimmed).sort((a, b) => a.x - b.x)) {
    const last = segments.at(-1);
    const gap = last ? item.x - last.to : Infinity;
    const size = Math.max(item.size, last?.size ?? 0);
    if (!last || gap > APART * size) {
      segments.push({ text: item.text, from: item.x, to: item.x + item.width, size: item.size });
      continue;
    }
    const blank = gap > BLANK * size && !/\s$/.test(last.text) && !/^\s/.test(item.text) ? ' ' : '';
    segments[segments.length - 1] = {
      text: `${last.text}${blank}${item.text}`,
      from: last.from,
      to: Math.max(last.to, item.x + item.width),
      size,
    };
  }
  return segments;
}

/** Without the blanks at its end, which may hang over the edge of a column. */
function trimmed(item: Item): Item {
  const text = item.text.trimEnd();
  return { ...item, text, width: (item.width * text.length) / item.text.length };
}

const textOf = ({ segments }: Row) =>
  segments
    .map(({ text }) => text)
    .join(' ')
    .trim();
const PAGE_NUMBER = /^\W*(?:(?:page|p\.)\s*)?\d{1,3}(?:\s*(?:of|\/|\|)\s*\d{1,3})?\W*$/i;
const NAMED_NUMBER = /^\W*(?:page|p\.)\s*\d{1,3}/i;
/** So many rows at the head and at the foot of a page may run through the pages. */
const RUNNING = 2;

/** Of each page the rows that stand on others at the same height with the same words, whatever their figures; and its number. */
function runningRows(pages: readonly Page[], rows: readonly (readonly Row[])[]): readonly ReadonlySet<Row>[] {
  const ends = rows.map((page) => [...new Set([...page.slice(0, RUNNING), ...page.slice(-RUNNING)])]);
  const sign = (row: Row) => `${Math.round(row.y / 4)} ${textOf(row).replace(/\d+/g, '#')}`;
  const often = new Map<string, number>();
  for (const row of ends.flat()) often.set(sign(row), (often.get(sign(row)) ?? 0) + 1);
  return ends.map((page, i) => {
    const height = pages[i]?.height ?? 0;
    const isEdge = ({ y }: Row) => y < height * 0.1 || y > height * 0.9;
    return new Set(
      page.filter((row) => {
        const text = textOf(row);
        const repeats = (often.get(sign(row)) ?? 0) > 1;
        return (
          isEdge(row) &&
          ((repeats && pages.length > 1) ||
            NAMED_NUMBER.test(text) ||
            (PAGE_NUMBER.test(text) && isAlone(row, rows[i] ?? [])))
        );
      }),
    );
  });
}

/** Whether a row stands further from its neighbours than lines do. */
function isAlone(row: Row, rows: readonly Row[]): boolean {
  return rows.every((other) => other === row || Math.abs(other.y - row.y) > 2 * row.size);
}

/** The columns of a page in the order in which they are read; where there are none, the page. */
function columnsOf(rows: readonly Row[]): Row[][] {
  const gutter = gutterOf(rows);
  if (gutter === null) return rows.length > 0 ? [[...rows]] : [];
  const columns: Row[][] = [];
  let beside: Row[] = [];
  const end = () => {
    if (beside.length > 0) columns.push(...sidesOf(beside, gutter).flatMap(columnsOf));
    beside = [];
  };
  for (const row of rows) {
    if (isCrossed(row, gutter)) {
      end();
      columns.push([row]);
    } else beside.push(row);
  }
  end();
  return together(columns);
}

/** Rows that go through all columns, one below the other, are read as one. */
function together(columns: readonly Row[][]): Row[][] {
  const joined: Row[][] = [];
  let alone = false;
  for (const column of columns) {
    if (column.length === 1 && alone) joined.at(-1)?.push(...column);
    else joined.push([...column]);
    alone = column.length === 1;
  }
  return joined;
}

function sidesOf(rows: readonly Row[], gutter: number): Row[][] {
  return [(segment: Segment) => segment.to <= gutter, (segment: Segment) => segment.from >= gutter].map((isIn) =>
    rows.flatMap((row) => {
      const segments = row.segments.filter(isIn);
      return segments.length > 0 ? [{ ...row, segments }] : [];
    }),
  );
}

/** Where a page is parted into columns; null where it isn't. */
function gutterOf(rows: readonly Row[]): number | null {
  const all = rows.flatMap(({ segments }) => segments);
  const whole = edgeOf(rows) - Math.min(...all.map(({ from }) => from));
  let best: { at: number; rows: number } | null = null;
  for (const at of new Set(all.map(({ from }) => Math.round(from) - 1))) {
    const parted = rowsParted(rows, at, whole);
    if (parted > (best?.rows ?? 0)) best = { at, rows: parted };
  }
  return best?.at ?? null;
}

/** How many rows stand beside each other on both sides of a place, less those that go through it; 0 where it parts no columns. */
function rowsParted(rows: readonly Row[], at: number, whole: number): number {
  const [before = [], behind = []] = sidesOf(rows, at);
  if (!isColumn(before, whole) || !isColumn(behind, whole) || isTable(before, behind)) return 0;
  const sides = [besides(before, behind).length, besides(behind, before).length];
  const crossed = besides(besides(rows, before), behind).filter((row) => isCrossed(row, at)).length;
  // The last column may be a short one.
  if (crossed === 0) return Math.max(...sides) >= FEWEST_CLEAR ? Math.max(...sides) : 0;
  const beside = Math.min(...sides);
  return beside < FEWEST_ROWS || crossed > beside / 2 ? 0 : beside - crossed;
}

/** The rows that stand no higher and no lower than some others. */
function besides(rows: readonly Row[], others: readonly Row[]): readonly Row[] {
  const top = (others[0]?.y ?? 0) + SAME_HEIGHT;
  const foot = (others.at(-1)?.y ?? 0) - SAME_HEIGHT;
  return rows.filter(({ y }) => y <= top && y >= foot);
}

/** Whether what stands on the left of some rows are labels of what stands on the right. */
function isTable(before: readonly Row[], behind: readonly Row[]): boolean {
  const paired = new Set(behind.map(({ y }) => y));
  const left = Math.min(...before.map(({ segments }) => segments[0]?.from ?? Infinity));
  const reach = before
    .filter(({ y }) => paired.has(y))
    .map((row) => (edgeOf([row]) - left) / (edgeOf(before) - left))
    .sort((a, b) => a - b);
  return reach.length > 0 && (reach[Math.floor(reach.length / 2)] ?? 1) < REACHES;
}

function isCrossed({ segments }: Row, at: number): boolean {
  return segments.some(({ from, to }) => from < at && to > at);
}

/** Whether rows are a column of a page, and not the labels or figures of a table. */
function isColumn(rows: readonly Row[], whole: number): boolean {
  const all = rows.flatMap(({ segments }) => segments);
  const width = edgeOf(rows) - Math.min(...all.map(({ from }) => from));
  const letters = all.reduce((sum, { text }) => sum + text.length, 0);
  return width >= whole * NARROWEST_COLUMN && letters / Math.max(1, rows.length) >= SHORTEST_LINES;
}

/** The parts of all columns; a line that goes on at the head of the next column is one. */
function inARow(columns: readonly Row[][], words: ReadonlySet<string>): Block[] {
  const blocks: Block[] = [];
  columns.forEach((column, i) => {
    const parts = partsOf(column, words);
    const [last, first] = [blocks.at(-1), parts[0]];
    const above = columns[i - 1];
    const [foot, head] = [above?.at(-1), column[0]];
    const goesOn = above && foot && head && isWrapped(foot, head, textEdgeOf(above), Infinity);
    if (goesOn && last?.kind === 'paragraph' && first?.kind === 'paragraph') {
      blocks[blocks.length - 1] = { kind: 'paragraph', text: joined(last.text, first.text, words) };
      parts.shift();
    }
    blocks.push(...parts);
  });
  return blocks;
}

function edgeOf(rows: readonly Row[]): number {
  return Math.max(...rows.flatMap(({ segments }) => segments.map(({ to }) => to)));
}

/** The right edge of a column, by its lines in the size that most are set in: a title may go beyond. */
function textEdgeOf(rows: readonly Row[]): number {
  const often = new Map<number, number>();
  for (const { size } of rows) often.set(Math.round(size), (often.get(Math.round(size)) ?? 0) + 1);
  const [usual] = [...often].sort(([, a], [, b]) => b - a)[0] ?? [0];
  return edgeOf(rows.filter(({ size }) => Math.round(size) === usual));
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
function partsOf(given: readonly Row[], words: ReadonlySet<string>): Block[] {
  const rows = given.map(unjustified);
  const pitch = pitchOf(rows);
  const edge = textEdgeOf(rows);
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
    for (let next = rows[i]; next && isWrapped(last, next, edge, pitch) && !tableAt(rows, i, pitch); next = rows[i]) {
      text = joined(text, textOf(next), words);
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

/** What begins a line of its own: a label, a mark of a list, a figure with a point. */
const BEGINS =
  /^(?:[-–—•*·▪◦]\s|\(?\d{1,3}\s?[.:)–-]\s+\S|(?:rnds?|rounds?|rows?|r|rd|step)\.?\s?\d|\S{1,10}\s[=–—-]\s(?!\d+\s?(?:$|sts?\b|stitches\b)))/i;
const LOUD = /^[A-Z][A-Z ]{3,}$/;
/** What a line ends with that goes on, whatever the next begins with. */
const ASKS_FOR_MORE = /(?:[,&–-]|(?<!\p{L})(?:in|of|and|or|with|the|a|an|to|from|by|for|over|into|at|on))$/iu;
/** What a line ends with that is whole. */
const ENDS = /[.:!?)\]}>;]$/;

/** Whether a line goes on in the next: because the first word of that would not have fitted into it. */
function isWrapped(line: Row, next: Row, edge: number, pitch: number): boolean {
  const first = next.segments[0];
  const last = line.segments.at(-1);
  if (!first || !last || line.y - next.y > pitch * PARAGRAPH || Math.abs(line.size - next.size) > 0.6) return false;
  const text = textOf(next);
  if (BEGINS.test(text) || LOUD.test(text)) return false;
  // A capital begins something new, but behind a comma or a word that asks for more.
  if (/^\p{Lu}/u.test(text) && !ASKS_FOR_MORE.test(textOf(line))) return false;
  if (/^\d/.test(text) && ENDS.test(textOf(line))) return false;
  const word = /^\S+/.exec(first.text)?.[0] ?? '';
  const width = ((first.to - first.from) * word.length) / Math.max(1, first.text.length);
  return last.to + width + USUAL_BLANK * line.size > edge - NEARLY * line.size;
}

/** Two lines as one. A hyphen at the end goes only where the word without it stands elsewhere in the text. */
function joined(line: string, next: string, words: ReadonlySet<string>): string {
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
