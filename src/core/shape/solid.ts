import type { ShapeOutline, ShapePart } from './schema.js';
import { pointOn } from './section.js';

/** The stitches of a part in space, one behind the other; lengths are mm, y is up. */
export interface Solid {
  readonly count: number;
  /** Of each stitch its three half axes (along the round, up the fabric, outwards) and its middle: 12 figures. */
  readonly frames: Float32Array;
  /** Its place among the yarns; -1 for none that is said. */
  readonly yarns: Int16Array;
  /** The ring of the part that it is on. */
  readonly rings: Uint32Array;
  /** How far the part reaches from its middle, which lies at 0. */
  readonly reach: { readonly across: number; readonly up: number };
}

type Vector = readonly [number, number, number];

/** Space between the pieces of a part that stand side by side, in parts of the widest. */
const BETWEEN = 0.25;
/** How far a stitch stands out of the fabric, in parts of its width. */
const THICK = 0.35;

/**
 * The stitches of a part where its outline puts them.
 * @param over upside down, where the work begins at the top.
 * @param coarse one for so many stitches, along the round and up the fabric, where a machine is slow.
 */
export function solidOf(part: ShapePart, over: boolean, coarse = 1): Solid {
  const pieces = part.outlines.map((outline) => [...stitchesOf(part, outline, coarse)]);
  const halves = pieces.map((piece) => Math.max(1, ...piece.map(({ at }) => Math.abs(at[0]))));
  const widest = Math.max(1, ...halves);
  const heights = pieces.flatMap((piece) => piece.map(({ at }) => at[1]));
  const [low, high] = heights.reduce(([a, b], y) => [Math.min(a, y), Math.max(b, y)], [0, 1]);
  const middle = (low + high) / 2;
  const all = pieces.flatMap((piece, i) => {
    const before = halves.slice(0, i).reduce((sum, half) => sum + 2 * half + BETWEEN * widest, 0);
    const x = before + (halves[i] ?? 0) - (halves[0] ?? 0);
    return piece.map((stitch) => ({ ...stitch, at: [stitch.at[0] + x, stitch.at[1] - middle, stitch.at[2]] as const }));
  });
  const frames = new Float32Array(all.length * 12);
  all.forEach(({ along, up, out, at }, i) => {
    const turn = over ? -1 : 1;
    // Turned over about its middle: up is down, and left is right.
    const turned = ([x, y, z]: Vector): Vector => [x * turn, y * turn, z];
    frames.set([...turned(along), ...turned(up), ...turned(out), ...turned(at)], i * 12);
  });
  return {
    count: all.length,
    frames,
    yarns: Int16Array.from(all, ({ yarn }) => yarn ?? -1),
    rings: Uint32Array.from(all, ({ ring }) => ring),
    reach: {
      across: Math.max(1, ...all.map(({ at }) => Math.hypot(at[0], at[2]))),
      up: (high - low) / 2,
    },
  };
}

interface StitchInSpace {
  readonly along: Vector;
  readonly up: Vector;
  readonly out: Vector;
  readonly at: Vector;
  readonly yarn: number | null;
  readonly ring: number;
}

function* stitchesOf(part: ShapePart, outline: ShapeOutline, coarse: number): Iterable<StitchInSpace> {
  const which = part.filling === 'stuffed' ? 'stuffed' : 'bare';
  for (let i = coarse - 1; i < outline.levels.length; i += coarse) {
    const level = outline.levels[i];
    const ring = level && part.rings[level.ring];
    if (!level || !ring) continue;
    const below = outline.levels[i - coarse]?.[which] ?? outline.base[which];
    const above = level[which];
    // The last ring of a piece that is drawn together goes on to its pole.
    yield* stitchesOn(outline, level, ring, below, above, coarse);
  }
}

function* stitchesOn(
  { flat }: ShapeOutline,
  level: ShapeOutline['levels'][number],
  ring: ShapePart['rings'][number],
  below: { r: number; z: number },
  above: { r: number; z: number },
  coarse: number,
): Iterable<StitchInSpace> {
  const { made, start } = ring;
  if (made === null || made === 0) return;
  const colours = ring.colours.flatMap(([yarn, some]) => Array<number | null>(some).fill(yarn));
  const middle = { r: (below.r + above.r) / 2, z: (below.z + above.z) / 2 };
  const rise = [above.r - below.r, above.z - below.z] as const;
  const long = Math.hypot(...rise) || 1;
  for (let stitch = 0; stitch < made; stitch += coarse) {
    const share = (stitch + coarse / 2) / made;
    const yarn = colours[Math.min(colours.length - 1, stitch)] ?? null;
    const frame = flat
      ? onRow(share, made, middle, level.height, coarse)
      : onRound(level.section, start + share, made, middle, rise, long, coarse);
    yield { ...frame, yarn, ring: level.ring };
  }
}

type InSpace = Pick<StitchInSpace, 'along' | 'up' | 'out' | 'at'>;

function onRow(
  share: number,
  made: number,
  { r, z }: { r: number; z: number },
  height: number,
  coarse: number,
): InSpace {
  const width = r / made;
  return {
    along: [width * coarse, 0, 0],
    up: [0, (height / 2) * coarse, 0],
    out: [0, 0, 2 * width * THICK],
    at: [(2 * share - 1) * r, z, 0],
  };
}

function onRound(
  section: ShapeOutline['levels'][number]['section'],
  share: number,
  made: number,
  { r, z }: { r: number; z: number },
  [out, up]: readonly [number, number],
  long: number,
  coarse: number,
): InSpace {
  const sides = section.corners;
  const around = sides >= 3 ? 2 * sides * r * Math.tan(Math.PI / sides) : 2 * Math.PI * r + 2 * section.straight;
  const held = { ...section, radius: r, around };
  // The round begins in the middle of the back, and goes to the left.
  const [here, next] = [pointOn(held, 0.5 - share), pointOn(held, 0.5 - share - 0.001)];
  const [dx, dy] = [next.x - here.x, next.y - here.y];
  const step = Math.hypot(dx, dy) || 1;
  const [tx, tz] = [dx / step, dy / step];
  // Outwards from the section: to the right of the way that it goes.
  const [nx, nz] = [tz, -tx];
  const facing = nx * here.x + nz * here.y < 0 ? -1 : 1;
  const [ox, oz] = [nx * facing, nz * facing];
  const half = around / made / 2;
  const rising: Vector = [(ox * out) / long, up / long, (oz * out) / long];
  const normal: Vector = [(ox * up) / long, -out / long, (oz * up) / long];
  const thick = 2 * half * THICK;
  // Along, up and out are as thumb, first and second finger of a right hand: so each patch shows its face outwards.
  const side =
    normal[0] * (-tz * rising[1]) + normal[1] * (tz * rising[0] - tx * rising[2]) + normal[2] * (tx * rising[1]) < 0
      ? -half
      : half;
  return {
    along: [tx * side * coarse, 0, tz * side * coarse],
    up: [rising[0] * (long / 2), rising[1] * (long / 2), rising[2] * (long / 2)],
    out: [normal[0] * thick, normal[1] * thick, normal[2] * thick],
    at: [here.x, z, here.y],
  };
}

/** Something that is put on a part. */
interface Thing {
  readonly rings: readonly [number, number] | null;
  readonly z: number | null;
  readonly r: number | null;
  readonly turns: readonly number[];
}

/** Where the things of a pair, or one thing, stand on a part: about the middle of the front of their own round. */
export function spotsOf(part: ShapePart, { rings, z, r, turns }: Thing, over: boolean): Vector[] {
  if (z === null || r === null) return [];
  const which = part.filling === 'stuffed' ? 'stuffed' : 'bare';
  const heights = part.outlines.flatMap(({ base, levels }) => [
    base[which].z,
    ...levels.map((level) => level[which].z),
  ]);
  const middle = (Math.min(0, ...heights) + Math.max(1, ...heights)) / 2;
  const up = over ? -1 : 1;
  return turns.map((turn): Vector => {
    const angle = (turn * Math.PI) / 180 - wandered(part, rings);
    return [up * r * Math.sin(angle), up * (z - middle), r * Math.cos(angle)];
  });
}

/** By how much a part has to be turned for the front of a round, or of its middle, to face the one who looks; radians. */
export function frontOf(part: ShapePart, rings: Thing['rings'], over: boolean): number {
  return (over ? -1 : 1) * wandered(part, rings);
}

/** How far the start of a round has wandered, and its front with it. */
function wandered({ rings: all }: ShapePart, rings: Thing['rings']): number {
  const ring = all[rings?.[0] ?? Math.floor(all.length / 2)];
  return (ring?.start ?? 0) * 2 * Math.PI;
}
