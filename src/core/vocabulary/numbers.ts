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
};

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
