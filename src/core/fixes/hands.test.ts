import { describe, expect, it } from 'vitest';
import { apply } from '../../../tools/apply.js';
import { checkPattern, fixedReport } from '../index.js';

/** The text after the first fix of the first finding of a rule. */
function mended(text: string, rule: string): string {
  const [fix] = fixedReport(checkPattern(text, 'x')).findings.find((finding) => finding.rule === rule)?.fixes ?? [];
  return fix ? apply(text, fix) : text;
}

const BALL = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';

describe('what puts a fault right, in the words of its hand', () => {
  it.each([
    ['frame/range', `${BALL}Rnds 3-5: sc around for two rounds (12)\n`, 'two', 'three'],
    ['frame/row-round', `${BALL}Rnd 3: sc around (12)\nRow 4: sc around (12)\nRnd 5: sc around (12)\n`, 'Row', 'Rnd'],
    ['frame/reference', `${BALL}Rnd 3: sc around (12)\nRnd 4: as Rnd 13 (12)\n`, '13', '3'],
    [
      'frame/quantity',
      `${BALL}EAR (make 2)\nRnd 1: 5 sc in MR (5)\nSew the four ears to the ball.\n`,
      'the four',
      'the two',
    ],
    [
      'frame/quantity',
      `${BALL}EAR (make 2)\nRnd 1: 5 sc in MR (5)\nSew all four ears to the ball.\n`,
      'all four',
      'both',
    ],
    ['materials/hook-size', `Hook 4.00 mm (old UK size 9)\n\n${BALL}`, 'size 9', 'size 8'],
  ])('%s', (rule, text, wrong, right) => {
    expect(mended(text, rule)).toBe(text.replace(wrong, right));
  });

  const LOTS =
    'US terms\n\nBALL\nturn 1 / 6 sc in MR → 6\nturn 2 / inc, the lot 6x → 12\nturn 3 / sc, inc, the lot 6x → 18\n' +
    'turn 4 / 2 sc, inc, the lot 6x → 24\nturn 5 / sc all the way → 24\nturn 6 / 2 sc, dec, the lot 6x → 18\n';

  it.each([
    ['count/under', LOTS.replace('2 sc, dec, the lot 6x', '2 sc, dec, the lot 5x'), 'lot 5x', 'lot 6x'],
    ['count/over', LOTS.replace('2 sc, inc, the lot 6x', '2 sc, inc, the lot 7x'), 'lot 7x', 'lot 6x'],
  ])('a round that was taken by its gist is searched as well: %s', (rule, text, wrong, right) => {
    expect(mended(text, rule)).toBe(text.replace(wrong, right));
  });
});
