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

/** Names of parts with how many are made, and what each of their lines comes to. */
const PARTS: readonly (readonly [string, string])[] = [
  ['US terms\nHEAD\nRnd 1: ch 2, 6 sc in second chain from hook (6)\nRnd 2: inc around (12)', 'Head×1: 6 12'],
  ['US terms\nHead\nMake a magic ring.\n1: 6 sc\n2: 6 inc (12)\n3: sc', 'Head×1: 6 12 12'],
  [
    'US terms\nHead (start at the top)\nR1: magic ring, 6sc (6)\nR2: inc*6 (12)\nEar - make 2 -\nR1: magic ring, 5sc (5)',
    'Head×1: 6 12; Ear×2: 5',
  ],
  [
    'UK terms\nFOOT x2\nChain 6\nRnd 1: dc in 2nd ch from hook, dc 3, 3 dc in last ch, turn to the other side, dc 3, 2 dc in same ch as first dc (12)\nRnd 2: 2 dc in next, dc 3, 2 dc in next 3, dc 3, 2 dc in next 2 (18)',
    'Foot×2: 12 18',
  ],
  [
    'US terms\nSole (make 2)\nch 7\nR1: sc in 2nd ch, sc 4, 3 sc in last ch. Other side: sc 4, inc in last (14)\nR2: inc, sc 4, inc x3, sc 4, inc x2 (20)',
    'Sole×2: 14 20',
  ],
  [
    'US terms\nSNOUT\nChain 4.\nRnd 1: 2 sc in 2nd ch from hook, sc, 4 sc in last ch, sc on the opposite side of the chain, 2 sc in last ch (10)\nRnd 2: sc around (10)',
    'Snout×1: 10 10',
  ],
  [
    'US terms\nMuzzle: ch5, starting in 2nd ch from hook: inc, sc 2, 4 sc in last, on other side: sc 2, inc. (12)\nRnd 2: sc 12',
    'Muzzle×1: 12 12',
  ],
  [
    'US terms\nBelly\nRow 1: ch 6, turn, sc in 2nd ch from hook, sc 4, ch 1, turn (5)\nRow 2: inc, sc 3, inc, ch 1, turn (7)\nRow 3-6: sc 7, ch 1, turn (7)\nRow 7: dec, sc 3, dec, ch 1, turn (5)\nEdge: sc evenly around',
    'Belly×1: 5 7 7 5',
  ],
  [
    'US terms\nSCARF\nCh 61\nRow 1: Starting in 3rd ch, hdc in each ch across (59)\nRow 2: ch 2, turn, hdc across (59)',
    'Scarf×1: 59 59',
  ],
  [
    'US terms\nScarf\nRow 1: ch 51, dc in 4th ch from hook and in each ch to end (49 dc)\nRow 2: ch 3, turn, dc in each st across (49)',
    'Scarf×1: 49 49',
  ],
  [
    'US terms\nHair strands\n*ch 21, sl st back along the chain (20), sl st in next st of the cap* repeat around\nCap\nR1: 6 sc in MR (6)',
    'Cap×1: 6',
  ],
  [
    "US terms\nLegs\nFirst leg\nR1 6sc in mr (6)\nR2 inc x6 (12)\nR3-5 sc around (12) cut yarn\nSecond leg\nR1-5 same as first leg, don't cut yarn\nBody\nR6 ch 3, join to first leg, sc 12 around first leg, sc 3 along ch, sc 12 around second leg, sc 3 along other side of ch (30)\nR7 sc around (30)",
    'First leg×1: 6 12 12; Second leg×1: 12; Body×1: 30 30',
  ],
  [
    'UK terms\nTAIL\nRound 1: 4dc in ring [4]\nRound 2: dc round\nRound 3: (dc, inc) twice [6]\nRounds 4 & 5: dc round\nRound 6: (2dc, inc) twice [8]',
    'Tail×1: 4 4 6 6 8',
  ],
  [
    'US terms\nBall\nFoundation ring: ch 4, sl st to first ch to form ring.\nRound 1: ch 3 (counts as dc), 11 dc in ring, sl st to top of ch 3. (12 dc)\nRound 2: ch 3, dc in same st, 2 dc in each st around, join. (24)',
    'Ball×1: 12 24',
  ],
  [
    'US terms\nGranny square hat\nRnd 1: MR, ch 2, 8 hdc, join (8)\nRnd 2: ch 2, 2 hdc in each, join (16)\nRnd 3: ch 2, (hdc, 2 hdc in next) 8 times, join (24)\nRnds 4-7: ch 2, hdc in each, join (24)\nRnd 8: ch 1, sc in each, join. FO. (24)',
    'Granny square hat×1: 8 16 24 24 24',
  ],
  [
    'US terms\nEar\nR1 6 sc in MR (6)\nR2 inc in each st (12)\nRow 3: sc 6, ch 1 and turn (6)\nRow 4: sc 6 (6)\nRow 5: dec, sc 2, dec (4)',
    'Ear×1: 6 12 6 6 4',
  ],
  [
    'US terms\nBody:\nRnd 1 (6): Start with 6 sc in a magic ring.\nRnd 2 (12): Inc in each st.\nRnd 3 (18): (Sc, inc) x 6.\nRnd 4-6 (18): Sc in each st.',
    'Body×1: 6 12 18 18',
  ],
  ['US terms\nBody\n(6) Rnd 1: 6 sc in MR\n(12) Rnd 2: inc x6\n(18) Rnd 3: (sc, inc) x6', 'Body×1: 6 12 18'],
  [
    'US terms\nBody\nRound 1\n6 sc in MR\nRound 2\ninc around\n12 sts\nRound 3\n(sc, inc) around\n18 sts',
    'Body×1: 6 12 18',
  ],
  ['US terms\nBody\n\nRow 1: 6 sc in MR\n[6 sts]\nRow 2: inc x 6\n[12 sts]', 'Body×1: 6 12'],
  [
    'US terms\nNose\n1st rnd - 6 sc in MR - (6 sc)\n2nd rnd - 2 sc in each sc - (12 sc)\n3rd to 5th rnd - 1 sc in each sc - (12 sc)',
    'Nose×1: 6 12 12',
  ],
  [
    'US terms\n\nHEAD & BODY (worked in one piece, starting at the top)\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)',
    'Head & body×1: 6 12',
  ],
  ['US terms\n\n1. HEAD\nRnd 1: 6 sc in MR (6)\n2. BODY\nRnd 1: 5 sc in MR (5)', 'Head×1: 6; Body×1: 5'],
  ['US terms\n\nI. Head\nRnd 1: 6 sc in MR (6)\n\nII. Body\nRnd 1: 5 sc in MR (5)', 'Head×1: 6; Body×1: 5'],
  ['US terms\n\n❤ Head ❤\nRnd 1: 6 sc in MR (6)\n❤ Arms (2x) ❤\nRnd 1: 5 sc in MR (5)', 'Head×1: 6; Arms×2: 5'],
  ['US terms\n\n<< HEAD >>\nRnd 1: 6 sc in MR (6)\n<< EARS x 2 >>\nRnd 1: 5 sc in MR (5)', 'Head×1: 6; Ears×2: 5'],
  ['US terms\n\nEars (make 2 in each colour)\nRnd 1: 6 sc in MR (6)', 'Ears×2: 6'],
  ['US terms\n\n2 arms:\nRnd 1: 6 sc in MR (6)\n4 legs:\nRnd 1: 5 sc in MR (5)', 'Arms×2: 6; Legs×4: 5'],
  ['US terms\n\nTwo ears\nRnd 1: 6 sc in MR (6)', 'Ears×2: 6'],
  ['US terms\n\nArms, make a pair\nRnd 1: 6 sc in MR (6)', 'Arms×2: 6'],
  ['US terms\n\nLEGS: (x4)\nRnd 1: 6 sc in MR (6)', 'Legs×4: 6'],
  ['US terms\n\nLEGS *4\nRnd 1: 6 sc in MR (6)', 'Legs×4: 6'],
  ['US terms\n\nLegs [make 4]\nRnd 1: 6 sc in MR (6)', 'Legs×4: 6'],
  ['US terms\n\nLegs - 4 pieces - with brown\nRnd 1: 6 sc in MR (6)', 'Legs×4: 6'],
  ['US terms\n\nlegs (4)\nrnd 1: 6 sc in mr (6)\n\ntail\nrnd 1: 4 sc in mr (4)', 'legs×4: 6; tail×1: 4'],
  [
    'US terms\n\nLeft leg:\nRnd 1: 6 sc in MR (6)\nRnds 2-4: sc around (6)\nRight leg:\nWork Rnds 1-4 as for left leg. (6)\nRnd 5: inc x 6 (12)',
    'Left leg×1: 6 6; Right leg×1: 6 12',
  ],
  [
    'US terms\n\nLeft leg:\nRnd 1: 6 sc in MR (6)\nRnds 2-4: sc around (6)\n\nRight leg:\nSame as left leg. Do not fasten off.\nRnd 5: sc 6, ch 2, sc 6 on the left leg, sc 2 on ch, (14)',
    'Left leg×1: 6 6; Right leg×1: 6 14',
  ],
  [
    'US terms\n\nBody\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nHead (continue from body)\nRnd 3: sc around (12)\nRnd 4: inc x 12 (24)',
    'Body×1: 6 12; Head×1: 12 24',
  ],
  [
    'US terms\n\nBody\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nNow for the neck:\nRnd 3: dec x 6 (6)\nNow shape the head:\nRnd 4: inc x 6 (12)',
    'Body×1: 6 12 6 12',
  ],
  [
    'US terms\n\nBody\nRnd 1: 6 sc in MR (6)\nNext rnd: inc x 6 (12)\nNext rnd: (sc, inc) x 6 (18)\nNext 3 rnds: sc around (18)\nNext rnd: (sc, dec) x 6 (12)',
    'Body×1: 6 12 18 18 12',
  ],
  [
    'US terms\n\nBody\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nWork 4 rounds even.\nRnd 7: dec x 6 (6)',
    'Body×1: 6 12 12 6',
  ],
  [
    'US terms\n\nBody\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nSc in each st around for the next 4 rounds.\nRnd 7: dec x 6 (6)',
    'Body×1: 6 12 12 6',
  ],
  [
    'US terms\n\nBody\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nContinue in sc until body measures 5 cm.\nLast rnd: dec x 6 (6)',
    'Body×1: 6 12 6',
  ],
  [
    'US terms\n\nBody\nRnd 1: 6 sc in MR (6)\nRnds 2 - 3: inc in each st (24)\nRnd 4 and 5: sc (24)\nRnds 6,7,8: sc (24)\nRnd 9 & 10: sc (24)\nRnds 11/12: sc (24)',
    'Body×1: 6 24 24 24 24 24',
  ],
  [
    'US terms\n\nBody\nR1: 6 sc in MR (6)\nR2: inc x 6 (12)\nR3-5: 12 sc (12) x3\nR6-8 (3 rnds): 12 sc\nR9 to R10: 12 sc\nR.11: 12 sc\nR 12: 12 sc\nR13= 12 sc\nR14) 12 sc\nR15 | 12 sc\nR16 12 sc\nR17 - 12 sc',
    'Body×1: 6 12 12 12 12 12 12 12 12 12 12 12',
  ],
  [
    'US terms\n\nBody\nRnd. 1: 6 sc in MR (6)\nRnd. 2. inc x 6 (12)\nRnd #3: sc around (12)\nRd.4: sc around (12)\nRND5: sc around (12)\nRound no. 6: sc around (12)\nrnd7. sc around (12)',
    'Body×1: 6 12 12 12 12 12 12',
  ],
  [
    'US terms\n\nTail\nUsing brown yarn\nR1: 4 sc in MR = 4\nR2: sc = 4\nR3: sc, inc, sc, inc = 6\nR4-8: sc = 6\n\nAssembly\n1. Sew the tail to R3.\n2. Sew 2 ears on.\n3. Done (6)',
    'Tail×1: 4 4 6 6',
  ],
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

describe('parts, how many are made, and their rounds', () => {
  it.each(PARTS)('%j', (text, parts) => {
    const report = checkText(text, 'x');
    const read = report.parts.map(
      ({ name, make, rounds }) => `${name}×${make}: ${rounds.map(({ made }) => made).join(' ')}`,
    );
    expect(read.join('; ')).toBe(parts);
    expect(report.findings.filter(({ severity }) => severity === 'error')).toEqual([]);
  });
});
