import { expect, it } from 'vitest';
import { decide } from '../deciding/decide.js';
import { meaningOf } from './meaning.js';

/** What the third round of a ball of 12 stitches means. */
function meaning(words: string, terms = 'US'): string | null {
  const sc = terms === 'US' ? 'sc' : 'dc';
  const text = `${terms} terms\n\nBALL\nRnd 1: 6 ${sc} in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3${words}\n`;
  const counted = decide(text).rounds[2];
  return counted ? meaningOf(counted) : null;
}

it.each([
  [': sc around (12)', ': sc in each st (12)'],
  [': sc 12', ': sc around'],
  [': (sc 1, inc) x 6 (18)', ': *1 sc, 2 sc in next; rep from * around (18)'],
  [': inc x 12', ': 2 sc in each st'],
  [': sc2tog x 6', ': dec x 6'],
])('"%s" means the same as "%s"', (one, other) => {
  expect(meaning(one)).not.toBeNull();
  expect(meaning(one)).toBe(meaning(other));
});

it('is the same in either vocabulary', () => {
  expect(meaning(': dc around', 'UK')).toBe(meaning(': sc around'));
});

it.each([
  [': sc around (12)', ': hdc around (12)'],
  [': sc around (12)', '-4: sc around (12)'],
  [': sc around (12)', ': BLO sc around (12)'],
  [': (sc 1, inc) x 6 (18)', ': (inc, sc 1) x 6 (18)'],
  [': (sc 1, inc) x 6', ': (sc 2, inc) x 4'],
])('"%s" means something else than "%s"', (one, other) => {
  expect(meaning(one)).not.toBe(meaning(other));
});

it.each([': frob 3, glorp 5', ': see the chart', ': stuff it'])('"%s" means nothing that can be told', (words) => {
  expect(meaning(words)).toBeNull();
});
