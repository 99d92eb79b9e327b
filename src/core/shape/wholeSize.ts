import type { Drawing } from './drawing.js';
import type { FinishedSize } from './finishedSize.js';

/** Stated and counted sizes that differ by less than this part of the stated one are taken to agree. */
const TENTH = 0.1;

/** What the counts give of the toy one way, in mm; null where that can't be told. */
export function wayOf(drawing: Drawing, way: FinishedSize['way']): number | null {
  const { height, stacked } = drawing.toy();
  const sizes = drawing.parts().flatMap(({ part, size }) => (size && stacked.includes(part) ? [size] : []));
  if (sizes.length === 0) return null;
  const widest = Math.max(...sizes.map((size) => size.width));
  switch (way) {
    case 'wide':
      return widest;
    case 'long':
      return Math.max(widest, height ?? 0);
    default:
      return height;
  }
}

/** The stated size against what the counts give. */
export interface SizeGap {
  readonly stated: number;
  readonly counts: { readonly from: number; readonly to: number };
  readonly differs: boolean;
  /** A part of it has a gap: it is at least so large. */
  readonly atLeast: boolean;
}

/** Compares the finished size that the text states with what the counts give; null where either is not known. */
export function sizeGap(drawing: Drawing): SizeGap | null {
  const finished = drawing.finished();
  const counted = finished && wayOf(drawing, finished.way);
  if (!finished || !counted) return null;
  const { spread } = drawing.at().gauge;
  const counts = { from: counted * (1 - spread), to: counted * (1 + spread) };
  const stated = finished.millimetres;
  // A part with a gap is at least so large.
  const { stacked } = drawing.toy();
  const broken = drawing
    .parts()
    .some(({ part, pieces }) => stacked.includes(part) && pieces.some(({ end }) => end === 'gap'));
  const outside = stated < counts.from || (stated > counts.to && !broken);
  return { stated, counts, differs: outside && Math.abs(stated - counted) > TENTH * stated, atLeast: broken };
}

/** Whether parts whose place on the toy is not known could make up for what is missing of a stated size. */
export function mayStandHigher(drawing: Drawing, stated: number): boolean {
  const { unplaced, joins, stacked } = drawing.toy();
  const open = new Set([...unplaced, ...joins.filter(({ where }) => where === 'unsaid').map(({ part }) => part)]);
  let reach = wayOf(drawing, drawing.finished()?.way ?? 'any') ?? 0;
  for (const { part, size } of drawing.parts())
    if (size && open.has(part) && !stacked.includes(part)) reach += Math.max(size.height, size.width);
  return reach * (1 + TENTH) >= stated;
}
