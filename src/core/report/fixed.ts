import type { Finding } from '../checks/registry.js';
import type { CountedPattern } from '../counting/counted.js';
import { searchFixes } from '../fixes/index.js';
import { reportOf } from './report.js';
import type { Report } from './schema.js';

/** A text that has been checked. */
interface Checked {
  readonly report: Report;
  readonly counted: CountedPattern;
  readonly findings: readonly Finding[];
}

/**
 * Searches for fixes of what was found in a text, piece by piece: each step takes about a millisecond, and gives a report where
 * that has new fixes. It ends with the very report that is there already where nothing was searched.
 * @param near an offset: what is nearest to it is searched first
 */
export function* searchIn({ report, counted, findings }: Checked, near: number): Generator<Report | null, Report> {
  const steps = searchFixes(counted, findings, near);
  let step = steps.next();
  for (; !step.done; step = steps.next()) yield step.value && reportOf(report.file, counted, step.value);
  return step.value === findings ? report : reportOf(report.file, counted, step.value);
}

/** The report on a text with the fixes that can be found; this takes longer than the check. */
export function fixedReport(checked: Checked): Report {
  const steps = searchIn(checked, 0);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}
