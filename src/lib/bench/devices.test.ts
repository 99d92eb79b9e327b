import { describe, expect, it } from 'vitest';
import { gramsIn } from './devices.js';
import { partWords, roundWords, sumWords, timeWords } from './words.js';

describe('what a scale says', () => {
  it.each([
    ['ST,GS,+   45.3 g', 45.3],
    ['  0.0453 kg', 45.3],
    ['US,NT,-  2,50g', -2.5],
    ['1.6 oz', 45.4],
    ['OL', null],
    ['', null],
    ['45.3', null],
  ])('%s', (line, grams) => {
    expect(gramsIn(line)).toBe(grams);
  });
});

describe('words of the bench', () => {
  const round = {
    round: 0,
    line: 1,
    label: 'Rnds 7-14',
    kind: 'round',
    number: 9,
    range: [7, 14],
    edge: 24,
    made: 30,
    off: false,
    instruction: 0,
    then: [],
  } as const;

  it('say which copy, which round of a range, and what it makes', () => {
    const part = { name: 'Leg', make: 4, line: 1, before: [], rounds: [] };
    expect(partWords(part, 1)).toBe('Leg, 2 of 4');
    expect(partWords({ ...part, make: 1 }, 0)).toBe('Leg');
    expect(roundWords({ ...round, range: [7, 14], then: [] })).toBe('Round 9 of 7 to 14');
    expect(roundWords({ ...round, range: null, then: [] })).toBe('Rnds 7-14');
    expect(sumWords({ ...round, range: null, then: [] })).toBe('uses 24, makes 30 (+6)');
    expect(sumWords({ ...round, range: null, then: [], made: 18 })).toBe('uses 24, makes 18 (−6)');
    expect(sumWords({ ...round, range: null, then: [], made: 24 })).toBe('24 all round');
    expect(sumWords({ ...round, range: null, then: [], edge: null })).toBe('makes 30');
    expect(sumWords({ ...round, range: null, then: [], made: null })).toBe('No count can be told.');
  });

  it.each([
    [8_000, '8 s'],
    [59_700, '1 min'],
    [3_540_000, '59 min'],
    [3_900_000, '1 h 05 min'],
  ])('time of %d ms is %s', (time, words) => {
    expect(timeWords(time)).toBe(words);
  });
});
