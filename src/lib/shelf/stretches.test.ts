import { describe, expect, it, vi } from 'vitest';
import type { ShelfEntry } from '../patterns.js';
import { USUAL, type Look } from './arranging.js';
import { STRETCH, type ShelfFirst } from './page.js';
import { Stretches } from './stretches.svelte.js';

const entry = (i: number, revision = 1) => ({ id: `p${i}`, revision }) as ShelfEntry;
const many = (from: number, to: number, revision = 1) =>
  Array.from({ length: Math.max(0, to - from) }, (_, i) => entry(from + i, revision));
const first = (total: number, more: Partial<ShelfFirst> = {}): ShelfFirst => ({
  entries: many(0, Math.min(STRETCH, total)),
  total,
  look: USUAL,
  tally: { all: total, new: 0, hand: 0, mend: 0, ask: 0, out: 0, answered: 0, ticked: 0, editions: 0 },
  counting: 0,
  away: 0,
  due: { late: 0, today: 0 },
  ...more,
});
const asking = (total: number, revision = 1) =>
  vi.fn((_look: Look, from: number, most: number) =>
    Promise.resolve({ entries: many(from, Math.min(total, from + most), revision), total }),
  );
const come = ({ entries }: Stretches) => entries.flatMap((one, i) => (one ? [i] : []));

describe('the shelf as far as it has been seen', () => {
  it('has the first stretch, and the others when they come into sight, each asked for once', async () => {
    const ask = asking(500);
    const all = new Stretches(first(500), ask);
    expect([all.entries.length, come(all).length]).toEqual([500, STRETCH]);
    await Promise.all([all.have(10), all.have(200), all.have(201), all.have(-1), all.have(500)]);
    expect(ask.mock.calls).toEqual([[USUAL, 180, STRETCH]]);
    expect(come(all)).toEqual([...many(0, 60), ...many(180, 240)].map(({ id }) => Number(id.slice(1))));
    await all.have(499);
    expect(all.entries[499]?.id).toBe('p499');
  });

  it('comes whole where all of it is wanted', async () => {
    const ask = asking(2300);
    const all = new Stretches(first(2300), ask);
    await all.whole();
    expect(come(all).length).toBe(2300);
    expect(ask).toHaveBeenCalledTimes(3);
    await all.whole();
    expect(ask).toHaveBeenCalledTimes(3);
  });

  it('stands there while it comes anew, and has what was seen of it anew then', async () => {
    const all = new Stretches(first(300), asking(300));
    await all.have(299);
    const again = new Stretches(first(300), asking(299, 2));
    await again.have(299);
    const renewed = again.renew(first(299, { entries: many(0, STRETCH, 2) }));
    expect(again.entries.length).toBe(299);
    expect(again.entries[298]?.id).toBe('p298');
    await renewed;
    expect(again.entries.every((one) => one?.revision === 2)).toBe(true);
  });

  it('forgets what was looked for before, also where that is still on its way', async () => {
    let answer: (page: { entries: ShelfEntry[]; total: number }) => void = () => undefined;
    const all = new Stretches(first(500), () => new Promise((resolve) => (answer = resolve)));
    const late = all.have(100);
    await all.renew(first(70, { look: { ...USUAL, words: 'owl' } }));
    answer({ entries: many(60, 120), total: 500 });
    await late;
    expect([all.entries.length, come(all).length]).toEqual([70, 60]);
  });
});
