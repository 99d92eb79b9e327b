/**
 * A short name for some words: the same for the same words, and as good as never the same for others.
 * 53 bits of two multiplicative hashes, in base 36.
 */
export function keyOf(words: string): string {
  let a = 0xdeadbeef;
  let b = 0x41c6ce57;
  for (let i = 0; i < words.length; i += 1) {
    const code = words.charCodeAt(i);
    a = Math.imul(a ^ code, 2654435761);
    b = Math.imul(b ^ code, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  // In two halves that are small integers: written so, a number takes a quarter of the time.
  const hash = 4294967296 * (2097151 & b) + (a >>> 0);
  const high = Math.floor(hash / HALF);
  const low = (hash - high * HALF).toString(36);
  return high === 0 ? low : high.toString(36) + low.padStart(5, '0');
}

/** Five digits in base 36. */
const HALF = 36 ** 5;

/** Hands out keys that differ even for words that stand there twice. */
export class Keys {
  readonly #seen = new Map<string, number>();

  of(words: string): string {
    const key = keyOf(words);
    const times = this.#seen.get(key) ?? 0;
    this.#seen.set(key, times + 1);
    return times === 0 ? key : `${key}.${times}`;
  }
}
