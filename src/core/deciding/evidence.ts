import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Outcome } from '../counting/outcome.js';
import type { Instruction, Round } from '../pattern/pattern.js';
import { TOLD_BY_SUMS, type Sense } from '../vocabulary/senses.js';
import type { Gists } from '../reading/read.js';
import { Candidates, fits, isSettled, type Candidate } from './candidates.js';
import { COSTS, Habits, type Reason } from './habits.js';

/** What was worked out of a hand: its words, and how the rounds are to be taken that could not be read otherwise. */
export interface Evidence {
  readonly words: ReadonlyMap<string, Sense>;
  readonly readings: ReadonlyMap<Round, Instruction>;
}

interface Doubt {
  readonly counted: CountedRound;
  /** Its place among all rounds. */
  readonly index: number;
  readonly candidates: readonly Candidate[];
}

interface Node {
  readonly cost: number;
  readonly candidate: Candidate;
  readonly count: number | null;
  readonly before: Node | null;
}

/** What is taken otherwise than the forms have read it. */
const DEPARTS: Reason = { what: 'read', ways: ['by its gist'], usual: false };
/** A text of more rounds is a collection, and read by the forms alone. */
const MOST_ROUNDS = 400;
const MOST_COUNTS = 4;
const PASSES = 3;

/**
 * Works out what a hand means where the forms have not understood it. For each round that does not come out all ways to take
 * its words are worked, and the cheapest way through all rounds is sought: a slip of the pen has its cost, and so has every
 * way to take words that other rounds don't bear out. What the rounds come out by is a habit, and cheaper the next time.
 */
export function evidenceOf({ pattern, rounds }: CountedPattern, gists: Gists): Evidence {
  if (rounds.every(isSettled) || rounds.length > MOST_ROUNDS) return { words: new Map(), readings: new Map() };
  const candidates = new Candidates(pattern.source.text, rounds, gists);
  const { frequent } = candidates;
  const doubts = rounds.map((counted, index) => ({ counted, index, candidates: candidates.of(counted) }));
  const byPart = pattern.parts.map((part) => doubts.filter(({ counted }) => counted.part === part));
  let habits = new Habits([]);
  let taken: readonly Candidate[] = [];
  let before: readonly (readonly Reason[])[] = [];
  for (let pass = 0; pass < PASSES; pass += 1) {
    taken = byPart.flatMap((some) => wayThrough(some, habits));
    const now = taken.map(reasonsOf);
    // Two pairs of rounds that bear each other out would take turns: what one meant in the pass before still speaks for the other.
    habits = new Habits(now.map((reasons, i) => (reasons.length > 0 ? reasons : (before[i] ?? reasons))));
    before = now;
  }
  const readings = new Map<Round, Instruction>();
  rounds.forEach(({ round }, i) => {
    const { instruction, departs } = taken[i] ?? {};
    if (!instruction) return;
    const choices = instruction.taken && departs ? { taken: [DEPARTS, ...instruction.taken] } : {};
    readings.set(round, { ...instruction, ...choices, stated: round.stated ?? instruction.stated });
  });
  return { words: wordsOf(habits, frequent), readings };
}

/** What a round has been taken to mean, and that it was taken so. */
function reasonsOf({ reasons, departs, instruction }: Candidate): readonly Reason[] {
  return departs && instruction ? [DEPARTS, ...reasons] : reasons;
}

function wordsOf(habits: Habits, frequent: ReadonlySet<string>): Map<string, Sense> {
  const words = new Map<string, Sense>();
  for (const word of frequent) {
    const way = habits.usual(`"${word}"`);
    const sense = TOLD_BY_SUMS.find((one) => one === way);
    if (sense) words.set(word, sense);
  }
  return words;
}

/** How the rounds of a part are taken. Of most parts there is one way to take each round, and none to choose. */
function wayThrough(doubts: readonly Doubt[], habits: Habits): readonly Candidate[] {
  const one = doubts.every(({ candidates }) => candidates.length === 1);
  return one ? doubts.flatMap(({ candidates }) => candidates) : cheapest(doubts, habits);
}

/** The cheapest way through the rounds of a part. */
function cheapest(doubts: readonly Doubt[], habits: Habits): Candidate[] {
  let states = new Map<number | null, Node>();
  for (const { counted, index, candidates } of doubts) {
    const next = new Map<number | null, Node>();
    const befores = states.size > 0 ? [...states.entries()] : ([[null, null]] as const);
    const keep = (node: Node) => {
      const known = next.get(node.count);
      if (!known || node.cost < known.cost) next.set(node.count, node);
    };
    const isDeparture = ({ departs, instruction }: Candidate) => departs && instruction !== null;
    const usual = new Set(candidates.filter((one) => isDeparture(one) && habits.bearsOut(one.reasons, index)));
    // Where other lines show this hand to mean it otherwise, what the forms have read is what departs.
    const asRead = usual.size > 0 ? COSTS.unknown : 0;
    for (const candidate of candidates) {
      const own = habits.costOf(candidate.reasons, index);
      const departure = !isDeparture(candidate)
        ? asRead
        : usual.has(candidate)
          ? COSTS.usual
          : habits.costOf([DEPARTS], index);
      for (const [edge, before] of befores) {
        const found = readings(candidate, candidate.on(edge), statedIn(counted, candidate), departure);
        for (const { count, cost } of found) keep({ cost: (before?.cost ?? 0) + own + cost, candidate, count, before });
      }
    }
    states = new Map([...next].sort(([, a], [, b]) => a.cost - b.cost).slice(0, MOST_COUNTS));
  }
  let node: Node | null = null;
  for (const state of states.values()) if (!node || state.cost < node.cost) node = state;
  const path: Candidate[] = [];
  for (; node; node = node.before) path.push(node.candidate);
  return path.reverse();
}

function statedIn({ round }: CountedRound, { instruction }: Candidate): number | null {
  return round.stated?.total ?? instruction?.stated?.total ?? null;
}

interface Counted {
  readonly count: number | null;
  readonly cost: number;
}

/** The counts that may stand after a round, with what each costs. */
function readings(candidate: Candidate, outcome: Outcome, stated: number | null, departure: number): Counted[] {
  const { instruction, passed, talks } = candidate;
  const { made, misfits, obstacles } = outcome;
  if (made === null) return [{ count: stated, cost: withoutFigure(candidate, outcome, departure) }];
  const contradicts = stated !== null && stated !== made;
  const taken = instruction === null ? (talks ? COSTS.talk : 0) : COSTS.gist;
  const proved = fits(outcome) && stated === made;
  const base = taken + departure + passed * (proved ? COSTS.passedProved : COSTS.passed);
  // A repeat that nobody says the times of is a slip too, if it comes out when it is done as often as fits.
  const untold = obstacles.some(({ kind }) => kind === 'no-amount');
  if (misfits.length === 0 && !contradicts) return [{ count: made, cost: untold ? base + COSTS.slip : base }];
  // What neither uses its edge nor makes its count has two faults, whichever figure is carried on.
  const slips = misfits.length > 0 && contradicts ? COSTS.slip + COSTS.second : COSTS.slip;
  const found = [{ count: made, cost: base + slips }];
  if (contradicts) found.push({ count: stated, cost: base + slips });
  return found;
}

/** What a round costs of which it is not known how much it makes. */
function withoutFigure({ instruction, passed }: Candidate, outcome: Outcome, departure: number): number {
  const { edge, into, misfits, obstacles } = outcome;
  if (instruction === null) return COSTS.unread;
  // "five petals, each in one stitch", on five: it fits, though how many that makes is not told.
  if (into !== null && into === edge && misfits.length === 0)
    return COSTS.gist + departure + passed * COSTS.passedProved;
  // Words that are understood and don't come to a figure on an edge that is known are not understood rightly.
  const lost = edge !== null || obstacles.some(({ kind }) => kind === 'reference');
  return lost ? COSTS.alone + COSTS.second : COSTS.trust;
}
