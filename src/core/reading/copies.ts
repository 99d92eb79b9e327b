/**
 * What was read of some words, as it stands at each of their places in a text: "inc x 6 (12)" stands in every part. Copies are
 * kept while their place comes up from one draft to the next.
 */
export class Copies<Read> {
  readonly #move: (read: Read, by: number) => Read;
  #at: number;
  #read: Read;
  /** The places in this draft and in the one before; none while the words stand at one place alone. */
  #now: Map<number, Read> | null = null;
  #before: ReadonlyMap<number, Read> | null = null;
  #draft = 0;

  /** @param read what was read of the words by themselves @param move gives a copy that stands so many characters further on */
  constructor(read: Read, move: (read: Read, by: number) => Read) {
    this.#at = 0;
    this.#read = read;
    this.#move = move;
  }

  /** The copy for a place in a draft. */
  at(place: number, draft: number): Read {
    if (this.#at === place) return this.#read;
    if (this.#draft !== draft) {
      this.#before = this.#draft === draft - 1 ? this.#now : null;
      this.#now = new Map([[this.#at, this.#read]]);
      this.#draft = draft;
    }
    const read = this.#now?.get(place) ?? this.#before?.get(place) ?? this.#move(this.#read, place - this.#at);
    this.#now?.set(place, read);
    this.#at = place;
    this.#read = read;
    return read;
  }
}
