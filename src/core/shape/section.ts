import type { Piece } from './pieces.js';

/** The outline of a ring looked at from the pole, at a gauge. Lengths are mm. */
export interface Section {
  /** All the way round: stitches times their width. */
  readonly around: number;
  /** Length of the straight sides of an oval; 0 otherwise. */
  readonly straight: number;
  /** Corners of a square or triangle; 0 where it is round. */
  readonly corners: number;
  /** From the middle to the side: the radius of a round, of the ends of an oval; the apothem of a square. */
  readonly radius: number;
}

/** From so many corners on a stuffed piece is as good as round. */
const ROUND = 5;

/** The sections of a piece's rings, at a stitch width in mm. */
export function sectionsOf({ start, rings, shaping }: Piece, width: number): Section[] {
  const along = start.kind === 'oval' ? (start.along - 1) * width : 0;
  // The straight sides are worked plain; where a piece gets smaller all its sides do.
  let widest = 0;
  let straight = along;
  return rings.map(({ made, edge, shut }, i) => {
    // Worked shut through both layers it is as long as before, and lies double.
    const around = (shut ? (edge ?? 2 * (made ?? 0)) : (made ?? 0)) * width;
    if (around < widest) straight = Math.min(straight, (along * around) / widest);
    widest = Math.max(widest, around);
    straight = Math.min(straight, around / 2);
    const corners = shaping[i]?.corners ?? 0;
    return sectionOf(around, straight, corners < ROUND ? corners : 0);
  });
}

/** A ring that is so long all the way round. */
export function sectionOf(around: number, straight: number, corners: number): Section {
  const radius =
    corners >= 3 ? around / (2 * corners * Math.tan(Math.PI / corners)) : (around - 2 * straight) / (2 * Math.PI);
  return { around, straight, corners, radius };
}

/** How wide a section is seen from the front, where the long side of an oval lies across, and from the side; mm. */
export function widthsOf({ radius, straight, corners }: Section): { front: number; side: number } {
  // A square is looked at on its side; a triangle is as wide as its side is long.
  const front = corners === 3 ? 2 * radius * Math.tan(Math.PI / 3) : 2 * radius;
  return { front: front + straight, side: 2 * radius };
}

/** Seen from the pole: a point of a section at a part of the way round, from the start; x lies across, y to the front. */
export function pointOn({ around, straight, corners, radius }: Section, at: number): { x: number; y: number } {
  const part = ((at % 1) + 1) % 1;
  if (corners >= 3) return onPolygon(corners, radius, part);
  if (straight <= 0 || around <= 0) {
    const angle = part * 2 * Math.PI;
    return { x: radius * Math.sin(angle), y: radius * Math.cos(angle) };
  }
  return onOval(around, straight, radius, part);
}

function onPolygon(corners: number, apothem: number, part: number): { x: number; y: number } {
  const side = 2 * apothem * Math.tan(Math.PI / corners);
  const on = Math.floor(part * corners);
  const along = (part * corners - on - 0.5) * side;
  const turn = ((on + 0.5) / corners) * 2 * Math.PI;
  return {
    x: apothem * Math.sin(turn) + along * Math.cos(turn),
    y: apothem * Math.cos(turn) - along * Math.sin(turn),
  };
}

/** From the middle of the front side, by the right end, along the back and by the left end. */
function onOval(around: number, straight: number, radius: number, part: number): { x: number; y: number } {
  const arc = Math.PI * radius;
  let way = part * around;
  const half = straight / 2;
  if (way <= half) return { x: way, y: radius };
  way -= half;
  if (way <= arc) return { x: half + radius * Math.sin(way / radius), y: radius * Math.cos(way / radius) };
  way -= arc;
  if (way <= straight) return { x: half - way, y: -radius };
  way -= straight;
  if (way <= arc) return { x: -half - radius * Math.sin(way / radius), y: -radius * Math.cos(way / radius) };
  way -= arc;
  return { x: -half + way, y: radius };
}
