import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Outcome } from '../counting/outcome.js';
import type { Instruction, Round, RoundReference } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import type { Gist } from '../reading/gist/gist.js';
import { SENSES, type Sense } from '../reading/hand.js';
import { cardinal } from '../vocabulary/numbers.js';
import { COSTS, Habits, type Reason } from './habits.js';

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
  /** What it rests on; see `Habits`. */
  readonly reasons: readonly Reason[];
  /** Words passed over that stand in no other round. */
  readonly passed: number;
  /** The forms have read all words of the round: to take it otherwise needs others that bear that out. */
  readonly departs: boolean;
  /** Some of its words were taken for talk. */
  readonly talks: boolean;
  readonly senses: ReadonlyMap<string, Sense>;
  readonly on: (edge: number | null) => Outcome;
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
/** A word is worked out where it stands in so many rounds. */
const FEWEST = 2;
const MOST_WORDS = 16;
/** A text of more rounds is a collection, and read by the forms alone. */
const MOST_ROUNDS = 400;
const MOST_CANDIDATES = 160;
const MOST_WORK = 600_000;
/** What working one candidate costs besides the letters it has, in the same unit. */
const WORK_OF_ONE = 60;
const MOST_COUNTS = 6;
const PASSES = 3;

/**
 * Works out what a hand means where the forms have not understood it. For each round that does not come out all ways to take
 * its words are worked, and the cheapest way through all rounds is sought: a slip of the pen has its cost, and so has every
 * way to take words that other rounds don't bear out. What the rounds come out by is a habit, and cheaper the next time.
 */
export function evidenceOf({ pattern, rounds }: CountedPattern, gists: Gists): Evidence {
  const doubtful = rounds.filter((counted) => !isSettled(counted)).length;
  if (doubtful === 0 || rounds.length > MOST_ROUNDS) return { words: new Map(), readings: new Map() };
  const budget = new Budget();
  const frequent = wordsOften(pattern.source.text, rounds, gists);
  const doubts = rounds.map((counted, index) => ({
    counted,
    index,
    candidates: candidatesOf(counted, { text: pattern.source.text, rounds, gists, frequent, budget }),
  }));
  const byPart = pattern.parts.map((part) => doubts.filter(({ counted }) => counted.part === part));
  let habits = new Habits([]);
  let taken: readonly Candidate[] = [];
  for (let pass = 0; pass < PASSES; pass += 1) {
    taken = byPart.flatMap((some) => cheapest(some, habits));
    habits = new Habits(
      taken.map(({ reasons, departs, instruction }) => (departs && instruction ? [DEPARTS, ...reasons] : reasons)),
    );
  }
  const readings = new Map<Round, Instruction>();
  rounds.forEach(({ round }, i) => {
    const instruction = taken[i]?.instruction;
    if (instruction) readings.set(round, { ...instruction, stated: round.stated ?? instruction.stated });
  });
  return { words: wordsOf(habits, frequent), readings };
}

/** What may be spent on one text, in steps looked at; it keeps the work in bounds, whatever the text. */
class Budget {
  #left = MOST_WORK;

  /** Whether so much is still to be had; it is spent then. */
  spend(work: number): boolean {
    if (this.#left < work) return false;
    this.#left -= work;
    return true;
  }
}

/** The outcome of a candidate on each edge, worked once. */
function remembered(work: (edge: number | null) => Outcome): (edge: number | null) => Outcome {
  const known = new Map<number | null, Outcome>();
  return (edge) => {
    const found = known.get(edge) ?? work(edge);
    known.set(edge, found);
    return found;
  };
}

function isSettled({ verdict }: CountedRound): boolean {
  return verdict === 'agrees' || verdict === 'on-trust';
}

function wordsOf(habits: Habits, frequent: ReadonlySet<string>): Map<string, Sense> {
  const words = new Map<string, Sense>();
  for (const word of frequent) {
    const way = habits.usual(`"${word}"`);
    const sense = SENSES.find((one) => one === way);
    if (sense && sense !== 'nothing') words.set(word, sense);
  }
  return words;
}

/** The words without a meaning that stand in several rounds: only those can be worked out. */
function wordsOften(text: string, rounds: readonly CountedRound[], gists: Gists): ReadonlySet<string> {
  const often = new Map<string, number>();
  for (const counted of rounds) {
    const words = new Set([...(isSettled(counted) ? [] : passedIn(counted, gists)), ...otherwiseIn(text, counted)]);
    for (const word of words) often.set(word, (often.get(word) ?? 0) + 1);
  }
  const frequent = [...often].filter(([, count]) => count >= FEWEST).sort(([, a], [, b]) => b - a);
  return new Set(frequent.slice(0, MOST_WORDS).map(([word]) => word));
}

const NOTHING_KNOWN: ReadonlyMap<string, Sense> = new Map();

function passedIn(counted: CountedRound, gists: Gists): string[] {
  return gists(bodyOf(counted.round), NOTHING_KNOWN).flatMap((gist) => gist.words);
}

/** Words of language that some hands call a shaping by: "join every 3rd and 4th", "double every 2nd". */
const OTHERWISE = /(?<!\p{L})(?:join|double|close|pair|split|marry|drop)(?!\p{L})/giu;

function otherwiseIn(text: string, { round }: CountedRound): string[] {
  return text.slice(round.bodyFrom, round.span.to).toLowerCase().match(OTHERWISE) ?? [];
}

function bodyOf(round: Round): Span {
  return { from: round.bodyFrom, to: round.span.to };
}

interface Given {
  readonly text: string;
  readonly rounds: readonly CountedRound[];
  readonly gists: Gists;
  readonly frequent: ReadonlySet<string>;
  readonly budget: Budget;
}

function candidatesOf(counted: CountedRound, { text, rounds, gists, frequent, budget }: Given): Candidate[] {
  const { round } = counted;
  const read: Candidate = {
    instruction: null,
    reasons: [],
    passed: 0,
    departs: round.unread.length === 0,
    talks: round.remarks.length > 0,
    senses: NOTHING_KNOWN,
    on: remembered((edge) => (edge === null ? counted.outcome : counted.instead(round, edge))),
  };
  // A bracket that does not close is a slip to be told, and not to be read over.
  const opened = round.brackets.length > 0 && round.unread.length === 0;
  if (isSettled(counted) || round.reference || opened) return [read];
  const body = bodyOf(round);
  const words = new Set([...passedIn(counted, gists), ...otherwiseIn(text, counted)]);
  const candidates = [read];
  const without = withoutTalk(text, counted);
  if (without)
    candidates.push({
      ...read,
      instruction: without.instruction,
      passed: without.words,
      on: remembered((edge) => counted.instead(without.instruction, edge ?? undefined)),
    });
  for (const senses of assignments([...words].filter((word) => frequent.has(word)))) {
    for (const gist of gists(body, senses)) {
      if (!budget.spend(body.to - body.from + WORK_OF_ONE)) return candidates;
      const stated = gist.instruction.stated;
      if (round.stated && stated && round.stated.total !== stated.total) continue;
      const instruction = {
        ...gist.instruction,
        reference: resolved(gist.instruction.reference, counted, rounds),
        stated: round.stated ?? stated,
      };
      candidates.push({
        instruction,
        reasons: [
          ...[...senses].map(([word, sense]) => senseOf(word, sense)),
          ...gist.words.filter((word) => frequent.has(word)).map((word) => senseOf(word, 'nothing')),
          ...gist.chosen,
        ],
        passed: gist.words.filter((word) => !frequent.has(word)).length,
        departs: read.departs,
        talks: false,
        senses,
        on: remembered((edge) => counted.instead(instruction, edge ?? undefined)),
      });
      if (candidates.length >= MOST_CANDIDATES) return candidates;
    }
  }
  return candidates;
}

function senseOf(word: string, sense: Sense): Reason {
  return { what: `"${word}"`, ways: [sense], usual: sense === 'nothing', word: true };
}

/** The round without the words that were not understood, where none of them can bear on its count. */
function withoutTalk(text: string, { round }: CountedRound): { instruction: Instruction; words: number } | null {
  const { unread, steps, reference, stated, statedRounds, brackets, foreign, remarks } = round;
  if (unread.length === 0 || steps.length === 0) return null;
  const words = unread.flatMap(
    ({ span }) =>
      text
        .slice(span.from, span.to)
        .toLowerCase()
        .match(/[\p{L}\d]+/gu) ?? [],
  );
  if (words.some((word) => /^\d/.test(word) || cardinal(word) !== null || NEEDED.test(word))) return null;
  const talk = [...remarks, ...unread.map(({ span }) => span)];
  return {
    instruction: { unread: [], steps, reference, stated, statedRounds, brackets, foreign, remarks: talk },
    words: unread.length,
  };
}

/** Words that an instruction never holds for nothing. */
const NEEDED =
  /^(?:sts?|stitch(?:es)?|each|every|all|around|round|repeat|rep|times|twice|inc|dec|loops?|together|same|next|last|turn|skip|miss)$/;

/** "The last two rounds" by their numbers; of the piece at hand, or of one that is named. */
function resolved(
  reference: RoundReference | null,
  { round, stretch }: CountedRound,
  rounds: readonly CountedRound[],
): RoundReference | null {
  if (reference?.last === undefined) return reference;
  const stem = reference.part?.split(' ').at(-1)?.replace(/s$/, '');
  const all =
    stem === undefined
      ? stretch.rounds.slice(0, stretch.rounds.indexOf(round))
      : rounds.filter(({ part }) => part.name.toLowerCase().includes(stem)).map((counted) => counted.round);
  return { ...reference, rounds: all.flatMap(({ numbers }) => numbers).slice(-reference.last) };
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
function cheapest(doubts: readonly Doubt[], habits: Habits): Candidate[] {
  let states = new Map<number | null, Node>();
  for (const { counted, index, candidates } of doubts) {
    const next = new Map<number | null, Node>();
    const befores = states.size > 0 ? [...states.entries()] : ([[null, null]] as const);
    const keep = (node: Node) => {
      const known = next.get(node.count);
      if (!known || node.cost < known.cost) next.set(node.count, node);
    };
    for (const candidate of candidates) {
      const own = habits.costOf(candidate.reasons, index);
      const departure = candidate.departs && candidate.instruction ? habits.costOf([DEPARTS], index) : 0;
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

/** The counts that may stand after a round, with what each costs. */
function readings(
  { instruction, passed, talks }: Candidate,
  outcome: Outcome,
  stated: number | null,
  departure: number,
): { count: number | null; cost: number }[] {
  const { made, misfits } = outcome;
  if (made === null) return [{ count: stated, cost: COSTS.unread }];
  const taken = instruction === null ? (talks ? COSTS.talk : 0) : COSTS.gist;
  const fits = misfits.length === 0 && (outcome.starts || outcome.edge !== null);
  const proved = fits && stated === made;
  const base = taken + passed * (proved ? COSTS.passedProved : COSTS.passed);
  if (misfits.length === 0 && (stated === null || stated === made)) return [{ count: made, cost: base + departure }];
  // What neither uses its edge nor makes its count has two faults, whichever figure is carried on.
  const slips = misfits.length > 0 && stated !== null && stated !== made ? COSTS.slip + COSTS.second : COSTS.slip;
  const found = [{ count: made, cost: base + slips }];
  if (stated !== null && stated !== made) found.push({ count: stated, cost: base + slips });
  return found;
}
