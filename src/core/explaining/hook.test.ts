import { describe, expect, it } from 'vitest';
import { slipsIn } from '../onRequest.js';

const TEXT = `US terms

BALL
Rnd 1: 6 sc in MR (6)
Rnd 2: inc x 6 (12)
Rnd 3: (sc 1, inc) x 6 (18)
Rnd 4: sc around (18)
Rnd 5: (sc 1, dec) x 6 (12)
Rnd 6: ch 1, sc around, sl st to first sc (12)
`;

const first = (round: number, onHook: number) => slipsIn(TEXT, round, onHook)[0]?.what;

describe('what is on the hook', () => {
  it.each([
    [2, 17, 'One increase was worked as a single stitch.'],
    [2, 16, '2 increases were worked as single stitches.'],
    [3, 17, 'The last stitch of the round was not worked, because the marker had moved one stitch on.'],
    [3, 19, 'The round went one stitch too far, because the marker had moved back by one.'],
    [4, 13, 'One decrease was worked as two stitches.'],
    [4, 11, 'A decrease took three stitches together instead of two.'],
    [5, 13, 'The slip stitch that closes the round was counted, or worked into, as a stitch.'],
  ])('round %s with %s stitches: %s', (round, onHook, what) => {
    expect(first(round, onHook)).toBe(what);
  });

  it('has a way to go on for every slip, and nothing to say where the counts agree', () => {
    const slips = slipsIn(TEXT, 2, 15);
    expect(slips.map(({ what }) => what)).toContain(
      'The repeat was worked 5 times instead of 6, and 2 stitches of the round before were passed over.',
    );
    expect(slips.every(({ mend }) => mend.length > 20)).toBe(true);
    expect(slipsIn(TEXT, 2, 18)).toEqual([]);
  });
});

const LAST = 'The last stitch of the round was not worked, because the marker had moved one stitch on.';
const PASSED = 'A stitch of the round before was passed over.';
const TOO_FAR = 'The round went one stitch too far, because the marker had moved back by one.';
const TWO_IN_ONE = 'Two stitches were worked into one without an increase being called for.';
const JOIN = 'The slip stitch that closes the round was counted, or worked into, as a stitch.';

describe('all slips that explain a count, the likeliest first', () => {
  const all = (third: string, onHook: number) =>
    slipsIn(`US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: ${third}\n`, 2, onHook).map(
      ({ what }) => what,
    );

  it.each<[string, number, readonly string[]]>([
    [
      '(sc 1, inc) x 6 (18)',
      17,
      ['One increase was worked as a single stitch.', 'In one repeat the increase was left out.', LAST, PASSED],
    ],
    ['(sc 1, inc) x 6 (18)', 16, ['2 increases were worked as single stitches.']],
    [
      '(sc 1, inc) x 6 (18)',
      15,
      [
        'The repeat was worked 5 times instead of 6, and 2 stitches of the round before were passed over.',
        '3 increases were worked as single stitches.',
      ],
    ],
    ['(sc 1, inc) x 6 (18)', 11, []],
    ['(sc 1, inc) x 6 (18)', 19, [TOO_FAR, 'One increase has three stitches instead of two.', TWO_IN_ONE]],
    ['(sc 1, inc) x 6 (18)', 20, ['2 increases too many were worked.']],
    [
      '(sc 1, inc) x 6 (18)',
      21,
      ['The repeat was worked 7 times instead of 6, past the marker.', '3 increases too many were worked.'],
    ],
    ['(sc 1, inc) x 6 (18)', 24, ['6 increases too many were worked.']],
    ['(sc 1, inc) x 6 (18)', 25, []],
    ['sc around (12)', 11, [LAST, PASSED]],
    ['sc around (12)', 10, ['The round before has 2 stitches too few already.']],
    ['sc around (12)', 8, ['The round before has 4 stitches too few already.']],
    ['sc around (12)', 7, []],
    ['sc around (12)', 13, [TOO_FAR, TWO_IN_ONE]],
    ['sc around (12)', 14, ['The round before has 2 stitches too many already.']],
    ['sc around (12)', 17, []],
    ['dec x 6 (6)', 7, ['One decrease was worked as two stitches.', TOO_FAR, TWO_IN_ONE]],
    ['dec x 6 (6)', 8, ['2 decreases were worked as two stitches each.']],
    ['dec x 6 (6)', 5, ['A decrease took three stitches together instead of two.', LAST, PASSED]],
    ['sc around, sl st to first st (12)', 13, [JOIN, TOO_FAR, TWO_IN_ONE]],
    [
      'sc around, sl st to first st (12)',
      11,
      [LAST, 'The first stitch was skipped because the join was taken for it.', PASSED],
    ],
    [
      'ch 1, sc around, sl st to first st (12)',
      13,
      [JOIN, 'The starting chain was counted as a stitch.', TOO_FAR, TWO_IN_ONE],
    ],
  ])('%s with %i', (third, onHook, slips) => {
    expect(all(third, onHook)).toEqual(slips);
  });
});
