import { countPattern } from '../counting/count.js';
import type { CountedRound } from '../counting/counted.js';
import { roundsOf, type Pattern, type Round } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, positionAt, type SourceText, type Span } from '../text/source.js';
import type { Vocabulary } from '../vocabulary/stitches.js';
import type { Conversion } from './schema.js';

/** More are not listed: by then it is the conversion as a whole that has gone wrong. */
const MOST = 40;

type Problem = Conversion['problems'][number];

/**
 * What is not the same in a converted pattern: parts, rounds and what each is understood to say, and the vocabulary that
 * it is in. Instructions are compared as they were understood, in neither vocabulary: where those are the same, edges
 * and counts are. Empty where the conversion is proved. Places are those of the original.
 */
export function differences(before: Pattern, after: Pattern, to: Vocabulary): Problem[] {
  const { source } = before;
  const problems: Problem[] = [];
  const note = (span: Span, message: string) => problems.push({ ...placeOf(source, span), message });
  const rounds = roundsOf(before);
  const now = roundsOf(after);
  if (rounds.length !== now.length)
    note(firstLine(source), `There were ${rounds.length} rounds, and now there are ${now.length}.`);
  if (names(before) !== names(after)) note(firstLine(source), 'The parts have other names than before.');
  const changed: number[] = [];
  for (const [i, round] of rounds.slice(0, now.length).entries()) {
    const other = now[i];
    if (other && !understoodAlike(round, other)) changed.push(i);
    if (other && other.foreign.length > 0 && round.foreign.length === 0)
      note(round.span, `${round.label} still holds a term of the old vocabulary.`);
  }
  if (changed.length > 0) {
    const counted = countPattern(before).rounds;
    const recounted = countPattern(after).rounds;
    for (const i of changed.slice(0, MOST))
      note(rounds[i]?.span ?? firstLine(source), saidOtherwise(counted[i], recounted[i]));
  }
  const looks = rounds.some(({ steps }) => steps.length > 0) ? stillLooksLike(after, to) : null;
  if (looks) note(firstLine(source), `The result still looks like ${looks}.`);
  return problems.slice(0, MOST);
}

/** What the words of a result are of, where that is something else than they were to be. */
function stillLooksLike({ terms: { detected } }: Pattern, to: Vocabulary): string | null {
  if (detected === to || detected === 'unclear') return null;
  return detected === 'mixed' ? 'a mixture of both' : `${detected.toUpperCase()} terms`;
}

/** The part of each stretch, one after the other. */
function names({ parts }: Pattern): string {
  return parts.flatMap(({ name, stretches }) => stretches.map(() => name)).join('\n');
}

/** Whether two rounds are the same in all that their figures rest on. */
function understoodAlike(a: Round, b: Round): boolean {
  return (
    a.kind === b.kind &&
    a.from === b.from &&
    a.to === b.to &&
    a.unread.length === b.unread.length &&
    sameMeaning(a.numbers, b.numbers) &&
    sameMeaning(a.steps, b.steps) &&
    sameMeaning(a.reference, b.reference) &&
    sameMeaning(a.stated, b.stated) &&
    sameMeaning(a.statedRounds, b.statedRounds)
  );
}

/** Whether two values are the same but for the places that they were read from. */
function sameMeaning(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a)) return Array.isArray(b) && a.length === b.length && a.every((one, i) => sameMeaning(one, b[i]));
  const one = a as Record<string, unknown>;
  const other = b as Record<string, unknown>;
  for (const key in one) if (key !== 'span' && !sameMeaning(one[key], other[key])) return false;
  for (const key in other) if (key !== 'span' && !(key in one)) return false;
  return true;
}

function saidOtherwise(before: CountedRound | undefined, after: CountedRound | undefined): string {
  if (!before || !after) return 'This round stands in the original alone.';
  const now = new Map(figures(after));
  const differs = figures(before).find(([name, figure]) => now.get(name) !== figure);
  if (!differs) return `${before.round.label} comes to the same count, and is read in another way.`;
  const [name, figure] = differs;
  return `${before.round.label}: ${name} was ${shown(figure)} and is now ${shown(now.get(name) ?? null)}.`;
}

/** Where a text breaks from the rest of itself. */
export function foreignPlaces(pattern: Pattern): Problem[] {
  const { source } = pattern;
  return roundsOf(pattern)
    .flatMap(({ foreign, label }) =>
      foreign.map(({ span }) => ({
        ...placeOf(source, span),
        message: `${label}: "${source.text.slice(span.from, span.to)}" is of the minority here.`,
      })),
    )
    .slice(0, MOST);
}

function figures({ round, outcome, verdict }: CountedRound): [string, string | number | null][] {
  return [
    ['number', round.from],
    ['last number', round.to],
    ['edge', outcome.edge],
    ['stitches used', outcome.into],
    ['stitches made', outcome.made],
    ['stated count', round.stated?.total ?? null],
    ['verdict', verdict],
  ];
}

function shown(figure: string | number | null): string {
  return figure === null ? 'unknown' : String(figure);
}

function firstLine(source: SourceText): Span {
  return lineSpan(source, 0);
}

function placeOf(source: SourceText, span: Span) {
  const start = positionAt(source, span.from);
  const end = positionAt(source, Math.min(span.to, lineSpan(source, lineIndexAt(source, span.from)).to));
  return { line: start.line, column: start.column, endLine: end.line, endColumn: end.column };
}
