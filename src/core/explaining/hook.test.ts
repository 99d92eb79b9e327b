import { describe, expect, it } from 'vitest';
import { checkPattern } from '../index.js';

const TEXT = `US terms

BALL
Rnd 1: 6 sc in MR (6)
Rnd 2: inc x 6 (12)
Rnd 3: (sc 1, inc) x 6 (18)
Rnd 4: sc around (18)
Rnd 5: (sc 1, dec) x 6 (12)
Rnd 6: ch 1, sc around, sl st to first sc (12)
`;

const first = (round: number, onHook: number) => checkPattern(TEXT, 'x').slips(round, onHook)[0]?.what;

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
    const slips = checkPattern(TEXT, 'x').slips(2, 15);
    expect(slips.map(({ what }) => what)).toContain(
      'The repeat was worked 5 times instead of 6, and 2 stitches of the round before were passed over.',
    );
    expect(slips.every(({ mend }) => mend.length > 20)).toBe(true);
    expect(checkPattern(TEXT, 'x').slips(2, 18)).toEqual([]);
  });
});
