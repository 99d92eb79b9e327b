import { describe, expect, it } from 'vitest';
import { readPattern } from '../reading/read.js';
import { countPattern } from './count.js';

/** What an instruction does on an edge of so many stitches: `uses → makes`, with what does not fit behind it. */
function on(edge: number, instruction: string): string {
  const text = `US terms\n\nRnd 1: ${edge} sc in MR (${edge})\nRnd 2: ${instruction}\n`;
  const { outcome, round } = countPattern(readPattern(text)).rounds[1] ?? {};
  if (!outcome || !round) return 'no round';
  const misfits = outcome.misfits.map((misfit) =>
    misfit.kind === 'remainder' ? `${misfit.whole} whole, ${misfit.left} left` : misfit.kind,
  );
  const obstacles = outcome.obstacles.map(({ kind }) => kind);
  return [`${outcome.into ?? '–'} → ${outcome.made ?? '–'}`, ...misfits, ...obstacles].join('; ');
}

describe('one instruction, and what it does to the number of stitches', () => {
  it.each([
    // plain stitches
    [6, 'sc 6', '6 → 6'],
    [6, 'hdc in next 6 sts', '6 → 6'],
    [6, '6 dc', '6 → 6'],
    [6, 'tr 6', '6 → 6'],
    [6, 'FPdc 3, BPdc 3', '6 → 6'],
    [6, 'bobble, sc 5', '6 → 6'],
    [6, 'sc 2, puff st, popcorn, sc 2', '6 → 6'],
    [6, 'sl st 6', '6 → 6'],
    // increases
    [6, 'inc x 6', '6 → 12'],
    [6, '6 inc', '6 → 12'],
    [6, 'inc in each st', '6 → 12'],
    [6, '2 sc in each st', '6 → 12'],
    [6, '2 sc in next st, sc 5', '6 → 7'],
    [6, '3 sc in next st, sc 5', '6 → 8'],
    [6, 'inc3, sc 5', '6 → 8'],
    [6, '(hdc, dc) in next st, sc 5', '6 → 7'],
    [6, '(sc, hdc, sc) in next st, sc 5', '6 → 8'],
    [6, 'hdc inc x 6', '6 → 12'],
    // decreases
    [12, 'dec x 6', '12 → 6'],
    [12, 'sc2tog 6 times', '12 → 6'],
    [12, 'sc3tog x 4', '12 → 4'],
    [12, 'inv dec x 6', '12 → 6'],
    [12, 'dc2tog x 2, sc 8', '12 → 10'],
    // nothing, and air
    [6, 'skip 1, sc 5', '6 → 5'],
    [6, 'sk 2 sts, sc 4', '6 → 4'],
    [6, 'sc 3, ch 2, sc 3', '6 → 8'],
    [6, 'sc 2, ch 2, skip 2, sc 2', '6 → 6'],
    [14, 'ch 2, skip 2, sc 12', '14 → 14'],
    [14, 'ch 2, skip 1, sc 13', '14 → 13'],
    [6, 'sc 3, ch 4, sc in 2nd ch from hook, sc in 3rd ch from hook, sc, sc 3', '6 → 6'],
    [6, 'ch 1, sc 6', '6 → 6'],
    [6, 'ch 1, sc 6, join', '6 → 6'],
    [6, 'ch 1, sc 6, sl st to first st', '6 → 6'],
    [6, 'ch 2 (counts as hdc), hdc 5', '6 → 6'],
    [6, 'ch 2 (does not count), hdc 6', '6 → 6'],
    [6, 'sc 6, turn', '6 → 6'],
    [6, 'sc 6, sl st in next 2 sts', '6 → 6'],
    [6, 'sc 6, fasten off', '6 → 6'],
    // filling
    [18, 'sc around', '18 → 18'],
    [18, 'sc in each st around', '18 → 18'],
    [18, '(sc 2, inc) around', '18 → 24'],
    [18, '*sc 1, dec; rep from * around', '18 → 12'],
    [18, '*sc 1, inc; rep from * to end', '18 → 27'],
    [18, 'sc 3, (sc 1, inc) around, sc 3', '18 → 24'],
    [18, 'sc to last 2 sts, inc, sc', '18 → 19'],
    [18, 'sc until 4 sts remain', '14 → 14; under'],
    [18, 'dec around until 12 sts remain', '18 → 12'],
    [18, 'dec around until 6 sts remain', '18 → 6'],
    [18, 'dec around until 20 sts remain', '18 → 20; 0 whole, 1 left'],
    [18, 'sc3tog around until 7 sts remain', '18 → 7; 5 whole, 1 left'],
    [18, 'sc around, leaving the last 4 sts unworked', '14 → 14'],
    [18, 'sc 10, leave the rest', '10 → 10'],
    [18, 'sc 10, leave the last 8 sts', '10 → 10'],
    [18, 'dec until closed', '– → –; open-ended'],
    // repeats
    [18, '(sc 1, inc) x 9', '18 → 27'],
    [18, '[sc 1, inc] nine times', '18 → 27'],
    [18, '*sc 1, inc; rep from * 8 more times', '18 → 27'],
    [18, '*sc 1, inc* x9', '18 → 27'],
    [18, '((sc 1, inc) x 2, sc 2) x 3', '18 → 24'],
    [18, 'sc 3, (inc, sc 2) x 5', '18 → 23'],
    [18, '(sc 2, inc, sc 3) x 3', '18 → 21'],
    // what does not fit
    [18, 'sc 17', '17 → 17; under'],
    [18, 'sc 19', '19 → 19; over'],
    [18, '(sc 1, inc) x 10', '20 → 30; over'],
    [18, '(sc 3, inc) around', '16 → 20; 4 whole, 2 left'],
    [18, '(sc 4, dec) around', '18 → 15'],
    [19, '(sc 4, dec) around', '18 → 15; 3 whole, 1 left'],
    [18, '(sc 20, inc) around', '0 → 0; 0 whole, 18 left'],
    // both layers
    [12, 'sc 6 through both layers', '12 → 6'],
    [12, 'fold flat and sc through both layers across', '12 → 6'],
  ])('on %i: %s', (edge, instruction, figures) => {
    expect(on(edge, instruction)).toBe(figures);
  });
});

/** The same in other words: what people write for it. */
describe('one instruction in other words', () => {
  it.each([
    // a list to the end, if it goes into the edge; without a bracket and without a count
    [12, 'sc, inc around', '12 → 18'],
    [24, '2 sc, dec around', '24 → 18'],
    [13, 'sc, inc around', '13 → 25'],
    [12, 'sc 5, inc around', '12 → 14'],
    [12, 'sc, 2 sc in each st around', '12 → 23'],
    [12, 'sc, sc around', '12 → 12'],
    // how many, or how many in each
    [6, '3 sc around', '6 → 18'],
    [6, '4 sc around', '4 → 4; under'],
    [6, '6 sc around', '6 → 6'],
    [6, '2 sc in each of the next 6 sts', '6 → 12'],
    [6, '6 sc in the next 6 sts', '6 → 6'],
    [6, '2 sc in the same st, sc 5', '6 → 7'],
    [6, 'in next st, work (hdc, dc, hdc), sc 5', '6 → 8'],
    [6, 'in the next stitch: work (hdc, dc), sc 5', '6 → 7'],
    [6, 'in each st make 2 sc', '6 → 12'],
    [6, 'work 2 sc into every stitch', '6 → 12'],
    [6, 'increase in every stitch around', '6 → 12'],
    [6, 'increase 6 times', '6 → 12'],
    [6, 'double increase, sc 5', '6 → 8'],
    // without shaping
    [6, 'sc around with no increases', '6 → 6'],
    [6, 'sc even', '6 → 6'],
    [6, 'work even', '6 → 6'],
    [6, 'sc around, no more shaping', '6 → 6'],
    [6, 'sc in each stitch all the way around', '6 → 6'],
    [6, 'sc in every st', '6 → 6'],
    [6, 'single crochet around', '6 → 6'],
    [6, 'sc to the end of the round', '6 → 6'],
    [6, 'sc round', '6 → 6'],
    // how often
    [12, '(sc, inc) 6 [18]', '12 → 18'],
    [12, '(sc, inc)6 (18)', '12 → 18'],
    [12, '(sc, inc) 6x', '12 → 18'],
    [12, '6x (sc, inc)', '12 → 18'],
    [12, '6 × (sc, inc)', '12 → 18'],
    [12, 'repeat (sc, inc) 6 times', '12 → 18'],
    [12, 'repeat 6 times: sc, inc', '12 → 18'],
    [12, 'sc, inc, repeat 6 times', '12 → 18'],
    [12, 'sc, inc, rep 5 more times', '12 → 18'],
    [12, '*sc, inc, repeat from * 6 times in all', '12 → 18'],
    [12, '*sc, inc, repeat from * 6 times in total', '12 → 18'],
    [12, '(sc, inc) 6 times in all', '12 → 18'],
    [12, '(sc, inc) 6 times in total', '12 → 18'],
    [12, 'sc, inc, repeat 6 times in all', '12 → 18'],
    [12, '*sc, inc, repeat from * 5 times', '12 → 18'],
    [12, '*sc 1, 2 sc in next; rep from * around', '12 → 18'],
    [12, '(sc, inc) twice, sc 8', '12 → 14'],
    [12, '(sc, inc) x 3, sc 6', '12 → 15'],
    [12, 'sc 3, (sc, inc) x 3, sc 3', '12 → 15'],
    [12, '[(sc, inc) x 2, sc 2] x 2', '12 → 16'],
    [12, 'sc in next st, inc in next st, around', '12 → 18'],
    [12, 'inc every 2nd st', '12 → 18'],
    [12, '(sc, inc) all', '12 → 18'],
    [12, 'inc in every 3rd stitch', '12 → 16'],
    [12, '(sc, inc) around, join', '12 → 18'],
    [12, 'sc, 2 sc in the next st, 6 times', '12 → 18'],
    // two together
    [12, 'sc 2 together around', '12 → 6'],
    [12, '*sc2tog; rep from * around', '12 → 6'],
    [12, '(sc next 2 sts together) x 6', '12 → 6'],
    [12, '(decrease, sc 1) x 4', '12 → 8'],
    [12, 'invisible decrease x 6', '12 → 6'],
    [12, 'sc 4, sc3tog, sc 5', '12 → 10'],
    // with words that change no count
    [12, 'sc around in the back loops only', '12 → 12'],
    [12, 'BLO: sc 12', '12 → 12'],
    [12, 'with Moss, sc 6, with Rust, sc 6', '12 → 12'],
    [12, 'sc 6, change to Moss, sc 6', '12 → 12'],
    [12, 'sc 12, place a marker', '12 → 12'],
    [12, 'sc 11, sl st in next st', '12 → 12'],
    [12, 'sc 12. Stuff firmly.', '12 → 12'],
    // chains in the round
    [12, 'sc 4, ch 3, skip 3, sc 5', '12 → 12'],
    [12, 'sc 4, miss 3 sts, sc 5', '12 → 9'],
    [12, 'sc 11, picot, sc 1', '12 → 12'],
    [12, 'ch 3 (counts as first dc), dc 11', '12 → 12'],
    [12, 'ch 1, turn, sc 12', '12 → 12'],
  ])('on %i: %s', (edge, instruction, figures) => {
    expect(on(edge, instruction)).toBe(figures);
  });
});

/** The counts that each round of a piece leaves. */
const counts = (text: string) =>
  countPattern(readPattern(`US terms\n\n${text}\n`)).rounds.map(({ outcome: { made } }) => made);

describe('where an edge comes from', () => {
  it.each([
    ['a ring', 'Rnd 1: 7 sc in MR\nRnd 2: inc around', [7, 14]],
    ['stitches in one chain', 'Rnd 1: ch 2, 6 sc in 2nd ch from hook\nRnd 2: inc around', [6, 12]],
    [
      'a chain along one side',
      'Row 1: ch 11, sc in 2nd ch from hook and across\nRow 2: ch 1, turn, sc across',
      [10, 10],
    ],
    ['a chain from one that is only counted', 'Row 1: ch 20, sl st back along the chain from the 2nd one\n', [19]],
    ['a chain from one on', 'Row 1: ch 31, then 3 sc in every ch from the second on\n', [90]],
    [
      'every so many stitches',
      'Rnd 1: 6 sc in MR\nRnd 2: inc around\nRnd 3: inc after every 2 sts\nRnd 4: dec after each 6th stitch around\nRnd 5: sc around',
      [6, 12, 16, 14, 14],
    ],
    ['a chain from its third stitch', 'Row 1: ch 11, hdc in 3rd ch from hook, hdc 8\nRow 2: hdc across', [9, 9]],
    [
      'a chain around both sides',
      'Rnd 1: ch 7, sc in 2nd ch from hook, sc 4, 3 sc in last ch, on the other side sc 4, inc in last ch\nRnd 2: sc around',
      [14, 14],
    ],
    [
      'a chain that is closed',
      'Ch 20, join with a sl st.\nRnd 1: sc in each ch around\nRnd 2: (sc 3, dec) around',
      [20, 16],
    ],
    ['a row worked back', 'Row 1: ch 6, sc in 2nd ch from hook, sc 4\nRow 2: ch 1, turn, dec, sc, dec', [5, 3]],
    ['a range that grows', 'Rnd 1: 6 sc in MR\nRnds 2-4: sc around\nRnd 5: inc around', [6, 6, 12]],
    ['the round before', 'Rnd 1: 6 sc in MR\nRnd 2: inc around\nRnd 3: repeat the previous round', [6, 12, 24]],
    [
      'the last two rounds',
      'Rnd 1: 6 sc in MR\nRnd 2: inc around\nRnd 3: sc around\nRnds 4-5: repeat the last two rounds',
      [6, 12, 12, 24],
    ],
    ['a loop before there is any other', 'Rnd 1: 6 sc in loop\nRnd 2: inc around', [6, 12]],
    [
      'a chain, with words for its other side',
      'Rnd 1: ch 7, sc in 2nd ch from hook, sc 4, 3 sc in last ch, along the other side of the foundation chain: sc 4, inc in last ch\nRnd 2: sc around',
      [14, 14],
    ],
    ['spaces of chains', 'Rnd 1: 6 sc in MR\nRnd 2: (sc 1, ch 2) x 6\nRnd 3: sc around', [6, 18, 18]],
    ['a row on a part of a round', 'Rnd 1: 12 sc in MR\nRow 2: sc 4, turn\nRow 3: sc 4', [12, 4, 4]],
    ['a row on all of a round', 'Rnd 1: 12 sc in MR\nRow 2: sc 12, turn\nRow 3: dec, sc 8, dec', [12, 12, 10]],
    ['a round that is repeated', 'Rnd 1: 6 sc in MR\nRnd 2: inc around\nRnd 3: repeat Rnd 2', [6, 12, 24]],
    [
      'two rounds that are repeated',
      'Rnd 1: 6 sc in MR\nRnd 2: inc around\nRnd 3: sc around\nRnds 4-5: repeat Rnds 2-3',
      [6, 12, 12, 24],
    ],
  ])('%s', (_, text, made) => {
    expect(counts(text)).toEqual(made);
  });
});

describe('the count that is stated', () => {
  it.each([
    ['sc 12 (12)', 12],
    ['sc 12 [12]', 12],
    ['sc 12 = 12', 12],
    ['sc 12 – 12 sts', 12],
    ['sc 12 (12 sts)', 12],
    ['sc 12 (12 sts total)', 12],
    ['sc 12 (total 12)', 12],
    ['sc 12. 12 sc.', 12],
    ['sc 12. (12)', 12],
    ['sc 8, hdc 4 (8 sc, 4 hdc)', 12],
    ['sc 8, hdc 4 (8 sc + 4 hdc = 12)', 12],
    ['sc 8, hdc 4 (8 sc and 4 hdc)', 12],
    ['sc around (12, 3 rnds)', 12],
    ['sc around', null],
    ['(sc 1, inc) x 6', null],
  ])('%s', (instruction, total) => {
    const { rounds } = countPattern(readPattern(`US terms\n\nRnd 1: 12 sc in MR (12)\nRnd 2: ${instruction}\n`));
    expect(rounds[1]?.round.stated?.total ?? null).toBe(total);
  });
});

describe('a base stitch', () => {
  it.each([
    ['a bare increase is of the stitch of its round', 'Rnd 2: (hdc 2, inc) x 2', 'hdc'],
    ['a bare decrease is of the stitch of its round', 'Rnd 2: (dc 1, dec) x 2', 'dc'],
  ])('%s', (_, line) => {
    const { rounds } = countPattern(readPattern(`US terms\n\nRnd 1: 6 sc in MR (6)\n${line}\n`));
    expect(rounds[1]?.outcome.misfits).toEqual([]);
  });
});
