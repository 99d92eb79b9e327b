import { describe, expect, it } from 'vitest';
import { textsOf, withoutForm, withoutWord } from './forget.js';
import { mutate } from './mutate.js';
import { scoreFolder } from './score.js';
import { spoil } from './spoil.js';

describe('patterns in unusual hands', () => {
  it('are read, all but a few rounds', () => {
    const scores = scoreFolder('corpus/odd').map(({ score }) => score);
    const sum = (figure: 'rounds' | 'right' | 'falseAlarms') => scores.reduce((all, score) => all + score[figure], 0);
    expect(sum('rounds')).toBe(2300);
    expect(sum('right')).toBeGreaterThanOrEqual(2295);
    expect(sum('falseAlarms')).toBeLessThanOrEqual(11);
  });

  it('have their slips named, and hardly ever hidden by a reading that fits', () => {
    const planted = mutate(120, 5, ['corpus/odd']);
    const share = (fates: readonly string[]) =>
      planted.filter(({ fate }) => fates.includes(fate)).length / planted.length;
    expect(share(['named', 'and others'])).toBeGreaterThanOrEqual(0.94);
    expect(share(['blamed another'])).toBe(0);
  });
});

describe('a word that is misspelt', () => {
  it('makes no round silently wrong', () => {
    expect(spoil(150, 11).flatMap(({ silent }) => silent)).toEqual([]);
  });
});

describe('what the reader does not know', () => {
  const texts = textsOf(['corpus/odd']);

  it.each(['bracket', 'star', 'chain', 'times-behind'])('it works out: the form "%s"', (name) => {
    const { lost, of } = withoutForm(name, texts);
    expect(lost / of).toBeLessThanOrEqual(0.1);
  });

  it.each(['inc', 'around', 'times'])('it works out: the word "%s"', (word) => {
    const { lost, of } = withoutWord(word, texts);
    expect(of).toBeGreaterThan(0);
    expect(lost / of).toBeLessThanOrEqual(0.25);
  });
});
