import { COMPACT_LETTERS, STITCHES, type StitchId, type Vocabulary } from '../vocabulary/stitches.js';
import { WORDS, type PlainMeaning } from '../vocabulary/words.js';
import type { Token } from './lexer.js';

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
  /** Explained by the pattern itself, and of no effect on the counts: "PM – place marker". */
  | { readonly is: 'remark' };

interface Phrase {
  readonly words: readonly string[];
  readonly meaning: Meaning;
}

export interface Lexeme {
  readonly meaning: Meaning;
  /** How many tokens it takes up. */
  readonly length: number;
}

export type LegendDefinition = { readonly term: string; readonly meaning: Meaning };

/** The words that a text may use, by first word; phrases with the longest first. */
export class Lexicon {
  readonly #phrases = new Map<string, Phrase[]>();
  readonly #letters = new Map<string, Meaning>();
  readonly compact: boolean;

  /**
   * @param vocabulary whose names the stitches have; unambiguous names of the other one are known too, as foreign.
   * @param compact whether the text writes single capital letters for stitches.
   * @param legend what the pattern itself explains; it wins over everything built in.
   */
  constructor(vocabulary: Vocabulary, compact: boolean, legend: readonly LegendDefinition[] = []) {
    this.compact = compact;
    for (const [meaning, phrases] of WORDS) for (const phrase of phrases) this.#add(phrase, meaning);
    const other: Vocabulary = vocabulary === 'us' ? 'uk' : 'us';
    for (const [which, foreign] of [
      [other, true],
      [vocabulary, false],
    ] as const) {
      for (const { id, [which]: names } of STITCHES) {
        for (const name of [...names.long, ...names.short]) {
          this.#add(name, { is: 'stitch', stitch: id, foreign });
        }
      }
    }
    for (const { letters, stitch, per, over } of compact ? COMPACT_LETTERS : []) {
      for (const letter of letters) {
        const plain = per === 1 && over === 1;
        this.#letters.set(letter, plain ? { is: 'stitch', stitch, foreign: false } : { is: 'shaping', stitch, per, over });
      }
    }
    for (const { term, meaning } of legend) {
      if (/^[A-Z]{1,2}$/.test(term)) this.#letters.set(term, meaning);
      else this.#add(term.toLowerCase(), meaning);
    }
    for (const phrases of this.#phrases.values()) phrases.sort((a, b) => b.words.length - a.words.length);
  }

  /** The longest word or phrase that begins at a token, or null. */
  at(tokens: readonly Token[], index: number): Lexeme | null {
    const token = tokens[index];
    if (!token || (token.kind !== 'word' && token.kind !== 'mark' && token.kind !== 'number' && token.kind !== 'ordinal')) return null;
    if (token.kind === 'word' && this.#letters.size > 0 && token.raw.length <= 2) {
      const meaning = this.#letters.get(token.raw);
      if (meaning) return { meaning, length: 1 };
    }
    if (token.word === '') return null;
    const phrases = this.#phrases.get(token.word);
    if (phrases) {
      for (const { words, meaning } of phrases) {
        const length = matches(tokens, index, words);
        if (length > 0) return { meaning, length };
      }
    }
    const singular = singularOf(token.word);
    const found = singular === null ? undefined : this.#phrases.get(singular);
    const alone = found?.find(({ words }) => words.length === 1);
    return alone ? { meaning: alone.meaning, length: 1 } : null;
  }

  #add(phrase: string, meaning: Meaning): void {
    const words = phrase.split(' ');
    const first = words[0] ?? '';
    const list = this.#phrases.get(first);
    const entry = { words, meaning };
    if (!list) this.#phrases.set(first, [entry]);
    else {
      const same = list.findIndex((known) => known.words.join(' ') === phrase);
      // A word of the own vocabulary, and one of the legend, replaces what stood there before.
      if (same >= 0 && (meaning.is === 'stitch' || meaning.is === 'shaping' || meaning.is === 'remark')) list[same] = entry;
      else if (same < 0) list.push(entry);
    }
  }
}

/** How many tokens a phrase takes up at an index, 0 where it doesn't stand there. "sl. st" is "sl st". */
function matches(tokens: readonly Token[], index: number, words: readonly string[]): number {
  let at = index;
  for (let w = 0; w < words.length; w += 1) {
    if (w > 0) {
      const dot = tokens[at];
      if (dot?.word === '.' && dot.glued && words[w] !== undefined && tokens[at + 1]?.word === words[w]) at += 1;
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
