import type { Blame } from './counted.js';
import type { Outcome } from './outcome.js';

/**
 * What each kind of fault costs in the search for the smallest explanation of a part. Only their
 * order matters:
 * - a slip in a stated count is one wrong figure that nothing rests on;
 * - an instruction that doesn't do what its own stated count says is a little dearer, so that a last
 *   round without witnesses is read as written;
 * - an instruction that doesn't fit its edge is one fault, however far off it is; when what it makes is
 *   carried on against its stated count, both figures are wrong;
 * - a count that neither the instruction nor the stated figure gives, and only the next round needs,
 *   is two faults at once, and a little less where the instruction does not fit its edge anyway.
 */
export const COSTS = {
  statedSlip: 1,
  instructionSlip: 1.05,
  misfit: 1,
  misfitKeepsMade: 1.3,
  misfitAndStated: 2.1,
  neitherFigure: 2.2,
  neitherOfMisfit: 1.9,
  unread: 0.1,
  unreadUnstated: 0.6,
} as const;

/** One way to read a round on one edge: the count that goes on, what it costs, and what is at fault. */
export interface Reading {
  readonly count: number | null;
  readonly cost: number;
  readonly blame: Blame | null;
}

export interface Link {
  readonly stated: number | null;
  /** What the instruction does on an edge of so many stitches. */
  readonly on: (edge: number | null) => Outcome;
  /** Stitches of the edge that the instruction needs, where it doesn't adapt; null where it does. */
  readonly needs: number | null;
  /** It makes as many stitches as it is worked into, however many those are. */
  readonly keeps: boolean;
}

export interface Explained {
  /** Stitches that the round is worked into; null where it starts a piece, or they are not known. */
  readonly edge: number | null;
  readonly outcome: Outcome;
  readonly blame: Blame | null;
  readonly carried: number | null;
}

interface Node {
  readonly cost: number;
  readonly before: Node | null;
  readonly reading: Reading;
  readonly outcome: Outcome;
}

/** At most so many counts of a round are followed: a count that this many others explain better is never meant. */
const MOST_COUNTS = 16;

/**
 * Chooses the set of faults with the smallest total cost that explains a run of rounds, each worked
 * into the one before. Dynamic programming over the rounds; the states are the counts that some
 * figure of the text speaks for, of which the cheapest few are followed, so that the time grows with the rounds.
 * @param edge stitches that the first round is worked into; null where it starts the piece, or unknown.
 */
export function mostPlausible(links: readonly Link[], edge: number | null): Explained[] {
  let states = new Map<number | null, Node | null>([[edge, null]]);
  for (const [i, link] of links.entries()) {
    const wanted = wantedAfter(links, i);
    const next = statesAfter(link, states, wanted);
    states = next.size > MOST_COUNTS ? cheapest(next) : next;
  }
  let best: Node | null = null;
  for (const node of states.values()) if (node && (!best || node.cost < best.cost)) best = node;
  const explained: Explained[] = [];
  for (let node = best; node; node = node.before) {
    const into = node.before ? node.before.reading.count : edge;
    explained.push({ edge: into, outcome: node.outcome, blame: node.reading.blame, carried: node.reading.count });
  }
  return explained.reverse();
}

/** The cheapest way to each count that a round may leave, from the counts before it. */
function statesAfter(
  link: Link,
  states: ReadonlyMap<number | null, Node | null>,
  wanted: number | null,
): Map<number | null, Node> {
  const next = new Map<number | null, Node>();
  for (const [length, before] of states) {
    const outcome = link.on(length);
    for (const reading of readings(outcome, link.stated, wanted)) {
      const cost = (before?.cost ?? 0) + reading.cost;
      const known = next.get(reading.count);
      if (!known || cost < known.cost) next.set(reading.count, { cost, before, reading, outcome });
    }
  }
  return next;
}

/** What the next round that doesn't adapt needs, where those before it keep the count. */
function wantedAfter(links: readonly Link[], index: number): number | null {
  for (let i = index + 1; i <= index + FARTHEST; i += 1) {
    const link = links[i];
    if (!link?.keeps) return link?.needs ?? null;
    if (link.stated !== null) return link.stated;
  }
  return null;
}

const FARTHEST = 8;

function cheapest(states: ReadonlyMap<number | null, Node>): Map<number | null, Node> {
  return new Map([...states].sort(([, a], [, b]) => a.cost - b.cost).slice(0, MOST_COUNTS));
}

/** All ways to read one round on one edge, at most four. */
function readings(outcome: Outcome, stated: number | null, wanted: number | null): Reading[] {
  const { made } = outcome;
  const found: Reading[] = [];
  const unsaid = outcome.obstacles.some(({ kind }) => kind === 'no-amount');
  if (made === null || unsaid) {
    if (stated !== null) found.push({ count: stated, cost: COSTS.unread, blame: null });
    else found.push({ count: null, cost: COSTS.unreadUnstated, blame: null });
  } else if (outcome.misfits.length > 0) {
    if (stated === null || stated === made)
      found.push({ count: made, cost: stated === null ? COSTS.misfitKeepsMade : COSTS.misfit, blame: 'instruction' });
    else {
      found.push({ count: stated, cost: COSTS.misfit, blame: 'instruction' });
      found.push({ count: made, cost: COSTS.misfitAndStated, blame: 'both' });
    }
  } else if (stated === null || stated === made) {
    found.push({ count: made, cost: 0, blame: null });
  } else {
    found.push({ count: made, cost: COSTS.statedSlip, blame: 'stated' });
    found.push({ count: stated, cost: COSTS.instructionSlip, blame: 'instruction' });
  }
  // Where a round gives no figure at all, nothing is guessed from the next one.
  if (wanted !== null && found.every(({ count }) => count !== wanted && count !== null)) {
    found.push({
      count: wanted,
      cost: outcome.misfits.length > 0 ? COSTS.neitherOfMisfit : COSTS.neitherFigure,
      blame: 'both',
    });
  }
  return found;
}
