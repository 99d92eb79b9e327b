import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Outcome } from '../counting/outcome.js';
import type { Instruction, Round } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import type { Gist } from '../reading/gist/gist.js';
import { SENSES, type Sense } from '../reading/hand.js';
import { COSTS, Habits } from './habits.js';

/** All ways to take the words of an instruction, when some of them mean what is given. */
export type Gists = (span: Span, senses: ReadonlyMap<string, Sense>) => readonly Gist[];

/** What was worked out of a hand: its words, and how the rounds are to be taken that could not be read otherwise. */
export interface Evidence {
  readonly words: ReadonlyMap<string, Sense>;
  readonly readings: ReadonlyMap<Round, Instruction>;
}

/** One way to take a round. `instruction` is null for what the forms have read. */
interface Candidate {
  readonly instruction: Instruction | null;
  /** What it departs in, as `symbol: way`; see `Habits`. */
  readonly reasons: readonly string[];
  /** Words passed over that stand in no other round. */
  readonly passed: number;
  readonly senses: ReadonlyMap<string, Sense>;
  readonly on: (edge: number | null) => Outcome;
}

interface Doubt {
  readonly counted: CountedRound;
  readonly candidates: readonly Candidate[];
}

interface Node {
  readonly cost: number;
  readonly candidate: Candidate;
  readonly count: number | null;
  readonly before: Node | null;
}

/** A word is worked out where it stands in so many rounds. */
const FEWEST = 2;
const MOST_WORDS = 16;
const MOST_CANDIDATES = 240;
const MOST_COUNTS = 6;
const PASSES = 3;

/**
 * Works out what a hand means where the forms have not understood it. For each round that does not come out all ways to take
 * its words are worked, and the cheapest way through all rounds is sought: a slip of the pen has its cost, and so has every
 * way to take words that other rounds don't bear out. What the rounds come out by is a habit, and cheaper the next time.
 */
export function evidenceOf({ pattern, rounds }: CountedPattern, gists: Gists): Evidence {
  const frequent = wordsOften(rounds, gists);
  const doubts = rounds.map((counted) => ({ counted, candidates: candidatesOf(counted, gists, frequent) }));
  let habits = new Habits([]);
  let taken: readonly Candidate[] = [];
  for (let pass = 0; pass < PASSES; pass += 1) {
    taken = pattern.parts.flatMap((part) =>
      cheapest(
        doubts.filter(({ counted }) => counted.part === part),
        rounds,
        habits,
      ),
    );
    habits = new Habits(taken.map(({ reasons }) => reasons));
  }
  const readings = new Map<Round, Instruction>();
  rounds.forEach(({ round }, i) => {
    const instruction = taken[i]?.instruction;
    if (instruction) readings.set(round, { ...instruction, stated: round.stated ?? instruction.stated });
  });
  return { words: wordsOf(habits, frequent), readings };
}

function isSettled({ verdict }: CountedRound): boolean {
  return verdict === 'agrees' || verdict === 'on-trust';
}

function wordsOf(habits: Habits, frequent: ReadonlySet<string>): Map<string, Sense> {
  const words = new Map<string, Sense>();
  for (const word of frequent) {
    const way = habits.usual(word);
    const sense = SENSES.find((one) => one === way);
    if (sense && sense !== 'nothing') words.set(word, sense);
  }
  return words;
}

/** The words without a meaning that stand in several rounds: only those can be worked out. */
function wordsOften(rounds: readonly CountedRound[], gists: Gists): ReadonlySet<string> {
  const often = new Map<string, number>();
  for (const counted of rounds) {
    if (isSettled(counted)) continue;
    const words = new Set(gists(bodyOf(counted.round), NOTHING_KNOWN).flatMap((gist) => gist.words));
    for (const word of words) often.set(word, (often.get(word) ?? 0) + 1);
  }
  const frequent = [...often].filter(([, count]) => count >= FEWEST).sort(([, a], [, b]) => b - a);
  return new Set(frequent.slice(0, MOST_WORDS).map(([word]) => word));
}

const NOTHING_KNOWN: ReadonlyMap<string, Sense> = new Map();

function bodyOf(round: Round): Span {
  return { from: round.bodyFrom, to: round.span.to };
}

function candidatesOf(counted: CountedRound, gists: Gists, frequent: ReadonlySet<string>): Candidate[] {
  const { round } = counted;
  const read: Candidate = {
    instruction: null,
    reasons: [],
    passed: 0,
    senses: NOTHING_KNOWN,
    on: (edge) => (edge === null ? counted.outcome : counted.instead(round, edge)),
  };
  // A bracket that does not close is a slip to be told, and not to be read over.
  const opened = round.brackets.length > 0 && round.unread.length === 0;
  if (isSettled(counted) || round.reference || opened) return [read];
  const body = bodyOf(round);
  const words = new Set(gists(body, NOTHING_KNOWN).flatMap((gist) => gist.words));
  const candidates = [read];
  for (const senses of assignments([...words].filter((word) => frequent.has(word)))) {
    for (const gist of gists(body, senses)) {
      const stated = gist.instruction.stated;
      if (round.stated && stated && round.stated.total !== stated.total) continue;
      const instruction = { ...gist.instruction, stated: round.stated ?? stated };
      candidates.push({
        instruction,
        reasons: [
          ...[...senses].map(([word, sense]) => `${word}: ${sense}`),
          ...gist.words.filter((word) => frequent.has(word)).map((word) => `${word}: nothing`),
          ...gist.chosen,
        ],
        passed: gist.words.filter((word) => !frequent.has(word)).length,
        senses,
        on: (edge) => counted.instead(instruction, edge ?? undefined),
      });
      if (candidates.length >= MOST_CANDIDATES) return candidates;
    }
  }
  return candidates;
}

/** What some words may mean: none of them anything, one of them something, two of them. */
function* assignments(words: readonly string[]): Iterable<ReadonlyMap<string, Sense>> {
  yield NOTHING_KNOWN;
  const meanings = SENSES.filter((sense) => sense !== 'nothing');
  for (const word of words) for (const sense of meanings) yield new Map([[word, sense]]);
  const pairs = words.flatMap((one, i) => words.slice(i + 1).map((other) => [one, other] as const));
  const both = meanings.flatMap((first) => meanings.map((second) => [first, second] as const));
  for (const [one, other] of pairs)
    for (const [first, second] of both)
      yield new Map([
        [one, first],
        [other, second],
      ]);
}

/** The cheapest way through the rounds of a part. */
function cheapest(doubts: readonly Doubt[], rounds: readonly CountedRound[], habits: Habits): Candidate[] {
  let states = new Map<number | null, Node>();
  for (const { counted, candidates } of doubts) {
    const index = rounds.indexOf(counted);
    const next = new Map<number | null, Node>();
    const befores = states.size > 0 ? [...states.entries()] : ([[null, null]] as const);
    const keep = (node: Node) => {
      const known = next.get(node.count);
      if (!known || node.cost < known.cost) next.set(node.count, node);
    };
    for (const candidate of candidates) {
      const own = habits.costOf(candidate.reasons, index);
      for (const [edge, before] of befores) {
        const found = readings(candidate, candidate.on(edge), statedIn(counted, candidate));
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

/** The counts that may stand after a round, with what each costs. */
function readings(
  { instruction, passed }: Candidate,
  outcome: Outcome,
  stated: number | null,
): { count: number | null; cost: number }[] {
  const { made, misfits } = outcome;
  if (made === null) return [{ count: stated, cost: COSTS.unread }];
  const taken = instruction === null ? 0 : COSTS.gist;
  const fits = misfits.length === 0 && (outcome.starts || outcome.edge !== null);
  const proved = fits && stated === made;
  const base = taken + passed * (proved ? COSTS.passedProved : COSTS.passed);
  if (misfits.length === 0 && (stated === null || stated === made)) return [{ count: made, cost: base }];
  const found = [{ count: made, cost: base + COSTS.slip }];
  if (stated !== null && stated !== made) found.push({ count: stated, cost: base + COSTS.slip });
  return found;
}
