import type { Chain, Step } from '../pattern/instruction.js';
import type { Round, Stretch } from '../pattern/pattern.js';
import type { Loops } from '../vocabulary/stitches.js';
import type { CountedRound } from './counted.js';
import { foundationIn } from './evaluate.js';
import type { Ground } from './outcome.js';
import { pieceCalled } from './references.js';
import { fixedSize } from './tally.js';

/** Whether a round names what it is worked on, and so does not need the one before it. */
export function bringsGround(round: Round): boolean {
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

export function startsInRing(steps: readonly Step[]): boolean {
  return steps.some(
    (step) =>
      step.kind === 'ring' ||
      ((step.kind === 'work' || step.kind === 'group') && step.place.kind === 'ring') ||
      (step.kind === 'repeat' && startsInRing(step.body)),
  );
}

/** What a round stands among: those before it in its stretch and its part, and the parts before. */
export interface Among {
  readonly stretch: Stretch;
  readonly inStretch: readonly CountedRound[];
  readonly before: readonly CountedRound[];
  readonly earlier: readonly (readonly CountedRound[])[];
}

/** What a round is worked on: as its own words say, else the round below it, else what its stretch or its part begins on. */
export function groundOf(round: Round, among: Among): Ground {
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
  const rounds =
    free.part === undefined
      ? roundsWith(free.round, [...before, ...inStretch], earlier)
      : roundsOfPiece(free.part, earlier);
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

/** The rounds of this piece, or where its numbers go on from others those of the last one that has a round. */
function roundsWith(
  number: number | null,
  own: readonly CountedRound[],
  earlier: readonly (readonly CountedRound[])[],
): readonly CountedRound[] {
  if (roundNumbered(own, number) || own[0]?.round.from === 1) return own;
  return earlier.slice(-NEAR_PARTS).findLast((rounds) => roundNumbered(rounds, number)) ?? own;
}

/** The rounds of the piece before this one that a text calls so. */
function roundsOfPiece(called: string, earlier: readonly (readonly CountedRound[])[]): readonly CountedRound[] {
  const pieces = new Map(earlier.map((rounds) => [rounds[0]?.part.name.toLowerCase() ?? '', rounds]));
  return pieceCalled(called, pieces) ?? [];
}

/** A collar goes into one of the parts that stand not too far above it. */
const NEAR_PARTS = 40;

/** The chain that a line of its own lays: "Row 1: Ch 13." */
export function chainAlone({ steps, unread, stated }: Round): Chain | null {
  // What follows it was not understood, and made so many stitches.
  if (unread.length > 0 && stated !== null) return null;
  const chain = steps.find((step) => step.kind === 'chain');
  return chain && steps.every(({ kind }) => kind === 'chain' || kind === 'join' || kind === 'colour' || kind === 'turn')
    ? chain
    : null;
}

/** Which chain from the hook a round is worked into first; null where it doesn't say. */
export function foundationFrom({ steps }: Round): number | null {
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

/** Whether a step is worked around a piece that it names: "sc around the second leg". */
export function namesPiece(step: Step): boolean {
  return step.kind === 'work' ? step.source !== undefined : step.kind === 'repeat' && step.body.some(namesPiece);
}

/** The loops that a round is worked in throughout, where it is not both. */
function oneLoop(steps: readonly Step[]): Loops | null {
  const marker = steps.find((step) => step.kind === 'loops');
  return marker?.kind === 'loops' && marker.loops !== 'both' ? marker.loops : null;
}
