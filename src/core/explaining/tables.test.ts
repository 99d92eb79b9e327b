import { describe, expect, it } from 'vitest';
import { checkPattern } from '../index.js';
import { slipsIn } from '../onRequest.js';

/** How a third round on 12 stitches is told. */
function told(instruction: string, terms = 'US'): string | undefined {
  const stitch = terms === 'US' ? 'sc' : 'dc';
  const text = `${terms} terms\n\nRnd 1: 6 ${stitch} in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: ${instruction}\n`;
  return checkPattern(text, 'x').account(2)?.sentence;
}

describe('a round of 12 stitches, told aloud', () => {
  it.each([
    ['sc 6, inc 6', '6 single crochet, then 2 in each of the next 6 stitches: uses all 12, makes 18.'],
    ['2 sc in next st, sc 11', '2 single crochet in the next stitch, then 11 single crochet: uses all 12, makes 13.'],
    [
      '(sc, hdc, sc) in next st, sc 11',
      'Single crochet, half double crochet and single crochet, all in the next stitch, then 11 single crochet: uses all 12, makes 14.',
    ],
    [
      'sc 1, (sc, hdc) in the same st, sc 11',
      '1 single crochet, then single crochet and half double crochet, all in the same stitch, then 11 single crochet: uses all 12, makes 14.',
    ],
    [
      '(2 sc, hdc) in next st, sc 11',
      '2 single crochet and half double crochet, all in the next stitch, then 11 single crochet: uses all 12, makes 14.',
    ],
    ['(sc) in next st, sc 11', 'Single crochet in the next stitch, then 11 single crochet: uses all 12, makes 12.'],
    [
      'in the front loops left free in Rnd 2, sc 12',
      'Into the loops left free in round 2, 12 single crochet: uses all 12, makes 12.',
    ],
    ['in the next 6 sts sc, in the last 6 hdc', '6 single crochet, then 6 half double crochet: uses all 12, makes 12.'],
    ['sc in next 6 sc, in last 6 sc', '12 single crochet: uses all 12, makes 12.'],
    [
      'dec 1 at each end',
      'Single crochet 2 together, then 8 single crochet, then single crochet 2 together: uses all 12, makes 10.',
    ],
    [
      'increase evenly to 16',
      '2 single crochet in each of the next 4 stitches, then 8 single crochet: uses all 12, makes 16.',
    ],
    [
      'sc 3, [hdc 1, dc 1, hdc 1], sc 6 (12)',
      '3 single crochet, then (1 half double crochet, 1 double crochet, 1 half double crochet), then 6 single crochet: uses all 12, makes 12.',
    ],
    ['6 sc into a ring', '6 single crochet in the ring: makes 6.'],
    ['sc 8, leave the last 4 sts unworked', '8 single crochet, then leave 4 stitches: uses 8 of 12, makes 8.'],
    [
      '2 sc in the same st, sc 11',
      '2 single crochet in the same stitch, then 11 single crochet: uses all 12, makes 13.',
    ],
    ['sc in next 12, join', '12 single crochet, then close with a slip stitch: uses all 12, makes 12.'],
    ['inc', '2 single crochet in the next stitch: uses 1 of 12, makes 2.'],
    ['sc 3tog 2 times, sc 6', 'Single crochet 3 together, twice, then 6 single crochet: uses all 12, makes 8.'],
    [
      'sc 6, ch 21, sc in 12th ch from hook, sc 9, sc 6',
      '6 single crochet, then chain 21, then 1 single crochet along the chain, then 9 single crochet along the chain, then 6 single crochet: uses all 12, makes 12.',
    ],
    ['sk 2, sc 10', 'Skip 2 stitches, then 10 single crochet: uses all 12, makes 10.'],
    ['ch 1, turn, sc around', 'Chain 1, then turn, then 12 single crochet: uses all 12, makes 12.'],
    [
      'ch 2 (counts as hdc), hdc 11',
      'Chain 2 (counts as a stitch), then 11 half double crochet: uses all 12, makes 12.',
    ],
    [
      'sc 4, ch 3, sk 3, sc 5',
      '4 single crochet, then chain 3, then skip 3 stitches, then 5 single crochet: uses all 12, makes 12.',
    ],
    ['sc3tog x 4', 'Single crochet 3 together, 4 times: uses all 12, makes 4.'],
    ['(sc 1, sc3tog) x 3', '1 single crochet, then single crochet 3 together; do this 3 times: uses all 12, makes 6.'],
    ['FLO sc around', 'In the front loops only, 12 single crochet: uses all 12, makes 12.'],
    [
      'BLO (sc 1, inc) x 6',
      'In the back loops only, 1 single crochet, then 2 in the next stitch; do this 6 times: uses all 12, makes 18.',
    ],
    ['sc 10, leave the rest', '10 single crochet, then leave the rest: uses 10 of 12, makes 10.'],
    ['sc to last 2 sts, dec', '10 single crochet, then single crochet 2 together: uses all 12, makes 11.'],
    ['dec around until 6 sts remain', 'Single crochet 2 together, 6 times: uses all 12, makes 6.'],
    ['sl st 3, sc 9', '3 slip stitches, then 9 single crochet: uses all 12, makes 12.'],
    ['sc 5, picot, sc 7', '5 single crochet, then a picot, then 7 single crochet: uses all 12, makes 12.'],
    ['bobble x 12', '12 bobbles: uses all 12, makes 12.'],
    ['FPdc 6, BPdc 6', '6 front post double crochet, then 6 back post double crochet: uses all 12, makes 12.'],
    ['sc 6 through both layers', '6 single crochet through both layers: uses all 12, makes 6.'],
    [
      'with Moss, sc 6, with Rust, sc 6',
      'With Moss, 6 single crochet, then with Rust, 6 single crochet: uses all 12, makes 12.',
    ],
    [
      '*sc 1, inc; rep from * around',
      '1 single crochet, then 2 in the next stitch; do this 6 times: uses all 12, makes 18.',
    ],
    [
      '((sc 1, inc) x 2, sc 2) x 2',
      'Twice (1 single crochet, 2 in the next stitch), then 2 single crochet; do this twice: uses all 12, makes 16.',
    ],
    ['repeat Rnd 2', '2 single crochet in each of the next 6 stitches: uses 6 of 12, makes 12.'],
    ['inc in each st', '2 single crochet in each of the next 12 stitches: uses all 12, makes 24.'],
    ['tr 12, turn', '12 treble crochet, then turn: uses all 12, makes 12.'],
    ['hdc inc x 12', '2 half double crochet in each of the next 12 stitches: uses all 12, makes 24.'],
    ['sc 13', '13 single crochet: uses 13 where there are 12, makes 13.'],
    ['sc 11', '11 single crochet: uses 11 of 12, makes 11.'],
    ['(sc 4, inc) around', '4 single crochet, then 2 in the next stitch; do this twice: uses 10 of 12, makes 12.'],
    ['sc 12, join', '12 single crochet, then close with a slip stitch: uses all 12, makes 12.'],
    ['dc2tog x 6', 'Double crochet 2 together, 6 times: uses all 12, makes 6.'],
    ['esc 12', '12 extended single crochet: uses all 12, makes 12.'],
    ['loop st 12', '12 loop stitches: uses all 12, makes 12.'],
    ['puff st, sc 11', '1 puff, then 11 single crochet: uses all 12, makes 12.'],
    ['inc3, sc 11', '3 single crochet in the next stitch, then 11 single crochet: uses all 12, makes 14.'],
    [
      'sc 2, (dec, sc 1) x 3, sc 1',
      '2 single crochet, then 3 times (single crochet 2 together, 1 single crochet), then 1 single crochet: uses all 12, makes 9.',
    ],
  ])('%s', (instruction, sentence) => {
    expect(told(instruction)).toBe(sentence);
  });

  it.each([
    [2, '2nd'],
    [3, '3rd'],
    [4, '4th'],
    [11, '11th'],
    [12, '12th'],
    [13, '13th'],
    [21, '21st'],
    [22, '22nd'],
  ])('the %i. chain from the hook is the %s', (k, rank) => {
    const text = `US terms\n\nRow 1: ch 40, sc in ${rank} ch from hook, sc ${40 - k} (${41 - k})\n`;
    const { report, account } = checkPattern(text, 'x');
    expect(report.parts[0]?.rounds[0]?.made).toBe(41 - k);
    expect(account(0)?.sentence).toContain(`the ${rank} chain from the hook`);
  });

  it.each([
    ['(sc, 2 hdc, sc) in next st, sc 11', 'Single crochet, 2 half double crochet and single crochet, all in the next'],
    ['(hdc, dc) in each of the next 2 sts, sc 10', 'Half double crochet and double crochet, all in each of the next 2'],
  ])('several in one stitch: %s', (instruction, begins) => {
    expect(told(instruction)?.startsWith(begins)).toBe(true);
  });

  it.each([
    ['dc 6, htr 6', '6 double crochet, then 6 half treble crochet: uses all 12, makes 12.'],
    ['dc2tog x 6', 'Double crochet 2 together, 6 times: uses all 12, makes 6.'],
    ['miss 2, tr 10', 'Miss 2 stitches, then 10 treble crochet: uses all 12, makes 10.'],
  ])('in UK terms: %s', (instruction, sentence) => {
    expect(told(instruction, 'UK')).toBe(sentence);
  });
});

/** What may have happened where another count is on the hook, the likeliest first. */
describe('another count on the hook', () => {
  const first = (instruction: string, onHook: number) => {
    const text = `US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: ${instruction}\n`;
    return slipsIn(text, 2, onHook)[0]?.what;
  };

  it.each([
    ['(sc 1, inc) x 6', 17, 'One increase was worked as a single stitch.'],
    ['(sc 1, inc) x 6', 16, '2 increases were worked as single stitches.'],
    ['sc around', 9, 'The round before has 3 stitches too few already.'],
    ['sc around', 16, 'The round before has 4 stitches too many already.'],
    ['sc around', 17, undefined],
    ['(sc 2, dec) x 3', 10, 'One decrease was worked as two stitches.'],
    ['(sc 2, dec) x 3', 8, 'A decrease took three stitches together instead of two.'],
    ['sc around', 11, 'The last stitch of the round was not worked, because the marker had moved one stitch on.'],
    ['sc around', 13, 'The round went one stitch too far, because the marker had moved back by one.'],
    ['sc around', 12, undefined],
    ['sc around', 400, undefined],
  ])('%s, and %i', (instruction, onHook, what) => {
    expect(first(instruction, onHook)).toBe(what);
  });
});
