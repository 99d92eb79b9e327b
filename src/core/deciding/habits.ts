import type { Choice } from '../pattern/pattern.js';

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
  /** One that is understood, on an edge that is not known. */
  trust: 9.5,
  /** Words taken by their gist, where the forms have not understood them. */
  gist: 0.5,
  /** Words taken for talk, which they need not be. */
  talk: 1,
  /** A word passed over, where the round comes out without it, and where it doesn't. */
  passedProved: 0.3,
  passed: 3,
  /** What is meant in the usual way, and no other round shows that this hand does not mean it so. */
  usual: 1,
  /** A way that no other round bears out: dearer than a slip, and dearest for what a word means. */
  alone: 9,
  wordAlone: 13,
  /** A way that one other round bears out. */
  once: 3,
  /** A way of which nothing is known yet. */
  unknown: 2,
} as const;

/** What a round has been taken to mean: the choices made for it, and the senses given to words. */
export interface Reason extends Choice {
  /** It is about what a word means. */
  readonly word?: true;
}

/** The rounds that mean something, and those that mean it in a way. */
interface Used {
  readonly all: Set<number>;
  readonly ways: Map<string, Set<number>>;
}

/** How many rounds besides one. */
function othersOf(rounds: ReadonlySet<number> | undefined, round: number): number {
  return rounds ? rounds.size - (rounds.has(round) ? 1 : 0) : 0;
}

/** What is meant alike twice in a round is one habit. */
function isAgain(reasons: readonly Reason[], index: number): boolean {
  const { what, ways } = reasons[index] ?? { what: '', ways: [] };
  return reasons.slice(0, index).some((other) => other.what === what && other.ways.join() === ways.join());
}

/** What the rounds of a hand have been taken to mean, and so what it usually means. */
export class Habits {
  readonly #used = new Map<string, Used>();
  readonly #known: boolean;

  /** @param taken the reasons of each round. */
  constructor(taken: readonly (readonly Reason[])[]) {
    this.#known = taken.length > 0;
    taken.forEach((reasons, round) => {
      for (const { what, ways } of reasons) {
        const used = this.#used.get(what) ?? { all: new Set(), ways: new Map<string, Set<number>>() };
        used.all.add(round);
        for (const way of ways) used.ways.set(way, (used.ways.get(way) ?? new Set()).add(round));
        this.#used.set(what, used);
      }
    });
  }

  /** What taking a round so costs, by what the other rounds bear out. */
  costOf(reasons: readonly Reason[], round: number): number {
    return reasons.reduce((sum, reason, i) => (isAgain(reasons, i) ? sum : sum + this.#cost(reason, round)), 0);
  }

  /** Whether what a round is taken to mean is out of the way, and a habit: two other rounds or more mean all of it so. */
  bearsOut(reasons: readonly Reason[], round: number): boolean {
    const bornOut = ({ what, ways }: Reason) =>
      ways.some((way) => othersOf(this.#used.get(what)?.ways.get(way), round) >= 2);
    return reasons.some(({ usual }) => !usual) && reasons.every(bornOut);
  }

  #cost(reason: Reason, round: number): number {
    if (!this.#known) return reason.usual ? COSTS.usual : COSTS.unknown;
    return Math.min(...reason.ways.map((way) => this.#costOfWay(reason, way, round)));
  }

  #costOfWay({ what, usual, word }: Reason, way: string, round: number): number {
    const used = this.#used.get(what);
    const count = othersOf(used?.ways.get(way), round);
    if (count === 0) {
      if (usual && othersOf(used?.all, round) < 2) return COSTS.usual;
      return word ? COSTS.wordAlone : COSTS.alone;
    }
    if (count === 1) return usual ? COSTS.usual : COSTS.once;
    return Math.log2(othersOf(used?.all, round) / count);
  }

  /** The way in which something is mostly taken; null where fewer than two rounds take it so. */
  usual(what: string): string | null {
    const ways = [...(this.#used.get(what)?.ways ?? [])].sort(([, a], [, b]) => b.size - a.size);
    const best = ways[0];
    return best && best[1].size >= 2 ? best[0] : null;
  }
}
