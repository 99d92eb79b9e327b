import type { AssemblyStep } from '../document/document.js';
import { nounOf } from '../document/prose.js';
import type { Part } from '../pattern/pattern.js';
import { ringsNamed, type PartShape } from './partShape.js';

/** How a part meets another. */
export interface Join {
  readonly part: Part;
  readonly onto: Part;
  /** On the beginning or the end of the other, at its side, or at a place that the text does not give. */
  readonly where: 'start' | 'end' | 'side' | 'unsaid';
  /** How it is known: crocheted on, by the round that is named, or by what such parts are. */
  readonly by: 'crochet' | 'round' | 'name' | null;
}

/** The toy put together, as far as the text says how. Lengths are mm. */
export interface WholeToy {
  readonly joins: readonly Join[];
  /** Null where more than one part stands alone, or the one that does has no size. */
  readonly height: number | null;
  /** The parts that are stacked up to it, from the one that all others are put on. */
  readonly stacked: readonly Part[];
  /** Parts that nothing says the place of. */
  readonly unplaced: readonly Part[];
}

const ON_TOP = /^(?:head|face|neck|hat|cap|roof|lid|lamp|top|crown|dome|chimney|funnel|stalk|stem|leaf)$/;
const BELOW = /^(?:leg|foot|feet|base|stand|wheel|root|paw)$/;
/** A place within this part of the height from an end of a part is at that end. */
const NEAR = 0.25;
/** A part that is thinner than this part of what it is sewn to adds to its height only as a leg or a head. */
const THIN = 0.4;

/**
 * How the parts of a toy meet, and how tall it stands.
 * @param ontoIn the part that a sentence which names none behind "to" puts something on, by the places in it.
 */
export function joined(
  shapes: readonly PartShape[],
  assembly: readonly AssemblyStep[],
  ontoIn: (step: AssemblyStep) => Part | null,
): WholeToy {
  const byPart = new Map(shapes.map((shape) => [shape.part, shape]));
  const joins = new Map<Part, Join>();
  for (const shape of shapes)
    for (const join of crocheted(shape, shapes)) if (!joins.has(join.part)) joins.set(join.part, join);
  for (const step of assembly)
    for (const part of step.pieces) {
      const target = step.onto ?? ontoIn(step);
      const onto = target && byPart.get(target);
      if (!onto || part === target || leads(joins, onto.part, part)) continue;
      const before = joins.get(part);
      if (!before || before.where === 'unsaid') joins.set(part, joinAt(part, onto, step));
    }
  const roots = shapes.filter(({ part }) => !joins.has(part));
  const largest = [...roots].sort((a, b) => volumeOf(b) - volumeOf(a))[0];
  const stacked: Part[] = [];
  const height = largest ? heightOf(largest, joins, byPart, stacked) : null;
  const unplaced = roots.filter((shape) => shape !== largest).map(({ part }) => part);
  return { joins: [...joins.values()], height, stacked, unplaced };
}

const volumeOf = ({ size }: PartShape): number => (size ? size.height * size.width * size.depth : 0);

/** Whether a part is put, by way of others, on another: what goes round in a circle is no assembly. */
function leads(joins: ReadonlyMap<Part, Join>, from: Part, to: Part): boolean {
  for (let at: Part | undefined = from, i = 0; at && i < 100; at = joins.get(at)?.onto, i += 1)
    if (at === to) return true;
  return false;
}

/** Pieces that a part is worked on from its first round. */
function* crocheted({ part, pieces }: PartShape, shapes: readonly PartShape[]): Iterable<Join> {
  for (const { start } of pieces) {
    if (start.kind !== 'joined') continue;
    for (const called of start.pieces) {
      const other = shapes.find((shape) => shape.part !== part && sameName(shape.part, called));
      if (other) yield { part: other.part, onto: part, where: 'start', by: 'crochet' };
    }
  }
}

function sameName({ name }: Part, called: string): boolean {
  const [own, other] = [name.toLowerCase(), called.toLowerCase()];
  return own === other || own.endsWith(` ${other}`) || other.endsWith(` ${own}`) || own.startsWith(`${other} `);
}

function joinAt(part: Part, onto: PartShape, { places }: AssemblyStep): Join {
  const place = places.find(({ rounds }) => rounds !== null);
  const rings = place?.rounds ? ringsNamed(onto, place.rounds, place.fromEnd) : null;
  const at = rings && partOfHeight(onto, rings[0]);
  if (at !== null)
    return { part, onto: onto.part, where: at < NEAR ? 'start' : at > 1 - NEAR ? 'end' : 'side', by: 'round' };
  const noun = nounOf(part);
  const where = ON_TOP.test(noun) ? 'end' : BELOW.test(noun) ? 'start' : 'unsaid';
  return { part, onto: onto.part, where, by: where === 'unsaid' ? null : 'name' };
}

/** How far up a ring lies, as a part of the height of its piece. */
function partOfHeight({ outlines, filling }: PartShape, ring: number): number | null {
  const outline = outlines.find(({ levels }) => levels.some((level) => level.ring === ring));
  if (!outline) return null;
  const which = filling === 'stuffed' ? 'stuffed' : 'bare';
  const z = [outline.base[which].z, ...outline.levels.map((level) => level[which].z)];
  const [low, high] = [Math.min(...z), Math.max(...z)];
  const at = outline.levels.find((level) => level.ring === ring)?.[which].z ?? low;
  return high > low ? (at - low) / (high - low) : null;
}

/** The height of a part with what stands on its two ends: of several on one end the tallest. */
function heightOf(
  shape: PartShape,
  joins: ReadonlyMap<Part, Join>,
  byPart: ReadonlyMap<Part, PartShape>,
  stacked: Part[],
): number | null {
  if (!shape.size) return null;
  stacked.push(shape.part);
  let sum = shape.size.height;
  for (const end of ['start', 'end'] as const) {
    const best = [...joins.values()]
      .filter(({ onto, where }) => onto === shape.part && where === end)
      .flatMap(({ part }) => {
        const other = byPart.get(part);
        if (!other || !addsHeight(other, shape)) return [];
        const parts: Part[] = [];
        const height = heightOf(other, joins, byPart, parts);
        return height === null ? [] : [{ height, parts }];
      })
      .sort((a, b) => b.height - a.height)[0];
    sum += best?.height ?? 0;
    stacked.push(...(best?.parts ?? []));
  }
  return sum;
}

/** Flat parts lie against the one they are on; of the others those that stand on its end. */
function addsHeight({ part, size, filling }: PartShape, { size: below }: PartShape): boolean {
  if (!size || !below || filling !== 'stuffed') return false;
  const noun = nounOf(part);
  return ON_TOP.test(noun) || BELOW.test(noun) || size.width >= THIN * below.width;
}
