import type { Finding } from '../checks/registry.js';
import { roundsByPart, type CountedPattern, type CountedRound } from '../counting/counted.js';
import { Keys } from '../text/key.js';
import { lineIndexAt, lineSpan, positionAt, type SourceText, type Span } from '../text/source.js';
import type { Report, ReportFinding, ReportRound } from './schema.js';

/** Puts a counted pattern and its findings into the form that other programs read. */
export function reportOf(file: string, counted: CountedPattern, findings: readonly Finding[]): Report {
  const { pattern } = counted;
  const { source, terms } = pattern;
  const byPart = roundsByPart(counted.rounds);
  const roundKeys = new Keys();
  const findingKeys = new Keys();
  return {
    schema: 'dostik.check/1',
    file,
    terms: { declared: terms.declared, detected: terms.detected, confidence: terms.confidence },
    parts: pattern.parts.map((part) => ({
      name: part.name,
      make: part.make,
      line: positionAt(source, part.heading.from).line,
      rounds: (byPart.get(part) ?? []).map((round) => roundOf(source, round, roundKeys)),
    })),
    findings: findings.map((finding) => findingOf(source, finding, findingKeys)),
    coverage: {
      instructionLines: counted.rounds.length,
      read: counted.rounds.filter(({ round, verdict }) => round.unread.length === 0 && verdict !== 'unreadable').length,
    },
  };
}

function roundOf(source: SourceText, { round, part, outcome, verdict }: CountedRound, keys: Keys): ReportRound {
  const { edge, into, made } = outcome;
  const words = source.text.slice(round.span.from, round.span.to);
  const start = positionAt(source, round.span.from);
  return {
    label: round.label,
    from: round.from,
    to: round.to,
    kind: round.kind,
    line: start.line,
    column: start.column,
    endLine: positionAt(source, round.span.to).line,
    edge,
    into,
    made,
    stated: round.stated?.total ?? null,
    verdict,
    doubt: round.doubt?.kind ?? 'none',
    why: [...(round.doubt?.why ?? [])],
    key: keys.of(`${part.name}|${words}|${edge}|${into}|${made}`),
  };
}

const LONGEST_KEYED = 400;

function findingOf(
  source: SourceText,
  { rule, severity, span, message, round, fixes }: Finding,
  keys: Keys,
): ReportFinding {
  const line = lineSpan(source, lineIndexAt(source, span.from));
  // The line that it begins in, as far as people write lines, and its own words.
  const words = source.text.slice(line.from, Math.min(line.to, line.from + LONGEST_KEYED));
  const own = source.text.slice(span.from, Math.min(span.to, span.from + LONGEST_KEYED));
  return {
    rule: rule.id,
    severity: severity ?? rule.severity,
    ...place(source, span),
    message,
    part: round?.part.name ?? null,
    round: round?.round.label ?? null,
    fixes: (fixes ?? []).map(({ title, edits }) => ({
      title,
      edits: edits.map((edit) => ({ ...place(source, edit.span), text: edit.text })),
    })),
    key: keys.of(`${rule.id}|${words}|${own}`),
  };
}

function place(source: SourceText, span: Span) {
  const start = positionAt(source, span.from);
  const end = positionAt(source, span.to);
  return { line: start.line, column: start.column, endLine: end.line, endColumn: end.column };
}
