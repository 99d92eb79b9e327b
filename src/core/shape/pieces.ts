import type { CountedRound } from '../counting/counted.js';
import { foundationIn } from '../counting/evaluate.js';
import { bringsGround, foundationFrom, namesPiece, startsInRing } from '../counting/ground.js';
import type { Worked } from '../counting/outcome.js';
import type { Step } from '../pattern/instruction.js';
import type { Part, Stretch } from '../pattern/pattern.js';
import { columnsOf, type RingShaping } from './columns.js';
import type { Ring } from './rings.js';

/** What a stretch of fabric begins on. */
export type Start =
  /** Drawn together in the middle. */
  | { readonly kind: 'ring' }
  /** A chain worked along both sides, so many stitches long on each. */
  | { readonly kind: 'oval'; readonly along: number }
  /** A chain: its ends joined, or worked back and forth. */
  | { readonly kind: 'chain' }
  /** Edges of other pieces, with so many chains between them. */
  | { readonly kind: 'joined'; readonly pieces: readonly string[]; readonly chains: number }
  /** Loops left free by, or an edge of, the part itself: on its ring of this place. */
  | { readonly kind: 'on'; readonly ring: number | null }
  /** The text does not give it. */
  | { readonly kind: 'gap'; readonly why: string };

/** Rings that stand on each other without a break. */
export interface Piece {
  readonly name: string | null;
  readonly start: Start;
  /** Rows lie flat; rounds go round. */
  readonly flat: boolean;
  /** Where its first ring stands among the rings of the part. */
  readonly first: number;
  readonly rings: readonly Ring[];
  readonly shaping: readonly RingShaping[];
  /** How it ends: drawn together, worked shut, open, or where a round can't be read. */
  readonly end: 'closed' | 'shut' | 'open' | 'gap';
  /** Why it breaks off: the label of the round that gives no count. */
  readonly gap: string | null;
}

/** A last round of so few stitches is drawn together. */
const DRAWN_TOGETHER = 8;

/** A piece that is being put together. */
interface Open {
  readonly start: Start;
  readonly name: string | null;
  readonly flat: boolean;
  readonly first: number;
  readonly rings: Ring[];
}

/**
 * Takes the rings of a part apart into pieces: where a stretch begins on a ground of its own, and at gaps.
 * @param first the place of the part's first round among all rounds.
 * @param before the name of the part before it, whose edge it may go on from.
 */
export function piecesOf(
  part: Part,
  rings: readonly Ring[],
  counted: readonly CountedRound[],
  first: number,
  before: string | null,
): Piece[] {
  const pieces: Piece[] = [];
  let open: Open | null = null;
  let stretch: Stretch | null = null;
  const close = (gap: string | null) => {
    if (open) pieces.push(finished(open, gap));
    open = null;
  };
  for (const [at, ring] of rings.entries()) {
    const one = counted[ring.round - first];
    if (!one) continue;
    const other = one.stretch !== stretch;
    const later = stretch !== null && other;
    const begins = rings[at - 1]?.round !== ring.round && (other || bringsGround(one.round));
    stretch = one.stretch;
    if (ring.made === null || ring.made === 0) {
      close(ring.label);
      continue;
    }
    const own: Ring[] | null = begins || turnsAt(rings, at) ? null : ringsIn(open);
    if (own) own.push(ring);
    else {
      close(null);
      const start =
        begins || turnsAt(rings, at) ? startOf(one, { at, rings, later, part, before }) : brokenAt(rings, at);
      open = { start, name: one.stretch.name, flat: ring.kind === 'row', first: at, rings: [ring] };
    }
  }
  close(null);
  return pieces;
}

const ringsIn = (open: Open | null): Ring[] | null => open?.rings ?? null;

/** Whether rows go on from rounds, rounds from rows, or either from nothing at all. */
function turnsAt(rings: readonly Ring[], at: number): boolean {
  return rings[at]?.kind !== rings[at - 1]?.kind;
}

/** What comes behind a round that gives no count. */
function brokenAt(rings: readonly Ring[], at: number): Start {
  return { kind: 'gap', why: rings[at - 1]?.label ?? '' };
}

function finished({ start, name, flat, first, rings }: Open, gap: string | null): Piece {
  const end = gap === null ? endOf(rings) : 'gap';
  return { name, start, flat, first, rings, shaping: columnsOf(rings), end, gap };
}

function endOf(rings: readonly Ring[]): Piece['end'] {
  const last = rings[rings.length - 1];
  if (last?.shut) return 'shut';
  if (last?.kind === 'row') return 'open';
  const most = Math.max(...rings.map(({ made }) => made ?? 0));
  return (last?.made ?? Infinity) <= DRAWN_TOGETHER && most > DRAWN_TOGETHER ? 'closed' : 'open';
}

/** Where a round that begins a piece stands. */
interface Beginning {
  readonly at: number;
  readonly rings: readonly Ring[];
  /** It begins a later stretch of its part. */
  readonly later: boolean;
  readonly part: Part;
  readonly before: string | null;
}

function startOf(one: CountedRound, beginning: Beginning): Start {
  const { round, outcome } = one;
  const { at, part, before } = beginning;
  if (startsInRing(round.steps)) return { kind: 'ring' };
  if (round.steps.some(intoSurface)) return { kind: 'gap', why: 'it is worked into the side of the fabric' };
  const own = joinedStart(round.steps) ?? loopsStart(one, beginning) ?? chainStart(one);
  if (own) return own;
  // "As the left arm": it starts as that does.
  if (outcome.starts || one.works()[0]?.starts) return { kind: 'ring' };
  if (at > 0) return { kind: 'on', ring: at - 1 };
  if (outcome.edge !== null && before !== null) return { kind: 'joined', pieces: [before], chains: 0 };
  return { kind: 'gap', why: `the text does not say what ${part.name} begins on` };
}

function intoSurface(step: Step): boolean {
  return (step.kind === 'work' || step.kind === 'group') && step.place.kind === 'surface';
}

/** "Sc around leg 2, ch 3, sc around leg 1". */
function joinedStart(steps: readonly Step[]): Start | null {
  if (!steps.some(namesPiece)) return null;
  const pieces = steps.flatMap((step) => (step.kind === 'work' && step.source !== undefined ? [step.source] : []));
  const chains = steps.reduce((sum, step) => sum + (step.kind === 'chain' ? step.count : 0), 0);
  return { kind: 'joined', pieces: [...new Set(pieces)], chains };
}

/** Loops that an earlier round has left free. */
function loopsStart({ round, stretch }: CountedRound, { at, rings, later }: Beginning): Start | null {
  const free = round.steps.find((step) => step.kind === 'free-loops');
  if (!free && !(later && stretch.into)) return null;
  const number = free?.kind === 'free-loops' ? free.round : (stretch.into?.round ?? null);
  return { kind: 'on', ring: ringNumbered(rings.slice(0, at), number) };
}

/** A chain, along one side or around both. */
function chainStart(one: CountedRound): Start | null {
  const { round, stretch, along, trace } = one;
  if (!foundationIn(round.steps) && !along && !stretch.start) return null;
  const chains = chainsAlong(one);
  // "Ch 2, 6 sc in the 2nd ch": one chain that holds them all.
  if (chains === 1 && round.kind === 'round') return { kind: 'ring' };
  return goesAround(trace().worked) ? { kind: 'oval', along: Math.max(1, chains) } : { kind: 'chain' };
}

/** How many chains of its foundation a round can be worked into. */
function chainsAlong({ round, stretch }: CountedRound): number {
  const own = foundationIn(round.steps);
  if (own) return own.chain.count - (own.k ?? 2) + 1;
  const k = foundationFrom(round) ?? stretch.start?.firstFromHook ?? 2;
  return (stretch.start?.chains ?? 0) - k + 1;
}

/** Whether stitches go along one side of a chain and back along the other. */
function goesAround(worked: readonly Worked[]): boolean {
  return worked.some(({ step }) => step.kind === 'other-side');
}

function ringNumbered(rings: readonly Ring[], number: number | null): number | null {
  const at = number === null ? -1 : rings.findLastIndex((ring) => ring.number === number);
  return at < 0 ? null : at;
}
