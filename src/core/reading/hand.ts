import type { LegendDefinition, Meaning } from './lexicon.js';

/**
 * What a word can mean in the hand of one writer that it does not mean by itself.
 * - `stitch`, `increase`, `decrease`: of the stitch that the round is worked in; two in one, two as one.
 * - `times`: as in "six times". `more`: as in "five more times", which are six.
 * - `around`: to the end of the round. `repeat`: what stands before it, to the end.
 * - `nothing`: it changes no count.
 */
export const SENSES = ['increase', 'decrease', 'stitch', 'times', 'around', 'repeat', 'more', 'nothing'] as const;
export type Sense = (typeof SENSES)[number];

/** What is settled about a hand: its own words, in small letters, and what they mean. */
export interface Hand {
  readonly words: ReadonlyMap<string, Sense>;
}

export const NO_HAND: Hand = { words: new Map() };

const MEANINGS: Readonly<Record<Sense, Meaning>> = {
  increase: { is: 'increase', per: 2 },
  decrease: { is: 'decrease', over: 2 },
  stitch: { is: 'stitch', stitch: 'step1', foreign: false },
  times: { is: 'times', times: null },
  around: { is: 'around' },
  repeat: { is: 'repeat' },
  more: { is: 'more' },
  nothing: { is: 'aside' },
};

/** The words of a hand as the lexicon takes them. */
export function wordsOf({ words }: Hand): LegendDefinition[] {
  return [...words].map(([term, sense]) => ({ term, meaning: MEANINGS[sense] }));
}
