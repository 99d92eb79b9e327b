import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkText, convertTerms } from '../index.js';
import { SCHOOLS } from './hands.js';
import { OtherLines, turned, turning } from './turning.js';

const CLEAN =
  'Pebble\nUS terms\n\nsc = single crochet, hdc = half double crochet, MR = magic ring\n\nPEBBLE\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nRnd 3: hdc around (6)\nFasten off and weave in the end.\n';
const RIGHT = convertTerms(CLEAN, { to: 'uk' }).text;

describe('a text that was turned', () => {
  it('is marked full where it reads as the proved conversion does', () => {
    const result = turned({ text: CLEAN, to: 'uk' }, RIGHT);
    expect(result).toMatchObject({ mark: 1, changed: [] });
    expect(result.words.map(({ line, before, right }) => `${line} ${before} ${right}`)).toEqual([
      '2 US UK',
      '4 sc dc',
      '4 single crochet double crochet',
      '4 hdc htr',
      '4 half double crochet half treble crochet',
      '7 sc dc',
      '8 sc dc',
      '9 hdc htr',
    ]);
  });

  it('knows the words that were left, those that were turned wrongly, and those that were to be left', () => {
    const result = turned(
      { text: CLEAN, to: 'uk' },
      RIGHT.replace('Rnd 2: dc', 'Rnd 2: sc').replace('htr around', 'tr around').replace('Fasten off', 'Cast off'),
    );
    expect(result.words.filter((word) => !word.turned).map(({ line }) => line)).toEqual([8, 9]);
    expect(result.changed).toEqual([{ line: 10, words: 'Fasten' }]);
    expect(result.mark).toBeCloseTo(6 / 9);
  });

  it('is not marked down for blanks at the ends of lines, and is for words that were added', () => {
    expect(turned({ text: CLEAN, to: 'uk' }, RIGHT.replaceAll('\n', '  \r\n')).mark).toBe(1);
    expect(turned({ text: CLEAN, to: 'uk' }, RIGHT.replace('Pebble', 'Pebble in dc')).changed).toEqual([
      { line: 1, words: 'in dc' },
    ]);
  });

  it('that was left as it was has no mark', () => {
    expect(turned({ text: CLEAN, to: 'uk' }, CLEAN).mark).toBe(0);
  });

  it('is not marked where lines are missing, which is said in words', () => {
    expect(() => turned({ text: CLEAN, to: 'uk' }, RIGHT.replace('\n\n', '\n'))).toThrow(OtherLines);
    expect(() => turned({ text: CLEAN, to: 'uk' }, '')).toThrow('The text has 11 lines, and your answer 1.');
  });
});

it('texts to be turned are clean, proved, and in all schools', () => {
  fc.assert(
    fc.property(
      fc.record({
        level: fc.constantFrom(1 as const, 2 as const, 3 as const, 4 as const),
        school: fc.constantFrom(...SCHOOLS),
        terms: fc.constantFrom('us' as const, 'uk' as const),
        seed: fc.integer({ min: 1, max: 100_000 }),
      }),
      (wish) => {
        const made = turning(wish);
        expect(made.to).not.toBe(wish.terms);
        const { state, text, changes } = convertTerms(made.text, { to: made.to });
        expect(state).toBe('proved');
        expect(changes.length).toBeGreaterThan(1);
        expect(checkText(text, '').findings.filter(({ severity }) => severity === 'error')).toEqual([]);
        expect(turned(made, text).mark).toBe(1);
        expect(turned(made, made.text)).toMatchObject({ mark: 0, changed: [] });
      },
    ),
    { numRuns: 60, seed: 22 },
  );
});
