import type { Report, ReportRound } from '../report/schema.js';
import { faultsIn, seen } from './clean.js';
import type { Marked, PencilMark, PlantedFault, Practice } from './schema.js';

/**
 * Marks what somebody has found in a practice pattern. A fault is met by a mark on any of its lines; a line is marked once, and
 * of several marks that meet one fault the first counts. A mark on a line where nothing is wrong costs what a miss costs.
 */
export function marked({ text, faults }: Pick<Practice, 'text' | 'faults'>, marks: readonly PencilMark[]): Marked {
  const { report } = seen(text);
  const met = faults.map((fault) => {
    const mark = marks.find(({ line }) => fault.lines.includes(line)) ?? null;
    return {
      fault,
      met: mark,
      named: mark?.kind === fault.kind,
      righted: mark === null || mark.proposal.trim() === '' ? null : rights(text, report, fault, mark),
    };
  });
  const innocent = marks.filter(({ line }) => !faults.some(({ lines }) => lines.includes(line)));
  const blamed = [...new Map(innocent.map((mark) => [mark.line, mark])).values()];
  const found = met.filter((one) => one.met !== null).length;
  const all = faults.length + blamed.length;
  return {
    mark: all === 0 ? 1 : found / all,
    faults: met,
    blamed: blamed.map((mark) => ({ mark, says: innocence(report, mark.line) })),
    rounds: report.parts.flatMap(({ name, rounds }) =>
      rounds.map(({ line, label, edge, into, made, stated }) => ({
        line,
        part: name,
        label,
        edge,
        into,
        made,
        stated,
      })),
    ),
  };
}

/** Whether nothing is wrong any more where a fault was, and nothing new, once a line reads as proposed. */
function rights(text: string, before: Report, { lines }: PlantedFault, { line, proposal }: PencilMark): boolean {
  const all = text.split('\n');
  all[line - 1] = proposal.trim().replace(/\s*\n\s*/g, ' ');
  const { report } = seen(all.join('\n'));
  const rest = faultsIn(report);
  const isThere = ({ line: from, endLine }: { line: number; endLine: number }) =>
    lines.some((one) => from <= one && one <= endLine);
  return (
    !rest.some(isThere) &&
    !wrongRounds(report).some(isThere) &&
    rest.length < faultsIn(before).length &&
    wrongRounds(report).length <= wrongRounds(before).length
  );
}

const wrongRounds = ({ parts }: Report): ReportRound[] =>
  parts.flatMap(({ rounds }) => rounds).filter(({ verdict }) => verdict === 'off' || verdict === 'unreadable');

/** What speaks for a line that was marked without a reason. */
function innocence({ parts }: Report, line: number): string {
  const round = parts.flatMap(({ rounds }) => rounds).find((one) => one.line <= line && line <= one.endLine);
  if (!round) return 'Nothing is wrong with this line.';
  const { label, edge, into, made, stated } = round;
  const uses = edge === null || into === null ? '' : `uses ${into} of ${edge}, `;
  const makes = made === null ? 'is read as it stands' : `makes ${made}`;
  return `${label} ${uses}${makes}${stated === null ? '' : ` and states ${stated}`}: it comes out.`;
}
