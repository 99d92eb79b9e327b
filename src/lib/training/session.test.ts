import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { clockOf, type PracticeSheet, type Work } from '../training.js';
import { PracticeSession } from './session.svelte.js';
import { figureIn, reckoned, sumWords } from './reckoning.js';

const SHEET: PracticeSheet = {
  id: '1',
  what: 'faults',
  level: 2,
  terms: 'us',
  text: 'Bear\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n\nFasten off.\n',
  work: { marks: [{ line: 4, kind: null, proposal: '' }], answer: '', seconds: 30 },
  told: 2,
  outcome: null,
};

let now = 0;
let kept: Work[];
let fails: Error | null;
let said: string[];

const session = (sheet: Partial<PracticeSheet> = {}) =>
  new PracticeSession(
    { ...SHEET, ...sheet },
    {
      note: (work) => (fails ? Promise.reject(fails) : Promise.resolve(void kept.push(work))),
      handIn: (work) => (fails ? Promise.reject(fails) : Promise.resolve(void kept.push(work))),
      say: (words) => said.push(words),
      now: () => now,
    },
  );

beforeEach(() => {
  vi.useFakeTimers();
  [now, kept, fails, said] = [0, [], null, []];
});
afterEach(() => vi.useRealTimers());

describe('a practice pattern that is worked through', () => {
  it('goes by lines that say something, and by marks', () => {
    const one = session();
    expect(one.lines).toHaveLength(6);
    one.step(1);
    expect(one.at).toBe(3);
    one.toMark(1);
    expect(one.at).toBe(4);
    one.step(1);
    expect(one.at).toBe(6);
    one.step(1);
    expect(one.at).toBe(6);
    one.toMark(-1);
    expect(one.at).toBe(4);
    one.goTo(99);
    expect(one.at).toBe(6);
  });

  it('marks a line, says what is wrong, and keeps it a little later, all at once', async () => {
    const one = session();
    one.pencil(3);
    one.name('figure');
    one.propose('Rnd 1: 7 sc in MR (7)');
    expect(one.saving).toBe(true);
    expect(kept).toEqual([]);
    await vi.advanceTimersByTimeAsync(1000);
    expect(one.saving).toBe(false);
    expect(kept).toEqual([
      {
        marks: [
          { line: 3, kind: 'figure', proposal: 'Rnd 1: 7 sc in MR (7)' },
          { line: 4, kind: null, proposal: '' },
        ],
        answer: '',
        seconds: 30,
      },
    ]);
    // A proposal that says what stands there is none; a mark that is taken back is gone; an empty line has none.
    one.propose(' Rnd 1: 6 sc in MR (6) ');
    expect(one.here?.proposal).toBe('');
    one.pencil(4);
    one.pencil(2);
    expect(one.work.marks.map(({ line }) => line)).toEqual([3]);
    one.goTo(1);
    one.name('figure');
    expect(one.here).toBeNull();
  });

  it('says that nothing is kept, and keeps it with the next mark', async () => {
    const one = session();
    fails = new Error('no');
    one.pencil(3);
    await vi.advanceTimersByTimeAsync(1000);
    expect(one.trouble).toBe('This did not work.');
    fails = null;
    one.pencil(1);
    await vi.advanceTimersByTimeAsync(1000);
    expect(one.trouble).toBe('');
    expect(kept.at(-1)?.marks).toHaveLength(3);
  });

  it('has a clock that stands while nothing is done', () => {
    const one = session();
    const pass = (ms: number) => {
      for (let i = 0; i < ms; i += 1000) {
        now += 1000;
        one.tick();
      }
    };
    pass(60_000);
    expect(Math.round(one.seconds)).toBe(90);
    pass(1_000_000);
    expect(one.seconds).toBeLessThan(30 + 181);
    one.touch();
    const stood = one.seconds;
    pass(10_000);
    expect(Math.round(one.seconds - stood)).toBe(10);
  });

  it('is handed in whole; where that fails it says so, and nothing is lost', async () => {
    const one = session();
    one.pencil(3);
    fails = new Error('no');
    expect(await one.handIn()).toBe(false);
    expect(said).toEqual(['It could not be handed in. This did not work.']);
    fails = null;
    expect(await one.handIn()).toBe(true);
    expect(kept.at(-1)?.marks.map(({ line }) => line)).toEqual([3, 4]);
  });

  it('a text that is turned begins as it stands, and is kept as it is written', async () => {
    const one = session({ what: 'terms', work: { marks: [], answer: '', seconds: 0 } });
    expect(one.answer).toBe(SHEET.text);
    expect(one.work.answer).toBe('');
    one.write(SHEET.text.replace('sc', 'dc'));
    await vi.advanceTimersByTimeAsync(1000);
    expect(kept.at(-1)?.answer).toContain('6 dc in MR');
    expect(session({ what: 'terms', work: { marks: [], answer: 'x', seconds: 0 } }).answer).toBe('x');
  });
});

it.each([
  [0, '0:00'],
  [59.9, '0:59'],
  [61, '1:01'],
  [3600 + 62, '1:01:02'],
])('%d seconds are said as %s', (seconds, words) => {
  expect(clockOf(seconds)).toBe(words);
});

describe('sums', () => {
  it.each([
    [3, 'inc', 6, 24, 30],
    [3, 'dec', 6, 30, 24],
    [2, 'inc3', 4, 12, 20],
    [1, 'dec3', 6, 24, 12],
    [36, 'none', 1, 36, 36],
    [0, 'inc', 0, 0, 0],
  ] as const)('%d plain and %s, %d times', (plain, shaping, times, into, made) => {
    expect(reckoned(plain, shaping, times)).toEqual({ into, made });
  });

  it.each([
    [null, 'uses 24, makes 30'],
    [24, 'uses 24 of 24, makes 30'],
    [30, 'uses 24 of 30: 6 left, makes 30'],
    [20, 'uses 24 of 20: 4 too many, makes 30'],
  ])('are said beside %s stitches that are there', (edge, words) => {
    expect(sumWords(reckoned(3, 'inc', 6), edge)).toBe(words);
    expect(sumWords(null, edge)).toBe('uses … and makes …');
  });

  it('are not made of figures that are missing, or none', () => {
    expect(reckoned(null, 'inc', 6)).toBeNull();
    expect(['6', ' 12 ', '', 'six', '-1', '1.5', '12345'].map(figureIn)).toEqual([6, 12, null, null, null, null, null]);
  });
});
