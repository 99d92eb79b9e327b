import type { Choice, Instruction } from '../../pattern/pattern.js';
import type { Sense } from '../../vocabulary/senses.js';
import type { Lexicon } from '../lexicon.js';
import { wordsOf } from '../instruction.js';
import type { Span } from '../../text/source.js';
import { everyChoice } from './choices.js';
import { referenceIn } from './reference.js';
import { itemsOf } from './items.js';
import { Row } from './row.js';
import { EDGE, FILL, PLAIN, work } from './shapes.js';
import { Taking } from './taking.js';

/** One way to take an instruction, with the choices that were made for it. */
export interface Gist {
  readonly instruction: Instruction;
  readonly chosen: readonly Choice[];
  /** Words without a meaning that were passed over, and where. */
  readonly words: readonly string[];
  readonly passed: readonly Span[];
  /** How many of them stand in clauses that hold nothing else. */
  readonly talk: number;
}

/** So many words and signs are looked at, and so many ways to take them. */
const MOST_TOKENS = 120;
const MOST_WAYS = 64;
/** Fewer ways are tried of a long instruction: so many words and signs in all. */
const MOST_LOOKED_AT = 1600;

/**
 * All ways to take the gist of an instruction: only what can bear on its count is looked at, in whatever order a hand puts
 * it, and what the words leave open is chosen in every way. Which one is meant only the sums can tell.
 * @param senses what words mean in this hand that mean nothing by themselves; all others are passed over.
 */
export function gistsOf(text: string, span: Span, lexicon: Lexicon, senses: ReadonlyMap<string, Sense>): Gist[] {
  const tokens = wordsOf(text, span, lexicon, MOST_TOKENS + 1);
  const items = tokens.length > MOST_TOKENS ? null : itemsOf(tokens, lexicon, senses);
  const reference = referenceIn(text, span);
  const referring: Gist[] = reference ? [{ ...NOTHING_FOUND, instruction: { ...NO_INSTRUCTION, reference } }] : [];
  if (!items) return referring;
  if (items.length === 0) return text.slice(span.from, span.to).trim() === '' ? referring : [plainRound(span)];
  const most = Math.max(4, Math.min(MOST_WAYS, Math.floor(MOST_LOOKED_AT / items.length)));
  const row = new Row(text, items);
  const ways = everyChoice((chooser) => new Taking(text, items, row, chooser).all(), most);
  const taken = ways.flatMap(({ result, chosen }) => {
    if (!result) return [];
    const { steps, stated, rounds, passed, talk } = result;
    const words = passed.map(({ from, to }) => singular(text.slice(from, to).toLowerCase()));
    const instruction: Instruction = {
      ...NO_INSTRUCTION,
      steps,
      stated: stated && { total: stated.value, breakdown: [], span: stated.span },
      statedRounds: rounds && { count: rounds.value, span: rounds.span },
    };
    return [{ instruction, chosen, words, passed, talk }];
  });
  return [...taken, ...referring];
}

/** A row of a table in which nothing stands but its label and its count: "4-5 | | | | 8". */
function plainRound(span: Span): Gist {
  const instruction = { ...NO_INSTRUCTION, steps: [work(PLAIN, FILL, EDGE, span)] };
  return {
    ...NOTHING_FOUND,
    instruction,
    chosen: [{ what: 'nothing but a count', ways: ['a plain round'], usual: false }],
  };
}

const NO_SENSES: ReadonlyMap<string, Sense> = new Map();

/** An instruction taken by its gist with the same choices as another that was; null where it can't be. */
export function likeGist(words: string, lexicon: Lexicon, { taken = [], stated }: Instruction): Instruction | null {
  const isAlike = ({ what, ways, usual }: Choice) => {
    const other = taken.find((choice) => choice.what === what);
    return other ? ways.some((way) => other.ways.includes(way)) : usual;
  };
  const gists = gistsOf(words, { from: 0, to: words.length }, lexicon, NO_SENSES);
  const alike = gists.filter(({ chosen }) => chosen.every(isAlike)).map(({ instruction }) => instruction);
  // Whether a figure is the count is no habit: it is what it was.
  const same = (total: number | undefined) => alike.find((one) => one.stated?.total === total);
  return same(stated?.total) ?? same(undefined) ?? null;
}

/** A word without its plural: what it means is the same. */
export function singular(word: string): string {
  return word.length > 3 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word;
}

export const NO_INSTRUCTION: Instruction = {
  steps: [],
  stated: null,
  reference: null,
  statedRounds: null,
  unread: [],
  brackets: [],
  foreign: [],
  remarks: [],
};
/** The words of an instruction that mean nothing by themselves, in the singular. */
export function unknownIn(text: string, span: Span, lexicon: Lexicon): string[] {
  return unclearIn(text, span, lexicon).map(({ word }) => word);
}

/** The words of an instruction that mean nothing by themselves, in the singular, and where they stand. */
export function unclearIn(text: string, span: Span, lexicon: Lexicon): (Span & { readonly word: string })[] {
  const tokens = wordsOf(text, span, lexicon, MOST_TOKENS);
  return tokens.flatMap((token, i) =>
    token.kind === 'word' && !lexicon.at(tokens, i)
      ? [{ word: singular(token.word), from: token.from, to: token.to }]
      : [],
  );
}

const NOTHING_FOUND = { chosen: [], words: [], passed: [], talk: 0 };
