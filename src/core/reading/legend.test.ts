import { describe, expect, it } from 'vitest';
import { checkText } from '../index.js';
import { legendIn } from './legend.js';

describe('the pattern’s own list', () => {
  it.each([
    ['inc = 2 sc in the same stitch', [['inc', '2 sc in the same stitch']]],
    ['dec: invisible decrease', [['dec', 'invisible decrease']]],
    ['PM – place marker', [['PM', 'place marker']]],
    ['dc ........ double crochet', [['dc', 'double crochet']]],
    ['MR   magic ring', [['MR', 'magic ring']]],
    ['| sl st | slip stitch |', [['sl st', 'slip stitch']]],
    [
      'The words I use: sc = single crochet, inc = two sc in one stitch',
      [
        ['sc', 'single crochet'],
        ['inc', 'two sc in one stitch'],
      ],
    ],
    [
      'sc=single crochet sl st=slip stitch inc=2sc in same st',
      [
        ['sc', 'single crochet'],
        ['sl st', 'slip stitch'],
        ['inc', '2sc in same st'],
      ],
    ],
    [
      'x=sc v=inc a=dec, stuff after R10',
      [
        ['x', 'sc'],
        ['v', 'inc'],
        ['a', 'dec, stuff after R10'],
      ],
    ],
    [
      'Not sure yet!  Abbrevs: ms - single crochet, aug - increase, dim - decrease',
      [
        ['ms', 'single crochet'],
        ['aug', 'increase'],
        ['dim', 'decrease'],
      ],
    ],
    [
      'KEY (US): o = sc / v = 2 sc in 1 st / A = 2 sc together / ( ) x n = do n times / # = stitches now',
      [
        ['o', 'sc'],
        ['v', '2 sc in 1 st'],
        ['A', '2 sc together'],
      ],
    ],
    [
      'mr = magic ring · sc = single crochet',
      [
        ['mr', 'magic ring'],
        ['sc', 'single crochet'],
      ],
    ],
  ])('%s', (line, entries) => {
    const found = legendIn(line, 0, line.length).map(({ term, meaning }) => [term, meaning]);
    for (const entry of entries) expect(found).toContainEqual(entry);
  });

  const made = (legend: string, round: string) =>
    checkText(`US terms\n\nAbbreviations\n${legend}\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: ${round}\n`, 'x').parts[0]
      ?.rounds[1]?.made;

  it('may call a stitch by a capital among small letters', () => {
    const text =
      'KEY (US): o = sc, v = 2 sc in 1 st, A = 2 sc together\n\nBEAD\n1. ring 6o (6)\n2. (v) x 6 (12)\n3. (ov) x 6 (18)\n4. (oA) x 6 (12)\n5. (A) x 6 (6)\n';
    expect(checkText(text, 'x').parts[0]?.rounds.map((round) => round.made)).toEqual([6, 12, 18, 12, 6]);
  });

  it('overrides what is built in', () => {
    expect(made('inc = 3 sc in the same stitch', 'inc x 6')).toBe(18);
    expect(made('dec = 3 sc together', 'dec x 2')).toBe(2);
  });

  it('makes unknown words known', () => {
    expect(made('frob = 2 sc in the same stitch', 'frob x 6')).toBe(12);
    expect(made('', 'frob x 6')).toBeNull();
    expect(made('blip = bobble of 4 double crochet in one stitch', 'blip, sc 5')).toBe(6);
  });

  it.each([
    ['small letters between dots', 'x - single crochet · v - increase · a - decrease', '(2x, v)*2', 8],
    ['a letter that is an article elsewhere', 'x - single crochet · v - increase · a - decrease', '(x, a)*2', 4],
    ['a stroke in the term', 'p = sc; pp = 2 sc into one; p/2 = sc two together', 'p/2*2, p, pp', 5],
    ['a word made of other terms that has a meaning', 'p = sc; k = ch; pk = 2 sc into one', 'pk*6', 12],
    [
      'a term that is told by a later one',
      'red. = two fm crocheted together, fm = firm mesh (single crochet)',
      'red. x 3',
      3,
    ],
    ['a word for stitches, in brackets', 'm = mesh (stitch), fm = firm mesh (single crochet)', '2 fm in each m', 12],
  ])('%s', (_, legend, round, figure) => {
    expect(made(legend, round)).toBe(figure);
  });

  it('a careless word about a stitch that is known is not taken by its gist', () => {
    expect(made('dec = 2 sc into 1 / ch = chain', 'dec x 3')).toBe(3);
    expect(made('dec = 2 sc in 1 st', 'dec x 3')).toBe(3);
    expect(made('inc = 2 sc together', 'inc x 6')).toBe(12);
  });
});
