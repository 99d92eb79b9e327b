import type { Laid, Ring } from './rings.js';

/** An increase or a decrease on a ring. */
export interface Shaping {
  readonly kind: 'increase' | 'decrease';
  /** Where its middle lies on the ring: a part of the way round from the start of the round, 0 to 1. */
  readonly at: number;
  /** How many stitches its column has grown or shrunk by on rings without a break, its own included. */
  readonly stacked: number;
}

/** Where the shapings of a ring lie. */
export interface RingShaping {
  readonly shapings: readonly Shaping[];
  /** Where the round starts, a part of the way round; see `SLANT`. */
  readonly start: number;
  /** How many corners its columns of shapings have made so far; 0 where they make none. */
  readonly corners: number;
}

/**
 * By how much of its width the top of a stitch stands back from its post, in work that is not turned. The start of a
 * spiral wanders by so much a round. A usual figure of hands that work firmly: it differs from hand to hand.
 */
export const SLANT = 0.3;
/** From so many stitches on a column of shapings shows as a corner. */
const SHOWS = 3;
/** Rounds that grow or shrink by so many stitches lie about flat: only there a column has a corner to make. */
const FLAT = 5;
/** More columns than these are no corners but a round piece; fewer make an edge, not a corner. */
const CORNERS = { least: 3, most: 10 } as const;

/** Where the shapings of each ring lie, and the corners they make, from the first ring to the last. */
export function columnsOf(rings: readonly Ring[]): RingShaping[] {
  const all: RingShaping[] = [];
  let below: Below = { from: [], heights: new Map() };
  let start = 0;
  let corners = 0;
  for (const ring of rings) {
    const { made, laid } = ring;
    const known = made !== null && made > 0 && laid.length > 0;
    if (known && ring.kind === 'round') start = (start + SLANT / made) % 1;
    const { shapings, next } = known ? shapingsOf(laid, made, below) : { shapings: [], next: NOTHING };
    below = next;
    corners = cornersAfter(corners, shapings, ring);
    all.push({ shapings, start, corners });
  }
  return all;
}

/** The shaping that each stitch of an edge was made by, if any, and how high its column is. */
interface Below {
  readonly from: readonly (number | null)[];
  readonly heights: ReadonlyMap<number, number>;
}
const NOTHING: Below = { from: [], heights: new Map() };

function shapingsOf(laid: readonly Laid[], made: number, below: Below): { shapings: Shaping[]; next: Below } {
  const shapings: Shaping[] = [];
  const from: (number | null)[] = [];
  const heights = new Map<number, number>();
  let edge = 0;
  for (const one of laid) {
    const kind = kindOf(one);
    if (kind) {
      const column = highest(below, edge, edge + one.into, kind) + Math.abs(one.made - one.into);
      shapings.push({ kind, at: (from.length + one.made / 2) / made, stacked: column });
      heights.set(shapings.length - 1, kind === 'increase' ? column : -column);
    }
    for (let i = 0; i < one.made; i += 1) from.push(kind ? shapings.length - 1 : null);
    edge += one.into;
  }
  return { shapings, next: { from, heights } };
}

function kindOf({ stitch, into, made }: Laid): Shaping['kind'] | null {
  if (stitch === 'chain' || into === 0 || into === made) return null;
  return made > into ? 'increase' : 'decrease';
}

/** The height of the column that goes through some stitches of the edge below; 0 where there is none of this kind. */
function highest({ from, heights }: Below, first: number, end: number, kind: Shaping['kind']): number {
  let best = 0;
  for (let i = first; i < end; i += 1) {
    const shaping = from[i];
    const height = heights.get(shaping ?? -1) ?? 0;
    if (kind === 'increase' ? height > 0 : height < 0) best = Math.max(best, Math.abs(height));
  }
  return best;
}

/** Plain rounds keep the corners that stand below them; shapings elsewhere round them off. */
function cornersAfter(before: number, shapings: readonly Shaping[], { made, edge }: Ring): number {
  if (made === null) return 0;
  if (shapings.length === 0) return before;
  // A pointed piece that grows slowly is round in spite of its columns.
  if (Math.abs(made - (edge ?? 0)) < FLAT) return 0;
  const columns = shapings.filter(({ stacked }) => stacked >= SHOWS);
  if (columns.length === 0) return shapings.some(({ stacked }) => stacked >= 2) ? before : 0;
  const all = columns.length === shapings.length && isEven(columns);
  return all && columns.length >= CORNERS.least && columns.length <= CORNERS.most ? columns.length : 0;
}

/** Whether columns stand about as far from each other all the way round. */
function isEven(columns: readonly Shaping[]): boolean {
  const gaps = columns.map(({ at }, i) => {
    const next = columns[(i + 1) % columns.length]?.at ?? 0;
    return (next - at + 1) % 1 || 1;
  });
  const even = 1 / columns.length;
  return gaps.every((gap) => Math.abs(gap - even) < even / 3);
}
