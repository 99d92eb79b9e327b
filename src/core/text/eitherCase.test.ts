import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { eitherCase } from './eitherCase.js';

describe('an expression in either case', () => {
  it.each([
    ['sc 2', '[sS][cC] 2'],
    ['(?:st|dec)s?', '(?:[sS][tT]|[dD][eE][cC])[sS]?'],
    ['(?<![a-z])inc(?![a-zA-Z])', '(?<![a-zA-Z])[iI][nN][cC](?![a-zA-Z])'],
    ['[^x×-]{2,3}', '[^Xx×-]{2,3}'],
    ['[A-Q\\d]', '[A-Q\\da-q]'],
    ['[Xx]\\s\\d\\.\\u{2019}', '[Xx]\\s\\d\\.\\u{2019}'],
    ['\\u00e9[\\x41\\u0370-\\u03ff]f', '\\u00e9[\\x41\\u0370-\\u03ff][fF]'],
    ['(?<name>a)|(?<=b)', '(?<name>[aA])|(?<=[bB])'],
    ['[\\p{L}\\]e]', '[\\p{L}\\]eE]'],
    ['crème|ß', '[cC][rR][èÈ][mM][eE]|ß'],
    ['[à-ü]|[é]', '[à-ü]|[éÉ]'],
  ])('writes both letters: %s', (source, written) => {
    expect(eitherCase(source)).toBe(written);
  });

  it.each(['(a)\\1', '(?<x>a)\\k<x>', '\\p{Lu}x', '[\\p{Ll}-]'])('refuses what it would change: %s', (source) => {
    expect(() => eitherCase(source)).toThrow("can't be taken in either case");
  });

  it('takes what the flag takes', () => {
    const sign = fc.constantFrom('a', 'T', 'é', 'Ž', 'я', 'ß', '1', ' ', '-', '’', '.');
    const atom = fc.oneof(
      sign.map((one) => (one === '.' ? '\\.' : one)),
      fc.constantFrom('[a-m]', '[^N-Za]', '[é\\d]', '(?:st|Dec)?', '\\s', '[^\\n-]', '(?<=A|1)', '(?!я)'),
    );
    fc.assert(
      fc.property(fc.array(atom, { minLength: 1, maxLength: 5 }), fc.array(sign, { maxLength: 12 }), (atoms, signs) => {
        const [source, text] = [atoms.join(''), signs.join('')];
        const found = (expression: RegExp) =>
          [...text.matchAll(expression)].map(({ 0: words, index }) => [index, words]);
        expect(found(new RegExp(eitherCase(source), 'gu'))).toEqual(found(new RegExp(source, 'giu')));
      }),
      { numRuns: 500 },
    );
  });
});
