import { expect, it } from 'vitest';
import { differenceAfter } from './edits.js';

it.each([1, 2])('what was read before changes nothing of what is found: changes at random, %d', (seed) => {
  expect(differenceAfter(100, seed)).toBeNull();
});
