import { describe, expect, it } from 'vitest';
import { convertTerms } from '../../core/index.js';
import { pairedLines } from './lines.js';

const shown = (text: string) =>
  pairedLines(text, convertTerms(text, { to: 'uk', from: 'us' }).changes).map(({ number, left, right }) => [
    number,
    left?.map((piece) => piece.text).join('') ?? null,
    right?.map((piece) => piece.text).join('') ?? null,
  ]);

describe('two versions line by line', () => {
  it('stay in step where a word runs over a line break', () => {
    expect(shown('US terms\nRnd 1: 6 sc in MR (6), half double\ncrochet in the next.\nEnd.')).toEqual([
      [1, 'US terms', 'UK terms'],
      [2, 'Rnd 1: 6 sc in MR (6), half double', 'Rnd 1: 6 dc in MR (6), half treble'],
      [3, 'crochet in the next.', 'crochet in the next.'],
      [4, 'End.', 'End.'],
    ]);
  });

  it('stay in step where a line goes, and where one comes', () => {
    expect(shown('US terms\nsk = skip\nst = stitch')).toEqual([
      [1, 'US terms', 'UK terms'],
      [2, 'sk = skip', null],
      [3, 'st = stitch', 'st = stitch'],
    ]);
    expect(shown('Ball\n\nRnd 1: 6 sc in MR (6)')).toEqual([
      [1, 'Ball', 'Ball'],
      [null, null, 'UK crochet terms'],
      [2, '', ''],
      [3, 'Rnd 1: 6 sc in MR (6)', 'Rnd 1: 6 dc in MR (6)'],
    ]);
  });
});
