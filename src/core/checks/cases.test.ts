import { describe, expect, it } from 'vitest';
import { checkText } from '../index.js';

const US = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
const PROSE =
  'US terms\n\nBALL\nRound 1. Work 6 single crochet into a magic ring. (6 stitches)\nRound 2. Work 2 single crochet into each stitch around. (12 stitches)\n';
const UK = 'UK terms\n\nBALL\nRd 1: 6 dc in magic ring [6]\nRd 2: 2 dc in each st [12]\n';
const LETTERS = 'X = single crochet, V = increase, A = decrease\nUS terms\n\nBALL\nR1: 6X in MR (6)\nR2: 6V (12)\n';
const END = 'Fasten off.\n';

/** The errors and warnings of a text, each with its line from the end of its head. */
function found(head: string, rest: string): string[] {
  const lines = head.split('\n').length - 1;
  return checkText(`${head}${rest}${END}`, 'x')
    .findings.filter(({ severity }) => severity !== 'hint')
    .map(({ rule, line }) => `${rule} ${line - lines}`);
}

/** The same slip in several hands: what is found, and in which of the lines below the head. */
describe.each([
  [
    'a stated count that is not what comes out',
    'count/stated 1',
    [
      [US, 'Rnd 3: (sc 1, inc) x 6 (19)\n'],
      [
        PROSE,
        'Round 3. *Single crochet in the next stitch, 2 single crochet in the next; repeat from * around. (19 stitches)\n',
      ],
      [UK, 'Rd 3: *1 dc, 2 dc in next st; rep from * to end [19]\n'],
      [LETTERS, 'R3: (X, V)*6 (19)\n'],
    ],
  ],
  [
    'more stitches than there are',
    'count/over 1',
    [
      [US, 'Rnd 3: (sc 1, inc) x 7 (21)\n'],
      [PROSE, 'Round 3. Single crochet in the next 13 stitches. (13 stitches)\n'],
      [UK, 'Rd 3: (1 dc, inc) 7 times [21]\n'],
      [LETTERS, 'R3: (X, V)*7 (21)\n'],
    ],
  ],
  [
    'stitches that are left unworked',
    'count/under 1',
    [
      [US, 'Rnd 3: (sc 1, inc) x 5 (15)\n'],
      [PROSE, 'Round 3. Single crochet in the next 10 stitches. (10 stitches)\n'],
      [UK, 'Rd 3: (1 dc, inc) 5 times [15]\n'],
      [LETTERS, 'R3: (X, V)*5 (15)\n'],
    ],
  ],
  [
    'a repeat that does not divide what is there',
    'count/remainder 1',
    [
      [US, 'Rnd 3: *sc 4, inc; rep from * around\n'],
      [UK, 'Rd 3: *4 dc, inc; rep from * to end [14]\n'],
    ],
  ],
  [
    'a number that is missing',
    'frame/gap 2',
    [
      [US, 'Rnd 3: sc around (12)\nRnd 5: sc around (12)\n'],
      [
        PROSE,
        'Round 3. Single crochet in each stitch around. (12 stitches)\nRound 5. Single crochet in each stitch around. (12 stitches)\n',
      ],
      [UK, 'Rd 3: dc in each st [12]\nRd 5: dc in each st [12]\n'],
      [LETTERS, 'R3: 12X (12)\nR5: 12X (12)\n'],
    ],
  ],
  [
    'a number that stands twice',
    'frame/duplicate 2',
    [
      [US, 'Rnd 3: sc around (12)\nRnd 3: sc around (12)\n'],
      [LETTERS, 'R3: 12X (12)\nR3: 12X (12)\n'],
    ],
  ],
  [
    'a range and the number of its rounds',
    'frame/range 1',
    [
      [US, 'Rnds 3-5: sc around for 4 rounds (12)\n'],
      [US, 'Rnds 3-5: sc around for two rounds (12)\n'],
    ],
  ],
  [
    'a bracket that is not closed',
    'notation/bracket 1',
    [
      [US, 'Rnd 3: (sc 1, inc x 6 (18)\n'],
      [US, 'Rnd 3: sc 1, inc) x 6 (18)\n'],
      [LETTERS, 'R3: (X, V*6 (18)\n'],
    ],
  ],
  [
    'a round that is referred to and does not exist',
    'frame/reference 1',
    [
      [US, 'Rnd 3: as Rnd 9 (12)\n'],
      [US, 'Rnd 3: repeat Rnd 7 (12)\n'],
    ],
  ],
])('%s', (_, expected, hands) => {
  it.each(hands)('%#', (head, rest) => {
    expect(found(head, rest)).toContain(expected);
  });
});

/** What looks like a slip, and is none: nothing is found in it. */
describe('nothing is found', () => {
  it.each([
    ['in a round that leaves the rest on purpose', US, 'Rnd 3: sc 6, leave the rest (6)\n'],
    ['in a slip stitch that joins', US, 'Rnd 3: ch 1, sc around, sl st to first sc (12)\n'],
    ['in a chain that is told not to count', US, 'Rnd 3: ch 1 (does not count), sc around (12)\n'],
    ['in a stitch marker that is moved', US, 'Rnd 3: sc around, move the marker up (12)\n'],
    ['in a count with its word', US, 'Rnd 3: (sc 1, inc) x 6 (18 sts)\n'],
    ['in a count in another bracket', US, 'Rnd 3: (sc 1, inc) x 6 [18]\n'],
    ['in a range with its rounds counted right', US, 'Rnds 3-5: sc around for 3 rounds (12)\n'],
    [
      'in a decrease in words',
      PROSE,
      'Round 3. *Single crochet the next 2 stitches together; repeat from * around. (6 stitches)\n',
    ],
    ['in a repeat that comes out', UK, 'Rd 3: *1 dc, inc; rep from * to end [18]\n'],
    ['in letters with their numbers in front', LETTERS, 'R3: (1X, 1V)*6 (18)\n'],
    ['in a colour in mid-round', US, 'Rnd 3: sc 6, change to Moss, sc 6 (12)\n'],
    ['in loops that are named', US, 'Rnd 3: BLO sc around (12)\n'],
  ])('%s', (_, head, rest) => {
    expect(found(head, rest).filter((one) => /^(?:count|frame|notation)\//.test(one))).toEqual([]);
  });
});

/** One slip has one finding: those that follow from it are not said. */
describe('one slip, one finding', () => {
  const counts = (rest: string) => found(US, rest).filter((one) => one.startsWith('count/'));

  it.each([
    [
      'a wrong figure among ten right rounds',
      'Rnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 3, inc) x 6 (24)\nRnd 5: (sc 3, inc) x 6 (30)\nRnd 6: (sc 4, inc) x 6 (36)\nRnd 7: sc around (36)\nRnd 8: (sc 4, dec) x 6 (30)\n',
    ],
    [
      'a wrong count that the next rounds go on from rightly',
      'Rnd 3: (sc 1, inc) x 6 (17)\nRnd 4: (sc 2, inc) x 6 (24)\nRnd 5: (sc 3, inc) x 6 (30)\n',
    ],
    [
      'a repeat once too often',
      'Rnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 7 (24)\nRnd 5: (sc 3, inc) x 6 (30)\n',
    ],
  ])('%s', (_, rest) => {
    expect(counts(rest)).toHaveLength(1);
  });

  it('two slips that are far from each other are both named, each in its line', () => {
    const rest =
      'Rnd 3: (sc 1, inc) x 6 (19)\nRnd 4: (sc 2, inc) x 6 (24)\nRnd 5: sc around (24)\nRnd 6: (sc 2, dec) x 5 (18)\nRnd 7: (sc 1, dec) x 6 (12)\n';
    expect(counts(rest)).toEqual(['count/stated 1', 'count/under 4']);
  });
});
