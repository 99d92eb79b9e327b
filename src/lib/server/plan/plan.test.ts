import ICAL from 'ical.js';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { STAGE_IDS } from '../../../core/index.js';
import { localDay, USUAL_SETTINGS, type PlanGiven } from '../../plan.js';
import { PLAN_ENTRY as ENTRY } from '../../plan/testing.js';
import { nextWords } from '../../plan/words.js';
import { calls, confirmations, letters, plans, queries, releases, ticks } from '../db/schema.js';
import { lookFrom } from '../../shelf/arranging.js';
import { makeRig, type Rig } from '../testing.js';
import { calendarOf } from './calendar.js';

let rig: Rig;
beforeEach(async () => {
  rig = await makeRig();
});
afterEach(() => rig.end());

const BALL = 'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';
const never = (): never => {
  throw new Error('It has a date.');
};
const at = (iso: string) => new Date(`${iso}T12:00:00`).getTime();

describe('a pattern on the plan', () => {
  it('is put there, changed and taken off; one that is not on the shelf is not', async () => {
    const id = await rig.patterns.add({ name: 'Ball', text: BALL });
    expect((await rig.plan.unlisted()).map(({ name }) => name)).toEqual(['Ball']);
    expect(await rig.plan.put(id, { ...ENTRY, after: [id, 'another'], moved: { called: '2026-05-04' } })).toBe(true);
    expect(await rig.plan.put(id, { ...ENTRY, after: [id, 'another'], editor: 'Oda' })).toBe(true);
    const { rows } = await rig.plan.given();
    // It never waits for itself.
    expect(rows).toMatchObject([
      { id, name: 'Ball', list: 'Spring list', editor: 'Oda', after: ['another'], moved: {}, found: null },
    ]);
    expect(await rig.plan.unlisted()).toEqual([]);
    expect(await rig.plan.put('nobody', ENTRY)).toBe(false);

    await rig.shelf.setAway([id], true);
    expect((await rig.plan.given()).rows).toEqual([]);
    await rig.shelf.setAway([id], false);
    expect(await rig.plan.remove(id)).toBe(true);
    expect(await rig.plan.remove(id)).toBe(false);
  });

  it('costs no other its place where something has spoilt it', async () => {
    const ids = [await rig.patterns.add({ name: 'A', text: BALL }), await rig.patterns.add({ name: 'B', text: BALL })];
    for (const id of ids) await rig.plan.put(id, ENTRY);
    await rig.database.write((db) => db.update(plans).set({ done: '{' }));
    await rig.plan.put(ids[1] ?? '', ENTRY);
    expect((await rig.plan.given()).rows.map(({ name }) => name)).toEqual(['B']);
  });

  it('has reached what its history tells, and what stands before that', async () => {
    const id = await rig.patterns.add({ name: 'Ball', text: BALL });
    await rig.plan.put(id, ENTRY);
    await rig.counted();
    const reached = async () => (await rig.plan.given()).rows[0]?.reached ?? {};
    expect(Object.keys(await reached())).toEqual(['in']);

    const { db } = rig.database;
    await db.insert(ticks).values({ patternId: id, key: 'x', at: at('2026-03-05') });
    // One round of two: it is not checked yet.
    expect(Object.keys(await reached())).toEqual(['in']);
    await db
      .insert(letters)
      .values({ patternId: id, to: '', subject: '', queries: '[]', text: '', way: 'own', at: at('2026-03-09') });
    expect(await reached()).toMatchObject({ checked: '2026-03-09', asked: '2026-03-09' });

    const query = {
      patternId: id,
      number: 1,
      state: 'sent' as const,
      scope: 'pattern' as const,
      place: 'null',
      part: '',
      round: '',
      text: '',
      proposal: '',
      rule: '',
      finding: '',
      draft: 0,
      ref: 'a',
      at: 1,
    };
    await db.insert(queries).values(query);
    await db
      .insert(calls)
      .values({ patternId: id, number: 1, revision: 1, text: '', course: '{}', wanted: '{}', at: at('2026-03-20') });
    await db.insert(confirmations).values({ patternId: id, line: 'tested', who: 'x', basis: '', at: at('2026-04-20') });
    expect(await reached()).toEqual({
      in: localDay(Date.now()),
      checked: '2026-03-09',
      asked: '2026-03-09',
      answered: '2026-03-20',
      called: '2026-03-20',
      tested: '2026-04-20',
    });
    await db.insert(releases).values({
      patternId: id,
      number: '1.0',
      signer: '',
      note: '',
      fingerprint: '',
      content: '{}',
      at: at('2026-05-02'),
    });
    expect(Object.keys(await reached()).sort()).toEqual([...STAGE_IDS].sort());
  });

  it('learns how long things take from what is out', async () => {
    for (const [i, days] of [3, 5, 8].entries()) {
      const id = await rig.patterns.add({ name: `P${i}`, text: BALL });
      const { db } = rig.database;
      await db
        .insert(calls)
        .values({ patternId: id, number: 1, revision: 1, text: '', course: '{}', wanted: '{}', at: at('2026-03-01') });
      await db
        .insert(confirmations)
        .values({ patternId: id, line: 'tested', who: 'x', basis: '', at: at(`2026-03-0${1 + days}`) });
      expect((await rig.plan.given()).learnt.tested).toBeUndefined();
      await db.insert(releases).values({
        patternId: id,
        number: '1.0',
        signer: '',
        note: '',
        fingerprint: '',
        content: '{}',
        at: at('2026-05-02'),
      });
    }
    expect((await rig.plan.given()).learnt.tested).toEqual({ median: 5, low: 4, high: 7, patterns: 3 });
  });

  it('stands on the shelf with its next date, late ones first where that is asked for', async () => {
    const add = async (name: string, release: string | null) => {
      const id = await rig.patterns.add({ name, text: BALL });
      if (release !== null) await rig.plan.put(id, { ...ENTRY, release });
      return id;
    };
    await add('Later', '2099-06-12');
    await add('Late', localDay(Date.now()));
    await add('Unplanned', null);
    await add('Latest', localDay(Date.now() - 40 * 86_400_000));
    await rig.counted();
    expect((await rig.shelf.first(lookFrom(new URLSearchParams()))).due).toEqual({ late: 2, today: 0 });
    const { entries } = await rig.shelf.page({ words: '', show: 'all', terms: 'any', sort: 'dates' }, 0);
    expect(entries.map(({ name }) => name)).toEqual(['Latest', 'Late', 'Later', 'Unplanned']);
    expect(entries.map(({ next }) => next?.stage)).toEqual(['checked', 'checked', 'checked', undefined]);
    expect(nextWords(entries[0]?.next ?? never())).toMatch(/^checked \d+ days late, comes out \d+ days late$/);
    expect(nextWords(entries[2]?.next ?? never())).toMatch(/^checked by \d+ \w+$/);
  });

  it('goes by what is set for all', async () => {
    expect(await rig.plan.settings()).toEqual(USUAL_SETTINGS);
    const settings = { ...USUAL_SETTINGS, workdays: [0, 1], days: { checked: 9 } };
    await rig.plan.set(settings);
    expect((await rig.plan.given()).settings).toEqual(settings);
  });
});

describe('the calendar', () => {
  const GIVEN: PlanGiven = {
    rows: [
      {
        ...ENTRY,
        id: 'p1',
        name: 'A very long name; with a comma, a semicolon and a line that is folded, as it has far more than seventy-five octets – “quoted”',
        designer: 'Jonne',
        reached: { in: '2026-03-01' },
        found: null,
        expected: null,
      },
    ],
    settings: USUAL_SETTINGS,
    learnt: {},
    today: '2026-03-02',
  };
  /** The events, as a strict parser reads them. */
  const eventsOf = (text: string) =>
    new ICAL.Component(ICAL.parse(text) as unknown as unknown[])
      .getAllSubcomponents('vevent')
      .map((event) => new ICAL.Event(event));

  it('is read by a strict parser: days without a zone, alarms, folded lines, words as they are', () => {
    const text = calendarOf(GIVEN, Date.UTC(2026, 2, 2));
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    expect(text.endsWith('END:VCALENDAR')).toBe(true);
    const events = eventsOf(text);
    // All stages but the one that was reached.
    expect(events).toHaveLength(STAGE_IDS.length - 1);
    const out = events.find(({ uid }) => uid === 'p1-out@dostik');
    expect(out?.startDate).toMatchObject({ isDate: true, year: 2026, month: 6, day: 12 });
    expect(out?.summary).toBe(`${GIVEN.rows[0]?.name ?? ''}: Release`);
    const [alarm] = out?.component.getAllSubcomponents('valarm') ?? [];
    expect(alarm?.getFirstPropertyValue('action')).toBe('DISPLAY');
    expect((alarm?.getFirstPropertyValue('trigger') as ICAL.Duration).toSeconds()).toBe(-15 * 3600);
  });

  it('has the same days wherever the server stands', () => {
    const before = process.env['TZ'];
    const days = ['UTC', 'America/Los_Angeles', 'Pacific/Auckland'].map((zone) => {
      process.env['TZ'] = zone;
      return eventsOf(calendarOf(GIVEN, Date.UTC(2026, 2, 2))).map(
        ({ uid, startDate }) => `${uid} ${startDate.toString()}`,
      );
    });
    process.env['TZ'] = before;
    expect(days[1]).toEqual(days[0]);
    expect(days[2]).toEqual(days[0]);
  });

  it('moves what was there before: the same name, and a later number', () => {
    const first = eventsOf(calendarOf(GIVEN, Date.UTC(2026, 2, 2)));
    const rows = GIVEN.rows.map((row) => ({ ...row, release: '2026-06-26' }));
    const second = eventsOf(calendarOf({ ...GIVEN, rows }, Date.UTC(2026, 2, 3)));
    expect(second.map(({ uid }) => uid)).toEqual(first.map(({ uid }) => uid));
    second.forEach((event, i) => expect(event.sequence).toBeGreaterThan(first[i]?.sequence ?? 0));
    expect(second.at(-1)?.startDate.toString()).toBe('2026-06-26');
  });

  it('is followed by an address that can be withdrawn', async () => {
    await rig.addresses.renew({ purpose: 'calendar' });
    const secret = (await rig.addresses.standing({ purpose: 'calendar' }))?.secret ?? '';
    expect(await rig.addresses.opened('calendar', secret)).toMatchObject({ purpose: 'calendar' });
    expect(await rig.addresses.opened('letter', secret)).toBe('none');
    await rig.addresses.renew({ purpose: 'calendar' });
    expect(await rig.addresses.opened('calendar', secret)).toBe('none');
    expect(await rig.addresses.withdraw({ purpose: 'calendar' })).toBe(true);
    const next = (await rig.addresses.standing({ purpose: 'calendar' }))?.secret ?? '';
    expect(await rig.addresses.opened('calendar', next)).toBe('withdrawn');
  });
});
