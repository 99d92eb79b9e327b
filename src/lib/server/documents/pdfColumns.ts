import { edgeOf, hadRoom, SAME_HEIGHT, textOf, type Row, type Segment } from './pdfRows.js';

/** A column of a page is at least so much of what is printed, and its lines have so many letters on average. */
const NARROWEST_COLUMN = 0.22;
const SHORTEST_LINES = 9;
/** So many rows side by side are columns; fewer where nothing goes through the gap between them. */
const FEWEST_ROWS = 4;
const FEWEST_CLEAR = 2;
/** Lines of a column reach so far into it as a rule; labels of a table don't. Where all columns are as wide, less tells it. */
const REACHES = 0.45;
const REACHES_EVEN = 0.25;
/** Columns are as wide as each other but for so much. */
const EVENLY = 0.12;
/** In a table so many of the lines on the left have something beside them. */
const LABELS = 0.6;
/** So many lines tell what others like them are. */
export const FEWEST_TELLING = 2;
const ROUND = /^\W{0,3}(?:rnds?|rounds?|rows?|r|rd)\.?\s?\d/i;

/** What is read from the top down. */
export interface Column {
  readonly rows: readonly Row[];
  /** How far to the right its lines may go. */
  readonly to: number;
}

/**
 * The columns of a page in the order in which they are read; where there are none, the page.
 * @param page how wide it is; its margins are taken to be alike.
 */
export function columnsOf(rows: readonly Row[], page: number): Column[] {
  return columnsIn(rows, page - startOf(rows));
}

function columnsIn(rows: readonly Row[], to: number): Column[] {
  const gutter = gutterOf(rows, to);
  if (gutter === null) return rows.length > 0 ? [{ rows: [...rows], to }] : [];
  const columns: Column[] = [];
  let beside: Row[] = [];
  const end = () => {
    if (beside.length > 0) {
      const [before = [], behind = []] = sidesOf(beside, gutter);
      columns.push(...columnsIn(before, gutter), ...columnsIn(behind, to));
    }
    beside = [];
  };
  for (const row of rows) {
    if (isCrossed(row, gutter)) {
      end();
      columns.push({ rows: [row], to });
    } else beside.push(row);
  }
  end();
  return together(columns);
}

/** Rows that go through all columns, one below the other, are read as one. */
function together(columns: readonly Column[]): Column[] {
  const joined: { rows: Row[]; to: number }[] = [];
  let alone = false;
  for (const { rows, to } of columns) {
    if (rows.length === 1 && alone) joined.at(-1)?.rows.push(...rows);
    else joined.push({ rows: [...rows], to });
    alone = rows.length === 1;
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
function gutterOf(rows: readonly Row[], to: number): number | null {
  const all = rows.flatMap(({ segments }) => segments);
  const whole = edgeOf(rows) - startOf(rows);
  let best: { at: number; rows: number } | null = null;
  for (const at of new Set(all.map(({ from }) => Math.round(from) - 1))) {
    const parted = rowsParted(rows, at, whole, to);
    if (parted > (best?.rows ?? 0)) best = { at, rows: parted };
  }
  return best?.at ?? null;
}

/** How many rows stand beside each other on both sides of a place, less those that go through it; 0 where it parts no columns. */
function rowsParted(rows: readonly Row[], at: number, whole: number, to: number): number {
  const [before = [], behind = []] = sidesOf(rows, at);
  if (!isColumn(before, whole) || !isColumn(behind, whole) || isTable(before, behind, to)) return 0;
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

/** Whether what stands on the left of some rows are labels of what stands on the right: beside it, short, and whole. */
function isTable(before: readonly Row[], behind: readonly Row[], to: number): boolean {
  const heights = new Set(behind.map(({ y }) => y));
  const labels = before.filter(({ y }) => heights.has(y));
  const [left, right] = [startOf(before), startOf(behind)];
  const even = isEven(right - left, to - right);
  const width = even ? right - left : edgeOf(before) - left;
  const reach = labels.map((row) => (edgeOf([row]) - left) / width).sort((a, b) => a - b);
  return (
    labels.length >= before.length * LABELS &&
    (reach[Math.floor(reach.length / 2)] ?? 1) < (even ? REACHES_EVEN : REACHES) &&
    !(hasRounds(before) && hasRounds(behind)) &&
    !runsOn(before, edgeOf(before))
  );
}

/** Whether two widths are those of columns that are all as wide: of two, or of three. */
function isEven(before: number, behind: number): boolean {
  return [1, 2, 0.5].some((times) => Math.abs(before - times * behind) < EVENLY * before);
}

/** How far to the left some rows begin. */
export function startOf(rows: readonly Row[]): number {
  return Math.min(...rows.flatMap(({ segments }) => segments.map(({ from }) => from)));
}

/** Whether some rows begin with the labels of rounds. */
function hasRounds(rows: readonly Row[]): boolean {
  return rows.filter((row) => ROUND.test(textOf(row))).length >= FEWEST_TELLING;
}

/** Whether some rows are full, and go on in the next. */
export function runsOn(rows: readonly Row[], edge: number): boolean {
  const on = rows.filter((row, i) => {
    const next = rows[i + 1];
    return next && !hadRoom(row, next, edge) && /^\p{Ll}/u.test(textOf(next));
  });
  return on.length >= FEWEST_TELLING;
}

function isCrossed({ segments }: Row, at: number): boolean {
  return segments.some(({ from, to }) => from < at && to > at);
}

/** Whether rows are a column of a page, and not the labels or figures of a table. */
function isColumn(rows: readonly Row[], whole: number): boolean {
  const all = rows.flatMap(({ segments }) => segments);
  const width = edgeOf(rows) - startOf(rows);
  const letters = all.reduce((sum, { text }) => sum + text.length, 0);
  return width >= whole * NARROWEST_COLUMN && letters / Math.max(1, rows.length) >= SHORTEST_LINES;
}
