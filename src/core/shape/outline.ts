import { FLAT_EASE, fabricOf } from './fabric.js';
import type { Gauge } from './gauge.js';
import type { Piece, Start } from './pieces.js';
import type { Ring } from './rings.js';
import { sectionsOf, type Section } from './section.js';
import { stuffed, type Point } from './stuffing.js';

/** How a ring lies to the one below it. */
export type Lie = 'flat' | 'cup' | 'tube' | 'ruffle';

/** A ring where it comes to lie. Lengths are mm. */
export interface Level {
  /** Its place among the rings of the part. */
  readonly ring: number;
  readonly section: Section;
  readonly lie: Lie;
  /** How often its length goes round where it lies: over 1 it ruffles. */
  readonly full: number;
  /** How tall its stitches stand. */
  readonly height: number;
  /** Its upper edge, as the fabric lies by itself, and when the piece is stuffed; z goes with the work. */
  readonly bare: Point;
  readonly stuffed: Point;
}

/** A stretch of fabric in outline. */
export interface OutlinePiece {
  readonly name: string | null;
  readonly start: Start;
  readonly end: Piece['end'];
  readonly gap: string | null;
  /** Worked in rows: each level is as wide as its row. */
  readonly flat: boolean;
  /** Where its start lies: its pole, its chain, the edge it stands on. */
  readonly base: { readonly bare: Point; readonly stuffed: Point };
  readonly levels: readonly Level[];
  /** The pole at the other end, where it is drawn together. */
  readonly pole: { readonly bare: Point; readonly stuffed: Point } | null;
}

/** The outline of a piece at a gauge. */
export function outlineOf(piece: Piece, gauge: Gauge): OutlinePiece {
  const heights = piece.rings.map((ring) => heightOf(ring) * gauge.height);
  const sections = sectionsOf(piece, gauge.width);
  return piece.flat ? rowsOf(piece, sections, heights) : roundsOf(piece, sections, heights);
}

/** How tall a ring's stitches stand on average, in one-step stitches. */
export function heightOf({ laid }: Ring): number {
  let [sum, count] = [0, 0];
  for (const { stitch, made } of laid) {
    const { height } = fabricOf(stitch);
    if (height === 0) continue;
    sum += height * Math.max(1, made);
    count += Math.max(1, made);
  }
  return count > 0 ? sum / count : 1;
}

function rowsOf(piece: Piece, sections: readonly Section[], heights: readonly number[]): OutlinePiece {
  let z = 0;
  const levels = sections.map((section, i): Level => {
    z += heights[i] as number;
    const at = { r: section.around / 2, z };
    return {
      ring: piece.first + i,
      section,
      lie: 'flat',
      full: 1,
      height: heights[i] as number,
      bare: at,
      stuffed: at,
    };
  });
  const { name, start, end, gap, flat } = piece;
  const base = { r: ((piece.rings[0]?.edge ?? piece.rings[0]?.made ?? 0) * widthIn(sections, piece)) / 2, z: 0 };
  return { name, start, end, gap, flat, base: { bare: base, stuffed: base }, levels, pole: null };
}

/** The width of one stitch, from the first ring. */
function widthIn(sections: readonly Section[], { rings }: Piece): number {
  const made = rings[0]?.made ?? 0;
  return made > 0 ? (sections[0] as Section).around / made : 0;
}

function roundsOf(piece: Piece, sections: readonly Section[], heights: readonly number[]): OutlinePiece {
  const { name, start, end, gap, flat, rings } = piece;
  const startClosed = start.kind === 'ring' || start.kind === 'oval';
  const endClosed = end === 'closed';
  let at: Point = { r: startClosed ? 0 : firstRadius(piece, sections), z: 0 };
  const base = at;
  const levels = sections.map((section, i): Level => {
    const height = heights[i] as number;
    const { point, lie } = laidOn(at, section.radius, height);
    at = point;
    return {
      ring: piece.first + i,
      section,
      lie,
      full: section.radius > 0 ? Math.max(1, section.radius / Math.max(point.r, height / 4)) : 1,
      height,
      bare: point,
      stuffed: point,
    };
  });
  const pole = endClosed ? { r: 0, z: at.z } : null;
  // The edge is the ring whose loops are left free: the one below.
  const edges = rings.flatMap(({ loops }, i) => (loops === 'both' || i === 0 ? [] : [i]));
  const points = stuffed({
    radii: [base.r, ...levels.map(({ bare }, i) => (endClosed && i === levels.length - 1 ? 0 : bare.r))],
    steps: stepsOf(base, levels, edges, endClosed),
    startClosed,
    endClosed,
    edges,
  });
  return {
    name,
    start,
    end,
    gap,
    flat,
    base: { bare: base, stuffed: points[0] ?? base },
    levels: levels.map((level, i) => ({ ...level, stuffed: points[i + 1] ?? level.bare })),
    pole: pole && { bare: pole, stuffed: points[points.length - 1] ?? pole },
  };
}

/** How far each ring is from the one below. A base that an edge goes round is held flat by it, and does not bulge. */
function stepsOf(base: Point, levels: readonly Level[], edges: readonly number[], endClosed: boolean): number[] {
  const steps = levels.map(({ height }) => height);
  const flatten = (from: number, to: number) => {
    if (levels.slice(from, to).some(({ lie }) => lie !== 'flat')) return;
    for (let i = from; i < to; i += 1) {
      const below = i === 0 ? base : (levels[i - 1] as Level).bare;
      const last = endClosed && i === levels.length - 1;
      steps[i] = Math.max(
        Math.abs((last ? 0 : (levels[i] as Level).bare.r) - below.r),
        (levels[i] as Level).height / 2,
      );
    }
  };
  const [first, last] = [edges[0], edges[edges.length - 1]];
  if (first !== undefined && base.r === 0) flatten(0, first);
  if (last !== undefined && endClosed) flatten(last, levels.length);
  return steps;
}

/** What a piece that is open at its start begins on: as wide as the edge below its first ring. */
function firstRadius({ rings, start }: Piece, sections: readonly Section[]): number {
  const first = sections[0];
  const ring = rings[0];
  if (!first || !ring) return 0;
  const below = start.kind === 'chain' || ring.edge === null ? ring.made : ring.edge;
  return first.radius * ((below ?? 0) / Math.max(1, ring.made ?? 1));
}

/**
 * Where a ring comes to lie on the one below. Fabric whose rounds grow about as fast as a flat disc's lies flat; slower
 * ones rise by what is left of their height; what grows faster goes out as far as it can, and the rest of it ruffles.
 */
function laidOn(below: Point, radius: number, height: number): { point: Point; lie: Lie } {
  const change = radius - below.r;
  const part = height > 0 ? Math.abs(change) / height : 0;
  if (change > 0 && part > FLAT_EASE.fast)
    return { point: { r: below.r + height * FLAT_EASE.fast, z: below.z }, lie: 'ruffle' };
  const rise = height * riseOf(part);
  const lie = rise === 0 ? 'flat' : part < TUBE ? 'tube' : 'cup';
  return { point: { r: radius, z: below.z + rise }, lie };
}

/** A ring that is wider or narrower by less than this part of its height stands straight up. */
const TUBE = 0.05;
/** Up to here fabric is a cone as its lengths say; from there to a flat disc it gives way. */
const CONE = 0.7;

function riseOf(part: number): number {
  if (part >= FLAT_EASE.slow) return 0;
  if (part <= CONE) return Math.sqrt(1 - part ** 2);
  return (Math.sqrt(1 - CONE ** 2) * (FLAT_EASE.slow - part)) / (FLAT_EASE.slow - CONE);
}
