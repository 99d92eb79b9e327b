/**
 * What a word can mean in the hand of one writer that it does not mean by itself.
 * - `stitch`, `increase`, `decrease`: of the stitch that the round is worked in; two in one, two as one.
 * - `times`: as in "six times". `more`: as in "five more times", which are six.
 * - `around`: to the end of the round. `repeat`: what stands before it, to the end.
 * - `turning-chain`: a chain that a round begins with; so many of them where a figure stands beside it.
 * - `nothing`: it changes no count.
 */
export const SENSES = [
  'increase',
  'decrease',
  'stitch',
  'times',
  'around',
  'repeat',
  'more',
  'turning-chain',
  'nothing',
] as const;
export type Sense = (typeof SENSES)[number];

/** Those that the sums can tell; that a word is a turning chain, or nothing, only a person can say. */
export const TOLD_BY_SUMS: readonly Sense[] = SENSES.filter(
  (sense) => sense !== 'nothing' && sense !== 'turning-chain',
);
