import { describe, expect, it } from 'vitest';
import { checkPattern } from '../index.js';

const START = 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\n';

function accountOf(line: string, { head = 'US terms\n\nBALL\n', start = START } = {}) {
  const { report, account } = checkPattern(`${head}${start}${line}\n`, 'x');
  const told = account(report.parts.flatMap(({ rounds }) => rounds).length - 1);
  if (!told) throw new Error(`No round in ${line}`);
  return told;
}

describe('a round in plain words', () => {
  it.each([
    [
      'Rnd 4: (sc 2, inc) x 6 (24)',
      '2 single crochet, then 2 in the next stitch; do this 6 times: uses all 18, makes 24.',
    ],
    ['Rnd 4: sc around (18)', '18 single crochet: uses all 18, makes 18.'],
    [
      'Rnd 4: (sc 7, dec) x 2 (16)',
      '7 single crochet, then single crochet 2 together; do this twice: uses all 18, makes 16.',
    ],
    [
      'Rnd 4: sc 1, inc, (sc 2, inc) x 5, sc 1 (24)',
      '1 single crochet, then 2 in the next stitch, then 5 times (2 single crochet, 2 in the next stitch), then 1 single crochet: uses all 18, makes 24.',
    ],
    [
      'Rnd 4: ch 1, BLO hdc around, sl st to first hdc (18)',
      'Chain 1, then in the back loops only, 18 half double crochet, then close with a slip stitch: uses all 18, makes 18.',
    ],
    [
      'Rnd 4: (hdc, dc, hdc) in next st, sc 17 (20)',
      'Half double crochet, double crochet and half double crochet, all in the next stitch, then 17 single crochet: uses all 18, makes 20.',
    ],
    [
      'Rnd 4: sc 9 in Chalk, sc 9 in Moss (18)',
      'With Chalk, 9 single crochet, then with Moss, 9 single crochet: uses all 18, makes 18.',
    ],
    [
      'Rnd 4: sc, sc, sc, inc, inc, sc 13 (20)',
      '3 single crochet, then 2 in each of the next 2 stitches, then 13 single crochet: uses all 18, makes 20.',
    ],
    ['Rnd 4: (2 sc) x 18 (36)', '2 single crochet; do this 18 times: uses 36 where there are 18, makes 36.'],
    ['Rnd 4: sk 1, sc 16, bobble (17)', 'Skip 1 stitch, then 16 single crochet, then 1 bobble: uses all 18, makes 17.'],
    [
      'Rnd 4: (sc 4, dec) x 2 (10)',
      '4 single crochet, then single crochet 2 together; do this twice: uses 12 of 18, makes 10.',
    ],
    ['Rnd 4: sc 4, flurble (18)', 'Not counted, because not every word of it was understood.'],
    ['Rnd 4: dec until closed', "How many stitches that leaves can't be told from the text."],
  ])('%s', (line, sentence) => {
    expect(accountOf(line).sentence).toBe(sentence);
  });

  it.each([
    [
      'Ch 2, 6 sc in the 2nd ch from hook (6)',
      'Chain 2, then 6 single crochet in the 2nd chain from the hook: makes 6.',
    ],
    [
      'Ch 2, 8 hdc in 2nd ch from hook (8)',
      'Chain 2, then 8 half double crochet in the 2nd chain from the hook: makes 8.',
    ],
    ['6 sc, MR (6)', '6 single crochet in the ring: makes 6.'],
    ['MR, 6 sc (6)', '6 single crochet in the ring: makes 6.'],
    [
      'ch 4, sl st to form a ring, 8 sc in ring (8)',
      'Chain 4, then close with a slip stitch, then 8 single crochet in the ring: makes 8.',
    ],
    [
      'Ch 5, sc in 2nd ch from hook, sc 2, 3 sc in last ch, on the other side of the chain: sc 3 (9)',
      'Chain 5, then 1 single crochet in the 2nd chain from the hook, then 2 single crochet, then 3 in the last chain, then go on along the other side of the chain, then 3 single crochet: makes 9.',
    ],
  ])('begins with %s', (words, sentence) => {
    expect(accountOf(`Rnd 1: ${words}`, { start: '' }).sentence).toBe(sentence);
  });

  it('speaks the vocabulary of the pattern', () => {
    const uk = { head: 'UK terms\n\nBALL\n', start: 'Rnd 1: 6 dc in magic ring (6)\n' };
    expect(accountOf('Rnd 2: (miss 1 st, 3 htr in next st) 3 times (9)', uk).sentence).toBe(
      'Miss 1 stitch, then 3 half treble crochet in the next stitch; do this 3 times: uses all 6, makes 9.',
    );
  });

  it('says of a number of its own for what is no round that nothing is worked', () => {
    expect(accountOf('Rnd 4: stuff firmly', { start: START })).toMatchObject({
      sentence: 'Nothing is worked here: the round before stays as it is.',
      into: 18,
      made: 18,
      ladder: null,
    });
  });

  it('tells a range by its last round, and a repeated round by what it repeats', () => {
    expect(accountOf('Rnds 4-6: rep Rnd 3 (36)', { start: START }).sentence).toContain('2 in the next stitch');
  });
});

describe('the stitch ladder', () => {
  it('forks at an increase, joins at a decrease, and passes over what is missed', () => {
    const { ladder } = accountOf('Rnd 4: inc, dec, sk 1, sc 14 (17)');
    expect(ladder?.stitches.slice(0, 4).map(({ on }) => on)).toEqual([[0], [0], [1, 2], [4]]);
    expect(ladder).toMatchObject({ edge: 18, missed: [3], left: [], beyond: 0, cut: false });
  });

  it('shows what is left over, and what the edge does not have', () => {
    expect(accountOf('Rnd 4: sc 16 (16)').ladder).toMatchObject({ left: [16, 17], beyond: 0 });
    expect(accountOf('Rnd 4: sc 20 (20)').ladder).toMatchObject({ left: [], beyond: 2 });
  });

  it('holds no stitch for a chain that is turned and worked back along', () => {
    const { made, ladder } = accountOf('Rnd 4: sc 9, ch 4, turn, sc in 2nd ch from hook and in next 2 ch, sc 9 (18)');
    expect(ladder?.stitches.length).toBe(made);
  });

  it('knows the pass of the repeat, the yarn, and the step of each stitch', () => {
    const { ladder, steps } = accountOf('Rnd 4: *with Chalk sc 2, with Moss inc; rep from * around (24)');
    expect(ladder?.stitches.slice(0, 5).map(({ colour, pass }) => [colour, pass])).toEqual([
      ['Chalk', 0],
      ['Chalk', 0],
      ['Moss', 0],
      ['Moss', 0],
      ['Chalk', 1],
    ]);
    const inner = steps[0]?.steps.map(({ words, index }) => [words, index]);
    expect(inner).toEqual([
      ['with Chalk', 1],
      ['2 single crochet', 2],
      ['with Moss', 3],
      ['2 single crochet in the next stitch', 4],
    ]);
    expect(ladder?.stitches[0]?.step).toBe(2);
  });

  it('has steps that add up to the round', () => {
    const { steps, into, made } = accountOf('Rnd 4: sc 1, inc, (sc 2, inc) x 5, sc 1 (24)');
    expect(steps.reduce((sum, step) => sum + step.into, 0)).toBe(into);
    expect(steps.reduce((sum, step) => sum + step.made, 0)).toBe(made);
  });
});
