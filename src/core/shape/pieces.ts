import type { CountedRound } from '../counting/counted.js';
import { foundationIn } from '../counting/evaluate.js';
import { bringsGround, foundationFrom, namesPiece, startsInRing } from '../counting/ground.js';
import type { Worked } from '../counting/outcome.js';
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

/** Takes the rings of a part apart into pieces: where a stretch begins on a ground of its own, and at gaps. */
export function piecesOf(part: Part, rings: readonly Ring[], counted: readonly CountedRound[], first: number): Piece[] {
  const pieces: Piece[] = [];
  let open: { start: Start; name: string | null; flat: boolean; at: number; rings: Ring[] } | null = null;
  let stretch: Stretch | null = null;
  const finish = (end: Piece['end'] | null, gap: string | null) => {
    if (!open || open.rings.length === 0) return;
    pieces.push({
      name: open.name,
      start: open.start,
      flat: open.flat,
      first: open.at,
      rings: open.rings,
      shaping: columnsOf(open.rings),
      end: end ?? endOf(open.rings),
      gap,
    });
    open = null;
  };
  rings.forEach((ring, at) => {
    const one = counted[ring.round - first];
    if (!one) return;
    const begins = rings[at - 1]?.round !== ring.round && (one.stretch !== stretch || bringsGround(one.round));
    const turns = open !== null && open.flat !== (ring.kind === 'row');
    if (ring.made === null || ring.made === 0) {
      finish('gap', ring.label);
      stretch = one.stretch;
      return;
    }
    if (begins || turns || !open) {
      const broken = !begins && !turns && at > 0;
      finish(null, null);
      open = {
        start: broken
          ? { kind: 'gap', why: rings[at - 1]?.label ?? '' }
          : startOf(one, at, rings, begins && one.stretch !== stretch && stretch !== null, part),
        name: one.stretch.name,
        flat: ring.kind === 'row',
        at,
        rings: [],
      };
      stretch = one.stretch;
    }
    open.rings.push(ring);
  });
  finish(null, null);
  return pieces;
}

function endOf(rings: readonly Ring[]): Piece['end'] {
  const last = rings[rings.length - 1];
  if (last?.shut) return 'shut';
  if (last?.kind === 'row') return 'open';
  const most = Math.max(...rings.map(({ made }) => made ?? 0));
  return (last?.made ?? Infinity) <= DRAWN_TOGETHER && most > DRAWN_TOGETHER ? 'closed' : 'open';
}

function startOf(
  { round, stretch, outcome, along, trace }: CountedRound,
  at: number,
  rings: readonly Ring[],
  later: boolean,
  part: Part,
): Start {
  if (startsInRing(round.steps)) return { kind: 'ring' };
  const surface = round.steps.some(
    (step) => (step.kind === 'work' || step.kind === 'group') && step.place.kind === 'surface',
  );
  if (surface) return { kind: 'gap', why: 'it is worked into the side of the fabric' };
  const pieces = round.steps.flatMap((step) =>
    step.kind === 'work' && step.source !== undefined ? [step.source] : [],
  );
  if (round.steps.some(namesPiece)) {
    const chains = round.steps.reduce((sum, step) => sum + (step.kind === 'chain' ? step.count : 0), 0);
    return { kind: 'joined', pieces: [...new Set(pieces)], chains };
  }
  const free = round.steps.find((step) => step.kind === 'free-loops');
  const number = free?.kind === 'free-loops' ? free.round : (stretch.into?.round ?? null);
  if (free || (later && stretch.into)) return { kind: 'on', ring: ringNumbered(rings.slice(0, at), number) };
  const own = foundationIn(round.steps);
  if (own || along || stretch.start) {
    const chains = own?.chain.count ?? stretch.start?.chains ?? 0;
    const k = own?.k ?? foundationFrom(round) ?? stretch.start?.firstFromHook ?? 2;
    return goesAround(trace().worked) ? { kind: 'oval', along: Math.max(1, chains - k + 1) } : { kind: 'chain' };
  }
  if (at > 0) return { kind: 'on', ring: at - 1 };
  if (outcome.starts) return { kind: 'ring' };
  return { kind: 'gap', why: `the text does not say what ${part.name} begins on` };
}

/** Whether stitches go along one side of a chain and back along the other. */
function goesAround(worked: readonly Worked[]): boolean {
  return worked.some(({ step }) => step.kind === 'other-side');
}

function ringNumbered(rings: readonly Ring[], number: number | null): number | null {
  const at = number === null ? -1 : rings.findLastIndex((ring) => ring.number === number);
  return at < 0 ? null : at;
}
