import type { Report, ReportFinding } from '../../core/index.js';
import type { Lines } from './editor.js';

/**
 * The lines that stand before the first part: title, materials, words, notes. Null where there is nothing to fold there.
 */
export function frontOf({ parts }: Report, text: string): Lines | null {
  const [first] = parts;
  if (!first) return null;
  const before = text.split('\n').slice(0, first.line - 1);
  const endLine = before.findLastIndex((line) => line.trim() !== '') + 1;
  return endLine > 1 ? { line: 1, endLine } : null;
}

/** The line at which a Desk opens that one has not been at: the first thing to mend, else the first round; null without either. */
export function openingLine(report: Report, findings: readonly ReportFinding[]): number | null {
  const toMend = (severity: ReportFinding['severity']) => findings.find((finding) => finding.severity === severity);
  const first = report.parts.find(({ rounds }) => rounds.length > 0)?.rounds[0];
  return (toMend('error') ?? toMend('warning') ?? first)?.line ?? null;
}
