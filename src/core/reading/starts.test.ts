import { describe, expect, it } from 'vitest';
import { numberGoesOn, writtenLike } from '../vocabulary/numbers.js';
import { chainStartIn, freeLoopsIn } from './starts.js';

describe('the chain that a part begins with', () => {
  it.each([
    ['With Ginger, ch 17.', { chains: 17, ring: false, firstFromHook: null }],
    ['Make a chain of 9.', { chains: 9, ring: false, firstFromHook: null }],
    ['12 ch', { chains: 12, ring: false, firstFromHook: null }],
    ['ch 12 and join to form a ring', { chains: 12, ring: true, firstFromHook: null }],
    ['Ch 20, join with a sl st.', { chains: 20, ring: true, firstFromHook: null }],
    ['20 chains, ss into the first', { chains: 20, ring: true, firstFromHook: null }],
    ['Ch 8. Start from the 2nd chain.', { chains: 8, ring: false, firstFromHook: 2 }],
    ['Ch 8. Join Sand.', { chains: 8, ring: false, firstFromHook: null }],
    ['ch 1', null],
    ['With Ginger.', null],
    ['Each of the 8 charms', null],
  ])('%s', (prose, start) => {
    const found = chainStartIn(prose, false);
    if (start === null) expect(found).toBeNull();
    else expect(found).toMatchObject({ kind: 'chains', ...start });
  });

  it('in letters is read only where a text is in letters', () => {
    expect(chainStartIn('12K, start from 2nd K', true)).toMatchObject({ chains: 12, firstFromHook: 2 });
    expect(chainStartIn('12K, start from 2nd K', false)).toBeNull();
  });

  it('has its figure where it stands in the text', () => {
    const text = 'TAIL\nWith Ginger, ch 17.';
    const found = chainStartIn(text.slice(5), false, 5);
    expect(found?.kind === 'chains' && text.slice(found.figure.from, found.figure.to)).toBe('17');
  });
});

describe('loops that were left free', () => {
  it.each([
    ['Join yarn in the front loops of Round 16.', { loops: 'front', round: 16 }],
    ['Work in the back loops of rnd three.', { loops: 'back', round: 3 }],
    ['In the free loops of the 8th round', { loops: null, round: 8 }],
    ['Join Mustard in any st of round 14.', { loops: null, round: 14 }],
    ['in the 24 front loops', { loops: 'front', round: null, count: 24 }],
    ['in the front loops that 25 left, there are 24', { loops: 'front', round: 25, count: 24 }],
  ])('%s', (prose, into) => {
    expect(freeLoopsIn(prose, 0)).toMatchObject(into);
  });

  it.each(['Fasten off.', 'Sew the loops together.', 'in the front'])('none: %s', (prose) => {
    expect(freeLoopsIn(prose, 0)).toBeNull();
  });

  it('stand where they stand in the text', () => {
    const text = '>>> In the front loops of Round 16, work on.';
    const found = freeLoopsIn(text.slice(4), 4);
    expect(text.slice(found?.span.from, found?.span.to)).toBe('front loops of Round 16');
  });
});

describe('numbers as words', () => {
  it.each([
    ['twenty-four', 20, 6, { value: 24, end: 11, ordinal: false }],
    ['twenty four', 20, 6, { value: 24, end: 11, ordinal: false }],
    ['twenty-first', 20, 6, { value: 21, end: 12, ordinal: true }],
    ['one hundred and eight', 1, 3, { value: 108, end: 21, ordinal: false }],
    ['two hundred', 2, 3, { value: 200, end: 11, ordinal: false }],
    ['twenty twelve', 20, 6, null],
    ['twenty ten', 20, 6, null],
    ['ninety hundred', 90, 6, null],
    ['nine hundred', 9, 4, { value: 900, end: 12, ordinal: false }],
    ['ten four', 10, 3, null],
    ['six and twenty', 6, 3, null],
    ['twenty and four', 20, 6, null],
    ['twenty sc', 20, 6, null],
  ])('%s', (text, value, end, whole) => {
    expect(numberGoesOn(text, value, end)).toEqual(whole);
  });

  it.each([
    [6, 'five', 'six'],
    [6, 'Five', 'Six'],
    [6, '5', '6'],
    [23, 'five', '23'],
    [100, 'ninety', 'hundred'],
  ])('%i is written like "%s": "%s"', (value, like, written) => {
    expect(writtenLike(value, like)).toBe(written);
  });
});
