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

/**
 * The line at which the Desk opens: where one left it, else the first thing to mend, else the first round; null where
 * there is neither.
 */
export function openingLine(report: Report, findings: readonly ReportFinding[], left: number | null): number | null {
  if (left !== null) return left;
  const toMend = (severity: ReportFinding['severity']) => findings.find((finding) => finding.severity === severity);
  return (
    (toMend('error') ?? toMend('warning') ?? report.parts.find(({ rounds }) => rounds.length > 0)?.rounds[0])?.line ??
    null
  );
}
