import { describe, expect, it } from 'vitest';
import { checkText } from '../../index.js';
import { sourceText } from '../../text/source.js';
import { Lexicon } from '../lexicon.js';
import { shown } from './markup.js';
import { masked } from './mask.js';
import { seriesOf } from './series.js';
import { tablesIn } from './table.js';
import { unnumberedIn } from './unlabelled.js';

const US = new Lexicon('us', false);
const lines = (text: string) => masked(sourceText(shown(text))).text.split('\n');
/** The numbers of the likeliest series, a place each: line and range. */
const series = (text: string) =>
  (seriesOf(sourceText(text))[0]?.places ?? []).map(
    ({ line, numeral: { first, last } }) => `${line + 1}: ${first === last ? first : `${first}-${last}`}`,
  );
const rounds = (text: string) =>
  checkText(text, 'x').parts.flatMap((part) =>
    part.rounds.map(
      ({ from, to, into, made, stated }) => `${from}-${to} ${into ?? '–'} → ${made ?? '–'} (${stated ?? '–'})`,
    ),
  );

describe('what is not of the pattern is masked, and all else stays where it is', () => {
  it.each([
    ['the signs of a quotation', '> a\n> b\n> c\n> d\nmine\n', ['  a', '  b', '  c', '  d', 'mine', '']],
    [
      'times and names before messages',
      '[18:42] Odile: one\n[18:43] Tam: two\n[18:44] Odile: three\n[18:45] Odile: four\n',
      ['one', 'two', 'three', 'four', ''].map((word, i) => (word ? ' '.repeat(i === 1 ? 13 : 15) + word : '')),
    ],
    [
      'names in small letters',
      '[18:42] odile: one\n[18:43] tam: two\n[18:44] odile: three\n[18:45] odile: four\n',
      ['one', 'two', 'three', 'four', ''].map((word, i) => (word ? ' '.repeat(i === 1 ? 13 : 15) + word : '')),
    ],
    ['the signs of a quotation in every second line', '> a\nb\n> c\nd\n', ['  a', 'b', '  c', 'd', '']],
    ['boxes that are ticked', '[x] a\n[ ] b\n[x] c\n[ ] d\n', ['    a', '    b', '    c', '    d', '']],
    ['keys around figures', '1️⃣ a\n2️⃣ – 1️⃣2️⃣ b\n🔟 c\n', ['1   a', '2 – 12       b', '10 c', '']],
    ['a double arrow before a count', '6 sc => 6\n', ['6 sc →\u00a0 6', '']],
    [
      'markup, but not what only looks like it',
      '<h2>Ear</h2>\n<li class="a">1: sc &times; 6 <b>(6)</b></li>\n2 <6 sc> &amp; dec\n',
      ['##  Ear', '              1: sc ×       6    (6)', '2 <6 sc> &     dec', ''],
    ],
    ['a word that is parted at the end of a line', 'the follow-\ning 3\n', ['the following ', ' 3', '']],
  ])('%s', (_, text, expected) => {
    expect(lines(text).map((line) => line.trimEnd())).toEqual(expected.map((line) => line.trimEnd()));
  });

  it.each([
    [11, false],
    [12, true],
  ])('boxes of which the first sixty lines have %i', (first, blank) => {
    const page = ['[x] a\n'.repeat(first), 'b\n'.repeat(60 - first), '[x] a\n'.repeat(60)].join('');
    expect(lines(page)[0]).toBe(blank ? '    a' : '[x] a');
  });

  it('the head and the number of a page, where they come again', () => {
    const page = (n: number) => `BAZAAR TOYS     Leaflet 88\n${'words\n'.repeat(14)}\n${n}\n\n`;
    const text = page(1) + page(2) + page(3);
    expect(masked(sourceText(text)).text).not.toContain('BAZAAR');
    expect(masked(sourceText(text)).text).toHaveLength(text.length);
    expect(masked(sourceText(text)).text.match(/words/g)).toHaveLength(42);
  });

  it('a text without any of it is the same text', () => {
    const source = sourceText('Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n');
    expect(masked(source)).toBe(source);
  });
});

describe('series of numbers', () => {
  it.each([
    [
      'in lists of numbers',
      '1 a\n2 b\n3 c\n4 5 plain\n6 7 8 plain\n9 d\n',
      ['1: 1', '2: 2', '3: 3', '4: 4-5', '5: 6-8', '6: 9'],
    ],
    ['several in a line', 'I: a; II: b; III: c\nIV: d; V: e\n', ['1: 1', '1: 2', '1: 3', '2: 4', '2: 5']],
    [
      'a dash that is no range',
      'Turn one – six dc\nTurn two – inc\nTurn three – dc\nTurn four – dc\n',
      ['1: 1', '2: 2', '3: 3', '4: 4'],
    ],
    [
      'behind a word in the line above',
      'Rd 1. a. Rd\n2. b. Rd 3. c.\nRd 4. d. Rd 5. e.\n',
      ['1: 1', '2: 2', '2: 3', '3: 4', '3: 5'],
    ],
    ['behind a round that has no number', '1 a\n2 b\nc\n4 d\n5 e\n6 f\n', ['1: 1', '2: 2', '4: 4', '5: 5', '6: 6']],
    ['that grow from the bottom', '5 a\n4 b\n3 c\n2 d\n1 e\n', ['1: 5', '2: 4', '3: 3', '4: 2', '5: 1']],
    ['with the number of the piece before', '1.1 a\n1.2 b\n1.3 c\n1.4 d\n', ['1: 1', '2: 2', '3: 3', '4: 4']],
  ])('%s', (_, text, expected) => {
    expect(series(text)).toEqual(expected);
  });

  it('are not made of amounts', () => {
    expect(series('a: 6 sc\nb: 12 sc\nc: 18 sc\nd: 18 sc\n').every((place) => !place.includes('18'))).toBe(true);
  });
});

describe('tables', () => {
  it.each([
    ['tabs', '\t'],
    ['semicolons', ';'],
    ['bars', ' | '],
    ['spaces', '    '],
  ])('with %s are known by what their columns hold', (_, between) => {
    const rows = [
      ['1', '6', '6 sc in a magic ring'],
      ['2', '12', 'inc x 6'],
      ['3', '18', '(sc 1, inc) x 6'],
      ['4', '18', 'sc 18'],
      ['5', '18', 'sc 18'],
      ['6', '12', '(sc 1, dec) x 6'],
    ];
    const [columns] = tablesIn(sourceText(`${rows.map((row) => row.join(between)).join('\n')}\n`), US);
    expect(columns).toMatchObject({ label: 0, count: 1, work: 2, times: -1, part: -1 });
  });

  it.each([
    ['10 rounds', '16', '4-13'],
    ['10', '14', '4-13'],
    ['10', '5', '4-4'],
  ])('tell by how often how many rounds: %s times in row 4, %s below it', (times, next, range) => {
    const table = `no | do this | times | stitches\n1 | 6 sc in ring | 1 | 6\n2 | inc | 6 | 12\n3 | 1 sc + inc | 6 | 18\n4 | sc all round | ${times} | 18\n${next} | 1 sc + dec | 6 | 12\n${Number(next) + 1} | dec | 6 | 6\n`;
    expect(rounds(`HULL (US terms)\n${table}`)[3]).toMatch(new RegExp(`^${range} `));
  });

  it.each([
    ['commas', '","'],
    ['semicolons', '";"'],
  ])('may stand in quotation marks, with %s between: notes stand in rows of their own', (_, between) => {
    const rows = [
      ['Part', 'Row', 'Instruction', 'Total'],
      ['Bulb', '1', '6 sc in magic ring', '6'],
      ['Bulb', '2', '[inc] x6', '12'],
      ['Bulb', '3', '[sc, inc] x6', '18'],
      ['Bulb', '4-5', 'sc in each', '18'],
      ['Bulb', '6', '[sc, dec] x6', '12'],
      ['Stuff the bulb.', '', '', ''],
      ['Leaf', '1', '5 sc in magic ring', '5'],
      ['Leaf', '2', '[inc] x5', '10'],
    ];
    const text = `US terms\n${rows.map((row) => `"${row.join(between)}"`).join('\n')}\n`;
    expect(rounds(text)).toEqual([
      '1-1 – → 6 (6)',
      '2-2 6 → 12 (12)',
      '3-3 12 → 18 (18)',
      '4-5 18 → 18 (18)',
      '6-6 18 → 12 (12)',
      '1-1 – → 5 (5)',
      '2-2 5 → 10 (10)',
    ]);
    expect(checkText(text, 'x').parts.map(({ name }) => name)).toEqual(['Bulb', 'Leaf']);
  });

  it('may name the piece, say how often, and say "as above"', () => {
    const text = `US terms
part;rnd;times;work;sts
ball;1;1;6 sc in a magic ring;6
ball;2;6;inc;12
ball;3;6;sc + inc;18
ball;4;18;sc;18
ball;5;";";18
cap (x2);1;1;5 sc in a magic ring;5
cap (x2);2;5;inc;10
cap (x2);3-4;10;sc;10
`;
    expect(rounds(text)).toEqual([
      '1-1 – → 6 (6)',
      '2-2 6 → 12 (12)',
      '3-3 12 → 18 (18)',
      '4-4 18 → 18 (18)',
      '5-5 18 → 18 (18)',
      '1-1 – → 5 (5)',
      '2-2 5 → 10 (10)',
      '3-4 10 → 10 (10)',
    ]);
    expect(checkText(text, 'x').parts.map(({ name, make }) => [name, make])).toEqual([
      ['ball', 1],
      ['cap', 2],
    ]);
  });

  it('may tell by how much a round grows, from the bottom up', () => {
    const text = `US terms
round   stitches   change
  6         6        -6
  5        12         0
  4        12        +3
  3         9        +3
  2         6         0
  1         6      ring
`;
    expect(rounds(text)).toEqual([
      '1-1 – → 6 (6)',
      '2-2 6 → 6 (6)',
      '3-3 6 → 9 (9)',
      '4-4 9 → 12 (12)',
      '5-5 12 → 12 (12)',
      '6-6 12 → 6 (6)',
    ]);
  });
});

describe('lines without labels', () => {
  it('are numbered by their place, as many as they say', () => {
    const text =
      'HEAD\n6 sc in a magic ring 6!\ninc all round 12!\nthen 3 rounds of sc all round 12!\ndec all round 6!\nLEG\n5 sc in a magic ring 5!\nsc all round 5!\n';
    expect(unnumberedIn(sourceText(text), US).map(({ label }) => `${label.from}-${label.to}`)).toEqual([
      '1-1',
      '2-2',
      '3-5',
      '6-6',
      '1-1',
      '2-2',
    ]);
  });

  it.each([
    ['8 plain', '3-10', 'so many rounds'],
    ['8 plain, then stuff', '3-10', 'so many rounds'],
    ['two straight', '3-4', 'so many rounds'],
    ['12 plain', '3-3', 'as many stitches as there are'],
    ['dec all round 6, close', '3-3', 'a round and its closing'],
  ])('%s: %s, %s', (line, range) => {
    const text = `HEAD\n6 sc in a magic ring 6\ninc all round 12\n${line}\ndec all round 6\nsc all round 6\n`;
    expect(unnumberedIn(sourceText(text), US).map(({ label }) => `${label.from}-${label.to}`)[2]).toBe(range);
  });

  it('are not looked for among a few', () => {
    expect(unnumberedIn(sourceText('6 sc in a magic ring\nsc 6\n'), US)).toEqual([]);
  });
});

describe('rounds in running text', () => {
  it('are found wherever the lines break', () => {
    const text = `US terms
BODY
With Sand. Rd 1. 6 sc in a magic ring. 6 sts. Rd 2. 2
sc in each st. 12 sts. Rd 3. *1 sc in next st, 2 sc in
next st; repeat from * to end. 18 sts. Rd
4. 1 sc in each st. 18 sts. Fill the body.
Rd 5. *1 sc in next st, follow-
ing 2 sts together; repeat from * to end. 12 sts.
`;
    expect(rounds(text)).toEqual([
      '1-1 – → 6 (6)',
      '2-2 6 → 12 (12)',
      '3-3 12 → 18 (18)',
      '4-4 18 → 18 (18)',
      '5-5 18 → 12 (12)',
    ]);
  });

  it('are not what is said of yarn and hook above them', () => {
    const text =
      "hi all, here's the little whale, sorry it took so long!! us terms, any yarn + hook that gives you a tight fabric, i used a 3.5 and aran.\n\nbody - magic ring with 7 sc, then inc in every st so you have 14. next round sc inc all the way (21). next round 2 sc inc (28). then 3 sc inc (35). now just sc for 5 rounds (35). next round 3 sc dec (28).\n";
    expect(checkText(text, 'x').parts.map(({ name }) => name)).toEqual(['body']);
  });

  it('begin with their numbers where those begin a sentence, though the line ends on one', () => {
    const text = `US terms

In the first round put 6 single crochet into a ring, 6. In the second round make two in each, 12. In the third round one single, then two in the next, all the way, 18. Leave it at that up to round 4.
In round five one single, then two together, all the way, 12. In the sixth round two together all the way, 6.
`;
    expect(rounds(text).slice(0, 3)).toEqual(['1-1 – → 6 (6)', '2-2 6 → 12 (12)', '3-3 12 → 18 (18)']);
  });
});

describe('a piece like another one, in a layout that has been worked out', () => {
  const LEG = '1. 6 sc in MR / 6\n2. inc x 6 / 12\n3. (sc, inc) x 6 / 18\n'.replaceAll(/^\d/gm, (n) => `Bar ${n}`);
  const legs = (like: string) =>
    rounds(`US terms\n\nFIRST LEG\n${LEG}\nSECOND LEG\n${like}\n\nBODY\n${LEG}`).slice(3, -3);

  it.each([
    ['Just like the first leg.', ['1-3 12 → 18 (–)']],
    ['Like the first leg, 1 to 2.', ['1-2 6 → 12 (–)']],
    ['Like the first leg, 2 to 3.', ['2-3 12 → 18 (–)']],
    ['Like the third paw.', []],
    [`Like the first leg, ${'and with all the care that it takes, '.repeat(4)}.`, []],
  ])('%s', (like, expected) => {
    expect(legs(like)).toEqual(expected);
  });
});
