import type { Report, ReportFinding } from '../../core/index.js';
import type { Query } from '../queries.js';
import { isUnsettled } from './queryList.svelte.js';

/** What a new draft says to a query that was made on an earlier one. */
export interface DraftAnswer {
  readonly query: Query;
  /**
   * `mended`: its words were altered, and what was found is found no more. `still`: they were altered, and something is
   * still wrong there. `altered`: it was asked freely, and its words were altered. `gone`: nothing stands there any more.
   * `untouched`: its words are as they were.
   */
  readonly says: 'mended' | 'still' | 'altered' | 'gone' | 'untouched';
  /** What stands there now. */
  readonly now: string;
  /** What is found there now, where something is. */
  readonly found: ReportFinding | null;
}

/**
 * Looks at each query that still waits, and that was made or sent back on an earlier draft, against the newest.
 * @param report of the text as it is now.
 */
export function draftAnswers(queries: readonly Query[], newest: number, text: string, report: Report): DraftAnswer[] {
  return queries
    .filter((query) => isUnsettled(query) && query.place !== null && query.draft < newest)
    .map((query) => answerTo(query, text, report));
}

function answerTo(query: Query, text: string, report: Report): DraftAnswer {
  const { holds, from, to } = query.place ?? { holds: false, from: 0, to: 0 };
  const now = linesAt(text, from, to);
  if (holds) return { query, says: 'untouched', now, found: foundAt(query, text, report) };
  if (from === to && now.trim() === '') return { query, says: 'gone', now: '', found: null };
  if (query.rule === '') return { query, says: 'altered', now, found: null };
  const found = foundAt(query, text, report);
  return { query, says: found ? 'still' : 'mended', now, found };
}

/** The finding that a query stands at: of its own rule, or an error of any. */
export function foundAt({ rule, finding, place }: Query, text: string, { findings }: Report): ReportFinding | null {
  if (!place) return null;
  const known = finding === '' ? undefined : findings.find(({ key }) => key === finding);
  if (known) return known;
  const line = lineOf(text, place.from);
  const endLine = lineOf(text, Math.max(place.from, place.to - 1));
  const here = findings.filter((one) => one.line <= endLine && one.endLine >= line);
  return here.find((one) => one.rule === rule) ?? here.find(({ severity }) => severity === 'error') ?? null;
}

function lineOf(text: string, offset: number): number {
  return text.slice(0, offset).split('\n').length;
}

/** The whole lines that a place lies in. */
function linesAt(text: string, from: number, to: number): string {
  const start = text.lastIndexOf('\n', from - 1) + 1;
  const end = text.indexOf('\n', Math.max(from, to - 1));
  return text.slice(start, end < 0 ? undefined : end);
}
