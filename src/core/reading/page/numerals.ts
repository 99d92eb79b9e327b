import { cardinal, numberGoesOn, ordinal } from '../../vocabulary/numbers.js';
import type { Span } from '../../text/source.js';

/** A number as it is written, or a range of them: `5`  `5th`  `five`  `fifth`  `V`  `e`  `5-8`  `five to eight`. */
export interface Numeral extends Span {
  readonly kind: 'figure' | 'word' | 'roman' | 'letter';
  readonly first: number;
  readonly last: number;
  /** Its first number alone, where the words behind it may begin with the second. */
  readonly single?: Numeral;
  /** What a single letter may be as well: the Roman number of `i`, the letter of `L`. */
  readonly other?: Numeral;
}

const WRITTEN = /\d{1,4}(?:st|nd|rd|th)?(?![\d\p{L}])|\d{1,4}|(?<!\p{L})\p{L}+/gu;
const ROMAN = /^(?=[ivxl])(?:xl|l?x{0,3})(?:ix|iv|v?i{0,3})$/iu;
const ROMAN_VALUES: Readonly<Record<string, number>> = { i: 1, v: 5, x: 10, l: 50 };
/** What stands between the two ends of a range. A dash with spaces may stand before a count as well. */
const TO = /[)\]}°.]?(?:[-–—]|\.{2,3}|…|[ \t]{1,2}(?:to|till|until|through|thru|and|&|à|bis|til)[ \t]{1,2})[([]?/iuy;
const TO_AT_START =
  /[)\]}°./]?[ \t]{0,2}(?:[-–—]|\.{2,3}|…|to|through|thru|and|&|à|bis|til(?!\p{L}))(?:[ \t]the)?[ \t]{0,2}[([#]?/iuy;
const PLUS = /[ \t]{0,2}\+[ \t]{0,2}/uy;
/** "R5–R9", "B-5 to B-7": the word before the first number may stand before the second one as well. */
const WORD_BEFORE = /\p{L}{1,6}[.#–-]?[ \t]?$/u;

/**
 * All numerals in a stretch of text, from left to right; a range is one.
 * @param labels whether the first may be a label: a range may have spaces around its dash there.
 */
export function numeralsIn(text: string, { from, to }: Span, labels = true): Numeral[] {
  // Looked for in the stretch alone: without one in it the search would go on to the end of the text.
  const words = text.slice(from, to);
  const found: Numeral[] = [];
  for (let single = next(words, 0); single; single = next(words, found.at(-1)?.to ?? words.length))
    found.push(ranged(words, single, labels && found.length === 0));
  return found.map(({ single, other, ...numeral }) => ({
    ...moved(numeral, from),
    ...(single ? { single: moved(single, from) } : {}),
    ...(other ? { other: moved(other, from) } : {}),
  }));
}

/** A numeral with what it goes up to, where a range begins with it. */
function ranged(words: string, single: Numeral, atStart: boolean): Numeral {
  const from = behindJoint(words, single, atStart);
  if (from === null) return single;
  const [start, end] = alikeIn(single, next(words, from));
  if (end?.from !== from || end.kind !== start.kind || end.first <= start.last) return single;
  const apart = /\s/.test(words.slice(start.to, end.from));
  return { ...start, to: end.to, last: end.first, ...(apart ? { single: start } : {}) };
}

/** Where the second number of a range may begin, behind what joins it to the first. */
function behindJoint(words: string, single: Numeral, atStart: boolean): number | null {
  const word = WORD_BEFORE.exec(words.slice(0, single.from))?.[0] ?? '';
  PLUS.lastIndex = single.to;
  // "R6 + R7": only where the word stands twice.
  if (atStart && word !== '' && PLUS.test(words) && words.startsWith(word, PLUS.lastIndex))
    return PLUS.lastIndex + word.length;
  const joint = atStart ? TO_AT_START : TO;
  joint.lastIndex = single.to;
  if (!joint.test(words)) return null;
  return joint.lastIndex + (words.startsWith(word, joint.lastIndex) ? word.length : 0);
}

/** "i-iii", "iv-v": a small letter is a Roman number beside one. */
function alikeIn(one: Numeral, other: Numeral | null): [Numeral, Numeral | null] {
  if (other === null || one.kind === other.kind) return [one, other];
  return [one.other?.kind === other.kind ? one.other : one, other.other?.kind === one.kind ? other.other : other];
}

function moved(numeral: Numeral, by: number): Numeral {
  return { ...numeral, from: numeral.from + by, to: numeral.to + by };
}

function next(words: string, from: number): Numeral | null {
  WRITTEN.lastIndex = from;
  for (let match = WRITTEN.exec(words); match; match = WRITTEN.exec(words)) {
    const numeral = numeralOf(match[0], match.index, words);
    if (numeral) return numeral;
  }
  return null;
}

function numeralOf(written: string, from: number, words: string): Numeral | null {
  const to = from + written.length;
  const one = (kind: Numeral['kind'], value: number, end = to): Numeral => ({
    kind,
    first: value,
    last: value,
    from,
    to: end,
  });
  if (/^\d/.test(written)) return one('figure', Number.parseInt(written, 10));
  const word = written.toLowerCase();
  const value = ordinal(word) ?? cardinal(word);
  if (value !== null) {
    const whole = cardinal(word) === null ? null : numberGoesOn(words, value, to);
    return one('word', whole?.value ?? value, whole?.end);
  }
  const evenly = written === written.toUpperCase() || (written === word && written.length > 1);
  if (evenly && ROMAN.test(written)) {
    const roman = one('roman', romanValue(word));
    return word.length > 1 ? roman : { ...roman, other: one('letter', letterValue(word)) };
  }
  // "R5", "24x": a letter beside a figure is no number.
  const beside = /\d/.test(words.charAt(from - 1) + words.charAt(to));
  return beside ? null : letterIn(word, one);
}

/** A letter of the alphabet, which may be a Roman number as well. */
function letterIn(word: string, one: (kind: Numeral['kind'], value: number) => Numeral): Numeral | null {
  if (!/^[a-z]$/.test(word)) return null;
  const letter = one('letter', letterValue(word));
  return /[ivx]/.test(word) ? { ...letter, other: one('roman', romanValue(word)) } : letter;
}

function letterValue(word: string): number {
  return word.charCodeAt(0) - 96;
}

function romanValue(word: string): number {
  const values = Array.from(word, (letter) => ROMAN_VALUES[letter] ?? 0);
  return values.reduce((sum, value, i) => sum + (value < (values[i + 1] ?? 0) ? -value : value), 0);
}
