import type { CountedPattern, CountedRound } from '../counting/counted.js';
import { lineIndexAt, lineSpan, type SourceText } from '../text/source.js';
import { meaningOf, recipeOf } from './meaning.js';

/** A round, or a line that is none: what is looked at as one when two drafts are compared. */
export interface Unit {
  /** Its number among all rounds; null for another line. */
  readonly round: number | null;
  /** The first and last of its numbers; 0 where it has none. */
  readonly from: number;
  readonly to: number;
  /** Its words from the first to the last, blanks aside; those of its label and those behind it. */
  readonly label: string;
  readonly body: string;
  /** What it does; null where that can't be told, and for other lines. */
  readonly meaning: string | null;
  /** What its words ask for on any edge; null where not all of them were understood. */
  readonly recipe: string | null;
  /** Stitches there to work into, and made. */
  readonly edge: number | null;
  readonly made: number | null;
  readonly words: readonly string[];
  /** Offsets in the text. */
  readonly start: number;
  readonly end: number;
  /** The number of its part among all parts; null outside of all. */
  readonly part: number | null;
  readonly heading: boolean;
}

const WORD = /[\p{L}\p{M}]+|\p{N}+|[^\s\p{L}\p{M}\p{N}]/gu;

/** The words, figures and signs of a text, one by one. */
export function wordsOf(text: string): string[] {
  return text.match(WORD) ?? [];
}

/** A text in which all stretches of blanks are one. */
function plain(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}

/** A line is compared by so many of its characters. */
const LONGEST = 2000;

/** All rounds and all other lines that say something, in the order of the text. */
export function unitsOf({ pattern, rounds }: CountedPattern): Unit[] {
  const { source, parts, sections } = pattern;
  const taken = new Set<number>();
  const units: Unit[] = [];
  rounds.forEach((counted, index) => {
    const { span } = counted.round;
    // What stands behind it in its line, a count among it, belongs to it.
    const end = lineSpan(source, lineIndexAt(source, Math.max(span.from, span.to - 1))).to;
    const next = rounds[index + 1]?.round.span.from ?? Infinity;
    const last = lineIndexAt(source, Math.max(span.from, span.to - 1));
    for (let line = lineIndexAt(source, span.from); line <= last; line += 1) taken.add(line);
    units.push(roundUnit(source, counted, index, parts.indexOf(counted.part), next > end ? end : span.to));
  });
  const headings = parts.map(({ heading }) => lineIndexAt(source, heading.from));
  const outside = new Set<number>();
  for (const { span } of sections)
    for (
      let line = lineIndexAt(source, span.from);
      line <= lineIndexAt(source, Math.max(span.from, span.to - 1));
      line += 1
    )
      outside.add(line);
  let part = -1;
  source.lineStarts.forEach((_, line) => {
    while ((headings[part + 1] ?? Infinity) <= line) part += 1;
    if (taken.has(line)) return;
    const { from, to } = lineSpan(source, line);
    const text = source.text.slice(from, Math.min(to, from + LONGEST));
    const body = plain(text);
    if (body === '') return;
    units.push({
      round: null,
      from: 0,
      to: 0,
      label: '',
      body,
      meaning: null,
      recipe: null,
      edge: null,
      made: null,
      words: wordsOf(body.toLowerCase()),
      start: from,
      end: to,
      part: part < 0 || outside.has(line) ? null : part,
      heading: headings[part] === line && !outside.has(line),
    });
  });
  return units.sort((a, b) => a.start - b.start);
}

function roundUnit(source: SourceText, counted: CountedRound, index: number, part: number, end: number): Unit {
  const { round } = counted;
  const body = plain(source.text.slice(round.bodyFrom, Math.min(end, round.bodyFrom + LONGEST)));
  return {
    round: index,
    from: round.from,
    to: round.to,
    label: plain(source.text.slice(round.span.from, round.bodyFrom)),
    body,
    meaning: meaningOf(counted),
    recipe: recipeOf(round, body),
    edge: counted.outcome.edge,
    made: counted.outcome.made,
    words: wordsOf(body.toLowerCase()),
    start: round.span.from,
    end,
    part,
    heading: false,
  };
}
