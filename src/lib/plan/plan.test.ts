import { beforeEach, describe, expect, it } from 'vitest';
import { dayOf, isoOf } from '../../core/index.js';
import {
  localDay,
  plannedOf,
  planEntrySchema,
  planSettingsSchema,
  USUAL_SETTINGS,
  type PlanEntry,
  type PlanGiven,
  type PlanRow,
} from '../plan.js';
import { absencesIn, absencesOut, daysIn, daysOut } from './freeDays.js';
import { PlanSession } from './plan.svelte.js';
import { planRow } from './testing.js';

const row = (id: string, more: Partial<PlanRow> = {}) => planRow(id, { name: id.toUpperCase(), ...more });
const GIVEN: PlanGiven = {
  rows: [row('puffin'), row('crab', { release: '2026-05-20', editor: 'Oda' }), row('slug', { release: '2026-09-18' })],
  settings: USUAL_SETTINGS,
  learnt: {},
  today: '2026-05-06',
};

let put: [string, PlanEntry][];
let fails: boolean;
let said: string[];
const session = (given: PlanGiven = GIVEN) =>
  new PlanSession(given, {
    put: (id, entry) => (fails ? Promise.reject(new Error('no')) : Promise.resolve(void put.push([id, entry]))),
    say: (words) => said.push(words),
  });

beforeEach(() => {
  [put, fails, said] = [[], false, []];
});

describe('the plan', () => {
  it('goes by patterns and stages, and to those that are late', () => {
    const plan = session();
    expect(plan.at).toBe('puffin');
    plan.toLate(1);
    expect([plan.at, plan.stage]).toEqual(['crab', 'checked']);
    plan.toLate(1);
    expect(plan.at).toBe('crab');
    plan.stepRow(1);
    plan.stepStage(1);
    expect([plan.at, plan.stage]).toEqual(['slug', 'asked']);
    plan.stepRow(1);
    plan.toLate(-1);
    expect(plan.at).toBe('crab');
  });

  it('moves a stage, says what comes of it, and keeps it', async () => {
    const plan = session();
    plan.goTo('puffin', 'called');
    plan.shift(1);
    plan.shift(5);
    expect(isoOf(plan.moving?.day ?? 0)).toBe('2026-05-20');
    expect(plan.told?.slips).toBe(6);
    expect(plan.planOf('puffin')?.stages.at(-1)?.due).toBe(dayOf('2026-06-18'));
    // The others stand as they did, and nothing is kept yet.
    expect(plan.planOf('crab')).toEqual(session().plans[1]);
    expect(put).toEqual([]);
    await plan.keep();
    expect(put).toMatchObject([['puffin', { moved: { called: '2026-05-20' } }]]);
    expect(plan.row?.moved).toEqual({ called: '2026-05-20' });
    await plan.letGo('puffin', 'called');
    expect(plan.row?.moved).toEqual({});
    await plan.letGo('puffin', 'called');
    expect(put).toHaveLength(2);
  });

  it('takes back what was moved where one goes elsewhere, or moves it to where it was', () => {
    const plan = session();
    plan.goTo('puffin', 'called');
    plan.shift(3);
    plan.shift(-3);
    expect(plan.moving).toBeNull();
    plan.shift(3);
    plan.goTo('crab');
    expect(plan.moving).toBeNull();
    plan.goTo('puffin', 'in');
    plan.shift(4);
    // It was reached.
    expect(plan.moving).toBeNull();
  });

  it('takes a change back that can’t be kept, and says so', async () => {
    const plan = session();
    fails = true;
    await plan.change('puffin', { editor: 'Oda' });
    expect(plan.row?.editor).toBe('Ines');
    expect(said).toEqual(['The date was not kept. This did not work.']);
  });

  it('lists what is due today and this week, of one person or of all', () => {
    const plan = session();
    const names = (tasks: typeof plan.today) => tasks.map(({ name, stage, person }) => `${name} ${stage} ${person}`);
    expect(names(plan.today)).toEqual(['CRAB checked Oda', 'PUFFIN checked Ines']);
    expect(plan.people).toEqual(['Ines', 'Oda']);
    plan.person = 'Oda';
    expect(names(plan.today)).toEqual(['CRAB checked Oda']);
    expect(plan.week).toEqual([]);
  });

  it('shows whole weeks, from the first day that is open to behind the last', () => {
    const { span } = session();
    expect(isoOf(span.from)).toBe('2026-04-06');
    expect((span.to - span.from + 1) % 7).toBe(0);
    expect(span.to).toBeGreaterThan(dayOf('2026-09-18') ?? 0);
    expect(session({ ...GIVEN, rows: [] }).at).toBeNull();
  });
});

describe('what is said of a stage', () => {
  it('stands over what the history tells, and hours that are set over those that were found', () => {
    const one = plannedOf(
      row('a', { reached: { in: '2026-04-20', checked: '2026-04-22' }, done: { checked: '2026-04-30' }, found: 9 }),
    );
    expect(one.done).toEqual({ in: dayOf('2026-04-20'), checked: dayOf('2026-04-30') });
    expect(one.hours).toBe(9);
    expect(plannedOf(row('a', { hours: 4, found: 9 })).hours).toBe(4);
  });

  it('is the day of the place where the server stands', () => {
    expect(localDay(new Date(2026, 2, 14, 0, 0, 1).getTime())).toBe('2026-03-14');
    expect(localDay(new Date(2026, 2, 14, 23, 59, 59).getTime())).toBe('2026-03-14');
  });
});

describe('what can’t be planned', () => {
  const { id: _id, name: _name, designer: _designer, reached: _reached, found: _found, ...entry } = row('a');
  it.each([
    [{}, null],
    [{ release: '2026-02-30' }, 'A day is written as 2026-03-14.'],
    [{ release: 'soon' }, 'A day is written as 2026-03-14.'],
    [{ hours: 0 }, 'A toy takes some time.'],
    [{ hours: 1e9 }, 'No toy takes so long.'],
    [{ list: 'x'.repeat(81) }, 'A name has at most 80 characters.'],
    [{ done: { checked: '2026-13-01' } }, 'A day is written as 2026-03-14.'],
  ])('%o', (change, message) => {
    const read = planEntrySchema.safeParse({ ...entry, ...change });
    expect(read.error?.issues[0]?.message ?? null).toBe(message);
  });

  it.each([
    [{ workdays: [] }, 'On one day of the week at the least work has to be done.'],
    [{ days: { checked: -1 } }, 'Days are counted from 0.'],
    [{ days: { checked: 201 } }, 'No stage takes longer than 200 days.'],
    [
      { absences: [{ person: 'Ines', from: '2026-07-02', to: '2026-07-01' }] },
      'An absence ends on the day on which it begins, or later.',
    ],
  ])('settings of %o', (change, message) => {
    expect(planSettingsSchema.safeParse({ ...USUAL_SETTINGS, ...change }).error?.issues[0]?.message).toBe(message);
  });
});

describe('free days', () => {
  it('are read line by line, and written as they are read', () => {
    const absences = 'Ines 2026-07-06 2026-07-24\n\nOda Marram 2026-01-01 – 2026-01-01 ';
    const read = absencesIn(absences);
    expect(read).toEqual({
      absences: [
        { person: 'Ines', from: '2026-07-06', to: '2026-07-24' },
        { person: 'Oda Marram', from: '2026-01-01', to: '2026-01-01' },
      ],
      problem: '',
    });
    expect(absencesIn(absencesOut(read.absences))).toEqual(read);
    expect(daysIn('2026-12-25\n 2026-12-26 \n')).toEqual({ days: ['2026-12-25', '2026-12-26'], problem: '' });
    expect(daysOut(['2026-12-25', '2026-12-26'])).toBe('2026-12-25\n2026-12-26');
  });

  it.each([
    ['Ines in July', /“Ines in July” can’t be read/],
    ['Ines 2026-07-06', /can’t be read/],
    ['Ines 2026-07-24 2026-07-06', /ends before it begins/],
    ['2026-07-06 2026-07-24', /can’t be read/],
  ])('%j is told in words', (line, words) => {
    expect(absencesIn(line).problem).toMatch(words);
  });

  it('that are none are told', () => {
    expect(daysIn('25.12.2026').problem).toBe('“25.12.2026” is no day. A day is written as 2026-12-25.');
  });
});
