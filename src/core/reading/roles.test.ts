import { describe, expect, it } from 'vitest';
import { overviewOf, checkPattern, type Hand } from '../index.js';

const reading = (text: string, hand: Omit<Hand, 'words'>) => {
  const checked = checkPattern(text, '', { terms: 'auto', hand: { words: {}, ...hand } });
  return checked.report.parts.map(({ name, make, rounds }) => ({
    name,
    make,
    rounds: rounds.map(({ label, made, verdict }) => `${label} → ${made ?? '–'} ${verdict}`),
  }));
};

describe('what is said of single lines', () => {
  it('makes a round of a line that was not taken for one', () => {
    const text = 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nAnd dec x 6.\nFasten off.\n';
    expect(reading(text, {})[0]?.rounds).toEqual(['Rnd 1 → 6 agrees', 'Rnd 2 → 12 agrees']);
    expect(reading(text, { lines: { 'And dec x 6.': 'round' } })[0]?.rounds[2]).toBe('And dec x → 6 counted');
  });

  it('leaves talk out of account, whatever it looks like', () => {
    const text =
      'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 2: sc 3 (no, forget that)\nRnd 3: sc around (12)\n';
    expect(reading(text, {})[0]?.rounds).toHaveLength(4);
    const said = reading(text, { lines: { 'Rnd 2: sc 3 (no, forget that)': 'talk' } });
    expect(said[0]?.rounds).toEqual(['Rnd 1 → 6 agrees', 'Rnd 2 → 12 agrees', 'Rnd 3 → 12 agrees']);
  });

  it('joins a line to the one above', () => {
    const text =
      'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: *sc in next st.\n\nInc in next; rep from * around (9)\nRnd 3: sc around (9)\n';
    const line = 'Inc in next; rep from * around (9)';
    expect(reading(text, { lines: { [line]: 'goes-on' } })[0]?.rounds).toEqual([
      'Rnd 1 → 6 agrees',
      'Rnd 2 → 9 agrees',
      'Rnd 3 → 9 agrees',
    ]);
  });

  it('begins a part at a heading, and calls it what is said', () => {
    const text =
      'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nthe little knob on top of it all, brown\nRnd 1: 5 sc in MR (5)\n';
    const line = 'the little knob on top of it all, brown';
    expect(reading(text, { lines: { [line]: 'heading' } })[1]).toMatchObject({ rounds: ['Rnd 1 → 5 agrees'] });
    expect(reading(text, { lines: { [line]: 'heading' }, parts: { [line]: { name: 'Knob', make: 2 } } })[1]).toEqual({
      name: 'Knob',
      make: 2,
      rounds: ['Rnd 1 → 5 agrees'],
    });
  });

  it('takes up words of a line that is said to explain them, and materials where they are said to be', () => {
    const text = 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: hup x 6 (12)\n\nhup = increase\nleftover Moss\n';
    const hand: Hand = { words: {}, lines: { 'hup = increase': 'abbreviations', 'leftover Moss': 'materials' } };
    const checked = checkPattern(text, '', { terms: 'us', hand });
    expect(checked.report.parts[0]?.rounds.map(({ made, doubt }) => [made, doubt])).toEqual([
      [6, 'none'],
      [12, 'none'],
    ]);
    expect(overviewOf(checked.counted).words).toContainEqual(expect.objectContaining({ term: 'hup', from: 'list' }));
    expect(overviewOf(checked.counted).sections.map(({ kind, line }) => [kind, line])).toEqual([
      ['legend', 5],
      ['materials', 6],
    ]);
  });

  it('holds for every line that says the same, whatever its blanks', () => {
    const text =
      'BALL\nRnd 1: 6 sc in MR (6)\n  R9   is my row count (9)\nRnd 2: inc x 6 (12)\nR9 is my row count (9)\n';
    expect(reading(text, { lines: { 'R9 is my row count (9)': 'talk' } })[0]?.rounds).toHaveLength(2);
  });

  it('is given back with what was worked out', () => {
    const hand: Hand = { words: {}, lines: { 'mr 6': 'round' }, parts: { BALL: { make: 3 } } };
    expect(checkPattern('BALL\nmr 6\nRnd 2: inc x 6 (12)\n', '', { terms: 'auto', hand }).hand).toEqual(hand);
  });
});
