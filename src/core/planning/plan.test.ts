import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayOf, isoOf, mondayOf, NeverThere, weekdayOf, Workdays, type Day, type WorkCalendar } from './days.js';
import { learntFrom } from './learnt.js';
import { consequence, filled, movedTo, planned, tasksUntil, type Planned, type PlanTerms } from './plan.js';
import { hoursOf, STAGES, STAGE_IDS, testDays, type StageId } from './stages.js';

const day = (iso: string): Day => {
  const at = dayOf(iso);
  if (at === null) throw new Error(`${iso} is a day.`);
  return at;
};
const WEEK: WorkCalendar = { workdays: [0, 1, 2, 3, 4], holidays: [], absences: [] };
const DAYS = Object.fromEntries(STAGES.map(({ id, days }) => [id, days])) as Record<StageId, number>;
const TERMS: PlanTerms = { calendar: WEEK, days: DAYS, hoursAWeek: 6, today: day('2026-03-02') };
const PUFFIN: Planned = {
  id: 'puffin',
  name: 'Puffin',
  release: day('2026-06-12'),
  editor: 'Ines',
  designer: 'Jonne',
  hours: null,
  after: [],
  done: {},
  moved: {},
};
const planOf = (one: Partial<Planned> = {}, terms: Partial<PlanTerms> = {}) => {
  const [plan] = planned([{ ...PUFFIN, ...one }], { ...TERMS, ...terms });
  if (!plan) throw new Error('It is planned.');
  return plan;
};
const dues = (plan: ReturnType<typeof planOf>) =>
  Object.fromEntries(plan.stages.map(({ id, due }) => [id, isoOf(due)]));

describe('days', () => {
  it.each([
    ['1970-01-01', 3],
    ['1969-12-31', 2],
    ['2024-02-29', 3],
    ['2026-03-02', 0],
    ['2026-11-29', 6],
  ])('%s is weekday %d', (iso, weekday) => {
    expect(weekdayOf(day(iso))).toBe(weekday);
    expect(isoOf(day(iso))).toBe(iso);
    expect(weekdayOf(mondayOf(day(iso)))).toBe(0);
  });

  it.each(['2026-02-29', '2026-13-01', '26-01-01', 'tomorrow', '', '2026-1-1'])('%j is none', (words) => {
    expect(dayOf(words)).toBeNull();
  });

  it('of work leave out weekends, holidays and absences, in both directions', () => {
    const calendar = {
      ...WEEK,
      holidays: [day('2026-04-06')],
      absences: [{ person: 'Ines', from: day('2026-04-08'), to: day('2026-04-09') }],
    };
    const workdays = new Workdays(calendar);
    // Thursday, then the Friday, the Monday that is a holiday, Tuesday.
    expect(isoOf(workdays.from(day('2026-04-02'), 2, ''))).toBe('2026-04-07');
    expect(isoOf(workdays.from(day('2026-04-02'), 3, ''))).toBe('2026-04-08');
    expect(isoOf(workdays.from(day('2026-04-02'), 3, 'Ines'))).toBe('2026-04-10');
    expect(isoOf(workdays.from(day('2026-04-10'), -2, 'Ines'))).toBe('2026-04-03');
    expect(workdays.between(day('2026-04-02'), day('2026-04-10'))).toBe(5);
    expect(workdays.between(day('2026-04-10'), day('2026-04-02'))).toBe(-5);
  });

  it('are looked for within 500 days beyond a week for each', () => {
    const from = day('2026-03-02');
    const back = from + 507;
    const awayTo = (to: number) => new Workdays({ ...WEEK, absences: [{ person: 'Ines', from: from + 1, to }] });
    expect(awayTo(back - 1).from(from, 1, 'Ines')).toBe(back);
    expect(() => awayTo(back).from(from, 1, 'Ines')).toThrow('Ines is away for all of it.');
  });

  it('are found as well for somebody who works one day in a week', () => {
    const mondays = new Workdays({ ...WEEK, workdays: [0] });
    const monday = day('2026-04-06');
    expect(mondays.from(monday, 300, '')).toBe(monday + 7 * 300);
    expect(mondays.from(monday, -300, '')).toBe(monday - 7 * 300);
  });

  it('of work are not looked for without end', () => {
    expect(() => new Workdays({ ...WEEK, workdays: [] }).from(0, 1, '')).toThrow('There are no working days.');
    const absences = [{ person: 'Ines', from: -10_000, to: 50_000 }];
    expect(() => new Workdays({ ...WEEK, absences }).from(0, -3, 'Ines')).toThrow(NeverThere);
  });

  it('there and back is the same day, wherever one begins on a working day', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 30_000 }), fc.integer({ min: 0, max: 40 }), (start, steps) => {
        const workdays = new Workdays(WEEK);
        const from = mondayOf(start) + (start % 5);
        const to = workdays.from(from, steps, '');
        expect(workdays.from(to, -steps, '')).toBe(from);
        expect(workdays.between(from, to)).toBe(steps);
      }),
    );
  });
});

it.each([
  [0, 0, 0.5],
  [720, 1, 1.5],
  [4000, 6, 7],
  [12_000, 10, 19],
])('%d stitches in %d pieces take %f hours', (stitches, pieces, hours) => {
  expect(hoursOf(stitches, pieces)).toBe(hours);
});

describe('a pattern', () => {
  it('has its dates backwards from its release', () => {
    // 12 June is a Friday.
    expect(dues(planOf())).toEqual({
      out: '2026-06-12',
      editions: '2026-06-11',
      signed: '2026-06-09',
      tested: '2026-06-04',
      called: '2026-05-14',
      answered: '2026-05-12',
      asked: '2026-05-05',
      checked: '2026-05-04',
      in: '2026-04-29',
    });
    expect(planOf()).toMatchObject({ late: 0, slips: 0, problems: [], next: { id: 'in' } });
  });

  it('is tested for longer, the more hours the toy takes', () => {
    const weeks = (hours: number) => {
      const { stages } = planOf({ hours });
      return (stages[5]?.due ?? 0) - (stages[4]?.due ?? 0);
    };
    expect([weeks(6), weeks(12), weeks(30)]).toEqual([12, 19, 40]);
    expect(testDays(12, 4)).toBe(26);
  });

  it('moves round the absences of its editor alone', () => {
    const absences = [{ person: 'Ines', from: day('2026-06-08'), to: day('2026-06-10') }];
    const calendar = { ...WEEK, absences };
    expect(dues(planOf({}, { calendar })).signed).toBe('2026-06-04');
    expect(dues(planOf({ editor: 'Oda' }, { calendar })).signed).toBe('2026-06-09');
  });

  it('is late where its next stage should have been reached, and slips by what is not to be made up', () => {
    const today = day('2026-05-20');
    const done = { in: day('2026-04-28'), checked: day('2026-05-04') };
    const plan = planOf({ done }, { today });
    expect(plan.next?.id).toBe('asked');
    expect(plan.late).toBe(today - day('2026-05-05'));
    // Today, and from there seven days, two of work, twenty-one days, three, two and one of work.
    expect(isoOf(plan.likely)).toBe('2026-06-29');
    expect(plan.slips).toBe(17);
  });

  it('is finished where all was reached', () => {
    const done = Object.fromEntries(STAGE_IDS.map((id, i) => [id, 20_000 + i]));
    expect(planOf({ done }, { today: day('2027-01-01') })).toMatchObject({
      next: null,
      late: 0,
      slips: 0,
      problems: [],
    });
  });

  it('says that its date has passed, that somebody is away for all of it, and that it waits for itself', () => {
    expect(planOf({ release: day('2026-02-01') }).problems).toEqual([
      'Its release date has passed, and it is not out.',
    ]);
    const absences = [{ person: 'Ines', from: 0, to: 40_000 }];
    const [away] = planOf({}, { calendar: { ...WEEK, absences } }).problems;
    expect(away).toMatch(/^Ines is away for all of it\. It is planned as if they worked/);
    const circle = planned(
      [
        { ...PUFFIN, after: ['crab'] },
        { ...PUFFIN, id: 'crab', name: 'Crab', after: ['slug'] },
        { ...PUFFIN, id: 'slug', name: 'Slug', after: ['puffin', 'gone'] },
        { ...PUFFIN, id: 'boat', name: 'Boat', after: ['slug'] },
      ],
      TERMS,
    );
    expect(circle.map(({ problems }) => problems[0])).toEqual([
      'It waits for itself: Puffin, which waits for Crab, which waits for Slug, which waits for Puffin. Take one of them out.',
      'It waits for itself: Crab, which waits for Slug, which waits for Puffin, which waits for Crab. Take one of them out.',
      'It waits for itself: Slug, which waits for Puffin, which waits for Crab, which waits for Slug. Take one of them out.',
      undefined,
    ]);
  });

  it('comes out no earlier than what it waits for', () => {
    const today = day('2026-06-01');
    const [first, second] = planned(
      [
        PUFFIN,
        {
          ...PUFFIN,
          id: 'crab',
          after: ['puffin'],
          done: { ...Object.fromEntries(STAGE_IDS.slice(0, 8).map((id) => [id, today])) },
        },
      ],
      { ...TERMS, today },
    );
    expect(second?.likely).toBe(first?.likely);
    expect(second?.slips).toBeGreaterThan(20);
  });
});

describe('a stage that is moved', () => {
  it('earlier takes those before it along; later those behind it, with the release', () => {
    const earlier = planOf({ moved: { called: day('2026-05-04') } });
    expect(dues(earlier)).toMatchObject({
      called: '2026-05-04',
      answered: '2026-04-30',
      tested: '2026-06-04',
      out: '2026-06-12',
    });
    const later = planOf({ moved: { called: day('2026-05-20') } });
    expect(dues(later)).toMatchObject({
      called: '2026-05-20',
      // Nothing that comes before rests on it.
      answered: '2026-05-12',
      tested: '2026-06-10',
      out: '2026-06-18',
    });
    expect(later.problems).toEqual(['Where its stages were moved to it comes out 6 days after its date.']);
  });

  it('begins each stage where the one before ends, and the first on its own day', () => {
    const { stages } = planOf();
    expect(stages[0]?.from).toBe(stages[0]?.due);
    for (const [i, stage] of stages.entries()) {
      expect(stage.from).toBeLessThanOrEqual(stage.due);
      if (i > 0) expect(stage.from).toBeGreaterThanOrEqual(stages[i - 1]?.due ?? 0);
    }
    expect(stages.slice(1).some(({ from, due }) => from < due)).toBe(true);
  });

  it('says beforehand what comes of it', () => {
    const crab = { ...PUFFIN, id: 'crab', name: 'Crab', after: ['puffin'] };
    const told = consequence([PUFFIN, crab], TERMS, 'puffin', 'called', day('2026-05-20'));
    expect(told.slips).toBe(6);
    expect(told.waiting).toEqual(['Crab']);
    expect(told.moves.map(({ stage }) => stage)).toEqual(['called', 'tested', 'signed', 'editions', 'out']);
    const sooner = consequence([PUFFIN, crab], TERMS, 'puffin', 'called', day('2026-05-04'));
    expect(sooner.moves.map(({ stage }) => stage)).toEqual(['in', 'checked', 'asked', 'answered', 'called']);
    expect(sooner.slips).toBe(0);
    expect(told.moves.find(({ stage }) => stage === 'tested')).toMatchObject({
      from: day('2026-06-04'),
      to: day('2026-06-10'),
    });
    expect(consequence([PUFFIN], TERMS, 'puffin', 'called', day('2026-05-14'))).toEqual({
      moves: [],
      slips: 0,
      waiting: [],
    });
    expect(consequence([PUFFIN], TERMS, 'nobody', 'called', 0)).toEqual({ moves: [], slips: 0, waiting: [] });
  });

  it('pushes away what was moved before to the wrong side of it', () => {
    const one = { ...PUFFIN, moved: { checked: day('2026-05-01'), signed: day('2026-06-05') } };
    expect(movedTo(one, 'called', day('2026-06-06')).moved).toEqual({
      checked: day('2026-05-01'),
      called: day('2026-06-06'),
    });
    expect(movedTo(one, 'called', day('2026-04-06')).moved).toEqual({
      signed: day('2026-06-05'),
      called: day('2026-04-06'),
    });
  });

  it('never puts a stage before the one that it rests on', () => {
    const moves = fc.dictionary(
      fc.constantFrom(...STAGE_IDS),
      fc.integer({ min: day('2026-01-01'), max: day('2026-12-31') }),
    );
    fc.assert(
      fc.property(moves, fc.integer({ min: 0, max: 80 }), (moved, hours) => {
        const { stages } = planOf({ moved, hours });
        stages.forEach((stage, i) => {
          const before = stages[i - 1];
          if (before) expect(stage.due).toBeGreaterThanOrEqual(before.due);
          expect(stage.from).toBeLessThanOrEqual(stage.due);
        });
      }),
    );
  });
});

it.each([
  [{}, {}],
  [{ in: 5 }, { in: 5 }],
  [
    { in: 5, called: 9 },
    { in: 5, checked: 9, asked: 9, answered: 9, called: 9 },
  ],
  // A second letter after the test call does not put the answers behind it.
  [
    { asked: 7, answered: 30, called: 20 },
    { in: 7, checked: 7, asked: 7, answered: 30, called: 20 },
  ],
] as [Partial<Record<StageId, number>>, object][])('%o was reached, and what stands before it', (done, all) => {
  expect(filled(done)).toEqual(all);
});

describe('what is to be done', () => {
  it('is the next stage of each pattern that is due, by whom, the longest overdue first', () => {
    const today = day('2026-05-06');
    const patterns: Planned[] = [
      { ...PUFFIN, done: { in: today - 20 } },
      { ...PUFFIN, id: 'crab', name: 'Crab', release: day('2026-05-20') },
      { ...PUFFIN, id: 'slug', name: 'Slug', release: day('2026-09-20') },
      { ...PUFFIN, id: 'boat', name: 'Boat', done: { in: 1, checked: 2, asked: 3 }, release: day('2026-06-09') },
    ];
    const plans = planned(patterns, { ...TERMS, today });
    const said = (until: Day) =>
      tasksUntil(patterns, plans, until).map(({ name, stage, person }) => `${name} ${stage} ${person}`);
    expect(said(today)).toEqual(['Crab in Jonne', 'Puffin checked Ines']);
    expect(said(today + 5)).toEqual(['Crab in Jonne', 'Puffin checked Ines', 'Boat answered Jonne']);
  });
});

describe('durations are learnt', () => {
  const workdays = new Workdays(WEEK);
  it('from the median of what is done, with its spread, in the days of each stage', () => {
    const monday = day('2026-03-02');
    const histories = [1, 2, 4, 4, 10].map((days) => ({
      in: monday,
      checked: workdays.from(monday, days, ''),
      asked: monday + 30,
    }));
    expect(learntFrom(histories, workdays).checked).toEqual({ median: 4, low: 2, high: 4, patterns: 5 });
  });

  it('from three patterns at the least, and from none that goes backwards', () => {
    expect(
      learntFrom(
        [
          { in: 1, checked: 2 },
          { in: 1, checked: 3 },
        ],
        workdays,
      ),
    ).toEqual({});
    const backwards = [3, 4, 5].map((checked) => ({ in: 10, checked }));
    expect(learntFrom(backwards, workdays)).toEqual({});
    expect(learntFrom([], workdays)).toEqual({});
  });
});
