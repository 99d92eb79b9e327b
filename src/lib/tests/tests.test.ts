import { describe, expect, it } from 'vitest';
import { courseOfText, Progress, sideBySide, type Step, type What } from '../../core/index.js';
import { NOTHING_WANTED, type Results } from '../bench.js';
import type { QueryMade } from '../queries.js';
import { csvOf, TestsSession } from './tests.svelte.js';

const BALL =
  'BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: sc around (18)\n';
const step = (order: number, what: What): Step => ({
  id: `step-${order}-000`,
  device: 'phone-01',
  order,
  at: 1,
  spent: 9,
  what,
});
const note = (order: number, ring: number, words: string) =>
  step(order, { kind: 'note', spot: { part: 0, copy: 0, ring }, note: 'unclear', words, photographs: [] });
const course = courseOfText(BALL, 'Ball');
const RESULTS: Results = {
  number: 1,
  course,
  wanted: NOTHING_WANTED,
  all: sideBySide(course, [
    { name: 'Aune', progress: new Progress(course, [note(1, 2, 'Which one?'), note(2, 0, '')]) },
    { name: 'Mirre', progress: new Progress(course, [note(1, 2, '')]) },
  ]),
  photographs: [[], []],
};

async function begun(text = BALL) {
  const made: QueryMade[] = [];
  const said: string[] = [];
  const session = new TestsSession({
    text,
    results: () => Promise.resolve(RESULTS),
    query: (one) => Promise.resolve(made.push(one)).then((number) => ({ number })),
    say: (words) => said.push(words),
  });
  await session.begin();
  return { session, made, said };
}

describe('the results of a test', () => {
  it('begin with the rounds where several stumbled, and are walked in that order', async () => {
    const { session } = await begun();
    expect(session.order).toEqual([2, 0, 1, 3]);
    session.step(1);
    session.step(1);
    expect(session.chosen).toBe(0);
    session.stumbledFirst = false;
    expect(session.order).toEqual([0, 1, 2, 3]);
    session.nextStumble();
    expect(session.chosen).toBe(2);
    session.nextStumble();
    expect(session.chosen).toBe(0);
  });

  it('become a query at the words of the round, once', async () => {
    const { session, made, said } = await begun();
    session.chosen = 2;
    await session.toQuery();
    expect(said).toEqual(['Query 1 is made.']);
    expect(made[0]).toMatchObject({
      ref: 'test-1-0-2',
      scope: 'round',
      at: { from: BALL.indexOf('(sc 1'), words: '(sc 1, inc) x 6 (18)' },
      round: 'Rnd 3',
      text: '“Rnd 3: (sc 1, inc) x 6 (18)”: Aune: unclear, “Which one?”. Mirre: unclear.',
    });
  });

  it('become one about the pattern where the text has gone on; where nobody said anything, none', async () => {
    const { session, made, said } = await begun('another text');
    session.chosen = 2;
    await session.toQuery();
    expect(made[0]).toMatchObject({ scope: 'pattern', at: null });
    session.chosen = 3;
    await session.toQuery();
    expect(said.at(-1)).toBe('Nobody noted anything at this round.');
  });
});

describe('a table as a file', () => {
  it('keeps commas and quotes in their cell, and is no formula', () => {
    expect(csvOf([['a, b', 'say "x"', '=1+1', 3, 'two\nlines']])).toBe('"a, b","say ""x""",\'=1+1,3,"two\nlines"\r\n');
  });
});
