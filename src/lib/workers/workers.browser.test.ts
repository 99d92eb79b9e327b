import { afterEach, describe, expect, it } from 'vitest';
import { NO_HAND, type Report } from '../../core/index.js';
import { Checker, type CheckState } from './checker.js';
import { Converter } from './converter.js';
import { GaveUp, WatchedWorker } from './watched.js';
import { until } from '../testing/until.js';

const BALL =
  'Ball\nUS terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: 6 frobs, sc 6 (18)\nFasten off.\n';
/** More than anybody writes: no machine counts it in the time that a test gives it. */
const LITTLE_TIME = 300;
const TOO_MUCH = Array.from({ length: 60_000 }, (_, i) => `Rnd ${i + 1}: sc ${i + 3}, inc (${i + 4})\n`).join('');

let open: { close: () => void }[] = [];
afterEach(() => {
  for (const one of open) one.close();
  open = [];
});

function checkerOn(text: string, worker?: WatchedWorker) {
  const told: { report: Report; text: string }[] = [];
  const states: CheckState[] = [];
  const checker = new Checker(
    { told: (report, about) => told.push({ report, text: about }), state: (state) => states.push(state) },
    { terms: 'auto' },
    worker,
  );
  open.push(checker);
  checker.check(text, 'Ball');
  return { checker, told, states, reported: () => until(() => expect(told.length).toBeGreaterThan(0)) };
}

describe('the real worker, beside the page', () => {
  it('checks a text, and tells it again with its fixes', async () => {
    const { told, states, reported } = checkerOn(BALL);
    await reported();
    expect(told[0]?.text).toBe(BALL);
    expect(told[0]?.report.parts[0]?.rounds.map(({ verdict }) => verdict)).toEqual(['agrees', 'off', 'unreadable']);
    // After those of the first faulty round come those of all.
    await until(() => expect(told).toHaveLength(3));
    for (const { report } of told.slice(1))
      expect(report.findings.find(({ rule }) => rule === 'count/stated')?.fixes[0]?.title).toContain('State 12');
    expect(states).toEqual(['busy', 'done']);
  });

  it('answers what the Desk asks of the text that was checked last', async () => {
    const { checker, reported } = checkerOn(BALL);
    await reported();
    expect((await checker.account(1))?.sentence).toContain('uses all 6, makes 12');
    expect(await checker.account(99)).toBeNull();
    expect((await checker.slips(1, 11))[0]?.what).toContain('One increase');
    expect(await checker.slips(1, 12)).toEqual([]);
    expect((await checker.meanings('frob'))?.ways[0]).toMatchObject({ sense: 'increase' });
    expect((await checker.overview())?.terms.declared).toBe('us');
    expect(await checker.earlier(BALL)).toHaveLength(3);
    expect((await checker.inStyle(BALL)).text).toBe(BALL);
  });

  it('reads by its series a text that no known form reads', async () => {
    const chat =
      'owl, us terms, all sc\n\nhoot 1 > ring of 6 > 6\nhoot 2 > 2 in each > 12\nhoot 3 > 1, 2in1, x6 > 18\nhoot 4 > 18 > 18\n';
    const { told, reported } = checkerOn(chat);
    await reported();
    expect(told[0]?.report.parts.flatMap(({ rounds }) => rounds.map(({ made }) => made))).toEqual([6, 12, 18, 18]);
  });

  it('counts with what a word means from the moment that it is said', async () => {
    const { checker, told, reported } = checkerOn(BALL);
    await reported();
    checker.setHand({ words: { frob: 'increase' } });
    const before = told.length;
    checker.check(BALL, 'Ball');
    await until(() => expect(told.length).toBeGreaterThan(before));
    expect(told.at(-1)?.report.parts[0]?.rounds[2]?.verdict).not.toBe('unreadable');
  });

  it('gives up a text that takes too long, and checks the next one', async () => {
    const { checker, told, states } = checkerOn(TOO_MUCH, new WatchedWorker(undefined, LITTLE_TIME));
    await until(() => expect(states).toContain('gave-up'));
    expect(told).toEqual([]);
    checker.check(BALL, 'Ball');
    await until(() => expect(told.at(-1)?.text).toBe(BALL));
    expect(states.at(-1)).toBe('done');
  });

  it.each([
    ['a round before the first', (checker: Checker) => checker.account(-1)],
    ['a count that is none', (checker: Checker) => checker.slips(0, Number.NaN)],
    ['a word that is none', (checker: Checker) => checker.meanings('')],
  ])('refuses %s', async (_, ask) => {
    const { checker, reported } = checkerOn(BALL);
    await reported();
    await expect(ask(checker)).rejects.toThrow();
  });
});

describe('converting, beside the page', () => {
  const asked = {
    text: BALL,
    from: 'auto',
    hand: NO_HAND,
    to: 'uk',
    hooks: false,
    weights: false,
    spelling: false,
    decisions: {},
  } as const;

  it('is proved, and says what the text is in', async () => {
    const converter = new Converter();
    open.push(converter);
    expect(await converter.evidence(BALL)).toMatchObject({ detected: 'us', declared: [{ vocabulary: 'us', line: 2 }] });
    const made = await converter.convert({ ...asked, decisions: {} });
    expect(made?.text).toContain('Rnd 1: 6 dc in MR (6)');
  });

  it('answers only the last of several questions', async () => {
    const converter = new Converter();
    open.push(converter);
    const [first, last] = await Promise.all([
      converter.convert({ ...asked, decisions: {} }),
      converter.convert({ ...asked, to: 'us', decisions: {} }),
    ]);
    expect(first).toBeNull();
    expect(last?.state).toBe('already');
  });

  it('gives up what takes too long', async () => {
    const converter = new Converter(LITTLE_TIME);
    open.push(converter);
    await expect(converter.convert({ ...asked, text: TOO_MUCH, decisions: {} })).rejects.toThrow(GaveUp);
  });
});
