import type { Part, Pattern, Round } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';

/** A stretch of talk: a line outside of the instructions, or words to the maker inside one. */
export interface Talk {
  readonly text: string;
  readonly span: Span;
  readonly section: string | null;
  readonly part: Part | null;
  /** The round that it stands behind, or in. */
  readonly after: Round | null;
}

/** All that a pattern says besides its instructions, and where to find it: lines first, then words inside rounds. */
export interface Prose {
  readonly talk: readonly Talk[];
  readonly ofPart: ReadonlyMap<Part, readonly Talk[]>;
  readonly afterRound: ReadonlyMap<Round, readonly Talk[]>;
  /** What the assembly says of a part, by its noun. */
  readonly mentions: (part: Part) => readonly Talk[];
}

/** For a text whose prose is not looked at. */
export const NO_PROSE: Prose = { talk: [], ofPart: new Map(), afterRound: new Map(), mentions: () => [] };

/** Gathers the prose of a pattern, once for all rules. */
export function proseOf({ source, passages, parts }: Pattern): Prose {
  const talk: Talk[] = passages.map(({ span, section, part, after }) => ({
    text: source.text.slice(span.from, span.to),
    span,
    section,
    part,
    after,
  }));
  for (const part of parts)
    for (const round of part.stretches.flatMap(({ rounds }) => rounds))
      for (const span of round.remarks)
        talk.push({ text: source.text.slice(span.from, span.to), span, section: null, part, after: round });
  const ofPart = new Map<Part, Talk[]>();
  const afterRound = new Map<Round, Talk[]>();
  const byWord = new Map<string, Talk[]>();
  for (const one of talk) {
    if (one.part) push(ofPart, one.part, one);
    if (one.after) push(afterRound, one.after, one);
    if (one.section === 'assembly') for (const word of wordsOf(one.text)) push(byWord, word, one);
  }
  return {
    talk,
    ofPart,
    afterRound,
    mentions: (part) =>
      nounsOf(part)
        .flatMap(formsOf)
        .flatMap((form) => byWord.get(form) ?? []),
  };
}

function push<Key>(map: Map<Key, Talk[]>, key: Key, talk: Talk): void {
  const list = map.get(key);
  if (list) list.push(talk);
  else map.set(key, [talk]);
}

/** Whether words stand before all rounds: of a text whose title is its only heading they stand in its first part. */
export function isFront({ part, after }: Talk, parts: readonly Part[]): boolean {
  return after === null && (part === null || part === parts[0]);
}

/** The words of a stretch of text, in lower case, each once. */
export function wordsOf(text: string): Set<string> {
  return new Set(text.toLowerCase().match(/\p{L}{3,}/gu));
}

/** Where some words stand for the first time; null where they don't. */
export function firstMention(talk: readonly Talk[], words: RegExp): Span | null {
  for (const { text, span } of talk) {
    const match = words.exec(text);
    if (match) return { from: span.from + match.index, to: span.from + match.index + match[0].length };
  }
  return null;
}

/** The last word of a part's name without its plural: "eye stalks" is a stalk. */
export function nounOf({ name }: Pick<Part, 'name'>): string {
  return singular(name.match(/\p{L}+/gu)?.at(-1) ?? '');
}

/** The nouns that a part goes by: "Body and head" is both. */
export function nounsOf(part: Part): string[] {
  const several = part.name.split(/\s(?:and|und|et|y|e)\s|\s?[&+/]\s?/iu);
  return [...new Set(several.map((name) => nounOf({ name })))].filter((noun) => noun !== '');
}

/** A noun in lower case without its plural: "leaves" is a leaf. */
export function singular(noun: string): string {
  const word = noun.toLowerCase();
  const other = IRREGULAR.get(word);
  if (other && word !== 'foot' && word !== 'tooth') return other;
  if (word.endsWith('ves')) return `${word.slice(0, -3)}f`;
  return /(?:ch|sh|x|ss)es$/.test(word) ? word.slice(0, -2) : word.replace(/s$/, '');
}

const IRREGULAR: ReadonlyMap<string, string> = new Map([
  ['foot', 'feet'],
  ['feet', 'foot'],
  ['tooth', 'teeth'],
  ['teeth', 'tooth'],
]);

/** A noun as it may stand in a sentence: "leaf", "leaves". */
export function formsOf(noun: string): string[] {
  if (noun.length < 3) return [];
  const forms = [noun, `${noun}s`, `${noun}es`];
  if (noun.endsWith('f')) forms.push(`${noun.slice(0, -1)}ves`);
  const other = IRREGULAR.get(noun);
  if (other) forms.push(other);
  return forms;
}

/** The sentences of a stretch of talk, each with where it begins in it. */
export function sentencesOf(text: string): { text: string; at: number }[] {
  const sentences: { text: string; at: number }[] = [];
  let at = 0;
  for (const sentence of text.split(/(?<=[.!?;])\s+/u)) {
    const index = text.indexOf(sentence, at);
    sentences.push({ text: sentence, at: index });
    at = index + sentence.length;
  }
  return sentences;
}
