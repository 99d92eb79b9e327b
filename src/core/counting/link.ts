import type { Step, Work } from '../pattern/instruction.js';
import type { Instruction, Round } from '../pattern/pattern.js';
import type { CountedRound } from './counted.js';
import { evaluate, foundationIn } from './evaluate.js';
import { startsInRing } from './ground.js';
import type { Ground, Obstacle, Outcome } from './outcome.js';
import type { Link } from './plausible.js';
import { referred, type Known } from './references.js';
import { fixedSize, isFabric } from './tally.js';

/** What one round of a run, by its index, makes of any edge: the ground is given to the first of a run, the others stand on the round before. */
export function linkOf(
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
  const works = (edge: number | null, tracing: boolean): readonly Outcome[] => {
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
      const outcome = lastOf(works(edge, false));
      remembered.set(edge, outcome);
      return outcome;
    },
    trace: (edge) => lastOf(works(edge, true)),
    works: (edge) => works(edge, true),
    along:
      ground?.kind === 'chains'
        ? (chains) => lastOf(workRounds(round, again, { ...ground, chains }, { chainCounts, tracing: false }))
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
      const instead = referring ? referred(run.with(index, other), index, known) : again;
      return lastOf(workRounds(other, instead, grounds, { chainCounts, tracing: false }));
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
  readonly works: (edge: number | null) => readonly Outcome[];
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

/** Works a round, or each round of a range, or the rounds it refers to, one into the other: what each of them does. */
function workRounds(round: Round, again: (readonly Step[])[] | null, ground: Ground, manner: Manner): Outcome[] {
  if (isUnread(round)) return [hindered(ground, [{ kind: 'unread' }])];
  if (round.idle && ground.kind === 'edge' && ground.length !== null)
    return [{ ...hindered(ground, []), into: ground.length, made: ground.length }];
  if (!round.reference) return workEach(round, ownRounds(round), ground, manner);
  if (!again) return [hindered(ground, [{ kind: 'reference', span: round.reference.span }])];
  return workEach(round, again, ground, manner);
}

function workEach(round: Round, worked: readonly (readonly Step[])[], ground: Ground, manner: Manner): Outcome[] {
  const stated = round.stated?.total ?? null;
  const outcomes: Outcome[] = [];
  let on = ground;
  for (const [i, steps] of worked.entries()) {
    if (round.reference && startsInRing(steps)) on = { kind: 'start' };
    const outcome = onGround(meantOn(on, round, steps), on, manner, i === worked.length - 1 ? stated : null);
    outcomes.push(outcome);
    if (outcome.made === null || outcome.misfits.length > 0) return outcomes;
    if (outcome.made > MOST_STITCHES) return [hindered(ground, [{ kind: 'edge-unknown' }])];
    // The rounds that remain of a range are worked on the same edge, and are the same.
    if (on.kind === 'edge' && outcome.made === on.length && !round.reference) break;
    on = { kind: 'edge', length: outcome.made };
  }
  return outcomes.length > 0 ? outcomes : [hindered(ground, [{ kind: 'unread' }])];
}

/** "Same as round 15 (28)", which is "sc 32", on 28 that it keeps: what is told again is that it is plain. */
function meantOn(ground: Ground, { reference, stated }: Round, steps: readonly Step[]): readonly Step[] {
  if (!reference || ground.kind !== 'edge' || ground.length !== stated?.total) return steps;
  const alone = steps.filter(isFabric).length === 1;
  return steps.map((step) => (alone && isPlain(step) ? { ...step, amount: { kind: 'fill', leave: 0 } } : step));
}

function isPlain(step: Step): step is Work {
  return step.kind === 'work' && step.per === 1 && step.over === 1 && step.place.kind === 'edge';
}

/** What the last round does; the rounds of a range are never none. */
function lastOf(outcomes: readonly Outcome[]): Outcome {
  return outcomes[outcomes.length - 1] as Outcome;
}

/** Something in it could not be read. */
export function isUnread({ unread, brackets, repaired }: Round): boolean {
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
