import { expect, it } from 'vitest';
import { decide } from '../deciding/decide.js';
import { meaningOf, recipeOf } from './meaning.js';

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

/** What the words of a third round ask for, whatever it stands on. */
function recipe(words: string): string | null {
  const round = decide(`US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: ${words}\n`).rounds[2]
    ?.round;
  return round ? recipeOf(round, words) : null;
}

it.each([
  ['sc 12', 'step11/1*12'],
  ['sc around', '(step11/1*1)~0'],
  ['sc 3, sc 9', 'step11/1*12'],
  ['hdc 3, inc, hdc 8', 'step1half1/1*3 step1half2/1 step1half1/1*8'],
  ['(sc 1, inc) x 2, sc 8', 'step11/1 step12/1 step11/1 step12/1 step11/1*8'],
  ['sl st 3, dc 9', 'slip1/1*3 step21/1*9'],
  ['ch 2, skip 2, sc 10', 'chain2 skip2 step11/1*10'],
  ['(sc, hdc) in next st, sc 11', '[step11 step1half1] step11/1*11'],
  ['in the front loops left free in Rnd 2, sc 12', 'free-front step11/1*12'],
  ['sc 4, leave the rest', 'step11/1*4 leave'],
  ['sc to last 2 sts, inc, sc', '(step11/1*1)~2 step12/1 step11/1'],
  ['dec until closed', '(step11/2*1)?'],
  ['rep rnd 2', null],
  ['frob 3', null],
])('the words "%s" ask for %s', (words, expected) => {
  expect(recipe(words)).toBe(expected);
});
