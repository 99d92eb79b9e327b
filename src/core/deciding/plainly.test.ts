import { describe, expect, it } from 'vitest';
import { bySeries } from './bySeries.js';
import { decide } from './decide.js';
import { plainly } from './plainly.js';

const AUTO = { terms: 'auto' } as const;
/** So many rounds by the forms that everybody uses, of which those given are off by one. */
function ball(off: readonly number[] = []): string {
  const rounds = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map((sc, i) => {
    const count = (sc + 2) * 6 + (off.includes(i + 3) ? 1 : 0);
    return `Rnd ${i + 3}: (sc ${sc}, inc) x 6 (${count})`;
  });
  return `US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n${rounds.join('\n')}\nFasten off.\n`;
}
const ODD =
  'Owl, US terms, all sc\n\nhoot 1 > ring of 6 > 6\nhoot 2 > 2 in each > 12\nhoot 3 > 1, 2 in 1, x6 > 18\nhoot 4 > 18 > 18\n';

describe('what the known forms read', () => {
  it.each([
    ['all of it', ball()],
    ['all but one round', ball([7])],
  ])('stands where that is %s', (_, text) => {
    const { counted, open } = plainly(text, AUTO);
    expect(open).toBeNull();
    expect(decide(text).rounds.map(({ verdict }) => verdict)).toEqual(counted.rounds.map(({ verdict }) => verdict));
  });

  it.each([
    ['no round was found', ODD],
    ['there are too few', 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n'],
    ['one in four is off', ball([4, 7, 10])],
    [
      'a number is missing that stands between two others',
      ball().replace('Rnd 5: (sc 3, inc) x 6 (30)', 'five-ish 5 see above'),
    ],
    ['a number is hidden in talk', ball().replace('Rnd 12:', 'stuff and go on: 12)')],
  ])('is left open where %s', (_, text) => {
    expect(plainly(text, AUTO).open).not.toBeNull();
  });

  it('is bettered only by a reading under which more rounds come out', () => {
    const [odd, faulty] = [plainly(ODD, AUTO).open, plainly(ball([4, 7, 10]), AUTO)];
    expect(odd && bySeries(odd).rounds.map(({ outcome }) => outcome.made)).toEqual([6, 12, 18, 18]);
    expect(faulty.open && bySeries(faulty.open)).toBe(faulty.counted);
  });
});
