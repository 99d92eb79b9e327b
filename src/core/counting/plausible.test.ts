import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Outcome } from './outcome.js';
import { mostPlausible, type Link } from './plausible.js';

const outcome = (edge: number | null, into: number | null, made: number | null): Outcome => ({
  edge,
  into,
  made,
  starts: edge === null,
  misfits:
    into === null || edge === null || into === edge
      ? []
      : [into > edge ? { kind: 'over', into, edge } : { kind: 'under', into, edge }],
  obstacles: made === null ? [{ kind: 'unread' }] : [],
  bracketed: false,
  chainGuess: null,
  worked: [],
});

/** A round that uses and makes fixed numbers of stitches. */
const fixed = (into: number, made: number, stated: number | null = made): Link => ({
  stated,
  needs: into,
  keeps: false,
  on: (edge) => outcome(edge, into, made),
});
/** "sc around" */
const plain = (stated: number | null): Link => ({
  stated,
  needs: null,
  keeps: true,
  on: (edge) => outcome(edge, edge, edge),
});
/** An instruction that was not understood. */
const unread = (stated: number | null): Link => ({
  stated,
  needs: null,
  keeps: false,
  on: (edge) => outcome(edge, null, null),
});

const blames = (links: readonly Link[], edge: number | null) =>
  mostPlausible(links, edge).map(({ blame, carried }) => [blame, carried]);

describe('the most plausible edge', () => {
  it('leaves rounds that agree alone', () => {
    expect(blames([fixed(6, 12), fixed(12, 18), plain(18)], 6)).toEqual([
      [null, 12],
      [null, 18],
      [null, 18],
    ]);
  });

  it('takes a stated count that nothing goes with for a slip', () => {
    expect(blames([fixed(6, 12), fixed(12, 18, 21), fixed(18, 24)], 6)).toEqual([
      [null, 12],
      ['stated', 18],
      [null, 24],
    ]);
  });

  it('takes an instruction that what follows contradicts for the fault', () => {
    expect(blames([fixed(6, 12), fixed(12, 17, 18), fixed(18, 24)], 6)).toEqual([
      [null, 12],
      ['instruction', 18],
      [null, 24],
    ]);
  });

  it('lets the count come back after a round that does not fit', () => {
    expect(blames([fixed(6, 12), fixed(14, 21, 18), plain(18), fixed(18, 24)], 6)).toEqual([
      [null, 12],
      ['instruction', 18],
      [null, 18],
      [null, 24],
    ]);
  });

  it('goes on from what is stated where an instruction is not understood', () => {
    expect(blames([fixed(6, 12), unread(18), fixed(18, 24)], 6)).toEqual([
      [null, 12],
      [null, 18],
      [null, 24],
    ]);
  });

  it('guesses nothing where a round gives no figure', () => {
    expect(blames([unread(null), fixed(18, 24)], 6)).toEqual([
      [null, null],
      [null, 24],
    ]);
  });

  it('blames one round for one slip, wherever it stands and however many rounds follow', () => {
    const rounds = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 3, maxLength: 30 });
    fc.assert(
      fc.property(rounds, fc.nat(), fc.integer({ min: 1, max: 5 }), (steps, where, slip) => {
        let edge = 6;
        const links = steps.map((more) => {
          const link = fixed(edge, edge + more);
          edge += more;
          return link;
        });
        // The last round has no witness behind it; there either reading is as good.
        const at = where % (links.length - 1);
        const slipped = links.map((link, i) => (i === at ? { ...link, stated: (link.stated ?? 0) + slip } : link));
        expect(mostPlausible(slipped, 6).flatMap(({ blame }, i) => (blame ? [[i, blame]] : []))).toEqual([
          [at, 'stated'],
        ]);
      }),
    );
  });
});
