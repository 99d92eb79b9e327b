import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { follow, intoDraft, placeAt } from '../index.js';
import { compareTexts } from '../onRequest.js';

const TEXT = 'Head\nRnd 1: 6 sc in magic ring (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\n';
const at = (words: string, text = TEXT) => placeAt(text, text.indexOf(words), text.indexOf(words) + words.length);

describe('a place in a text that is edited', () => {
  it.each<[string, string, string | null]>([
    ['something is put in before it', TEXT.replace('Head', 'Head and body'), 'inc x 6'],
    ['something is put in right before it', TEXT.replace('inc x 6 (12)', 'then inc x 6 (12)'), 'inc x 6'],
    ['something is put in right behind it', TEXT.replace('inc x 6 (12)', 'inc x 6, turn (12)'), 'inc x 6'],
    ['the rest of its line is altered', TEXT.replace('Rnd 2: inc x 6 (12)', 'R2) inc x 6 = 12'), 'inc x 6'],
    [
      'lines before and behind it are altered at once',
      TEXT.replace('6 sc in magic', '7 sc in a').replace('sc 1', 'sc 2'),
      'inc x 6',
    ],
    ['a figure in it is altered', TEXT.replace('inc x 6 (12)', 'inc x 7 (12)'), null],
    ['it is taken out', TEXT.replace('inc x 6 ', ''), null],
    ['its line is taken out', TEXT.replace('Rnd 2: inc x 6 (12)\n', ''), null],
    ['all is taken out', '', null],
    ['the end of the text is altered, which has no line behind it', `${TEXT}Rnd 4: sc 18 (18`, 'inc x 6'],
  ])('when %s', (_, after, words) => {
    const [place] = follow([at('inc x 6')], TEXT, after);
    expect(place?.holds ? after.slice(place.from, place.to) : null).toBe(words);
    expect(place?.to).toBeLessThanOrEqual(after.length);
  });

  it('right before the end of a text is where it was when only the end is altered', () => {
    const place = placeAt('sc 6 (6)', 0, 4);
    expect(follow([place], 'sc 6 (6)', 'sc 6 (7]')).toEqual([placeAt('sc 6 (7]', 0, 4)]);
    expect(follow([placeAt('sc 6 (6)', 5, 8)], 'sc 6 (6)', 'sc 6 (6]')[0]?.holds).toBe(false);
  });

  it('follows the one of two like words that it was made at', () => {
    const twice = 'Rnd 1: inc, inc (4)\nRnd 2: inc, inc (8)\n';
    const second = placeAt(twice, 12, 15);
    const after = `${twice.slice(0, 12)}sc, then ${twice.slice(12)}`;
    expect(follow([second], twice, after)).toEqual([placeAt(after, 21, 24)]);
  });

  it('says what stands there now, and holds again when its words are back', () => {
    const altered = TEXT.replace('(12)', '(13)');
    const [place] = follow([at('(12)')], TEXT, altered);
    expect(place).toMatchObject({ holds: false, words: '(12)' });
    expect(altered.slice(place?.from, place?.to)).toContain('3');
    expect(follow(place ? [place] : [], altered, TEXT)).toEqual([at('(12)')]);
  });

  it('never points at other words than those it was made at, through any edits', () => {
    const word = fc.constantFrom('sc ', 'inc ', '(12) ', 'Rnd 4: ', '\n', 'x 6', 'a', ' ');
    const edit = fc.record({
      at: fc.double({ min: 0, max: 1, noNaN: true }),
      out: fc.nat({ max: 12 }),
      put: fc.array(word, { maxLength: 3 }),
    });
    let kept = 0;
    let alive = 0;
    fc.assert(
      fc.property(fc.array(fc.array(edit, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 8 }), (turns) => {
        // Each character has a name of its own, so that it is known which of two like words is meant.
        let letters = Array.from(TEXT, (letter, i) => ({ letter, name: i }));
        let next = letters.length;
        const mark = at('(sc 1, inc) x 6');
        const names = letters.slice(mark.from, mark.to).map(({ name }) => name);
        let place = mark;
        let text = TEXT;
        for (const turn of turns) {
          for (const { at: share, out, put } of turn) {
            const from = Math.floor(share * letters.length);
            const fresh = Array.from(put.join(''), (letter) => ({ letter, name: (next += 1) }));
            letters = [...letters.slice(0, from), ...fresh, ...letters.slice(from + out)];
          }
          const after = letters.map(({ letter }) => letter).join('');
          place = follow([place], text, after)[0] ?? place;
          text = after;
          const whole = names.every(
            (name, i) =>
              letters.findIndex((one) => one.name === name) === letters.findIndex((one) => one.name === names[0]) + i,
          );
          const there = whole ? letters.findIndex(({ name }) => name === names[0]) : -1;
          if (place.holds) {
            expect(text.slice(place.from, place.to)).toBe(mark.words);
            // The letters that it was made at, wherever they are whole.
            if (there >= 0) expect(place.from).toBe(there);
          }
          alive += there >= 0 ? 1 : 0;
          kept += there >= 0 && place.holds ? 1 : 0;
        }
      }),
      { numRuns: 2500, seed: 20_261 },
    );
    expect(alive).toBeGreaterThan(3000);
    expect(kept / alive).toBeGreaterThan(0.99);
  });
});

describe('a place in a further draft', () => {
  const draft = (after: string, words: string) => {
    const [place] = intoDraft([at(words)], compareTexts({ text: TEXT }, { text: after }), TEXT, after);
    return place?.holds ? after.slice(Math.max(0, place.from - 7), place.to) : null;
  };

  it('is at its round, wherever that stands now', () => {
    const after =
      'Head\nMade with care.\nRnd 1: 6 sc in magic ring (6)\nRnd 2: sc around (6)\nRnd 3: inc x 6 (12)\nRnd 4: (sc 1, inc) x 6 (18)\n';
    expect(draft(after, 'inc x 6')).toBe('Rnd 3: inc x 6');
    expect(draft(after, '(sc 1, inc) x 6 (18)')).toBe('Rnd 4: (sc 1, inc) x 6 (18)');
  });

  it('is gone where its words were altered, or its round', () => {
    expect(draft(TEXT.replace('(18)', '(19)'), '(18)')).toBeNull();
    expect(draft(TEXT.replace('Rnd 2: inc x 6 (12)\n', ''), 'inc x 6')).toBeNull();
    expect(draft('', 'inc x 6')).toBeNull();
  });
});
