import { describe, expect, it } from 'vitest';
import { readPattern } from '../reading/read.js';
import { countPattern } from './count.js';

/** The figures of each round: edge, uses, makes, verdict. */
function figures(text: string): string[] {
  return countPattern(readPattern(text)).rounds.map(
    ({ round, outcome, verdict }) =>
      `${round.label}: ${outcome.into ?? '–'}/${outcome.edge ?? '–'} ${outcome.made ?? '–'} ${verdict}`,
  );
}

const BALL = [
  'Rnd 1: 6 sc in MR (6)',
  'Rnd 2: inc x 6 (12)',
  'Rnd 3: (sc 1, inc) x 6 (18)',
  'Rnd 4: (sc 2, inc) x 6 (24)',
  'Rnd 5: sc around (24)',
  'Rnd 6: (sc 2, dec) x 6 (18)',
];
const ball = (line: number, instead: string) => BALL.map((text, i) => (i === line - 1 ? instead : text)).join('\n');
const off = (text: string) => figures(text).filter((round) => round.endsWith(' off'));

describe('one fault, one round that is off', () => {
  it.each([
    ['a slip in a stated count', 3, 'Rnd 3: (sc 1, inc) x 6 (21)'],
    ['a slip in an amount', 4, 'Rnd 4: (sc 3, inc) x 6 (24)'],
    ['a slip in the number of repeats', 4, 'Rnd 4: (sc 2, inc) x 5 (24)'],
    ['increase and decrease swapped', 6, 'Rnd 6: (sc 2, inc) x 6 (18)'],
    ['a decrease in place of an increase', 3, 'Rnd 3: (sc 1, dec) x 6 (18)'],
    ['a repeat that leaves a remainder', 6, 'Rnd 6: (sc 3, dec) around (18)'],
    ['a wrong ring', 1, 'Rnd 1: 5 sc in MR (6)'],
  ])('%s', (_, line, instead) => {
    expect(off(ball(line, instead)).map((round) => round.split(':')[0])).toEqual([`Rnd ${line}`]);
  });

  it('leaves a faultless pattern alone', () => {
    expect(off(BALL.join('\n'))).toEqual([]);
  });

  it('blames the line that does not fit when a round has been left out', () => {
    expect(off(BALL.filter((_, i) => i !== 2).join('\n'))).toEqual(['Rnd 4: 18/12 24 off']);
  });
});

describe('edges', () => {
  it.each([
    [
      'an oval',
      'SOLE\nRnd 1: Ch 9, sc in 2nd ch from hook, sc 6, 3 sc in last ch, along the other side: sc 6, 2 sc in last ch (18)',
      ['Rnd 1: –/– 18 agrees'],
    ],
    [
      'a chain along one side',
      'FLAP\nCh 9.\nRow 1: Hdc in 3rd ch from hook, hdc in next 6 ch. (7)\nRow 2: Ch 2, turn, hdc across. (7)',
      ['Row 1: –/– 7 agrees', 'Row 2: 7/7 7 agrees'],
    ],
    [
      'a chain joined into a ring',
      'HOOP\nch 12 and join with a sl st to the first ch to form a ring\nRnd 1: sc in each ch around (12)',
      ['Rnd 1: –/– 12 agrees'],
    ],
    [
      'a starting chain that counts',
      'DISC\nRnd 1: Ch 3 (counts as dc), 11 dc in MR, sl st to top of ch 3 (12)\nRnd 2: Ch 3, dc in same st, 2 dc in next 11 sts, sl st to top of ch 3 (24)',
      ['Rnd 1: –/– 12 agrees', 'Rnd 2: 12/12 24 agrees'],
    ],
    [
      'two layers closed flat',
      'WING\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFold flat and work 6 sc through both layers (6)',
      ['Rnd 1: –/– 6 agrees', 'Rnd 2: 6/6 12 agrees', 'Fold flat and: 12/12 6 agrees'],
    ],
    [
      'free loops of an earlier round',
      'HAT\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: BLO: sc around (12)\nRnd 4: (sc 1, inc) x 6 (18)\n\nBrim\nJoin in a front loop of Rnd 2, which Rnd 3 left free.\nRnd 1: 2 sc in each loop around (24)',
      [
        'Rnd 1: –/– 6 agrees',
        'Rnd 2: 6/6 12 agrees',
        'Rnd 3: 12/12 12 agrees',
        'Rnd 4: 12/12 18 agrees',
        'Rnd 1: 12/12 24 agrees',
      ],
    ],
    [
      'rounds worked again',
      'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc around (12)\nRnd 3: sc around (12)\nRnds 4-7: repeat Rnds 2-3 twice (48)',
      ['Rnd 1: –/– 6 agrees', 'Rnd 2: 6/6 12 agrees', 'Rnd 3: 12/12 12 agrees', 'Rnds 4-7: 48/48 48 agrees'],
    ],
    [
      'decreasing to a target',
      'TIP\nRnd 1: 12 sc in MR (12)\nRnd 2: dec around until 6 sts remain (6)',
      ['Rnd 1: –/– 12 agrees', 'Rnd 2: 12/12 6 agrees'],
    ],
  ])('%s', (_, text, expected) => {
    expect(figures(text)).toEqual(expected);
  });
});

describe('words that can be taken in two ways', () => {
  const second = (line: string) => figures(`BALL\nRnd 1: 12 sc in MR (12)\n${line}`)[1];

  it.each([
    ['Rnd 2: *sc 1, inc; rep from * 5 times (18)', 'Rnd 2: 12/12 18 agrees'],
    ['Rnd 2: *sc 1, inc; rep from * 6 times (18)', 'Rnd 2: 12/12 18 agrees'],
    ['Rnd 2: *sc 1, inc; rep from * 7 times (18)', 'Rnd 2: 16/12 24 off'],
    ['Rnd 2: 2 sc in next 2 sts, sc 10 (14)', 'Rnd 2: 12/12 14 agrees'],
    ['Rnd 2: 2 sc in next 2 sts, sc 10 (12)', 'Rnd 2: 12/12 12 agrees'],
    ['Rnd 2: ch 2, sc in next 11 sts (12)', 'Rnd 2: 12/12 12 agrees'],
    ['Rnd 2: ch 2, sc in next 12 sts (12)', 'Rnd 2: 12/12 12 agrees'],
  ])('%s', (line, expected) => {
    expect(second(line)).toBe(expected);
  });
});

describe('what the text does not give', () => {
  it('is not guessed', () => {
    expect(figures(`${BALL.join('\n')}\nRnd 7: dec until hole is closed\n`).at(-1)).toBe('Rnd 7: –/18 – on-trust');
    expect(figures(ball(4, 'Rnd 4: (sc 2, frob) x 6 (24)'))[3]).toBe('Rnd 4: –/18 – unreadable');
  });

  it('goes on from the stated count', () => {
    expect(figures(ball(4, 'Rnd 4: (sc 2, frob) x 6 (24)'))[4]).toBe('Rnd 5: 24/24 24 agrees');
  });
});
