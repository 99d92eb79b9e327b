import { textOf, type Page, type Row } from './pdfRows.js';

const PAGE_NUMBER = /^\W*(?:(?:page|p\.)\s*)?\d{1,3}(?:\s*(?:of|\/|\|)\s*\d{1,3})?\W*$/i;
const NAMED_NUMBER = /^\W*(?:page|p\.)\s*\d{1,3}/i;
/** So many rows at the head and at the foot of a page may run through the pages, in so much of its height. */
const RUNNING = 2;
const EDGE = 0.1;
/** Heights that are meant to be one; points. */
const SAME_PLACE = 3;
/** What is apart from the text is further from it than so many times the size of its letters. */
const LINE = 2;

/** A row with its page. */
interface Placed {
  readonly row: Row;
  readonly page: number;
}

/**
 * Of each page the rows that run through the pages: at its edge and apart from its text, the same words at the same height,
 * and figures that stay, or go up as the pages do; and the numbers of pages.
 */
export function runningRows(pages: readonly Page[], rows: readonly (readonly Row[])[]): readonly ReadonlySet<Row>[] {
  const ends: Placed[] = rows.flatMap((all, page) =>
    [...new Set([...all.slice(0, RUNNING), ...all.slice(-RUNNING)])]
      .filter(({ y }) => isEdge(y, pages[page]?.height ?? 0))
      .map((row) => ({ row, page })),
  );
  const running = new Set(
    ends.filter((one) => isNumber(one) || ends.some((other) => isSame(one, other))).map(({ row }) => row),
  );
  return rows.map((all) => {
    const apart = (row: Row) =>
      all.every((other) => other === row || running.has(other) || Math.abs(other.y - row.y) > LINE * row.size);
    return new Set(all.filter((row) => running.has(row) && (NAMED_NUMBER.test(textOf(row)) || apart(row))));
  });
}

function isEdge(y: number, height: number): boolean {
  return y < height * EDGE || y > height * (1 - EDGE);
}

/** Whether a row stands on another page too. */
function isSame(one: Placed, other: Placed): boolean {
  const bare = ({ row }: Placed) => textOf(row).replace(/\d+/g, '#');
  if (one.page === other.page || Math.abs(one.row.y - other.row.y) > SAME_PLACE || bare(one) !== bare(other))
    return false;
  const [mine, theirs] = [one, other].map(({ row }) => textOf(row).match(/\d+/g) ?? []);
  return (mine ?? []).every((number, i) => {
    const on = Number(theirs?.[i]) - Number(number);
    return on === 0 ? !PAGE_NUMBER.test(textOf(one.row)) : on === other.page - one.page;
  });
}

/** Whether a row numbers its page: by its words, or by the number that this page has when one counts from the first. */
function isNumber({ row, page }: Placed): boolean {
  const text = textOf(row);
  return NAMED_NUMBER.test(text) || (PAGE_NUMBER.test(text) && Number(/\d+/.exec(text)?.[0]) === page + 1);
}
