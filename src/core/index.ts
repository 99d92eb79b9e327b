/** The face of the core: what the application, the worker and the terminal may use. */
import { check } from './checks/registry.js';
import { countPattern } from './counting/count.js';
import { readPattern, type ReadOptions } from './reading/read.js';
import { reportOf } from './report/report.js';
import type { Report } from './report/schema.js';

export { reportSchema } from './report/schema.js';
export type { Report, ReportFinding, ReportRound, ReportVerdict } from './report/schema.js';
export { reportText } from './report/text.js';

/**
 * Reads, counts and checks a text.
 * @param file the name that the report carries.
 * @returns the report; never throws, whatever the text.
 */
export function checkText(text: string, file: string, options: ReadOptions = { terms: 'auto' }): Report {
  const counted = countPattern(readPattern(text, options));
  return reportOf(file, counted, check(counted));
}
