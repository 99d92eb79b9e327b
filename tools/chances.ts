/** Numbers from 0 up to 1, the same ones for the same seed, which is not 0 (Park and Miller's generator). */
export function chances(seed: number): () => number {
  let at = seed;
  return () => (at = (at * 48271) % 2147483647) / 2147483647;
}
