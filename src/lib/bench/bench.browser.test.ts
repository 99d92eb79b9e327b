import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Spot, Step } from '../../core/index.js';
import { BenchSession } from './bench.svelte.js';
import { Clock } from './clock.js';
import { Keep } from './keep.js';
import { smaller } from './smaller.js';
import { CALL, Server } from './testing.js';
import { Uploads, type Going } from './uploads.js';
import { until } from '../testing/until.js';

let keep: Keep;
let server: Server;
let name = '';
let open: BenchSession[] = [];
beforeEach(async () => {
  name = `bench-test-${Math.random()}`;
  keep = await Keep.open(name);
  server = new Server();
});
afterEach(() => {
  for (const session of open) session.end();
  open = [];
  keep.close();
  indexedDB.deleteDatabase(name);
});

async function atWork({ now = () => performance.now() } = {}): Promise<BenchSession> {
  const session = new BenchSession({ secret: 'secret', token: null, keep, post: server, clock: new Clock(now) });
  open.push(session);
  await session.begin();
  if (session.state === 'join') await session.join('Aune');
  expect(session.state).toBe('work');
  return session;
}
const touch = (session: BenchSession, times: number) => {
  for (let i = 0; i < times; i += 1) session.touch();
};

describe('a tester at the bench', () => {
  it('counts stitch by stitch, ends a round with a touch, and takes anything back', async () => {
    const session = await atWork();
    touch(session, 6);
    expect([session.stitches, session.full]).toEqual([6, true]);
    session.touch();
    expect(session.at).toEqual({ part: 0, copy: 0, ring: 1 });
    touch(session, 3);
    session.undo();
    expect(session.stitches).toBe(2);
    session.undo();
    session.undo();
    session.undo();
    expect(session.at).toEqual({ part: 0, copy: 0, ring: 0 });
    expect(session.full).toBe(true);
  });

  it('goes on where it is when it is counted otherwise', async () => {
    const session = await atWork();
    touch(session, 7 + 4);
    session.setCounting('repeat');
    expect(session.whole).toBe(true);
    session.setCounting('stitch');
    expect(session.stitches).toBe(4);
  });

  it('goes on where one left off, in another window, with what was noted', async () => {
    const session = await atWork();
    touch(session, 7 + 5);
    session.note({ kind: 'note', spot: session.at, note: 'hard', words: '', photographs: [] });
    await until(async () => expect(await keep.waitingCount('secret')).toBe(4));
    server.cut = () => 'before';
    const later = await atWork();
    expect(later.at).toEqual({ part: 0, copy: 0, ring: 1 });
    expect(later.stitches).toBe(5);
    expect(later.progress?.notes).toHaveLength(1);
  });

  it('counts the time of work, and none while the work is put down', async () => {
    let now = 0;
    const session = await atWork({ now: () => now });
    const here: Spot = { part: 0, copy: 0, ring: 0 };
    session.touch();
    now += 20_000;
    session.touch();
    now += 40 * 60_000;
    session.touch();
    now += 10_000;
    session.touch();
    expect(session.progress?.round(here).spent).toBe(30_000);
    session.note({ kind: 'time', spot: here, spent: 45_000 });
    expect(session.progress?.round(here).spent).toBe(45_000);
  });

  it('says where a test was withdrawn, and keeps what is noted', async () => {
    const session = await atWork();
    session.touch();
    server.withdrawn = true;
    session.retry();
    await until(() => expect(session.going).toBe('withdrawn'));
    touch(session, 6);
    expect(session.at?.ring).toBe(1);
    const file = JSON.parse(await session.file().text()) as { steps: unknown[] };
    expect(file.steps.length).toBeGreaterThan(0);
  });

  it('goes by the clock of the server where its own is wrong', async () => {
    server.ahead = 3 * 86_400_000;
    const session = await atWork();
    await until(() => expect(session.going).toBe('up'));
    session.touch();
    expect((session.progress?.last?.at ?? 0) - Date.now()).toBeGreaterThan(2.9 * 86_400_000);
    // What was just done has not gone up yet, and nobody says so.
    await until(() => expect(session.going).toBe('going'));
  });

  it('goes on, and says so, where the browser has no room left', async () => {
    const session = await atWork();
    vi.spyOn(keep, 'add').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    touch(session, 2);
    await until(() => expect(session.unkept).toContain('no room left'));
    expect(session.stitches).toBe(2);
  });

  it('says that a test can’t be opened that was never opened here, without a network', async () => {
    server.cut = () => 'before';
    const session = new BenchSession({ secret: 'secret', token: null, keep, post: server });
    await session.begin();
    expect(session.state).toBe('nothing');
    expect(session.trouble).toContain('no network');
  });

  it('says so before anything is lost where the browser keeps nothing', async () => {
    const session = new BenchSession({ secret: 'secret', token: null, keep: null, post: server });
    await session.begin();
    expect(session.unkept).toContain('keeps nothing');
  });
});

describe('a week without a network', () => {
  const step = (order: number): Step => ({
    id: `step-${String(order).padStart(6, '0')}`,
    device: 'phone-0001',
    order,
    at: order,
    spent: 1,
    what: { kind: 'round', spot: { part: 0, copy: 0, ring: order % 5 }, counted: null },
  });
  const call = {
    secret: 'secret',
    call: CALL,
    token: 'token',
    tester: 'Aune',
    device: 'phone-0001',
    after: 0,
    counting: 'stitch',
    at: 0,
  } as const;

  it('goes up whole, in order and each once, though the line is cut ten times', async () => {
    await keep.setCall(call);
    for (let order = 1; order <= 3000; order += 1) await keep.add('secret', step(order));
    for (let i = 0; i < 20; i += 1)
      await keep.addPhotograph('secret', `photo-${i}-0000`, new Blob([new Uint8Array(40_000)]));
    let asked = 0;
    let cuts = 0;
    server.cut = () => {
      asked += 1;
      if (asked % 3 !== 0 || cuts >= 10) return null;
      cuts += 1;
      return cuts % 2 === 0 ? 'before' : 'behind';
    };
    const going: Going[] = [];
    const uploads = new Uploads(keep, server, 'secret', 'token', {
      steps: () => undefined,
      going: (how) => going.push(how),
      news: () => undefined,
    });
    while (going.at(-1) !== 'up') await uploads.go();
    uploads.end();
    expect(cuts).toBe(10);
    expect(going.filter((how) => how === 'waiting')).toHaveLength(10);
    expect(server.steps.map(({ order }) => order)).toEqual(Array.from({ length: 3000 }, (_, i) => i + 1));
    expect(server.photographs.size).toBe(20);
    expect(await keep.waitingCount('secret')).toBe(0);
    expect(await keep.waitingPhotographs('secret')).toEqual([]);
  });

  it('goes up all but what the server takes for none', async () => {
    await keep.setCall(call);
    for (let order = 1; order <= 12; order += 1) await keep.add('secret', step(order));
    server.refuses = ({ order }) => order === 5;
    const uploads = new Uploads(keep, server, 'secret', 'token', {
      steps: () => undefined,
      going: () => undefined,
      news: () => undefined,
    });
    await uploads.go();
    uploads.end();
    expect(server.steps.map(({ order }) => order)).toEqual([1, 2, 3, 4, 6, 7, 8, 9, 10, 11, 12]);
    expect((await keep.steps('secret')).length).toBe(12);
  });

  it('two devices come together without losing a step', async () => {
    const tablet = await Keep.open(`${name}-tablet`);
    for (const one of [keep, tablet]) await one.setCall(call);
    for (let order = 1; order <= 40; order += 1) {
      await keep.add('secret', step(order));
      await tablet.add('secret', { ...step(order), id: `tablet-${order}-000`, device: 'tablet-0001' });
    }
    const ups = [keep, tablet].map((one) => {
      return new Uploads(one, server, 'secret', 'token', {
        steps: () => undefined,
        going: () => undefined,
        news: () => undefined,
      });
    });
    for (const uploads of [...ups, ...ups]) await uploads.go();
    ups.forEach((uploads) => uploads.end());
    expect((await keep.steps('secret')).length).toBe(80);
    expect((await tablet.steps('secret')).length).toBe(80);
    tablet.close();
  });
});

describe('a photograph', () => {
  it('is made smaller, and drawn anew', async () => {
    const canvas = new OffscreenCanvas(3200, 1600);
    canvas.getContext('2d')?.fillRect(0, 0, 3200, 1600);
    const made = await smaller(await canvas.convertToBlob({ type: 'image/png' }));
    expect(made?.type).toBe('image/jpeg');
    const picture = await createImageBitmap(made ?? new Blob());
    expect([picture.width, picture.height]).toEqual([1600, 800]);
  });

  it('that is none is refused', async () => {
    expect(await smaller(new Blob(['no picture']))).toBeNull();
  });
});
