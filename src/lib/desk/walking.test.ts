import { Asking } from './asking.svelte.js';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { actionsOf } from '../frame/actions.js';
import { walkingByKey } from './doing.js';
import { deskOn, memoryStorage } from './testing.js';
import { Walking } from './walking.js';

const TEXT =
  'Limpet\nUS terms\n\nSHELL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: (sc 1, inc) x 6 (18)\nFasten off.\n\n' +
  'FOOT\nRnd 1: 5 sc in MR (5)\nRnd 2: inc x 4 (10)\nFasten off.\n';

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('localStorage', memoryStorage());
  vi.stubGlobal('fetch', () => Promise.resolve(new Response('{}')));
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

async function walkingOn(text = TEXT) {
  const { desk, editor } = deskOn(text);
  const said: { words: string; action?: { text: string; act: () => void } }[] = [];
  const walking = new Walking(desk, (words, action) => said.push({ words, ...(action ? { action } : {}) }));
  await vi.advanceTimersByTimeAsync(200);
  const at = (line: number) => desk.toLine(line);
  return { desk, editor, walking, said, at };
}

describe('from round to round', () => {
  it('forwards and back, over headings, and says where the pattern ends', async () => {
    const { desk, walking, said, at } = await walkingOn();
    at(1);
    const lines: number[] = [];
    for (let i = 0; i < 6; i += 1) {
      walking.round(1);
      lines.push(desk.spot.line);
    }
    expect(lines).toEqual([5, 6, 7, 11, 12, 12]);
    expect(said).toEqual([{ words: 'This is the last round.' }]);
    walking.round(-1);
    expect(desk.spot.line).toBe(11);
    at(5);
    walking.round(-1);
    expect(said.at(-1)).toEqual({ words: 'This is the first round.' });
  });

  it('ticks, and goes on to the next without a tick, from the beginning again', async () => {
    const { desk, walking, said, at } = await walkingOn();
    at(6);
    walking.tickOn();
    expect(desk.spot.line).toBe(7);
    walking.tickOn();
    walking.tickOn();
    walking.tickOn();
    expect(desk.spot.line).toBe(5);
    walking.tickOn();
    expect(desk.notes.ticks.size).toBe(5);
    expect(said).toEqual([{ words: 'Every round is ticked.' }]);
    walking.tick();
    expect(desk.notes.ticks.size).toBe(4);
  });

  it('takes no tick off on the way on, and ticks nothing between rounds', async () => {
    const { desk, walking, at } = await walkingOn();
    at(5);
    walking.tick();
    walking.tickOn();
    expect(desk.notes.ticks.size).toBe(1);
    at(8);
    walking.tickOn();
    expect(desk.notes.ticks.size).toBe(1);
  });
});

it('says so where there are no figures to go by yet', async () => {
  const { desk, walking, said } = await walkingOn();
  desk.report = null;
  desk.checking = 'busy';
  walking.round(1);
  walking.tick();
  desk.checking = 'gave-up';
  walking.finding(1);
  walking.tickOn();
  expect(said.map(({ words }) => words)).toEqual([
    'The rounds are still being counted.',
    'The rounds are still being counted.',
    'This text is not counted.',
    'This text is not counted.',
  ]);
});

describe('from finding to finding', () => {
  it('round and round, in both directions', async () => {
    const { desk, walking, at } = await walkingOn();
    expect(desk.findings.map(({ line }) => line)).toEqual([6, 12]);
    at(1);
    const lines = [1, 1, 1, -1, -1].map((by) => {
      walking.finding(by as 1 | -1);
      return desk.spot.line;
    });
    expect(lines).toEqual([6, 12, 6, 12, 6]);
  });

  it('applies a fix by its number, and says where there is none', async () => {
    const { desk, walking, said, at } = await walkingOn();
    at(6);
    walking.fix(8);
    expect(said.at(-1)).toEqual({ words: 'There is no fix 9 for this finding.' });
    walking.fix(0);
    await vi.advanceTimersByTimeAsync(200);
    expect(desk.text).toContain('Rnd 2: inc x 6 (12)');
    expect(desk.findings.map(({ line }) => line)).toEqual([12]);
    at(1);
    walking.fix(0);
    expect(said.at(-1)).toEqual({ words: 'No finding stands at the caret.' });
  });

  it('says that a fix came too late where the text has changed meanwhile', async () => {
    const { desk, walking, said, at } = await walkingOn();
    at(6);
    desk.text = `${TEXT}\n`;
    walking.fix(0);
    expect(said.at(-1)).toEqual({ words: 'The text has changed meanwhile. Try again.' });
  });

  it('says so where nothing is left', async () => {
    const { walking, said } = await walkingOn('Pot\nUS terms\n\nRnd 1: 6 sc in MR (6)\nFasten off.\n');
    walking.finding(1);
    expect(said).toEqual([{ words: 'Nothing left to mend.' }]);
  });
});

describe('from part to part', () => {
  it('forwards and back', async () => {
    const { desk, walking, said, at } = await walkingOn();
    at(1);
    walking.part(1);
    walking.part(1);
    expect(desk.spot.line).toBe(10);
    walking.part(1);
    expect(said.at(-1)).toEqual({ words: 'This is the last part.' });
    walking.part(-1);
    expect(desk.spot.line).toBe(4);
    walking.part(-1);
    expect(said.at(-1)).toEqual({ words: 'There is no part before.' });
  });

  it('folds the part at the caret, what stands before all, or everything', async () => {
    const { editor, walking, at } = await walkingOn();
    at(6);
    walking.fold('part');
    expect(editor.folded).toEqual([{ line: 4, endLine: 7 }]);
    at(1);
    walking.fold('part');
    expect(editor.folded).toEqual([{ line: 1, endLine: 2 }]);
    walking.fold('front');
    expect(editor.folded).toEqual([{ line: 1, endLine: 2 }]);
    walking.fold('all');
    expect(editor.folded).toEqual([
      { line: 1, endLine: 2 },
      { line: 4, endLine: 7 },
      { line: 10, endLine: 12 },
    ]);
  });

  it('has no front to fold where the rounds begin at once', async () => {
    const { walking, said } = await walkingOn('Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n');
    walking.fold('front');
    expect(said).toEqual([{ words: 'Nothing stands before the rounds.' }]);
  });
});

it('says what a word means, how many rounds come out, and takes it back by one act', async () => {
  const { desk, editor, walking, said } = await walkingOn(
    'Pot\nUS terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: 6 frobs (12)\n',
  );
  await walking.mean('frob', 'increase', 2);
  expect(said.at(-1)?.words).toBe('“frob” is an increase. 2 rounds come out.');
  expect(editor.focused).toBe(1);
  expect(desk.notes.words.get('frob')).toBe('increase');
  said.at(-1)?.action?.act();
  await vi.advanceTimersByTimeAsync(200);
  expect(desk.notes.words.size).toBe(0);
  await walking.mean('frob', null, 1);
  expect(said.at(-1)?.words).toBe('“frob” is left open again. 1 round comes out.');
});

it('each of the keys for going through a pattern does something, and the panel is asked what belongs to it', async () => {
  const { desk, walking, at } = await walkingOn();
  const asked: string[] = [];
  const panel = {
    ask: (question: string) => Promise.resolve(void asked.push(question)),
    turn: () => void asked.push('turn'),
  };
  const actions = actionsOf(walkingByKey(desk, walking, new Asking(desk, () => undefined), () => panel));
  expect(new Set(actions.map(({ group }) => group))).toEqual(new Set(['Rounds', 'Findings', 'Parts', 'Text']));
  const run = (id: string) => actions.find((action) => action.id === id)?.run();
  for (const id of ['means', 'hook', 'aside', 'list']) run(id);
  expect(asked).toEqual(['meaning', 'hook', 'aside', 'turn']);
  at(1);
  run('next-round');
  expect(desk.spot.line).toBe(5);
  run('tick');
  expect(desk.notes.ticks.size).toBe(1);
  run('next-part');
  expect(desk.spot.line).toBe(10);
  run('next-finding');
  expect(desk.spot.line).toBe(12);
});
