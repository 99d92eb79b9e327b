import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stuffed, type Meridian } from './stuffing.js';

const even = (count: number, step = 5) => Array<number>(count).fill(step);
/** Six stitches more in each round up to six times six, straight on, and down again; stitches 5 mm wide and tall. */
const BALL: Meridian = {
  radii: [0, 1, 2, 3, 4, 5, 6, 6, 6, 6, 6, 6, 6, 5, 4, 3, 2, 1, 0].map((six) => (six * 6 * 5) / (2 * Math.PI)),
  steps: even(18),
  startClosed: true,
  endClosed: true,
  edges: [],
};
const open = (radii: readonly number[], edges: readonly number[] = [], startClosed = true): Meridian => ({
  radii,
  steps: even(radii.length - 1),
  startClosed,
  endClosed: false,
  edges,
});
const NECK: Meridian = { ...BALL, radii: [0, 5, 10, 15, 15, 10, 6, 6, 10, 15, 15, 10, 5, 0], steps: even(13) };

/** Where each ring comes to lie: from the axis, and along it. */
const told = (meridian: Meridian) =>
  stuffed(meridian)
    .map(({ r, z }) => `${r.toFixed(2)} ${z.toFixed(2)}`)
    .join(', ');

describe('a piece that is stuffed', () => {
  it('is round to three in a hundred where a ball is worked', () => {
    const outline = stuffed(BALL);
    const width = 2 * Math.max(...outline.map(({ r }) => r));
    expect((outline.at(-1)?.z ?? 0) / width).toBeGreaterThan(0.97);
    expect((outline.at(-1)?.z ?? 0) / width).toBeLessThan(1.03);
    // Each ring is as far from the middle as the next.
    const middle = (outline.at(-1)?.z ?? 0) / 2;
    for (const { r, z } of outline) expect(Math.hypot(r, z - middle) / (width / 2)).toBeCloseTo(1, 1);
  });

  it('is a straight tube where no round changes', () => {
    expect(told(open(even(5, 20), [], false))).toBe('20.00 0.00, 20.00 5.00, 20.00 10.00, 20.00 15.00, 20.00 20.00');
  });

  it('stays flat up to an edge, and turns sharply there', () => {
    expect(told(open([0, 5, 10, 15, 20, 20, 20], [4]))).toBe(
      '0.00 0.00, 5.00 0.00, 10.00 0.01, 15.00 0.03, 20.00 0.05, 20.00 5.05, 20.00 10.05',
    );
  });

  // As it was found once, and looked at: what changes one of these figures changes how all toys are drawn.
  it.each<[string, Meridian, string]>([
    [
      'a ball',
      { ...BALL, radii: BALL.radii.filter((_, i) => i % 3 === 0), steps: even(6, 15) },
      '0.00 0.00, 14.18 3.58, 24.95 13.77, 28.83 28.05, 24.95 42.34, 14.18 52.53, 0.00 56.11',
    ],
    [
      'a neck',
      NECK,
      '0.00 0.00, 5.00 0.58, 9.66 2.49, 12.53 6.54, 12.25 11.43, 9.25 15.54, 6.48 19.79, 6.48 24.74, 9.25 28.99, 12.25 33.11, 12.53 38.00, 9.66 42.04, 5.00 43.95, 0.00 44.53',
    ],
    [
      'a cone',
      open([0, 2, 4, 6, 8, 10, 12]),
      '0.00 0.00, 1.63 6.57, 3.82 11.08, 6.00 15.57, 8.00 20.15, 9.97 24.74, 12.00 29.31',
    ],
    ['two rounds', { ...BALL, radii: [0, 6, 0], steps: even(2) }, '0.00 0.00, 4.32 2.25, 0.00 4.49'],
    [
      'what is open at both ends',
      open([15, 12, 10, 12, 15], [], false),
      '15.04 0.00, 11.43 3.37, 10.08 8.12, 11.43 12.88, 15.04 16.25',
    ],
  ])('%s has its outline', (_, meridian, outline) => {
    expect(told(meridian)).toBe(outline);
  });

  it('is the same from both ends', () => {
    const outline = stuffed(NECK);
    const height = outline.at(-1)?.z ?? 0;
    [...outline].reverse().forEach(({ r, z }, i) => {
      expect(r).toBeCloseTo(outline[i]?.r ?? NaN, 1);
      expect(height - z).toBeCloseTo(outline[i]?.z ?? NaN, 1);
    });
  });

  it('has the same form at any gauge', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 8 }), { minLength: 2, maxLength: 8 }), (sixes) => {
        const radii = [0, ...sixes.map((six) => six * 5)];
        const small = stuffed(open(radii));
        const large = stuffed({ ...open(radii.map((r) => r * 2)), steps: even(radii.length - 1, 10) });
        large.forEach(({ r, z }, i) => {
          expect(r).toBeCloseTo(2 * (small[i]?.r ?? NaN), 9);
          expect(z).toBeCloseTo(2 * (small[i]?.z ?? NaN), 9);
        });
      }),
      { numRuns: 30, seed: 4 },
    );
  });

  it('of nothing is nothing', () => {
    expect(stuffed(open([0, 0, 0]))).toEqual([
      { r: 0, z: 0 },
      { r: 0, z: 0 },
      { r: 0, z: 0 },
    ]);
  });
});
