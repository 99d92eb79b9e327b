import sharp from 'sharp';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Step, What } from '../../../core/index.js';
import { NOTHING_WANTED } from '../../bench.js';
import { ResultStore } from './results.js';
import { testSteps } from '../db/schema.js';
import { Refused } from '../answers.js';
import { Guesses } from '../guesses.js';
import { makeRig, type Rig } from '../testing.js';

const BALL = 'BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\n';
const WANTED = { ...NOTHING_WANTED, hook: '3 mm', by: '2026-05-02' };

let rig: Rig;
let id: string;
let secret: string;
beforeEach(async () => {
  rig = await makeRig();
  id = await rig.patterns.add({ name: 'Ball', text: BALL });
  expect(await rig.calls.open(id, WANTED)).toBe(1);
  secret = (await rig.calls.of(id))[0]?.address?.secret ?? '';
});
afterEach(() => rig.end());

const join = async (name: string) => {
  const joined = await rig.bench.join(secret, name);
  if (typeof joined === 'string') throw new Error(joined);
  return joined.token;
};
const step = (order: number, what: What, device = 'phone-0001'): Step => ({
  id: `${device}-${order}`,
  device,
  order,
  at: 1_777_000_000_000 + order,
  spent: 1000,
  what,
});
const round = (order: number, device?: string) =>
  step(order, { kind: 'round', spot: { part: 0, copy: 0, ring: order - 1 }, counted: null }, device);

describe('a test call', () => {
  it('freezes the draft: testers stay on it, and see that there is a newer one', async () => {
    expect(await rig.bench.call(secret)).toMatchObject({ name: 'Ball', number: 1, wanted: WANTED, newer: false });
    await rig.patterns.save(id, BALL.replace('inc x 6 (12)', 'sc around (6)'), 1);
    const call = await rig.bench.call(secret);
    expect(call).toMatchObject({ newer: true });
    expect(typeof call !== 'string' && call.course.instructions[1]?.words).toBe('inc x 6 (12)');
  });

  it('is not made of a text without rounds, nor of a pattern that is gone', async () => {
    const letter = await rig.patterns.add({ name: 'Letter', text: 'Dear editor,\nall is well.\n' });
    expect(await rig.calls.open(letter, WANTED)).toBe('no-rounds');
    expect(await rig.calls.open('nobody', WANTED)).toBe('gone');
  });

  it('leads nowhere once it is withdrawn, and by no other address; what has come stays', async () => {
    const token = await join('Aune');
    await rig.bench.exchange(secret, token, { after: 0, steps: [round(1)] });
    expect(await rig.calls.withdraw(id, 1)).toBe(true);
    expect(await rig.calls.withdraw(id, 1)).toBe(false);
    expect(await rig.bench.call(secret)).toBe('withdrawn');
    expect(await rig.bench.join(secret, 'Mirre')).toBe('withdrawn');
    expect(await rig.bench.exchange(secret, token, { after: 0, steps: [round(2)] })).toBe('withdrawn');
    expect(await rig.bench.call(`${secret}x`)).toBe('none');
    expect((await rig.results.whole(id, 1))?.testers[0]?.steps).toHaveLength(1);
  });

  it('leads nowhere while the pattern is put away', async () => {
    await rig.shelf.setAway([id], true);
    expect(await rig.bench.call(secret)).toBe('none');
  });
});

describe('testers', () => {
  it('have names of their own, and each a token', async () => {
    const [one, two] = [await join('Aune'), await join('Mirre')];
    expect(one).not.toBe(two);
    expect(await rig.bench.join(secret, 'aune')).toBe('taken');
    expect((await rig.calls.of(id))[0]?.testers).toBe(2);
  });

  it('send each step once, and get those of their other devices', async () => {
    const token = await join('Aune');
    const first = await rig.bench.exchange(secret, token, { after: 0, steps: [round(1), round(2)] });
    expect(first).toMatchObject({ name: 'Aune', more: false });
    // The answer was lost on the way: it is sent again.
    await rig.bench.exchange(secret, token, { after: 0, steps: [round(1), round(2), round(3)] });
    const tablet = await rig.bench.exchange(secret, token, {
      after: typeof first === 'string' ? 0 : first.after,
      steps: [step(4, { kind: 'difficulty', of: 2 }, 'tablet-0001')],
    });
    expect(typeof tablet !== 'string' && tablet.steps.map((one) => one.id)).toEqual(['phone-0001-3', 'tablet-0001-4']);
    expect((await rig.results.whole(id, 1))?.testers[0]?.steps).toHaveLength(4);
  });

  it('do not see what others send', async () => {
    const [one, two] = [await join('Aune'), await join('Mirre')];
    await rig.bench.exchange(secret, one, { after: 0, steps: [round(1)] });
    expect(await rig.bench.exchange(secret, two, { after: 0, steps: [] })).toMatchObject({ steps: [], after: 0 });
    expect(await rig.bench.exchange(secret, 'nobody', { after: 0, steps: [] })).toBe('none');
  });

  it('send photographs, each once, without what the camera noted of the place', async () => {
    const token = await join('Aune');
    const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#836' } })
      .withExif({ IFD3: { GPSLatitude: '60/1 10/1 0/1' } })
      .jpeg()
      .toBuffer();
    expect(await rig.bench.photograph(secret, token, 'photo-0001', bytes)).toBe('kept');
    expect(await rig.bench.photograph(secret, token, 'photo-0001', bytes)).toBe('kept');
    const results = await rig.results.results(id, 1);
    expect(results?.photographs[0]).toEqual([{ name: 'photo-0001', width: 60, height: 40 }]);
    const kept = await rig.results.picture(id, 1, 0, 'photo-0001');
    expect((await sharp(kept?.bytes).metadata()).exif).toBeUndefined();
    expect(await rig.results.picture(id, 1, 1, 'photo-0001')).toBeNull();
    await expect(
      rig.bench.photograph(secret, token, 'photo-0002', new TextEncoder().encode('no picture')),
    ).rejects.toThrow();
  });
});

describe('results that are looked at again and again', () => {
  it('are those of a look at everything at once, whatever has come in between', async () => {
    const [aune, mirre] = [await join('Aune'), await join('Mirre')];
    const send = (token: string, ...steps: Step[]) => rig.bench.exchange(secret, token, { after: 0, steps });
    const atOnce = () => new ResultStore(rig.database, rig.kept).results(id, 1);
    const looks = [
      () => send(aune, round(1), round(2)),
      () => send(mirre, step(1, { kind: 'round', spot: { part: 0, copy: 0, ring: 0 }, counted: 7 })),
      // Of another device, and it belongs before what was seen already; then something is taken back.
      () => send(aune, step(1, { kind: 'difficulty', of: 4 }, 'aaaa-tablet')),
      () => send(aune, step(3, { kind: 'undo', of: 'phone-0001-2' })),
      () => join('Tove'),
      () => send(mirre, step(2, { kind: 'finished', words: 'Done.' })),
    ];
    const seen: unknown[] = [];
    for (const look of looks) {
      await look();
      const [one, two] = await Promise.all([rig.results.results(id, 1), rig.results.results(id, 1)]);
      expect(one).toEqual(await atOnce());
      expect(two).toEqual(one);
      seen.push(one);
    }
    expect(new Set(seen.map((one) => JSON.stringify(one))).size).toBe(looks.length);
    expect(await rig.results.results(id, 1)).toBe(await rig.results.results(id, 1));
  });

  it('leave out a step that somebody has spoilt, and it alone', async () => {
    const token = await join('Aune');
    await rig.bench.exchange(secret, token, { after: 0, steps: [round(1), round(2), round(3)] });
    await rig.database.write((db) =>
      db.update(testSteps).set({ content: '{"id": "phone' }).where(eq(testSteps.step, 'phone-0001-2')),
    );
    expect((await rig.results.results(id, 1))?.all.testers[0]).toMatchObject({ done: 2, of: 3 });
    expect((await rig.results.whole(id, 1))?.testers[0]?.steps.map(({ order }) => order)).toEqual([1, 3]);
  });
});

describe('guessed addresses', () => {
  it('are slowed down for who guesses, for a while', () => {
    const guesses = new Guesses('Wait ten minutes.');
    for (let i = 0; i < 20; i += 1) {
      guesses.allow('here', i);
      guesses.missed('here', i);
    }
    expect(() => guesses.allow('here', 21)).toThrow(Refused);
    expect(() => guesses.allow('there', 21)).not.toThrow();
    expect(() => guesses.allow('here', 20 + 10 * 60 * 1000)).not.toThrow();
  });
});
