import type { SourceText, Span } from '../../text/source.js';
import type { Label } from '../labels.js';
import { labelled, unnumbered } from './labelled.js';
import { numeralsIn } from './numerals.js';
import { isDitto, type Columns } from './table.js';
import type { Figure, Unit } from './unit.js';

const ROW = /(?<!\p{L})rows?(?!\p{L})/iu;
const ROUNDS = /(?<!\p{L})(?:rounds?|rnds?|rds?|rows?)(?!\p{L})/iu;
const LONGEST_LABEL = 14;

/** The rounds of a table, by what its columns hold. */
export function unitsInTable(source: SourceText, columns: Columns): Unit[] {
  let row = false;
  const units = columns.rows.flatMap(({ cells }) => {
    const label = textOf(source, cells[columns.label]);
    if (/^rows?$/i.test(label)) row = true;
    else if (/^(?:rnds?|rounds?)$/i.test(label)) row = false;
    return unitIn(source, columns, cells, row) ?? [];
  });
  return units.map((unit, i) => forSoManyRounds(source, unit, units[i + 1]?.label));
}

/** "5 | sc all round | 10 rounds", and 15 in the next row: how often is how many rounds. */
function forSoManyRounds({ text }: SourceText, unit: Unit, next: Label | undefined): Unit {
  const { times, ...without } = unit;
  const { from, to } = unit.label;
  if (!times || times.value < 2 || from === 0 || to !== from) return unit;
  const last = from + times.value - 1;
  const said = ROUNDS.test(text.slice(times.span.from, times.span.to));
  if (!said && next?.from !== last + 1) return unit;
  const { span, kind } = unit.label;
  return { ...without, label: labelled(unit.label.text, { first: from, last }, span, kind === 'row') };
}

function textOf({ text }: SourceText, span: Span | undefined): string {
  return span ? text.slice(span.from, span.to) : '';
}

/** A dash in place of what is done. */
const NOTHING = /^[-–—]\s*(?:\(|$)/u;

/** The round that a row of a table is; null where it is none. */
function unitIn(source: SourceText, columns: Columns, cells: readonly Span[], row: boolean): Unit | null {
  const at = (column: number) => (column < 0 ? undefined : cells[column]);
  const cell = at(columns.label);
  const label = cell ? labelIn(source, columns, cells, cell, row) : null;
  if (!cell || !label) return null;
  const times = figureIn(source, at(columns.times));
  const change = changeIn(source, columns, cells, cell);
  const part = textOf(source, at(columns.part));
  return {
    label,
    body: at(columns.work) ?? { from: cell.to, to: cell.to },
    stated: figureIn(source, at(columns.count)),
    ...(times ? { times } : {}),
    ...(change ? { change } : {}),
    ...(isDitto(textOf(source, at(columns.work))) ? { ditto: true as const } : {}),
    ...(part ? { part } : {}),
    span: { from: cells[0]?.from ?? cell.from, to: cells.at(-1)?.to ?? cell.to },
  };
}

/** By how many stitches a row grows, where a column says so or nothing is done. */
function changeIn(source: SourceText, columns: Columns, cells: readonly Span[], label: Span): Figure | null {
  const told = columns.work < 0 ? figureIn(source, cells[columns.change]) : null;
  const unchanged = columns.work < 0 || NOTHING.test(textOf(source, cells[columns.work]));
  return told ?? (unchanged ? { value: 0, span: label } : null);
}

/** A number in the column of the labels, or the name of a closing: "shut | dc 6 through both | 6". */
function labelIn(
  source: SourceText,
  { work, count, letters }: Columns,
  cells: readonly Span[],
  cell: Span,
  row: boolean,
): Label | null {
  const written = textOf(source, cell);
  const first = written.length <= LONGEST_LABEL ? numeralsIn(source.text, cell)[0] : undefined;
  // "R", "a head": a letter in a column of figures names the column; "v" among Roman numbers is one.
  const numeral = first?.kind === 'letter' && !letters ? first.other : first;
  if (numeral) return labelled(written, numeral, cell, row || ROW.test(written));
  const works = /\p{L}/u.test(textOf(source, cells[work])) && /\d/.test(textOf(source, cells[count]));
  return works && /^\p{L}/u.test(written) ? unnumbered(written, cell) : null;
}

/** The figure that a cell holds, with its sign; null where it holds none. */
function figureIn(source: SourceText, span: Span | undefined): Figure | null {
  const words = textOf(source, span);
  const value = /^\W{0,2}[+−–-]?\s?(\d{1,4})(?!\d)/u.exec(words)?.[1];
  if (!span || value === undefined) return null;
  return { value: Number(value) * (/^\W{0,2}[−–-]/u.test(words) ? -1 : 1), span };
}
