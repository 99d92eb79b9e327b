import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { joined, lineChanges, threeWay, type Piece } from './merging.js';

const TEXT = [
  'BALL',
  'Rnd 1: 6 sc in MR (6)',
  'Rnd 2: inc x 6 (12)',
  'Rnd 3: (sc 1, inc) x 6,',
  '  in Moss (18)',
  'End.',
];
const text = (...lines: string[]) => lines.join('\n');
/** The text with some lines in other words; null leaves one out. */
const but = (changes: Record<number, string | null>) =>
  TEXT.map((line, i) => (i in changes ? changes[i] : line))
    .filter((line) => line !== null)
    .join('\n');
const BASE = text(...TEXT);
const UNITS = [
  [1, 2],
  [2, 3],
  [3, 5],
] as const;
const merged = (pieces: readonly Piece[]) => joined(pieces, ({ kind }) => (kind === 'theirs' ? 'theirs' : 'mine'));
const clashes = (pieces: readonly Piece[]) => pieces.filter(({ kind }) => kind === 'clash');

describe('two texts from the same one', () => {
  it.each([
    ['other rounds, side by side', { 1: 'Rnd 1: 8 sc in MR (8)' }, { 2: 'Rnd 2: inc x 8 (16)' }],
    ['a round and the end', { 3: 'Rnd 3: (inc, sc 1) x 6,' }, { 5: 'Fasten off.' }],
    ['a line left out, and one changed', { 5: null }, { 0: 'BODY' }],
    ['the same change', { 2: 'Rnd 2: inc x 6' }, { 2: 'Rnd 2: inc x 6' }],
    ['the same change and another', { 2: 'Rnd 2: inc x 6' }, { 2: 'Rnd 2: inc x 6', 5: 'Fin.' }],
  ])('go together: %s', (_, mine, theirs) => {
    const pieces = threeWay(BASE, but(mine), but(theirs), UNITS);
    expect(clashes(pieces)).toEqual([]);
    expect(merged(pieces)).toBe(but({ ...mine, ...theirs }));
  });

  it('clash at the round that both have changed, and there alone', () => {
    const pieces = threeWay(
      BASE,
      but({ 2: 'Rnd 2: inc 6 (12)', 5: 'Mine.' }),
      but({ 2: 'Rnd 2: 2 sc in each (12)', 0: 'BODY' }),
      UNITS,
    );
    expect(clashes(pieces)).toEqual([
      {
        kind: 'clash',
        base: ['Rnd 2: inc x 6 (12)'],
        mine: ['Rnd 2: inc 6 (12)'],
        theirs: ['Rnd 2: 2 sc in each (12)'],
      },
    ]);
    expect(merged(pieces)).toBe(but({ 0: 'BODY', 2: 'Rnd 2: inc 6 (12)', 5: 'Mine.' }));
  });

  it('clash where they have changed two lines of one round', () => {
    const [mine, theirs] = [but({ 3: 'Rnd 3: (inc, sc 1) x 6,' }), but({ 4: '  in Rust (18)' })];
    expect(clashes(threeWay(BASE, mine, theirs))).toEqual([]);
    const [clash] = clashes(threeWay(BASE, mine, theirs, UNITS));
    expect(clash?.mine).toEqual(['Rnd 3: (inc, sc 1) x 6,', '  in Moss (18)']);
    expect(clash?.theirs).toEqual(['Rnd 3: (sc 1, inc) x 6,', '  in Rust (18)']);
  });

  it('clash where both have put something at the same place, or one has changed what the other took out', () => {
    expect(
      clashes(threeWay(BASE, BASE.replace('Rnd 2', 'Mine\nRnd 2'), BASE.replace('Rnd 2', 'Theirs\nRnd 2'))),
    ).toHaveLength(1);
    expect(clashes(threeWay(BASE, but({ 2: null }), but({ 2: 'Rnd 2: inc x 6' }), UNITS))).toHaveLength(1);
  });

  it('keep lines apart that one put before a round, and what the other changed in it', () => {
    const pieces = threeWay(BASE, but({ 2: 'Rnd 2: inc 6 (12)' }), BASE.replace('Rnd 2', 'Stuff it.\nRnd 2'), UNITS);
    expect(clashes(pieces)).toEqual([]);
    expect(merged(pieces)).toBe(but({ 2: 'Stuff it.\nRnd 2: inc 6 (12)' }));
  });
});

const lines = fc
  .array(fc.constantFrom('a', 'b', 'c', 'Rnd 1', 'Rnd 2', '', 'x'), { maxLength: 12 })
  .map((all) => all.join('\n'));
const units = fc
  .array(fc.integer({ min: 0, max: 12 }), { maxLength: 6 })
  .map((cuts) => [...new Set(cuts)].sort((a, b) => a - b))
  .map((cuts) => cuts.slice(1).map((to, i) => [cuts[i] ?? 0, to] as const));

describe('whatever two people write', () => {
  it('all three texts stand in the pieces, whole and in order', () => {
    fc.assert(
      fc.property(lines, lines, lines, units, (base, mine, theirs, rounds) => {
        const pieces = threeWay(base, mine, theirs, rounds);
        for (const [of, whole] of Object.entries({ base, mine, theirs }) as ['base' | 'mine' | 'theirs', string][])
          expect(joined(pieces, () => of)).toBe(whole);
      }),
    );
  });

  it('who has changed nothing gets what the other wrote, and nobody clashes', () => {
    fc.assert(
      fc.property(lines, lines, units, (base, other, rounds) => {
        for (const pieces of [threeWay(base, other, base, rounds), threeWay(base, base, other, rounds)]) {
          expect(clashes(pieces)).toEqual([]);
          expect(merged(pieces)).toBe(other);
        }
        expect(clashes(threeWay(base, other, other, rounds))).toEqual([]);
      }),
    );
  });

  it('it is the same whichever of the two is at this window', () => {
    fc.assert(
      fc.property(lines, lines, lines, (base, one, other) => {
        const [here, there] = [threeWay(base, one, other), threeWay(base, other, one)];
        expect(here.map(({ kind }) => kind === 'clash')).toEqual(there.map(({ kind }) => kind === 'clash'));
        if (clashes(here).length === 0) expect(merged(here)).toBe(merged(there));
      }),
    );
  });
});

describe('what others have changed', () => {
  const applied = (before: string, after: string) =>
    lineChanges(before, after)
      .toReversed()
      .reduce((text, { from, to, insert }) => text.slice(0, from) + insert + text.slice(to), before);

  it('comes in line by line: what stands between stays where it is', () => {
    const after = but({ 1: 'Rnd 1: 8 sc in MR (8)', 5: 'Fin.' });
    const changes = lineChanges(BASE, after);
    expect(changes.map(({ insert }) => insert)).toEqual(['Rnd 1: 8 sc in MR (8)\n', '\nFin.']);
    const at = BASE.indexOf('Rnd 2');
    expect(changes.every(({ from, to }) => to <= at || from > at)).toBe(true);
  });

  it('makes the one text of the other, whatever they are', () => {
    fc.assert(
      fc.property(lines, lines, (before, after) => {
        expect(applied(before, after)).toBe(after);
      }),
    );
  });
});
