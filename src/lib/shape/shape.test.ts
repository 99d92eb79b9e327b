import { describe, expect, it } from 'vitest';
import { NO_HAND, NO_SETTINGS, type Shape, type ShapeSettings } from '../../core/index.js';
import { shapeOfText } from '../../core/onRequest.js';
import type { StoredPattern } from '../patterns.js';
import { GaveUp } from '../workers/watched.js';
import { barsOf, chartOf } from './chart.js';
import { dyeOf, dyesOf, UNSAID } from './dyes.js';
import { frameOf, patchesOf, profilesOf, ticksOf } from './profile.js';
import { ShapeSession, type Shaping } from './shape.svelte.js';
import { beginsAtTop } from './upright.js';

const BALL =
  'Ball\nUS terms, about 9 cm tall\n\nMaterials\nDK cotton (100 g = 220 m): Moss 10 g, Sand 5 g\n3 mm hook\n\nBALL\nWith Moss.\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 6 (24)\nRnd 5: (sc 3, inc) x 6 (30)\nRnds 6-9: sc around (31)\nStuff it. Fasten off.\n\nEAR (make 2)\nWith Sand.\nRnd 1: 5 sc in MR (5)\nRnd 2: inc x 5 (10)\nFasten off.\n';

const patternOf = (text: string): StoredPattern => ({
  id: 'ball',
  name: 'Ball',
  text,
  revision: 3,
  terms: 'auto',
  hand: NO_HAND,
});

/** Draws in the test's own thread. */
const here: Shaping = {
  shape: ({ text, settings, ...options }) => Promise.resolve(shapeOfText(text, settings, options)),
  close: () => undefined,
};

async function begun(text = BALL, shaping = here) {
  const kept: { settings: ShapeSettings[]; texts: [string, number][]; failed: unknown[]; said: string[] } = {
    settings: [],
    texts: [],
    failed: [],
    said: [],
  };
  const state = { working: true, other: null as StoredPattern | null, undo: null as (() => void) | null };
  const session = new ShapeSession(patternOf(text), NO_SETTINGS, {
    settings: (settings) => {
      if (!state.working) return Promise.reject(new Error('no'));
      kept.settings.push(settings);
      return Promise.resolve();
    },
    text: (changed, base) => {
      if (!state.working) return Promise.reject(new Error('no'));
      if (state.other) return Promise.resolve({ current: state.other, kept: false });
      kept.texts.push([changed, base]);
      return Promise.resolve({ revision: base + 1 });
    },
    failed: (error) => kept.failed.push(error),
    say: (words, undo) => {
      kept.said.push(words);
      state.undo = undo ?? null;
    },
  });
  await session.begin(shaping);
  return { session, kept, state };
}

/** How many times as large a figure has become. */
function ratio(before: Shape | null, after: Shape | null, figure: (shape: Shape) => number | undefined): number {
  const [old, now] = [before && figure(before), after && figure(after)];
  return (now ?? NaN) / (old ?? NaN);
}

describe('a session', () => {
  it('begins at the largest part, with no round chosen', async () => {
    const { session } = await begun();
    expect(session.here?.name).toBe('Ball');
    expect(session.ringHere).toBeNull();
  });

  it('goes from round to round, and stays at the ends; from part to part, and round again', async () => {
    const { session } = await begun();
    session.step(1);
    session.step(1);
    expect(session.ringHere?.label).toBe('Rnd 2');
    for (let i = 0; i < 20; i += 1) session.step(1);
    expect(session.ring).toBe(8);
    for (let i = 0; i < 20; i += 1) session.step(-1);
    expect(session.ring).toBe(0);
    session.stepPart(1);
    expect([session.here?.name, session.ring]).toEqual(['Ear', null]);
    session.stepPart(1);
    expect(session.here?.name).toBe('Ball');
  });

  it('follows another hook in size and yarn, and keeps it', async () => {
    const { session, kept } = await begun();
    const before = session.shape;
    await session.set({ hook: 5 });
    expect(kept.settings.at(-1)).toMatchObject({ hook: 5 });
    const grow = (5 + 25.4 / 13) / (3 + 25.4 / 13);
    expect(ratio(before, session.shape, ({ gauge }) => gauge.width)).toBeCloseTo(grow, 3);
    expect(ratio(before, session.shape, ({ parts }) => parts[0]?.size?.height)).toBeCloseTo(grow, 2);
    expect(ratio(before, session.shape, ({ yarns }) => yarns[0]?.metres.to)).toBeGreaterThan(1.05);
  });

  it('takes back what could not be kept', async () => {
    const { session, kept, state } = await begun();
    state.working = false;
    await session.set({ hook: 5 });
    expect(session.settings.hook).toBeNull();
    expect(session.shape?.hook).toBe(3);
    expect(kept.failed).toHaveLength(1);
  });

  it('shifts stacked increases by half a repeat, and the corners go; and takes it back', async () => {
    const { session, kept, state } = await begun();
    const corners = () => session.shape?.parts[0]?.rings.at(-1)?.corners;
    expect(corners()).toBe(6);
    // What it would be is shown before it is done.
    expect(session.shifted.map((part) => part?.rings.at(-1)?.corners)).toEqual([0, undefined]);
    const { stackedHere } = session;
    if (!stackedHere) throw new Error('nothing is stacked');
    await session.shift(stackedHere);
    expect(kept.texts).toEqual([[expect.stringContaining('Rnd 4: (sc 1, inc, sc 1) x 6 (24)'), 3]]);
    expect(corners()).toBe(0);
    expect(session.stackedHere).toBeNull();
    state.undo?.();
    await expect.poll(() => session.text).toBe(BALL);
    expect(kept.texts[1]?.[1]).toBe(4);
  });

  it('shows the text as it stands where it was changed elsewhere, and shifts nothing', async () => {
    const { session, kept, state } = await begun();
    state.other = { ...patternOf(BALL.replace('Moss.', 'Sand.')), revision: 9 };
    const { stackedHere } = session;
    if (stackedHere) await session.shift(stackedHere);
    expect(session.text).toBe(state.other.text);
    expect(kept.said.at(-1)).toContain('changed elsewhere');
  });

  it('says when a text is too much, and when it is our fault', async () => {
    const refusing = (error: Error): Shaping => ({ ...here, shape: () => Promise.reject(error) });
    expect((await begun(BALL, refusing(new GaveUp()))).session.trouble).toContain('too much');
    expect((await begun(BALL, refusing(new Error('x')))).session.trouble).toContain('fault of Dostik');
  });

  it('has nothing to draw where nothing was found', async () => {
    const { session } = await begun('A letter.');
    expect(session.shape?.parts).toEqual([]);
    session.step(1);
    session.stepPart(1);
    expect(session.here).toBeNull();
  });
});

describe('what is drawn', () => {
  const shape = shapeOfText(BALL);

  it('lies in its frame, either way up', () => {
    const [ball] = shape.parts;
    if (!ball) throw new Error('no part');
    for (const over of [false, true]) {
      const profiles = profilesOf(ball, false, over);
      const frame = frameOf(profiles);
      for (const { edge } of profiles)
        for (const { half, z } of edge) {
          expect(half).toBeLessThanOrEqual(frame.right);
          expect(z).toBeGreaterThanOrEqual(frame.low);
          expect(z).toBeLessThanOrEqual(frame.high);
        }
      expect(Math.sign(profiles[0]?.lines.at(-1)?.z ?? 0)).toBe(over ? -1 : 1);
    }
  });

  it('shows of each round what faces the front, from edge to edge', () => {
    const ring = (...colours: [number | null, number][]) =>
      ({ colours, kind: 'round' as const }) as Parameters<typeof patchesOf>[0];
    expect(patchesOf(ring([0, 10]))).toEqual([{ yarn: 0, from: -1, to: 1 }]);
    const [left, right] = patchesOf(ring([0, 5], [1, 5]));
    expect([left?.from, left?.to, right?.from, right?.to].map((x) => Number(x?.toFixed(6)) + 0)).toEqual([-1, 0, 0, 1]);
    // A patch at the back is not seen.
    expect(patchesOf(ring([1, 2], [0, 16], [1, 2])).map(({ yarn }) => yarn)).toEqual([0]);
  });

  it('has rulers of whole steps that can be read', () => {
    expect(ticksOf(50, 10, 9)).toEqual([0, 1, 2, 3, 4, 5]);
    expect(ticksOf(400, 10, 9).length).toBeLessThanOrEqual(10);
    expect(ticksOf(8, 10, 9)).toEqual([0, 0.25, 0.5, 0.75]);
  });

  it('a bar for each round of all parts, what is stated beside it, and what is off marked', () => {
    expect(barsOf(shape).map(({ x }) => x)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 10, 11]);
    const { series } = chartOf(
      shape,
      {},
      { part: 0, ring: 1 },
      { ink: '1', soft: '2', rule: '3', off: '4', here: '5' },
    ) as {
      series: { type: string; data: { value: [number, number] }[] }[];
    };
    const bars = series.filter(({ type }) => type === 'bar').flatMap(({ data }) => data);
    expect(bars).toHaveLength(11);
    const [stated, off] = series.filter(({ type }) => type === 'scatter');
    expect(stated?.data.map(({ value }) => value[1])).toEqual([6, 12, 18, 24, 30, 31, 5, 10]);
    expect(off?.data.map(({ value }) => value[0])).toEqual([5, 6, 7, 8]);
  });

  it('in colours by the names of the yarns, or as they were set', () => {
    expect(dyeOf('Dark Moss', 0)).toBe(dyeOf('moss', 3));
    expect(dyeOf('Whisper', 0)).not.toBe(dyeOf('Whisper', 1));
    expect(dyesOf({ yarns: [{ name: 'Moss' }, { name: null }] }, { moss: '#010203' })).toEqual([
      '#010203',
      UNSAID,
      UNSAID,
    ]);
  });

  it.each([
    ['Begin with Soot, at the top of the head.', true],
    ['Worked from the top down.', true],
    ['Start at the nose.', false],
    ['', false],
  ])('upside down where the words say so: %s', (words, over) => {
    const text = `Toy\n\nBODY\n${words}\nRnd 1: 6 sc in MR (6)\n`;
    expect(beginsAtTop(text, { line: 3, firstRound: 5 }, 3)).toBe(over || words.includes('nose'));
  });
});
