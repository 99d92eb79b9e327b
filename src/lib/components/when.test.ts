import { describe, expect, it } from 'vitest';
import { relatively } from './when.js';

const at = (day: number, hour = 12, minute = 0, month = 4, year = 2026) =>
  new Date(year, month - 1, day, hour, minute).getTime();

describe('a moment as one speaks of it', () => {
  // 15 April 2026 is a Wednesday.
  it.each([
    [at(15, 12, 0), 'just now'],
    [at(15, 11, 58), 'today 11:58'],
    [at(15, 0, 1), 'today 00:01'],
    [at(14, 23, 59), 'yesterday'],
    [at(13, 1, 0), 'on Monday'],
    [at(9, 23, 0), 'on Thursday'],
    [at(8, 23, 0), '8 Apr'],
    [at(31, 12, 0, 12, 2025), '31 Dec 2025'],
    [at(16, 9, 0), '16 Apr'],
  ])('%o', (moment, words) => {
    expect(relatively(moment, at(15, 12, 0) + 1000)).toBe(words);
  });
});
