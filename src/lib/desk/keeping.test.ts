import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keyOf, NO_HAND } from '../../core/index.js';
import type { StoredPattern } from '../patterns.js';
import { Trouble } from '../client.js';
import { Dropping } from './dropping.svelte.js';
import { keep, keptTexts } from './kept.js';
import { Keeping } from './keeping.svelte.js';
import { Saver } from './saver.svelte.js';
import { deskOn, memoryStorage } from './testing.js';

const TEXT = 'Pot\nUS terms\n\nRnd 1: 6 sc in MR (6)\n';
const answer = (body: unknown, status = 200) => Promise.resolve(new Response(JSON.stringify(body), { status }));
const stored = (text: string, revision = 1): StoredPattern => ({
  id: 'one',
  name: 'One',
  text,
  revision,
  terms: 'auto',
  hand: NO_HAND,
});

/** What the server holds, how it answers, and what it was asked. */
let there: StoredPattern;
let earlier: string | null;
let working: boolean;
let asked: { method: string; path: string }[];

beforeEach(() => {
  there = stored(TEXT);
  earlier = null;
  working = true;
  asked = [];
  vi.useFakeTimers();
  // No other window is open.
  const locks = {
    query: () => Promise.resolve({ held: [] }),
    request: (_name: string, _options: unknown, held: () => Promise<never>) => held(),
  };
  vi.stubGlobal('navigator', { locks });
  const kept = memoryStorage();
  // As the browser's own: what is kept are its enumerable properties.
  const keys = () => Array.from({ length: kept.length }, (_, i) => kept.key(i) ?? '');
  vi.stubGlobal(
    'localStorage',
    new Proxy(kept, {
      ownKeys: keys,
      getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
    }),
  );
  vi.stubGlobal('fetch', (path: string, { method = 'GET', body }: RequestInit) => {
    asked.push({ method, path });
    if (!working) return Promise.reject(new TypeError('no network'));
    if (path.endsWith('/earlier')) return answer({ text: earlier });
    if (method === 'GET') return answer(there);
    if (method === 'PUT') {
      there = stored((JSON.parse(body as string) as { text: string }).text, there.revision + 1);
      return answer({ revision: there.revision });
    }
    return answer({});
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

async function keepingOn(opened = stored(TEXT)) {
  const { desk } = deskOn(opened.text);
  const saver = new Saver(opened);
  const said: string[] = [];
  const keeping = new Keeping(
    desk,
    opened,
    saver,
    (words) => said.push(words),
    () => said.push('to the shelf'),
  );
  keeping.begin();
  await vi.advanceTimersByTimeAsync(300);
  return { desk, saver, keeping, said };
}

describe('a Desk begins', () => {
  it('with what it was opened with, where nothing is left over', async () => {
    const { desk, said } = await keepingOn();
    expect(desk.text).toBe(TEXT);
    expect(said).toEqual([]);
  });

  it('with what a window that is gone had not saved', async () => {
    keep('one', 'gone', { name: 'One', text: `${TEXT}unsaved\n`, base: 1, sent: [], at: 1 });
    const { desk, saver, said } = await keepingOn();
    expect(desk.text).toBe(`${TEXT}unsaved\n`);
    expect(said).toEqual(['What had not been saved yet is back.']);
    await saver.flush();
    expect(there.text).toBe(`${TEXT}unsaved\n`);
    expect(keptTexts('one')).toEqual([]);
  });

  it('with the newest of several such texts, and tells of the others', async () => {
    keep('one', 'first', { name: 'One', text: `${TEXT}older\n`, base: 1, sent: [], at: 1 });
    keep('one', 'second', { name: 'One', text: `${TEXT}newer\n`, base: 1, sent: [], at: 2 });
    const { desk, said } = await keepingOn();
    expect(desk.text).toBe(`${TEXT}newer\n`);
    expect(said[0]).toContain('Another text of this pattern is kept in this browser too.');
    expect(keptTexts('one').map(({ text }) => text)).toContain(`${TEXT}older\n`);
  });

  it('and forgets what was kept and has arrived meanwhile', async () => {
    keep('one', 'gone', { name: 'One', text: TEXT, base: 1, sent: [keyOf(TEXT)], at: 1 });
    const { said } = await keepingOn();
    expect(said).toEqual([]);
    expect(keptTexts('one')).toEqual([]);
  });

  it('with what another window has saved since the page was made', async () => {
    there = stored(`${TEXT}theirs\n`, 2);
    const { desk, said } = await keepingOn();
    expect(desk.text).toBe(`${TEXT}theirs\n`);
    expect(said).toEqual(['Brought up to date with what another window saved.']);
  });

  it('and compares with the text before the last sitting', async () => {
    earlier = TEXT.replace('6 sc in MR (6)', '7 sc in MR (7)');
    const { desk } = await keepingOn();
    const [round] = desk.rounds;
    if (!round) throw new Error('There is a round.');
    expect(desk.wordsBefore(round)).toBe('Rnd 1: 7 sc in MR (7)');
  });
});

describe('a window that comes back to the front', () => {
  it('is brought up to date, but never over what is unsaved in it', async () => {
    const { desk, saver, keeping } = await keepingOn();
    there = stored(`${TEXT}theirs\n`, 2);
    await keeping.lookForNewer();
    expect(desk.text).toBe(`${TEXT}theirs\n`);
    desk.changed(`${TEXT}mine\n`);
    saver.changed(`${TEXT}mine\n`);
    there = stored(`${TEXT}theirs again\n`, 3);
    await keeping.lookForNewer();
    expect(desk.text).toBe(`${TEXT}mine\n`);
  });

  it('says nothing where the server does not answer', async () => {
    const { desk, keeping, said } = await keepingOn();
    working = false;
    await keeping.lookForNewer();
    expect(desk.text).toBe(TEXT);
    expect(said).toEqual([]);
  });
});

describe('a name', () => {
  it('is kept, and asked for only where it is another', async () => {
    const { desk, keeping } = await keepingOn();
    const before = asked.length;
    await keeping.rename('One');
    expect(asked).toHaveLength(before);
    await keeping.rename('Two');
    expect(desk.name).toBe('Two');
    expect(asked.at(-1)?.method).toBe('PATCH');
  });

  it('is as it was where it could not be kept', async () => {
    const { desk, keeping, said } = await keepingOn();
    working = false;
    await keeping.rename('Two');
    expect(desk.name).toBe('One');
    expect(said.at(-1)).toContain('Nothing has been changed');
  });
});

it('a conflict that can’t be settled is told, and both texts stay', async () => {
  const { desk, keeping } = await keepingOn();
  working = false;
  expect(await keeping.settle('theirs')).toBe('The server does not answer.');
  expect(desk.text).toBe(TEXT);
});

describe('a file that is dropped', () => {
  const POT = { name: 'pot.docx', file: new Blob(['Pot']) };
  const event = (types: readonly string[]) => {
    const calls: string[] = [];
    const drop = {
      dataTransfer: { types } as unknown as DataTransfer,
      preventDefault: () => void calls.push('prevented'),
      stopPropagation: () => void calls.push('stopped'),
    };
    return { calls, drop: drop as unknown as DragEvent };
  };
  const within = (readOut: () => Promise<{ text: string; left: string[] }>) => ({
    readOut,
    filesIn: () => Promise.resolve([POT]),
  });

  it('is offered with its text, and not written into the manuscript', async () => {
    const text = 'Pot\nRnd 1: 6 sc\n';
    const dropping = new Dropping(
      () => undefined,
      within(() => Promise.resolve({ text, left: [] })),
    );
    const { drop, calls } = event(['Files']);
    await dropping.take(drop);
    expect(dropping.offered).toEqual({ ...POT, text, left: [] });
    expect(calls).toEqual(['prevented', 'stopped']);
  });

  it('is refused in words where it is none that can be read', async () => {
    const said: string[] = [];
    const refusing = within(() => Promise.reject(new Trouble('This is a picture.', false)));
    const dropping = new Dropping((words) => said.push(words), refusing);
    await dropping.take(event(['Files']).drop);
    expect(dropping.offered).toBeNull();
    expect(said).toEqual(['“pot.docx”: This is a picture.']);
  });

  it('is left to the editor where it is no file', async () => {
    const { drop, calls } = event(['text/plain']);
    await new Dropping(() => undefined).take(drop);
    expect(calls).toEqual([]);
  });
});
