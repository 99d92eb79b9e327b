import { dayOf, STAGES, type Day, type StageId } from '../../core/index.js';
import { plural } from '../plural.js';

/** What a pattern of the plan has to reach next. */
export interface NextDate {
  readonly id: string;
  readonly stage: StageId;
  readonly due: string;
  /** Days by which it is overdue, and by which the pattern will come out too late if work goes on from today. */
  readonly late: number;
  readonly slips: number;
}

const short = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });
const long = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});

/** "14 Mar". */
export const dayWords = (at: Day): string => short.format(at * 86_400_000);
/** "Sat, 14 Mar 2026". */
export const fullDayWords = (at: Day): string => long.format(at * 86_400_000);

export const stageWords = (id: StageId): string => STAGES.find((one) => one.id === id)?.words ?? id;

/** A next date in words, as it stands in a row. */
export function nextWords({ stage, due, late, slips }: NextDate): string {
  const when = late > 0 ? `${plural(late, 'day')} late` : `by ${dayWords(dayOf(due) ?? 0)}`;
  return `${stageWords(stage).toLowerCase()} ${when}${slips > 0 ? `, comes out ${plural(slips, 'day')} late` : ''}`;
}
