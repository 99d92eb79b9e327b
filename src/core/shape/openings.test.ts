import { describe, expect, it } from 'vitest';
import { washerOf } from './openings.js';
import { eyesFor } from './substitute.js';

describe('the washer behind an eye', () => {
  it.each([
    [4, 9],
    [5, 9],
    [6, 10],
    [8, 12],
    [12, 16],
  ])('of %i mm is %i mm wide', (eye, washer) => {
    expect(washerOf(eye)).toBe(washer);
  });
});

describe('eyes for a toy in another yarn', () => {
  it('grow with the toy, and there are such eyes', () => {
    expect(eyesFor(8, 1)).toBe(8);
    for (const eye of [6, 8, 10, 12]) {
      expect(eyesFor(eye, 1.5)).toBeGreaterThan(eye);
      expect(eyesFor(eye, 0.6)).toBeLessThanOrEqual(eye);
      expect(eyesFor(eye, 2)).toBeGreaterThanOrEqual(eyesFor(eye, 1.5));
    }
  });
});
