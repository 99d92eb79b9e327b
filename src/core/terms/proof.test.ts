import { describe, expect, it } from 'vitest';
import { readPattern } from '../reading/read.js';
import { differences, foreignPlaces } from './proof.js';

const US = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\n';
const UK = US.replace('US', 'UK').replaceAll('sc', 'dc');
const told = (before: string, after: string) =>
  differences(readPattern(before), readPattern(after), 'uk').map(({ line, message }) => `${line}: ${message}`);

describe('a conversion is proved by what is understood before and after', () => {
  it.each([
    [UK, []],
    [UK.replace('dc 1, inc', 'dc 2, inc'), ['6: Rnd 3: stitches used was 12 and is now 18.']],
    [UK.replace('(18)', '(24)'), ['6: Rnd 3: stated count was 18 and is now 24.']],
    [UK.replace(' (18)', ''), ['6: Rnd 3: stated count was 18 and is now unknown.']],
    [UK.replace('(12)', '(12 dc)'), ['5: Rnd 2 comes to the same count, and is read in another way.']],
    [UK.replace('(dc 1, inc) x 6', 'work 18 dc as you like'), ['6: Rnd 3: stitches used was 12 and is now unknown.']],
    [UK.replace('Rnd 3:', 'Rnd 4:'), ['6: Rnd 3: number was 3 and is now 4.']],
    [UK.replace('Rnd 3:', 'Rnds 3-4:'), ['6: Rnd 3: last number was 3 and is now 4.']],
    [
      UK.replace('(dc 1, inc) x 6', '(inc, dc 1) x 6'),
      ['6: Rnd 3 comes to the same count, and is read in another way.'],
    ],
    [UK.replace('6 dc in MR', 'flurble in MR'), ['4: Rnd 1: stitches made was 6 and is now unknown.']],
    [UK.replace(/Rnd 3.*\n/, ''), ['1: There were 3 rounds, and now there are 2.']],
    [UK.replace('BALL', 'BELL'), ['1: The parts have other names than before.']],
    [US, ['1: The result still looks like US terms.']],
  ])('against %j', (after, problems) => {
    expect(told(US, after)).toEqual(problems);
  });

  it('lists what is of the minority in a text that mixes terms', () => {
    const mixed = readPattern(US.replace('(sc 1, inc)', '(htr 1, inc)'));
    expect(
      foreignPlaces(mixed).map(({ line, column, endColumn, message }) => [line, column, endColumn, message]),
    ).toEqual([[6, 9, 12, 'Rnd 3: "htr" is of the minority here.']]);
  });
});
