import * as z from 'zod/mini';
import { SENSES, type Sense } from '../vocabulary/senses.js';
import type { LegendDefinition, Meaning } from './lexicon.js';

/** What is settled about a hand: its own words, in small letters, and what they mean. */
export interface Hand {
  readonly words: ReadonlyMap<string, Sense>;
}

export const NO_HAND: Hand = { words: new Map() };

/** A word or two in a hand's file, and how many of them there may be. */
const LONGEST_WORD = 40;
const MOST_WORDS = 200;

/** What is settled about a hand, as it is kept in a file: `{ "words": { "bump": "increase" } }`. */
export const handSchema = z.object({
  words: z
    .record(z.string().check(z.minLength(1), z.maxLength(LONGEST_WORD)), z.enum(SENSES))
    .check(z.refine((words) => Object.keys(words).length <= MOST_WORDS, 'These are too many words.')),
});
export type HandFile = z.infer<typeof handSchema>;

/** A hand from what is kept of it. */
export function handOf({ words }: HandFile): Hand {
  return { words: new Map(Object.entries(words).map(([word, sense]) => [word.toLowerCase(), sense])) };
}

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
