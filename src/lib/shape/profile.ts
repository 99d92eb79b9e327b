import type { ShapeOutline, ShapePart, ShapeRing } from '../../core/index.js';

/** A level as a line across the outline, in mm; up is positive, and the beginning of the work lies below. */
export interface Line {
  readonly ring: number;
  /** Half of its length as seen from the front, with the straight sides of an oval. */
  readonly half: number;
  readonly z: number;
  /** How often its stitches would go round there: over 1 it ruffles. */
  readonly full: number;
}

/** A piece as it is drawn. */
export interface Profile {
  readonly outline: ShapeOutline;
  readonly lines: readonly Line[];
  /** The outline itself, from the beginning along the right side: half width and height. */
  readonly edge: readonly { readonly half: number; readonly z: number }[];
  readonly low: number;
  readonly high: number;
  readonly widest: number;
  /** How far it is moved to the right of the part's middle, so that pieces do not lie on each other. */
  readonly at: number;
}

/** Space between pieces that stand side by side, in parts of the widest. */
const BETWEEN = 0.25;

/**
 * The pieces of a part as they are drawn: stuffed, or as they lie by themselves.
 * @param over upside down, where the work begins at the top.
 */
export function profilesOf({ outlines, filling }: ShapePart, bare: boolean, over: boolean): Profile[] {
  const which = bare || filling !== 'stuffed' ? 'bare' : 'stuffed';
  const drawn = outlines.map((outline) => profileOf(outline, which, over ? -1 : 1));
  const widest = Math.max(1, ...drawn.map((profile) => profile.widest));
  let at = 0;
  return drawn.map((profile, i) => {
    const before = drawn[i - 1];
    if (before) at += before.widest + profile.widest + BETWEEN * widest;
    return { ...profile, at };
  });
}

function profileOf(outline: ShapeOutline, which: 'bare' | 'stuffed', up: 1 | -1): Profile {
  const { base, levels, pole, flat } = outline;
  const lines = levels.map(({ ring, section, full, ...level }): Line => {
    const { r, z } = level[which];
    return { ring, half: r + (flat ? 0 : section.straight / 2), z: up * z, full };
  });
  const straight = flat ? 0 : (levels[0]?.section.straight ?? 0) / 2;
  const edge = [
    { half: base[which].r + straight, z: up * base[which].z },
    ...lines.map(({ half, z }) => ({ half, z })),
    ...(pole ? [{ half: pole[which].r, z: up * pole[which].z }] : []),
  ];
  const heights = edge.map(({ z }) => z);
  return {
    outline,
    lines,
    edge,
    low: Math.min(...heights),
    high: Math.max(...heights),
    widest: Math.max(1, ...edge.map(({ half }) => half)),
    at: 0,
  };
}

/** A stretch of one yarn on a line as it is seen from the front: from and to, in parts of its half width. */
export interface Patch {
  readonly yarn: number | null;
  readonly from: number;
  readonly to: number;
}

/**
 * The yarns of a ring as they are seen from the front. Rounds are taken to start in the middle of the back, and the work
 * to go from right to left as it does in a right hand; rows are seen from end to end.
 */
export function patchesOf({ colours, kind }: ShapeRing): Patch[] {
  const all = colours.reduce((sum, [, stitches]) => sum + stitches, 0);
  const patches: Patch[] = [];
  let at = 0;
  for (const [yarn, stitches] of colours) {
    const [from, to] = [at / all, (at + stitches) / all];
    at += stitches;
    const [a, b] = [across(from, kind), across(to, kind)];
    if (b > a) patches.push({ yarn, from: a, to: b });
  }
  return patches;
}

function across(share: number, kind: ShapeRing['kind']): number {
  if (kind === 'row') return 2 * share - 1;
  const front = Math.min(0.75, Math.max(0.25, share));
  return Math.sin((front - 0.5) * 2 * Math.PI);
}

/** What a drawing has to hold, in mm. */
export interface Frame {
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

export function frameOf(profiles: readonly Profile[]): Frame {
  return {
    left: Math.min(0, ...profiles.map(({ at, widest }) => at - widest)),
    right: Math.max(1, ...profiles.map(({ at, widest }) => at + widest)),
    low: Math.min(...profiles.map(({ low }) => low), 0),
    high: Math.max(...profiles.map(({ high }) => high), 0),
  };
}

/** Ticks of a ruler over a length in mm: so many that they can be read, at whole steps. */
export function ticksOf(length: number, unit: number, most: number): number[] {
  const steps = [0.25, 0.5, 1, 2, 5, 10, 20, 50, 100];
  const step = steps.find((one) => length / (one * unit) <= most) ?? 200;
  return Array.from({ length: Math.floor(length / (step * unit)) + 1 }, (_, i) => i * step);
}
