import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from 'vitest';
import { makeRig } from '../testing.js';
import { countingAside, TooMuch, type Counting } from './counting.js';

const BALL = 'BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
const MANY = Array.from({ length: 60_000 }, (_, i) => `Rnd ${i + 1}: sc ${i + 3}, inc (${i + 4})\n`).join('');
const asked = (text: string) => ({ text, terms: 'auto', aside: [], ticks: [] }) as const;

/** The processes that this one has started. */
function children(): string[] {
  return readFileSync(`/proc/${process.pid}/task/${process.pid}/children`, 'utf8').split(' ').filter(Boolean);
}

let counting: Counting;
afterEach(() => counting.close());

describe('counting beside the server', () => {
  it('does all that the server has done, in a process of its own', async () => {
    counting = countingAside();
    expect(await counting.have('summary', asked(BALL))).toMatchObject({
      rounds: 2,
      agree: 2,
      terms: 'us',
      tally: 'aa',
    });
    const printed = await counting.have('print', { text: BALL, name: '', terms: 'auto' });
    expect(printed.lines[3]).toMatchObject({ text: 'Rnd 2: inc x 6 (12)', sums: [{ words: '6/6 → 12 (+6)' }] });
    expect((await counting.have('style', { text: BALL, terms: 'auto' })).learnt).toMatchObject({ count: '(n)' });
    const wanted = { to: 'uk', hooks: false, weights: false, spelling: false } as const;
    const known = { text: 'own\n', converted: 'own\n' };
    expect(await counting.have('edition', { text: BALL, from: 'auto', wanted, decisions: [], known })).toMatchObject({
      state: 'proved',
      merged: { kept: 0 },
    });
  });

  it('ends what takes too long, and counts the next text', async () => {
    counting = countingAside({ longest: 1000 });
    await expect(counting.have('summary', asked(MANY))).rejects.toThrow(TooMuch);
    expect(await counting.have('summary', asked(BALL))).toMatchObject({ rounds: 2 });
  });

  it('counts what is small however long the process is kept waiting: what is limited is the work', async () => {
    const before = children();
    counting = countingAside({ longest: 1500 });
    await counting.have('summary', asked(BALL));
    const [own] = children().filter((pid) => !before.includes(pid));
    process.kill(Number(own), 'SIGSTOP');
    const had = counting.have('summary', asked(BALL));
    await new Promise((resolve) => setTimeout(resolve, 2500));
    process.kill(Number(own), 'SIGCONT');
    expect(await had).toMatchObject({ rounds: 2 });
  });

  it('ends what takes too much memory, and this process lives on', async () => {
    counting = countingAside({ longest: 60_000, memory: 60 });
    await expect(counting.have('summary', asked(MANY))).rejects.toThrow(TooMuch);
    expect(await counting.have('summary', asked(BALL))).toMatchObject({ rounds: 2 });
  });

  it('keeps a text that is too much, without figures, and saves the next change of it at once', async () => {
    counting = countingAside({ longest: 1000 });
    const rig = await makeRig({ counting });
    const id = await rig.patterns.add({ name: 'Many', text: MANY });
    // Nobody waits with a save for the figures of what was there before.
    const first = rig.counted().then(() => 'counted');
    const saved = rig.patterns.save(id, `${MANY}\n`, 1).then(({ kind }) => kind);
    expect(await Promise.race([saved, first])).toBe('saved');
    await rig.counted();
    expect(await rig.shelved()).toMatchObject([{ state: 'too-much', summary: null }]);
    expect((await rig.patterns.get(id))?.text).toBe(`${MANY}\n`);
    await rig.patterns.save(id, BALL, 2);
    await rig.counted();
    expect(await rig.shelved()).toMatchObject([{ state: 'counted', summary: { rounds: 2 } }]);
    await rig.end();
  });
});
