/**
 * Costs of what a hand may have meant, in bits: the less likely, the dearer. They stand on one scale with the slip of a pen,
 * so that nothing is taken in a way that is less likely than that.
 */
export const COSTS = {
  /** A wrong figure, a stitch too many: one in a hundred rounds has it. */
  slip: 7,
  /** A second one in the same round. */
  second: 2,
  /** A round that is not understood, and whose figures say nothing. */
  unread: 10,
  /** Words taken by their gist, where the forms have not understood them. */
  gist: 0.5,
  /** Words taken for talk, which they need not be. */
  talk: 1,
  /** A word passed over, where the round comes out without it, and where it doesn't. */
  passedProved: 0.3,
  passed: 3,
  /** A way that no other round bears out: dearer than a slip. */
  alone: 9,
  /** A way that one other round bears out; and as dear as a slip where all words have been read. */
  once: 5,
  departsOnce: 8,
  /** A way of which nothing is known yet. */
  unknown: 2,
} as const;

/** What the rounds of a hand have been taken to mean, and so what it usually means. */
export class Habits {
  readonly #used = new Map<string, Map<string, Set<number>>>();
  readonly #known: boolean;

  /** @param taken the reasons of each round, as `symbol: way`; `way|way` where it can't be told which of two. */
  constructor(taken: readonly (readonly string[])[]) {
    this.#known = taken.length > 0;
    taken.forEach((reasons, round) => {
      for (const reason of reasons) {
        const [symbol, way] = partsOf(reason);
        const ways = this.#used.get(symbol) ?? new Map<string, Set<number>>();
        for (const one of way.split('|')) ways.set(one, (ways.get(one) ?? new Set()).add(round));
        this.#used.set(symbol, ways);
      }
    });
  }

  /** What taking a round so costs, by what the other rounds bear out. */
  costOf(reasons: readonly string[], round: number): number {
    return reasons.reduce((sum, reason) => sum + this.#cost(reason, round), 0);
  }

  #cost(reason: string, round: number): number {
    if (!this.#known) return COSTS.unknown;
    const [symbol, way] = partsOf(reason);
    return Math.min(...way.split('|').map((one) => this.#costOfWay(symbol, one, round)));
  }

  #costOfWay(symbol: string, way: string, round: number): number {
    const ways = this.#used.get(symbol);
    const others = (rounds: ReadonlySet<number> | undefined) =>
      rounds ? rounds.size - (rounds.has(round) ? 1 : 0) : 0;
    const count = others(ways?.get(way));
    if (count === 0) return COSTS.alone;
    if (count === 1) return symbol === 'read' ? COSTS.departsOnce : COSTS.once;
    const all = new Set([...(ways?.values() ?? [])].flatMap((rounds) => [...rounds]));
    return Math.log2(others(all) / count);
  }

  /** The way in which a symbol is mostly taken; null where fewer than two rounds take it so. */
  usual(symbol: string): string | null {
    const ways = [...(this.#used.get(symbol) ?? [])].sort(([, a], [, b]) => b.size - a.size);
    const best = ways[0];
    return best && best[1].size >= 2 ? best[0] : null;
  }
}

function partsOf(reason: string): [symbol: string, way: string] {
  const at = reason.indexOf(': ');
  return [reason.slice(0, at), reason.slice(at + 2)];
}
