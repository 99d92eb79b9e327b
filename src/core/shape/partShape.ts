import type { MakingEvent } from '../document/document.js';
import type { Part } from '../pattern/pattern.js';
import type { Gauge } from './gauge.js';
import { lazily } from './lazily.js';
import { outlineOf, type OutlinePiece } from './outline.js';
import type { Piece } from './pieces.js';
import type { Ring } from './rings.js';
import { widthsOf } from './section.js';

/** Lengths in mm: along the work, across as seen from the front, from front to back, and all the way round at the widest. */
export interface Size {
  readonly height: number;
  readonly width: number;
  readonly depth: number;
  readonly around: number;
}

/** How a part is kept in shape: stuffed round, pressed flat, or lying flat by itself. */
export type Filling = 'stuffed' | 'empty' | 'lies-flat';

/** A part as its counts make it. */
export interface PartShape {
  readonly part: Part;
  readonly rings: readonly Ring[];
  readonly pieces: readonly Piece[];
  readonly outlines: readonly OutlinePiece[];
  readonly filling: Filling;
  /** Whether the text says so; otherwise it is taken from how the part is made. */
  readonly fillingSaid: boolean;
  /** Null where no ring of it has a count. */
  readonly size: Size | null;
}

/** A piece that rises by less than this part of its radius lies flat. */
const FLAT = 0.35;
/** Thickness of one layer of fabric, in widths of a stitch. */
const LAYER = 0.6;

export function shapePart(
  part: Part,
  rings: readonly Ring[],
  pieces: readonly Piece[],
  events: readonly MakingEvent[],
  stuffedElsewhere: boolean,
  gauge: Gauge,
): PartShape {
  const outlines = lazily(() => pieces.map((piece) => outlineOf(piece, gauge)));
  const own = events.filter((event) => event.kind === 'stuffing' && event.part === part);
  const filling = lazily(() => fillingOf(outlines(), own));
  const size = lazily(() => sizeOf(outlines(), filling(), gauge));
  return {
    part,
    rings,
    pieces,
    // Outlines are solved for, which takes time: whoever counts yarn needs none.
    get outlines() {
      return outlines();
    },
    get filling() {
      return filling();
    },
    get fillingSaid() {
      return own.length > 0 || (stuffedElsewhere && filling() === 'stuffed');
    },
    get size() {
      return size();
    },
  };
}

function fillingOf(outlines: readonly OutlinePiece[], own: readonly MakingEvent[]): Filling {
  if (own.some(({ negated }) => negated)) return 'empty';
  if (own.length > 0) return 'stuffed';
  // What is worked shut without a word of stuffing was folded flat for it.
  if (outlines.some(({ end }) => end === 'shut')) return 'empty';
  return outlines.every(liesFlat) ? 'lies-flat' : 'stuffed';
}

/** Rows, and discs whose edge is not drawn together. */
export function liesFlat({ flat, levels, end, base }: OutlinePiece): boolean {
  if (flat) return true;
  const widest = Math.max(base.bare.r, ...levels.map(({ bare }) => bare.r));
  const top = Math.max(0, ...levels.map(({ bare }) => bare.z));
  return end !== 'closed' && top < FLAT * widest;
}

/** Where the upper edge of a level lies in the part as it is kept. */
export function pointsOf({ base, levels, pole }: OutlinePiece, filling: Filling): { r: number; z: number }[] {
  const which = filling === 'stuffed' ? 'stuffed' : 'bare';
  return [base[which], ...levels.map((level) => level[which]), ...(pole ? [pole[which]] : [])];
}

/** The size of a part: of its largest piece; collars and edgings that grow on it are not added. */
function sizeOf(outlines: readonly OutlinePiece[], filling: Filling, gauge: Gauge): Size | null {
  let best: Size | null = null;
  for (const outline of outlines) {
    const size = pieceSize(outline, filling, gauge);
    if (!best || size.height * size.width > best.height * best.width) best = size;
  }
  return best;
}

function pieceSize(outline: OutlinePiece, filling: Filling, { width: stitch }: Gauge): Size {
  const { levels, flat } = outline;
  const thick = LAYER * stitch;
  const around = Math.max(0, ...levels.map(({ section }) => section.around));
  const points = pointsOf(outline, filling);
  if (flat) {
    const tall = points[points.length - 1]?.z ?? 0;
    return { height: tall, width: around, depth: thick, around };
  }
  const z = points.map((point) => point.z);
  const rise = Math.max(...z) - Math.min(...z);
  if (filling === 'empty' && !liesFlat(outline)) {
    // Pressed flat it is as tall as the fabric is long, and half as wide as it goes round.
    const length = levels.reduce((sum, { height }) => sum + height, 0);
    return { height: length, width: around / 2, depth: 2 * thick, around };
  }
  const widths = levels.map(({ section, bare, stuffed }) => {
    const held = filling === 'stuffed' ? stuffed.r : bare.r;
    const { front, side } = widthsOf(section);
    const part = section.radius > 0 ? held / section.radius : 1;
    return { front: section.straight + (front - section.straight) * part, side: side * part, around: section.around };
  });
  const front = Math.max(0, ...widths.map((one) => one.front));
  const side = Math.max(0, ...widths.map((one) => one.side));
  if (liesFlat(outline)) return { height: side, width: front, depth: Math.max(thick, rise), around };
  return { height: rise, width: front, depth: side, around: aroundOf(levels, filling) };
}

/** The longest way round, as the rings come to lie. */
function aroundOf(levels: OutlinePiece['levels'], filling: Filling): number {
  return Math.max(
    0,
    ...levels.map(({ section, bare, stuffed, full }) => {
      const held = filling === 'stuffed' ? stuffed.r : bare.r;
      return full > 1 ? section.around : section.around + 2 * Math.PI * (held - section.radius);
    }),
  );
}

/** The rings that some round numbers name; null where the part has none of them. */
export function ringsNamed(
  { rings }: PartShape,
  [first, last]: readonly [number, number],
  fromEnd: boolean,
): [number, number] | null {
  const numbers = rings.map(({ number }) => number);
  const most = Math.max(0, ...numbers.map((number) => number ?? 0));
  const of = (number: number) => numbers.indexOf(fromEnd ? most + 1 - number : number);
  const [a, b] = [of(first), of(last)];
  return a < 0 || b < 0 ? null : [Math.min(a, b), Math.max(a, b)];
}
