import { COMPACT_LETTERS, STITCHES, type StitchId, type Vocabulary } from '../vocabulary/stitches.js';
import { WORDS, type PlainMeaning } from '../vocabulary/words.js';
import type { Step } from '../pattern/instruction.js';
import type { Alphabet, Token } from './lexer.js';

/** What a word or phrase of an instruction means. `foreign`: it belongs to the other vocabulary only. */
export type Meaning =
  | PlainMeaning
  | { readonly is: 'stitch'; readonly stitch: StitchId; readonly foreign: boolean }
  | {
      readonly is: 'shaping';
      readonly stitch: StitchId | null;
      readonly per: number;
      readonly over: number;
    }
  /** A yarn that the pattern calls by letters: "LG = light grey". */
  | { readonly is: 'colour' }
  /** Explained by the pattern itself, and of no effect on the counts: "PM – place marker". */
  | { readonly is: 'remark' }
  /** What the pattern itself has a word for: "tutti: sc in every stitch". */
  | { readonly is: 'steps'; readonly steps: readonly Step[] };

interface Phrase {
  readonly words: readonly string[];
  /** As it is found where all its words stand apart. */
  readonly lexeme: Lexeme;
}

export interface Lexeme {
  readonly meaning: Meaning;
  /** How many tokens it takes up. */
  readonly length: number;
}

export type LegendDefinition = { readonly term: string; readonly meaning: Meaning };

const NONE: ReadonlySet<string> = new Set();

/** Phrases by their first word, the longest first. */
type Phrases = Map<string, Phrase[]>;

/** The words that a text may use: the built-in ones, and over them what its own legend says. */
export class Lexicon {
  readonly #builtIn: Phrases;
  readonly #own: Phrases = new Map();
  readonly #letters = new Map<string, Meaning>();
  readonly #tellsOwn: ReadonlySet<string>;
  readonly compact: boolean;
  /** The signs and letters that this text writes for words. */
  readonly alphabet: Alphabet | null;
  /** Whether some words are to be passed over wherever they stand. */
  readonly passes: boolean;

  /**
   * @param vocabulary whose names the stitches have; unambiguous names of the other one are known too, as foreign.
   * @param compact whether the text writes single capital letters for stitches.
   * @param legend what the pattern itself explains; it wins over everything built in.
   */
  constructor(vocabulary: Vocabulary, compact: boolean, legend: readonly LegendDefinition[] = []) {
    this.compact = compact;
    this.#builtIn = builtIn(vocabulary);
    for (const { letters, stitch, per, over } of compact ? COMPACT_LETTERS : []) {
      const plain = per === 1 && over === 1;
      const meaning: Meaning = plain ? { is: 'stitch', stitch, foreign: false } : { is: 'shaping', stitch, per, over };
      for (const letter of letters) this.#letters.set(letter, meaning);
    }
    for (const { term, meaning } of legend) {
      if (/^[A-Z]{1,2}$/.test(term) && compact) this.#letters.set(term, meaning);
      // Articles are no tokens.
      else add(this.#own, term.toLowerCase().replace(/(?<=\s)(?:an?|the)\s/g, ''), meaning);
    }
    this.#tellsOwn = new Set(
      legend.flatMap(({ term, meaning }) => {
        const usual = this.#builtIn.get(term.toLowerCase())?.find(({ words }) => words.length === 1);
        return isWork(meaning) && !(usual && isWork(usual.lexeme.meaning)) ? [term.toLowerCase()] : [];
      }),
    );
    this.passes = legend.some(({ meaning }) => meaning.is === 'aside');
    const signs = legend.flatMap(({ term }) => (/^[^\p{L}\d\s]$/u.test(term) ? [term] : []));
    const letters = legend.flatMap(({ term }) => (/^\p{L}$/u.test(term) ? [term] : []));
    const terms = legend.map(({ term }) => term.toLowerCase());
    const joined = terms.filter((term) => /[^\p{L}\d\s]|^\d\S*$/u.test(term) && term.length > 2);
    this.alphabet =
      signs.length + letters.length + joined.length > 0
        ? {
            signs: new Set(signs),
            letters: letters.length > 1 ? new Set(letters) : NONE,
            terms: new Set(terms),
            joined: joined.sort((a, b) => b.length - a.length),
          }
        : null;
  }

  /** Whether a word, or its singular, is work to this text, and is none to others: "a plain is a single crochet". */
  remakes(word: string): boolean {
    return this.#tellsOwn.has(word) || this.#tellsOwn.has(singularOf(word) ?? word);
  }

  /** The longest word or phrase that begins at a token, or null. */
  at(tokens: readonly Token[], index: number): Lexeme | null {
    const token = tokens[index];
    if (!token || token.word === '' || token.kind === 'open' || token.kind === 'close' || token.kind === 'star')
      return null;
    if (token.kind === 'word' && this.#letters.size > 0 && token.raw.length <= 2) {
      const meaning = this.#letters.get(token.raw);
      if (meaning) return { meaning, length: 1 };
    }
    const own = this.#own.size > 0 ? longest(this.#own, tokens, index, token.word) : null;
    const common = longest(this.#builtIn, tokens, index, token.word);
    return own && own.length >= (common?.length ?? 0) ? own : common;
  }
}

/** Whether stitches are made by it. */
function isWork({ is }: Meaning): boolean {
  return is === 'stitch' || is === 'shaping' || is === 'increase' || is === 'decrease';
}

const builtInOf = new Map<Vocabulary, Phrases>();

/** All words that are known without a legend; made once for each vocabulary. */
function builtIn(vocabulary: Vocabulary): Phrases {
  const known = builtInOf.get(vocabulary);
  if (known) return known;
  const phrases: Phrases = new Map();
  // What is added first wins: own names, then plain words, then names of the other vocabulary.
  const other: Vocabulary = vocabulary === 'us' ? 'uk' : 'us';
  for (const { id, [vocabulary]: names } of STITCHES) {
    for (const name of [...names.long, ...names.short])
      add(phrases, name, { is: 'stitch', stitch: id, foreign: false });
  }
  for (const [meaning, words] of WORDS) for (const phrase of words) add(phrases, phrase, meaning);
  for (const { id, [other]: names } of STITCHES) {
    for (const name of [...names.long, ...names.short]) add(phrases, name, { is: 'stitch', stitch: id, foreign: true });
  }
  for (const list of phrases.values()) list.sort((a, b) => b.words.length - a.words.length);
  builtInOf.set(vocabulary, phrases);
  return phrases;
}

function add(phrases: Phrases, phrase: string, meaning: Meaning): void {
  const words = phrase.split(' ');
  const first = words[0] ?? '';
  const list = phrases.get(first);
  const entry: Phrase = { words, lexeme: { meaning, length: words.length } };
  if (!list) phrases.set(first, [entry]);
  else if (
    !list.some((known) => known.words.length === words.length && known.words.every((word, i) => word === words[i]))
  )
    list.push(entry);
}

function longest(phrases: Phrases, tokens: readonly Token[], index: number, word: string): Lexeme | null {
  const list = phrases.get(word);
  if (list) {
    for (const { words, lexeme } of list) {
      if (words.length === 1) return lexeme;
      const length = matches(tokens, index, words);
      if (length > 0) return length === lexeme.length ? lexeme : { meaning: lexeme.meaning, length };
    }
  }
  const singular = singularOf(word);
  const alone = singular === null ? undefined : phrases.get(singular)?.find(({ words }) => words.length === 1);
  return alone?.lexeme ?? null;
}

/** How many tokens a phrase takes up at an index, 0 where it doesn't stand there. "sl. st" is "sl st". */
function matches(tokens: readonly Token[], index: number, words: readonly string[]): number {
  let at = index;
  for (let w = 0; w < words.length; w += 1) {
    if (w > 0) {
      const dot = tokens[at];
      // Only what is shortened has a full stop inside a phrase.
      const short = (words[w - 1]?.length ?? 0) <= 3;
      if (short && dot?.word === '.' && dot.glued && tokens[at + 1]?.word === words[w]) at += 1;
    }
    const token = tokens[at];
    const word = words[w] ?? '';
    if (!token) return 0;
    if (token.word !== word) {
      const last = w === words.length - 1 && w > 0;
      if (!last || singularOf(token.word) !== word) return 0;
    }
    at += 1;
  }
  return at - index;
}

function singularOf(word: string): string | null {
  if (word.length > 3 && (word.endsWith("'s") || word.endsWith('’s'))) return word.slice(0, -2);
  if (word.length > 4 && word.endsWith('es') && /(?:ch|x|sh)es$/.test(word)) return word.slice(0, -2);
  if (word.length > 2 && word.endsWith('s')) return word.slice(0, -1);
  return null;
}
