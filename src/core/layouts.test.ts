import { describe, expect, it } from 'vitest';
import { checkText } from './index.js';

/** Small patterns as many hands lay them out, with the counts of each part: "Head:6,12;Body:8". */
const PATTERNS: readonly (readonly [string, string])[] = [
  [
    'US terms\n\nCap: in Russet\nRound 1 - 6 sc into ring [6]\nRound 2 - (2 sc in next st) rep 6 times [12]\nFasten off',
    'Cap:6,12',
  ],
  [
    'Bat\nX = sc, V = inc, A = dec (US terms)\n\nBody\n1) 6X ring\n2) 6V\n3) 6A\nCut.\nWings 2 pcs\n1) 4X ring\n2) (X,V)x2\nCut.',
    'Body:6,12,6;Wings:4,6',
  ],
  [
    'US terms\n\n**Head**\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x6 (12)\n\n**Body**\n\nRnd 1: 8 sc in MR (8)\n',
    'Head:6,12;Body:8',
  ],
  [
    'US\nHEAD & BODY (worked in one piece)\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n\nARMS (x2)\nR1: 5 sc in MR (5)',
    'Head & body:6,12;Arms:5',
  ],
  ['Pattern in US terms\n\n1. HEAD\nRnd 1: 6 sc in MR (6)\n\n2. EARS (make 2)\nRnd 1: 4 sc in MR (4)', 'HEAD:6;EARS:4'],
  [
    'US terms\n\nHead:\nRound 1: 6 sc in MR (6)\nRound 2: 2 sc in each st (12)\n\nEars: (Make 2)\nRound 1: 4 sc in MR (4)',
    'Head:6,12;Ears:4',
  ],
  ['US terms\n\n-= Head =-\nR1 6sc in MR (6)\nR2 inc x6 (12)\nR3 (sc, inc) x6 (18)', 'Head:6,12,18'],
  ['US terms\n\n• HEAD •\nR1 - 6sc in MR - 6\nR2 - inc x6 - 12\nR3 - (sc, inc) x6 - 18', 'HEAD:6,12,18'],
  [
    'US terms\n\nLEG 1\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nFasten off.\n\nLEG 2\nWork as Leg 1 but do not fasten off.\n\nBODY\nRnd 4: ch 3, sc 12 around Leg 1, sc 3 across ch, sc 12 around Leg 2, sc 3 across ch (30)\nRnd 5: sc around (30)\nFasten off.',
    'LEG 1:6,12,12;LEG 2:12;BODY:30,30',
  ],
  [
    'US terms\n\nFirst leg\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nSecond leg\nRepeat Rnds 1 and 2 of the first leg. Do not fasten off.\nJoining the legs\nRnd 3: sc in next 6 sts of second leg, ch 2, sc in each of 12 sts of first leg, sc in each of 2 ch, sc in next 6 sts of second leg, sc in other side of 2 ch (28)\nRnd 4: sc around (28)',
    'First leg:6,12;Joining the legs:28,28',
  ],
  ['US terms\n\nHead\n1 : 6 sc in MR (6)\n2 : inc x6 (12)\n3-4 : sc around (12)', 'Head:6,12,12'],
  ['US terms\n\nHead\n1| 6 sc in MR | 6\n2| inc x6 | 12\n3| (sc, inc) x6 | 18', 'Head:6,12,18'],
  ['US terms\n\nHead\nRnd.1 6 sc in MR [6]\nRnd.2 inc x6 [12]', 'Head:6,12'],
  ['US terms\n\nHead\nRND1: 6 SC IN MR (6)\nRND2: INC X6 (12)', 'Head:6,12'],
  ['US terms\n\nHead\nRnd#1: 6 sc in MR (6)\nRnd #2: inc x6 (12)', 'Head:6,12'],
  ['US terms\n\nHead\n(Rnd 1) 6 sc in MR (6)\n(Rnd 2) inc x6 (12)', 'Head:6,12'],
  ['US terms\n\nHead\n[R1] 6 sc in MR (6)\n[R2] inc x6 (12)', 'Head:6,12'],
  ['US terms\n\nHead\n1st rnd: 6 sc in MR (6)\n2nd rnd: inc x6 (12)\n3rd-5th rnd: sc around (12)', 'Head:6,12,12'],
  [
    'US terms\n\nHead\nRound one: 6 sc in MR (6)\nRound two: inc x6 (12)\nRounds three to five: sc around (12)',
    'Head:6,12,12',
  ],
  [
    'US terms\n\nHead\nRnd 1: 6 sc in MR (6 sts)\nRnd 2: inc x6 (12 sts)\nRnd 3: (sc, inc) x6 (18 sts)\nRnd 4: (sc 2, inc) x6\n(24 sts)\nRnd 5: sc around\n(24 sts)',
    'Head:6,12,18,24,24',
  ],
  ['US terms\n\nHead\nRnd 1: 6 sc in MR.\n6 sts\nRnd 2: inc x6.\n12 sts', 'Head:6,12'],
  [
    'UK terms\n\nHead\n1st round: 6 dc into ring.\n2nd round: 2 dc into each dc. (12 dc)\n3rd round: *1 dc into next dc, 2 dc into next dc; rep from * to end. (18 dc)\n4th round: 1 dc into each dc.\n5th to 8th rounds: As 4th round.\n9th round: *1 dc into next dc, dc2tog; rep from * to end. (12 dc)',
    'Head:6,12,18,18,18,12',
  ],
  [
    'US terms\n\nScarf\nCh 31\nRow 1: sc in 2nd ch from hook and across (30)\nRow 2: ch 1, turn, sc across (30)\nRows 3-40: Repeat row 2 (30)',
    'Scarf:30,30,30',
  ],
  [
    'US terms\n\nScarf: ch 31, turn. Row 1: sc in second ch from hook and in each ch across, turn (30). Row 2: ch 1, sc in each st across, turn (30).',
    'Scarf:30,30',
  ],
  [
    'US terms\n\nEar (make 2)\nCh 6\nRnd 1: start in second ch from hook: sc 4, 3 sc in last ch. Continue on the other side of chain: sc 3, 2 sc in last ch (12)\nRnd 2: inc, sc 3, inc x3, sc 3, inc x2 (18)',
    'Ear:12,18',
  ],
  [
    'US terms\n\nSnout\nR1: ch 4, sc in 2nd ch from hook, sc, 3 sc in last ch, (other side) sc, inc (8)\nR2: inc, sc 1, inc x3, sc 1, inc x2 (14)',
    'Snout:8,14',
  ],
  [
    'US terms\n\nBody\nRnd 1: 6 sc in MR (6)\n\nNote: mark the first stitch of each round.\n\nRnd 2: inc x6 (12)\nAt this point put the eyes in, between rounds 1 and 2.\nRnd 3: sc around (12)\n',
    'Body:6,12,12',
  ],
  ['US terms\n\nBody\nRnd 1: 6 sc in MR (6) Rnd 2: inc x6 (12) Rnd 3: sc around (12)', 'Body:6,12,12'],
  ['US terms\n\nBody\nR1-6 sc in MR (6)\nR2-inc x6 (12)', 'Body:6,12'],
  ['US terms\n\nBODY (blue)\nR1: 6 sc in MR (6)\n\nBELLY (white)\nR1: 5 sc in MR (5)', 'BODY:6;BELLY:5'],
  ['US terms\n\n### Arms - make 2 - color A\nR1: 6 sc in MR (6)', 'Arms:6'],
  ['US terms\n\nTAIL. Make 1.\nR1: 6 sc in MR (6)', 'TAIL:6'],
  ['US terms\n\nArms/Legs (make 4)\nR1: 6 sc in MR (6)', 'Arms/Legs:6'],
  ['US terms\n\nLeft Ear\nR1: 6 sc in MR (6)\nRight Ear\nR1: 6 sc in MR (6)', 'Left Ear:6;Right Ear:6'],
  [
    'Materials:\nyarn, 3 mm hook\n\nAbbreviations:\nsc: single crochet\ninc: increase\n\nInstructions\n\nHead\nRnd 1: 6 sc in MR (6)',
    'Head:6',
  ],
  ['US\nTHE PATTERN\n\nHead\nRnd 1: 6 sc in MR (6)\nAssembly: sew it.\n1. sc things together.\n', 'Head:6'],
  [
    'US terms\n\nHead\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x6\nRnd 3: (sc, inc)\n   x 6\nRnd 4: sc around (18)',
    'Head:6,12,18,18',
  ],
  ['US terms\n\nHead\nRnd 1:\t6 sc in MR\t(6)\nRnd 2:\tinc x6\t(12)', 'Head:6,12'],
  [
    'US terms\n\nBall\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x6 (12)\nRnds 3-5: sc in each st around (12, 3 rnds)\n',
    'Ball:6,12,12',
  ],
  [
    'US terms\n\nBall\nR 1) 6 sc in MR = 6 sc\nR 2) 6 inc = 12 sc\nR 3) (1 sc, 1 inc)*6 = 18 sc\nR 4-6) 18 sc = 18 sc',
    'Ball:6,12,18,18',
  ],
  [
    'US terms\n\nBall\nRound 1 (in red): 6 sc in MR (6)\nRound 2 (in blue): inc x6 (12)\nRound 3 (in red), sc around (12)',
    'Ball:6,12,12',
  ],
  [
    'US terms\n\nBall\nRnd 1. With red 6 sc in MR. (6)\nRnd 2. 2 sc in each sc. (12)\nWith blue:\nRnd 3. Sc in each sc. (12)\n(red)\nRnd 4. Sc in each sc. (12)',
    'Ball:6,12,12,12',
  ],

  ['US terms\n\nHead\n\n1\n6 sc in MR (6)\n\n2\ninc x6 (12)', 'Head:6,12'],
  [
    'US terms\n\nBall\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x6 (12)\nContinue for 3 more rounds in sc.\nRnd 6: dec x6 (6)',
    'Ball:6,12,12,6',
  ],
  ['US terms\n\nWing\nMR 6 (6)\ninc x6 (12)\nsc around (12)', 'Wing:6,12,12'],
];

describe('a pattern laid out in many hands', () => {
  it.each(PATTERNS)('%j', (text, counts) => {
    const { parts, findings } = checkText(text, 'x');
    const read = parts
      .map(({ name, rounds }) => `${name}:${rounds.map(({ made }) => made ?? '?').join(',')}`)
      .join(';');
    expect(read.toLowerCase()).toBe(counts.toLowerCase());
    expect(findings.filter(({ severity }) => severity !== 'hint')).toEqual([]);
  });
});
