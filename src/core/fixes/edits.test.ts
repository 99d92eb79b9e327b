import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallEdits, spellingEdits, type Edit } from './edits.js';

/** What some words are after an edit. */
const after = (words: string, { from, to, text }: Edit) => words.slice(0, from) + text + words.slice(to);

/** All that some words may have been meant to be, with how far it goes. */
function edits(words: string): ReadonlyMap<string, number> {
  return new Map([...smallEdits(words)].map((edit) => [after(words, edit), edit.size]));
}

describe('a figure', () => {
  it.each([
    ['two digits exchanged', 'sc 18', 'sc 81', 1],
    ['a digit too many', 'sc 18', 'sc 1', 2],
    ['the other digit too many', 'sc 18', 'sc 8', 2],
    ['a digit struck twice', 'sc 44', 'sc 4', 1],
    ['a digit struck twice at the end', 'sc 155', 'sc 15', 1],
    ['one more', 'sc 18', 'sc 19', 1],
    ['one less', 'sc 18', 'sc 17', 1],
    ['twelve more', 'sc 18', 'sc 30', 12],
    ['twelve less', 'sc 18', 'sc 6', 12],
    ['half as many more, where that is many', 'sc 60', 'sc 90', 30],
    ['in words', 'six sc', 'seven sc', 1],
    ['in words, beyond those that are known', 'twelve sc', '13 sc', 1],
    ['of times', '(sc, inc) x 6', '(sc, inc) x 5', 1],
    ['written to its stitch', '6sc', '7sc', 1],
  ])('may be %s: %s', (_, words, other, size) => {
    expect(edits(words).get(other)).toBe(size);
  });

  it.each([
    ['nought', 'sc 1', 'sc 0'],
    ['more than twelve more', 'sc 6', 'sc 19'],
    ['what it is', 'sc 6', 'sc 6'],
    ['with a nought before it', 'sc 10', 'sc 01'],
  ])('is never %s', (_, words, other) => {
    expect(edits(words).has(other)).toBe(false);
  });

  it.each(['sc in 2nd ch from hook', 'sc2tog', 'sc 2 tog', 'with a 3 mm hook', '3.5 mm', '40 g of white', '1st st'])(
    'that names a place, or is of a name or a measure, is left alone: %s',
    (words) => {
      expect(edits(words).size).toBe(0);
    },
  );
});

describe('a shaping', () => {
  it.each([
    ['sc 3, inc', 'sc 3, dec'],
    ['sc 3, dec', 'sc 3, inc'],
    ['Inc x 6', 'Dec x 6'],
    ['6V', '6A'],
  ])('may be the other one: %s', (words, other) => {
    expect([...smallEdits(words)].filter(({ kind }) => kind === 'swap').map((edit) => after(words, edit))).toContain(
      other,
    );
  });

  it('is no part of another word', () => {
    expect([...smallEdits('since December')]).toEqual([]);
  });
});

describe('a word that was not understood', () => {
  it.each([
    ['icn', 'inc'],
    ['arround', 'around'],
    ['Dce', 'Dec'],
    ['ICN', 'INC'],
  ])('%s may be %s', (word, term) => {
    expect([...spellingEdits(word, [{ from: 0, to: word.length }])].map((edit) => edit.text)).toContain(term);
  });

  it('is looked for where it stands alone', () => {
    const words = 'icn x 6, then icn';
    const found = [...spellingEdits(words, [{ from: 14, to: 17 }])];
    expect(found.length).toBeGreaterThan(0);
    expect(found.every(({ from, to }) => from === 14 && to === 17)).toBe(true);
  });
});

it('every edit changes the words, within them, and no two come to the same', () => {
  const words = fc
    .array(fc.constantFrom('sc', 'inc', 'dec', '6', '18', '44', '(', ')', 'x', 'six', 'around', ', '), {
      maxLength: 10,
    })
    .map((all) => all.join(' '));
  fc.assert(
    fc.property(words, (text) => {
      const all = [...smallEdits(text)];
      for (const edit of all) {
        expect(edit.from).toBeGreaterThanOrEqual(0);
        expect(edit.to).toBeLessThanOrEqual(text.length);
        expect(edit.size).toBeGreaterThan(0);
        expect(after(text, edit)).not.toBe(text);
      }
      const keys = all.map(({ from, to, text: other }) => `${from} ${to} ${other}`);
      expect(new Set(keys).size).toBe(keys.length);
    }),
    { numRuns: 200, seed: 4 },
  );
});
