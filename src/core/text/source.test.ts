import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keyOf, Keys } from './key.js';
import { lineIndexAt, lineSpan, positionAt, sourceText } from './source.js';

/** The lines of a text, as their spans cut them out. */
function lines(text: string): string[] {
  const source = sourceText(text);
  return source.lineStarts.map((_, line) => {
    const { from, to } = lineSpan(source, line);
    return text.slice(from, to);
  });
}

describe('lines', () => {
  it.each([
    ['one', ['one']],
    ['', ['']],
    ['one\ntwo', ['one', 'two']],
    ['one\r\ntwo', ['one', 'two']],
    ['one\rtwo', ['one', 'two']],
    ['one\r\n\r\ntwo', ['one', '', 'two']],
    ['one\n\rtwo', ['one', '', 'two']],
    ['one\n', ['one', '']],
    ['\r\n\n\r', ['', '', '', '']],
  ])('of %j', (text, expected) => {
    expect(lines(text)).toEqual(expected);
  });

  it('and their breaks are the whole text', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('a', '\r', '\n', '\r\n', 'bc'), { maxLength: 12 }), (pieces) => {
        const text = pieces.join('');
        expect(lines(text)).toEqual(text.split(/\r\n|\r|\n/));
      }),
    );
  });
});

describe('a place', () => {
  const source = sourceText('ab\r\nc\n\nd');

  it.each([
    [0, 1, 1],
    [1, 1, 2],
    [2, 1, 3],
    [3, 1, 4],
    [4, 2, 1],
    [5, 2, 2],
    [6, 3, 1],
    [7, 4, 1],
    [8, 4, 2],
  ])('%i is in line %i, column %i', (offset, line, column) => {
    expect(positionAt(source, offset)).toEqual({ line, column });
  });

  it('outside of the text is in its nearest line', () => {
    expect(lineIndexAt(source, -3)).toBe(0);
    expect(lineIndexAt(source, 99)).toBe(3);
    expect(lineSpan(source, 7)).toEqual({ from: 8, to: 8 });
  });
});

describe('a key', () => {
  it('is the same for the same words, and another for others', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (one, other) => {
        expect(keyOf(one) === keyOf(other)).toBe(one === other);
      }),
    );
  });

  // What is kept by it is found again by a later version.
  it.each([
    ['', 'wvjl67o803'],
    ['Rnd 1: 6 sc in MR (6)', '1ku5jnuc7ig'],
  ])('of %j does not change', (words, key) => {
    expect(keyOf(words)).toBe(key);
  });

  it('differs for words that stand there twice, in their order', () => {
    const keys = new Keys();
    const first = keys.of('sc around');
    expect([keys.of('sc around'), keys.of('inc'), keys.of('sc around')]).toEqual([
      `${first}.1`,
      keyOf('inc'),
      `${first}.2`,
    ]);
  });
});
