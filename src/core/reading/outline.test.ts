import { describe, expect, it } from 'vitest';
import { readPattern } from './read.js';

/** Parts as "Name x2", their stretches in brackets, their labels. */
function outline(text: string): string[] {
  return readPattern(text).parts.flatMap(({ name, make, stretches }) => [
    make === 1 ? name : `${name} x${make}`,
    ...stretches.flatMap((stretch) => [
      ...(stretch.name === null ? [] : [`[${stretch.name}]`]),
      ...stretch.rounds.map(({ label }) => `  ${label}`),
    ]),
  ]);
}

it('the chain that is told beside the name of a piece is known by its figure', () => {
  const text = 'US terms\n\nSide strap: with Ginger, ch 17.\nRow 1: sc in 2nd ch from hook and across\n';
  const start = readPattern(text).parts[0]?.stretches[0]?.start;
  expect(start?.kind === 'chains' && text.slice(start.figure.from, start.figure.to)).toBe('17');
});

const ROUNDS = 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';

it.each([
  ['ARMS\nMake 2.\n', 'Arms x2'],
  ['ARMS (make 2)\nMake them alike.\n', 'Arms x2'],
  ['ARMS\n\nFour pieces\n', 'Arms x4'],
  ['Arms\nin brown, four of them\n\n', 'Arms x4'],
  ['ARMS\n\n', 'Arms'],
])('how many of a piece are made is told with its name or below it: %j', (heading, part) => {
  expect(outline(`Bear\nUS terms\n\n${heading}${ROUNDS}`)[0]).toBe(part);
});

describe('the name of a piece that none is told of', () => {
  it.each([
    ['Bag\n\nRnd 1: 6 sc in MR (6)\n', 'Bag'],
    ['US terms\n\nRnd 1: 6 sc in MR (6)\n', 'Pattern'],
    ['Terms: UK\nBag\n\nRnd 1: 6 dc in MR (6)\n', 'Bag'],
    ['Written in US crochet terminology.\n\nRnd 1: 6 sc in MR (6)\n', 'Pattern'],
    ['(UK terms throughout!)\n\nRnd 1: 6 dc in MR (6)\n', 'Pattern'],
    ['Language: English (US)\n\nRnd 1: 6 sc in MR (6)\n', 'Pattern'],
    ['English pattern\n\nRnd 1: 6 sc in MR (6)\n', 'English pattern'],
    ['US terms of trade\n\nRnd 1: 6 sc in MR (6)\n', 'US terms of trade'],
  ])('%j', (text, name) => {
    expect(readPattern(text).parts.map((part) => part.name)).toEqual([name]);
  });
});

const labels = (line: string) =>
  outline(`BALL\n${line}\n`)
    .slice(1)
    .map((label) => label.trim());

describe('labels', () => {
  it.each([
    ['Rnd 5: sc around', ['Rnd 5']],
    ['R5: sc around', ['R5']],
    ['R5. sc around', ['R5']],
    ['Round 5 – sc around', ['Round 5']],
    ['Rd 5 sc around', ['Rd 5']],
    ['5. sc around', ['5']],
    ['5) sc around', ['5']],
    ['(5) sc around', ['5']],
    ['Row 5: sc across', ['Row 5']],
    ['Rows 5-8: sc across', ['Rows 5-8']],
    ['Rnds 5–8: sc around', ['Rnds 5–8']],
    ['R5-R8: sc around', ['R5-R8']],
    ['Rounds 5 to 8: sc around', ['Rounds 5 to 8']],
    ['Rnds 5, 7 and 9: sc around', ['Rnds 5, 7 and 9']],
    ['Rnd 5 & 6: sc around', ['Rnd 5 & 6']],
    ['Rnd 5 (RS): sc around', ['Rnd 5']],
    ['Round five: sc around', ['Round five']],
    ['5th round: sc around', ['5th round']],
    ['6th - 10th rounds: sc around', ['6th - 10th rounds']],
    ['**Rnd 5:** sc around', ['Rnd 5']],
    ['- R5: sc around', ['R5']],
    ['Rnd 5 - 6 sc', ['Rnd 5']],
    ['Rnd 5: sc around (6). Rnd 6: inc x 6 (12)', ['Rnd 5', 'Rnd 6']],
    ['Oat. Rnd 5 - sc around', ['Rnd 5']],
    ['Branch (2x): Rd 1: 6 sc in MR (6), Rd 2-3: sc around (6)', ['Rd 1', 'Rd 2-3']],
    ['Rd 5: sc around (6), as in Rd 4', ['Rd 5']],
  ])('%s', (line, found) => {
    expect(labels(line)).toEqual(found);
  });

  it.each([
    'Rnd 11 has left the front loops of Rnd 10 free.',
    'Insert eyes between Rnds 11 and 12, 8 sts apart.',
    'Rnds 9 and 10, 8 sts apart, is where the eyes go.',
    'Pop the eyes in between [1] and [2] with 7 sts showing between them.',
    '1) yarn 5 ply: Milk, Rain',
    '2 tsp of patience.',
  ])('none in: %s', (line) => {
    expect(outline(`BALL\n${ROUNDS}\n${line}\n`)).toEqual(['Ball', '  Rnd 1', '  Rnd 2']);
  });

  it('name the rounds that they name, and no others', () => {
    const rounds = readPattern('BALL\nRnds 5, 7 and 9: sc around\nRnds 10-12: sc around\n').parts[0]?.stretches[0]
      ?.rounds;
    expect(rounds?.map(({ numbers }) => numbers)).toEqual([
      [5, 7, 9],
      [10, 11, 12],
    ]);
  });
});

describe('headings', () => {
  it.each([
    ['HEAD', 'Head'],
    ['## Head', 'Head'],
    ['Head (make 1)', 'Head'],
    ['ARMS – make 2', 'Arms x2'],
    ['Leg x2', 'Leg x2'],
    ['Ears (make two, one in each colour)', 'Ears x2'],
    ['First leg', 'First leg'],
    ['~ WING (2 pieces) ~', 'Wing x2'],
    ['--- SIDE WALL (make 2) ---', 'Side wall x2'],
    ['[2] PUFF x2, Milk', 'Puff x2'],
    ['HORNS x2 coral', 'Horns x2'],
    ['BODY lagoon, spiral, marker on st 1', 'Body'],
    ['LEGS - you need two of them', 'Legs x2'],
    ['The Leaf (make two)', 'Leaf x2'],
    ['WING CASE (2 pcs.), Chestnut', 'Wing case x2'],
    ['**Cheeks (x2)**', 'Cheeks x2'],
    ['Body:', 'Body'],
    ['PAWS - make 4', 'Paws x4'],
    ['Ears (moss, two)', 'Ears x2'],
  ])('%s', (line, name) => {
    expect(outline(`A title\n\nSome words first.\n\n${line}\n\n${ROUNDS}`)[0]).toBe(name);
  });

  it('of other sections hold no parts', () => {
    const text = `Title\n\nMATERIALS\n1) yarn\n2) hook 3 mm\n\nHEAD\n${ROUNDS}\nASSEMBLY\n1. Sew the head on.\n2. Turn it to the front and ch 3.\n`;
    expect(outline(text)).toEqual(['Head', '  Rnd 1', '  Rnd 2']);
  });

  it('without one, the title names the part', () => {
    expect(outline(`My little ball\n\n${ROUNDS}`)[0]).toBe('My little ball');
    expect(outline(ROUNDS)[0]).toBe('Pattern');
  });

  it('under a part begin an edging of it, whose numbers start again', () => {
    expect(outline(`## Hull\n${ROUNDS}\n### Rim\nRnd 1: sc around (12)\n`)).toEqual([
      'Hull',
      '  Rnd 1',
      '  Rnd 2',
      '[Rim]',
      '  Rnd 1',
    ]);
    expect(
      outline(
        `## Hull\n${ROUNDS}\n*lip of the hull:* join Moss in a front loop that Rnd 2 left free\nL1: sc around (12)\n`,
      ),
    ).toEqual(['Hull', '  Rnd 1', '  Rnd 2', '[lip of the hull]', '  L1']);
  });
});

describe('lines', () => {
  it('that wrap belong together', () => {
    const text =
      'BALL\nRound 1. Chain 2. Work 6 single crochet in the second chain from the\nhook. (6 stitches)\nRound 2. Work 2 single crochet in each stitch around. (12\nstitches)\n';
    expect(
      readPattern(text).parts[0]?.stretches[0]?.rounds.map(({ stated, unread }) => [stated?.total, unread.length]),
    ).toEqual([
      [6, 0],
      [12, 0],
    ]);
  });

  it('with nothing but a label take the next one along', () => {
    const [round] = readPattern('BALL\nRound 5\n(sc 3, inc) x 6\n(30)\n').parts[0]?.stretches[0]?.rounds ?? [];
    expect(round?.stated?.total).toBe(30);
    expect(round?.steps.length).toBe(1);
  });

  it('of prose between rounds are not taken for instructions', () => {
    const text = `BALL\n${ROUNDS}Place marker.\nStart stuffing now and continue as you go.\nInsert eyes between Rnds 1 and 2, 8 sts apart.\nChange to Moss.\nFasten off, leaving a long tail for sewing.\nRnd 3: sc around (12)\n`;
    expect(outline(text)).toEqual(['Ball', '  Rnd 1', '  Rnd 2', '  Rnd 3']);
  });

  it('that explain a word are none, below a title, too', () => {
    const names = (above: string) =>
      readPattern(`SPRITE\n${above}\n\nCAP\n1. 6 dc in ring (6)\n2. inc in each (12)\n`).parts.map(({ name }) => name);
    expect(names('inc = 2 dc in one st')).toEqual(['Cap']);
    expect(names('inc = 2 dc in one st, dec = 2 dc tog')).toEqual(['Cap']);
    expect(names('(UK terms: dc = double crochet, inc = 2 dc in one st)')).toEqual(['Cap']);
    expect(names('6 dc in ring = 6 sts')).toEqual(['Sprite', 'Cap']);
  });

  it('without a label are instructions when they hold stitches and a count', () => {
    const text = `WING\n${ROUNDS}Press flat, close with 6 sc through both layers (6)\n`;
    expect(outline(text)).toEqual(['Wing', '  Rnd 1', '  Rnd 2', '  Press flat close']);
  });

  it('that begin in a chain are pieces of their own, with a name above or before it', () => {
    const told = [
      'ARMS (x2)\nch 12, sl st in 2nd ch from hook and in each ch across (11). Fasten off.',
      'Scarf: ch 60, sc in 2nd ch from hook and in each ch across (59).',
    ];
    expect(outline(`WING\n${ROUNDS}Fasten off.\n\n${told.join('\n\n')}\n`)).toEqual([
      'Wing',
      '  Rnd 1',
      '  Rnd 2',
      'Arms x2',
      '  ch 12 sl',
      'Scarf',
      '  ch 60 sc',
    ]);
    const foundation = 'Foundation: ch 12, sc in 2nd ch from hook and in each ch across (11).\n';
    expect(outline(`WING\n\n${foundation}`)).toEqual(['Wing', '  Foundation ch 12']);
  });

  it('hold a first round before the second, and a closing behind the last', () => {
    const wing =
      'WING\nMR with 6 sc. Rnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18). Fold, sc through both layers (9).\n';
    expect(outline(wing)).toEqual(['Wing', '  MR with 6', '  Rnd 2', '  Rnd 3', '  Fold sc through']);
  });
});

describe('plain rounds that no label tells', () => {
  const numbered = (text: string) =>
    readPattern(text).parts.flatMap(({ stretches }) =>
      stretches.flatMap(({ rounds }) => rounds.map(({ from, to }) => `${from}-${to}`)),
    );

  it.each([
    ['Work 4 rounds straight.', '3-6'],
    ['Work 4 rds. straight. Fasten off.', '3-6'],
    ['Then work even for four rounds.', '3-6'],
    ['Continue straight for 4 rounds', '3-6'],
    ['4 rounds plain (12)', '3-6'],
    ['Work 4 rounds without increasing.', '3-6'],
    ['Nothing for 4 rounds, so that’s 3 to 6', '3-6'],
  ])('%s', (line, range) => {
    expect(numbered(`Bear\nUS terms\n\nBODY\n${ROUNDS}${line}\nRnd 7: dec x 6 (6)\n`)).toEqual([
      '1-1',
      '2-2',
      range,
      '7-7',
    ]);
  });

  it.each([
    'Work 4 rounds straight:',
    'Change colour after 4 rounds.',
    'The next part has 4 rounds without increases in it.',
  ])('and not: %s', (line) => {
    const below = 'Rnd 3: sc around (12)\nRnd 4: sc around (12)\n';
    expect(numbered(`Bear\nUS terms\n\nBODY\n${ROUNDS}${line}\n${below}`)).toEqual(['1-1', '2-2', '3-3', '4-4']);
  });
});

it.each([
  ['Stalk: ch 6, turn, sl st in each of the next 5.', 'Stalk'],
  ['Stalk: brown, ch 6, sl st in 2nd ch and next 4.', 'Stalk'],
  ['Edge: ch 1, sc evenly around all four sides.', null],
  ['Foundation: ch 8, sc in each ch.', null],
])('a chain that is worked back along is a piece, an edging is none: %s', (line, name) => {
  const [, ...others] = readPattern(`Pear\nUS terms\n\nBODY\n${ROUNDS}Fasten off.\n\n${line}\n`).parts;
  expect(others.map((part) => part.name)).toEqual(name === null ? [] : [name]);
});
