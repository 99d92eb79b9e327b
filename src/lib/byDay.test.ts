import { expect, it } from 'vitest';
import { byDay } from './byDay.js';

it('what happened stands day by day, in its order, and nothing of it is left out', () => {
  const happened = [
    { at: 31, what: 'c' },
    { at: 30, what: 'b' },
    { at: 12, what: 'a' },
  ];
  expect(byDay(happened, (at) => String(Math.floor(at / 10)))).toEqual([
    { day: '3', all: [happened[0], happened[1]] },
    { day: '1', all: [happened[2]] },
  ]);
  expect(byDay([], String)).toEqual([]);
});
