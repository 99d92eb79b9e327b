import { roundsByPart, type CountedRound } from '../counting/counted.js';
import type { Part } from '../pattern/pattern.js';
import { formsOf, nounsOf, wordsOf, type Talk } from './prose.js';

/** "to the head", "of the green body": what something is put on. */
const TARGET =
  /(?<!\p{L})(?<!(?:sew|put|pin|fix|glue|stitch|sewn)\s)(?:to|of|on|onto|into)\s+(?:(?:the|each|its|his|her|back|front|top|side|sides|of)\s+){0,4}(?:\p{L}+\s+)??(\p{L}{3,})/giu;
/** This piece goes on another, whichever that is. */
const JOINS = /(?<!\p{L})(?:sew|sewn|attach|join|stitch|glue|pin)(?!\p{L})/iu;
const SIDE_OF = /(?:bottom|top|sides?|back|front|middle|base|cent(?:re|er)) of\s?$/iu;

/** A piece with its rounds by their numbers. */
export interface Piece {
  readonly part: Part;
  readonly last: number;
  readonly counted: readonly CountedRound[];
}

export interface Where {
  readonly piece: Piece;
  readonly certain: boolean;
  /** No piece that may be meant has a round after this. */
  readonly farthest: number;
}

/** Which piece a sentence speaks of. */
export class Pieces {
  readonly #all: readonly Piece[];
  readonly #byNoun = new Map<string, Piece[]>();

  constructor(parts: readonly Part[], rounds: readonly CountedRound[]) {
    const byPart = roundsByPart(rounds);
    this.#all = parts.map((part) => {
      const counted = byPart.get(part) ?? [];
      return { part, counted, last: Math.max(0, ...counted.map(({ round }) => round.to)) };
    });
    for (const piece of this.#all)
      for (const form of nounsOf(piece.part).flatMap(formsOf))
        this.#byNoun.set(form, [...(this.#byNoun.get(form) ?? []), piece].slice(-40));
  }

  /**
   * The part that something is put on, as the sentence names it; the one that it stands in where it speaks of no other;
   * else any at all. Of several the one with most rounds.
   */
  of(talk: Talk, sentence: string): Where | null {
    const own = talk.section === null ? this.#all.find(({ part }) => part === talk.part) : undefined;
    const places = [...sentence.matchAll(TARGET)];
    // "the edge of the wings to the sides": the wings are what is put there.
    const onto = places.findIndex(([words]) => !/^of/i.test(words));
    const targets = this.#named(places.slice(Math.max(0, onto)).map((match) => match[1] ?? ''));
    const others = this.#named(wordsOf(sentence)).filter((piece) => piece !== own);
    const alone = own && others.length === 0 && !JOINS.test(sentence);
    const pieces = targets.length > 0 ? targets : alone ? [own] : this.#all;
    const longest = pieces.reduce<Piece | null>((best, one) => (best && best.last >= one.last ? best : one), null);
    // What is named by nothing but where it stands may as well be another.
    const farthest = targets.length > 0 ? longest?.last : Math.max(...this.#all.map(({ last }) => last));
    return longest && { piece: longest, certain: new Set(pieces).size === 1, farthest: farthest ?? 0 };
  }

  /** The one piece that some words say something is put on; null where they name none, or several. */
  named(words: string): Where | null {
    const targets = [...words.matchAll(TARGET)].filter(
      ([said], i, all) => !/^of/i.test(said) || SIDE_OF.test(words.slice(0, (all[i]?.index ?? 0) + 3)),
    );
    const [piece, ...others] = new Set(this.#named(targets.map((match) => match[1] ?? '')));
    return piece && others.length === 0 ? { piece, certain: true, farthest: piece.last } : null;
  }

  /** The one piece that has a round of a number, those left out not counted; null where several have, or none. */
  onlyOneWith(round: number, without: readonly Part[]): Piece | null {
    const [one, ...others] = this.#all.filter(({ part, last }) => last >= round && !without.includes(part));
    return one && others.length === 0 ? one : null;
  }

  /** The pieces that some words name. */
  in(words: string): readonly Piece[] {
    return this.#named(wordsOf(words));
  }

  #named(words: Iterable<string>): Piece[] {
    return [...words].flatMap((word) => this.#byNoun.get(word.toLowerCase()) ?? []);
  }
}

/** How many stitches a round of a piece makes; null where its number stands more than once, or the figure can't be had. */
export function madeBy({ counted }: Piece, number: number): number | null {
  const named = counted.filter(({ round }) => round.labelled && round.from <= number && number <= round.to);
  const one = named[0];
  if (!one || named.length > 1) return null;
  return one.round.from === one.round.to || one.outcome.edge === one.outcome.made
    ? (one.outcome.made ?? one.carried)
    : null;
}
