import * as z from 'zod/mini';
import { SENSES, type Sense } from '../vocabulary/senses.js';
import type { LegendDefinition, Meaning } from './lexicon.js';

/** A word or two of a hand, and how many of them there may be. */
const LONGEST_WORD = 40;
const MOST_WORDS = 200;

export const senseSchema = z.enum(SENSES);
/** A word of a hand, in small letters. */
export const handWordSchema = z.string().check(
  z.overwrite((word) => word.trim().toLowerCase()),
  z.minLength(1),
  z.maxLength(LONGEST_WORD),
);

/** What is settled about a hand, its own words and what they mean: `{ "words": { "bump": "increase" } }`. */
export const handSchema = z.object({
  words: z
    .record(handWordSchema, senseSchema)
    .check(z.refine((words) => Object.keys(words).length <= MOST_WORDS, 'These are too many words.')),
});
export type Hand = z.infer<typeof handSchema>;

export const NO_HAND: Hand = { words: {} };

/** The words of a hand, with what they mean. */
export function wordsIn({ words }: Hand): Map<string, Sense> {
  return new Map(Object.entries(words));
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
export function wordsOf(words: ReadonlyMap<string, Sense>): LegendDefinition[] {
  return [...words].map(([term, sense]) => ({ term, meaning: MEANINGS[sense] }));
}
