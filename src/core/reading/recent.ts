/**
 * What was found out about words, kept while they come up again. Those that came up last are kept, and as many before them:
 * what has not come up for so long is found out anew.
 */
export class Recent<Found> {
  readonly #most: number;
  #young = new Map<string, Found>();
  #old = new Map<string, Found>();
  #characters = 0;

  /** @param most so many characters of words are kept, twice over */
  constructor(most: number) {
    this.#most = most;
  }

  /** @param find is given the words as a string of their own, which keeps no text in memory that they were cut from */
  of(words: string, find: (own: string) => Found): Found {
    const known = this.#young.get(words);
    if (known !== undefined) return known;
    const before = this.#old.get(words);
    const own = ownString(words);
    const found = before ?? find(own);
    this.#characters += own.length;
    if (this.#characters > this.#most) {
      this.#old = this.#young;
      this.#young = new Map();
      this.#characters = own.length;
    }
    this.#young.set(own, found);
    return found;
  }
}

/** The same characters: engines keep what was cut from a text as a view of it, with the whole text behind it. */
function ownString(words: string): string {
  return ` ${words}`.slice(1);
}
