import { ordinal } from '../../vocabulary/numbers.js';
import { numeralsIn } from './numerals.js';

/** "Round 13 is …", "In round 12 I …", "Rounds 4 and 5 are plain", "On the second round …", "The fourth round is …", "Fifth: …" */
const OWN =
  /^\s*(?:(?:then|and|now|next),?\s+)?(?:(?:in|on|for|at)\s+)?(?:the\s+)?(?:(?:rounds?|rows?|rnds?|rds?)\s+(\d{1,3}|\p{L}{3,9})(?:\s*(?:-|–|to|and)\s*(\d{1,3}|\p{L}{3,9}))?(?!\s+(?:times?|more)(?!\p{L}))|(\p{L}{4,11}|\d{1,2}(?:st|nd|rd|th))(?:\s+(?:round|row|rnd|rd)(?!\p{L})|(?=\s*:)|(?=\s+(?:I|we|you)\s)))\s*[:,]?\s*(?:(?:is|are|has|gets?|goes)\s+|(?:I|we|you)\s+)?/iu;
const ON_SO_MANY = /^\s*(?:\p{L}+,?\s+)?(?:in|on|for|at)\s+\p{L}+\s*:/iu;
/** A number that a sentence names is its own where it goes on from the one before, or not far behind it. */
const MOST_AHEAD = 20;
/** One sentence tells so many rounds at most. */
const MOST_ROUNDS = 200;

/** "For the head I begin with …", "Each ear begins with …": the first round of a piece. */
export const BEGINS_PIECE =
  /^\s*(?:for\s+)?(?:the|each|every|both|an?)\s+((?:\p{L}{2,}\s){0,2}?\p{L}{2,}),?\s+(?:(?:I|we|you)\s+)?(?:begins?|starts?)\s+(?:with|from|as)\s+/iu;
/** "face: ", "[roof] ", "Wings, two of: ", "ear x2: ": the name of a piece before what begins it. */
const NAMED =
  /^\W*(?:the )?((?!(?:begin|start|first|then|next|now|with|using|in|on|from|ring|loop|round|row|rnd|rd|chain|ch)(?!\p{L}))\p{L}[^.:;\d\]()–—]{1,40}?(?:\s?\([^()]{1,12}\)| [x×]\s?\d|\s(?:is|are)\s\p{L}+|:? (?:\d|\p{L}{3,5})(?: of(?: \p{L}{4,5})?)?)?)(?:[:\]]|\s[-–—])\s+/iu;
/** "To make the ears (2): ", "For the cap, in brown, " */
const TO_MAKE =
  /^\W*(?:to (?:make|work|crochet)|for) (?:(?:the|each|both|an?) )?(\p{L}[^,.:;\d()]{1,30}?(?:\s?\([^()]{1,12}\))?)(?:, (?:in|with) [^,:.]{3,20})?[,:]\s+/iu;

/** The name of the piece with which words begin, and where that ends; null where they name none. */
export function namedPiece(words: string): { readonly part: string; readonly end: number } | null {
  const [{ length: end } = '', part] = TO_MAKE.exec(words) ?? NAMED.exec(words) ?? [];
  return part === undefined ? null : { part, end };
}

/** "The last round is …" */
const LAST_OWN = /^\s*(?:the\s+)?(?:last|final)\s+(?:round|row|rnd|rd)\s*(?::|is|are)\s*/iu;

/** The rounds that a sentence says it tells, and where its words about them end. */
export interface Own {
  readonly numbers: readonly number[] | null;
  readonly end: number;
  /** It is a round, whatever else it says. */
  readonly stands: boolean;
}
const NONE: Own = { numbers: null, end: 0, stands: false };

/** The numbers that a sentence names as its own, if they go on from the round before. */
export function ownNumbers(text: string, before: number): Own {
  const begins = BEGINS_PIECE.exec(text);
  if (begins) return { numbers: [1], end: begins[0].length, stands: true };
  const closes = before > 0 ? LAST_OWN.exec(text) : null;
  if (closes) return { numbers: [before + 1], end: closes[0].length, stands: true };
  const said = OWN.exec(text);
  const numbers = said && numbersSaid(text, said, before);
  return said && numbers ? { numbers, end: said[0].length, stands: true } : NONE;
}

/** The numbers that a sentence begins with, where they may be those of rounds behind the one before. */
function numbersSaid(text: string, [, one, other, rank]: RegExpExecArray, before: number): number[] | null {
  // "On twelve: …" says on how many stitches.
  if (rank !== undefined && ON_SO_MANY.test(text) && ordinal(rank.toLowerCase()) === null) return null;
  const first = numbered(one ?? rank);
  if (first === null || first <= before || first > before + MOST_AHEAD) return null;
  const last = other === undefined ? first : numbered(other);
  if (last === null || last < first || last > first + MOST_ROUNDS) return null;
  return Array.from({ length: last - first + 1 }, (_, i) => first + i);
}

function numbered(written = ''): number | null {
  return numeralsIn(written, { from: 0, to: written.length })[0]?.first ?? null;
}
