import type { Vocabulary } from '../vocabulary/stitches.js';
import { InstructionReader } from './again.js';
import { Lexicon, type LegendDefinition } from './lexicon.js';
import { Recent } from './recent.js';
import type { Remember } from '../text/source.js';

/** So many sets of words are kept: a text may be read with those that are worked out, too, and with one that is tried. */
const MOST_SETS = 4;
/** So many characters of words are kept for each thing that is found out about them, twice over: the lines of a long pattern. */
const MOST_WORDS = 200_000;

/** What was read of texts, for the next one that is nearly the same. What comes of it is the same as without it. */
export class Memory {
  /** By the words that they read with, the one that was used last at the end. */
  readonly #readers = new Map<string, InstructionReader>();
  /** By what finds it out. */
  readonly #found = new Map<unknown, Recent<unknown>>();

  /** What is found out about words by themselves. */
  readonly remember: Remember = <Found>(words: string, find: (words: string) => Found): Found => {
    let recent = this.#found.get(find) as Recent<Found> | undefined;
    if (!recent) this.#found.set(find, (recent = new Recent(MOST_WORDS)));
    return recent.of(words, find);
  };

  /** Reads instructions in the words of a text. */
  reader(vocabulary: Vocabulary, compact: boolean, words: readonly LegendDefinition[]): InstructionReader {
    const key = JSON.stringify([vocabulary, compact, words]);
    const reader = this.#readers.get(key) ?? new InstructionReader(new Lexicon(vocabulary, compact, words));
    reader.begin();
    this.#readers.delete(key);
    this.#readers.set(key, reader);
    const [oldest] = this.#readers.keys();
    if (this.#readers.size > MOST_SETS && oldest !== undefined) this.#readers.delete(oldest);
    return reader;
  }
}
