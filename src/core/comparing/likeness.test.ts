import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decide } from '../deciding/decide.js';
import { likeness } from './likeness.js';
import { meaningOf, recipeOf } from './meaning.js';

describe('the share of words in both', () => {
  it.each([
    ['sc around', 'sc around', 1],
    ['sc around', 'inc around', 0.5],
    ['sc sc dec', 'sc dec', 0.8],
    ['sc dec', 'sc sc dec', 0.8],
    ['sc sc sc', 'sc', 0.5],
    ['sc', 'dec', 0],
    ['', 'sc', 0],
    ['', '', 0],
  ])('%j and %j', (one, other, share) => {
    const words = (text: string) => text.split(' ').filter(Boolean);
    expect(likeness(words(one), words(other))).toBeCloseTo(share, 9);
  });

  it('is the same from both sides, and whatever their order', () => {
    const words = fc.array(fc.constantFrom('sc', 'inc', 'dec', 'around', '6'), { maxLength: 12 });
    fc.assert(
      fc.property(words, words, (one, other) => {
        expect(likeness(one, other)).toBeCloseTo(likeness(other, one), 9);
        expect(likeness([...one].reverse(), other)).toBeCloseTo(likeness(one, other), 9);
        expect(likeness(one, other)).toBeLessThanOrEqual(1);
        expect(likeness(one, one)).toBe(one.length > 0 ? 1 : 0);
      }),
      { numRuns: 200, seed: 5 },
    );
  });
});

/** The second round of a ball of twelve, by what it does or by what it asks for. */
function second(round: string, terms = 'US') {
  const stitch = terms === 'US' ? 'sc' : 'dc';
  const text = `${terms} terms\n\nBALL\nRnd 1: 12 ${stitch} in MR (12)\n${round}\n`;
  const counted = decide(text).rounds[1];
  if (!counted) throw new Error('no round');
  return {
    meaning: meaningOf(counted),
    recipe: recipeOf(counted.round, text.slice(counted.round.bodyFrom, counted.round.span.to)),
  };
}

describe('what a round does', () => {
  it.each([
    ['how it is said', 'Rnd 2: (sc 1, inc) x 6', 'Rnd 2: *sc, 2 sc in next st; rep from * around'],
    ['how often it is said', 'Rnd 2: sc 12', 'Rnd 2: sc 6, sc 6'],
    ['its yarn', 'Rnd 2: sc 12', 'Rnd 2: With Moss, sc 12'],
    ['how it is joined', 'Rnd 2: sc 12', 'Rnd 2: sc 12, join'],
    ['its number', 'Rnd 2: sc 12', 'Rnd 3: sc 12'],
    ['its count', 'Rnd 2: sc 12', 'Rnd 2: sc 12 (12)'],
    ['nested repeats', 'Rnd 2: ((sc, inc) x 3) x 2', 'Rnd 2: (sc, inc) x 6'],
  ])('is the same whatever %s', (_, one, other) => {
    expect(second(one).meaning).not.toBeNull();
    expect(second(one).meaning).toBe(second(other).meaning);
  });

  it('is the same in both vocabularies', () => {
    expect(second('Rnd 2: (sc 1, inc) x 6').meaning).toBe(second('Rnd 2: (dc 1, inc) x 6', 'UK').meaning);
  });

  it.each([
    ['in another order', 'Rnd 2: (sc 1, inc) x 6', 'Rnd 2: (inc, sc 1) x 6'],
    ['in one loop', 'Rnd 2: sc 12', 'Rnd 2: BLO sc 12'],
    ['in the other loop', 'Rnd 2: FLO sc 12', 'Rnd 2: BLO sc 12'],
    ['in another stitch', 'Rnd 2: sc 12', 'Rnd 2: hdc 12'],
    ['for more rounds', 'Rnd 2: sc 12', 'Rnds 2-3: sc 12'],
    ['with air in it', 'Rnd 2: sc 12', 'Rnd 2: sc 6, ch 1, sc 6'],
    ['with more air in it', 'Rnd 2: sc 6, ch 1, sc 6', 'Rnd 2: sc 6, ch 2, sc 6'],
    ['passing one over', 'Rnd 2: sc 12', 'Rnd 2: skip 1, sc 11'],
    ['leaving one', 'Rnd 2: skip 1, sc 11', 'Rnd 2: sc 11, leave 1 st unworked'],
    ['several in one', 'Rnd 2: (sc, hdc) in next st, sc 11', 'Rnd 2: 2 sc in next st, sc 11'],
    ['through both layers', 'Rnd 2: sc 6', 'Rnd 2: sc 6 through both layers'],
  ])('is another %s', (_, one, other) => {
    expect(second(one).meaning).not.toBe(second(other).meaning);
  });

  it('can’t be told where something was not read', () => {
    expect(second('Rnd 2: sc 6, blorp 6 wugs').meaning).toBeNull();
    expect(second('Rnd 2: sc 6, blorp 6 wugs').recipe).toBeNull();
  });
});

describe('what a round asks for', () => {
  it('is the same wherever it stands, where it says around', () => {
    const text =
      'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nRnd 3: inc around (12)\nRnd 4: sc around (12)\n';
    const recipes = decide(text).rounds.map(({ round }) => recipeOf(round, text.slice(round.bodyFrom, round.span.to)));
    expect(recipes[1]).toBe(recipes[3]);
    expect(recipes[1]).not.toBe(recipes[2]);
    const meanings = decide(text).rounds.map(meaningOf);
    expect(meanings[1]).not.toBe(meanings[3]);
  });

  it.each([
    ['to how many are left', 'Rnd 2: sc to last 2 sts, inc', 'Rnd 2: sc to last 3 sts, inc'],
    ['to how many it makes', 'Rnd 2: dec around until 8 sts remain', 'Rnd 2: dec around until 9 sts remain'],
    ['how often', 'Rnd 2: (sc, inc) x 6', 'Rnd 2: (sc, inc) x 5'],
    ['how many', 'Rnd 2: sc 12', 'Rnd 2: sc 11'],
  ])('differs by %s', (_, one, other) => {
    expect(second(one).recipe).not.toBe(second(other).recipe);
  });

  it('is none where it is said by another round', () => {
    expect(second('Rnd 2: repeat rnd 1').recipe).toBeNull();
  });
});
