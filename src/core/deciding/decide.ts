import type { CountedPattern } from '../counting/counted.js';
import { countPattern } from '../counting/count.js';
import { retaken } from '../pattern/retaken.js';
import { NO_HAND, type Hand } from '../reading/hand.js';
import type { Units } from '../reading/page/unit.js';
import { readText, seriesIn, type ReadOptions } from '../reading/read.js';
import { evidenceOf } from './evidence.js';

/** A text of which so great a share of the rounds comes out is read rightly, and not tried otherwise. */
const ENOUGH = 0.9;
/** A reading by series has to prove so many rounds at the least: fewer may come out by chance. */
const FEWEST = 4;
/** So many rounds more have to come out by the series. */
const MARGIN = 1;
const MOST_PASSES = 3;
/** A longer text is read by the forms that are known alone; characters. */
const LONGEST = 60_000;

/**
 * Reads and counts a text. Where little of it comes out by the forms that are known it is read by its series of numbers as
 * well, and the reading stands under which most rounds come out.
 */
export function decide(text: string, options: ReadOptions = { terms: 'auto' }): CountedPattern {
  const known = readingOf(text, options);
  const proved = proofOf(known);
  if (text.length > LONGEST || (known.rounds.length >= FEWEST && proved >= known.rounds.length * ENOUGH)) return known;
  // What is read by known forms stands, unless more than a round or so speaks against it.
  let best = { counted: known, proved: Math.max(proved + (proved >= FEWEST ? MARGIN : 0), FEWEST - 1) };
  for (const units of seriesIn(text, options)) {
    const counted = readingOf(text, options, units);
    const also = proofOf(counted);
    if (also > best.proved) best = { counted, proved: also };
  }
  return best.counted;
}

/** Reads a text in one way, and what is left in doubt by the evidence of all its rounds. */
export function readingOf(text: string, options: ReadOptions, units?: Units): CountedPattern {
  const first = readText(text, options, units);
  const counted = countPattern(first.pattern);
  if (text.length > LONGEST || counted.rounds.every(({ verdict }) => verdict !== 'unreadable' && verdict !== 'off'))
    return counted;
  const { words } = evidenceOf(counted, first.gists);
  const hand: Hand = { words: new Map([...(options.hand ?? NO_HAND).words, ...words]) };
  const reading = words.size === 0 ? first : readText(text, { ...options, hand }, units);
  let settled = words.size === 0 ? counted : countPattern(reading.pattern);
  // What one round is taken for lets others come out that refer to it.
  for (let pass = 0; pass < MOST_PASSES; pass += 1) {
    const { readings } = evidenceOf(settled, reading.gists);
    if (readings.size === 0) break;
    settled = countPattern(retaken(settled.pattern, readings));
  }
  return settled;
}

/**
 * How many rounds come out: those whose count is stated and is what they make. One that fits and states none proves half as
 * much, since another reading might fit too.
 */
export function proofOf({ rounds }: CountedPattern): number {
  return rounds.reduce((sum, { verdict }) => sum + (verdict === 'agrees' ? 1 : verdict === 'counted' ? 0.5 : 0), 0);
}
