import { cardinal } from '../vocabulary/numbers.js';
import { YARN_WEIGHTS } from '../vocabulary/yarns.js';
import { inEitherCase } from '../text/eitherCase.js';

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
const IN_GRAMS = inEitherCase(`^(?:${GRAM})$`);
const IN_METRES = inEitherCase(`^(?:${METRE})$`);
const FIGURE = String.raw`(\d+(?:[.,]\d+)?)\s?`;
const BETWEEN = String.raw`\s?(?:=|/|to|per|,|-|–|:|\(|balls?|is|are|a|at|about|approx\.?|ca\.?|\s){1,6}\s?`;
const WEIGHT_LENGTH = inEitherCase(
  String.raw`(?<![\d.,])${FIGURE}(${GRAM})(?!\p{L})${BETWEEN}${FIGURE}(${METRE})(?!\p{L})`,
);
const LENGTH_WEIGHT = inEitherCase(
  String.raw`(?<![\d.,])${FIGURE}(${METRE})(?!\p{L})${BETWEEN}${FIGURE}(${GRAM})(?!\p{L})`,
);
const BALL = inEitherCase(String.raw`${FIGURE}(${GRAM})[\s-]?(?:balls?|skeins?|hanks?)(?!\p{L})`);
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
      .map((name) => [inEitherCase(`(?<!\\p{L})${name}(?!\\p{L})`), number] as const),
  ),
];

/** What a line of the materials says of its yarn. */
export function bandIn(line: string): Band {
  const told = lengthIn(line);
  const inBalls = BALL.exec(line);
  const ball = inBalls ? gramsOf(inBalls[1], inBalls[2]) : (told?.grams ?? null);
  const metres = told ? Math.round((told.metres / told.grams) * 100) : null;
  return {
    weight: weightIn(line),
    metres: metres !== null && within(metres, MOST_LIKELY.metres) ? metres : null,
    ball: ball === null ? null : Math.round(ball),
  };
}

/** How long how many grams are: "100 g = 180 m", "85 m per 50 g". */
function lengthIn(line: string): { grams: number; metres: number } | null {
  const weight = WEIGHT_LENGTH.exec(line);
  const length = weight ? null : LENGTH_WEIGHT.exec(line);
  const grams = weight ? gramsOf(weight[1], weight[2]) : length ? gramsOf(length[3], length[4]) : null;
  const metres = weight ? metresOf(weight[3], weight[4]) : length ? metresOf(length[1], length[2]) : null;
  return grams !== null && metres !== null && within(grams, MOST_LIKELY.grams) ? { grams, metres } : null;
}

const within = (value: number, [from, to]: readonly [number, number]) => value >= from && value <= to;

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
  const match = AMOUNT.exec(besidesBand(amount, line).trim());
  if (!match) return none;
  const [, written = '', unit = ''] = match;
  const value = numberOf(written);
  if (value === null) return none;
  const figure = String(value);
  if (IN_GRAMS.test(unit)) {
    const several = inEitherCase(String.raw`(\d+)\s?[x×]\s?${figure}\s?(?:${GRAM})(?!\p{L})`).exec(line);
    const grams = gramsOf(figure, unit);
    return { ...none, grams: grams === null ? null : Math.round(grams * Number(several?.[1] ?? 1)) };
  }
  if (IN_METRES.test(unit)) {
    const metres = metresOf(figure, unit);
    return { ...none, metres: metres === null ? null : Math.round(metres) };
  }
  return /^(?:balls?|skeins?|hanks?)$/iu.test(unit) ? { ...none, balls: value } : none;
}

const AMOUNT = /^(half an?|an?|\p{L}+|\d+(?:[.,]\d+)?)\s?(\p{L}+)$/iu;
const GRAMS = inEitherCase(String.raw`(?<![\d.,])\d+(?:[.,]\d+)?\s?(?:${GRAM})(?!\p{L})`, 'g');

/** "Chalk (100 g / 200 m), 30 g": what the band says of a ball is no amount; the one that stands beside it is. */
function besidesBand(amount: string, line: string): string {
  const band = WEIGHT_LENGTH.exec(line) ?? LENGTH_WEIGHT.exec(line);
  if (!band?.[0].includes(amount)) return amount;
  const rest = line.replace(band[0], '');
  if (rest.includes(amount)) return amount;
  const [other, ...more] = rest.match(GRAMS) ?? [];
  return more.length === 0 ? (other ?? '') : '';
}

function numberOf(written: string): number | null {
  if (/^half/i.test(written)) return 0.5;
  if (/^an?$/i.test(written)) return 1;
  return /^\d/.test(written) ? Number(written.replace(',', '.')) : cardinal(written.toLowerCase());
}

function gramsOf(figure: string | undefined, unit = ''): number | null {
  if (figure === undefined) return null;
  return Number(figure.replace(',', '.')) * (/^o/i.test(unit) ? 28.35 : 1);
}

function metresOf(figure: string | undefined, unit = ''): number | null {
  if (figure === undefined) return null;
  return Number(figure.replace(',', '.')) * (/^y/i.test(unit) ? 0.9144 : 1);
}

/** How thick a yarn is, in mm: as its class lies side by side, else by the length of 100 g of loosely spun yarn. */
export function thicknessOf({ weight, metres }: Pick<Band, 'weight' | 'metres'>): number {
  if (weight === null && metres !== null) return Math.sqrt((4 * 100) / (Math.PI * metres * LOOSE));
  const { wraps } = YARN_WEIGHTS.find(({ number }) => number === (weight ?? USUAL_WEIGHT)) ?? YARN_WEIGHTS[0];
  return 25.4 / wraps;
}

/** Grams to a cm³: so much makes double knitting of 220 m to 100 g as thick as its 13 wraps to an inch. */
const LOOSE = 0.15;
/** Double knitting, where no class is named. */
const USUAL_WEIGHT = 3;
