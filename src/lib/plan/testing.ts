import type { PlanRow } from '../plan.js';

/** A pattern on the plan that was taken in, for a test. */
export const planRow = (id: string, more: Partial<PlanRow> = {}): PlanRow => ({
  id,
  name: id,
  designer: 'Jonne',
  list: 'Spring list',
  release: '2026-06-12',
  editor: 'Ines',
  hours: null,
  after: [],
  done: {},
  moved: {},
  reached: { in: '2026-04-20' },
  found: null,
  expected: null,
  ...more,
});
