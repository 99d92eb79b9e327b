import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cardinal, numberGoesOn, ordinal, writtenLike } from './numbers.js';

/** The number that words say, with what stands behind it. */
function told(words: string): string {
  const [first = ''] = /^\p{L}+/u.exec(words) ?? [];
  const value = ordinal(first.toLowerCase()) ?? cardinal(first.toLowerCase());
  if (value === null) return 'none';
  const whole = numberGoesOn(words, value, first.length);
  const end = whole?.end ?? first.length;
  return `${whole?.value ?? value}${whole?.ordinal ? 'th' : ''} |${words.slice(end)}`;
}

describe('a number in words', () => {
  it.each([
    ['six', '6 |'],
    ['twelve sts', '12 | sts'],
    ['twenty', '20 |'],
    ['twenty-four sts', '24 | sts'],
    ['twenty four sts', '24 | sts'],
    ['twenty‑four', '24 |'],
    ['Seventy-Two', '72 |'],
    ['ninety nine', '99 |'],
    ['twenty-first round', '21th | round'],
    ['thirty-second', '32th |'],
    ['hundred', '100 |'],
    ['one hundred', '100 |'],
    ['one hundred and eight', '108 |'],
    ['one hundred eight sts', '108 | sts'],
    ['two hundred and forty', '240 |'],
    ['one hundred and twelfth', '112th |'],
    ['one hundred and twenty-four', '124 |'],
    // what does not belong together
    ['six and twenty', '6 | and twenty'],
    ['twenty and four', '20 | and four'],
    ['six twelve', '6 | twelve'],
    ['twenty twelve', '20 | twelve'],
    ['twelve hundred', '12 | hundred'],
    ['ten four', '10 | four'],
    ['twenty-first second', '21th | second'],
    ['four times', '4 | times'],
    ['wool', 'none'],
  ])('%s', (words, expected) => {
    expect(told(words)).toBe(expected);
  });

  it('is read as it is written, up to 999', () => {
    const units = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
    const teens = [
      'ten',
      'eleven',
      'twelve',
      'thirteen',
      'fourteen',
      'fifteen',
      'sixteen',
      'seventeen',
      'eighteen',
      'nineteen',
    ];
    const tens = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
    const below = (n: number, dash: string): string =>
      n < 10
        ? (units[n] ?? '')
        : n < 20
          ? (teens[n - 10] ?? '')
          : [tens[Math.floor(n / 10)], units[n % 10]].filter(Boolean).join(dash);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 999 }), fc.constantFrom('-', ' '), fc.boolean(), (n, dash, and) => {
        const hundreds = n >= 100 ? `${units[Math.floor(n / 100)]} hundred` : '';
        const rest = n % 100 === 0 ? '' : below(n % 100, dash);
        const words = [hundreds, rest].filter(Boolean).join(and ? ' and ' : ' ');
        expect(told(`${words}, then`)).toBe(`${n} |, then`);
      }),
      { numRuns: 300, seed: 9 },
    );
  });
});

describe('a number as another is written', () => {
  it.each([
    [6, '5', '6'],
    [6, 'five', 'six'],
    [6, 'Five', 'Six'],
    [24, 'five', '24'],
    [100, 'five', 'hundred'],
    [0, 'one', '0'],
  ])('%i for "%s"', (value, written, expected) => {
    expect(writtenLike(value, written)).toBe(expected);
  });
});
