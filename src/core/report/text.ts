import type { RoundAccount } from '../explaining/schema.js';
import type { Report } from './schema.js';

const MARKS: Record<Report['parts'][number]['rounds'][number]['verdict'], string> = {
  agrees: '=',
  counted: '·',
  off: '≠',
  unreadable: '?',
  'on-trust': '~',
};

/**
 * The report as people read it on a terminal.
 * @param account where it is given, each round is told in plain words below its figures.
 */
export function reportText(report: Report, account?: (round: number) => RoundAccount | null): string {
  let index = -1;
  const lines: string[] = [];
  const rounds = report.parts.flatMap((part) => part.rounds);
  const off = rounds.filter(({ verdict }) => verdict === 'off').length;
  lines.push(report.file);
  lines.push(
    `  terms: ${termsText(report)}; ${rounds.length} instructions in ${report.parts.length} parts, ${off} off; read to the last word: ${report.coverage.read} of ${report.coverage.instructionLines}`,
  );
  for (const part of report.parts) {
    lines.push('', `  ${part.name}${part.make > 1 ? ` (make ${part.make})` : ''}`);
    const width = Math.min(28, Math.max(...part.rounds.map(({ label }) => label.length), 5));
    for (const round of part.rounds) {
      index += 1;
      const uses = `${figure(round.into)}/${figure(round.edge)}`.padStart(9);
      const stated = round.stated === null ? '' : ` stated ${round.stated}`;
      lines.push(
        `    ${MARKS[round.verdict]} ${round.label.slice(0, width).padEnd(width)} ${uses} → ${figure(round.made).padStart(4)}${stated}`,
      );
      const sentence = account?.(index)?.sentence;
      if (sentence) lines.push(`        ${sentence}`);
      if (account && round.why.length > 0) lines.push(`        (${round.why.join('; ')})`);
    }
  }
  if (report.findings.length > 0) lines.push('');
  for (const { line, column, severity, rule, message, fixes } of report.findings) {
    lines.push(`  ${line}:${column}  ${severity}  ${rule}  ${message}`);
    for (const { title } of fixes) lines.push(`      → ${title}`);
  }
  if (rounds.length === 0)
    lines.push('', '  No rounds were found. A line such as "Rnd 3: (sc 1, inc) x 6 (18)" is read as one.');
  else if (report.findings.length === 0) lines.push('', '  Nothing found.');
  return `${lines.join('\n')}\n`;
}

function termsText({ terms }: Report): string {
  const name = { us: 'US', uk: 'UK', mixed: 'mixed', unclear: 'unclear' }[terms.detected];
  return terms.declared === null
    ? `${name} (not declared)`
    : terms.declared === terms.detected
      ? `${name} (as declared)`
      : `${name} (declared ${terms.declared.toUpperCase()})`;
}

function figure(value: number | null): string {
  return value === null ? '–' : String(value);
}
