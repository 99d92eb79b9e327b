import type { Report, ReportRound } from './schema.js';

/** A line of the manuscript with the sums that stand in its margin. */
export interface MarkedLine {
  /** "24/24 → 30 (+6), states 30"; empty for a line without a round. */
  readonly sums: readonly { readonly words: string; readonly verdict: ReportRound['verdict'] }[];
  readonly text: string;
}

/** The manuscript line by line, with its sums in the margin: for paper, and for a message. */
export function markedLines(text: string, report: Report): MarkedLine[] {
  const sums = new Map<number, MarkedLine['sums'][number][]>();
  for (const round of report.parts.flatMap((part) => part.rounds)) {
    const list = sums.get(round.line) ?? [];
    list.push({ words: sumOf(round), verdict: round.verdict });
    sums.set(round.line, list);
  }
  return text.split('\n').map((line, i) => ({ text: line, sums: sums.get(i + 1) ?? [] }));
}

const SIGNS: Record<ReportRound['verdict'], string> = {
  agrees: '=',
  counted: '·',
  off: '≠',
  unreadable: '?',
  'on-trust': '~',
};

/** The same as plain text, the sums to the left of their lines. */
export function markedText(text: string, report: Report): string {
  const rows = markedLines(text, report).flatMap(({ sums, text: line }) =>
    sums.length === 0
      ? [{ margin: '', line }]
      : sums.map(({ words, verdict }, i) => ({ margin: `${SIGNS[verdict]} ${words}`, line: i === 0 ? line : '' })),
  );
  const width = Math.max(0, ...rows.map(({ margin }) => margin.length));
  return rows.map(({ margin, line }) => `${margin.padEnd(width)} | ${line}`.trimEnd()).join('\n');
}

function sumOf({ into, edge, made, stated }: ReportRound): string {
  const uses = into === null && edge === null ? '' : `${into ?? '–'}/${edge ?? '–'} `;
  const change =
    edge === null || made === null || made === edge ? '' : ` (${made > edge ? '+' : '−'}${Math.abs(made - edge)})`;
  const states = stated === null ? '' : stated === made ? '' : `, states ${stated}`;
  return `${uses}→ ${made ?? '–'}${change}${states}`;
}
