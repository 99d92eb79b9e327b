import { describe, expect, it } from 'vitest';
import { triedIn } from '../onRequest.js';

const BALL = (third: string) =>
  `Ball\nRnd 1: 6 sc in magic ring (6)\nRnd 2: inc x 6 (12)\nRnd 3: ${third}\nRnd 4: (sc 2, inc) x 6 (24)\n`;

/** The third round with a figure, and what it makes then. */
function withFigure(third: string, figure: number): string | null {
  const text = BALL(third);
  const from = text.indexOf('Rnd 3');
  const tried = triedIn(text, { from, to: from + 5 }, figure);
  if (!tried) return null;
  expect(text.slice(0, tried.from) + tried.written + text.slice(tried.to)).toContain(tried.words);
  return `${tried.words} > ${tried.into}/${tried.edge} ${tried.made} ${tried.verdict}`;
}

describe('a figure that somebody named', () => {
  it.each<[string, number, string | null]>([
    ['(sc 1, inc) x 6 (19)', 18, 'Rnd 3: (sc 1, inc) x 6 (18) > 12/12 18 agrees'],
    ['(sc 1, inc) x 5 (18)', 6, 'Rnd 3: (sc 1, inc) x 6 (18) > 12/12 18 agrees'],
    ['(sc 2, inc) x 6 (18)', 1, 'Rnd 3: (sc 1, inc) x 6 (18) > 12/12 18 agrees'],
    // Nothing comes out by it: the stated count is what people speak of.
    ['(sc 1, inc) x 6 (19)', 20, 'Rnd 3: (sc 1, inc) x 6 (20) > 12/12 18 off'],
    ['sc in each stitch around', 20, null],
  ])('%s with %i', (third, figure, expected) => {
    expect(withFigure(third, figure)).toBe(expected);
  });

  it('is not tried where no round stands', () => {
    expect(triedIn(BALL('sc (12)'), { from: 0, to: 4 }, 7)).toBeNull();
    expect(triedIn('', { from: 0, to: 0 }, 7)).toBeNull();
  });
});
