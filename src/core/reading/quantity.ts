import { cardinal } from '../vocabulary/numbers.js';
import { inEitherCase } from '../text/eitherCase.js';

/** How many of a piece are made, and where in a text that is said. */
export interface Quantity {
  readonly make: number;
  readonly index: number;
  readonly end: number;
}

const NUMBER = String.raw`\d+|one|two|three|four|five|six|seven|eight|nine|ten|twelve`;
const OF_THEM = String.raw`of\s+(?:them|these|those)`;
/** All ways to say how many are made; a number stands where N does. */
const WAYS = [
  String.raw`make\s+(?:another\s+|also\s+)?(N)`,
  String.raw`(?:crochet|work|knit|prepare)\s+(N)(?=\s*(?:[),.:]|$))`,
  String.raw`(N)\s+(?:per|on each)\s+(?:side|arm|leg|foot|hand|end)`,
  String.raw`(?:you\s+)?need\s+(?:to\s+make\s+)?(N)(?:\s+${OF_THEM})?`,
  String.raw`(N)\s+(?:pieces?|parts?|details?|pcs?\.?|${OF_THEM}|alike|times)`,
  String.raw`(both)\s+(?:alike|the\s+same)`,
  // "(also two)", ", three", "– again four"
  String.raw`(?:(?<=,\s)|(?<=\()|(?<=\s[-–—]\s))(?:also|again|likewise)\s+(N)(?=[),:]|$)`,
  // "Ear (two)", "Legs, four", "Wings – two"; "Leg – two" is the second
  String.raw`(?<=,\s|\(|s\s?[-–—:]\s)(two|three|four|five|six)(?=\)?:?$)`,
  // "Ear (two), Dusk", "Legs, four, in brown"
  String.raw`(?<=\()(two|three|four|five|six)(?=\)|\s+in\s)|(?<=,\s)(two|three|four|five|six)(?=,\s)`,
  String.raw`(?:make\s+)?(a pair)(?:\s+of(?:\s+(?:them|these))?)?`,
  String.raw`[x×*]\s?(\d+)(?!\*)`,
  String.raw`(\d+)\s?[x×]`,
].join('|');
/** With what else stands in the same bracket: "(make 2 in brown)". */
const SAID = inEitherCase(
  String.raw`(?<![\p{L}\d])(?:${WAYS.replaceAll('(N)', `(${NUMBER})`)})(?!\p{L})(?:[^()]{0,40}\))?`,
);
/** A quick look before the long one. */
const MAY_SAY =
  /make|crochet|work|knit|prepare|need|piece|part|detail|pcs|alike|both|also|again|likewise|(?:\d|one|two|three) in [^.]* in |[,(:–—-] ?(?:two|three|four|five|six)(?:\)?:?$|[),]| in )|times|a pair|of the|\d per|on each|[x×*]\s?\d|\d\s?[x×]/i;
/** "Scoops – one in vanilla, one in cherry", "Petals (2 in red and 3 in white)": so many of each yarn. */
const BY_YARN =
  /(?:[(,:]|\s[-–—])\s*((?:\d{1,2}|one|two|three|four|five|six) in \p{L}[\p{L} ]{0,20}?(?:(?:,|,? and|\s?&)\s(?:\d{1,2}|one|two|three|four|five|six) in \p{L}[\p{L} ]{0,20}?)+)\)?:?$/iu;
const MOST = 999;

/** The number that a figure or a word says; 0 where it says none. */
export function countOf(word = ''): number {
  return Number(word) || (cardinal(word.toLowerCase()) ?? 0);
}

/** Whether words may say how many are made. */
export function maySayQuantity(text: string): boolean {
  return MAY_SAY.test(text);
}

/** Reads how many are to be made from a heading: "(make 2)", "– make two", "x2", "(2 pcs.)". */
export function quantityIn(text: string): Quantity | null {
  const each = / in /i.test(text) ? BY_YARN.exec(text) : null;
  if (each?.[1]) {
    const figures = each[1].matchAll(/(?<![\p{L}\d])(\d{1,2}|\p{L}+) in /giu);
    const make = [...figures].reduce((sum, [, word = '']) => sum + countOf(word), 0);
    return { make, index: each.index, end: each.index + each[0].length };
  }
  const match = maySayQuantity(text) ? SAID.exec(text) : null;
  if (!match || /^\W{0,3}rep(?:eat)?\s/i.test(text)) return null;
  const word = (match.slice(1).find(Boolean) ?? '').toLowerCase();
  const make = word === 'a pair' || word === 'both' ? 2 : countOf(word);
  const index = text.slice(0, match.index).replace(/[\s(,–—:-]+$/u, '').length;
  return make > 0 && make <= MOST ? { make, index, end: match.index + match[0].length } : null;
}
