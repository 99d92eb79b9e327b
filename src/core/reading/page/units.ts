import { lineIndexAt, lineSpan, type SourceText, type Span } from '../../text/source.js';
import type { Label } from '../labels.js';
import { tokenize } from '../lexer.js';
import type { Lexicon } from '../lexicon.js';
import { beginsAt, draftsOf, type Draft } from './drafts.js';
import { countFields, edgeField, unitOf } from './fields.js';
import { headingsBetween, TELLS_HOW } from './parts.js';
import { BEGINS_PIECE } from './ownNumbers.js';
import { unitsInTable } from './rows.js';
import { seriesOf } from './series.js';
import { tablesIn } from './table.js';
import type { Unit, Units } from './unit.js';
import { clausesIn, runsIn, sentencesIn, type Stretch } from './stretches.js';
import { unnumberedIn, type Unnumbered } from './unlabelled.js';

const MOST_COUNT_FIELDS = 3;
const MOST_LINES = 3000;
/** A piece in a paragraph of its own has so many rounds. */
const FEWEST_SENTENCES = 3;

/**
 * Reads a text by its series of numbers: what stands around a number that goes up by one is the label, whatever it is
 * (`bell 5 |`, `~5~`, `Verse V:`, `(e)`, `… #5`), and what stands around a figure in the same place of most of these units
 * may be the count. Which of them is one only the sums can tell, so that several ways to take the same lines are returned,
 * the likeliest first.
 */
export function unitsOf(source: SourceText, lexicon: Lexicon): Units[] {
  if (source.lineStarts.length > MOST_LINES) return [];
  const ways: Unit[][] = tablesIn(source, lexicon).map((columns) => unitsInTable(source, columns));
  const sentences = sentencesIn(source);
  for (const series of seriesOf(source)) {
    const drafts = draftsOf(source, lexicon, series);
    // "Leg 1: 6 sc in a ring", "Leg 2: 6 sc in a ring": pieces, and no rounds of one.
    if (drafts.every(({ words }) => words.some((span) => beginsAt(tokenize(source.text, span, 40), lexicon) >= 0)))
      continue;
    for (const units of waysOf(source, lexicon, drafts))
      ways.push([...units, ...inParagraphs(source, lexicon, sentences, units)]);
  }
  const numbered = ways.length > 0;
  ways.push(...unnumberedOf(source, lexicon, unnumberedIn(source, lexicon)));
  // Clauses, and what a sign parts in a line, are rounds only where no numbers are; sentences only where lines are none either.
  if (!numbered) {
    const clauses = clausesIn(source, lexicon, sentences);
    const all = clauses.length > sentences.length ? [clauses] : [];
    for (const stretches of ways.length > 0 ? all : [runsIn(source, lexicon), ...all, sentences])
      ways.push(...unnumberedOf(source, lexicon, unnumberedIn(source, lexicon, stretches)));
  }
  return ways
    .map((units) => units.map((unit) => withPiece(source, unit)))
    .map((units) => ({ units, headings: headingsBetween(source, units), upwards: descends(units) }));
}

/** Pieces that are told in sentences without a number, in paragraphs of their own beside those that have numbers. */
function inParagraphs(
  source: SourceText,
  lexicon: Lexicon,
  sentences: readonly Stretch[],
  units: readonly Unit[],
): Unit[] {
  if (sentences.length < FEWEST_SENTENCES) return [];
  const taken = new Set(units.flatMap(({ span }) => linesOf(source, span)));
  const free = sentences.filter(({ line }) => !taken.has(line));
  const found = unnumberedIn(source, lexicon, free, FEWEST_SENTENCES);
  const told = found.filter(({ line }) => {
    const inLine = found.filter((one) => one.line === line);
    return inLine.length >= FEWEST_SENTENCES && inLine[0]?.starts === true;
  });
  return unnumberedOf(source, lexicon, told)[0] ?? [];
}

function linesOf(source: SourceText, { from, to }: Span): number[] {
  const first = lineIndexAt(source, from);
  return Array.from({ length: lineIndexAt(source, Math.max(from, to - 1)) - first + 1 }, (_, i) => first + i);
}

/** "Nose, in pink. Round one. …", "Wing (2) - Round 1 …": the name of a piece in the line of its first round. */
const LEADS_PIECE = /^\W*(\p{L}[^.:;\d]{2,40}?(?:\s\([^()]{1,12}\))?)(?:[.:]|\s[-–—])\s+$/u;

function withPiece(source: SourceText, unit: Unit): Unit {
  const { label } = unit;
  if (unit.part !== undefined || label.from !== 1 || label.span.to === label.span.from) return unit;
  const line = lineSpan(source, lineIndexAt(source, label.span.from));
  const said = BEGINS_PIECE.exec(source.text.slice(label.span.from, label.span.to));
  const before = source.text.slice(line.from, label.span.from);
  const name = said?.[1] ?? (TELLS_HOW.test(before) ? undefined : LEADS_PIECE.exec(before)?.[1]);
  return name === undefined ? unit : { ...unit, part: namedIn(name) };
}

/** "the stalk is white" */
const namedIn = (words: string) => words.replace(/\s(?:is|are)\s.*$/iu, '');

/** The lines, or sentences, of a text without labels: those that state a count, start a piece, or are like other rounds. */
function unnumberedOf(source: SourceText, lexicon: Lexicon, found: readonly Unnumbered[]): Unit[][] {
  if (found.length === 0) return [];
  const ways = waysOf(
    source,
    lexicon,
    found.map(({ label, line, words }) => ({ label, line, words: [words] })),
  );
  return ways
    .map((units) => units.map((unit, i) => (found[i]?.part ? { ...unit, part: namedIn(found[i].part) } : unit)))
    .map((units) => withoutGaps(units, (i) => units[i]?.stated === null && !found[i]?.stands));
}

/** Without the units that are none after all, whose numbers go to those behind them. */
function withoutGaps(units: readonly Unit[], isNone: (index: number) => boolean): Unit[] {
  let missing = 0;
  return units.flatMap((unit, i): Unit[] => {
    const { label } = unit;
    // A number that the words themselves say stays what it is.
    if (label.from === 1 || label.span.to > label.span.from) missing = 0;
    if (isNone(i)) {
      missing += label.numbers.length;
      return [];
    }
    return [missing === 0 || label.numbers.length === 0 ? unit : { ...unit, label: movedBack(label, missing) }];
  });
}

/** The label of a round that nothing numbers, by so many rounds before. */
function movedBack(label: Label, by: number): Label {
  const [from, to] = [label.from - by, label.to - by];
  return {
    ...label,
    numbers: label.numbers.map((number) => number - by),
    from,
    to,
    text: from === to ? String(from) : `${from}–${to}`,
  };
}

/** The same units with each of the figures for their count that are likeliest, and with none. */
function waysOf(source: SourceText, lexicon: Lexicon, drafts: readonly Draft[]): Unit[][] {
  const fields = countFields(source, lexicon, drafts);
  return [...fields, null]
    .slice(0, MOST_COUNT_FIELDS)
    .map((count) => count && { count, edge: edgeField(source, lexicon, drafts, count) })
    .map((some) => drafts.map((draft) => unitOf(source, lexicon, draft, some)));
}

function descends(units: readonly Unit[]): boolean {
  const down = units.filter(({ label }, i) => label.to + 1 === units[i - 1]?.label.from).length;
  return down > units.length / 2;
}
