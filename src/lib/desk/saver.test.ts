import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { StoredPattern } from '../patterns.js';
import { keptTexts } from './kept.js';
import { Saver } from './saver.svelte.js';
import { whenSaved } from './saved.js';
import { flushAll, leave, saverFor } from './savers.js';

const PATTERN: StoredPattern = { id: 'p', name: 'Ball', text: 'old', revision: 3, terms: 'auto', hand: { words: {} } };
const answer = (body: unknown, status = 200) => Promise.resolve(new Response(JSON.stringify(body), { status }));

let lastSignal: AbortSignal | null;
let asked: { text: string; base: number }[];
let reply: () => Promise<Response>;
let room: boolean;

beforeEach(() => {
  asked = [];
  room = true;
  reply = () => answer({ revision: (asked.at(-1)?.base ?? 0) + 1 });
  const kept = new Map<string, string>();
  vi.useFakeTimers();
  vi.stubGlobal('navigator', {});
  // As the browser's own: what is kept are its enumerable properties.
  const methods = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (!room) throw new Error('QuotaExceededError');
      kept.set(key, value);
    },
    removeItem: (key: string) => kept.delete(key),
  };
  vi.stubGlobal(
    'localStorage',
    new Proxy(methods, {
      ownKeys: () => [...kept.keys()],
      getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
    }),
  );
  vi.stubGlobal('fetch', (_path: string, init: RequestInit) => {
    lastSignal = init.signal ?? null;
    asked.push(JSON.parse(init.body as string) as { text: string; base: number });
    return reply();
  });
});

/** What is kept in this browser of the pattern. */
const keptHere = () => keptTexts('p')[0] ?? null;
/** A window knows its name a moment after it has begun. */
const opened = async (pattern = PATTERN) => {
  const saver = new Saver(pattern);
  saver.begin();
  await vi.advanceTimersByTimeAsync(0);
  return saver;
};

afterEach(() => {
  vi.restoreAllMocks();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('saving as one types', () => {
  it('waits for a pause, saves once, and goes on from the new revision', async () => {
    const saver = await opened();
    for (const text of ['n', 'ne', 'new']) saver.changed(text);
    expect(saver.state.kind).toBe('pending');
    await vi.advanceTimersByTimeAsync(600);
    expect(asked).toEqual([{ text: 'new', base: 3 }]);
    expect(saver.state.kind).toBe('saved');
    expect(keptHere()).toBeNull();
    saver.changed('newer');
    await vi.advanceTimersByTimeAsync(600);
    expect(asked.at(-1)).toEqual({ text: 'newer', base: 4 });
  });

  it('keeps in the browser what has not been saved yet', async () => {
    const saver = await opened();
    saver.changed('new');
    await vi.advanceTimersByTimeAsync(150);
    expect(keptHere()).toMatchObject({ name: 'Ball', text: 'new', base: 3, sent: [] });
  });

  it('makes no key wait for the browser to keep it, and keeps it before the window goes', async () => {
    const saver = await opened();
    for (const text of ['n', 'ne', 'new']) {
      saver.changed(text);
      expect(keptHere()).toBeNull();
      await vi.advanceTimersByTimeAsync(40);
    }
    reply = () => new Promise(() => undefined);
    void saver.flush();
    expect(keptHere()?.text).toBe('new');
    // Another change while the answer is out, and the window goes.
    saver.changed('newer');
    void saver.flush();
    expect(keptHere()?.text).toBe('newer');
  });

  it('says while the server does not answer whether the browser keeps what is typed on', async () => {
    reply = () => Promise.reject(new TypeError('Failed to fetch'));
    const saver = await opened();
    saver.changed('new');
    await vi.advanceTimersByTimeAsync(600);
    expect(saver.state).toMatchObject({ kind: 'failed', kept: true });
    room = false;
    saver.changed('newer');
    await vi.advanceTimersByTimeAsync(150);
    expect(saver.state).toMatchObject({ kind: 'failed', kept: false });
    room = true;
    saver.changed('newest');
    await vi.advanceTimersByTimeAsync(150);
    expect(saver.state).toMatchObject({ kind: 'failed', kept: true });
    expect(keptHere()?.text).toBe('newest');
  });

  it('says why it failed, and tries again by itself until it goes through', async () => {
    reply = () => Promise.reject(new TypeError('Failed to fetch'));
    const saver = await opened();
    saver.changed('new');
    await vi.advanceTimersByTimeAsync(600);
    expect(saver.state).toMatchObject({ kind: 'failed', why: 'The server does not answer.', kept: true, again: true });
    reply = () => answer({ revision: 4 });
    await vi.advanceTimersByTimeAsync(20_000);
    expect(saver.state.kind).toBe('saved');
    expect(asked.every(({ text }) => text === 'new')).toBe(true);
  });

  it('passes on what the server says, and that the browser has no room', async () => {
    room = false;
    reply = () => answer({ message: 'The disk is full.' }, 507);
    const saver = await opened();
    saver.changed('new');
    await vi.advanceTimersByTimeAsync(600);
    expect(saver.state).toMatchObject({ kind: 'failed', why: 'The disk is full.', kept: false });
  });

  it('does not try again what can never go through', async () => {
    reply = () => answer({ message: 'This pattern is no longer on the shelf.' }, 404);
    const saver = await opened();
    saver.changed('new');
    await vi.advanceTimersByTimeAsync(60_000);
    expect(asked.length).toBe(1);
    expect(keptHere()?.text).toBe('new');
  });

  it('tries a text that was refused again once it has changed', async () => {
    reply = () => answer({ message: 'This text is too long.' }, 413);
    const saver = await opened();
    saver.changed('far too long');
    await vi.advanceTimersByTimeAsync(600);
    reply = () => answer({ revision: 4 });
    saver.changed('short');
    await vi.advanceTimersByTimeAsync(600);
    expect(asked.at(-1)?.text).toBe('short');
    expect(saver.state.kind).toBe('saved');
  });

  it('saves what was typed while a save was on its way', async () => {
    let arrive: (response: Response) => void = () => undefined;
    reply = () => new Promise((resolve) => (arrive = resolve));
    const saver = await opened();
    saver.changed('one');
    await vi.advanceTimersByTimeAsync(600);
    saver.changed('two');
    reply = () => answer({ revision: 5 });
    arrive(new Response(JSON.stringify({ revision: 4 })));
    await vi.advanceTimersByTimeAsync(1200);
    expect(asked.map(({ text, base }) => [text, base])).toEqual([
      ['one', 3],
      ['two', 4],
    ]);
    expect(saver.state.kind).toBe('saved');
  });
});

describe('while one types without a pause', () => {
  it('saves at the latest every second', async () => {
    const saver = await opened();
    for (let i = 1; i <= 50; i += 1) {
      saver.changed('x'.repeat(i));
      await vi.advanceTimersByTimeAsync(100);
    }
    expect(asked.length).toBeGreaterThanOrEqual(4);
    expect(asked.at(-1)?.text.length).toBeGreaterThanOrEqual(40);
  });
});

describe('a save that gets no answer', () => {
  const never = () =>
    new Promise<Response>((_, reject) =>
      lastSignal?.addEventListener('abort', () => reject(lastSignal?.reason as Error)),
    );

  it('is told after a few seconds, and tried again', async () => {
    reply = never;
    const saver = await opened();
    saver.changed('new');
    // The time limit of a request is not among the timers of a test.
    vi.spyOn(AbortSignal, 'timeout').mockImplementation((ms) => {
      const limit = new AbortController();
      setTimeout(() => limit.abort(new DOMException('late', 'TimeoutError')), ms);
      return limit.signal;
    });
    await vi.advanceTimersByTimeAsync(4000);
    expect(saver.state.kind).toBe('saving');
    await vi.advanceTimersByTimeAsync(3000);
    expect(saver.state).toMatchObject({ kind: 'failed', why: 'The server has not answered in time.', again: true });
    reply = () => answer({ revision: 4 });
    await vi.advanceTimersByTimeAsync(20_000);
    expect(saver.state.kind).toBe('saved');
  });

  it('is no conflict with itself where it had been saved all the same', async () => {
    reply = () => Promise.reject(new TypeError('Failed to fetch'));
    const saver = await opened();
    saver.changed('one');
    await vi.advanceTimersByTimeAsync(600);
    saver.changed('one, two');
    reply = () =>
      asked.at(-1)?.base === 4
        ? answer({ revision: 5 })
        : answer({ current: { ...PATTERN, text: 'one', revision: 4 }, kept: false }, 409);
    await vi.advanceTimersByTimeAsync(20_000);
    expect(asked.at(-1)).toEqual({ text: 'one, two', base: 4 });
    expect(saver.state.kind).toBe('saved');
  });

  it('is seen to have been saved after a reload', async () => {
    reply = () => Promise.reject(new TypeError('Failed to fetch'));
    const before = await opened();
    before.changed('one');
    await vi.advanceTimersByTimeAsync(600);
    before.changed('one, two');
    const kept = keptHere();
    const now = { ...PATTERN, text: 'one', revision: 4 };
    const saver = await opened(now);
    reply = () => answer({ revision: 5 });
    if (kept) saver.adopt(kept, now);
    await vi.advanceTimersByTimeAsync(600);
    expect(asked.at(-1)).toEqual({ text: 'one, two', base: 4 });
    expect(saver.state.kind).toBe('saved');
  });
});

describe('a Desk that is left', () => {
  it('is saved at once, and says when that is done', async () => {
    const saver = saverFor(PATTERN);
    await vi.advanceTimersByTimeAsync(0);
    saver.changed('typed just now');
    const saved = vi.fn();
    const stop = whenSaved(saved);
    leave(saver);
    await vi.advanceTimersByTimeAsync(1);
    expect(asked).toEqual([{ text: 'typed just now', base: 3 }]);
    expect(saved).toHaveBeenCalledOnce();
    expect(keptHere()).toBeNull();
    stop();
  });

  it('goes on trying, and hands what is unsaved to the Desk that is opened next', async () => {
    reply = () => Promise.reject(new TypeError('Failed to fetch'));
    const saver = saverFor(PATTERN);
    await vi.advanceTimersByTimeAsync(0);
    saver.changed('new');
    leave(saver);
    await vi.advanceTimersByTimeAsync(1);
    expect(saver.state.kind).toBe('failed');
    expect(saverFor(PATTERN)).toBe(saver);
    expect(saver.text).toBe('new');
    leave(saver);
    reply = () => answer({ revision: 4 });
    flushAll();
    await vi.advanceTimersByTimeAsync(1);
    expect(saver.clean).toBe(true);
    const next = saverFor({ ...PATTERN, text: 'new', revision: 4 });
    expect(next).not.toBe(saver);
    leave(next);
  });
});

describe('another window', () => {
  const theirs = { ...PATTERN, text: 'theirs', revision: 7 };

  it('that saved first stops the save, until somebody has chosen', async () => {
    reply = () => answer({ current: theirs, kept: false }, 409);
    const saver = await opened();
    saver.changed('mine');
    await vi.advanceTimersByTimeAsync(600);
    const clash = { kind: 'clash', base: ['old'], mine: ['mine'], theirs: ['theirs'] };
    expect(saver.state).toEqual({ kind: 'conflict', theirs, pieces: [clash] });
    saver.changed('mine, and more');
    await vi.advanceTimersByTimeAsync(60_000);
    expect(asked.length).toBe(1);
    expect(keptHere()?.text).toBe('mine, and more');
  });

  it('that went on from what was saved here without an answer is shown, and asks nothing', async () => {
    reply = () => answer({ current: theirs, kept: true }, 409);
    const saver = await opened();
    saver.onnewer = vi.fn();
    saver.changed('mine');
    await vi.advanceTimersByTimeAsync(600);
    expect(saver.onnewer).toHaveBeenCalledWith(theirs);
    expect(saver.state.kind).toBe('saved');
    expect(saver.text).toBe('theirs');
  });

  it('and a choice between the two is carried out by the server, in one', async () => {
    reply = () => answer({ current: theirs, kept: false }, 409);
    const saver = await opened();
    saver.changed('mine');
    await vi.advanceTimersByTimeAsync(600);
    reply = () => answer({ ...PATTERN, text: 'mine', revision: 9 });
    expect(await saver.settle('mine')).toMatchObject({ revision: 9 });
    expect(asked.at(-1)).toEqual({ mine: 'mine', keep: 'mine' });
    expect(saver.state.kind).toBe('saved');
    expect(keptHere()).toBeNull();
    reply = () => answer({ revision: 10 });
    saver.changed('mine, and more');
    await vi.advanceTimersByTimeAsync(600);
    expect(asked.at(-1)).toEqual({ text: 'mine, and more', base: 9 });
  });

  it('is told of only when nothing waits here', async () => {
    vi.stubGlobal('fetch', () => answer(theirs));
    const saver = await opened();
    expect(await saver.newer()).toEqual(theirs);
    saver.changed('mine');
    expect(await saver.newer()).toBeNull();
  });
});

describe('another person at the same pattern', () => {
  const TEXT = ['BALL', 'Rnd 1: 6 sc', 'Rnd 2: inc x 6', 'Rnd 3: sc around'];
  const but = (changes: Record<number, string>) => TEXT.map((line, i) => changes[i] ?? line).join('\n');
  const ball = { ...PATTERN, text: but({}) };
  const theirs = (changes: Record<number, string>, revision = 7) => ({ ...ball, text: but(changes), revision });
  /** Typed here while they have saved there; then the save meets theirs, and the next one goes through. */
  const meeting = async (here: Record<number, string>, there: Record<number, string>) => {
    reply = () => answer({ current: theirs(there), kept: false }, 409);
    const saver = await opened(ball);
    const shown: string[] = [];
    saver.onmerged = (text) => shown.push(text);
    saver.changed(but(here));
    await vi.advanceTimersByTimeAsync(600);
    reply = () => answer({ revision: (asked.at(-1)?.base ?? 0) + 1 });
    return { saver, shown };
  };

  it('who has changed other rounds asks nothing: both stand in the text, and it is saved from theirs', async () => {
    const { saver, shown } = await meeting({ 1: 'Rnd 1: 8 sc' }, { 2: 'Rnd 2: inc x 8' });
    const both = but({ 1: 'Rnd 1: 8 sc', 2: 'Rnd 2: inc x 8' });
    expect(shown).toEqual([both]);
    await vi.advanceTimersByTimeAsync(600);
    expect(asked.at(-1)).toEqual({ text: both, base: 7 });
    expect([saver.state.kind, saver.text]).toEqual(['saved', both]);
  });

  it('who has changed the same round is asked about it alone; all else comes in at once, and nothing is saved till then', async () => {
    const { saver, shown } = await meeting({ 1: 'Rnd 1: 8 sc' }, { 1: 'Rnd 1: 7 sc', 3: 'Rnd 3: sc around (12)' });
    const here = but({ 1: 'Rnd 1: 8 sc', 3: 'Rnd 3: sc around (12)' });
    expect(shown).toEqual([here]);
    const clashes = saver.state.kind === 'conflict' ? saver.state.pieces?.filter(({ kind }) => kind === 'clash') : null;
    expect(clashes).toMatchObject([{ mine: ['Rnd 1: 8 sc'], theirs: ['Rnd 1: 7 sc'] }]);
    // One goes on typing at another round, and nothing is lost of it.
    saver.changed(here.replace('BALL', 'Ball'));
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked).toHaveLength(1);
    expect(keptHere()?.text).toBe(here.replace('BALL', 'Ball'));
    saver.settleRound(0, 'mine');
    await vi.advanceTimersByTimeAsync(600);
    expect(asked.at(-1)).toEqual({ text: here.replace('BALL', 'Ball'), base: 7 });
  });

  it('whose words are taken at a round has them in the text', async () => {
    const { saver, shown } = await meeting(
      { 0: 'Ball', 1: 'Rnd 1: 8 sc', 3: 'Mine' },
      { 1: 'Rnd 1: 7 sc', 3: 'Theirs' },
    );
    saver.settleRound(0, 'theirs');
    expect(saver.state.kind).toBe('conflict');
    saver.settleRound(0, 'mine');
    await vi.advanceTimersByTimeAsync(600);
    const settled = but({ 0: 'Ball', 1: 'Rnd 1: 7 sc', 3: 'Mine' });
    expect(shown.at(-1)).toBe(but({ 0: 'Ball', 1: 'Rnd 1: 7 sc', 3: 'Mine' }));
    expect([asked.at(-1), saver.state.kind]).toEqual([{ text: settled, base: 7 }, 'saved']);
  });

  it('a clash is gone as soon as both wrote the same', async () => {
    const { saver } = await meeting({ 1: 'Rnd 1: 8 sc' }, { 1: 'Rnd 1: 7 sc' });
    saver.changed(but({ 1: 'Rnd 1: 7 sc' }));
    await vi.advanceTimersByTimeAsync(600);
    expect([saver.state.kind, asked.length]).toEqual(['saved', 1]);
  });

  it('who has saved is found while something waits here, too', async () => {
    reply = () => Promise.reject(new TypeError('no network'));
    const saver = await opened(ball);
    saver.changed(but({ 1: 'Rnd 1: 8 sc' }));
    await vi.advanceTimersByTimeAsync(600);
    reply = () => answer(theirs({ 3: 'Theirs' }));
    vi.stubGlobal('fetch', () => reply());
    expect(await saver.newer()).toBeNull();
    expect(saver.text).toBe(but({ 1: 'Rnd 1: 8 sc', 3: 'Theirs' }));
  });

  it('what one went on from is known after a reload, so that both go together then as well', async () => {
    const kept = { name: 'Ball', text: but({ 1: 'Rnd 1: 8 sc' }), base: 3, from: ball.text, sent: [], at: 1 };
    const now = theirs({ 3: 'Theirs' });
    const saver = await opened(now);
    reply = () => answer({ current: now, kept: false }, 409);
    saver.adopt({ ...kept, pattern: 'p', window: 'gone' }, now);
    await vi.advanceTimersByTimeAsync(600);
    expect(saver.text).toBe(but({ 1: 'Rnd 1: 8 sc', 3: 'Theirs' }));
    const { from: _, ...old } = kept;
    const unknown = await opened(now);
    unknown.adopt({ ...old, pattern: 'p', window: 'gone' }, now);
    await vi.advanceTimersByTimeAsync(600);
    expect(unknown.state).toMatchObject({ kind: 'conflict', pieces: null });
  });
});
