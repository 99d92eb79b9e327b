/** How a level of a list is numbered. */
export interface Level {
  /** The first number. */
  readonly start: number;
  /** Writes a number; null for a list without numbers. */
  readonly write: ((number: number) => string) | null;
  /** What stands around the numbers, with "%1" for that of the first level: "Rnd %1:", "%1.%2". */
  readonly pattern: string;
}

/** What stands before an entry of a list without numbers. */
export const BULLET = '-';

/** The numbers of one list, as its entries are met. */
export class Counters {
  readonly #at: number[] = [];

  /** Goes on to the next number of a level, and back to the start in all below it. */
  next(levels: readonly (Level | undefined)[], depth: number): string {
    const level = levels[depth];
    this.#at.length = Math.min(this.#at.length, depth + 1);
    for (let i = 0; i <= depth; i += 1) this.#at[i] ??= (levels[i]?.start ?? 1) - (i === depth ? 1 : 0);
    this.#at[depth] = (this.#at[depth] ?? 0) + 1;
    if (!level?.write) return level?.pattern ?? BULLET;
    return level.pattern.replace(/%(\d)/g, (_, digit: string) => {
      const of = Number(digit) - 1;
      return (levels[of]?.write ?? String)(this.#at[of] ?? 1);
    });
  }

  /** Sets the next number of a level. */
  restart(depth: number, start: number): void {
    this.#at.length = Math.min(this.#at.length, depth);
    while (this.#at.length < depth) this.#at.push(1);
    this.#at.push(start - 1);
  }
}

/** 1 is "a", 27 is "aa": as word processors go on behind z. */
export function letter(number: number): string {
  return String.fromCharCode(97 + ((number - 1) % 26)).repeat(Math.min(50, Math.floor((number - 1) / 26) + 1));
}

const ROMAN: readonly (readonly [value: number, sign: string])[] = [
  [1000, 'm'],
  [900, 'cm'],
  [500, 'd'],
  [400, 'cd'],
  [100, 'c'],
  [90, 'xc'],
  [50, 'l'],
  [40, 'xl'],
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
];

export function roman(number: number): string {
  let left = Math.min(number, 5000);
  let signs = '';
  for (const [value, sign] of ROMAN)
    while (left >= value) {
      signs += sign;
      left -= value;
    }
  return signs;
}

export function ordinal(number: number): string {
  const tens = number % 100;
  const ending = tens >= 11 && tens <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][number % 10] ?? 'th');
  return `${number}${ending}`;
}

const upper = (write: (number: number) => string) => (number: number) => write(number).toUpperCase();

/** By the letters or digit that OpenDocument, HTML and others name a way of numbering with. */
export const BY_SIGN: ReadonlyMap<string, (number: number) => string> = new Map([
  ['1', String],
  ['a', letter],
  ['A', upper(letter)],
  ['i', roman],
  ['I', upper(roman)],
]);

/** The same as word processors of Office Open XML name them. */
export const BY_NAME: ReadonlyMap<string, (number: number) => string> = new Map([
  ['decimal', String],
  ['decimalZero', (number: number) => String(number).padStart(2, '0')],
  ['lowerLetter', letter],
  ['upperLetter', upper(letter)],
  ['lowerRoman', roman],
  ['upperRoman', upper(roman)],
  ['ordinal', ordinal],
]);

const SUPERSCRIPT = '⁰¹²³⁴⁵⁶⁷⁸⁹';

/** The mark of a footnote, raised as it is printed. */
export function raised(number: number): string {
  return String(number).replace(/\d/g, (digit) => SUPERSCRIPT.charAt(Number(digit)));
}
