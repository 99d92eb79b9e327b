import { checkText, type CheckOptions, type Report, type ReportVerdict } from '../../core/index.js';
import type { Summary } from '../patterns.js';

const LETTERS: Record<ReportVerdict, string> = {
  agrees: 'a',
  counted: 'c',
  off: 'o',
  unreadable: 'u',
  'on-trust': 't',
};

/** Texts longer than this would hold up the server at each save; the Desk checks them in its own worker. */
const LONGEST_SUMMARISED = 300_000;

/** The figures of a check that the shelf shows, without the findings that are put aside by their keys; null for a text that is too long for it. */
export function summarise(
  text: string,
  aside: ReadonlySet<string> = new Set(),
  options: CheckOptions = { terms: 'auto' },
): Summary | null {
  return text.length > LONGEST_SUMMARISED ? null : summaryOf(checkText(text, '', options), aside);
}

function summaryOf(report: Report, aside: ReadonlySet<string>): Summary {
  const rounds = report.parts.flatMap((part) => part.rounds);
  const open = report.findings.filter(({ key }) => !aside.has(key));
  const count = (test: (round: (typeof rounds)[number]) => boolean) => rounds.filter(test).length;
  return {
    parts: report.parts.length,
    rounds: rounds.length,
    agree: count(({ verdict }) => verdict === 'agrees' || verdict === 'counted'),
    off: count(({ verdict }) => verdict === 'off'),
    unclear: count(({ verdict }) => verdict === 'unreadable' || verdict === 'on-trust'),
    errors: open.filter(({ severity }) => severity === 'error').length,
    warnings: open.filter(({ severity }) => severity === 'warning').length,
    terms: report.terms.detected,
    tally: rounds
      .slice(0, 400)
      .map(({ verdict }) => LETTERS[verdict])
      .join(''),
  };
}
