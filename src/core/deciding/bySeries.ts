import type { CountedPattern } from '../counting/counted.js';
import { countPattern } from '../counting/count.js';
import type { Units } from '../reading/page/unit.js';
import { unitsOf } from '../reading/page/units.js';
import type { TextReader } from '../reading/read.js';
import type { Open } from './plainly.js';
import { proofOf, readingOf } from './settle.js';

const MOST_WAYS = 3;
/** So great a share of the rounds comes out in a reading that is not to be bettered. */
const PLAIN = 0.95;
/** A stated count promises a part of a round that comes out. */
const PROMISE = 0.3;

/** Reads a text by its series of numbers as well: the reading stands under which most rounds come out. */
export function bySeries({ text, options, reader, counted: known, proved }: Open): CountedPattern {
  let best = { counted: known, proved };
  for (const units of likeliest(reader)) {
    const counted = readingOf(reader, text, options, units);
    const also = proofOf(counted);
    if (also > best.proved) best = { counted, proved: also };
    // A reading under which nearly all comes out is not bettered.
    if (also >= counted.rounds.length * PLAIN) break;
  }
  return best.counted;
}

/** The ways to take a text by its series under which most comes out at first sight; the others are not looked into. */
function likeliest(reader: TextReader): Units[] {
  const ways = unitsOf(reader.view, reader.lexicon).map((units) => {
    const counted = countPattern(reader.read(units).pattern);
    const stated = units.units.filter((unit) => unit.stated !== null).length;
    return { units, rating: proofOf(counted) + stated * PROMISE };
  });
  ways.sort((a, b) => b.rating - a.rating);
  return ways.slice(0, MOST_WAYS).map(({ units }) => units);
}
