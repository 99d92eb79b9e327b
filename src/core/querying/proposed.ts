import * as z from 'zod/mini';
import type { RoundAccount } from '../explaining/schema.js';
import type { Report, ReportFinding, ReportRound } from '../report/schema.js';
import { lineSpan, sourceText, type SourceText, type Span } from '../text/source.js';

/** A query as it is proposed, before a person has put it into words of their own. */
export const proposedSchema = z.object({
  scope: z.enum(['words', 'round', 'part', 'pattern']),
  /** Offsets of the words that it is about; null for the whole pattern. */
  at: z.nullable(z.object({ from: z.int(), to: z.int() })),
  part: z.string(),
  round: z.string(),
  /** The doubt with its sums, in sentences. */
  text: z.string(),
  /** The words as they would come out; empty where that can't be told. */
  proposal: z.string(),
});
export type Proposed = z.infer<typeof proposedSchema>;

/** How the figures of a round come about, by its number among all rounds. */
export type AccountOf = (round: number) => RoundAccount | null;

/**
 * A query on a finding: what the text says, what comes out with the round laid open, and what would make it right.
 * @param report with the fixes that were found.
 */
export function proposedFor(report: Report, finding: ReportFinding, text: string, account: AccountOf): Proposed {
  const source = sourceText(text);
  const at = roundAtLine(report, finding);
  const span = at ? wordsOf(source, at.round) : wholeLines(source, finding.line, finding.endLine);
  const [fix] = finding.fixes;
  const proposal = fix ? rewritten(source, span, fix) : '';
  return {
    scope: at ? 'round' : 'words',
    at: { ...span },
    part: at?.part ?? finding.part ?? '',
    round: at?.round.label ?? '',
    text: sentences([finding.message, at ? workedOut(at, account) : '', asking(proposal, fix?.title)]),
    proposal,
  };
}

/** A round laid open; nothing where its sums come out: they are not what is in doubt. */
function workedOut({ round, index }: PlacedRound, account: AccountOf): string {
  const open = account(index)?.sentence;
  return open === undefined || round.verdict === 'agrees' || round.verdict === 'counted'
    ? ''
    : `Worked out: ${lowerFirst(open)}`;
}

/** A query at a selection, or at the round that a place stands in: its sums, below a line on which a person says what is asked. */
export function proposedAt(report: Report, text: string, selection: Span, account: AccountOf): Proposed {
  const line = text.slice(0, selection.from).split('\n').length;
  const at = roundAtLine(report, { line, endLine: line });
  const part = at?.part ?? report.parts.findLast((one) => one.line <= line)?.name ?? '';
  const about = { part, round: at?.round.label ?? '', text: '', proposal: '' };
  if (selection.to > selection.from)
    return { ...about, scope: 'words', at: { from: selection.from, to: selection.to } };
  const source = sourceText(text);
  if (!at) {
    const scope = report.parts.some((one) => one.line === line) ? 'part' : 'words';
    return { ...about, scope, at: { ...wholeLines(source, line, line) } };
  }
  const open = account(at.index)?.sentence;
  return {
    ...about,
    scope: 'round',
    at: { ...wordsOf(source, at.round) },
    text: open ? `\nWorked out: ${lowerFirst(open)}` : '',
  };
}

function asking(proposal: string, title: string | undefined): string {
  if (proposal !== '') return 'Is this what is meant?';
  return title ? `${title}: is this what is meant?` : 'What is meant here?';
}

function sentences(parts: readonly string[]): string {
  return parts.filter((part) => part !== '').join('\n');
}

function lowerFirst(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}

interface PlacedRound {
  readonly round: ReportRound;
  readonly part: string;
  /** Its number among all rounds. */
  readonly index: number;
}

function roundAtLine(
  report: Report,
  { line, endLine, round: label }: Pick<ReportFinding, 'line' | 'endLine'> & { readonly round?: string | null },
): PlacedRound | null {
  let index = -1;
  let at: PlacedRound | null = null;
  for (const { name, rounds } of report.parts)
    for (const round of rounds) {
      index += 1;
      const meets = round.line <= endLine && round.endLine >= line;
      // Several may stand in one line: the one that is named, or else the first.
      if (meets && (at === null || round.label === label)) at = { round, part: name, index };
    }
  return at;
}

/** A round from its label to the end of its last line. */
function wordsOf(source: SourceText, { line, column, endLine }: ReportRound): Span {
  return { from: lineSpan(source, line - 1).from + column - 1, to: lineSpan(source, endLine - 1).to };
}

function wholeLines(source: SourceText, line: number, endLine: number): Span {
  return { from: lineSpan(source, line - 1).from, to: lineSpan(source, endLine - 1).to };
}

/** Some words with the edits of a fix; empty where these reach beyond them. */
function rewritten(source: SourceText, span: Span, { edits }: ReportFinding['fixes'][number]): string {
  let words = '';
  let at = span.from;
  for (const edit of [...edits].sort((a, b) => a.line - b.line || a.column - b.column)) {
    const from = lineSpan(source, edit.line - 1).from + edit.column - 1;
    const to = lineSpan(source, edit.endLine - 1).from + edit.endColumn - 1;
    if (from < at || to > span.to) return '';
    words += source.text.slice(at, from) + edit.text;
    at = to;
  }
  return words + source.text.slice(at, span.to);
}
