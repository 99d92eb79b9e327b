import type { Finding } from '../checks/registry.js';
import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Part } from '../pattern/pattern.js';
import { positionAt, type SourceText, type Span } from '../text/source.js';
import type { Report, ReportFinding, ReportRound } from './schema.js';

/** Puts a counted pattern and its findings into the form that other programs read. */
export function reportOf(file: string, counted: CountedPattern, findings: readonly Finding[]): Report {
  const { pattern } = counted;
  const { source, terms } = pattern;
  const byPart = new Map<Part, CountedRound[]>();
  for (const round of counted.rounds) {
    const list = byPart.get(round.part);
    if (list) list.push(round);
    else byPart.set(round.part, [round]);
  }
  return {
    schema: 'dostik.check/1',
    file,
    terms: { declared: terms.declared, detected: terms.detected, confidence: terms.confidence },
    parts: pattern.parts.map((part) => ({
      name: part.name,
      make: part.make,
      line: positionAt(source, part.heading.from).line,
      rounds: (byPart.get(part) ?? []).map((round) => roundOf(source, round)),
    })),
    findings: findings.map((finding) => findingOf(source, finding)),
    coverage: {
      instructionLines: counted.rounds.length,
      read: counted.rounds.filter(({ round, verdict }) => round.unread.length === 0 && verdict !== 'unreadable').length,
    },
  };
}

function roundOf(source: SourceText, { round, outcome, verdict }: CountedRound): ReportRound {
  return {
    label: round.label,
    from: round.from,
    to: round.to,
    kind: round.kind,
    line: positionAt(source, round.span.from).line,
    endLine: positionAt(source, round.span.to).line,
    edge: outcome.edge,
    into: outcome.into,
    made: outcome.made,
    stated: round.stated?.total ?? null,
    verdict,
  };
}

function findingOf(source: SourceText, { rule, severity, span, message, round, fixes }: Finding): ReportFinding {
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
  };
}

function place(source: SourceText, span: Span) {
  const start = positionAt(source, span.from);
  const end = positionAt(source, span.to);
  return { line: start.line, column: start.column, endLine: end.line, endColumn: end.column };
}
