import type { PlanEntry, PlanRow } from '../plan.js';

/** What was settled of a pattern, for a test. */
export const PLAN_ENTRY: PlanEntry = {
  list: 'Spring list',
  release: '2026-06-12',
  editor: 'Ines',
  hours: null,
  after: [],
  done: {},
  moved: {},
};

/** A pattern on the plan that was taken in, for a test. */
export const planRow = (id: string, more: Partial<PlanRow> = {}): PlanRow => ({
  ...PLAN_ENTRY,
  id,
  name: id,
  designer: 'Jonne',
  reached: { in: '2026-04-20' },
  found: null,
  expected: null,
  ...more,
});
