import { describe, expect, it } from 'vitest';
import { checkPattern, fixedReport } from '../index.js';

const BEGUN = 'US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
const OPEN = 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nFasten off, leaving a tail.\n';
const LAST = 'Rnd 9: dec x 6 (6)\n';
const HEAD = `US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnds 4-7: sc around (18)\nRnd 8: (sc 1, dec) x 6 (12)\n${LAST}Fasten off and close the hole.\n`;
const legs = (heading: string, assembly: string) => `US terms\n\n${heading}\n${OPEN}\nASSEMBLY\n${assembly}\n`;
const front = (assembly: string) => legs(`FRONT LEGS (make 2)\n${OPEN}\nBACK LEGS (make 2)`, assembly);
const eyes = (size: number, words: string) =>
  HEAD.replace('HEAD', `Materials\n${size} mm safety eyes, not for children under 3\n\nHEAD`).replace(
    LAST,
    `${words}\n${LAST}`,
  );
const hook = (terms: string, said: string) => `${terms} terms\n\nMaterials\nHook: ${said}\n\nBALL\nRnd 1: 6 sc in MR\n`;
const tube = (moss: string, sand: string) =>
  `US terms\n\nMaterials\nDK cotton (50 g = 110 m): Moss ${moss}, Sand ${sand}\n3 mm hook\n\nTUBE\nWith Moss.\nCh 40 and join with a sl st to form a ring.\nRnds 1-20: sc around (40)\nChange to Sand.\nRnds 21-25: sc around (40)\nFasten off.\n`;

/** By rule short texts, and all that it says of each, with its fixes in brackets. */
const SAID: Readonly<Record<string, readonly (readonly [text: string, ...said: string[]])[]>> = {
  'count/breakdown': [
    [
      `${BEGUN}Rnd 3: sc around (12 hdc)\n`,
      '6: The round makes 12 single crochet where 12 half double crochet are stated.',
    ],
    [
      `${BEGUN.replace('US', 'UK').replace('sc in', 'dc in')}Rnd 3: htr around (12 tr)\n`,
      '6: The round makes 12 half treble crochet where 12 treble crochet are stated.',
    ],
    [
      `${BEGUN}Rnd 3: sc 4, (hdc, dc, hdc) in next st, sc 7 (11 sc, 3 hdc)\n`,
      '6: The round makes 2 half double crochet where 3 are stated.',
    ],
    [`${BEGUN}Rnd 3: (sc 1, hdc 1) x 6 (6 sc, 6 hdc)\n`],
    [`${BEGUN}Rnd 3: sc around (12 sc)\n`],
  ],
  'count/foundation': [
    [
      'US terms\n\nFLAP\nRow 1: Ch 2, sc in 2nd ch from hook, sc 2 (3)\n',
      '4: Ch 2 gives one chain to work along; this uses 3. Ch 4 fits the first side. It makes 3, as stated, but does not come out even. [4 instead of 2: Ch 4 (makes 3)]',
    ],
    [
      'US terms\n\nSOLE\nRnd 1: Ch 7, sc in 2nd ch from hook, sc 3, 3 sc in last ch, on the other side: sc 4, inc (13)\n',
      '4: Ch 7 gives 6 chains to work along; this uses 5 and 5 back along the other side. Ch 6 fits the first side. It makes 13, as stated, but does not come out even. [Rnd 1 carries it: 4 instead of 3. It makes 14.]',
    ],
  ],
  'count/open-ended': [
    [
      `${BEGUN}Rnd 3: dec until closed\n`,
      "6: No number and no target: this can't be counted. There are 12 stitches to begin with. Say how often, and how many are left. [6 times: uses all 12 and leaves 6]",
    ],
    [
      `${BEGUN.replace('inc x 6 (12)', '(sc 1, inc) x 3 (9)')}Rnd 3: dec until closed\n`,
      "6: No number and no target: this can't be counted. There are 9 stitches to begin with. Say how often, and how many are left.",
    ],
    [
      'US terms\n\nRnd 1: flurble in MR\nRnd 2: dec until closed\n',
      "4: No number and no target: this can't be counted. Say how often, and how many are left.",
    ],
  ],
  'frame/quantity': [
    [
      legs('LEGS (make 4, three for each side)', 'Sew all six legs to the body.'),
      '3: 4 are to be made, and 3 for each side are 6.',
    ],
    [
      front('Sew the three front legs to the body.'),
      '16: 2 are made, and 3 are sewn on here. ["the two" instead of "the three"]',
    ],
    [
      front('Sew the six legs to the body.'),
      '16: 4 are made, and 6 are sewn on here. ["the four" instead of "the six"]',
    ],
    [front('Sew the two front legs to the body.')],
    [front('Sew the four legs to the body.')],
    [legs('LEGS (make 4)', 'Sew the two legs to the front and two legs behind.')],
    [legs('LEG', 'Sew both legs to the body.'), '10: 1 is made, and 2 are sewn on here.'],
  ],
  'frame/reference': [
    [
      `${BEGUN}Rnd 3: BLO sc around (12)\nRnd 4: working in the front loops left free in Rnd 5, sc around (12)\n`,
      '7: There is no round 5: Head has 4 rounds.',
    ],
    [`${BEGUN}Rnd 3: rep rnds 14 and 15 (12)\n`, '6: There are no rounds 14, 15: Head has 3 rounds.'],
    [`${BEGUN}Rnd 3: rep rnd 12 (24)\n`, '6: There is no round 12: Head has 3 rounds. [2 instead of 12]'],
    [`${BEGUN}Rnd 3: rep rnd 3 (12)\n`, '6: This refers to a round that comes later, or could not be read.'],
  ],
  'make/eyes-late': [
    [
      eyes(30, 'Insert the eyes now.'),
      '12: The washers of 30 mm eyes are about 34 mm wide, and Rnd 8 leaves 12 stitches, an opening 30 mm wide at 5 mm a stitch, which is usual. They would still go in after Rnds 4-7.',
    ],
    [eyes(20, 'Insert the eyes now.')],
    [eyes(30, '').replace('(12)\n', '(12)\nInsert the eyes now.\n')],
  ],
  'make/place': [
    [
      `${HEAD}Set the eyes between Rnds 6 and 6, 4 sts apart.\n`,
      '11: Between 6 and 6: two rounds that follow each other are meant.',
    ],
    [
      `${HEAD}Set the eyes between Rnds 6 and 5, 4 sts apart.\n`,
      '11: Between 6 and 5: two rounds that follow each other are meant.',
    ],
    [`${HEAD}Embroider the mouth on Rnd 9, over 8 sts.\n`, '11: Over 8 stitches: Round 9 of Head has 6.'],
    [`${HEAD}Embroider the mouth on Rnd 9, over 6 sts.\n`],
    [
      `${HEAD}Set the eyes on Rnd 5, 13 sts apart.\n`,
      '11: 13 stitches apart on the 18 of Round 5: 260° round it. The other way round they are 5 apart, 100°.',
    ],
    [
      `${HEAD}Set the eyes 6 sts apart.\n`,
      "11: 6 stitches apart, and not on which round: the place can't be told, nor whether it fits.",
    ],
    [
      `${BEGUN.replace('inc x 6 (12)', '(sc 1, inc) x 3 (9)')}Rnd 3: sc around (9)\nSet the eyes on Rnd 3, opposite each other.\nFasten off.\n`,
      '7: Opposite each other on Round 3, which has 9: 4 one way and 5 the other.',
    ],
    [`${BEGUN}Rnd 3: sc around (12)\nSet the eyes on Rnd 3, opposite each other.\nFasten off.\n`],
    // Which of the two is meant can't be told.
    [`${BEGUN}Rnd 3: sc around (12)\nRnd 3: sc around (12)\nSet the eyes on Rnd 3, 14 sts apart.\nFasten off.\n`],
  ],
  'materials/amount': [
    [
      tube('8 m', '90 m'),
      '4: Lists 8 m of Moss; the stitches, ends and seams need 22 to 29 m.',
      '4: Lists 90 m of Sand; the stitches, ends and seams need 6 to 7 m: far less.',
    ],
    [tube('30 m', '8 m')],
  ],
  'materials/hook-size': [
    [hook('US', '2.0 mm (E)'), '4: 2.0 mm has no letter; E is 3.5 mm.'],
    [hook('US', '2.5 mm (C/2)')],
    [hook('UK', '4.00 mm (old UK size 10)'), '4: 4.00 mm is the old UK size 8; size 10 is 3.25 mm. [8 instead of 10]'],
    [hook('UK', '4.00 mm (old UK size 8)')],
  ],
  'notation/bracket': [
    [`US terms\n\nHEAD (make 2\n${OPEN}`, '3: "(" is opened in this heading and never closed.'],
    [`US terms\n\nHEAD {\n${OPEN}}\n`],
  ],
  'notation/unread': [
    [
      `US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: flurble the wimbledy strand over the gromet twice and so back to where you were (6)\n`,
      '4: "flurble the wimbledy strand over the gromet twice" was not understood, so this round is not counted.',
    ],
    [
      `US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: ${'sc 1, '.repeat(3000)}sc 1\n`,
      '4: What begins with " sc 1, sc 1, sc 1, sc 1, sc 1, sc 1, sc 1, sc 1, sc 1, sc 1…" is longer than one round can be, so it is not counted. Give each round a line of its own.',
    ],
  ],
  'terms/mixed': [
    [
      `${BEGUN}Rnd 3: Htr around (12)\n`,
      '6: "Htr" is a UK term in a US pattern; in US terms that is Hdc. [Hdc instead of Htr]',
    ],
    [
      `${BEGUN}Rnd 3: HTR AROUND (12)\n`,
      '6: "HTR" is a UK term in a US pattern; in US terms that is HDC. [HDC instead of HTR]',
    ],
    [
      `${BEGUN}Rnd 3: Half treble around (12)\n`,
      '6: "Half treble" is a UK term in a US pattern; in US terms that is Half double crochet. [Half double crochet instead of Half treble]',
    ],
  ],
  'terms/undefined': [
    [
      'US terms\n\nX = sc\nV = 2 sc in one stitch\nA = 2 sc together\n\nBall\nR1: 6X in MR (6)\nR2: 6V (12)\nR3: (X, G)*6 (12)\nR4: (X, G)*6 (12)\n',
      '10: "G" is used here, and the list of letters doesn\'t explain it.',
    ],
  ],
};

describe.each(Object.entries(SAID))('%s', (rule, texts) => {
  it.each(texts)('says of %j', (text, ...said) => {
    const { findings } = fixedReport(checkPattern(text, 'x'));
    const own = findings.filter((finding) => finding.rule === rule);
    expect(
      own.map(({ line, message, fixes }) => `${line}: ${message}${fixes.map(({ title }) => ` [${title}]`).join('')}`),
    ).toEqual(said);
  });
});

it.each([
  ['FLAP, ch 9', 3, 10],
  ['FLAP (Moss): ch 9.', 3, 17],
  ['FLAP\nCh 9.', 4, 4],
])('the chain of %j is put right where it stands', (begun, line, column) => {
  const text = `US terms\n\n${begun}\nRow 1: sc in 2nd ch from hook, sc 6 (7)\nFasten off.\n`;
  const finding = fixedReport(checkPattern(text, 'x')).findings.find(({ rule }) => rule === 'count/foundation');
  expect(finding?.fixes[0]).toEqual({
    title: 'Chain 8 instead of 9 (makes 7)',
    edits: [{ line, column, endLine: line, endColumn: column + 1, text: '8' }],
  });
});
