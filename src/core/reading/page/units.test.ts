import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { checkText } from '../../index.js';
import { sourceText } from '../../text/source.js';
import { Lexicon } from '../lexicon.js';
import { numeralsIn } from './numerals.js';
import { unitsOf } from './units.js';

const US = new Lexicon('us', false);

/** The likeliest way to take a text, a line each: "from-to body =count". */
function told(text: string): string[] {
  const [way] = unitsOf(sourceText(text), US);
  return (way?.units ?? []).map(({ label, body, stated }) => {
    const number = label.from === label.to ? String(label.from) : `${label.from}-${label.to}`;
    return `${number} ${text.slice(body.from, body.to)}${stated ? ` =${stated.value}` : ''}`;
  });
}

/** The same four rounds as each hand writes them. */
const ROUNDS = ['1 6 sc in MR =6', '2 inc x 6 =12', '3 (sc 1, inc) x 6 =18', '4-6 sc around =18'];
const HANDS: Readonly<Record<string, readonly string[]>> = {
  'a word of its own': ['Bar 1: # / 6', 'Bar 2: # / 12', 'Bar 3: # / 18', 'Bars 4-6: # / 18'],
  'between signs': ['~1~ # {6}', '~2~ # {12}', '~3~ # {18}', '~4-6~ # {18}'],
  'Roman numerals': ['Verse I. # – 6', 'Verse II. # – 12', 'Verse III. # – 18', 'Verse IV-VI. # – 18'],
  letters: ['a) # «6»', 'b) # «12»', 'c) # «18»', 'd)-f) # «18»'],
  'number words': ['one: # (six)', 'two: # (twelve)', 'three: # (eighteen)', 'four to six: # (eighteen)'],
  'behind the work': ['# #1 /6/', '# #2 /12/', '# #3 /18/', '# #4-6 /18/'],
  'the count first': ['[6] row 1) #', '[12] row 2) #', '[18] row 3) #', '[18] row 4-6) #'],
  'words around the count': [
    'Step 1. # and you have 6 of them.',
    'Step 2. # and you have 12 of them.',
    'Step 3. # and you have 18 of them.',
    'Steps 4 to 6. # and you have 18 of them.',
  ],
  'ordinals in a sentence': [
    'On the first # | 6',
    'On the second # | 12',
    'On the third # | 18',
    'On the fourth to sixth # | 18',
  ],
};
/** Hands that tell more than the count. */
const MORE: Readonly<Record<string, readonly string[]>> = {
  'the edge before the count': ['Bar 1: 0 → 6   #', 'Bar 2: 6 → 12   #', 'Bar 3: 12 → 18   #', 'Bars 4-6: 18 → 18   #'],
  'talk behind the count': ['Bar 1: # / 6', 'Bar 2: # / 12 good', 'Bar 3: # / 18', 'Bars 4-6: # / 18 now fold'],
  'a full stop behind talk': [
    'Bar 1: # – 6.',
    'Bar 2: # – 12 now.',
    'Bar 3: # – 18.',
    'Bars 4-6: # – 18. Close and hide the end.',
  ],
  'a comma before talk': ['Bar 1: # / 6', 'Bar 2: # / 12', 'Bar 3: # / 18, well done', 'Bars 4-6: # / 18, close up'],
  'brackets around both ends': ['[1] #. (6)', '[2] #. (12)', '[3] #. (18)', '[4]-[6] #. (18) 3 rounds in all.'],
  'small Roman numbers': ['bar i. # – 6', 'bar ii. # – 12', 'bar iii. # – 18', 'bar iv-vi. # – 18'],
  'Roman counts': ['I. #. vi', 'II. #. xii', 'III. #. xviii', 'IV–VI. #. xviii'],
};
const WORK = ['6 sc in MR', 'inc x 6', '(sc 1, inc) x 6', 'sc around'];

describe('a label is what stands around a number that goes up by one', () => {
  it.each([...Object.entries(HANDS), ...Object.entries(MORE)])('%s', (_, lines) => {
    const text = lines.map((line, i) => line.replace('#', WORK[i] ?? '')).join('\n');
    expect(told(`BALL\n${text}\nClose.\n`)).toEqual(ROUNDS);
  });

  it('may be a capital letter, also one that is a Roman number, and several of them', () => {
    const alphabet = ['A', 'B', 'C', 'D, E, F, G', 'H, I, J', 'K', 'L', 'M'];
    const text = alphabet.map((letter, i) => `${letter}: sc around – ${6 + i}`).join('\n');
    expect(told(`BALL\n${text}\n`).map((unit) => unit.split(' ')[0])).toEqual([
      '1',
      '2',
      '3',
      '4-7',
      '8-10',
      '11',
      '12',
      '13',
    ]);
  });

  it('comes behind a ring of its own', () => {
    const text =
      'Ring: six.\nA: two in each – 12\nB: sc in each – 12\nC: two in every other – 18\nD: sc in each – 18\n';
    expect(told(text)).toEqual([
      '0 Ring: six',
      '1 two in each =12',
      '2 sc in each =12',
      '3 two in every other =18',
      '4 sc in each =18',
    ]);
    const begun = 'Bar 1: 6 sc in MR / 6\nBar 2: inc in each / 12\nBar 3: sc in each / 12\nBar 4: sc in each / 12\n';
    expect(told(`A magic ring is used, 4 mm hook.\n${begun}`)).toHaveLength(4);
  });

  it('of rounds that nothing numbers goes on over what is none', () => {
    const text =
      'Ring of six. Two in each: twelve. One gets one and the next gets two: eighteen. Three get one, hm, no, let me think. Two get one and the third gets two: twenty-four. Three rounds of twenty-four.\n';
    expect(told(text).map((unit) => unit.split(' ')[0])).toEqual(['1', '2', '3', '4', '5-7']);
  });

  it('needs a series: two numbers are none, and what jumps is none', () => {
    expect(told('Bar 1: 6 sc\nBar 2: inc x 6\n')).toEqual([]);
    expect(told('On 3 May\nOn 17 May\nOn 2 June\nOn 30 June\nOn 4 July\n')).toEqual([]);
  });
});

describe('rounds without a label of the series', () => {
  it('the first one, in a ring right above the second', () => {
    expect(told('top\nring of 6\n2 6 inc - 12\n3 1+inc - 18\n4 2+inc - 24\n5 3+inc - 30\n')).toEqual([
      '1 ring of 6',
      '2 6 inc =12',
      '3 1+inc =18',
      '4 2+inc =24',
      '5 3+inc =30',
    ]);
  });

  it('by ordinals in running text, one of them told before any number', () => {
    const text =
      'We begin with six stitches in the ring, and in the second round we increase, which makes 12. Round three goes (1 sc, 1 inc) six times for 18, and round four is plain, 18. In round five, six decreases, 12. Rounds six and seven are plain.\n';
    expect(told(text).map((line) => line.split(' ')[0])).toEqual(['1', '2', '3', '4', '5', '6-7']);
  });

  it.each([
    [
      'equals before the count, and plain rounds that state none',
      '6sc MR\n6inc=12\n(1sc,1inc)6=18\n18sc\n18sc\n(1sc,1dec)6=12\n',
      6,
    ],
    [
      'counts in words, without a stop',
      'ring and six single crochets\nnext round increase in all of them that gives twelve\nnext round one sc and one inc all the way round eighteen\nthen five rounds of just sc so still eighteen\nnext round one sc and one dec all the way round twelve\nand then six decreases and you have six left\n',
      10,
    ],
    [
      'rounds that are told by how often one goes round',
      'ring of 6 sc\ntwo in each, that is twelve\none and two in the next all round, eighteen\njust go round four times, still eighteen\none and two together all round, twelve\n',
      8,
    ],
    [
      'rounds so often',
      'count first\n6 > 6 sc in ring\n12 > inc x6\n18 > [sc, inc] x6\n18 > sc around x3\n12 > [sc, dec] x6\n6 > dec x6\n',
      8,
    ],
  ])('%s', (_, text, rounds) => {
    const numbers = told(text).map((line) => Number(/^(?:\d+-)?(\d+)/.exec(line)?.[1]));
    expect(numbers.at(-1)).toBe(rounds);
  });

  it.each([
    [
      'numbers and ordinals, with rounds that are told between them',
      'Start with a ring, 6 sc into it, on the second round inc in each, 12. Third: sc, inc, 18. Then three rounds without anything. Round 7: sc, dec, 12. Eighth plain. Ninth: dec all around, 6.\n',
      ['1', '2', '3', '4-6', '7', '8', '9'],
    ],
    [
      'ordinals of a sentence each',
      'First round: 6 sc in a ring. Second: two in each, 12. Third: sc, inc, 18. 4th: plain. 5th: sc, dec, 12. Sixth: plain.\n',
      ['1', '2', '3', '4', '5', '6'],
    ],
    [
      'a flat closing at the end',
      'Round 1: 6 sc in a ring. Round 2: two in each, 12. Round 3: plain. Round 4: plain. Flatten and sc through both sides, 6 across.\n',
      ['1', '2', '3', '4', '0'],
    ],
    [
      'a second piece without any number',
      'Round 1: 6 sc in a ring. Round 2: inc in each, 12. Round 3: plain. Round 4: dec all around, 6.\n\nWings. 5 sc in the ring. Double every stitch (10). Then two plain rounds. Then one plain.\n',
      ['1', '2', '3', '4', '1', '2', '3-4', '5'],
    ],
    [
      'lines of nothing but plain',
      'mr w/ 6 sc\n+6: 12 (inc) x6\nplain\n+6: 18 (sc, inc) x6\nplain x 4\nsc around\n-6: 12 (sc, dec) x6\n',
      ['1', '2', '3', '4', '5-8', '9', '10'],
    ],
  ])('%s', (_, text, numbers) => {
    expect(told(text).map((unit) => unit.split(' ')[0])).toEqual(numbers);
  });

  it('what speaks of rounds and eyes is none', () => {
    const text = '6sc MR\n6inc=12\n(1sc,1inc)6=18\n18sc\n18sc\neyes go on row 4. stuff as you go\n(1sc,1dec)6=12\n';
    expect(told(text)).toHaveLength(6);
  });
});

describe('a figure of the instruction is no count', () => {
  it.each([
    ['1) 6 sc in MR\n2) 6 sc\n3) 6 sc\n4) 7 sc\n5) 8 sc\n', ['1 6 sc in MR', '2 6 sc', '3 6 sc', '4 7 sc', '5 8 sc']],
    ['a: sc 6\nb: sc 6\nc: sc 7\nd: sc 8\n', ['1 sc 6', '2 sc 6', '3 sc 7', '4 sc 8']],
    [
      '1: 3 times: sc, inc\n2: 4 times: sc, inc\n3: 5 times: sc, inc\n4: 6 times: sc\n',
      ['1 3 times: sc, inc', '2 4 times: sc, inc', '3 5 times: sc, inc', '4 6 times: sc'],
    ],
  ])('%j', (text, lines) => {
    expect(told(text)).toEqual(lines);
  });

  it('also where its stitch ends the line, unless a sentence ends before it', () => {
    expect(
      told(
        'R 1. 6 sc in MR. 6 sc.\nR 2. [inc] 6 times. 12 sc.\nR 3. [1 sc, inc] 6 times. 18 sc.\nR 4. 1 sc in each. 18 sc.\n',
      ),
    ).toEqual(['1 6 sc in MR =6', '2 [inc] 6 times =12', '3 [1 sc, inc] 6 times =18', '4 1 sc in each =18']);
  });
});

describe('numerals', () => {
  it.each([
    ['5', ['figure 5-5']],
    ['5th-8th, then 9', ['figure 5-8', 'figure 9-9']],
    ['twenty-one to thirty', ['word 21-30']],
    ['XIV and XVI', ['roman 14-16']],
    ['(e)', ['letter 5-5']],
    ['6 sc – 18', ['figure 6-6', 'figure 18-18']],
    ['mixed Vim, civil, a1', ['figure 1-1']],
    ['R5–R9, then R10', ['figure 5-9', 'figure 10-10']],
    ['07/ - 12/', ['figure 7-12']],
    ['06..10', ['figure 6-10']],
    ['6 à 10', ['figure 6-10']],
    ['r5 through r7', ['figure 5-7']],
    ['vi-ix, then xi', ['roman 6-9', 'roman 11-11']],
    ['i-iii', ['roman 1-3']],
  ])('%s', (text, found) => {
    const shown = numeralsIn(text, { from: 0, to: text.length });
    expect(shown.map(({ kind, first, last }) => `${kind} ${first}-${last}`)).toEqual(found);
  });
});

describe('what is no pattern', () => {
  const TEXTS: Readonly<Record<string, string>> = {
    'a diary':
      'Day 1: rain, wrote 6 letters\nDay 2: rain again, 4 letters\nDay 3: sun, 9 letters, walked\nDay 4: to the sea, 12 gulls\nDay 5: home\nDay 6: 3 calls\n',
    'a price list':
      'No 1 felt, red 2.40\nNo 2 felt, blue 2.40\nNo 3 buttons, 6 in a bag 1.80\nNo 4 needles, 12 in a case 3.10\nNo 5 hooks 4.00\n',
    'a recipe':
      'Step 1. Mix 200 g flour and 6 eggs.\nStep 2. Turn and fold, rest for 20 minutes.\nStep 3. Cut in 12.\nStep 4. Bake for 18 minutes, turn.\nStep 5. Cool.\n',
    'source code':
      'case 1: return six(6);\ncase 2: return twelve(12);\ncase 3: return sc(18);\ncase 4: return inc(24);\ncase 5: break;\n',
    'a readme': readFileSync('README.md', 'utf8'),
  };
  it.each(Object.entries(TEXTS))('%s gives few rounds or none, and no flood of marks', (_, text) => {
    const { parts, findings } = checkText(text, 'x');
    const rounds = parts.flatMap((part) => part.rounds);
    expect(rounds.filter(({ verdict }) => verdict === 'agrees').length).toBeLessThanOrEqual(1);
    expect(rounds.length).toBeLessThanOrEqual(2);
    expect(findings.filter(({ severity }) => severity === 'error').length).toBeLessThanOrEqual(5);
  });
});

describe('rounds that are told in a line of their own between two labels', () => {
  const told3 = (between: string) =>
    told(
      `Bar 1: 6 sc in MR / 6\nBar 2: inc x 6 / 12\nBar 3: (sc 1, inc) x 6 / 18\n${between}Bar 7: (sc 1, dec) x 6 / 12\nBar 8: dec x 6 / 6\n`,
    );

  it.each([
    ['right above', 'then 3 plain rounds\n'],
    ['above a blank line', 'then 3 plain rounds\n\n'],
    ['above a word', 'then 3 plain rounds\nlovely\n\n'],
  ])('are those that are missing: %s', (_, between) => {
    expect(told3(between)[3]).toBe('4-6 then 3 plain rounds');
  });

  it.each([
    ['other than are missing', 'then 2 plain rounds\n'],
    ['too far above', 'then 3 plain rounds\nlovely\n\n\n'],
  ])('are none where they are %s', (_, between) => {
    expect(told3(between)).toHaveLength(5);
  });
});

describe('the edge that a hand says in front', () => {
  const LINES = [
    '1st: 6dc in a loop, you hold 6.',
    '2nd: you hold 6, inc in each, you hold 12.',
    '3rd: you hold 12, inc in every second, you hold 18.',
    '4th: you hold 18, inc in every third, you hold 24.',
    '5th: you hold 24, dc in each, you hold 24.',
  ];

  it('is no part of the instruction', () => {
    expect(told(`BALL\n${LINES.join('\n')}\n`).slice(1)).toEqual([
      '2 inc in each =12',
      '3 inc in every second =18',
      '4 inc in every third =24',
      '5 dc in each =24',
    ]);
  });

  it('is none where the figures are not the counts before', () => {
    const others = LINES.map((line) => line.replace(/you hold \d+, inc/, 'with 3, inc'));
    expect(told(`BALL\n${others.join('\n')}\n`)[2]).toBe('3 with 3, inc in every second =18');
  });
});

describe('numbers with nothing but signs between them', () => {
  it('are told together', () => {
    const lines = [
      '1/ ring, 6 =6',
      '2/ inc x6 =12',
      '3/ (sc, inc) x6 =18',
      '4/ 5/ 6/ sc around =18',
      '7/ (sc, dec) x6 =12',
    ];
    expect(told(lines.join('\n')).slice(2)).toEqual(['3 (sc, inc) x6 =18', '4-6 sc around =18', '7 (sc, dec) x6 =12']);
  });
});

describe('several rounds in a sentence', () => {
  it('are cut behind each count', () => {
    const text =
      'I make six sc into a ring, then inc in each for 12. After that [1 sc, inc] all round gives 18, [2 sc, inc] all round gives 24. Keep at 24 for three rounds. Stuff it. Then [2 sc, dec] all round gives 18, [1 sc, dec] all round gives 12.';
    const [way] = unitsOf(sourceText(text), US);
    expect(way?.units.map(({ label }) => `${label.from}-${label.to}`)).toEqual([
      '1-1',
      '2-2',
      '3-3',
      '4-4',
      '5-7',
      '8-8',
      '9-9',
    ]);
  });

  it('where signs stand that are two characters each', () => {
    const text =
      'The fish 🐟🐟🐟: I make six sc into a ring, then inc in each for 12. After that [1 sc, inc] all round gives 18, [2 sc, inc] all round gives 24. Keep at 24 for three rounds. Fill it.';
    const [way] = unitsOf(sourceText(text), US);
    const bodies = way?.units.map(({ body }) => text.slice(body.from, body.to)) ?? [];
    expect(bodies.slice(1, 3)).toEqual(['then inc in each for', 'After that [1 sc, inc] all round gives']);
  });
});

describe('several rounds in a line without any label', () => {
  const ROUNDS_TOLD = ['ring of 6', 'inc x 6', '(sc 1, inc) x 6', '18', '18 sc for 3 rounds', 'dec x 9', 'off'];
  const run = (sign: string) =>
    `Owl, US terms\n\nBody\n${ROUNDS_TOLD.join(sign)}\nWing (2): ring of 5${sign}inc x 5${sign}off\n`;
  const TOLD = [
    '1 ring of =6',
    '2 inc x 6',
    '3 (sc 1, inc) x 6',
    '4  =18',
    '5-7 18 sc for 3 rounds',
    '8 dec x 9',
    '1 ring of =5',
    '2 inc x 5',
  ];

  it.each([
    ' / ',
    '   /   ',
    '/',
    ' | ',
    '; ',
    ' > ',
    ' → ',
    ' => ',
    ' - ',
    ' – ',
    ' · ',
    ' ~ ',
    ', then ',
    ' and then ',
    ', ',
  ])('parted by "%s"', (sign) => {
    expect(told(run(sign))).toEqual(TOLD);
  });

  it('has the name of its piece in front', () => {
    const [way] = unitsOf(sourceText(run(' / ')), US);
    expect(way?.units.map(({ part }) => part ?? '–')).toEqual(['–', '–', '–', '–', '–', '–', 'Wing (2)', '–']);
  });

  it('is none where nothing begins in a ring, or the sign parts too little', () => {
    const leaf = 'With green chain 8: 1 sl st, 1 sc, 1 hdc, 1 dc, 1 hdc, 1 sc, 3 sl sts in the last';
    expect(told(`Leaf, US terms\n\n${leaf}\n`)).toEqual([]);
    expect(told('Owl, US terms\n\nring of 6 / inc x 6 / 12 sc\n')).toEqual([]);
  });
});
