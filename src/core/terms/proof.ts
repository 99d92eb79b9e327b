import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Pattern } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, positionAt, type SourceText, type Span } from '../text/source.js';
import type { Vocabulary } from '../vocabulary/stitches.js';
import type { Conversion } from './schema.js';

/** More are not listed: by then it is the conversion as a whole that has gone wrong. */
const MOST = 40;

type Problem = Conversion['problems'][number];

/**
 * What is not the same in a converted pattern: parts, rounds, edges and counts, and the vocabulary that it is in.
 * Empty where the conversion is proved. Places are those of the original.
 */
export function differences(before: CountedPattern, after: CountedPattern, to: Vocabulary): Problem[] {
  const { source } = before.pattern;
  const problems: Problem[] = [];
  const note = (span: Span, message: string) => problems.push({ ...placeOf(source, span), message });
  const rounds = Math.min(before.rounds.length, after.rounds.length);
  for (let i = 0; i < rounds && problems.length < MOST; i += 1) {
    const one = before.rounds[i];
    const other = after.rounds[i];
    if (!one || !other) continue;
    const differs = figures(one).find(([, figure], at) => figure !== figures(other)[at]?.[1]);
    if (differs) {
      const now = figures(other).find(([name]) => name === differs[0])?.[1] ?? null;
      note(one.round.span, `${one.round.label}: ${differs[0]} was ${shown(differs[1])} and is now ${shown(now)}.`);
    }
    const mixed = other.round.foreign[0];
    if (mixed && one.round.foreign.length === 0)
      note(one.round.span, `${one.round.label} still holds a term of the old vocabulary.`);
  }
  if (before.rounds.length !== after.rounds.length)
    note(firstLine(source), `There were ${before.rounds.length} rounds, and now there are ${after.rounds.length}.`);
  const { detected } = after.pattern.terms;
  const stitches = after.rounds.some(({ round }) => round.steps.length > 0);
  if (stitches && detected !== to && detected !== 'unclear')
    note(
      firstLine(source),
      `The result still looks like ${detected === 'mixed' ? 'a mixture of both' : `${detected.toUpperCase()} terms`}.`,
    );
  return problems;
}

/** Where a text breaks from the rest of itself. */
export function foreignPlaces({ source, parts }: Pattern): Problem[] {
  const rounds = parts.flatMap(({ stretches }) => stretches.flatMap((stretch) => stretch.rounds));
  return rounds
    .flatMap(({ foreign, label }) =>
      foreign.map(({ span }) => ({
        ...placeOf(source, span),
        message: `${label}: "${source.text.slice(span.from, span.to)}" is of the minority here.`,
      })),
    )
    .slice(0, MOST);
}

function figures({ round, part, outcome, verdict }: CountedRound): [string, string | number | null][] {
  return [
    ['part', part.name],
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
