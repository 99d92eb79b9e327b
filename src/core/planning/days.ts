/** A day of the calendar: how many have passed since 1 January 1970. No clock and no time zone has part in it. */
export type Day = number;

const MS = 86_400_000;

/** "2026-03-14" as a day; null where it is none. */
export function dayOf(iso: string): Day | null {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(iso)) return null;
  const at = Date.parse(`${iso}T00:00:00Z`);
  return Number.isNaN(at) || new Date(at).toISOString().slice(0, 10) !== iso ? null : at / MS;
}

/** A day as "2026-03-14". */
export const isoOf = (day: Day): string => new Date(day * MS).toISOString().slice(0, 10);

/** Which day of the week it is; 0 is Monday. */
export const weekdayOf = (day: Day): number => (((day + 3) % 7) + 7) % 7;

/** The Monday of its week. */
export const mondayOf = (day: Day): Day => day - weekdayOf(day);

/** When somebody is not there, both days included. */
export interface Absence {
  readonly person: string;
  readonly from: Day;
  readonly to: Day;
}

/** On which days work is done. */
export interface WorkCalendar {
  /** Days of the week; 0 is Monday. */
  readonly workdays: readonly number[];
  readonly holidays: readonly Day[];
  readonly absences: readonly Absence[];
}

/** Somebody would have to work, and is not there for all of it. */
export class NeverThere extends Error {
  constructor(readonly person: string) {
    super(person === '' ? 'There are no working days.' : `${person} is away for all of it.`);
  }
}

const WEEK = 7;
/** So far is looked for a working day beyond one a week; days. */
const FARTHEST = 500;

/** Working days, counted for each person once: a plan of many patterns asks for them again and again. */
export class Workdays {
  readonly #calendar: WorkCalendar;
  readonly #holidays: ReadonlySet<Day>;
  readonly #away = new Map<string, readonly Absence[]>();

  constructor(calendar: WorkCalendar) {
    this.#calendar = calendar;
    this.#holidays = new Set(calendar.holidays);
  }

  /** Whether work is done on a day. @param person empty for nobody in particular */
  isWorking(day: Day, person: string): boolean {
    if (!this.#calendar.workdays.includes(weekdayOf(day)) || this.#holidays.has(day)) return false;
    return !this.#absencesOf(person).some(({ from, to }) => from <= day && day <= to);
  }

  #absencesOf(person: string): readonly Absence[] {
    let absences = this.#away.get(person);
    if (!absences) {
      absences = person === '' ? [] : this.#calendar.absences.filter((one) => one.person === person);
      this.#away.set(person, absences);
    }
    return absences;
  }

  /**
   * The day that lies so many working days after another, or (less than 0) before it.
   * @throws NeverThere where there are not so many within reach.
   */
  from(day: Day, workdays: number, person: string): Day {
    const step = workdays < 0 ? -1 : 1;
    let at = day;
    for (let left = Math.abs(workdays); left > 0;) {
      at += step;
      if (Math.abs(at - day) > FARTHEST + WEEK * Math.abs(workdays)) throw new NeverThere(person);
      if (this.isWorking(at, person)) left -= 1;
    }
    return at;
  }

  /** How many working days lie after one day up to another; less than 0 where the other comes first. */
  between(from: Day, to: Day): number {
    if (to < from) return -this.between(to, from);
    let days = 0;
    for (let day = from + 1; day <= to; day += 1) if (this.isWorking(day, '')) days += 1;
    return days;
  }
}
