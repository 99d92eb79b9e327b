import type { CountedPattern, CountedRound } from '../counting/counted.js';

/**
 * Where some words stand in the instructions, in the order of the text; one pass over all of it.
 * @param words a regular expression with the flag g.
 */
export function* wordsInRounds(
  { pattern, rounds }: CountedPattern,
  words: RegExp,
): Iterable<{ match: RegExpExecArray; counted: CountedRound }> {
  let at = 0;
  for (const match of pattern.source.text.matchAll(words)) {
    while (at < rounds.length && (rounds[at]?.round.span.to ?? 0) <= match.index) at += 1;
    const counted = rounds[at];
    if (!counted) return;
    if (counted.round.bodyFrom <= match.index) yield { match, counted };
  }
}
