import { describe, expect, it } from 'vitest';
import { inStyle, learnt, styleOf, type HouseStyle } from './style.js';
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
