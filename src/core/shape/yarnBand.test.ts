import { describe, expect, it } from 'vitest';
import { amountIn, bandIn } from './yarnBand.js';

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
