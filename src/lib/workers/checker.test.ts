import { expose } from 'comlink';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { checkPattern, searchIn, type Checked } from '../../core/index.js';
import type { CheckWorker } from './check.worker.js';
import { Checker, type CheckState } from './checker.js';
import type { Told } from './hearing.js';
import type { Piece } from './pieces.js';
import { Telling } from './telling.js';
import { Failed, GaveUp, ON_REQUEST, Unfetched, WatchedWorker } from './watched.js';

const LIMIT = 1000;
let started: number;
let ended: number;
let told: [text: string, fixes: number][];
let states: CheckState[];
/** From which offsets fixes were searched. */
let searched: number[];
/** How code is fetched for what is asked now and then. */
let fetching: () => Promise<true>;
/** The pieces of code that were asked for. */
let fetched: Piece[];

beforeEach(() => {
  fetching = () => Promise.resolve(true);
  fetched = [];
  searched = [];
  started = 0;
  ended = 0;
  told = [];
  states = [];
  // Time passes turn by turn: a machine that is busy with other things gives nothing up.
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
});
afterEach(() => vi.useRealTimers());

/** One turn: messages go, then some time passes. Gives what passed, in milliseconds. */
async function turn(): Promise<number> {
  const step = 10;
  await new Promise((resolve) => setImmediate(resolve));
  await vi.advanceTimersByTimeAsync(step);
  return step;
}
async function pass(milliseconds: number): Promise<void> {
  for (let passed = 0; passed < milliseconds;) passed += await turn();
}
/** Lets time pass until something holds; it is told what is wrong where it never does. */
async function until(holds: () => void): Promise<void> {
  for (let passed = 0; passed < 20 * LIMIT; passed += await turn())
    try {
      holds();
      return;
    } catch {
      continue;
    }
  holds();
}
/** Lets time pass until a question is answered, or fails. */
async function answered<Answer>(question: Promise<Answer>): Promise<Answer> {
  let over = false;
  const end = () => (over = true);
  question.then(end, end);
  await until(() => expect(over).toBe(true));
  return question;
}

/** A worker at the other end of a channel: it hangs, throws or answers as its text says. */
function worker(): Worker {
  started += 1;
  const { port1, port2 } = new MessageChannel();
  let last: Checked | null = null;
  let search: ReturnType<typeof searchIn> | null = null;
  const telling = new Telling();
  const check = ({ text, known }: { text: string; known: number | null }): Told | null | Promise<Told> => {
    if (text.startsWith('odd') && !fetched.includes('series')) return null;
    if (text.startsWith('hang')) return new Promise(() => undefined);
    if (text.startsWith('slow')) return late(text, known);
    if (text.startsWith('throw')) throw new Error('a fault');
    last = checkPattern(text, '');
    search = null;
    return telling.tell(last.report, known);
  };
  const late = (text: string, known: number | null) =>
    new Promise<Told>((resolve) =>
      setTimeout(() => resolve(telling.tell(checkPattern(text, '').report, known)), LIMIT * 2),
    );
  const api: Partial<CheckWorker> = {
    ready: (piece) => {
      if (!piece) return true;
      fetched.push(piece);
      return fetching();
    },
    check: check as CheckWorker['check'],
    search({ near, known }) {
      searched.push(near);
      if (last === null) return Promise.resolve(null);
      search ??= searchIn(last, near);
      // One step at a time, where the worker goes on for some milliseconds.
      const { done, value } = search.next();
      return Promise.resolve({ told: value && telling.tell(value, known), more: !done });
    },
    account: (round) => last?.account(round) ?? null,
  };
  expose(api, port1);
  const terminate = () => {
    ended += 1;
    port1.close();
    port2.close();
  };
  return Object.assign(port2, { terminate }) as unknown as Worker;
}

function checker(caret = 0): Checker {
  return new Checker(
    {
      told: (report, text) => told.push([text, report.findings.reduce((sum, { fixes }) => sum + fixes.length, 0)]),
      state: (state) => states.push(state),
      near: () => caret,
    },
    { terms: 'auto' },
    new WatchedWorker(worker, LIMIT),
  );
}

const FINE = 'BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nFasten off.\n';
const OFF = FINE.replace('(6)', '(7)');

describe('the check', () => {
  it('tells the newest of what came while it was busy, and fixes after a pause', async () => {
    const check = checker();
    check.check('first', '');
    check.check('never seen', '');
    check.check(OFF, '');
    await until(() => expect(told.map(([text]) => text)).toEqual(['first', OFF, OFF]));
    expect(told.at(-1)?.[1]).toBeGreaterThan(0);
    expect(states).toEqual(['busy', 'done', 'busy', 'done']);
    check.close();
  });

  it('fetches what reads a text by its series where the worker asks for it, and for no other text', async () => {
    const check = checker();
    check.check(FINE, '');
    await until(() => expect(told).toHaveLength(1));
    expect(fetched).toEqual([]);
    check.check('odd', '');
    await until(() => expect(told.at(-1)?.[0]).toBe('odd'));
    expect(fetched).toEqual(['series']);
    expect(states).toEqual(['busy', 'done', 'busy', 'done']);
    check.close();
  });

  it('says that a text is not counted where what reads it could not be fetched, and tries again with the next', async () => {
    const check = checker();
    fetching = () => Promise.reject(new TypeError('no connection'));
    check.check('odd', '');
    await until(() => expect(states).toEqual(['busy', 'unfetched']));
    expect(told).toEqual([]);
    fetching = () => Promise.resolve(true);
    check.check('odd, typed on', '');
    await until(() => expect(told.at(-1)?.[0]).toBe('odd, typed on'));
    expect([states.at(-1), started]).toEqual(['done', 1]);
    check.close();
  });

  it('searches from the caret on', async () => {
    const check = checker(OFF.indexOf('6 sc'));
    check.check(OFF, '');
    await until(() => expect(told).toHaveLength(2));
    expect(new Set(searched)).toEqual(new Set([OFF.indexOf('6 sc')]));
    check.close();
  });

  it('lets a key break in on the search, and tells nothing of the text before', async () => {
    const long = `BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nRnd 2: ${'sc, inc, '.repeat(40)}sc (99)\nFasten off.\n`;
    const check = checker();
    check.check(long, '');
    await until(() => expect(searched.length).toBeGreaterThan(3));
    check.check(OFF, '');
    await until(() => expect(told.at(-1)).toEqual([OFF, expect.any(Number)]));
    await until(() => expect(told.at(-1)?.[1]).toBeGreaterThan(0));
    expect(told.map(([text]) => text)).toEqual([long, OFF, OFF]);
    check.close();
  });

  it('gives up a text that takes too long, and goes on with the next in another worker', async () => {
    const check = checker();
    check.check('hang', '');
    await until(() => expect(states).toEqual(['busy', 'gave-up']));
    expect([started, ended]).toEqual([1, 1]);
    check.check(FINE, '');
    await until(() => expect(told).toEqual([[FINE, 0]]));
    expect(states).toEqual(['busy', 'gave-up', 'busy', 'done']);
    expect(await check.account(0)).toMatchObject({ made: 6 });
    expect(started).toBe(2);
    check.close();
  });

  it('tries a text that was given up once more, for longer, and tells it all the same', async () => {
    const check = checker();
    check.check('slow', '');
    await until(() => expect(told).toEqual([['slow', 0]]));
    expect(states).toEqual(['busy', 'gave-up', 'done']);
    check.close();
  });

  it('lets a new text break in on what is tried once more', async () => {
    const check = checker();
    check.check('hang', '');
    await until(() => expect(started).toBe(2));
    check.check(FINE, '');
    await until(() => expect(told).toEqual([[FINE, 0]]));
    expect(states).toEqual(['busy', 'gave-up', 'busy', 'done']);
    expect(started).toBe(3);
    check.close();
  });

  it('tries nothing a third time', async () => {
    const check = checker();
    check.check('hang', '');
    await until(() => expect(ended).toBe(2));
    await pass(20 * LIMIT);
    expect(started).toBe(2);
    expect(told).toEqual([]);
    check.close();
  });

  it('checks what was typed while it gave up', async () => {
    const check = checker();
    check.check('hang', '');
    check.check(FINE, '');
    await until(() => expect(told).toEqual([[FINE, 0]]));
    check.close();
  });

  it('is not busy for ever after a fault', async () => {
    const check = checker();
    check.check('throw', '');
    await until(() => expect(states).toEqual(['busy', 'failed']));
    check.check(FINE, '');
    await until(() => expect(told).toEqual([[FINE, 0]]));
    check.close();
  });
});

describe('a watched worker', () => {
  it('answers one question after the other, each within its own time', async () => {
    const watched = new WatchedWorker(worker, LIMIT);
    const answers = [0, 1, 2].map((i) =>
      watched.ask(async (remote) => {
        await remote.ready(null);
        await new Promise((resolve) => setTimeout(resolve, LIMIT * 0.6));
        return i;
      }),
    );
    expect(await answered(Promise.all(answers))).toEqual([0, 1, 2]);
    watched.close();
  });

  it('tells silence from a fault, and from being closed', async () => {
    const watched = new WatchedWorker(worker, LIMIT);
    await expect(answered(watched.ask(() => new Promise(() => undefined)))).rejects.toBeInstanceOf(GaveUp);
    await expect(answered(watched.ask(() => Promise.reject(new Error('no'))))).rejects.toBeInstanceOf(Failed);
    watched.close();
    await expect(answered(watched.ask((remote) => remote.ready(null)))).rejects.toBeInstanceOf(Failed);
  });

  it('that can’t fetch the code for a question keeps what it knows, and may fetch it the next time', async () => {
    const watched = new WatchedWorker(worker, LIMIT);
    const question = () => watched.ask((remote) => remote.ready(null), ON_REQUEST);
    fetching = () => Promise.reject(new Error('offline'));
    await expect(answered(question())).rejects.toBeInstanceOf(Unfetched);
    fetching = () => Promise.resolve(true);
    expect(await answered(question())).toBe(true);
    expect(started).toBe(1);
    watched.close();
  });

  it('has longer to fetch code than to answer', async () => {
    const watched = new WatchedWorker(worker, LIMIT);
    fetching = () => new Promise((resolve) => setTimeout(() => resolve(true), LIMIT * 3));
    expect(await answered(watched.ask((remote) => remote.ready(null), ON_REQUEST))).toBe(true);
    watched.close();
  });

  it('whose code does not come is started anew for the next question, also where it only hangs', async () => {
    let starts = 0;
    const watched = new WatchedWorker(() => {
      starts += 1;
      if (starts > 2) return worker();
      const dead = new EventTarget();
      if (starts === 1) setTimeout(() => dead.dispatchEvent(new Event('error')), 10);
      return Object.assign(dead, { postMessage: () => undefined, terminate: () => undefined }) as unknown as Worker;
    }, LIMIT);
    const question = () => watched.ask((remote) => remote.ready(null));
    await expect(answered(question())).rejects.toBeInstanceOf(Unfetched);
    const hangs = question();
    const said = expect(hangs).rejects.toBeInstanceOf(Unfetched);
    await pass(25 * LIMIT);
    await said;
    expect(await answered(question())).toBe(true);
    expect(starts).toBe(3);
    watched.close();
  });

  it('that can’t be started says so at once', async () => {
    const watched = new WatchedWorker(() => {
      const dead = new EventTarget();
      setTimeout(() => dead.dispatchEvent(new Event('error')), 10);
      return Object.assign(dead, { postMessage: () => undefined, terminate: () => undefined }) as unknown as Worker;
    }, LIMIT);
    await expect(answered(watched.ask((remote) => remote.ready(null)))).rejects.toThrow('It could not be started.');
  });
});
