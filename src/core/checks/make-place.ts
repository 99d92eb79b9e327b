import { roundsByPart, type CountedRound } from '../counting/counted.js';
import type { Part } from '../pattern/pattern.js';
import type { Place } from './places.js';
import { formsOf, nounOf, wordsOf, type Talk } from './prose.js';
import type { Found, Rule } from './rule.js';
import { rounds as roundsInWords, stitches } from './wording.js';

/** "to the head", "of the green body": what something is put on. */
const TARGET =
  /(?<!\p{L})(?<!(?:sew|put|pin|fix|glue|stitch|sewn)\s)(?:to|of|on|onto|into)\s+(?:(?:the|each|its|his|her|back|front|top|side|sides|of)\s+){0,4}(?:\p{L}+\s+)??(\p{L}{3,})/giu;
/** This piece goes on another, whichever that is. */
const JOINS = /(?<!\p{L})(?:sew|sewn|attach|join|stitch|glue|pin)(?!\p{L})/iu;
const SETS = /eye|ear|arm|leg|wing|horn|nose|cheek|sew|set|place|attach|insert|push/iu;

const SIDE_OF = /(?:bottom|top|sides?|back|front|middle|base|cent(?:re|er)) of\s?$/iu;

const FREE_LOOPS = /(?:front|back|free|unused|unworked|remaining)\s+(?:loops?|lps?)(?!\p{L})/iu;

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
    const pieces = new Pieces(pattern.parts, rounds);
    for (const { text, places, span, talk } of assembly) {
      // Loops left free are asked for where they are worked into.
      if (places.length === 0 || FREE_LOOPS.test(text)) continue;
      const whole = pieces.of(talk, text);
      let clause = 0;
      for (const place of places) {
        // "on the balloon, at rnd 29, the other end to the basket at rnd 10": each by what stands before it.
        const where = pieces.named(text.slice(clause, place.to)) ?? whole;
        clause = place.to;
        const found = fault(place, text, where);
        if (!found) continue;
        const from = span.from + place.from;
        yield { ...found, span: { from, to: from + place.to - place.from }, round: null };
      }
    }
  },
};

/** A piece with its rounds by their numbers. */
interface Piece {
  readonly part: Part;
  readonly last: number;
  readonly counted: readonly CountedRound[];
}

interface Where {
  readonly piece: Piece;
  readonly certain: boolean;
  /** No piece that may be meant has a round after this. */
  readonly farthest: number;
}

/** Which piece a sentence speaks of. */
class Pieces {
  readonly #all: readonly Piece[];
  readonly #byNoun = new Map<string, Piece[]>();

  constructor(parts: readonly Part[], rounds: readonly CountedRound[]) {
    const byPart = roundsByPart(rounds);
    this.#all = parts.map((part) => {
      const counted = byPart.get(part) ?? [];
      return { part, counted, last: Math.max(0, ...counted.map(({ round }) => round.to)) };
    });
    for (const piece of this.#all)
      for (const form of formsOf(nounOf(piece.part)))
        this.#byNoun.set(form, [...(this.#byNoun.get(form) ?? []), piece].slice(-40));
  }

  /**
   * The part that something is put on, as the sentence names it; the one that it stands in where it speaks of no other;
   * else any at all. Of several the one with most rounds.
   */
  of(talk: Talk, sentence: string): Where | null {
    const own = talk.section === null ? this.#all.find(({ part }) => part === talk.part) : undefined;
    const places = [...sentence.matchAll(TARGET)];
    // "the edge of the wings to the sides": the wings are what is put there.
    const onto = places.findIndex(([words]) => !/^of/i.test(words));
    const targets = this.#named(places.slice(Math.max(0, onto)).map((match) => match[1] ?? ''));
    const others = this.#named(wordsOf(sentence)).filter((piece) => piece !== own);
    const alone = own && others.length === 0 && !JOINS.test(sentence);
    const pieces = targets.length > 0 ? targets : alone ? [own] : this.#all;
    const longest = pieces.reduce<Piece | null>((best, one) => (best && best.last >= one.last ? best : one), null);
    // What is named by nothing but where it stands may as well be another.
    const farthest = targets.length > 0 ? longest?.last : Math.max(...this.#all.map(({ last }) => last));
    return longest && { piece: longest, certain: new Set(pieces).size === 1, farthest: farthest ?? 0 };
  }

  /** The one piece that some words say something is put on; null where they name none, or several. */
  named(words: string): Where | null {
    const targets = [...words.matchAll(TARGET)].filter(
      ([said], i, all) => !/^of/i.test(said) || SIDE_OF.test(words.slice(0, (all[i]?.index ?? 0) + 3)),
    );
    const [piece, ...others] = new Set(this.#named(targets.map((match) => match[1] ?? '')));
    return piece && others.length === 0 ? { piece, certain: true, farthest: piece.last } : null;
  }

  #named(words: Iterable<string>): Piece[] {
    return [...words].flatMap((word) => this.#byNoun.get(word.toLowerCase()) ?? []);
  }
}

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
      message: `${stitches(apart)} apart on the ${made} of ${label}: the other way round they are ${made - apart} apart.`,
    };
  if (opposite && made % 2 === 1)
    return {
      severity: 'hint',
      message: `Opposite each other on ${label}, which has ${made}: ${(made - 1) / 2} one way and ${(made + 1) / 2} the other.`,
    };
  return null;
}

/** How many stitches a round of a piece makes; null where its number stands more than once, or the figure can't be had. */
function madeBy({ counted }: Piece, number: number): number | null {
  const named = counted.filter(({ round }) => round.labelled && round.from <= number && number <= round.to);
  const one = named[0];
  if (!one || named.length > 1) return null;
  return one.round.from === one.round.to || one.outcome.edge === one.outcome.made
    ? (one.outcome.made ?? one.carried)
    : null;
}
