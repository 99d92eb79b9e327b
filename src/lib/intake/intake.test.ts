import { describe, expect, it } from 'vitest';
import { overviewOf, checkPattern, type CheckOptions, type Hand } from '../../core/index.js';
import { meaningsOf } from '../../core/onRequest.js';
import type { HandChange, StoredPattern } from '../patterns.js';
import type { CheckListener } from '../workers/checker.js';
import { byLine } from './corrections.js';
import { IntakeSession, type Understanding } from './intake.svelte.js';
import { secondPattern } from './twoPatterns.js';
import { until } from '../testing/until.js';

const TUMBLY = [
  'Tumbly',
  '',
  'Body',
  'Rnd 1: 6 sc in MR (6)',
  'Rnd 2: inc x 6 (12)',
  'And dec x 6.',
  'Rnd 3: glork the plims (18)',
  '',
  'Sew it up.',
].join('\n');

/** Understands at once, in the test's own process. */
function understanding(listener: CheckListener, options: CheckOptions): Understanding {
  let { terms, hand = { words: {} } } = options;
  let last = checkPattern('', '');
  let checked = '';
  return {
    setHand: (next) => (hand = next),
    setTerms: (next) => (terms = next),
    check(text, name) {
      checked = text;
      last = checkPattern(text, name, { terms, hand });
      listener.state('done');
      listener.told(last.report, text, true);
    },
    overview: () => Promise.resolve(overviewOf(last.counted)),
    account: (round) => Promise.resolve(last.account(round)),
    meanings: (word) => Promise.resolve(meaningsOf(checked, { terms, hand }, word)),
    close: () => undefined,
  };
}

interface Opened {
  readonly session: IntakeSession;
  readonly sent: HandChange[];
  readonly failed: unknown[];
  /** Waits until what was said last is understood. */
  readonly settled: () => Promise<void>;
}

async function opened(
  text: string,
  { hand = { words: {} }, refuse = false }: { hand?: Hand; refuse?: boolean } = {},
): Promise<Opened> {
  const pattern: StoredPattern = { id: 'one', name: 'One', text, revision: 1, terms: 'auto', hand };
  const [sent, failed]: [HandChange[], unknown[]] = [[], []];
  const session = new IntakeSession(pattern, null, {
    hand: (change) => (refuse ? Promise.reject(new Error('full')) : Promise.resolve(sent.push(change))),
    terms: () => Promise.resolve(),
    failed: (error) => failed.push(error),
  });
  session.begin((listener) => understanding(listener, { terms: 'auto', hand }));
  const settled = async () => {
    for (let i = 0; i < 5; i += 1) await Promise.resolve();
  };
  await until(() => expect(session.overview).not.toBeNull());
  return { session, sent, failed, settled };
}

describe('what was understood of a text', () => {
  it('is told in one sentence, with what is doubtful first', async () => {
    const { session } = await opened(TUMBLY);
    expect(session.summary).toBe('2 of 3 rounds read; 1 line could not be placed.');
    expect(session.doubts.map(({ line, why }) => [line, why])).toEqual([
      [6, 'not placed'],
      [7, 'not read'],
    ]);
    expect([0, 1, 2, 3, 5, 6].map((line) => session.takenFor(line).taken)).toEqual([
      'title',
      'blank',
      'heading',
      'round',
      'unplaced',
      'round',
    ]);
  });

  it('doubts a round that is off and has a mark in it that is explained nowhere', async () => {
    const ball = 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: 6 ✚ (12)\nRnd 3: sc around (12)\n';
    expect((await opened(ball)).session.doubts.map(({ line, why }) => [line, why])).toEqual([[3, 'passed over']]);
    const marked = ball.replaceAll('Rnd ', '◆');
    expect((await opened(`✚ = 2 sc in one st\n${ball.replace('6 ✚', '5 ✚')}`)).session.doubts).toEqual([]);
    expect((await opened(marked.replace('6 ✚', 'inc x 5'))).session.doubts).toEqual([]);
  });

  it('is told of a text without rounds too', async () => {
    const { session } = await opened('Dear Una,\nit comes tomorrow.\n');
    expect(session.summary).toBe('No rounds were found.');
  });

  it('goes from doubt to doubt, round from the last to the first', async () => {
    const { session } = await opened(TUMBLY);
    session.stepDoubt(1);
    expect(session.at).toBe(5);
    session.stepDoubt(1);
    expect(session.at).toBe(6);
    session.stepDoubt(1);
    expect(session.at).toBe(5);
    session.stepDoubt(-1);
    expect(session.at).toBe(6);
  });

  it('passes over empty lines, and selects several', async () => {
    const { session } = await opened(TUMBLY);
    session.step(1);
    expect(session.at).toBe(2);
    session.step(1, true);
    session.step(1, true);
    expect(session.selected).toEqual({ from: 2, to: 4 });
    session.step(-1);
    expect(session.selected).toEqual({ from: 3, to: 3 });
    session.goTo(99);
    expect(session.at).toBe(8);
  });
});

describe('what is put right', () => {
  it('is measured by what was read without it, also where that comes late', async () => {
    const pattern: StoredPattern = {
      id: 'one',
      name: 'One',
      text: TUMBLY,
      revision: 1,
      terms: 'auto',
      hand: { words: {} },
    };
    const session = new IntakeSession(pattern, null, {
      hand: () => Promise.resolve(),
      terms: () => Promise.resolve(),
      failed: () => undefined,
    });
    let listener: CheckListener | null = null;
    session.begin((one) => {
      listener = one;
      return { ...understanding(one, { terms: 'auto' }), check: () => undefined };
    });
    const report = (hand: Hand) => checkPattern(TUMBLY, '', { terms: 'auto', hand }).report;
    session.goTo(5);
    await session.setRole('round');
    (listener as CheckListener | null)?.told(report({ words: {} }), TUMBLY, false);
    await until(() => expect(session.report).not.toBeNull());
    expect(session.effect).toBe('');
    (listener as CheckListener | null)?.told(report(session.hand), TUMBLY, true);
    await until(() => expect(session.effect).toBe('“And dec x 6.”: round: 1 round more can be counted.'));
  });

  it('is kept, read again at once, and told by what it has changed', async () => {
    const { session, sent, settled } = await opened(TUMBLY);
    session.goTo(5);
    await session.setRole('round');
    await settled();
    expect(sent).toEqual([{ lines: ['And dec x 6.'], role: 'round' }]);
    expect(session.takenFor(5)).toEqual({ taken: 'round', said: true });
    expect(session.effect).toBe('“And dec x 6.”: round: 1 round more can be counted.');
    expect(session.summary).toContain('every line has its place');
    expect(session.corrections.map(({ words }) => words)).toEqual(['“And dec x 6.”: round']);
  });

  it('is taken back, last first, as it was before', async () => {
    const { session, sent, settled } = await opened(TUMBLY, { hand: { words: {}, lines: { 'Sew it up.': 'talk' } } });
    session.goTo(5);
    session.goTo(8, true);
    await session.setRole('talk');
    await session.mean('glork', 'times');
    await settled();
    expect(session.hand.words).toEqual({ glork: 'times' });
    expect(await session.takeBack()).toBe(true);
    expect(await session.takeBack()).toBe(true);
    expect(session.hand).toEqual({ words: {}, lines: { 'Sew it up.': 'talk' } });
    expect(await session.takeBack()).toBe(false);
    expect(sent).toHaveLength(5);
  });

  it('names a part, and says how many are made, one beside the other', async () => {
    const { session, settled } = await opened(TUMBLY);
    await session.setPart(3, { name: 'Trunk' });
    await session.setPart(3, { make: 2 });
    await settled();
    expect(session.report?.parts[0]).toMatchObject({ name: 'Trunk', make: 2 });
    expect(session.corrections[0]?.words).toBe('“Body” is called Trunk, made 2 ×');
  });

  it('stands as it was where it could not be kept', async () => {
    const { session, failed } = await opened(TUMBLY, { refuse: true });
    session.goTo(5);
    await session.setRole('talk');
    expect(session.hand).toEqual({ words: {} });
    expect(failed).toHaveLength(1);
    expect(await session.takeBack()).toBe(false);
  });
});

describe('two patterns in one text', () => {
  const one = (name: string) =>
    `${name}\n\nMATERIALS\nMoss 20 g\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n\n`;

  it.each([
    ['one only', one('Pea'), null],
    ['two', one('Pea') + one('Bean'), 10],
    ['a second list of materials for another part', `${one('Pea')}Leaf\nRnd 1: 6 sc in MR (6)\n`, null],
  ])('%s', (_, text, line) => {
    expect(secondPattern(overviewOf(checkPattern(text, '').counted))).toBe(line);
  });
});

it('puts remarks at the line that they are about, wherever that has moved', () => {
  const note = (line: number, about: string) => ({ line, about, by: null, text: about });
  const notes = [note(2, 'sc 6'), note(4, 'gone'), note(4, 'sc 6')];
  const found = byLine(notes, ['new', 'sc 6', 'inc', 'sc 6']);
  expect([...found].map(([line, here]) => [line, here.length])).toEqual([
    [1, 1],
    [3, 1],
  ]);
});
