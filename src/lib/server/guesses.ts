import { Refused } from './answers.js';

/** So much that leads nowhere may be tried in so many milliseconds from one place. */
const MOST = 20;
const WITHIN = 10 * 60 * 1000;
/** So many places are remembered; with more, the oldest is forgotten. */
const MOST_PLACES = 10_000;

/** Who tries what leads nowhere has to wait: a secret can't be found by trying. */
export class Guesses {
  readonly #words: string;
  readonly #misses = new Map<string, number[]>();

  /** @param words what who tries too many is told */
  constructor(words: string) {
    this.#words = words;
  }

  /** @throws Refused where too many were tried from this place. */
  allow(place: string, now = Date.now()): void {
    const misses = (this.#misses.get(place) ?? []).filter((at) => now - at < WITHIN);
    if (misses.length >= MOST) throw new Refused(429, this.#words);
  }

  /** What was tried led nowhere. */
  missed(place: string, now = Date.now()): void {
    const misses = (this.#misses.get(place) ?? []).filter((at) => now - at < WITHIN);
    this.#misses.delete(place);
    if (this.#misses.size >= MOST_PLACES) this.#misses.delete(this.#misses.keys().next().value ?? '');
    this.#misses.set(place, [...misses, now]);
  }
}
