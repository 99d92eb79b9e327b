import type { Chain, Step } from '../pattern/instruction.js';
import type { Loops } from '../vocabulary/stitches.js';
import type { Instruction, Part, Pattern, Round, Stretch } from '../pattern/pattern.js';
import type { CountedPattern, CountedRound, Verdict } from './counted.js';
import { evaluate, foundationIn } from './evaluate.js';
import { impliedRepeats } from './implied.js';
import type { Ground, Obstacle, Outcome } from './outcome.js';
import { mostPlausible, type Link } from './plausible.js';
import { pieceCalled, referred, type Known, type Settled } from './references.js';
import { fixedSize, isFabric } from './tally.js';

/** Counts every round of a pattern on the most plausible edge, and gives each its verdict. */
export function countPattern(pattern: Pattern): CountedPattern {
  const rounds: CountedRound[] = [];
  const implied = impliedRepeats(pattern.parts, pattern.source.text);
  const earlier: Earlier = { counted: [], lastEdges: new Map(), pieces: new Map(), settled: new Map() };
  for (const part of pattern.parts) {
    const counted = countPart(pattern, part, earlier, implied);
    rounds.push(...counted);
    earlier.counted.push(counted);
    const name = part.name.toLowerCase();
    earlier.pieces.set(
      name,
      part.stretches.flatMap(({ rounds }) => rounds.map((round) => withSteps(round, implied.get(round)))),
    );
    earlier.lastEdges.set(name, counted.at(-1)?.carried ?? null);
  }
  return { pattern, rounds };
}

/** What is known of the parts that came before, by name in lower case. */
interface Earlier {
  readonly counted: (readonly CountedRound[])[];
  readonly lastEdges: Map<string, number | null>;
  readonly pieces: Map<string, readonly Round[]>;
  readonly settled: Settled;
}

/** Gives the steps around a piece ("sc around the second leg") the number of stitches that the piece offers. */
function withSources(round: Round, lastEdges: ReadonlyMap<string, number | null>): Round {
  if (!round.steps.some(namesPiece)) return round;
  const settle = (step: Step): Step => {
    // Chains between the pieces are a part of the edge, and are worked in this very round.
    if (step.kind === 'chain') return { ...step, counts: false };
    if (step.kind !== 'work' || step.source === undefined || step.amount.kind !== 'fill') return step;
    const length = pieceCalled(step.source, lastEdges) ?? null;
    return length === null ? step : { ...step, amount: { kind: 'times', times: length - step.amount.leave } };
  };
  return { ...round, steps: round.steps.map(settle) };
}

function countPart(
  pattern: Pattern,
  part: Part,
  earlier: Earlier,
  implied: ReadonlyMap<Round, readonly Step[]>,
): CountedRound[] {
  const counted: CountedRound[] = [];
  const rule = new Map(pattern.chainRule);
  const chainCounts = (length: number) => rule.get(length) ?? rule.get(0) ?? null;
  for (const stretch of part.stretches) {
    const inStretch: CountedRound[] = [];
    for (const { steps } of stretch.rounds) rememberChains(steps, rule);
    const asWritten = new Map(
      stretch.rounds.map((round, i) => {
        const own = withSteps(round, implied.get(round));
        return [withSources(leavesRound(own, stretch.rounds[i - 1]), earlier.lastEdges), round];
      }),
    );
    for (const run of runsOf([...asWritten.keys()])) {
      const first = run[0];
      if (!first) continue;
      const ground = groundOf(first, { stretch, inStretch, before: counted, earlier: earlier.counted });
      const links = run.map((_, i) => linkOf(run, i, i === 0 ? ground : null, chainCounts, earlier));
      const edge = ground.kind === 'edge' ? ground.length : null;
      mostPlausible(links, edge).forEach(({ edge: into, outcome, blame, carried }, i) => {
        const round = run[i];
        const link = links[i];
        if (!round || !link) return;
        inStretch.push({
          round: asWritten.get(round) ?? round,
          part,
          stretch,
          outcome,
          verdict: verdictOf(round, outcome, blame !== null),
          blame,
          carried,
          trace: () => link.trace(into),
          instead: (instruction, edge) => link.instead(instruction, edge ?? into),
          on: link.on,
          along: link.along,
        });
      });
    }
    counted.push(...inStretch);
  }
  return counted;
}

/** "Row 3: sc 6, ch 1, turn" on a round of 12: the first row that is turned leaves the rest of the round. */
function leavesRound(round: Round, before: Round | undefined): Round {
  if (round.kind !== 'row' || before?.kind !== 'round' || !before.labelled) return round;
  if (round.steps.some(({ kind }) => kind === 'flat')) return round;
  const turn = round.steps.find(({ kind }) => kind === 'turn');
  return turn ? { ...round, steps: [...round.steps, { kind: 'leave', count: null, span: turn.span }] } : round;
}

function withSteps(round: Round, steps: readonly Step[] | undefined): Round {
  return steps ? { ...round, steps } : round;
}

/** "Ch 3 (counts as dc)" said once in a round holds for the chains of that length after it. */
function rememberChains(steps: readonly Step[], rule: Map<number, boolean>): void {
  for (const step of steps)
    if (step.kind === 'chain' && step.counts !== null && !rule.has(step.count)) rule.set(step.count, step.counts);
}

/** Rounds that are each worked into the one before; a new run begins where a round brings its own ground. */
function runsOf(rounds: readonly Round[]): Round[][] {
  const runs: Round[][] = [];
  for (const round of rounds) {
    const last = runs.at(-1);
    const before = last?.at(-1);
    if (!last || bringsGround(round) || (before && chainAlone(before))) runs.push([round]);
    else last.push(round);
  }
  return runs;
}

function bringsGround(round: Round): boolean {
  return (
    startsInRing(round.steps) ||
    joinsPieces(round.steps) ||
    round.steps.some((step) => step.kind === 'free-loops') ||
    foundationIn(round.steps) !== null
  );
}

/** "9 sc on fin 2, 9 sc on fin 1", "sc 6, ch 2, sc 6 on the left leg, sc 2 on ch": one edge of several pieces. */
function joinsPieces(steps: readonly Step[]): boolean {
  if (!steps.some(namesPiece)) return false;
  const pieces = steps.filter(namesPiece).length;
  return pieces > 1 || (pieces === 1 && steps.some(({ kind }) => kind === 'chain'));
}

function startsInRing(steps: readonly Step[]): boolean {
  return steps.some(
    (step) =>
      step.kind === 'ring' ||
      ((step.kind === 'work' || step.kind === 'group') && step.place.kind === 'ring') ||
      (step.kind === 'repeat' && startsInRing(step.body)),
  );
}

/** What a round stands among: those before it in its stretch and its part, and the parts before. */
interface Among {
  readonly stretch: Stretch;
  readonly inStretch: readonly CountedRound[];
  readonly before: readonly CountedRound[];
  readonly earlier: readonly (readonly CountedRound[])[];
}

/** What a round is worked on: as its own words say, else the round below it, else what its stretch or its part begins on. */
function groundOf(round: Round, among: Among): Ground {
  const own = ownGround(round, among);
  if (own) return own;
  const last = among.inStretch.at(-1);
  if (last) return groundAbove(last, round);
  const { stretch } = among;
  if (stretch.start) {
    const k = foundationFrom(round) ?? stretch.start.firstFromHook;
    return { kind: 'chains', chains: stretch.start.chains, ring: stretch.start.ring, k };
  }
  if (stretch.into) return { kind: 'edge', length: loopsOffered(stretch.into, among) };
  const partBefore = among.before.at(-1);
  if (partBefore) return { kind: 'edge', length: shareOf(partBefore, round, stretch.divided) };
  // "BODY, Rnd 15" after "HEAD, Rnd 14": the piece goes on.
  const other = among.earlier.at(-1)?.at(-1);
  if (other && round.from > 1 && other.round.to + 1 === round.from)
    return { kind: 'edge', length: shareOf(other, round, stretch.divided) };
  // The first words of a part that name no ring and no chain: plain amounts are taken for a start.
  return fixedSize(round.steps) && round.from <= 1 ? { kind: 'start' } : { kind: 'edge', length: null };
}

/** The ground that the round's own words name: a ring, a chain, pieces joined, loops left free. */
function ownGround(round: Round, { inStretch, before, earlier }: Among): Ground | null {
  if (startsInRing(round.steps)) return { kind: 'start' };
  const own = foundationIn(round.steps);
  const longer = own && extended(own, round, inStretch.at(-1));
  if (longer) return { kind: 'edge', length: longer };
  if (own) return { kind: 'chains', chains: own.chain.count, ring: own.ring, k: own.k };
  const joined = joinedEdge(round);
  if (joined !== null) return { kind: 'edge', length: joined };
  const free = round.steps.find((step) => step.kind === 'free-loops');
  if (!free) return null;
  const rounds = free.part === undefined ? [...before, ...inStretch] : roundsOfPiece(free.part, earlier);
  return { kind: 'edge', length: freeLoopCount(rounds, free.round, free.loops) };
}

/** The round below in the same stretch, or the chain that it lays. */
function groundAbove(last: CountedRound, round: Round): Ground {
  const laid = chainAlone(last.round);
  if (!laid) return { kind: 'edge', length: last.carried };
  const ring = last.round.steps.some(({ kind }) => kind === 'join');
  return { kind: 'chains', chains: laid.count, ring, k: foundationFrom(round) };
}

/** A collar goes into this part, or else into the last one that left such loops, or the one before. */
function loopsOffered(into: NonNullable<Stretch['into']>, { before, earlier }: Among): number | null {
  const near = earlier.slice(-NEAR_PARTS);
  const rounds =
    before.length > 0
      ? before
      : (near.findLast((some) => leavesLoops(some, into.round, into.loops)) ??
        near.findLast((some) => roundNumbered(some, into.round) !== undefined) ??
        []);
  return freeLoopCount(rounds, into.round, into.loops) ?? into.count ?? null;
}

/**
 * "Row 4: ch 5, sc in 2nd ch from hook, sc 3, sc 8, turn": a chain that makes an edge longer. Null where the row is worked
 * along its chain alone.
 */
function extended(
  { chain, k, ring }: { chain: Chain; k: number | null; ring: boolean },
  round: Round,
  before: CountedRound | undefined,
): number | null {
  const along = chain.count - (k ?? 2) + 1;
  const uses = fixedSize(round.steps)?.into ?? 0;
  const below = before?.carried ?? null;
  return !ring && round.labelled && below !== null && uses > along && uses <= along + below ? along + below : null;
}

/** The rounds of the piece before this one that a text calls so. */
function roundsOfPiece(called: string, earlier: readonly (readonly CountedRound[])[]): readonly CountedRound[] {
  const pieces = new Map(earlier.map((rounds) => [rounds[0]?.part.name.toLowerCase() ?? '', rounds]));
  return pieceCalled(called, pieces) ?? [];
}

/** A collar goes into one of the parts that stand not too far above it. */
const NEAR_PARTS = 40;

/** The chain that a line of its own lays: "Row 1: Ch 13." */
function chainAlone({ steps }: Round): Chain | null {
  const chain = steps.find((step) => step.kind === 'chain');
  return chain && steps.every(({ kind }) => kind === 'chain' || kind === 'join' || kind === 'colour' || kind === 'turn')
    ? chain
    : null;
}

/** Which chain from the hook a round is worked into first; null where it doesn't say. */
function foundationFrom({ steps }: Round): number | null {
  for (const step of steps) {
    if (step.kind === 'first-chain') return step.k;
    if (step.kind === 'work' && step.place.kind === 'chain-from-hook') return step.place.k;
  }
  return null;
}

/** The stitches that a piece in rows takes of a round, or one of two legs: "Row 1: sc 4, turn" on a round of 20. */
function shareOf({ round: below, carried }: CountedRound, first: Round, divided: boolean): number | null {
  if (carried === null) return null;
  const apart = divided || (first.kind === 'row' && below.kind === 'round');
  const shares = apart && !first.steps.some(({ kind }) => kind === 'leave');
  const uses = shares ? (fixedSize(first.steps)?.into ?? 0) : 0;
  // "sc around (15)" takes as many as there are, which only its own count can say.
  if (divided && uses === 0 && (first.stated?.total ?? carried) < carried) return null;
  return uses > 0 && uses < carried ? uses : carried;
}

/**
 * How many loops an earlier round has left free. A text may name the round whose stitches carry the
 * loops, or the round that was worked into their other loops; both are looked for.
 */
function freeLoopCount(rounds: readonly CountedRound[], number: number | null, wanted: Loops | null): number | null {
  const named = roundNumbered(rounds, number);
  if (!named) return null;
  if (leavesLoops(rounds, number, wanted) || !oneLoop(named.round.steps)) return named.carried;
  return named.outcome.into ?? named.carried;
}

/** Whether the round after one leaves its loops free: front loops by working in back loops, and the other way round. */
function leavesLoops(rounds: readonly CountedRound[], number: number | null, wanted: Loops | null): boolean {
  const named = roundNumbered(rounds, number);
  const after = named && rounds[rounds.indexOf(named) + 1];
  const worked = after ? oneLoop(after.round.steps) : null;
  return worked !== null && (wanted === null || wanted === 'both' || worked !== wanted);
}

function roundNumbered(rounds: readonly CountedRound[], number: number | null): CountedRound | undefined {
  if (number === null) return undefined;
  return rounds.findLast(({ round }) => round.labelled && round.from <= number && number <= round.to);
}

/** Pieces worked together with chains between them make one edge: as long as their stitches and both sides of the chains. */
function joinedEdge(round: Round): number | null {
  return round.steps.some(namesPiece) ? (fixedSize(round.steps)?.into ?? null) : null;
}

function namesPiece(step: Step): boolean {
  return step.kind === 'work' ? step.source !== undefined : step.kind === 'repeat' && step.body.some(namesPiece);
}

/** The loops that a round is worked in throughout, where it is not both. */
function oneLoop(steps: readonly Step[]): Loops | null {
  const marker = steps.find((step) => step.kind === 'loops');
  return marker?.kind === 'loops' && marker.loops !== 'both' ? marker.loops : null;
}

function linkOf(
  run: readonly Round[],
  index: number,
  ground: Ground | null,
  chainCounts: (length: number) => boolean | null,
  known: Known,
): TracedLink {
  const round = run[index] as Round;
  const again = round.reference ? referred(run, index, known) : null;
  if (round.reference) known.settled.set(round, again?.at(-1) ?? null);
  const stated = round.stated?.total ?? null;
  const size = fixedSize(round.steps);
  const on = (edge: number | null, tracing: boolean): Outcome => {
    const first = ground && ground.kind !== 'edge' ? ground : ({ kind: 'edge', length: edge } as const);
    return workRounds(round, again, first, { chainCounts, tracing });
  };
  const remembered = new Map<number | null, Outcome>();
  return {
    stated,
    needs: round.reference || round.unread.length > 0 || !size || size.into === 0 ? null : size.into,
    keeps: keepsCount(round),
    on: (edge) => {
      const known = remembered.get(edge);
      if (known) return known;
      const outcome = on(edge, false);
      remembered.set(edge, outcome);
      return outcome;
    },
    trace: (edge) => on(edge, true),
    along:
      ground?.kind === 'chains'
        ? (chains) => workRounds(round, again, { ...ground, chains }, { chainCounts, tracing: false })
        : null,
    instead: (instruction, edge) => {
      const own = foundationIn(instruction.steps);
      const grounds: Ground = own
        ? { kind: 'chains', chains: own.chain.count, ring: own.ring, k: own.k }
        : startsInRing(instruction.steps)
          ? { kind: 'start' }
          : (ground ?? { kind: 'edge', length: edge });
      const other = { ...round, ...instruction };
      const referring = instruction.reference && instruction.reference !== round.reference;
      return workRounds(other, referring ? referred(run.with(index, other), index, known) : again, grounds, {
        chainCounts,
        tracing: false,
      });
    },
  };
}

/** "sc around": whatever the edge, as many are made. */
function keepsCount({ steps, unread, reference }: Round): boolean {
  const fabric = steps.filter(isFabric);
  const only = fabric[0];
  if (unread.length > 0 || reference || fabric.length !== 1 || only?.kind !== 'work') return false;
  return only.amount.kind === 'fill' && only.amount.leave === 0 && only.per === only.over && only.place.kind === 'edge';
}

/** A link that can also tell what each step did. */
interface TracedLink extends Link {
  readonly trace: (edge: number | null) => Outcome;
  readonly along: CountedRound['along'];
  /** What another instruction would do in its place. */
  readonly instead: (instruction: Instruction, edge: number | null) => Outcome;
}

interface Manner {
  readonly chainCounts: (length: number) => boolean | null;
  readonly tracing: boolean;
}

/** A round of more stitches than this is a slip of the pen, and is not worked on from. */
const MOST_STITCHES = 100_000;

/** Works a round, or each round of a range, or the rounds it refers to, one into the other. */
function workRounds(round: Round, again: (readonly Step[])[] | null, ground: Ground, manner: Manner): Outcome {
  if (isUnread(round)) return hindered(ground, [{ kind: 'unread' }]);
  if (!round.reference) return workEach(round, ownRounds(round), ground, manner);
  if (!again) return hindered(ground, [{ kind: 'reference', span: round.reference.span }]);
  return workEach(round, again, ground, manner);
}

function workEach(round: Round, worked: readonly (readonly Step[])[], ground: Ground, manner: Manner): Outcome {
  const stated = round.stated?.total ?? null;
  let on = ground;
  let outcome: Outcome | null = null;
  for (const [i, steps] of worked.entries()) {
    if (round.reference && startsInRing(steps)) on = { kind: 'start' };
    outcome = onGround(steps, on, manner, i === worked.length - 1 ? stated : null);
    if (outcome.made === null || outcome.misfits.length > 0) return outcome;
    if (outcome.made > MOST_STITCHES) return hindered(ground, [{ kind: 'edge-unknown' }]);
    // The rounds that remain of a range are worked on the same edge, and are the same.
    if (on.kind === 'edge' && outcome.made === on.length && !round.reference) break;
    on = { kind: 'edge', length: outcome.made };
  }
  return outcome ?? hindered(ground, [{ kind: 'unread' }]);
}

/** Something in it could not be read. */
function isUnread({ unread, brackets, repaired }: Round): boolean {
  return unread.length > 0 || (brackets.length > 0 && !repaired);
}

/** The instruction once for each round that it stands for. */
function ownRounds({ steps, stated, numbers }: Round): (readonly Step[])[] {
  return Array<readonly Step[]>(Math.max(1, numbers.length)).fill(stated?.spaces ? steps.map(asAir) : steps);
}

/** Chains that the pattern itself counts as spaces. */
function asAir(step: Step): Step {
  if (step.kind === 'repeat') return { ...step, body: step.body.map(asAir) };
  return step.kind === 'chain' && step.counts === null ? { ...step, counts: false } : step;
}

function onGround(
  steps: readonly Step[],
  ground: Ground,
  { chainCounts, tracing }: Manner,
  stated: number | null,
): Outcome {
  if (steps.every((step) => step.kind !== 'work' && step.kind !== 'group' && step.kind !== 'repeat'))
    return hindered(ground, steps.some(({ kind }) => kind === 'chain') ? [] : [{ kind: 'unread' }]);
  const outcome = evaluate(steps, { ground, chainCounts, stated, tracing });
  // The side of the fabric is no edge of so many stitches.
  const fabric = steps.filter(isFabric);
  if (fabric.every((step) => (step.kind === 'work' || step.kind === 'group') && step.place.kind === 'surface'))
    return { ...outcome, edge: null };
  // An edge that is not known is taken to be what plain amounts use up.
  if (ground.kind === 'edge' && ground.length === null) {
    const size = fixedSize(steps);
    if (size && size.into > 0) return { ...outcome, edge: null, into: size.into };
  }
  return outcome;
}

function hindered(ground: Ground, obstacles: readonly Obstacle[]): Outcome {
  return {
    edge: ground.kind === 'edge' ? ground.length : null,
    into: null,
    made: null,
    starts: ground.kind !== 'edge',
    misfits: [],
    obstacles,
    bracketed: false,
    chainGuess: null,
    worked: [],
  };
}

function verdictOf(round: Round, outcome: Outcome, blamed: boolean): Verdict {
  if (isUnread(round) || outcome.obstacles.some(({ kind }) => kind === 'unread')) return 'unreadable';
  if (outcome.made === null) return 'on-trust';
  if (outcome.obstacles.some(({ kind }) => kind === 'no-amount')) return 'off';
  if (blamed || outcome.misfits.length > 0) return 'off';
  if (!outcome.starts && outcome.edge === null) return round.stated ? 'on-trust' : 'counted';
  return round.stated ? 'agrees' : 'counted';
}
