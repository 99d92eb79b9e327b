import { describe, expect, it } from 'vitest';
import { resemblesTerm, termsNear } from './resembles.js';

describe('a word that is a term but for one letter', () => {
  it.each([
    'icn',
    'inx',
    'iinc',
    'decc',
    'dce',
    'hddc',
    'crohcet',
    'crochett',
    'arround',
    'aroud',
    'ssc',
    'scq',
    'trebel',
    'togehter',
    'aorund',
    'arounx',
    'stithces',
    'incraese',
    'repaet',
  ])('is told: %s', (word) => {
    expect(resemblesTerm(word)).toBe(true);
  });

  it.each([
    'inc',
    'sc',
    'around',
    'ground',
    'bump',
    'nip',
    'glorp',
    'frill',
    'sets',
    'lot',
    'plain',
    'soc',
    'tie',
    'goes',
    'ring',
  ])('others are not: %s', (word) => {
    expect(resemblesTerm(word)).toBe(false);
  });
});

it.each([
  ['arounx', ['around']],
  ['aruond', ['around']],
  ['aruoxd', []],
  ['axoundx', []],
  ['around', []],
])('what %s may have been meant to be', (word, terms) => {
  expect(termsNear(word)).toEqual(terms);
});
