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
export interface Segment {
  readonly text: string;
  readonly from: number;
  readonly to: number;
  readonly size: number;
}

/** The segments of one height on a page, from left to right. */
export interface Row {
  readonly y: number;
  readonly size: number;
  readonly segments: readonly Segment[];
}

/** Between words there is a blank from so much of a letter's size on, and between cells or columns from so much. */
const BLANK = 0.16;
const APART = 1.1;
/** How wide a blank is, of the size of its letters, where it isn't seen. */
const USUAL_BLANK = 0.27;
/** The widths of words are known so well, of the size of their letters. */
const NEARLY = 0.4;
/** Letters belong to one row where their feet are on one height, in points, */
export const SAME_HEIGHT = 1.2;
/** or, where they stand close to each other, no further apart than so much of their size: raised and lowered ones. */
const RAISED = 0.45;
const CLOSE = 0.6;

/** The rows of a page from the top down. */
export function rowsOf(items: readonly Item[]): Row[] {
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

/** The words of a row. */
export const textOf = ({ segments }: Row) =>
  segments
    .map(({ text }) => text)
    .join(' ')
    .trim();

/** How far to the right some rows go. */
export function edgeOf(rows: readonly Row[]): number {
  return Math.max(...rows.flatMap(({ segments }) => segments.map(({ to }) => to)));
}

/** Whether the first word of a line would have fitted into the one above, so that it begins something. */
export function hadRoom(line: Row, next: Row, edge: number): boolean {
  const first = next.segments[0];
  const last = line.segments.at(-1);
  if (!first || !last) return true;
  const word = /^\S+/.exec(first.text)?.[0] ?? '';
  const width = ((first.to - first.from) * word.length) / Math.max(1, first.text.length);
  return last.to + width + USUAL_BLANK * line.size <= edge - NEARLY * line.size;
}
