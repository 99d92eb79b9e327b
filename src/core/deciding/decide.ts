import type { CountedPattern } from '../counting/counted.js';
import { countPattern } from '../counting/count.js';
import { readingsBySeries, readPattern, type ReadOptions } from '../reading/read.js';

/** A text of which so great a share of the rounds comes out is read rightly, and not tried otherwise. */
const ENOUGH = 0.7;
/** A reading by series has to prove so many rounds at the least: fewer may come out by chance. */
const FEWEST = 4;
/** A longer text is read by the forms that are known alone; characters. */
const LONGEST = 60_000;

/**
 * Reads and counts a text. Where little of it comes out by the forms that are known it is read by its series of numbers as
 * well, and the reading stands under which most rounds come out.
 */
export function decide(text: string, options?: ReadOptions): CountedPattern {
  const known = countPattern(readPattern(text, options));
  const proved = proofOf(known);
  if (text.length > LONGEST || (known.rounds.length >= FEWEST && proved >= known.rounds.length * ENOUGH)) return known;
  let best = { counted: known, proved: Math.max(proved, FEWEST - 1) };
  for (const pattern of readingsBySeries(text, options ?? { terms: 'auto' })) {
    const counted = countPattern(pattern);
    const also = proofOf(counted);
    if (also > best.proved) best = { counted, proved: also };
  }
  return best.counted;
}

/**
 * How many rounds come out: those whose count is stated and is what they make. One that fits and states none proves half as
 * much, since another reading might fit too.
 */
function proofOf({ rounds }: CountedPattern): number {
  return rounds.reduce((sum, { verdict }) => sum + (verdict === 'agrees' ? 1 : verdict === 'counted' ? 0.5 : 0), 0);
}
