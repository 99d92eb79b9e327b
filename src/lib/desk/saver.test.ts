import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { StoredPattern } from '../patterns.js';
import { readDraft } from './draft.js';
import { Saver } from './saver.svelte.js';

const PATTERN: StoredPattern = { id: 'p', name: 'Ball', text: 'old', revision: 3, terms: 'auto' };
const answer = (body: unknown, status = 200) => Promise.resolve(new Response(JSON.stringify(body), { status }));

let asked: { text: string; base: number }[];
let reply: () => Promise<Response>;
let room: boolean;

beforeEach(() => {
  asked = [];
  room = true;
  reply = () => answer({ revision: (asked.at(-1)?.base ?? 0) + 1 });
  const kept = new Map<string, string>();
  vi.useFakeTimers();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (!room) throw new Error('QuotaExceededError');
      kept.set(key, value);
    },
    removeItem: (key: string) => kept.delete(key),
  });
  vi.stubGlobal('fetch', (_path: string, init: RequestInit) => {
    asked.push(JSON.parse(init.body as string) as { text: string; base: number });
    return reply();
  });
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('saving as one types', () => {
  it('waits for a pause, saves once, and goes on from the new revision', async () => {
    const saver = new Saver(PATTERN);
    for (const text of ['n', 'ne', 'new']) saver.changed(text);
    expect(saver.state.kind).toBe('pending');
    await vi.advanceTimersByTimeAsync(600);
    expect(asked).toEqual([{ text: 'new', base: 3 }]);
    expect(saver.state.kind).toBe('saved');
    expect(readDraft('p')).toBeNull();
    saver.changed('newer');
    await vi.advanceTimersByTimeAsync(600);
    expect(asked.at(-1)).toEqual({ text: 'newer', base: 4 });
  });

  it('keeps in the browser what has not been saved yet', () => {
    const saver = new Saver(PATTERN);
    saver.changed('new');
    expect(readDraft('p')).toEqual({ text: 'new', base: 3 });
    saver.close();
  });

  it('says why it failed, and tries again by itself until it goes through', async () => {
    reply = () => Promise.reject(new TypeError('Failed to fetch'));
    const saver = new Saver(PATTERN);
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
    reply = () => answer({ message: 'Not saved: the disk is full.' }, 507);
    const saver = new Saver(PATTERN);
    saver.changed('new');
    await vi.advanceTimersByTimeAsync(600);
    expect(saver.state).toMatchObject({ kind: 'failed', why: 'Not saved: the disk is full.', kept: false });
    saver.close();
  });

  it('does not try again what can never go through', async () => {
    reply = () => answer({ message: 'This pattern is no longer on the shelf.' }, 404);
    const saver = new Saver(PATTERN);
    saver.changed('new');
    await vi.advanceTimersByTimeAsync(60_000);
    expect(asked.length).toBe(1);
    expect(readDraft('p')?.text).toBe('new');
  });

  it('saves what was typed while a save was on its way', async () => {
    let arrive: (response: Response) => void = () => undefined;
    reply = () => new Promise((resolve) => (arrive = resolve));
    const saver = new Saver(PATTERN);
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

describe('another window', () => {
  const theirs = { ...PATTERN, text: 'theirs', revision: 7 };

  it('that saved first stops the save, until somebody has chosen', async () => {
    reply = () => answer({ current: theirs }, 409);
    const saver = new Saver(PATTERN);
    saver.changed('mine');
    await vi.advanceTimersByTimeAsync(600);
    expect(saver.state).toEqual({ kind: 'conflict', theirs });
    saver.changed('mine, and more');
    await vi.advanceTimersByTimeAsync(60_000);
    expect(asked.length).toBe(1);
    expect(readDraft('p')?.text).toBe('mine, and more');
  });

  it('is told of only when nothing waits here', async () => {
    vi.stubGlobal('fetch', () => answer(theirs));
    const saver = new Saver(PATTERN);
    expect(await saver.newer()).toEqual(theirs);
    saver.changed('mine');
    expect(await saver.newer()).toBeNull();
    saver.close();
  });
});
