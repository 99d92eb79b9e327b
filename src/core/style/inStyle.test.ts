import { describe, expect, it } from 'vitest';
import { inStyle, learnt, styleOf } from './inStyle.js';
import type { HouseStyle } from './style.js';
import { TRAITS } from './traits.js';

const PLAIN =
  'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnds 4-6: sc 18 (18)\nRnd 7: (sc 1, dec) x 6 (12)\n';
const OTHER: HouseStyle = {
  word: 'Round',
  amount: 'number first',
  brackets: 'square',
  times: 'times',
  count: '= n',
  ring: 'magic ring',
  increase: '2 in next',
};

describe('a house style', () => {
  it('is learnt from a pattern', () => {
    expect(learnt(styleOf(PLAIN))).toEqual({
      word: 'Rnd',
      amount: 'stitch first',
      brackets: 'round',
      times: 'x',
      count: '(n)',
      ring: 'MR',
      increase: 'inc',
    });
  });

  it('sets a whole pattern as one change, with every count as it was', () => {
    const styled = inStyle(PLAIN, OTHER);
    expect(styled.proved).toBe(true);
    expect(styled.text).toBe(
      'US terms\n\nBALL\nRound 1: 6 sc in a magic ring = 6\nRound 2: inc x 6 = 12\nRound 3: [1 sc, 2 sc in next st] 6 times = 18\nRounds 4-6: 18 sc = 18\nRound 7: [1 sc, dec] 6 times = 12\n',
    );
    expect(styled.lines.map(({ line }) => line)).toEqual([4, 5, 6, 7, 8]);
  });

  it('leaves what is in style alone, and what it does not settle', () => {
    expect(inStyle(PLAIN, learnt(styleOf(PLAIN)))).toMatchObject({ text: PLAIN, lines: [], left: 0 });
    expect(inStyle(PLAIN, {}).lines).toEqual([]);
  });

  it('goes there and back', () => {
    const there = inStyle(PLAIN, OTHER).text;
    expect(inStyle(there, learnt(styleOf(PLAIN))).text).toBe(PLAIN);
  });

  it('keeps a fault as it is: a round that is off stays off by as much', () => {
    const faulty = PLAIN.replace('(sc 1, inc) x 6 (18)', '(sc 1, inc) x 5 (18)');
    const styled = inStyle(faulty, OTHER);
    expect(styled.proved).toBe(true);
    expect(styled.text).toContain('[1 sc, 2 sc in next st] 5 times = 18');
  });

  it.each(TRAITS.flatMap(({ id, ways }) => ways.map(({ way }) => [id, way] as const)))('%s: %s', (id, way) => {
    const styled = inStyle(PLAIN, { [id]: way });
    expect(styled.proved).toBe(true);
    const [usual] = Object.entries(styleOf(styled.text)[id] ?? {}).sort((a, b) => b[1] - a[1]);
    expect(usual?.[0]).toBe(way);
  });
});

/** A round of many kinds, in a style of one trait: what is written for it. */
describe('one line in another style', () => {
  const before = 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
  const written = (line: string, style: HouseStyle) =>
    inStyle(`${before}${line}\n`, style).text.split('\n').slice(4, -1).join('\n');

  it.each<[string, HouseStyle, string]>([
    // the word for a round
    ['Rnd 3: sc 12 (12)', { word: 'R' }, 'R3: sc 12 (12)'],
    ['R3: sc 12 (12)', { word: 'Round' }, 'Round 3: sc 12 (12)'],
    ['Rnds 3-5: sc 12 (12)', { word: 'Round' }, 'Rounds 3-5: sc 12 (12)'],
    ['Rounds 3-5: sc 12 (12)', { word: 'R' }, 'R3-5: sc 12 (12)'],
    ['3: sc 12 (12)', { word: 'Round' }, '3: sc 12 (12)'],
    ['Row 3: sc 12 (12)', { word: 'Round' }, 'Row 3: sc 12 (12)'],
    // the stitch or its number first
    ['Rnd 3: sc 4, hdc 4, sc 4 (12)', { amount: 'number first' }, 'Rnd 3: 4 sc, 4 hdc, 4 sc (12)'],
    ['Rnd 3: 4 sc, 4 hdc, 4 sc (12)', { amount: 'stitch first' }, 'Rnd 3: sc 4, hdc 4, sc 4 (12)'],
    ['Rnd 3: sc in next 12 sts (12)', { amount: 'number first' }, 'Rnd 3: sc in next 12 sts (12)'],
    ['Rnd 3: sc around (12)', { amount: 'number first' }, 'Rnd 3: sc around (12)'],
    // brackets
    ['Rnd 3: (sc 1, inc) x 6 (18)', { brackets: 'square' }, 'Rnd 3: [sc 1, inc] x 6 (18)'],
    ['Rnd 3: [sc 1, inc] x 6 (18)', { brackets: 'round' }, 'Rnd 3: (sc 1, inc) x 6 (18)'],
    ['Rnd 3: (hdc, dc) in next st, sc 11 (13)', { brackets: 'square' }, 'Rnd 3: (hdc, dc) in next st, sc 11 (13)'],
    // how often
    ['Rnd 3: (sc 1, inc) x 6 (18)', { times: '×' }, 'Rnd 3: (sc 1, inc) × 6 (18)'],
    ['Rnd 3: (sc 1, inc)*6 (18)', { times: 'times' }, 'Rnd 3: (sc 1, inc) 6 times (18)'],
    ['Rnd 3: (sc 1, inc) 6 times (18)', { times: '*' }, 'Rnd 3: (sc 1, inc)*6 (18)'],
    ['Rnd 3: (sc 1, inc) around (18)', { times: 'times' }, 'Rnd 3: (sc 1, inc) around (18)'],
    // counts
    ['Rnd 3: sc 12 (12)', { count: '[n]' }, 'Rnd 3: sc 12 [12]'],
    ['Rnd 3: sc 12 [12]', { count: '(n sts)' }, 'Rnd 3: sc 12 (12 sts)'],
    ['Rnd 3: sc 12 (12 sts)', { count: '= n' }, 'Rnd 3: sc 12 = 12'],
    ['Rnd 3: sc 12 = 12', { count: '(n)' }, 'Rnd 3: sc 12 (12)'],
    ['Rnd 3: sc 8, hdc 4 (8 sc, 4 hdc)', { count: '[n]' }, 'Rnd 3: sc 8, hdc 4 (8 sc, 4 hdc)'],
    // an increase
    ['Rnd 3: (sc 1, inc) x 6 (18)', { increase: '2 in next' }, 'Rnd 3: (sc 1, 2 sc in next st) x 6 (18)'],
    ['Rnd 3: (sc 1, 2 sc in next st) x 6 (18)', { increase: 'inc' }, 'Rnd 3: (sc 1, inc) x 6 (18)'],
    // several at once
    [
      'Rnd 3: (1 sc, inc)*6 [18]',
      { word: 'R', amount: 'stitch first', times: 'x', count: '(n)', brackets: 'square' },
      'R3: [sc 1, inc] x 6 (18)',
    ],
  ])('%s  %j', (line, style, expected) => {
    expect(written(line, style)).toBe(expected);
  });

  it.each([
    ['6 sc in MR', 'magic ring', '6 sc in a magic ring'],
    ['6 sc in a magic ring', 'magic circle', '6 sc in a magic circle'],
    ['6 sc in magic loop', 'MR', '6 sc in MR'],
  ])('a ring: %s', (words, ring, expected) => {
    const { text } = inStyle(`US terms\n\nRnd 1: ${words} (6)\nRnd 2: inc x 6 (12)\n`, { ring });
    expect(text).toContain(`Rnd 1: ${expected} (6)`);
  });

  it('tells the lines that change and the places that stay', () => {
    const styled = inStyle(`${before}Rnd 3: sc 12 [12]\n`, { count: '(n)' });
    expect(styled.lines).toEqual([{ line: 5, before: 'Rnd 3: sc 12 [12]', after: 'Rnd 3: sc 12 (12)' }]);
    expect(styled.left).toBe(0);
  });

  it('knows no other way than those that there are', () => {
    expect(inStyle(`${before}Rnd 3: sc 12 [12]\n`, { count: 'in Latin' }).lines).toEqual([]);
  });
});
