import { cardinal } from '../vocabulary/numbers.js';
import { YARN_WEIGHTS } from '../vocabulary/yarns.js';

/** What the band of a yarn says. */
export interface Band {
  /** The number of its weight class. */
  readonly weight: number | null;
  /** How long 100 g of it are, in metres. */
  readonly metres: number | null;
  /** What a ball of it weighs, in grams. */
  readonly ball: number | null;
}

/** How much of a yarn a list asks for, in the unit that it is given in. */
export interface Amount {
  readonly grams: number | null;
  readonly metres: number | null;
  readonly balls: number | null;
}

const GRAM = 'g|gr|grams?|grammes?|oz|ounces?';
const METRE = 'm|met(?:er|re)s?|yds?|yards?';
const FIGURE = String.raw`(\d+(?:[.,]\d+)?)\s?`;
const BETWEEN = String.raw`\s?(?:=|/|to|per|,|-|–|:|\(|balls?|is|are|a|at|about|approx\.?|ca\.?|\s){1,6}\s?`;
const WEIGHT_LENGTH = new RegExp(
  String.raw`(?<![\d.,])${FIGURE}(${GRAM})(?!\p{L})${BETWEEN}${FIGURE}(${METRE})(?!\p{L})`,
  'iu',
);
const LENGTH_WEIGHT = new RegExp(
  String.raw`(?<![\d.,])${FIGURE}(${METRE})(?!\p{L})${BETWEEN}${FIGURE}(${GRAM})(?!\p{L})`,
  'iu',
);
const BALL = new RegExp(String.raw`${FIGURE}(${GRAM})[\s-]?(?:balls?|skeins?|hanks?)(?!\p{L})`, 'iu');
/** Plies as they are counted in the southern hemisphere and the UK, by the number of the weight class. */
const PLIES: Readonly<Record<string, number>> = { 1: 0, 2: 0, 3: 1, 4: 1, 5: 2, 6: 2, 8: 3, 10: 4, 12: 5, 14: 6 };
const PLY = /(?<!\d)(\d{1,2})[\s-]?ply(?!\p{L})/iu;
/** Words of the classes that mean nothing else in a list of materials. */
const CLASSES: readonly (readonly [RegExp, number])[] = [
  [/(?<!\p{L})super[\s-](?:bulky|chunky)(?!\p{L})/iu, 6],
  [/(?<!\p{L})super[\s-]fine(?!\p{L})/iu, 1],
  [/(?<!\p{L})double[\s-]knitting(?!\p{L})/iu, 3],
  ...YARN_WEIGHTS.flatMap(({ number, us, uk }) =>
    [...us, ...uk]
      .filter((name) => !/^(?:fine|light|medium|thread|baby|.*ply.*)$/i.test(name))
      .map((name) => [new RegExp(`(?<!\\p{L})${name}(?!\\p{L})`, 'iu'), number] as const),
  ),
];

/** What a line of the materials says of its yarn. */
export function bandIn(line: string): Band {
  const lengths = WEIGHT_LENGTH.exec(line);
  const weights = lengths ? null : LENGTH_WEIGHT.exec(line);
  const grams = gramsOf(lengths?.[1] ?? weights?.[3], lengths?.[2] ?? weights?.[4]);
  const metres = metresOf(lengths?.[3] ?? weights?.[1], lengths?.[4] ?? weights?.[2]);
  const known = grams !== null && metres !== null && grams >= MOST_LIKELY.grams[0] && grams <= MOST_LIKELY.grams[1];
  const per100 = known ? Math.round((metres / grams) * 100) : null;
  const inBalls = BALL.exec(line);
  const ball = inBalls ? gramsOf(inBalls[1], inBalls[2]) : known ? grams : null;
  return {
    weight: weightIn(line),
    metres: per100 !== null && per100 >= MOST_LIKELY.metres[0] && per100 <= MOST_LIKELY.metres[1] ? per100 : null,
    ball: ball === null ? null : Math.round(ball),
  };
}

/** From the smallest ball to the largest cone, and from the thickest yarn to sewing thread. */
const MOST_LIKELY = { grams: [5, 1000], metres: [15, 3000] } as const;

function weightIn(line: string): number | null {
  const named = CLASSES.find(([words]) => words.test(line));
  return named?.[1] ?? PLIES[PLY.exec(line)?.[1] ?? ''] ?? null;
}

/**
 * How much is listed.
 * @param amount as the list writes it: "45 g", "two balls".
 * @param line the line that it stands in: "2 x 50 g balls".
 */
export function amountIn(amount: string, line: string): Amount {
  const none = { grams: null, metres: null, balls: null };
  const match = /^(half an?|an?|\p{L}+|\d+(?:[.,]\d+)?)\s?(\p{L}+)$/iu.exec(amount.trim());
  if (!match) return none;
  const [, written = '', unit = ''] = match;
  const value = numberOf(written);
  if (value === null) return none;
  const figure = String(value);
  if (new RegExp(`^(?:${GRAM})$`, 'iu').test(unit)) {
    const several = new RegExp(String.raw`(\d+)\s?[x×]\s?${figure}\s?(?:${GRAM})(?!\p{L})`, 'iu').exec(line);
    const grams = gramsOf(figure, unit);
    return { ...none, grams: grams === null ? null : Math.round(grams * Number(several?.[1] ?? 1)) };
  }
  if (new RegExp(`^(?:${METRE})$`, 'iu').test(unit)) {
    const metres = metresOf(figure, unit);
    return { ...none, metres: metres === null ? null : Math.round(metres) };
  }
  return /^(?:balls?|skeins?|hanks?)$/iu.test(unit) ? { ...none, balls: value } : none;
}

function numberOf(written: string): number | null {
  if (/^half/i.test(written)) return 0.5;
  if (/^an?$/i.test(written)) return 1;
  return /^\d/.test(written) ? Number(written.replace(',', '.')) : cardinal(written.toLowerCase());
}

function gramsOf(figure: string | undefined, unit: string | undefined): number | null {
  if (figure === undefined || unit === undefined) return null;
  return Number(figure.replace(',', '.')) * (/^o/i.test(unit) ? 28.35 : 1);
}

function metresOf(figure: string | undefined, unit: string | undefined): number | null {
  if (figure === undefined || unit === undefined) return null;
  return Number(figure.replace(',', '.')) * (/^y/i.test(unit) ? 0.9144 : 1);
}
