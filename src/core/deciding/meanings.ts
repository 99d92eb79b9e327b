import * as z from 'zod/mini';
import { NO_HAND, senseSchema, type Hand } from '../reading/hand.js';
import type { ReadOptions } from '../reading/read.js';
import { SENSES, type Sense } from '../vocabulary/senses.js';
import { decide } from './decide.js';
import { senseInWords } from './why.js';

/** What a word could mean, and how many rounds come out under each meaning. */
export const meaningsSchema = z.object({
  word: z.string(),
  /** All rounds of the pattern, and those that come out while nothing is said of the word. */
  rounds: z.int(),
  unsaid: z.int(),
  ways: z.array(
    z.object({
      sense: senseSchema,
      /** "an increase", "so many times". */
      words: z.string(),
      comesOut: z.int(),
    }),
  ),
});
export type Meanings = z.infer<typeof meaningsSchema>;

/**
 * Tries each meaning that a word of a text can have.
 * @param word in small letters, in the singular or the plural.
 * @returns the ways to take it, that under which most rounds come out first.
 */
export function meaningsOf(text: string, options: ReadOptions, word: string): Meanings {
  const said = options.hand ?? NO_HAND;
  const { [word]: _said, ...others } = said.words;
  const under = (hand: Hand) => comingOut(decide(text, { ...options, hand }));
  const { rounds, comesOut: unsaid } = under({ ...said, words: others });
  const ways = SENSES.map((sense: Sense) => ({
    sense,
    words: senseInWords(sense),
    comesOut: under({ ...said, words: { ...others, [word]: sense } }).comesOut,
  }));
  ways.sort((a, b) => b.comesOut - a.comesOut);
  return { word, rounds, unsaid, ways };
}

function comingOut({ rounds }: ReturnType<typeof decide>): { rounds: number; comesOut: number } {
  const comesOut = rounds.filter(({ verdict }) => verdict === 'agrees' || verdict === 'counted').length;
  return { rounds: rounds.length, comesOut };
}
