import { cardinal, ordinal } from '../vocabulary/numbers.js';
import { inEitherCase } from '../text/eitherCase.js';

/** Where something goes on a piece, as a sentence says it. Offsets are within the sentence. */
export interface Place {
  readonly from: number;
  readonly to: number;
  /** The rounds named, first and last; null where none are. */
  readonly rounds: readonly [number, number] | null;
  /** It lies between those two rounds. */
  readonly between: boolean;
  /** Rounds counted from the bottom or the end of the piece. */
  readonly fromEnd: boolean;
  /** Stitches between two things on that round. */
  readonly apart: number | null;
  /** Stitches that something is sewn along. */
  readonly over: number | null;
  readonly opposite: boolean;
}

const NUMBER = String.raw`(\d{1,3}|\p{L}{3,9})`;
const UNIT = String.raw`(?:rnds?|rounds?|rds?|rows?|r)\.?`;
const COUNTED_FROM = String.raw`(\s+(?:from|up from|counting from)\s+(?:the\s+)?(?:bottom|end|base|edge|opening|top|last))?`;
/** "between rounds 12 and 13", "over Rnds 3-5", "on R8", "at round 14 from the end", "in stitch 8 of Rnd 6". */
const ROUNDS = inEitherCase(
  String.raw`(?<!\p{L})(between|b\/w|over|on|at|across|along|into|in|under|below|above|(?<=\d )of)\s+(?:the\s+)?${UNIT}\s?#?(\d{1,3})(?:\s*(?:and|&|-|–|—|\/|to)\s*(?:${UNIT}\s?)?(\d{1,3}))?(?!\d)${COUNTED_FROM}`,
  'g',
);
/** "on the 4th round from the bottom", "between the third and fourth rounds from the end". */
const RANKED = inEitherCase(
  String.raw`(?<!\p{L})(between|over|on|at|in|into)\s+(?:the\s+)?(\d{1,3}(?:st|nd|rd|th)|\p{L}{5,7})(?:\s*(?:and|&|-|–)\s*(?:the\s+)?(\d{1,3}(?:st|nd|rd|th)|\p{L}{5,7}))?\s+(?:rnds?|rounds?|rds?|rows?)${COUNTED_FROM}`,
  'g',
);
const APART = inEitherCase(
  String.raw`${NUMBER}\s*(?:sts?|stitch(?:es)?|loops?|sc|dc|x)?\s+(?:apart|between (?:them|the eyes|the two|each))|(?:with|leaving|about|approx\.?)\s+${NUMBER}\s*(?:visible\s+)?(?:sts?|stitch(?:es)?|loops?)\s+(?:free\s+)?(?:in\s+)?between`,
);
const OVER = inEitherCase(
  String.raw`(?<!\p{L})(?:over|across|along)\s+(?:about\s+|the\s+)?(?:next\s+)?${NUMBER}\s*(?:sts?|stitch(?:es)?|loops?)(?!\p{L})`,
);
const OPPOSITE = /(?<!\p{L})opposite\s+(?:each other|one another|sides)(?!\p{L})/iu;

const valueOf = (written: string | undefined): number | null =>
  written === undefined ? null : /^\d/.test(written) ? Number.parseInt(written, 10) : cardinal(written.toLowerCase());

const rankOf = (written: string | undefined): number | null =>
  written === undefined ? null : /^\d/.test(written) ? Number.parseInt(written, 10) : ordinal(written.toLowerCase());

const MAY_NAME = /apart|between|opposite|round|rnd|row|rd|(?<!\p{L})r\.?\s?\d/iu;

/** A quick look: whether a stretch of talk may name a place. */
export function namesPlace(text: string): boolean {
  return MAY_NAME.test(text);
}

/** What a sentence says of distances, with the words that say how far apart. */
function distanceIn(sentence: string): Pick<Place, 'apart' | 'over' | 'opposite'> & { at: RegExpExecArray | null } {
  const at = /apart|between/i.test(sentence) ? APART.exec(sentence) : null;
  const over = OVER.exec(sentence);
  return {
    at,
    apart: at ? valueOf(at[1] ?? at[2]) : null,
    over: over ? valueOf(over[1]) : null,
    opposite: OPPOSITE.test(sentence),
  };
}

/** The places that a sentence names; what it says of distances belongs to the first of them. */
export function placesIn(sentence: string): Place[] {
  if (!namesPlace(sentence)) return [];
  const { at: apart, ...distance } = distanceIn(sentence);
  const places: Place[] = [];
  const add = (match: RegExpMatchArray, first: number | null, last: number | null) => {
    if (first === null || first === 0) return;
    const fromEnd = match[4] !== undefined && !/top/i.test(match[4]);
    const from = match.index ?? 0;
    const none = { apart: null, over: null, opposite: false };
    const own = places.length === 0 ? distance : none;
    const between = last !== null && /^b(?:etween|\/w)$/iu.test(match[1] ?? '');
    places.push({ from, to: from + match[0].length, rounds: [first, last ?? first], between, fromEnd, ...own });
  };
  for (const match of sentence.matchAll(ROUNDS)) add(match, Number(match[2]), valueOf(match[3]));
  for (const match of sentence.matchAll(RANKED)) add(match, rankOf(match[2]), rankOf(match[3]));
  if (places.length === 0 && (distance.apart !== null || distance.opposite)) {
    const match = apart ?? OPPOSITE.exec(sentence);
    const from = match?.index ?? 0;
    places.push({
      from,
      to: from + (match?.[0].length ?? 0),
      rounds: null,
      between: false,
      fromEnd: false,
      ...distance,
    });
  }
  return places;
}
