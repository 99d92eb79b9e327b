import { check } from '../checks/registry.js';
import type { CountedPattern } from '../counting/counted.js';
import { decide } from '../deciding/decide.js';
import { documentOf, type Document } from '../document/document.js';
import { proseOf } from '../document/prose.js';
import { reportOf } from '../report/report.js';
import type { Report, ReportFinding } from '../report/schema.js';

/** A text with all that was understood and found of it. */
export interface Seen {
  readonly text: string;
  readonly counted: CountedPattern;
  readonly document: Document;
  readonly report: Report;
}

/** Reads, counts and checks a text. */
export function seen(text: string): Seen {
  const counted = decide(text);
  const document = documentOf(counted.pattern, proseOf(counted.pattern).talk);
  return { text, counted, document, report: reportOf('', counted, check(counted)) };
}

/** What is wrong with a text: hints are no faults. */
export const faultsIn = ({ findings }: Report): ReportFinding[] =>
  findings.filter(({ severity }) => severity !== 'hint');

/** Why faults can't be planted in a text, as a sentence; null where they can: nothing is wrong in it, and every round comes out. */
export function unfit({ report }: Seen): string | null {
  const rounds = report.parts.flatMap((part) => part.rounds);
  const wrong = rounds.filter(({ verdict }) => verdict === 'off' || verdict === 'unreadable').length;
  const found = faultsIn(report).length;
  if (rounds.length === 0) return 'There are no rounds in it.';
  if (wrong > 0)
    return `It is not clean: ${wrong} of ${rounds.length} rounds ${wrong === 1 ? 'does' : 'do'} not come out.`;
  if (found > 0) return `It is not clean: something is found in it, ${found === 1 ? 'once' : `${found} times`}.`;
  return null;
}
