import type { Choice } from '../../pattern/pattern.js';

/** Where the words leave it open how they are meant, one of several ways is chosen. */
export interface Chooser {
  /**
   * One of the ways in which something may be meant, the usual one first; a single one is no choice. `way|way` is one that
   * can't be told from another.
   */
  choose<Way extends string>(what: string, ways: readonly [Way, ...Way[]]): Way;
  /** Whether something is meant in a way that nothing in the words speaks for; that it isn't is no choice. */
  goesSoFar(what: string, way: string): boolean;
  /** As `choose`, for what only the sums can tell and no hand has a habit of. */
  either<Way extends string>(ways: readonly [Way, Way]): Way;
}

/**
 * Runs a reading once for every way to choose in it, the first ways first.
 * @param most runs at most.
 * @returns what each run came to, with the choices that were made in it.
 */
export function everyChoice<Result>(
  run: (chooser: Chooser) => Result,
  most: number,
): { result: Result; chosen: readonly Choice[] }[] {
  const found: { result: Result; chosen: readonly Choice[] }[] = [];
  let path: number[] = [];
  for (;;) {
    const sizes: number[] = [];
    const chosen: Choice[] = [];
    const next = (ways: number): number => path[sizes.push(ways) - 1] ?? 0;
    const result = run({
      either: (ways) => ways[next(ways.length)] ?? ways[0],
      goesSoFar(what, way) {
        const does = next(2) === 1;
        if (does) chosen.push({ what, ways: [way], usual: false });
        return does;
      },
      choose(what, ways) {
        if (ways.length === 1) return ways[0];
        const index = next(ways.length);
        const way = ways[index] ?? ways[0];
        chosen.push({ what, ways: way.split('|'), usual: index === 0 });
        return way;
      },
    });
    found.push({ result, chosen });
    if (found.length >= most) return found;
    // The last choice that has a way left is made anew; what comes after it begins with its first way.
    const last = sizes.findLastIndex((size, at) => (path[at] ?? 0) + 1 < size);
    if (last < 0) return found;
    path = [...Array.from({ length: last }, (_, at) => path[at] ?? 0), (path[last] ?? 0) + 1];
  }
}
