import { describe, expect, it } from 'vitest';
import { readPattern } from '../reading/read.js';
import { countPattern } from './count.js';

/** The counts that the rounds of a piece leave, in US terms; what was not read stands behind its round. */
function counts(lines: readonly string[], terms = 'US'): string {
  const text = `${terms} terms\n\nPIECE\n${lines.join('\n')}\nFasten off.\n`;
  return countPattern(readPattern(text))
    .rounds.map(({ outcome, round }) => {
      const unread = round.unread.map(({ span }) => ` “${text.slice(span.from, span.to)}”`).join('');
      const misfits = outcome.misfits.map(({ kind }) => ` ${kind}`).join('');
      return `${outcome.made ?? '–'}${misfits}${unread}`;
    })
    .join(', ');
}

describe('a ring', () => {
  it.each([
    ['Rnd 1: 6 sc in MR', '6'],
    ['Rnd 1: 6 sc in magic ring', '6'],
    ['Rnd 1: 6 sc into a magic ring', '6'],
    ['Rnd 1: 6 sc in a magic loop', '6'],
    ['Rnd 1: 6 sc in a magic circle', '6'],
    ['Rnd 1: 6 sc in an adjustable ring', '6'],
    ['Rnd 1: sc 6 in MR', '6'],
    ['Rnd 1: MR, 6 sc', '6'],
    ['Rnd 1: MR: 6 sc', '6'],
    ['Rnd 1: MR 6 sc', '6'],
    ['Rnd 1: magic ring, 6 sc in ring', '6'],
    ['Rnd 1: magic ring with 6 sc', '6'],
    ['Rnd 1: make a magic ring, work 6 sc into it', '6'],
    ['Rnd 1: Make a magic ring and work 6 single crochet into the ring', '6'],
    ['Rnd 1: Start with a magic ring and 6 sc', '6'],
    ['Rnd 1: start 6 sc in MR', '6'],
    ['Rnd 1: create a magic ring, ch 1, 6 sc in the ring, pull tight', '6'],
    ['Rnd 1: in a MR work 6 sc', '6'],
    ['Rnd 1: into ring, 6 sc', '6'],
    ['Rnd 1: work 6 sc in MR, join with sl st', '6'],
    ['Rnd 1: ch 1, 6 sc in MR, sl st to first sc', '6'],
    ['Rnd 1: ch 3 (counts as dc), 11 dc in MR, join', '12'],
    ['Rnd 1: 6 sc in MR. Do not join.', '6'],
    ['Rnd 1: With Moss, 6 sc in MR', '6'],
    ['Rnd 1: (Moss) 6 sc in MR', '6'],
    ['Rnd 1: 8 hdc in MR', '8'],
    ['Rnd 1: 12 dc in MR', '12'],
    ['Rnd 1: ch 4, join to form a ring, 6 sc in ring', '6'],
    ['Rnd 1: ch 4, sl st in first ch to form a ring. Work 8 sc into the ring.', '8'],
    ['Rnd 1: ch 2, 6 sc in 2nd ch from hook', '6'],
    ['Rnd 1: ch 2, 6 sc in second chain from hook', '6'],
    ['Rnd 1: ch 2. In the 2nd ch from the hook work 6 sc', '6'],
    ['Rnd 1: chain 2, work 6 single crochet in the 2nd chain from the hook', '6'],
    ['Rnd 1: 2 ch, 6 sc into 2nd ch from hook', '6'],
  ])('%s', (line, expected) => {
    expect(counts([line])).toBe(expected);
  });
});

describe('a chain', () => {
  it.each([
    [['Row 1: ch 11, sc in 2nd ch from hook and in each ch across'], '10'],
    [['Row 1: ch 11, sc in 2nd ch from hook, sc in next 9 ch'], '10'],
    [['Row 1: ch 11, sc in the 2nd ch from the hook and each ch to the end'], '10'],
    [['Row 1: ch 11. Starting in the 2nd ch from hook, sc 10'], '10'],
    [['Row 1: ch 11, starting from 2nd ch from hook: sc 10'], '10'],
    [['Row 1: ch 11, turn, skip first ch, sc 10'], '10'],
    [['Row 1: ch 11, skip 1 ch, sc in each ch'], '10'],
    [['Row 1: ch 11, sl st in 2nd ch from hook, sl st in next 9 ch'], '10'],
    [['Row 1: ch 12, hdc in 3rd ch from hook and in each ch across'], '10'],
    [['Row 1: ch 13, dc in 4th ch from hook and in each ch across'], '10'],
    [['Ch 11.', 'Row 1: sc in 2nd ch from hook and in each ch across'], '10'],
    [['Row 1: ch 4, from the 2nd ch from hook work 1 sl st, 1 sc, 1 hdc'], '3'],
    [['Row 1: ch 4, in the 2nd ch from hook work 1 sl st, 1 sc, 1 hdc'], '3'],
    [['Ch 11.', 'Row 1: Starting in 2nd ch from hook, sc 10, turn', 'Row 2: ch 1, sc 10'], '10, 10'],
    [['With Moss, ch 11.', 'Row 1: sc in 2nd ch from hook, sc 9'], '10'],
    [['Chain 11', 'Row 1: sc in second ch from hook, sc across'], '10'],
    [['Ch 20, join with a sl st to form a ring.', 'Rnd 1: sc in each ch around'], '20'],
    [['Ch 20 and join into a ring', 'Rnd 1: ch 1, sc in each ch, join'], '20'],
    [['Rnd 1: ch 7, sc in 2nd ch from hook, sc 4, 3 sc in last ch, on the other side: sc 4, 2 sc in last ch'], '14'],
    [['Rnd 1: ch 7, 2 sc in 2nd ch from hook, sc 4, 4 sc in last ch, on other side sc 4, 2 sc in last ch'], '16'],
    [['Rnd 1: ch 7, starting in 2nd ch, sc 5, 3 sc in last ch; working along the other side, sc 4, inc'], '14'],
    [['Rnd 1: ch 7; inc in 2nd ch from hook, sc 4, 4 sc in last ch, rotate, sc 4, inc'], '16'],
  ] as const)('%j', (lines, expected) => {
    expect(counts(lines)).toBe(expected);
  });
});

describe('rounds that say they are like others', () => {
  it.each([
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnd 3: sc around', 'Rnd 4: repeat rnd 3'], '6, 12, 12, 12'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnd 3: repeat round 2'], '6, 12, 24'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnd 3: as rnd 2'], '6, 12, 24'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnd 3: same as round 2'], '6, 12, 24'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnd 3: work as for rnd 2'], '6, 12, 24'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnd 3: same as previous round'], '6, 12, 24'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnd 3: repeat last round'], '6, 12, 24'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: sc around', 'Rnds 3-5: repeat rnd 2'], '6, 6, 6'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: sc around', 'Rnds 3-5: as rnd 2', 'Rnd 6: inc around'], '6, 6, 6, 12'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnd 3: dec around', 'Rnds 4-5: repeat rnds 2-3'], '6, 12, 6, 6'],
    [['Row 1: ch 7, sc in 2nd ch from hook, sc 5', 'Row 2: ch 1, turn, sc 6', 'Rows 3-8: repeat row 2'], '6, 6, 6'],
    // a plain round is plain on another edge as well, where the count says that it keeps it
    [['Rnd 1: 6 sc in MR', 'Rnd 2: sc 6', 'Rnd 3: inc around', 'Rnd 4: same as rnd 2 (12)'], '6, 6, 12, 12'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: sc 6', 'Rnd 3: inc around', 'Rnd 4: same as rnd 2'], '6, 6, 12, 6 under'],
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc 6', 'Rnd 3: sc around', 'Rnd 4: as rnd 2 (12)'], '6, 12, 12, 12 under'],
  ] as const)('%j', (lines, expected) => {
    expect(counts(lines)).toBe(expected);
  });
});

describe('pieces that are named before what is worked along them', () => {
  const legs = ['LEGS (make 2)', 'Rnd 1: 6 sc in MR', 'Rnd 2: inc around', '', 'BODY'];
  it.each([
    ['Rnd 1: on the first leg sc 12, on the second leg sc 12', 24],
    ['Rnd 1: over the first leg: 12 sc, over the second leg: 12 sc', 24],
    ['Rnd 1: around left leg, sc 12; around right leg, sc 12', 24],
    ['Rnd 1: sc 12 on the first leg, then cont on second leg sc 12', 24],
    ['Rnd 1: ch 2, 12 sc around leg 1, 2 sc along the chain, 12 sc around leg 2, 2 sc along the chain (28)', 28],
    ['Rnd 1: ch 2, join to leg 1 with a sc, sc 11, 2 sc along the chain, 12 sc around leg 2, 2 sc over the ch', 28],
    ['Rnd 1: ch 2, join with sc to the first leg, sc 11, sc 12 on the second leg', 24],
    ['Rnd 1: join with sl st to leg 1, 12 sc around leg 1, 12 sc around leg 2', 24],
    ['Rnd 1: along the first leg 12 sc, ch 2, along the second leg 12 sc, 2 sc on ch', 26],
  ])('%s', (round, made) => {
    const { rounds } = countPattern(readPattern(`US terms\n\n${[...legs, round].join('\n')}\n`));
    expect(rounds.at(-1)?.round.unread).toEqual([]);
    expect(rounds.at(-1)?.outcome.made).toBe(made);
  });
});

describe('loops that an earlier part has left free', () => {
  const part = ['CAP', 'Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnd 3: FLO inc around', ''];
  it.each([
    [[...part, 'NECK', 'Rnd 4: in the back loops left free in Rnd 3: 12 sc', 'Rnd 5: sc around'], '6, 12, 24, 12, 12'],
    [[...part, 'NECK', 'Rnd 4: sc around', 'Rnd 5: sc around'], '6, 12, 24, 24, 24'],
  ] as const)('are found where the numbers go on: %j', (lines, expected) => {
    expect(counts(lines)).toBe(expected);
  });
});

describe('rounds told together', () => {
  it.each([
    [['Rnd 1: 6 sc in MR', 'Rnd 2: inc around', 'Rnds 3-5: sc around (12)', 'Rnd 6: dec around'], '6, 12, 12, 6'],
    [['Rnd 1: 6 sc in MR', 'Rnds 2 and 3: inc around', 'Rnd 4: sc around'], '6, 24, 24'],
    [['Rnd 1: 6 sc in MR', 'Rnds 2-4: inc x 6, sc around to end'], '6, 24'],
    [['Rnd 1: 6 sc in MR', 'Rnds 2, 4, 6: inc x 3, sc to end', 'Rnds 3, 5: sc around'], '6, 15, 15'],
    [
      ['Rnd 1: 6 sc in MR', 'Next round: inc around', 'Next 3 rounds: sc around', 'Next round: dec around'],
      '6, 12, 12, 6',
    ],
  ] as const)('%j', (lines, expected) => {
    expect(counts(lines).split(', ').at(0)).toBe('6');
    expect(counts(lines)).toBe(expected);
  });
});

describe('in UK terms', () => {
  it.each([
    [['Rnd 1: 6 dc in a magic ring'], '6'],
    [['Rnd 1: 2 ch, 6 dc in 2nd ch from hook'], '6'],
    [['Row 1: 11 ch, 1 dc in 2nd ch from hook, 1 dc in each ch to end'], '10'],
    [['Row 1: 12 ch, 1 htr in 3rd ch from hook, 1 htr in each ch to end'], '10'],
    [['Rnd 1: 4 ch, ss in first ch to make a ring. 8 dc in ring, ss to first dc'], '8'],
    [['Rnd 1: 3 ch (counts as 1 tr), 11 tr in ring, ss to top of 3 ch'], '12'],
    [
      ['Rnd 1: 6 dc in magic loop', 'Rnd 2: 2 dc in each dc', 'Rnd 3: *1 dc, 2 dc in next; rep from * to end'],
      '6, 12, 18',
    ],
    [['Rnd 1: 6 dc in magic loop', 'Rnd 2: 2 dc in each dc', 'Rnd 3: (dc2tog) 6 times'], '6, 12, 6'],
  ] as const)('%j', (lines, expected) => {
    expect(counts(lines, 'UK')).toBe(expected);
  });
});

describe('so many from the 2nd chain', () => {
  it.each([
    [['Ch 11.', 'Row 1: 10 sc from 2nd ch'], '10'],
    [['Row 1: ch 11, sc 10 from 2nd ch from hook'], '10'],
    [['Ch 10.', 'Row 1: 10 sc from 2nd ch'], '10 foundation'],
    // A chain of two has one place.
    [['Ch 2.', 'Rnd 1: 6 sc from 2nd ch from hook', 'Rnd 2: inc x 6'], '6, 12'],
    [['Rnd 1: ch 2, 6 sc from 2nd ch from hook', 'Rnd 2: inc x 6'], '6, 12'],
  ])('%j', (lines, expected) => {
    expect(counts(lines)).toBe(expected);
  });
});
