import { expect, it } from 'vitest';
import { STITCHES, type StitchId } from '../vocabulary/stitches.js';
import { fabricOf } from './fabric.js';
import type { Gauge } from './gauge.js';
import { yarnIn } from './yarn.js';

const SQUARE: Gauge = { width: 5, height: 5, spread: 0.1, from: 'hook', square: true };
const yarn = (stitch: StitchId, into = 1, made = 1) => Math.round(yarnIn({ stitch, into, made }, SQUARE, 2));

/** In mm, 5 mm wide and tall, of a yarn 2 mm thick: by the way that it takes. */
const TAKES: Readonly<Record<StitchId, number>> = {
  chain: 15,
  slip: 21,
  step1: 31,
  step1half: 48,
  step2: 58,
  step3: 79,
  step4: 100,
  step5: 121,
  extended1: 49,
  foundation1: 46,
  reverse1: 38,
  frontpost1: 38,
  backpost1: 38,
  frontpost1half: 54,
  backpost1half: 54,
  frontpost2: 64,
  backpost2: 64,
  loop: 58,
  bobble: 228,
  puff: 121,
  popcorn: 303,
  cluster: 143,
  picot: 75,
};

it('the yarn in each stitch is that of its posts, its wraps and its top', () => {
  expect(Object.fromEntries(STITCHES.map(({ id }) => [id, yarn(id)]))).toEqual(TAKES);
});

it.each([
  ['two in one', 1, 2, 63],
  ['two together', 2, 1, 48],
  ['one that is not counted', 1, 0, 31],
])('%s takes as many posts and tops', (_, into, made, expected) => {
  expect(yarn('step1', into, made)).toBe(expected);
});

it('air makes a round no taller, and a taller stitch does', () => {
  const height = (stitch: StitchId) => fabricOf(stitch).height;
  expect([height('chain'), height('picot')]).toEqual([0, 0]);
  const rising = ['slip', 'step1', 'extended1', 'step1half', 'step2', 'step3', 'step4', 'step5'] as const;
  rising.slice(1).forEach((stitch, i) => expect(height(stitch)).toBeGreaterThan(height(rising[i] ?? stitch)));
  for (const stitch of [
    'foundation1',
    'reverse1',
    'frontpost1',
    'backpost1',
    'loop',
    'bobble',
    'puff',
    'popcorn',
  ] as const)
    expect(height(stitch)).toBe(height('step1'));
});

it('a chain that makes nothing is told with the stitches along it', () => {
  expect(yarn('chain', 0, 0)).toBe(0);
});
