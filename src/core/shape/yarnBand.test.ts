import { describe, expect, it } from 'vitest';
import { amountIn, bandIn, thicknessOf } from './yarnBand.js';

describe('what is said of a yarn, as on its band', () => {
  it.each([
    ['Worsted cotton (100 g = 180 m): Soot 45 g', { weight: 4, metres: 180, ball: 100 }],
    ['DK cotton, 50 g / 125 m, in Brick', { weight: 3, metres: 250, ball: 50 }],
    ['230 m per 100 g', { metres: 230, ball: 100 }],
    ['fingering wool, 400 m to 100 g', { weight: 1, metres: 400, ball: 100 }],
    ['aran, 85m/50g balls', { weight: 4, metres: 170, ball: 50 }],
    ['4-ply cotton in Bluebell and Fern', { weight: 1 }],
    ['I used 8-ply cotton and a 3 mm hook', { weight: 3 }],
    ['1 x 50g ball of double knitting in each of Brick (A) and Flour (B)', { weight: 3, ball: 50 }],
    ['120 yds per 50 g, sport weight', { weight: 2, metres: 219, ball: 50 }],
    ['light worsted yarn, colours: Biscuit, Plum', { weight: 4 }],
    ['Bulky yarn in Slate and Chalk, hook 5 mm (H/8)', { weight: 5 }],
    ['chunky (1.75 oz = 60 yd)', { weight: 5, metres: 111, ball: 50 }],
    ['safety eyes, 8 mm', {}],
    ['stuffing 100 g, leave 40 m? no', {}],
  ])('%s', (line, expected) => {
    expect(bandIn(line)).toEqual({ weight: null, metres: null, ball: null, ...expected });
  });
});

describe('how much of a yarn is listed', () => {
  it.each([
    ['45 g', { grams: 45 }],
    ['two balls', { balls: 2 }],
    ['50gr', { grams: 50 }],
    ['1.5 oz', { grams: 43 }],
    ['100 m', { metres: 100 }],
    ['50 yards', { metres: 46 }],
    ['half a ball', { balls: 0.5 }],
    ['1 skein', { balls: 1 }],
    ['a few yards', {}],
    ['scraps', {}],
  ])('%s', (amount, expected) => {
    expect(amountIn(amount, '')).toEqual({ grams: null, metres: null, balls: null, ...expected });
  });

  it('several balls of so many grams', () => {
    expect(amountIn('50 g', '2 x 50 g balls of chunky yarn in speckled white').grams).toBe(100);
    expect(amountIn('50g', '1 x 50g ball of double knitting').grams).toBe(50);
    expect(amountIn('100 g', 'Ginger (100 g), Icing (50 g)').grams).toBe(100);
  });
});

it('what the band says of a ball is no amount', () => {
  expect(amountIn('100 g', 'worsted: Chalk (100 g / 200 m), 30 g').grams).toBe(30);
  expect(amountIn('50g', 'DK in Fern and Straw (50g = 115m, one ball Fern, a bit of Straw)').grams).toBeNull();
  expect(amountIn('50 g', 'Fern 50 g (50 g = 115 m)').grams).toBe(50);
  expect(amountIn('45 g', 'Worsted cotton (100 g, 180 m): Soot 45 g, Foam 20 g').grams).toBe(45);
});

describe('what is not believed of a band', () => {
  it.each([
    ['a length that no yarn has', 'cotton, 50 g = 7 m', { metres: null, ball: 50 }],
    ['a weight that no ball has', '3 g = 40 m', { metres: null, ball: null }],
    ['sewing thread', 'thread, 100 g = 4000 m', { metres: null, ball: 100 }],
    ['the shortest that there is', '100 g = 15 m', { metres: 15, ball: 100 }],
    ['the longest that there is', '100 g = 3000 m', { metres: 3000, ball: 100 }],
    ['the smallest ball', '5 g = 20 m', { metres: 400, ball: 5 }],
    ['the largest cone', '1000 g = 2000 m', { metres: 200, ball: 1000 }],
  ])('%s', (_, line, expected) => {
    expect(bandIn(line)).toMatchObject(expected);
  });
});

describe('how thick a yarn is', () => {
  it.each([
    ['by its class', { weight: 4, metres: null }, 25.4 / 9],
    ['by its class, whatever its length', { weight: 3, metres: 100 }, 25.4 / 13],
    ['as double knitting, where nothing is said', { weight: null, metres: null }, 25.4 / 13],
  ])('%s', (_, band, expected) => {
    const known = thicknessOf(band);
    expect(known).toBeGreaterThan(expected * 0.8);
    expect(known).toBeLessThan(expected * 1.25);
  });

  it('by its length: four times as long is half as thick', () => {
    const [long, short] = [400, 100].map((metres) => thicknessOf({ weight: null, metres }));
    expect(short).toBeCloseTo(2 * (long ?? 0), 9);
    // Double knitting of 220 m is as thick by its length as by its class.
    expect(thicknessOf({ weight: null, metres: 220 })).toBeCloseTo(25.4 / 13, 1);
  });
});

describe('an amount in its line', () => {
  it.each([
    ['50 g', '3 x 50 g balls of wool', { grams: 150 }],
    ['50 g', '3 × 50 g', { grams: 150 }],
    ['50 g', '13 x 150 g', { grams: 50 }],
    ['an ounce', '', { grams: 28 }],
    ['1,5 m', '', { metres: 2 }],
    ['ten metres', '', { metres: 10 }],
    ['a skein', '', { balls: 1 }],
    ['three hanks', '', { balls: 3 }],
    ['two bags', '', {}],
    ['some grams', '', {}],
  ])('%s of "%s"', (amount, line, expected) => {
    expect(amountIn(amount, line)).toEqual({ grams: null, metres: null, balls: null, ...expected });
  });
});

describe('what a band says of one ball', () => {
  it.each([
    ['100 g', 'Chalk (100 g / 200 m), 30 g', { grams: 30 }],
    ['100 g', 'Chalk (100 g / 200 m)', {}],
    ['50 g', 'Chalk 50 g, of balls of 100 g / 200 m', { grams: 50 }],
    ['100 g', '100 g / 200 m, 30 g of Chalk and 40 g of Soot', {}],
    ['200 m', 'Chalk (200 m / 100 g), 30 g', { grams: 30 }],
  ])('is no amount of it: %s in %s', (amount, line, expected) => {
    expect(amountIn(amount, line)).toEqual({ grams: null, metres: null, balls: null, ...expected });
  });
});

describe('how thick a yarn is', () => {
  it('goes by its class, and without one by the length of 100 g', () => {
    expect(thicknessOf({ weight: null, metres: null })).toBe(thicknessOf({ weight: 3, metres: null }));
    expect(thicknessOf({ weight: 3, metres: 50 })).toBe(thicknessOf({ weight: 3, metres: null }));
    expect(thicknessOf({ weight: null, metres: 220 })).toBeCloseTo(25.4 / 13, 1);
    expect(thicknessOf({ weight: null, metres: 880 })).toBeCloseTo(thicknessOf({ weight: null, metres: 220 }) / 2, 6);
  });

  it('grows with the class', () => {
    const all = [0, 1, 2, 3, 4, 5, 6, 7].map((weight) => thicknessOf({ weight, metres: null }));
    expect(all).toEqual([...all].sort((a, b) => a - b));
    expect(new Set(all).size).toBe(all.length);
  });
});
