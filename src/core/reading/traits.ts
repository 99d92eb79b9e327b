import { onlyCell } from './headings.js';

/** "Rnd | Instruction | Sts": the names of columns. */
export const HEADS_TABLE = /^[^#|]*\|[^|]*\p{L}[^|]*\||^\p{L}[^\t]*\t[^\t]*\p{L}[^\t]*\t/u;
/** A line that ends with its count: the instruction is complete. */
export const COUNT_AT_END =
  /(?:[.,;|]\s+\d{1,4}|\/\s?\d{1,4}|[([{<]\s*[^()[\]{}<>\n]{0,60}?\d[^()[\]{}<>\n]{0,40}[)\]}>]|(?:[=–—→]|->)\s*\d+\s*\p{L}*|-\s+\d+(?:\s*\p{L}+)?|\d+\s*(?:sts?|stitch(?:es)?))[\s.*_|]*$/u;
/** The stitches of a first round that has no label. */
export const IN_RING = /\d[^.]{0,30}(?<!\p{L})(?:ring|circle|loop|mr)(?!\p{L})/iu;
/** First words of a line that tells the maker to do something. */
const ORDERS =
  /^\W{0,3}(?:fasten|stuff|cut|change|fill|insert|sew|place|put|attach|join|turn|do|repeat|continue|work|weave|finish|leave|now|then|add|shape|shaping|divide)(?!\p{L})/iu;
/** Of these the ones that name no piece, however many are spoken of: "Stuff with the rattle in one of them". */
const FINISHES = /^\W{0,3}(?:fasten|stuff|fill|insert|sew|weave|embroider|cut|close)(?!\p{L})/iu;
/** "Work as for Left leg", "Work Rnds 1-4 as for left leg". */
const LIKE_OTHER =
  /^\W{0,3}(?:work |make |crochet )?(?:r(?:nd|d|ow|ound)?s?\.?\s?\d[\d –—-]{0,6}\s?)?(?:the same |same |exactly )?(?:as|like) (?:for )?\p{L}/iu;
/** "LEG 1", "SECOND LEG": one of several, which may go on from the round before. */
const NUMBERED = /^\W{0,4}(?:\p{L}{3,}\s+(?:\d|one|two)|(?:first|second|third|left|right|other)\s+\p{L}+)\W{0,4}$/iu;
/** "US terms", "British crochet terminology": said of all parts, and the name of none. */
const STATES_TERMS =
  /^\W{0,4}(?:(?:all |written )?in |using )?(?:us|u\.s\.|usa|uk|u\.k\.|american|british)\s+(?:crochet\s+)?(?:terms|terminology|abbreviations)\W*$/iu;
/** "Part: wing" */
const SAYS_PART = /^\W{0,4}(?:part|piece)\s*[:=]/iu;

/** What a line shows by its own words, whatever stands around it. */
export interface LineTraits {
  /** It says the terms of all parts, or the names of columns, and names no part. */
  readonly namesNone: boolean;
  readonly saysPart: boolean;
  readonly orders: boolean;
  readonly finishes: boolean;
  readonly numbered: boolean;
  readonly likeOther: boolean;
  readonly inRing: boolean;
  readonly countAtEnd: boolean;
  /** "Lid.": one or two words with a full stop that tell the maker to do nothing. */
  readonly short: boolean;
  readonly endsInColon: boolean;
  readonly capital: boolean;
}

/** All of them at once, to be kept with the words: nearly all lines of a text stand in the next draft again. */
export function traitsOf(line: string): LineTraits {
  const columns = line.includes('|') || line.includes('\t');
  const orders = ORDERS.test(line);
  return {
    namesNone: STATES_TERMS.test(line) || (columns && HEADS_TABLE.test(line) && onlyCell(line) === line),
    saysPart: SAYS_PART.test(line),
    orders,
    finishes: FINISHES.test(line),
    numbered: NUMBERED.test(line),
    likeOther: LIKE_OTHER.test(line),
    inRing: IN_RING.test(line),
    countAtEnd: COUNT_AT_END.test(line),
    short: !orders && /^\s*\p{Lu}\p{L}+(?: \p{L}+)?\.\s*$/u.test(line),
    endsInColon: line.trimEnd().endsWith(':'),
    capital: /^\s*\p{Lu}/u.test(line),
  };
}
