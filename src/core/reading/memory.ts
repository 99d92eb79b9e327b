import type { Vocabulary } from '../vocabulary/stitches.js';
import { InstructionReader } from './again.js';
import { Lexicon, type LegendDefinition } from './lexicon.js';

/** So many sets of words are kept: a text may be read with those that are worked out, too, and with one that is tried. */
const MOST_SETS = 4;

/** What was read of texts, for the next one that is nearly the same. What comes of it is the same as without it. */
export class Memory {
  /** By the words that they read with, the one that was used last at the end. */
  readonly #readers = new Map<string, InstructionReader>();

  /** Reads instructions in the words of a text. */
  reader(vocabulary: Vocabulary, compact: boolean, words: readonly LegendDefinition[]): InstructionReader {
    const key = JSON.stringify([vocabulary, compact, words]);
    const reader = this.#readers.get(key) ?? new InstructionReader(new Lexicon(vocabulary, compact, words));
    this.#readers.delete(key);
    this.#readers.set(key, reader);
    const [oldest] = this.#readers.keys();
    if (this.#readers.size > MOST_SETS && oldest !== undefined) this.#readers.delete(oldest);
    return reader;
  }
}
