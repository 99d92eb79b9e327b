import type { Span } from '../text/source.js';
import { cardinal, numberGoesOn, ordinal } from '../vocabulary/numbers.js';

export type TokenKind = 'number' | 'ordinal' | 'word' | 'open' | 'close' | 'star' | 'mark';

/** One token of an instruction. Words are in lower case; `raw` keeps the letters as written. */
export interface Token extends Span {
  readonly kind: TokenKind;
  readonly word: string;
  readonly raw: string;
  readonly value: number;
  /** No space stands before it. */
  readonly glued: boolean;
}

/** Signs and single letters that a text writes for words: "{.<}6", "sssi". */
export interface Alphabet {
  readonly signs: ReadonlySet<string>;
  readonly letters: ReadonlySet<string>;
  /** All terms that the text explains, in small letters. */
  readonly terms: ReadonlySet<string>;
  /** Those of them with a sign between letters and figures, the longest first: "p/2". */
  readonly joined: readonly string[];
}

const OPEN = '([{<';
const CLOSE = ')]}>';
const COUNT_IN_COLUMN = /^\|[ \t]*\d{1,4}[ \t]*(?:\||$)/u;
/** Words that carry no meaning inside an instruction: "each of the next", "into a ring". */
const FILLERS = new Set(['the', 'of', 'a', 'an', 'its', 'your', 'just', 'only']);

/**
 * Splits a stretch of text into tokens in one pass. Articles are left out, Markdown's double stars
 * are passed over, number words become numbers, letters and figures part ("6sc" is two tokens).
 * @param most no more tokens than this are wanted.
 * @param alphabet signs and letters that stand for words in this text.
 */
export function tokenize(text: string, span: Span, most = Infinity, alphabet: Alphabet | null = null): Token[] {
  const tokens: Token[] = [];
  let i = span.from;
  const end = Math.min(span.to, text.length);
  let spaced = true;
  const push = (kind: TokenKind, from: number, to: number, word: string, value: number) => {
    tokens.push({ kind, from, to, word, raw: text.slice(from, to), value, glued: !spaced });
    spaced = false;
  };
  while (i < end && tokens.length < most) {
    const code = text.charCodeAt(i);
    if (isSpace(code)) {
      // "sc in all ⇥ 18": in columns the figure behind a tab is the count.
      if (code === 9 && tokens.length > 0 && isDigit(text.charCodeAt(i + 1))) push('mark', i, i + 1, '-', 0);
      spaced = true;
      i += 1;
      continue;
    }
    if (alphabet?.signs.has(text.charAt(i))) {
      push('word', i, i + 1, text.charAt(i), 0);
      i += 1;
      holdSpelt(tokens, text, i, alphabet);
      continue;
    }
    const joined = alphabet && (tokens.at(-1)?.to !== i || isLetter(code)) ? joinedAt(text, i, end, alphabet) : null;
    if (joined !== null) {
      push('word', i, i + joined.length, joined, 0);
      i += joined.length;
      continue;
    }
    if (isDigit(code)) {
      const from = i;
      let value = 0;
      while (i < end && isDigit(text.charCodeAt(i))) {
        value = Math.min(value * 10 + text.charCodeAt(i) - 48, 1e9);
        i += 1;
      }
      const suffix = text.slice(i, i + 2).toLowerCase();
      if (
        (suffix === 'st' || suffix === 'nd' || suffix === 'rd' || suffix === 'th') &&
        !isLetter(text.charCodeAt(i + 2)) &&
        suffixFits(value, suffix)
      ) {
        i += 2;
        push('ordinal', from, i, '', value);
      } else push('number', from, i, '', value);
      continue;
    }
    if (isLetter(code)) {
      const from = i;
      while (i < end && isLetter(text.charCodeAt(i))) i += 1;
      const to = isTimes(text, i) ? i - 1 : i;
      if (alphabet && to > from && isSpelt(text, from, to, alphabet)) {
        i = to;
        for (let at = from; at < i; at += 1) push('word', at, at + 1, text.charAt(at).toLowerCase(), 0);
        holdSpelt(tokens, text, i, alphabet);
        continue;
      }
      // An apostrophe belongs to the word only between letters: "sc's", "don't".
      if (isApostrophe(text.charCodeAt(i)) && isLetter(text.charCodeAt(i + 1)) && i < end) {
        i += 1;
        while (i < end && isLetter(text.charCodeAt(i))) i += 1;
      }
      // "6xINC": the x behind a figure is a sign as well.
      if (i - from > 1 && (text.charCodeAt(from) | 32) === 120 && isDigit(text.charCodeAt(from - 1))) i = from + 1;
      // "INCx6": the x before a figure is a sign and no letter of the word.
      if (i - from > 2 && isTimes(text, i)) i -= 1;
      i = endOfDotted(text, from, i, end);
      // "2dctog" is "2 dc tog".
      if (i - from > 3 && i - from < 9 && text.slice(i - 3, i).toLowerCase() === 'tog') i -= 3;
      const known = wordOf(text.slice(from, i));
      const whole = known?.kind === 'number' ? numberGoesOn(text, known.value, i) : null;
      if (whole && whole.end <= end) {
        i = whole.end;
        push(whole.ordinal ? 'ordinal' : 'number', from, i, '', whole.value);
      } else if (known) push(known.kind, from, i, known.word, known.value);
      else spaced = true;
      continue;
    }
    const c = text.charAt(i);
    if (c === '*') {
      let to = i;
      while (to < end && text.charAt(to) === '*') to += 1;
      if (to - i === 1) push('star', i, to, '*', 0);
      else spaced = true;
      i = to;
      continue;
    }
    // "| sc in all | 18 |": the figure in the last column.
    if (c === '|' && tokens.length > 0 && COUNT_IN_COLUMN.test(text.slice(i, Math.min(end, i + 16)))) {
      push('mark', i, i + 1, '-', 0);
      i += 1;
      continue;
    }
    if (c === '_' || c === '`' || c === '|' || c === '\\') {
      spaced = true;
      i += 1;
      continue;
    }
    // "sc around -> 18"
    if (c === '-' && text.charAt(i + 1) === '>') {
      push('mark', i, i + 2, '=', 0);
      i += 2;
      continue;
    }
    const open = OPEN.indexOf(c);
    const close = CLOSE.indexOf(c);
    if (open >= 0) push('open', i, i + 1, c, open);
    else if (close >= 0) push('close', i, i + 1, c, close);
    else if (c === '-' && isJoint(text, i, end)) spaced = true;
    // "6·(sc, inc)"
    else if (c === '·' && tokens.at(-1)?.to === i && isDigit(text.charCodeAt(i - 1))) push('mark', i, i + 1, '×', 0);
    else push('mark', i, i + 1, normalMark(c), 0);
    i += 1;
  }
  return tokens;
}

/** Whether a word is a row of letters that each stand for one; the article before a word is none. */
function isSpelt(text: string, from: number, to: number, { letters, terms }: Alphabet): boolean {
  for (let at = from; at < to; at += 1) if (!letters.has(text.charAt(at))) return false;
  if (to - from > 1) return !terms.has(text.slice(from, to));
  return text.charAt(from) !== 'a' || !/^ \p{L}{3}/u.test(text.slice(to, to + 4));
}

/** A term with a sign in it that the text explains, in small letters; null where none stands here. */
function joinedAt(text: string, from: number, end: number, { joined }: Alphabet): string | null {
  for (const term of joined) {
    const to = from + term.length;
    if (to > end || isLetter(text.charCodeAt(to)) || isDigit(text.charCodeAt(to))) continue;
    if (text.slice(from, to).toLowerCase() === term) return term;
  }
  return null;
}

interface Word {
  readonly kind: TokenKind;
  readonly word: string;
  readonly value: number;
}

/** Words as they have been met, since a pattern has few of them. Emptied before it could grow with what is pasted. */
const words = new Map<string, Word | null>();
const MOST_WORDS = 4000;
/** A longer piece of a text would keep the whole of it in memory. */
const LONGEST_KEPT = 12;

/** What a word is by itself; null for those that carry no meaning. */
function wordOf(raw: string): Word | null {
  const known = words.get(raw);
  if (known !== undefined) return known;
  const word = SLASHED.get(raw) ?? raw.toLowerCase().replaceAll('.', '').replace('’', "'");
  const number = cardinal(word);
  const rank = ordinal(word);
  const found: Word | null =
    number !== null
      ? { kind: 'number', word, value: number }
      : rank !== null
        ? { kind: 'ordinal', word, value: rank }
        : FILLERS.has(word) && raw !== 'A'
          ? null
          : { kind: 'word', word, value: 0 };
  if (raw.length <= LONGEST_KEPT) {
    if (words.size >= MOST_WORDS) words.clear();
    words.set(raw, found);
  }
  return found;
}

const SLASHED: ReadonlyMap<string, string> = new Map([
  ['w/', 'with'],
  ['b/w', 'between'],
  ['f/o', 'fo'],
  ['w/o', 'without'],
]);
const DOTTED = /(?:(?:h\.?)?d\.c|s\.c|(?:h|d)\.tr|s\.s|m\.r)\.?|b\/w|f\/o|w\/o?/iuy;

/** Where a word with dots or strokes inside it ends: "d.c.", "h.tr.", "w/"; `end` of its first letters for all others. */
function endOfDotted(text: string, from: number, end: number, limit: number): number {
  const mark = text.charCodeAt(end);
  if ((mark !== 46 && mark !== 47) || end - from > 2) return end;
  DOTTED.lastIndex = from;
  const found = DOTTED.exec(text);
  // The last dot may be cut off: "6 d.c" at the end of a stretch.
  const to = Math.min(DOTTED.lastIndex, Math.max(limit, DOTTED.lastIndex - 1));
  return found && to > end && to <= limit && !isLetter(text.charCodeAt(DOTTED.lastIndex)) ? to : end;
}

/** Dashes, dots and signs have many shapes and few meanings. */
function normalMark(c: string): string {
  switch (c) {
    case '–':
    case '—':
    case '−':
    case '‒':
    case '―':
      return '-';
    case '…':
      return '.';
    case '·':
    case '•':
      return ',';
    case '✕':
    case '✖':
      return '×';
    default:
      return c;
  }
}

/** A hyphen between letters joins ("sc-inc", "5-dc bobble"); it is no dash. */
function isJoint(text: string, at: number, end: number): boolean {
  const before = text.charCodeAt(at - 1);
  const after = at + 1 < end ? text.charCodeAt(at + 1) : 0;
  return (isLetter(before) && (isLetter(after) || isDigit(after))) || (isDigit(before) && isLetter(after));
}

function suffixFits(value: number, suffix: string): boolean {
  // "1st" is an ordinal; "6st" is six stitches.
  const teen = value % 100 >= 11 && value % 100 <= 13;
  const last = value % 10;
  if (suffix === 'st') return last === 1 && !teen;
  if (suffix === 'nd') return last === 2 && !teen;
  if (suffix === 'rd') return last === 3 && !teen;
  return true;
}

function isSpace(code: number): boolean {
  return (
    code === 32 || (code >= 9 && code <= 13) || code === 0xa0 || code === 0x202f || code === 0x2009 || code === 0xfeff
  );
}

const TIMES_BEHIND = /[ \t]*[x×*]\s?\d/uy;
/** Where an x is a stitch too. */
const TIMES_APART = /[ \t]+[x×*]\d/uy;

/** "xxv x4": letters and signs that are written together are done together, so many times. */
function holdSpelt(tokens: Token[], text: string, at: number, alphabet: Alphabet): void {
  TIMES_BEHIND.lastIndex = at;
  TIMES_APART.lastIndex = at;
  if (!(alphabet.letters.has('x') ? TIMES_APART : TIMES_BEHIND).test(text)) return;
  let first = tokens.length - 1;
  while (first > 0 && tokens[first]?.glued && tokens[first - 1]?.raw.length === 1 && tokens[first - 1]?.kind === 'word')
    first -= 1;
  const [from, last] = [tokens[first], tokens.at(-1)];
  if (!from || !last || from === last) return;
  const bracket = { word: '(', raw: '', value: 0, glued: false };
  tokens.splice(first, 0, { ...bracket, kind: 'open', from: from.from, to: from.from });
  tokens.push({ ...bracket, kind: 'close', word: ')', from: last.to, to: last.to });
}

/** Whether an x stands before a figure: the sign of multiplication. */
function isTimes(text: string, figure: number): boolean {
  return isDigit(text.charCodeAt(figure)) && (text.charCodeAt(figure - 1) | 32) === 120;
}

function isDigit(code: number): boolean {
  return code >= 48 && code <= 57;
}

function isLetter(code: number): boolean {
  return (
    (code >= 97 && code <= 122) ||
    (code >= 65 && code <= 90) ||
    (code >= 0xc0 && code < 0x2000 && code !== 0xd7 && code !== 0xf7) ||
    (code >= 0x3040 && code < 0xd800)
  );
}

function isApostrophe(code: number): boolean {
  return code === 39 || code === 0x2019;
}
