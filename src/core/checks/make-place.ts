import { locatedIn } from '../document/located.js';
import { madeBy, Pieces, type Piece, type Where } from '../document/pieces.js';
import type { Place } from '../document/places.js';
import type { Found, Rule } from './rule.js';
import { rounds as roundsInWords, stitches } from './wording.js';

const SETS = /eye|ear|arm|leg|wing|horn|nose|cheek|sew|set|place|attach|insert|push/iu;

export const makePlace: Rule = {
  id: 'make/place',
  severity: 'error',
  across: true,
  about: 'A place is named that does not exist, or where a distance does not fit.',
  failing: {
    text: 'US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nSet the eyes between Rnds 5 and 6.\nSet the ears on Rnd 2, 9 sts apart.\nFasten off.\n',
    says: ['5 and 6', '3', '9 stitches', '12'],
  },
  passing:
    'US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nSet the eyes between Rnds 2 and 3, 4 sts apart.\nFasten off.\n',
  *check({ pattern, rounds }, _, { assembly }): Iterable<Found> {
    for (const { step, place, where, from } of locatedIn(assembly, new Pieces(pattern.parts, rounds))) {
      const found = fault(place, step.text, where);
      if (found) yield { ...found, span: { from, to: from + place.to - place.from }, round: null };
    }
  },
};

function fault(place: Place, sentence: string, where: Where | null): Pick<Found, 'message' | 'severity'> | null {
  if (!where || where.piece.last === 0) return null;
  const { piece, certain, farthest } = where;
  if (!place.rounds) {
    if (!SETS.test(sentence) || place.apart === null) return null;
    return {
      severity: 'hint',
      message: `${stitches(place.apart)} apart, and not on which round: the place can't be told, nor whether it fits.`,
    };
  }
  const [first, last] = place.rounds;
  const high = Math.max(first, last);
  if (high > piece.last) return high <= farthest ? null : { message: tooHigh(piece, place.rounds, place.fromEnd) };
  if (place.between && last <= first)
    return { message: `Between ${first} and ${last}: two rounds that follow each other are meant.` };
  if (!certain) return null;
  const number = place.fromEnd ? piece.last + 1 - first : first;
  const made = madeBy(piece, number);
  return made === null ? null : distanceFault(place, made, `Round ${number}`, piece.part.name);
}

/** A place on a round that a piece does not have. */
function tooHigh({ last: rounds, counted, part }: Piece, [first, last]: readonly [number, number], fromEnd: boolean) {
  const said = first === last ? String(first) : `${first} and ${last}`;
  return `${said}${fromEnd ? ' from the end' : ''}: ${part.name} has ${roundsInWords(rounds, counted[0]?.round.kind ?? 'round')}.`;
}

/** What is wrong with a distance on a round that makes so many. */
function distanceFault(
  { over, apart, opposite }: Place,
  made: number,
  label: string,
  name: string,
): Pick<Found, 'message' | 'severity'> | null {
  if (over !== null && over > made) return { message: `Over ${stitches(over)}: ${label} of ${name} has ${made}.` };
  if (apart !== null && apart >= made)
    return { message: `${stitches(apart)} apart: ${label} of ${name} has ${made} in all.` };
  // Two thirds of the way round is no distance between two eyes: the other way is what is meant, or another figure.
  if (apart !== null && apart * 3 >= made * 2)
    return {
      message: `${stitches(apart)} apart on the ${made} of ${label}: ${degreesOf(apart, made)}° round it. The other way round they are ${made - apart} apart, ${degreesOf(made - apart, made)}°.`,
    };
  if (opposite && made % 2 === 1)
    return {
      severity: 'hint',
      message: `Opposite each other on ${label}, which has ${made}: ${(made - 1) / 2} one way and ${(made + 1) / 2} the other.`,
    };
  return null;
}

/** The angle between two things so many stitches apart on a round of so many, seen from its middle. */
function degreesOf(apart: number, made: number): number {
  return Math.round((apart * 360) / made);
}
