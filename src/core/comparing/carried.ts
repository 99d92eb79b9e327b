import type { Report, ReportFinding } from '../report/schema.js';
import { lineSpan, sourceText, type SourceText } from '../text/source.js';
import type { ComparedEntry, Comparison } from './schema.js';

/** A draft with what was found in it. */
export interface CheckedDraft {
  readonly text: string;
  readonly report: Report;
}

/** What a person has noted on a draft, by its keys, as it holds in the next one. */
export interface Carried {
  /** New keys of the rounds that were ticked and in which nothing has changed. */
  readonly ticks: readonly string[];
  /** Old and new keys of the findings that were put aside where nothing has changed. */
  readonly aside: readonly (readonly [before: string, after: string])[];
}

/** Takes along what was noted where nothing has changed; it falls off where something has. */
export function carriedOver(
  { entries }: Comparison,
  before: CheckedDraft,
  after: CheckedDraft,
  noted: { readonly ticks: readonly string[]; readonly aside: readonly string[] },
): Carried {
  const [oldKeys, newKeys] = [keysOf(before.report), keysOf(after.report)];
  const ticked = new Set(noted.ticks);
  const unchanged = entries.filter(({ change }) => change === 'same' || change === 'moved');
  const ticks = unchanged.flatMap(({ before: old, after: now }) => {
    const [was, is] = [oldKeys[old?.round ?? -1], newKeys[now?.round ?? -1]];
    return was !== undefined && is !== undefined && ticked.has(was) ? [is] : [];
  });
  const [olds, news] = [findingsBy(before, unchanged, 'before'), findingsBy(after, unchanged, 'after')];
  const put = new Set(noted.aside);
  const aside = [...olds].flatMap(([name, old]) => {
    const now = news.get(name);
    return now && put.has(old.key) ? [[old.key, now.key] as const] : [];
  });
  return { ticks, aside };
}

/** Findings that one draft has and the other has not: those of rounds and lines that were known again are the same ones. */
export function findingsBetween(
  { entries }: Comparison,
  before: CheckedDraft,
  after: CheckedDraft,
): { gone: ReportFinding[]; come: ReportFinding[] } {
  const [olds, news] = [findingsBy(before, entries, 'before'), findingsBy(after, entries, 'after')];
  return {
    gone: [...olds].flatMap(([name, finding]) => (news.has(name) ? [] : [finding])),
    come: [...news].flatMap(([name, finding]) => (olds.has(name) ? [] : [finding])),
  };
}

function keysOf({ parts }: Report): string[] {
  return parts.flatMap(({ rounds }) => rounds.map(({ key }) => key));
}

/** Findings by what stays of them from draft to draft: the rule, and the round or line that they stand in. */
function findingsBy(
  { text, report }: CheckedDraft,
  entries: readonly ComparedEntry[],
  side: 'before' | 'after',
): Map<string, ReportFinding> {
  const source = sourceText(text);
  const found = new Map<string, ReportFinding>();
  for (const finding of report.findings) {
    const at = offsetOf(source, finding);
    const entry = entries.findIndex((one) => {
      const here = one[side];
      return here !== null && here.from <= at && at <= here.to;
    });
    const name = `${finding.rule}|${entry < 0 ? finding.key : entry}`;
    let again = 0;
    while (found.has(`${name}|${again}`)) again += 1;
    found.set(`${name}|${again}`, finding);
  }
  return found;
}

function offsetOf(source: SourceText, { line, column }: ReportFinding): number {
  return lineSpan(source, line - 1).from + column - 1;
}
