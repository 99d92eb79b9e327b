import * as z from 'zod/mini';
import type { NextDate } from './plan/words.js';
import {
  dayOf,
  HOURS_A_WEEK,
  isoOf,
  planned,
  STAGE_IDS,
  STAGES,
  type Day,
  type Learnt,
  type Planned,
  type PlanTerms,
  type StageId,
} from '../core/index.js';

const day = z.string().check(z.refine((words) => dayOf(words) !== null, 'A day is written as 2026-03-14.'));
const name = z.string().check(z.trim(), z.maxLength(80, 'A name has at most 80 characters.'));
const stage = z.enum(STAGE_IDS);
const stageDays = z.partialRecord(stage, day);

/** What is settled of a pattern on a list. */
export const planEntrySchema = z.object({
  list: name,
  release: day,
  editor: name,
  hours: z.nullable(z.number().check(z.gt(0, 'A toy takes some time.'), z.lte(2000, 'No toy takes so long.'))),
  after: z.array(z.string().check(z.maxLength(100))).check(z.maxLength(40)),
  done: stageDays,
  moved: stageDays,
});
export type PlanEntry = z.infer<typeof planEntrySchema>;

const some = z.int().check(z.gte(0, 'Days are counted from 0.'), z.lte(200, 'No stage takes longer than 200 days.'));

/** What all of the plan goes by, as it is set. */
export const planSettingsSchema = z.object({
  /** Days that stages take; those left out go by what was learnt, or by what is usual. */
  days: z.partialRecord(stage, some),
  /** Days of the week; 0 is Monday. */
  workdays: z
    .array(z.int().check(z.gte(0), z.lte(6)))
    .check(z.minLength(1, 'On one day of the week at the least work has to be done.')),
  holidays: z.array(day).check(z.maxLength(500)),
  absences: z
    .array(
      z
        .object({ person: name, from: day, to: day })
        .check(z.refine(({ from, to }) => from <= to, 'An absence ends on the day on which it begins, or later.')),
    )
    .check(z.maxLength(500)),
  /** Hours that a tester works in a week. */
  hoursAWeek: z.number().check(z.gt(0), z.lte(80)),
});
export type PlanSettings = z.infer<typeof planSettingsSchema>;

export const USUAL_SETTINGS: PlanSettings = {
  days: {},
  workdays: [0, 1, 2, 3, 4],
  holidays: [],
  absences: [],
  hoursAWeek: HOURS_A_WEEK,
};

/** A pattern on the plan, with what the shelf knows of it. */
export interface PlanRow extends PlanEntry {
  readonly id: string;
  readonly name: string;
  readonly designer: string;
  /** Stages that were reached, as the history of the pattern tells, with their days. */
  readonly reached: Partial<Readonly<Record<StageId, string>>>;
  /** Hours that the toy takes as testers have found, and as its stitches let expect; null where that is not known. */
  readonly found: number | null;
  readonly expected: number | null;
}

/** The next date of each pattern that is not out: the longest overdue first, then those that will be late, then by their days. */
export function nextDates(given: PlanGiven): NextDate[] {
  return planned(given.rows.map(plannedOf), termsOf(given))
    .flatMap(({ id, next, late, slips }): NextDate[] =>
      next ? [{ id, stage: next.id, due: isoOf(next.due), late, slips }] : [],
    )
    .sort((a, b) => b.late - a.late || b.slips - a.slips || a.due.localeCompare(b.due));
}

/** All that the plan is made from. */
export interface PlanGiven {
  readonly rows: readonly PlanRow[];
  readonly settings: PlanSettings;
  readonly learnt: Partial<Readonly<Record<StageId, Learnt>>>;
  readonly today: string;
}

const days = (isos: Partial<Readonly<Record<StageId, string>>>): Partial<Record<StageId, Day>> =>
  Object.fromEntries(
    Object.entries(isos).flatMap(([id, iso]) => {
      const at = dayOf(iso);
      return at === null ? [] : [[id, at]];
    }),
  );

const dayIn = (iso: string): Day => dayOf(iso) ?? 0;

/** A row as the core plans it. What somebody has said of a stage stands over what the history tells. */
export function plannedOf({
  id,
  name,
  release,
  editor,
  designer,
  hours,
  found,
  expected,
  after,
  done,
  moved,
  reached,
}: PlanRow): Planned {
  return {
    id,
    name,
    release: dayIn(release),
    editor,
    designer,
    hours: hours ?? found ?? expected,
    after,
    done: days({ ...reached, ...done }),
    moved: days(moved),
  };
}

/** Days that each stage takes: as they are set, or else learnt, or else as usual. */
export function daysOf({ settings, learnt }: Pick<PlanGiven, 'settings' | 'learnt'>): Record<StageId, number> {
  return Object.fromEntries(
    STAGES.map(({ id, days: usual }) => [id, settings.days[id] ?? learnt[id]?.median ?? usual]),
  ) as Record<StageId, number>;
}

export function termsOf(given: Pick<PlanGiven, 'settings' | 'learnt' | 'today'>): PlanTerms {
  const { settings, today } = given;
  return {
    calendar: {
      workdays: settings.workdays,
      holidays: settings.holidays.map(dayIn),
      absences: settings.absences.map(({ person, from, to }) => ({ person, from: dayIn(from), to: dayIn(to) })),
    },
    days: daysOf(given),
    hoursAWeek: settings.hoursAWeek,
    today: dayIn(today),
  };
}

/** The day of a moment, where one is. @param at milliseconds since 1970 */
export function localDay(at: number): string {
  const moment = new Date(at);
  return isoOf(Date.UTC(moment.getFullYear(), moment.getMonth(), moment.getDate()) / 86_400_000);
}
