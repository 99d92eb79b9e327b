import type { PartShape } from './partShape.js';

/** Openings narrower than this, laid flat, let neither stuffing nor a finger through; mm. */
export const NARROW = 16;

/** Width of the opening that so many stitches leave, laid flat, in mm: half of the way round. */
export function openingOf(stitches: number, width: number): number {
  return Math.round((stitches * width) / 2);
}

/**
 * How wide the washer behind a safety eye is, in mm. A usual figure: washers stand out by about 2 mm all round, and the
 * smallest are 9 mm wide. Some makers' differ.
 */
export function washerOf(eye: number): number {
  return Math.max(9, eye + 4);
}

/** An opening as it is while the part is made. */
export interface Opening {
  readonly ring: number;
  /** Laid flat, in mm. */
  readonly width: number;
}

/** Until when things go in, while a part is made from the first ring to the last. */
export interface Openings {
  readonly widest: Opening;
  /** The last ring after which it is still wide enough; null where it stays open, or never was. */
  readonly stuffing: Opening | null;
  readonly washers: Opening | null;
  /** What is left at the end. */
  readonly last: Opening;
}

/** The openings of the piece of a part that has most rings; null for rows, and for what has no rounds. */
export function openingsOf({ outlines }: Pick<PartShape, 'outlines'>, washer: number): Openings | null {
  const rounds = outlines.filter(({ flat, levels }) => !flat && levels.length > 0);
  const longest = rounds.sort((a, b) => b.levels.length - a.levels.length)[0];
  if (!longest) return null;
  const openings = longest.levels.map(({ ring, section }) => ({ ring, width: section.around / 2 }));
  if (longest.end === 'shut') openings.pop();
  const [first] = openings;
  if (!first) return null;
  const widest = openings.reduce((best, one) => (one.width > best.width ? one : best), first);
  const last = openings[openings.length - 1] ?? first;
  const until = (needed: number) =>
    last.width >= needed || widest.width < needed ? null : (openings.findLast(({ width }) => width >= needed) ?? null);
  return { widest, stuffing: until(NARROW), washers: until(Math.max(washer, NARROW)), last };
}
