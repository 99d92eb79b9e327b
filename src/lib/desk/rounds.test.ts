import { describe, expect, it } from 'vitest';
import { checkText } from '../../core/index.js';
import { changeOf, nearest, placedRounds, roundAt, roundName } from './rounds.js';

const TEXT =
  'US terms\n\nBALL\nRnd 1: 6 sc in MR (6). Rnd 2: inc x 6 (12).\nStuff it.\n3. sc\nin each st around (12)\n';
const rounds = placedRounds(checkText(TEXT, 'x'));
const label = (found: ReturnType<typeof roundAt>) => found?.round.label ?? null;

describe('the round at a place', () => {
  it.each([
    [{ line: 4, column: 1 }, 'Rnd 1'],
    [{ line: 4, column: 30 }, 'Rnd 2'],
    [{ line: 5, column: 3 }, null],
    [{ line: 7, column: 2 }, '3'],
  ])('%j: %s', (spot, expected) => {
    expect(label(roundAt(rounds, spot))).toBe(expected);
  });

  it('is followed and preceded by its neighbours, in the same line too', () => {
    expect(label(nearest(rounds, { line: 4, column: 1 }, 1))).toBe('Rnd 2');
    expect(label(nearest(rounds, { line: 4, column: 40 }, -1))).toBe('Rnd 1');
    expect(label(nearest(rounds, { line: 5, column: 1 }, 1))).toBe('3');
    expect(label(nearest(rounds, { line: 1, column: 1 }, 1, ({ round }) => round.made === 12))).toBe('Rnd 2');
    expect(nearest(rounds, { line: 7, column: 1 }, 1)).toBeNull();
  });
});

it('names a bare number, and tells by how much a round grows', () => {
  expect(roundName({ label: '7', kind: 'row' })).toBe('Row 7');
  expect([changeOf({ edge: 6, made: 12 }), changeOf({ edge: 12, made: 6 }), changeOf({ edge: 6, made: 6 })]).toEqual([
    '+6',
    '−6',
    '',
  ]);
});
