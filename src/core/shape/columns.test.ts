import { describe, expect, it } from 'vitest';
import {} from '../index.js';
import { shapeOfText } from '../onRequest.js';

/** The corners that the rings of a piece make, and how high its columns of shapings are. */
function corners(rounds: readonly string[]): { corners: number[]; stacked: (number | null)[]; kinds: string[] } {
  const text = `US terms\n\nPIECE\nRnd 1: 6 sc in MR (6)\n${rounds.map((words, i) => `Rnd ${i + 2}: ${words}`).join('\n')}\nFasten off.\n`;
  const [part] = shapeOfText(text).parts;
  const rings = part?.rings ?? [];
  return {
    corners: rings.map((_, i) => part?.outlines[0]?.levels[i]?.section.corners ?? 0),
    stacked: rings.map(({ shapings }) =>
      shapings.length === 0 ? null : Math.max(...shapings.map(({ stacked }) => stacked)),
    ),
    kinds: rings.map(({ shapings }) => [...new Set(shapings.map(({ kind }) => kind))].join('+')),
  };
}

describe('columns of shapings', () => {
  it('grow by one with each round that shapes in the same column', () => {
    const { stacked, kinds } = corners([
      'inc x 6',
      '(sc 1, inc) x 6',
      '(sc 2, inc) x 6',
      '(sc 3, inc) x 6',
      'sc around',
    ]);
    expect(stacked.slice(0, 5)).toEqual([null, 1, 2, 3, 4]);
    expect(stacked[5]).toBeNull();
    expect(kinds).toEqual(['', 'increase', 'increase', 'increase', 'increase', '']);
  });

  it('begin anew where the shapings stand elsewhere, and behind a plain round', () => {
    const { stacked } = corners(['inc x 6', '(sc 1, inc) x 6', '(inc, sc 2) x 6', 'sc around', '(sc 3, inc) x 6']);
    expect(stacked).toEqual([null, 1, 2, 1, null, 1]);
  });

  it('of decreases are no columns of increases', () => {
    const { stacked, kinds } = corners(['inc x 6', '(sc 1, inc) x 6', '(sc 1, dec) x 6', 'dec x 6']);
    expect(kinds).toEqual(['', 'increase', 'increase', 'decrease', 'decrease']);
    expect(stacked).toEqual([null, 1, 2, 1, 2]);
  });

  it('of which four grow by two a round make a square, and six a round piece', () => {
    const square = corners([
      'inc, sc, inc, sc, inc, sc',
      '3 sc in next st, sc 2, 3 sc in next st, sc, 3 sc in next st, sc 2, 3 sc in next st',
      '(sc, 3 sc in next st, sc 2) x 4, sc',
      '(sc 2, 3 sc in next st, sc 3) x 4, sc',
    ]);
    expect(square.kinds.at(-1)).toBe('increase');
    const hexagon = corners(['inc x 6', '(sc 1, inc) x 6', '(sc 2, inc) x 6', '(sc 3, inc) x 6', '(sc 4, inc) x 6']);
    expect(hexagon.corners.every((count) => count === 0)).toBe(true);
  });
});

describe('a square worked in the round', () => {
  const rounds = [1, 3, 5, 7, 9].map((side) => `(sc ${side}, 3 sc in next st) x 4`);
  const text = `US terms\n\nTILE\nRnd 1: 8 sc in MR (8)\n${rounds.map((words, i) => `Rnd ${i + 2}: ${words} (${16 + 8 * i})`).join('\n')}\nFasten off.\n`;
  const [tile] = shapeOfText(text).parts;

  it('has four corners from the round on in which they show', () => {
    const found = tile?.outlines[0]?.levels.map(({ section }) => section.corners) ?? [];
    expect(found.at(-1)).toBe(4);
    expect(found[0]).toBe(0);
  });

  it('is as wide as its sides are long', () => {
    expect(tile?.size?.width).toBeCloseTo((tile?.size?.around ?? 0) / 4, 0);
  });
});
