/** Where the words leave it open how they are meant, one of several ways is chosen. */
export interface Chooser {
  /** One of the ways in which something may be meant; a single one is no choice. */
  choose<Way extends string>(what: string, ways: readonly [Way, ...Way[]]): Way;
}

/**
 * Runs a reading once for every way to choose in it, the first ways first.
 * @param most runs at most.
 * @returns what each run came to, with the ways that were chosen in it, as `what: way`.
 */
export function everyChoice<Result>(
  run: (chooser: Chooser) => Result,
  most: number,
): { result: Result; chosen: readonly string[] }[] {
  const found: { result: Result; chosen: readonly string[] }[] = [];
  let path: number[] = [];
  for (;;) {
    const sizes: number[] = [];
    const chosen: string[] = [];
    const result = run({
      choose(what, ways) {
        if (ways.length === 1) return ways[0];
        const at = sizes.push(ways.length) - 1;
        const way = ways[path[at] ?? 0] ?? ways[0];
        chosen.push(`${what}: ${way}`);
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
