import { once, type Chain, type Step } from '../pattern/instruction.js';
import { allBracketed, OTHERWISE, slipsAway } from './otherwise.js';
import type { Ground, Misfit, Outcome, Worked } from './outcome.js';
import { fixedSize, isFabric, lastFabricOf, standingChainOf, Tally } from './tally.js';

export interface EvaluateOptions {
  readonly ground: Ground;
  /** Whether a starting chain of a length stands for a stitch; null where the pattern doesn't say. */
  readonly chainCounts: (length: number) => boolean | null;
  readonly stated: number | null;
  /** Whether the outcome is to tell what each step did. */
  readonly tracing?: boolean;
}

/**
 * Works an instruction on its ground and counts. Where the words can be taken in two ways (does the
 * starting chain count? is "2 sc in next 2 sts" one in each, or two?) both are tried, and the one
 * that fits and agrees with the stated count is kept.
 */
export function evaluate(written: readonly Step[], options: EvaluateOptions): Outcome {
  const steps = slipsAway(written) ?? written;
  let best = evaluateChain(steps, options);
  const repeated = options.stated === null ? fillsUnbracketed(steps) : null;
  if (repeated) {
    const outcome = evaluateChain(repeated, options);
    if (faults(outcome, null) === 0) return { ...outcome, bracketed: true };
  }
  for (const otherwise of OTHERWISE) {
    if (faults(best, options.stated) === 0) break;
    const other = otherwise(steps);
    if (!other) continue;
    const outcome = evaluateChain(other, options);
    if (faults(outcome, options.stated) >= faults(best, options.stated)) continue;
    best = otherwise === allBracketed ? { ...outcome, bracketed: true } : outcome;
  }
  return best;
}

/** "sc 2, inc around", where no count says which: all of it to the end, if it goes into the edge, and not one increase in each of the others. */
function fillsUnbracketed(steps: readonly Step[]): readonly Step[] | null {
  const last = steps[lastFabricOf(steps)];
  return last?.kind === 'work' && last.amount.kind === 'fill' ? allBracketed(steps) : null;
}

function evaluateChain(steps: readonly Step[], options: EvaluateOptions): Outcome {
  const first = startingChain(steps);
  const said = first ? (first.counts ?? (first.count === 1 ? false : options.chainCounts(first.count))) : false;
  if (!first || said !== null) return evaluateWith(steps, options, said ?? false);
  const without = evaluateWith(steps, options, false);
  const withChain = evaluateWith(steps, options, true);
  const [a, b] = [faults(withChain, options.stated), faults(without, options.stated)];
  const chosen = a < b ? withChain : without;
  return a === b ? chosen : { ...chosen, chainGuess: { chain: first, counts: a < b } };
}

function faults(outcome: Outcome, stated: number | null): number {
  return outcome.misfits.length + outcome.obstacles.length + (stated !== null && outcome.made !== stated ? 1 : 0);
}

/** The chain that a round begins with, before any stitch of it; not a foundation chain. */
function startingChain(steps: readonly Step[]): Chain | null {
  const step = steps[standingChainOf(steps)];
  return step?.kind === 'chain' && foundationIn(steps)?.chain !== step ? step : null;
}

/** Whether a chain in the instruction is itself the ground: "ch 9, sc in 2nd ch from hook". */
export function foundationIn(steps: readonly Step[]): { chain: Chain; k: number | null; ring: boolean } | null {
  let chain: Chain | null = null;
  for (const step of steps) {
    if (step.kind === 'chain') chain ??= step;
    else {
      const worked = chain && workedAlong(step, chain);
      if (chain && worked) return { chain, ...worked };
      if (isFabric(step)) return null;
    }
  }
  return null;
}

/** Whether a step makes a chain the ground, and from which chain on; null where it doesn't. */
function workedAlong(step: Step, chain: Chain): { k: number | null; ring: boolean } | null {
  switch (step.kind) {
    case 'first-chain':
      return { k: step.k, ring: false };
    case 'skip':
      // "ch 10, skip 1 ch, sc in each ch across": the first chain is the one that is passed over.
      return step.chains && chain.count > step.count + 2 ? { k: 1, ring: false } : null;
    case 'join':
      return chain.count > 2 ? { k: 1, ring: true } : null;
    case 'work':
      return step.place.kind === 'chain-from-hook' ? { k: step.place.k, ring: false } : null;
    default:
      return null;
  }
}

function evaluateWith(steps: readonly Step[], options: EvaluateOptions, chainCounts: boolean): Outcome {
  const { ground, tracing = false } = options;
  if (ground.kind === 'chains') return onChains(steps, ground, options, chainCounts);
  const tally = new Tally(ground.kind === 'edge' ? ground.length : null, ground.kind === 'start', tracing);
  tally.run(steps, chainCounts);
  const outcome = tally.outcome(ground.kind === 'start');
  if (ground.kind !== 'edge' || outcome.misfits.length === 0) return outcome;
  const turn = steps.findIndex((step) => step.kind === 'other-side');
  if (turn < 1) return outcome;
  // "sc across, 3 sc in last st, along the other side of the chain: sc 4": the first row stands on that chain.
  const around = withOtherSide(steps, turn, options, chainCounts);
  return around.misfits.length + around.obstacles.length === 0 ? around : outcome;
}

/** Steps along an edge, and on along the other side of the chain below it, which offers what they need. */
function withOtherSide(steps: readonly Step[], turn: number, options: EvaluateOptions, chainCounts: boolean): Outcome {
  const along = evaluateWith(steps.slice(0, turn), options, chainCounts);
  const other = new Tally(null, false, options.tracing);
  other.run(steps.slice(turn), false);
  const back = other.outcome(true);
  const made = along.made === null || back.made === null ? null : along.made + back.made;
  return {
    ...along,
    made,
    obstacles: [...along.obstacles, ...back.obstacles],
    worked: [...along.worked, ...back.worked],
  };
}

/** "Ch 2. 6 sc from 2nd ch": where the chain has only one place, all of the first stitches go into it. */
function intoOnlyChain(steps: readonly Step[], chains: number): readonly Step[] {
  const at = steps.findIndex(({ kind }) => kind === 'first-chain');
  const [first, work] = [steps[at], steps[at + 1]];
  if (first?.kind !== 'first-chain' || first.k !== chains || work?.kind !== 'work') return steps;
  const { amount, per, over } = work;
  if (work.place.kind !== 'edge' || amount.kind !== 'times' || per + over !== 2) return steps;
  const inOne: Step = { ...work, per: amount.times, amount: once, place: { kind: 'chain-from-hook', k: first.k } };
  return [...steps.slice(0, at), inOne, ...steps.slice(at + 2)];
}

/** Along one side of a chain, or along one side and back along the other. */
function onChains(
  written: readonly Step[],
  ground: Extract<Ground, { kind: 'chains' }>,
  { stated, tracing = false }: EvaluateOptions,
  chainCounts: boolean,
): Outcome {
  const steps = intoOnlyChain(written, ground.chains);
  const turn = steps.findIndex((step) => step.kind === 'other-side');
  const marker = steps[turn];
  const sides: Sides = marker
    ? { first: steps.slice(0, turn), marker, other: steps.slice(turn + 1) }
    : { first: steps, marker: null, other: [] };
  let best: Outcome | null = null;
  for (const k of firstChains(steps, ground)) {
    const along = ground.chains - k + 1;
    const around = marker ? null : aroundEnd(steps, along);
    const outcome = alongChains(around ?? sides, ground.chains, along, chainCounts, tracing);
    // Chains passed over at the start may stand for a stitch: "dc in 4th ch from hook".
    const stands = k >= 3 && stated !== null && outcome.made === stated - 1 && outcome.misfits.length === 0;
    const standing = stands ? withStandingChain(outcome, steps, k - 1) : outcome;
    if (!best || faults(standing, stated) < faults(best, stated)) best = standing;
  }
  return best ?? unknown();
}

/** The chains from the hook that the first stitch may go into, the likeliest first. */
function firstChains(steps: readonly Step[], { k, ring }: Extract<Ground, { kind: 'chains' }>): readonly number[] {
  if (k !== null) return [k];
  // "miss 1 ch, …" counts from the first.
  const first = steps.find(({ kind }) => kind !== 'turn' && kind !== 'colour' && kind !== 'chain');
  return ring || first?.kind === 'skip' ? [1] : [2, 1, 3];
}

/**
 * "Ch 5, from the 2nd ch: inc, sc 2, 4 sc in one st, sc 2, inc": several stitches in the last chain, and as many steps
 * more as the other side has chains, go around the end without saying so. Null where they don't come out exactly.
 */
function aroundEnd(steps: readonly Step[], along: number): Sides | null {
  // The chain that they stand on may be told in the same round.
  if (along < 2) return null;
  const usedBy = (some: readonly Step[]) => fixedSize(some.filter(({ kind }) => kind !== 'chain'))?.into ?? 0;
  const uses = usedBy(steps);
  if ((uses !== 2 * along - 1 && uses !== 2 * along - 2) || steps.some(({ kind }) => kind === 'turn')) return null;
  for (const [i, step] of steps.entries()) {
    const several = step.kind === 'group' || (step.kind === 'work' && step.per > step.over);
    if (!several || usedBy(steps.slice(0, i + 1)) !== along) continue;
    const end = { from: step.span.to, to: step.span.to };
    return { first: steps.slice(0, i + 1), marker: { kind: 'other-side', span: end }, other: steps.slice(i + 1) };
  }
  return null;
}

/** The chains passed over at the start of a foundation count as its first stitch. */
function withStandingChain(outcome: Outcome, steps: readonly Step[], count: number): Outcome {
  const span = steps[0]?.span ?? { from: 0, to: 0 };
  const chain: Worked = { step: { kind: 'chain', count, counts: true, span }, times: 1, into: 0, made: 1, body: [] };
  return {
    ...outcome,
    made: (outcome.made ?? 0) + 1,
    worked: outcome.worked.length > 0 ? [chain, ...outcome.worked] : [],
  };
}

/** The steps along a chain, and those back along its other side. */
interface Sides {
  readonly first: readonly Step[];
  readonly marker: Step | null;
  readonly other: readonly Step[];
}

function alongChains(
  { first: firstSide, marker, other }: Sides,
  chains: number,
  along: number,
  chainCounts: boolean,
  tracing: boolean,
): Outcome {
  const first = new Tally(along, false, tracing);
  first.run(firstSide, chainCounts);
  const one = first.outcome(true);
  if (!marker) {
    const into = first.into;
    const misfits: Misfit[] = one.misfits.filter(({ kind }) => kind === 'remainder');
    if (one.obstacles.length === 0 && misfits.length === 0 && into !== along)
      misfits.push({ kind: 'foundation', chains, along, first: into, other: null });
    return { ...one, misfits };
  }
  // The other side offers the chains again except the two ends; the first chain may be worked into again.
  const second = new Tally(along - 1, false, tracing);
  second.run(other, false);
  const two = second.outcome(true);
  const misfits: Misfit[] = [...one.misfits, ...two.misfits].filter(({ kind }) => kind === 'remainder');
  const obstacles = [...one.obstacles, ...two.obstacles];
  const fits = first.into === along && (second.into === along - 1 || second.into === along - 2);
  if (obstacles.length === 0 && !fits)
    misfits.push({ kind: 'foundation', chains, along, first: first.into, other: second.into });
  const made = one.made === null || two.made === null ? null : one.made + two.made;
  const worked = tracing
    ? [...one.worked, { step: marker, times: 1, into: 0, made: 0, body: [] }, ...two.worked]
    : NOTHING;
  return { edge: null, into: null, made, starts: true, misfits, obstacles, bracketed: false, chainGuess: null, worked };
}

function unknown(): Outcome {
  return {
    edge: null,
    into: null,
    made: null,
    starts: false,
    misfits: [],
    obstacles: [{ kind: 'edge-unknown' }],
    bracketed: false,
    chainGuess: null,
    worked: NOTHING,
  };
}

const NOTHING: readonly Worked[] = [];
