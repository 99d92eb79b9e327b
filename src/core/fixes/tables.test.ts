import { describe, expect, it } from 'vitest';
import { apply } from '../../../tools/apply.js';
import { checkPattern, fixedReport } from '../index.js';

const HEAD = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
const TAIL = 'Fasten off.\n';

/** The first fix of the first error below the head, as it leaves the lines there. */
function firstFix(...lines: readonly string[]): string {
  const text = `${HEAD}${lines.join('\n')}\n${TAIL}`;
  const { findings } = fixedReport(checkPattern(text, 'x'));
  const fix = findings.find(({ severity }) => severity === 'error')?.fixes[0];
  if (!fix) return 'none';
  const mended = apply(text, fix);
  return mended.slice(HEAD.length, mended.length - TAIL.length).trimEnd();
}

describe('one slip, and what is offered first', () => {
  it.each<[string, readonly string[], string]>([
    ['a count', ['Rnd 3: (sc 1, inc) x 6 (19)', 'Rnd 4: (sc 2, inc) x 6 (24)'], 'Rnd 3: (sc 1, inc) x 6 (18)'],
    ['a count in square brackets', ['Rnd 3: (sc 1, inc) x 6 [19]'], 'Rnd 3: (sc 1, inc) x 6 [18]'],
    ['a count with its word', ['Rnd 3: (sc 1, inc) x 6 (19 sts)'], 'Rnd 3: (sc 1, inc) x 6 (18 sts)'],
    ['a count behind a sign', ['Rnd 3: (sc 1, inc) x 6 = 19'], 'Rnd 3: (sc 1, inc) x 6 = 18'],
    ['an amount', ['Rnd 3: (sc 2, inc) x 6 (18)', 'Rnd 4: (sc 2, inc) x 6 (24)'], 'Rnd 3: (sc 1, inc) x 6 (18)'],
    [
      'the number of repeats',
      ['Rnd 3: (sc 1, inc) x 7 (18)', 'Rnd 4: (sc 2, inc) x 6 (24)'],
      'Rnd 3: (sc 1, inc) x 6 (18)',
    ],
    ['a repeat too few', ['Rnd 3: (sc 1, inc) x 5 (18)', 'Rnd 4: (sc 2, inc) x 6 (24)'], 'Rnd 3: (sc 1, inc) x 6 (18)'],
    [
      'a decrease for an increase',
      ['Rnd 3: (sc 1, dec) x 6 (18)', 'Rnd 4: (sc 2, inc) x 6 (24)'],
      'Rnd 3: (sc 1, inc) x 6 (18)',
    ],
    [
      'an increase for a decrease',
      ['Rnd 3: (sc 1, inc) x 6 (18)', 'Rnd 4: (sc 1, inc) x 6 (12)', 'Rnd 5: dec x 6 (6)'],
      'Rnd 4: (sc 1, dec) x 6 (12)',
    ],
    ['a repeat of two kinds', ['Rnd 3: (sc 1, hdc 1) x 5 (6 sc, 6 hdc)'], 'Rnd 3: (sc 1, hdc 1) x 6 (6 sc, 6 hdc)'],
    ['one kind of two', ['Rnd 3: sc 6, hdc 6 (7 sc, 6 hdc)'], 'Rnd 3: sc 6, hdc 6 (6 sc, 6 hdc)'],
    ['a bracket that is not closed', ['Rnd 3: (sc 1, inc x 6 (18)'], 'Rnd 3: (sc 1, inc) x 6 (18)'],
    ['a bracket that is not opened', ['Rnd 3: sc 1, inc) x 6 (18)'], 'Rnd 3: (sc 1, inc) x 6 (18)'],
    ['a bracket of another kind', ['Rnd 3: [sc 1, inc) x 6 (18)'], 'Rnd 3: (sc 1, inc) x 6 (18)'],
    ['a repeat without its number', ['Rnd 3: (sc 1, inc) (18)'], 'Rnd 3: (sc 1, inc) x 6 (18)'],
    ['a word that is misspelt', ['Rnd 3: (sc 1, icn) x 6 (18)'], 'Rnd 3: (sc 1, inc) x 6 (18)'],
    ['a round that is numbered twice', ['Rnd 3: sc around (12)', 'Rnd 3: sc around (12)'], 'Rnd 4: sc around (12)'],
    [
      'a number that was left out',
      ['Rnd 3: sc around (12)', 'Rnd 5: (sc 1, inc) x 6 (18)'],
      'Rnd 4: (sc 1, inc) x 6 (18)',
    ],
  ])('%s', (_, lines, expected) => {
    expect(firstFix(...lines).split('\n')).toContain(expected);
  });

  it('is one that takes the error away and leaves the other lines as they are', () => {
    expect(firstFix('Rnd 3: (sc 1, inc) x 6 (19)', 'Rnd 4: (sc 2, inc) x 6 (24)')).toBe(
      'Rnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 6 (24)',
    );
  });

  it('is none where nothing is wrong', () => {
    expect(firstFix('Rnd 3: (sc 1, inc) x 6 (18)')).toBe('none');
  });
});
