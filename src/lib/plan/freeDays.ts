import { dayOf } from '../../core/index.js';
import type { PlanSettings } from '../plan.js';

type Absences = PlanSettings['absences'];

const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** Days, one a line; the first line that is none is told. */
export function daysIn(text: string): { readonly days: string[]; readonly problem: string } {
  const days = linesOf(text);
  const wrong = days.find((line) => dayOf(line) === null);
  return { days, problem: wrong === undefined ? '' : `“${wrong}” is no day. A day is written as 2026-12-25.` };
}

/** Who is away and when, one a line: a name, the first and the last day. */
export function absencesIn(text: string): { readonly absences: Absences; readonly problem: string } {
  const absences: Absences = [];
  for (const line of linesOf(text)) {
    const [, person = '', from = '', to = ''] =
      /^(.*\S)\s+(\d{4}-\d\d-\d\d)\s+(?:(?:to|until|[-–])\s+)?(\d{4}-\d\d-\d\d)$/u.exec(line) ?? [];
    if (dayOf(from) === null || dayOf(to) === null)
      return {
        absences,
        problem: `“${line}” can’t be read. Write a name, the first and the last day: Ines 2026-07-06 2026-07-24`,
      };
    if (to < from) return { absences, problem: `“${line}” ends before it begins.` };
    absences.push({ person, from, to });
  }
  return { absences, problem: '' };
}

export const daysOut = (days: readonly string[]): string => days.join('\n');
export const absencesOut = (absences: Absences): string =>
  absences.map(({ person, from, to }) => `${person} ${from} ${to}`).join('\n');
