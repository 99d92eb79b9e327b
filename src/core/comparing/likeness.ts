import type { Likeness } from './align.js';
import type { Unit } from './units.js';

/** How much it says for two rounds that they are one and the same: their words, what they do, their number, words shared. */
const SAME_WORDS = 10;
const SAME_MEANING = 9;
const SAME_NUMBER = 1;
/** They stand for as many rounds, and more than one. */
const SAME_LENGTH = 2;
const SHARED_WORDS = 6;
/** Two headings of one part are paired whatever they say. */
const HEADINGS = 12;
/** Other words are of one line if so great a share of them is in both. */
export const LIKE = 0.5;

/** What is to be laid beside what. */
export const LIKENESS: Likeness<Unit> = {
  gain,
  names: [
    ({ label, body }) => `${label} ${body}`,
    ({ from, meaning, made }) => (meaning === null ? null : `${from}|${made}|${meaning}`),
  ],
};

/** How much it says for two units that they are one and the same. */
function gain(before: Unit, after: Unit): number {
  if (before.heading && after.heading) return HEADINGS;
  if ((before.round === null) !== (after.round === null))
    // What one reading takes for a round and the other does not is the same only to the letter.
    return `${before.label} ${before.body}`.trim() === `${after.label} ${after.body}`.trim() ? SAME_WORDS : 0;
  const number = before.round !== null && before.from === after.from && before.from > 0;
  const long = lengthOf(before) > 1 && lengthOf(before) === lengthOf(after);
  const more = (number ? SAME_NUMBER : 0) + (long ? SAME_LENGTH : 0);
  if (before.body === after.body) return SAME_WORDS + more;
  if (doesTheSame(before, after)) return SAME_MEANING + more;
  const shared = likeness(before.words, after.words);
  // Much alike says far more than somewhat alike.
  return number || shared >= LIKE ? SHARED_WORDS * shared ** 3 + more : 0;
}

/** Whether two rounds are known to do the same, or ask for the same. */
export function doesTheSame(before: Unit, after: Unit): boolean {
  return (
    (before.meaning !== null && before.meaning === after.meaning) ||
    (before.recipe !== null && before.recipe === after.recipe)
  );
}

/** The share of words that two lines have in common, from 0 to 1. */
export function likeness(before: readonly string[], after: readonly string[]): number {
  if (before.length === 0 || after.length === 0) return 0;
  const left = new Map<string, number>();
  for (const word of before) left.set(word, (left.get(word) ?? 0) + 1);
  let shared = 0;
  for (const word of after) {
    const often = left.get(word) ?? 0;
    if (often === 0) continue;
    shared += 1;
    left.set(word, often - 1);
  }
  return (2 * shared) / (before.length + after.length);
}

/** How many rounds it stands for. */
export function lengthOf({ from, to }: Unit): number {
  return to - from + 1;
}
