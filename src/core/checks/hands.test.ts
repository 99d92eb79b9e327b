import { describe, expect, it } from 'vitest';
import { checkPattern, checkText, fixedReport } from '../index.js';

/** A piece that closes and holds stuffing, one that only closes, and one that stays open. */
const HOLLOW =
  'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnds 4-7: sc around (18)\nRnd 8: (sc 1, dec) x 6 (12)\nRnd 9: dec x 6 (6)\nFasten off and close the hole.\n';
const FLAT = HOLLOW.replace(/Rnd 8[^]*/, 'Rnd 8: fold flat, sc 6 through both layers (6)\nFasten off.\n');
const SHUT =
  'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nRnd 4: dec x 6 (6)\nFasten off and close the hole.\n';
const OPEN = 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nFasten off, leaving a tail.\n';
const us = (text: string) => `US terms\n\n${text}`;
const body = (rest = '', before = '') => us(`${before}BODY\n${OPEN.replace('Fasten', `Stuff.\nFasten`)}${rest}`);

/** Short texts by rule: those in which it speaks, and those in which it is silent. */
const TEXTS: Readonly<Record<string, { readonly speaks: readonly string[]; readonly silent: readonly string[] }>> = {
  'frame/quantity': {
    speaks: [
      body(`\nEAR (make 2)\n${OPEN}\nSew the four ears to the top of the body.\n`),
      body(`\nFoot, make two\n${OPEN}\nMAKING UP\nAttach all three feet below the body.\n`),
      body(`\nARMS x2\n${OPEN}\nASSEMBLY\nPin the 4 arms to the sides and sew.\n`),
      body(`\nLEG - you need 3\n${OPEN}\nFinishing: stitch both legs to the body.\n`),
    ],
    silent: [
      body(`\nEAR (make 2)\n${OPEN}\nSew the two ears to the top of the body.\n`),
      body(`\nLEG\n${OPEN}Make three more.\n\nSew the four legs on.\n`),
      body(`\nFOOT 1\n${OPEN}\nFOOT 2\n${OPEN}\nSew both feet to the body.\n`),
      body(`\nARM\n${OPEN}then two more of the same\n\nSew the three arms to the body.\n`),
      body(`\nEAR (make 2)\n${OPEN}\nSew the first ear left, the second ear right, with four stitches each.\n`),
    ],
  },
  'frame/row-round': {
    speaks: [
      us(
        'FLAP\nCh 7.\nRow 1: sc in 2nd ch from hook, sc 5 (6). Ch 1, turn.\nRow 2: sc 6 (6). Ch 1, turn.\nRnd 3: sc 6 (6). Ch 1, turn.\nRow 4: sc 6 (6). Fasten off.\n',
      ),
      us(
        `HEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRow 3: sc around (12)\nRnd 4: sc around (12)\nStuff. Fasten off.\n`,
      ),
      us(
        'SCARF\nCh 5.\nRow 1: sc in 2nd ch from hook, sc 3 (4)\nRow 2: ch 1, turn, sc 4 (4)\nRound 3: ch 1, turn, sc 4 (4)\nRow 4: ch 1, turn, sc 4 (4)\nFasten off.\n',
      ),
      us(
        `CAP\nRound 1: 8 sc in MR (8)\nRound 2: inc x 8 (16)\nRound 3: sc around (16)\nRow 4: sc around (16)\nRound 5: sc around (16)\nFasten off.\n`,
      ),
    ],
    silent: [
      us(
        `HEAD\nRow 1: 6 sc in MR (6)\nRow 2: inc x 6 (12)\nRow 3: sc around (12)\nRow 4: sc around (12)\nStuff. Fasten off.\n`,
      ),
      us(
        'FLAP\nCh 7.\nRnd 1: sc in 2nd ch from hook, sc 5 (6). Ch 1, turn.\nRnd 2: sc 6 (6). Ch 1, turn.\nRnd 3: sc 6 (6). Fasten off.\n',
      ),
      us(
        'BAG\nCh 5.\nRow 1: sc in 2nd ch from hook, sc 3 (4). Ch 1, turn.\nRow 2: sc 4 (4). Fasten off.\n\nRIM\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n',
      ),
      us(
        `HEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nStuff. Count the stitches of each row. Fasten off.\n`,
      ),
    ],
  },
  'make/eyes-late': {
    speaks: [
      us(`HEAD\n${SHUT}Now fit the safety eyes between Rnds 2 and 3. Not for children under three.\n`),
      us(`HEAD\nStuff as you go.\n${SHUT}Insert 6 mm safety eyes at Rnd 3, 4 stitches apart.\n`),
      us(`HEAD\n${SHUT}\nFINISHING\nPlace the safety eyes on Rnd 3 of the head and snap the washers on.\n`),
      us(`BALL\n${SHUT}Push the safety eyes through Rnd 3 and lock them from inside.\n`),
    ],
    silent: [
      us(`HEAD\n${SHUT.replace('Rnd 4', 'Fit the safety eyes between Rnds 2 and 3.\nRnd 4')}`),
      us(`HEAD\n${SHUT}Embroider the eyes on Rnd 3.\n`),
      us(`HEAD\n${OPEN}Fit the safety eyes between Rnds 2 and 3, then stuff.\n`),
      us(`HEAD\n${SHUT}Glue the button eyes on at Rnd 3.\n`),
      us(
        `HEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nFit the 24 mm safety eyes now.\nRnd 4: inc x 12 (24)\nRnds 5-8: sc around (24)\nRnd 9: dec x 12 (12)\nRnd 10: dec x 6 (6)\nStuff. Fasten off and close the hole.\n`,
      ),
    ],
  },
  'make/stuffing-late': {
    speaks: [
      us(`BALL\n${HOLLOW}`),
      us(
        `EGG\n${HOLLOW.replace('Fasten off and close the hole.', 'Thread the tail through the last stitches and pull them together.')}`,
      ),
      us(`BALL\n${HOLLOW}Stuff it.\n`),
      us(`ARM (make 2)\n${FLAT}`),
      us(`WING (make 2)\n${HOLLOW}`),
      us(`PEA\n${HOLLOW.replace('and close the hole', 'and draw the opening shut')}\nSTALK\n${OPEN}`),
    ],
    silent: [
      us(`BALL\n${HOLLOW.replace('Rnd 8', 'Stuff.\nRnd 8')}`),
      us(`WING (make 2)\n${FLAT}`),
      us(`BALL\nFill the ball as you go.\n${HOLLOW}`),
      us(`BOTTOM\n${HOLLOW.replace('Rnd 8', 'Filling goes in.\nTOP\nRnd 8')}`),
      us(`BALL\n${HOLLOW.replace('Rnd 8', 'No stuffing is used.\nRnd 8')}`),
      us(`ARM (make 2)\n${FLAT.replace('Rnd 8: fold flat, sc 6', 'Stuff lightly, flatten, and sc 6')}`),
      us(`COIN\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nFasten off.\n`),
    ],
  },
  'make/no-finish': {
    speaks: [
      us(`HEAD\n${SHUT}\nBODY\n${SHUT}\nCAP\n${SHUT.replace(/Fasten.*/, '')}\nASSEMBLY\nSew the cap on the head.\n`),
      us(
        `EAR (make 2)\n${OPEN}\nTAIL\n${OPEN}\nCHEEK (make 2)\n${OPEN.replace(/Fasten.*/, 'Fill a little.')}\nASSEMBLY\nSew all on.\n`,
      ),
      us(
        `HEAD\n${SHUT}\nBODY\n${SHUT}\nHORN (make 2)\n${OPEN.replace(/Fasten.*/, 'A little stuffing goes in.')}\nASSEMBLY\nSew all on.\n`,
      ),
      us(
        `LEG (make 4)\n${OPEN}\nBODY\n${SHUT}\nTAIL\n${OPEN.replace(/Fasten.*/, 'It measures 4 cm.')}\nASSEMBLY\nSew all on.\n`,
      ),
    ],
    silent: [
      us(
        `HEAD\n${SHUT}\nBODY\n${SHUT}\nCAP\n${SHUT.replace(/Fasten.*/, 'Draw up.')}\nASSEMBLY\nSew the cap on the head.\n`,
      ),
      us(`HEAD\n${SHUT}\nBODY\n${SHUT}\nARM (make 2)\n${FLAT.replace(/Fasten.*/, '')}\nSew the arms to the body.\n`),
      us(
        `HEAD\n${SHUT}\nBODY\n${SHUT}\nARM (make 2)\n${OPEN.replace(/Fasten.*/, 'stuff lightly, fold, sc through both sides x4\nFO leave tail')}\nSew the arms to the body.\n`,
      ),
      us(`HEAD\n${SHUT.replace(/Fasten.*/, '')}\nBODY\n${SHUT.replace(/Fasten.*/, '')}\nThe head goes on the body.\n`),
    ],
  },
  'safety/heat': {
    speaks: [
      body('Fill the inner bag with cherry stones. Warm it in the microwave for one minute.\n'),
      body('A tea light goes inside.\n'),
      body('It is made as a heat pack: fill with wheat.\n'),
      body('Warm in the oven before bedtime.\n'),
    ],
    silent: [
      body('Fill it with wheat and warm it in the microwave. Caution: let it cool, and never leave it unattended.\n'),
      body('Block it with a warm iron? No: a damp cloth will do.\n'),
      body('A warm colour suits it best.\n'),
      body('Put an LED tea light inside, never a candle: it burns.\n'),
    ],
  },
  'safety/cord': {
    speaks: [
      body('Chain 80 for a cord and tie it round the neck.\n'),
      body('Make a loop of 60 ch to hang it from the pram.\n'),
      body('Sew a ribbon of 50 cm to the top so that it can hang over the cot.\n'),
      body('\nSTRAP\nCh 120, sl st in each ch. Fasten off. Tie the strap on for carrying.\n'),
    ],
    silent: [
      body('Chain 80 for a cord. Not for small children: a cord that long may strangle.\n'),
      body('Make a loop of 8 ch at the top for a key ring.\n'),
      body('Ch 12 for the tail.\n'),
      body('Leave a tail of 50 cm for sewing.\n'),
    ],
  },
  'materials/hook-size': {
    speaks: [
      us(`Hook: 3.5 mm (US G/6)\nYarn: DK\n\nBODY\n${OPEN}`),
      us(`You need a 2.5 mm / US D-3 hook.\n\nBODY\n${OPEN}`),
      us(`Hook 4 mm (E)\n\nBODY\n${OPEN}`),
      us(`5.0 mm hook (US size F)\n\nBODY\n${OPEN}`),
    ],
    silent: [
      us(`Hook: 3.5 mm (US E/4)\n\nBODY\n${OPEN}`),
      us(`2.25 mm / US B-1 hook\n\nBODY\n${OPEN}`),
      us(`Hook 4 mm (G/6)\n\nBODY\n${OPEN}`),
      us(`Hooks: 3 mm for the body, and an F (3.75 mm) for the hat\n\nBODY\n${OPEN}`),
    ],
  },
  'materials/colour': {
    speaks: [
      us(`Yarn: grey, white\n\nBODY, grey\n${OPEN}\nEAR (brown)\n${OPEN}\nPAW, white\n${OPEN}`),
      us(
        `Materials\n- DK yarn in moss and sand\n\nBODY\nWith moss.\n${OPEN}\nHAT\nWith violet.\n${OPEN}\nFOOT in sand\n${OPEN}`,
      ),
      us(
        `Bulky yarn in Slate and Chalk, hook 5 mm, needle\n\nBODY in Slate\n${OPEN}\nEAR, two, in Ivory\n${OPEN}\nPAW in Chalk\n${OPEN}`,
      ),
      us(
        `Yarn: red and black\n\nBODY\nRnd 1, red: 6 sc in MR (6)\nRnd 2, black: inc x 6 (12)\nRnd 3, yellow: sc around (12)\nFasten off.\n`,
      ),
    ],
    silent: [
      us(`Yarn: grey, white\n\nBODY, grey\n${OPEN}\nEAR (white)\n${OPEN}`),
      us(`Materials\n- DK yarn in moss and sand\n\nBODY\nWith moss.\n${OPEN}\nFOOT in sand\n${OPEN}`),
      us(
        `Colours: A = teal, B = cream\n\nBODY\nRnd 1 (A): 6 sc in MR (6)\nRnd 2 (B): inc x 6 (12)\nRnd 3: sc around (12)\nFasten off.\n`,
      ),
      us(`Use any yarn you like.\n\nBODY, green\n${OPEN}\nHAT, red\n${OPEN}`),
    ],
  },
  'notation/bracket': {
    speaks: [
      us(`BODY\nRnd 1: 6 sc in MR (6)\nRnd 2: (inc x 6 (12)\nFasten off.\n`),
      us(`BODY\n1) 6 sc in MR [6]\n2) inc x 6 [12\n3) sc around [12]\nFasten off.\n`),
      us(`BODY\n(1) 6 sc in MR (6)\n(2) sc, inc) x 3 (9)\n(3) sc around (9)\nFasten off.\n`),
      us(`BODY\nR1: 6 sc in MR {6}\nR2: *sc, inc x 3 {9}\nR3: sc around {9}\nFasten off.\n`),
    ],
    silent: [
      us(`BODY\n1) 6 sc in MR (6)\n2) inc x 6 (12)\n3) sc around (12)\nFasten off.\n`),
      us(`BODY\na) 6 sc in MR (6)\nb) inc x 6 (12)\nc) sc around (12)\nd) sc around (12)\nFasten off.\n`),
      us(`BODY\n[1] 6 sc in MR (6)\n[2] (sc, inc) x 3 (9)\n[3] sc around (9)\nFasten off.\n`),
      us(`BODY\nRnd 1) 6 sc in MR (6)\nRnd 2) inc x 6 (12)\nFasten off :)\n`),
    ],
  },
  'materials/notion': {
    speaks: [
      us(`Materials: DK yarn, 3 mm hook, two buttons, stuffing\n\nBODY\n${OPEN.replace('Fasten', 'Stuff.\nFasten')}`),
      us(
        `You need: yarn, hook 3 mm, 6 mm safety eyes, fibrefill\nNot for children under three.\n\nBODY\n${OPEN.replace('Fasten', 'Stuff.\nFasten')}`,
      ),
      us(`Materials\n- yarn\n- 3 mm hook\n- a bell\n\nBODY\n${OPEN}`),
      us(`Materials\nyarn, 3 mm hook, ribbon\n\nBODY\n${OPEN}`),
    ],
    silent: [
      us(`Bell the sheep\n\nMaterials: yarn, 3 mm hook, a bell, stuffing\n\nBODY\nPut the bell in and stuff.\n${OPEN}`),
      us(`Materials: yarn, 3 mm hook, two buttons\n\nBODY\n${OPEN}\nBUTTON EYES\nSew one on each side.\n`),
      us(`Materials: yarn, 3 mm hook, stuffing\n\nBODY\n${OPEN.replace('Fasten', 'Stuff.\nFasten')}`),
      us(
        `Materials: yarn, 3 mm hook, 6 mm safety eyes\nNot for children under three.\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nSet the eyes between Rnds 1 and 2.\nFasten off.\n`,
      ),
    ],
  },
  'make/not-attached': {
    speaks: [
      body(`\nEAR (make 2)\n${OPEN}\nTAIL\n${OPEN}\nASSEMBLY\nSew the ears to the body.\n`),
      body(`\nHAT\n${OPEN}\nNOSE\n${OPEN}\nMaking up: sew the nose to the front of the body.\n`),
      body(`\nWING x2\n${OPEN}\nBEAK\n${OPEN}\nTO MAKE UP\nSew the wings to the sides of the body.\n`),
      body(`\nARM (2)\n${OPEN}\nLEG (2)\n${OPEN}\nFinishing\nStitch the arms to the body. Weave in.\n`),
    ],
    silent: [
      body(`\nEAR (make 2)\n${OPEN}\nTAIL\n${OPEN}\nASSEMBLY\nSew the ears on top and the tail behind.\n`),
      body(`\nHAT\n${OPEN}\nMaking up: the hat goes on top.\n`),
      body(`\nEAR (make 2)\n${OPEN}Sew on at Rnd 2 of the body.\n\nTAIL\n${OPEN}Sew it to the back.\n`),
      body(`\nEAR\n${OPEN}\nTAIL\n${OPEN}\nSew everything to the body.\n`),
    ],
  },
};

describe.each(Object.entries(TEXTS))('%s, in other hands', (rule, { speaks, silent }) => {
  const said = (text: string) => checkText(text, 'x').findings.filter((finding) => finding.rule === rule);
  it.each(speaks.map((text) => [text]))('speaks of %j', (text) => {
    expect(said(text)).not.toEqual([]);
  });
  it.each(silent.map((text) => [text]))('is silent on %j', (text) => {
    expect(said(text)).toEqual([]);
  });
});

describe('a figure of the round that begins a piece', () => {
  const after = 'Rnd 2: inc in each st (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: sc around (18)\nFasten off.\n';
  const namedIn = (text: string) =>
    checkText(us(`BALL\n${text}`), 'ball.txt')
      .findings.filter(({ rule }) => rule.startsWith('count/'))
      .map(({ line, message }) => `${line}: ${message}`);

  it.each([
    [`Rnd 1: mr 7\n${after}`, '4: Makes 7. On 6 stitches Rnd 2 comes out at 12, as it states.'],
    [`Rnd 1: 5 sc in MR\n${after}`, '4: Makes 5. On 6 stitches Rnd 2 comes out at 12, as it states.'],
    [
      `Rnd 1: 5 sc in MR\n${after.replace('inc in each st', 'inc x 6')}`,
      '4: Makes 5. On 6 stitches Rnd 2 comes out at 12, as it states.',
    ],
    [
      `Rnd 1: 7 sc in MR\n${after.replace('inc in each st', 'inc x 6')}`,
      '4: Makes 7. On 6 stitches Rnd 2 comes out at 12, as it states.',
    ],
    [
      `1. mr 8\n${after.replace(/Rnd (\d):/g, '$1.')}`,
      '4: Makes 8. On 6 stitches round 2 comes out at 12, as it states.',
    ],
  ])('is named where the next rounds bear each other out: %j', (text, named) => {
    expect(namedIn(text)).toEqual([named]);
  });

  it('has what it would have to be as its fix', () => {
    const { findings } = fixedReport(checkPattern(us(`BALL\nRnd 1: mr 7\n${after}`), 'ball.txt'));
    expect(findings.find(({ rule }) => rule === 'count/stated')?.fixes[0]).toMatchObject({
      title: '6 instead of 7',
      edits: [{ text: '6' }],
    });
  });

  it.each([
    // It says so twice.
    [`Rnd 1: 7 sc in MR (7)\n${after}`, 5],
    // Nothing bears out the round behind it.
    ['Rnd 1: mr 7\nRnd 2: inc in each st (12)\nFasten off.\n', 5],
    [`Rnd 1: mr 6\n${after.replace('(12)', '(13)')}`, 5],
    // The increases may have been lost.
    [`Rnd 1: 6 sc in MR\n${after.replace('inc in each st', 'sc in each st')}`, 5],
    [`Rnd 1: 8 sc in MR\n${after.replace('inc in each st', 'sc in each st')}`, 5],
    [`Rnd 1: 6 sc in MR\n${after.replace('inc in each st', 'dec in each st')}`, 5],
  ])('is not named where anything else may be wrong: %j', (text, line) => {
    const named = namedIn(text);
    expect(named).toHaveLength(1);
    expect(named[0]).toMatch(new RegExp(`^${line}: `));
  });
});
