/** Numbers written as words, as they stand in instructions and labels. */
const CARDINALS: Record<string, number> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
  hundred: 100,
};

const ORDINALS: Record<string, number> = {
  first: 1,
  second: 2,
  third: 3,
  fourth: 4,
  fifth: 5,
  sixth: 6,
  seventh: 7,
  eighth: 8,
  ninth: 9,
  tenth: 10,
  eleventh: 11,
  twelfth: 12,
  thirteenth: 13,
  fourteenth: 14,
  fifteenth: 15,
  sixteenth: 16,
  seventeenth: 17,
  eighteenth: 18,
  nineteenth: 19,
  twentieth: 20,
  thirtieth: 30,
  fortieth: 40,
  fiftieth: 50,
  sixtieth: 60,
};

/** The words for numbers, for an expression: "one|two|…". */
export const NUMBER_WORDS = Object.keys(CARDINALS).join('|');

const cardinals = new Map(Object.entries(CARDINALS));
const ordinals = new Map(Object.entries(ORDINALS));

/** The value of a cardinal word in lower case ("six"), or null. */
export function cardinal(word: string): number | null {
  return cardinals.get(word) ?? null;
}

/** The value of an ordinal word in lower case ("second"), or null. Figures ("2nd") are read by the lexer. */
export function ordinal(word: string): number | null {
  return ordinals.get(word) ?? null;
}

/** A number as another one is written: a word for a word where it has one ("six" for "five"), figures otherwise. */
export function writtenLike(value: number, written: string): string {
  const word = /^\p{L}/u.test(written) ? Object.keys(CARDINALS).find((one) => CARDINALS[one] === value) : undefined;
  if (word === undefined) return String(value);
  return /^\p{Lu}/u.test(written) ? word.charAt(0).toUpperCase() + word.slice(1) : word;
}

/** The words of a number after its first: "-four", " hundred", " and sixteen". */
const FURTHER = /[ \u00a0]?[-‐‑ \u00a0](and[ \u00a0])?(\p{L}{3,9})(?!\p{L})/iuy;

/** Whether a word for `more` goes on from `whole`: units behind tens, "hundred" behind units, all below it behind hundreds. */
function goesBehind(whole: number, more: number): boolean {
  if (more === 100) return whole < 10;
  return (whole % 100 === 0 && more < 100) || (whole % 10 === 0 && whole % 100 >= 20 && more < 10);
}

/**
 * A number that several words say: "twenty-four", "seventy two", "one hundred and eight", "twenty-first".
 * @param value what its first word says, which ends at `end`.
 * @returns the whole value, where it ends, and whether it is an ordinal; null where no further word belongs to it.
 */
export function numberGoesOn(
  text: string,
  value: number,
  end: number,
): { readonly value: number; readonly end: number; readonly ordinal: boolean } | null {
  let [whole, at, isOrdinal, found] = [value, end, false, false];
  for (let words = 0; words < 3 && !isOrdinal; words += 1) {
    FURTHER.lastIndex = at;
    const match = FURTHER.exec(text);
    const word = (match?.[2] ?? '').toLowerCase();
    const rank = ordinal(word);
    const more = rank ?? cardinal(word);
    if (!match || more === null) break;
    // "six and twenty": only a hundred takes "and".
    if (!goesBehind(whole, more) || (match[1] && whole % 100 !== 0)) break;
    whole = more === 100 ? whole * 100 : whole + more;
    at += match[0].length;
    isOrdinal = rank !== null;
    found = true;
  }
  return found ? { value: whole, end: at, ordinal: isOrdinal } : null;
}
