import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { checkText } from '../../../core/index.js';
import type { PencilMark, Wish } from '../../training.js';
import { makeRig, type Rig } from '../testing.js';
import { Refused } from '../refused.js';
import { practiceCards, practices } from '../db/schema.js';
import { after, type Seen } from './repetition.js';

let rig: Rig;
beforeEach(async () => {
  rig = await makeRig();
});
afterEach(() => rig.end());

const ME = '';
const WISH: Wish = { what: 'faults', level: 2, school: 'abbreviations', terms: 'us', from: null };
const mark = (line: number, more: Partial<PencilMark> = {}): PencilMark => ({
  line,
  kind: null,
  proposal: '',
  ...more,
});
const work = (...marks: PencilMark[]) => ({ marks, answer: '', seconds: 60 });

/** What is wrong with a practice pattern, as it is kept. */
async function planted(id: string) {
  const rows = await rig.database.db.select().from(practices);
  const row = rows.find((one) => one.id === id);
  return JSON.parse(row?.faults ?? '[]') as { kind: string; lines: number[]; right: string }[];
}

/** What a refusal says. */
const refusal = (promise: Promise<unknown>) =>
  promise.then(
    () => null,
    (error: unknown) =>
      error instanceof Refused ? `${error.status} ${error.message}` : Promise.reject(error as Error),
  );

describe('a practice pattern', () => {
  it('says nothing of its faults before it is handed in, and everything then', async () => {
    const id = await rig.training.begin(ME, WISH);
    const before = await rig.training.sheet(ME, id);
    const faults = await planted(id);
    expect(before).toMatchObject({ what: 'faults', level: 2, terms: 'us', outcome: null, told: faults.length });
    expect(JSON.stringify(before)).not.toContain('"faults":');
    expect(Object.keys(before ?? {})).not.toContain('faults');

    const [first] = faults;
    await rig.training.note(ME, id, work(mark(first?.lines[0] ?? 1)));
    expect((await rig.training.sheet(ME, id))?.work).toEqual(work(mark(first?.lines[0] ?? 1)));

    await rig.training.end(ME, id, work(mark(first?.lines[0] ?? 1), mark(1)));
    const after = await rig.training.sheet(ME, id);
    if (after?.outcome?.what !== 'faults') throw new Error('It is marked.');
    expect(after.outcome.marked.mark).toBeCloseTo(1 / (faults.length + 1));
    expect(after.outcome.marked.blamed).toHaveLength(1);
    const { entries } = await rig.training.progress(ME);
    expect(entries).toMatchObject([{ id, found: 1, missed: faults.length - 1, blamed: 1, seconds: 60 }]);
  });

  it('does not say how many faults there are at the higher levels', async () => {
    const id = await rig.training.begin(ME, { ...WISH, level: 3 });
    expect((await rig.training.sheet(ME, id))?.told).toBeNull();
  });

  it('stays as it was handed in, and is thrown away only before that', async () => {
    const id = await rig.training.begin(ME, WISH);
    await rig.training.end(ME, id, work());
    await rig.training.end(ME, id, work(mark(1)));
    expect((await rig.training.sheet(ME, id))?.work.marks).toEqual([]);
    expect(await refusal(rig.training.note(ME, id, work()))).toMatch(/^409 .*handed in/);
    expect(await refusal(rig.training.drop(ME, id))).toMatch(/^409/);
    const other = await rig.training.begin(ME, WISH);
    await rig.training.drop(ME, other);
    expect(await rig.training.sheet(ME, other)).toBeNull();
  });

  it('is nobody else’s', async () => {
    const id = await rig.training.begin('una', WISH);
    expect(await rig.training.sheet('ines', id)).toBeNull();
    expect(await refusal(rig.training.note('ines', id, work()))).toMatch(/^404/);
    expect(await refusal(rig.training.end('ines', id, work()))).toMatch(/^404/);
    expect(await refusal(rig.training.drop('ines', id))).toMatch(/^404/);
    expect((await rig.training.progress('ines')).entries).toEqual([]);
  });

  it('is planted in a clean pattern of the shelf, and in no other', async () => {
    const clean = await cleanText();
    const id = await rig.patterns.add({ name: 'Own', text: clean });
    const off = await rig.patterns.add({ name: 'Off', text: clean.replace(/^(R.*\b)12\b(?=\D*$)/m, '$113') });
    await rig.counted();
    expect(await rig.shelf.clean()).toEqual([{ id, name: 'Own' }]);
    const practice = await rig.training.begin(ME, { ...WISH, from: id });
    expect((await rig.training.sheet(ME, practice))?.text.split('\n')[0]).toBe(clean.split('\n')[0]);
    expect(await refusal(rig.training.begin(ME, { ...WISH, from: off }))).toMatch(
      /^422 It is not clean: 1 of \d+ rounds/,
    );
    expect(await refusal(rig.training.begin(ME, { ...WISH, from: 'nobody' }))).toMatch(/^404 .*no longer on the shelf/);
  });
});

/** A clean pattern, as one is made up. */
async function cleanText(): Promise<string> {
  const made = await rig.counting.have('turning', { level: 3, seed: 4, school: 'abbreviations', terms: 'us' });
  if (made.kind !== 'made') throw new Error(made.why);
  expect(checkText(made.text, '').findings.filter(({ severity }) => severity !== 'hint')).toEqual([]);
  return made.text;
}

describe('a text to be turned', () => {
  it('is marked word by word, and is not handed in with lines missing', async () => {
    const id = await rig.training.begin(ME, { ...WISH, what: 'terms' });
    expect(await refusal(rig.training.end(ME, id, { ...work(), answer: 'Gone' }))).toMatch(
      /^422 The text has \d+ lines/,
    );
    expect((await rig.training.sheet(ME, id))?.outcome).toBeNull();
    await rig.training.end(ME, id, work());
    expect((await rig.training.sheet(ME, id))?.outcome).toMatchObject({
      what: 'terms',
      turned: { mark: 0, changed: [] },
    });
  });
});

describe('what is missed comes again sooner', () => {
  const DAY = 86_400_000;
  const dues = (...seen: Seen[]) => {
    let card: ReturnType<typeof after> | null = null;
    let now = Date.UTC(2026, 0, 1);
    for (const one of seen) {
      card = after(card, one, now);
      now = card.due;
    }
    return ((card?.due ?? 0) - (card?.last_review ?? 0)) / DAY;
  };

  it('the better it was seen, the later', () => {
    const steps = (['missed', 'met', 'named', 'righted'] as const).map((seen) => dues('named', 'named', seen));
    expect(steps).toEqual([...steps].sort((a, b) => a - b));
    expect(new Set(steps).size).toBe(4);
    expect(dues('righted', 'righted', 'righted')).toBeGreaterThan(20);
    expect(dues('missed')).toBeLessThan(1);
  });

  it('a kind that is due is planted first', async () => {
    const card = after(null, 'missed', Date.now() - 2 * DAY);
    await rig.database.write((db) =>
      db.insert(practiceCards).values({ person: ME, kind: 'hook', card: JSON.stringify(card), dueAt: card.due }),
    );
    const made = await Promise.all([1, 2, 3].map(() => rig.training.begin(ME, { ...WISH, level: 4, what: 'faults' })));
    const counts = await Promise.all(made.map(planted));
    // A pattern of the highest level may be clean.
    for (const faults of counts.filter((all) => all.length > 0))
      expect(faults.map(({ kind }) => kind)).toContain('hook');
    const { kinds } = await rig.training.progress(ME);
    expect(kinds.find(({ kind }) => kind === 'hook')?.dueAt).toBe(card.due);
  });

  it('each fault that was handed in has a date', async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: Date.UTC(2026, 4, 1) });
    const id = await rig.training.begin(ME, WISH);
    await rig.training.end(ME, id, work());
    const kinds = new Set((await planted(id)).map(({ kind }) => kind));
    const known = (await rig.training.progress(ME)).kinds.filter(({ dueAt }) => dueAt !== null);
    expect(new Set(known.map(({ kind }) => kind))).toEqual(kinds);
    for (const { missed, dueAt } of known) {
      expect(missed).toBe(1);
      expect(dueAt).toBeGreaterThan(Date.UTC(2026, 4, 1));
    }
    vi.useRealTimers();
  });
});
