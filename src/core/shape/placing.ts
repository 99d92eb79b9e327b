import type { Located } from '../document/located.js';
import type { Part } from '../pattern/pattern.js';
import type { Span } from '../text/source.js';
import { ringsNamed, type PartShape } from './partShape.js';
import { widthsOf } from './section.js';

/** Something that the text puts on a part. Lengths are mm, angles degrees. */
export interface Placed {
  /** As the text calls it: "eyes", "wings". */
  readonly what: string;
  readonly pair: boolean;
  readonly onto: Part | null;
  /** The rounds that are named, first and last. */
  readonly rounds: readonly [number, number] | null;
  /** Rings of the part: it lies on the edge between two where they are named so, else in the middle of them. */
  readonly rings: readonly [number, number] | null;
  readonly between: boolean;
  /** Stitches from one to the other, along the round. */
  readonly apart: number | null;
  /** How many the round has. */
  readonly of: number | null;
  /** Where they lie, from the middle between them: to the left and to the right; one thing lies at 0. */
  readonly turns: readonly number[];
  /** How far round the middle is from the start of the round, where stitches are named by their numbers. */
  readonly middle: number | null;
  /** From one to the other along the fabric. */
  readonly distance: number | null;
  /** Height along the work, and distance from the axis. */
  readonly z: number | null;
  readonly r: number | null;
  /** What the text leaves out, as clauses. */
  readonly missing: readonly string[];
  readonly span: Span;
}

const THINGS =
  /(?<!\p{L})(?:safety )?(eyes?|nose|nostrils?|mouth|smile|cheeks?|beaks?|bills?|muzzle|snout|ears?|horns?|antlers?|arms?|legs?|feet|foot|paws?|wings?|fins?|tails?|hands?|hair|hat|buttons?|beads?|whiskers|spots?|patch(?:es)?|door|window)(?!\p{L})/iu;
/** "at stitches 9 and 20", "between sts 8 and 9": by their numbers from the start of the round. */
const NUMBERED =
  /(?<!\p{L})(at|on|in|into|to|through|between)\s+(?:the\s+)?(?:sts?\.?|stitch(?:es)?|x)\s?(\d{1,3})(?:\s*(?:and|&|\+)\s*(\d{1,3}))?(?!\d)/iu;
const BOTH = /(?<!\p{L})(?:both|two|pair|each|either)(?!\p{L})/iu;

/** Where things lie on the outlines. Their own part is told by the words before; see `locatedIn`. */
export function placedOn(
  located: Iterable<Located>,
  shapes: ReadonlyMap<Part, PartShape>,
  partsIn: (words: string) => readonly Part[],
): Placed[] {
  const all: Placed[] = [];
  const seen = new Set<string>();
  for (const one of located) {
    const placed = placedAt(one, shapes, partsIn);
    const key = `${placed.what} ${placed.span.from}`;
    if (seen.has(key)) continue;
    seen.add(key);
    all.push(placed);
  }
  return all;
}

function placedAt(
  { step, place, where, from }: Located,
  shapes: ReadonlyMap<Part, PartShape>,
  partsIn: (words: string) => readonly Part[],
): Placed {
  const onto = where?.certain === false ? null : (where?.piece.part ?? null);
  const shape = where ? shapes.get(where.piece.part) : undefined;
  const named = step.pieces.length > 0 ? step.pieces : partsIn(step.text.slice(0, place.from));
  const { what, pair } = thingIn(step.text, place, named.find((piece) => piece !== where?.piece.part) ?? null);
  const spot = spotOf(shape, place, step.text);
  const missing = [
    ...(onto ? [] : ['on which part']),
    ...(place.rounds ? [] : ['on which round']),
    ...(place.rounds && !spot.rings ? ['a round of that number'] : []),
    ...(pair && spot.apart === null ? ['how far apart'] : []),
  ];
  const span = { from, to: from + place.to - place.from };
  const turns = turnsOf(pair, spot.apart, spot.of);
  return { what, pair, onto, rounds: place.rounds, between: place.between, ...spot, turns, missing, span };
}

/** Where a place lies on a part, as far as it has such rounds. */
function spotOf(
  shape: PartShape | undefined,
  place: Located['place'],
  text: string,
): Pick<Placed, 'rings' | 'of' | 'apart' | 'middle' | 'distance' | 'z' | 'r'> {
  const numbered = NUMBERED.exec(text);
  const rings = shape && place.rounds ? ringsNamed(shape, place.rounds, place.fromEnd) : null;
  if (!shape || !rings)
    return { rings, of: null, apart: apartOf(place, numbered, null), middle: null, distance: null, z: null, r: null };
  const of = shape.rings[rings[0]]?.made ?? null;
  const apart = apartOf(place, numbered, of);
  const { z, r, around } = liesAt(shape, rings, place.between) ?? { z: null, r: null, around: null };
  const distance = apart !== null && of !== null && around !== null ? (apart / of) * around : null;
  return { rings, of, apart, middle: middleOf(numbered, of), distance, z, r };
}

/** What a sentence puts somewhere, and whether there are two of them. */
function thingIn(text: string, place: Located['place'], part: Part | null): { what: string; pair: boolean } {
  const thing = THINGS.exec(text.slice(0, place.from))?.[1] ?? THINGS.exec(text)?.[1];
  const what = (part?.name ?? thing ?? 'something').toLowerCase();
  const many = /[^s]s$|feet/iu.test(what) || (part !== null && part.make > 1);
  const two = many && (BOTH.test(text) || (part?.make ?? 2) === 2);
  return { what, pair: place.apart !== null || place.opposite || two };
}

function apartOf(
  { apart, opposite }: Located['place'],
  numbered: RegExpExecArray | null,
  of: number | null,
): number | null {
  if (apart !== null) return apart;
  if (opposite && of !== null) return of / 2;
  const [, how = '', first, second] = numbered ?? [];
  if (first === undefined || second === undefined || /between/i.test(how)) return null;
  const along = Math.abs(Number(second) - Number(first));
  // "in stitches 17 and 5" of 18: over the start of the round it is the shorter way.
  return of !== null && along <= of ? Math.min(along, of - along) : along;
}

function turnsOf(pair: boolean, apart: number | null, of: number | null): number[] {
  if (!pair) return [0];
  if (apart === null || of === null || of === 0) return [];
  const half = (apart / of) * 180;
  return [-half, half];
}

function middleOf(numbered: RegExpExecArray | null, of: number | null): number | null {
  const [, , first, second] = numbered ?? [];
  if (first === undefined || of === null || of === 0) return null;
  const [one, other] = [Number(first), Number(second ?? first)];
  const beyond = Math.abs(other - one) * 2 > of ? 0.5 : 0;
  return ((one + other - 1) / 2 / of + beyond) % 1;
}

/** Where the upper edge between two rings lies, or the middle of some. */
function liesAt(
  { outlines, filling }: PartShape,
  [first, last]: readonly [number, number],
  between: boolean,
): { z: number; r: number; around: number } | null {
  const outline = outlines.find(({ levels }) => levels.some(({ ring }) => ring === first));
  const which = filling === 'stuffed' ? 'stuffed' : 'bare';
  const at = (ring: number) => outline?.levels.find((level) => level.ring === ring);
  const [low, high, below] = [at(first), at(last), at(first - 1)];
  if (!outline || !low || !high) return null;
  const under = below?.[which] ?? outline.base[which];
  const [from, to] = between ? [low[which], low[which]] : [under, high[which]];
  const r = (from.r + to.r) / 2;
  const held = low.section.radius > 0 ? r / low.section.radius : 1;
  return { z: (from.z + to.z) / 2, r: (widthsOf(low.section).front / 2) * held, around: low.section.around * held };
}
