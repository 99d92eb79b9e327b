import { describe, expect, it } from 'vitest';
import { tokenize } from './lexer.js';

const SIGNS = { open: '(', close: ')' } as Readonly<Record<string, string>>;

/** The tokens of some words: numbers as figures, ordinals with a dot behind, words as they are, `+` before what is glued. */
function tokens(text: string): string {
  return tokenize(text, { from: 0, to: text.length })
    .map(({ kind, word, value, glued }, i) => {
      const told = kind === 'number' ? String(value) : kind === 'ordinal' ? `${value}.` : (SIGNS[kind] ?? word);
      return (glued && i > 0 ? '+' : '') + told;
    })
    .join(' ');
}

describe('letters and signs that stand for stitches', () => {
  const alphabet = { signs: new Set(['.']), letters: new Set(['v', 'a', 'x']), terms: new Set<string>(), joined: [] };
  const told = (text: string, letters = 'va') =>
    tokenize(text, { from: 0, to: text.length }, Infinity, { ...alphabet, letters: new Set(letters) })
      .map(({ kind, word, value }) => (kind === 'number' ? String(value) : (SIGNS[kind] ?? word)))
      .join(' ');

  it.each([
    ['..v', '. . v'],
    ['vva', 'v v a'],
    ['..a x4, ..', '( . . a ) x 4 , . .'],
    ['..ax4', '( . . a ) x 4'],
    ['v, ..a × 4', 'v , ( . . a ) × 4'],
    ['a x4', 'a x 4'],
    ['..a, 4', '. . a , 4'],
  ])('%s', (text, expected) => {
    expect(told(text)).toBe(expected);
  });

  it('of which an x is one are done together only where the times stand apart', () => {
    expect(told('xxv x4', 'xv')).toBe('( x x v ) x 4');
    expect(told('xxv x 4', 'xv')).toBe('x x v x 4');
  });
});

describe('what the words of an instruction are taken for', () => {
  it.each([
    // figures and letters part
    ['sc 6', 'sc 6'],
    ['6sc', '6 +sc'],
    ['sc÷inc', 'sc +÷ +inc'],
    ['sc×inc', 'sc +× +inc'],
    ['réduction', 'réduction'],
    ['sc6', 'sc +6'],
    ['SC 12', 'sc 12'],
    ['2nd', '2.'],
    ['21st', '21.'],
    ['11th', '11.'],
    ['1sts', '1 +sts'],
    ['2st', '2 +st'],
    ['3rds', '3 +rds'],
    ['99999999999', '1000000000'],
    // numbers as words
    ['six', '6'],
    ['twenty-four', '24'],
    ['twenty four', '24'],
    ['seventy-second', '72.'],
    ['one hundred and eight', '108'],
    ['two hundred', '200'],
    ['six and twenty', '6 and 20'],
    ['ten four', '10 4'],
    ['second', '2.'],
    // signs of multiplication
    ['6 ÷ 2', '6 ÷ 2'],
    ['6÷2', '6 +÷ +2'],
    ['INCx6', 'inc +x +6'],
    ['scx6', 'sc +x +6'],
    ['6xINC', '6 +x +inc'],
    ['inc x6', 'inc x +6'],
    ['(sc, inc)x6', '( +sc +, inc +) +x +6'],
    ['exit', 'exit'],
    // together
    ['2dctog', '2 +dc +tog'],
    ['sc2tog', 'sc +2 +tog'],
    ['dctog', 'dc +tog'],
    ['tog', 'tog'],
    // what carries no meaning is left out
    ['in each of the next', 'in each next'],
    ['into a ring', 'into ring'],
    ['an inc', 'inc'],
    // apostrophes and points
    ["sc's", "sc's"],
    ['don’t', "don't"],
    ["sc' 2", "sc +' 2"],
    ['sl. st', 'sl +. st'],
    // brackets and stars
    ['[sc, inc]', '( +sc +, inc +)'],
    ['*sc*', '* +sc +*'],
    ['**Rnd**', 'rnd'],
    ['sc_inc', 'sc inc'],
    ['sc around -> 18', 'sc around = 18'],
    ['| sc in all | 18 |', 'sc in all - 18'],
    ['sc in all\t18', 'sc in all +- 18'],
    ['', ''],
  ])('%j', (text, expected) => {
    expect(tokens(text)).toBe(expected);
  });

  it('stand where they stand in the text, letters as written', () => {
    const text = 'Rnd 2: Sc2tog, the INC';
    const found = tokenize(text, { from: 7, to: text.length });
    expect(found.map(({ from, to }) => text.slice(from, to))).toEqual(['Sc', '2', 'tog', ',', 'INC']);
    expect(found.map(({ raw }) => raw)).toEqual(['Sc', '2', 'tog', ',', 'INC']);
    // An arrow is one sign of two, whether it stands alone or not.
    expect(tokenize('sc -> 18', { from: 0, to: 8 }).map(({ raw }) => raw)).toEqual(['sc', '->', '18']);
    expect(tokenize('sc->18', { from: 0, to: 6 }).map(({ raw }) => raw)).toEqual(['sc', '->', '18']);
  });

  it('are no more than are wanted, and none past the end', () => {
    expect(tokenize('sc inc dec', { from: 0, to: 10 }, 2)).toHaveLength(2);
    expect(tokenize('sc inc dec', { from: 0, to: 5 }).map(({ word }) => word)).toEqual(['sc', 'in']);
    expect(tokenize('sc', { from: 0, to: 99 })).toHaveLength(1);
  });
});

describe('signs and letters that a text explains', () => {
  const alphabet = {
    signs: new Set(['▲', '●']),
    letters: new Set(['s', 'S', 'i', 'd']),
    terms: new Set(['s', 'i', 'd', 'p/2']),
    joined: ['p/2'],
  };
  const read = (text: string) =>
    tokenize(text, { from: 0, to: text.length }, Infinity, alphabet).map(({ kind, word, value }) =>
      kind === 'number' ? String(value) : word,
    );

  it.each([
    ['▲▲●6', ['▲', '▲', '●', '6']],
    ['sssi', ['s', 's', 's', 'i']],
    ['six', ['6']],
    ['SSi', ['s', 's', 'i']],
    ['p/2 3', ['p/2', '3']],
  ])('%s', (text, expected) => {
    expect(read(text)).toEqual(expected);
  });
});
