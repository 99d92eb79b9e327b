import type { Instruction, Passage, Pattern } from '../pattern/pattern.js';
import { roundsOf } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type Span } from '../text/source.js';
import type { SectionKind } from '../vocabulary/sections.js';
import type { LineTaken } from './schema.js';

const OF_SECTION: Readonly<Record<SectionKind, LineTaken>> = {
  materials: 'materials',
  gauge: 'materials',
  legend: 'abbreviations',
  notes: 'talk',
  assembly: 'assembly',
};
/** What is longer is prose, and not looked at as crochet. */
const LONGEST = 300;

/**
 * What each line of a pattern was taken for.
 * @param told the places that tell of something besides crochet: stuffing, eyes, sewing.
 */
export function linesTaken(pattern: Pattern, told: readonly Span[]): LineTaken[] {
  const { source, sections, parts, passages, legend, title } = pattern;
  const lines = source.lineStarts.map((_, line): LineTaken => (wordsOf(pattern, line) === '' ? 'blank' : 'talk'));
  const put = ({ from, to }: Span, first: LineTaken, further: LineTaken = first) => {
    const [start, end] = [lineIndexAt(source, from), lineIndexAt(source, Math.max(from, to - 1))];
    for (let line = start; line <= end; line += 1)
      if (lines[line] !== 'blank') lines[line] = line === start ? first : further;
  };
  for (const { kind, span } of sections) put(span, OF_SECTION[kind]);
  const tells = ({ span }: Passage) => told.some(({ from, to }) => from < span.to && to > span.from);
  for (const passage of passages) if (!tells(passage) && isUnplaced(pattern, passage)) put(passage.span, 'unplaced');
  const inMaterials = (from: number) =>
    sections.some(({ kind, span }) => kind === 'materials' && span.from <= from && from < span.to);
  for (const { span } of legend) if (!inMaterials(span.from)) put(span, 'abbreviations');
  const named =
    title === null ? -1 : lines.findIndex((taken, line) => taken === 'talk' && wordsOf(pattern, line).includes(title));
  if (named >= 0) lines[named] = 'title';
  for (const { heading } of parts) if (heading.to > heading.from) put(heading, 'heading');
  // A line that holds the end of one round and another is one of rounds.
  const rounds = roundsOf(pattern);
  for (const { span } of rounds) put(span, 'round', 'goes-on');
  for (const { span } of rounds) put({ from: span.from, to: span.from + 1 }, 'round');
  return lines;
}

function wordsOf({ source }: Pattern, line: number): string {
  const { from, to } = lineSpan(source, line);
  return source.text.slice(from, to).trim();
}

/** What an instruction is read as that nothing is known of. */
const UNKNOWN: Instruction = {
  steps: [],
  reference: null,
  stated: null,
  statedRounds: null,
  unread: [],
  brackets: [],
  foreign: [],
  remarks: [],
};

/** Steps that make stitches. A slip stitch by itself ends a piece. */
const MAKES: ReadonlySet<string> = new Set(['repeat', 'group']);

/** Words among or before the rounds that would be crochet, and were taken for none. */
function isUnplaced({ source, readAgain }: Pattern, { span, section, part }: Passage): boolean {
  if (section !== null || part === null || span.to - span.from > LONGEST) return false;
  const { steps, unread } = readAgain(source.text.slice(span.from, span.to).trim(), UNKNOWN);
  return (
    unread.length === 0 && steps.some((step) => (step.kind === 'work' ? step.stitch !== 'slip' : MAKES.has(step.kind)))
  );
}
