import type { MakingEvent } from '../document/document.js';
import type { Material } from '../materials/materials.js';
import { fabricOf } from './fabric.js';
import type { Gauge } from './gauge.js';
import type { PartShape } from './partShape.js';
import type { Piece } from './pieces.js';
import type { Laid, Ring } from './rings.js';
import { sectionsOf } from './section.js';
import type { ShapeSettings } from './settings.js';
import { amountIn, type Band } from './yarnBand.js';

/**
 * Length of yarn in a stitch, in mm, derived from the way that the yarn takes. Its top is a link of chain, along which
 * three strands run a stitch's width each; its post is a loop drawn up, two strands as tall as the stitch (three where a
 * yarn-over is wound around them); and the yarn goes once round another strand where the stitch is caught below, and once
 * for each yarn-over: π times its thickness. A US single crochet 5 mm wide and tall in double knitting takes 31 mm, a
 * double crochet 58 mm.
 */
export function yarnIn(
  { stitch, into, made }: Pick<Laid, 'stitch' | 'into' | 'made'>,
  gauge: Gauge,
  thick: number,
): number {
  if (made === 0 && stitch === 'chain') return 0;
  const { height, strands, wraps, legs, chains } = fabricOf(stitch);
  const post = strands * height * gauge.height + wraps * Math.PI * thick;
  const posts = legs * Math.max(into, made, 1);
  return posts * post + (Math.max(made, 1) + chains) * CHAIN_STRANDS * gauge.width;
}

/** Strands that run along a link of chain. */
const CHAIN_STRANDS = 3;
/** What is left hanging at the beginning and at the end of a piece, to be woven in; mm. */
const END = 150;
/** Where a yarn is changed, two ends of this length are left; mm. */
const CHANGE = 100;
/** An edge that is sewn on, or drawn together, takes so many times its length of yarn; at least so many mm. */
const SEAM = { times: 3, least: 300 } as const;

/** By how much two hands differ in the yarn they use at the same gauge. */
const SPREAD = 0.08;
/** Once some of it has been weighed. */
const WEIGHED_SPREAD = 0.05;

/** Yarn of one colour in one piece of a part, in mm. */
export interface PartYarn {
  readonly colour: string | null;
  readonly stitches: number;
  readonly length: number;
  /** Of that: ends and seams. */
  readonly ends: number;
}

/** Sums of yarn by colour, in the order of their use. */
class Sums {
  readonly #sums = new Map<string | null, { stitches: number; length: number; ends: number }>();

  of(colour: string | null): { stitches: number; length: number; ends: number } {
    const known = this.#sums.get(colour) ?? { stitches: 0, length: 0, ends: 0 };
    this.#sums.set(colour, known);
    return known;
  }

  all(): PartYarn[] {
    return [...this.#sums]
      .filter(([, { stitches, length }]) => stitches > 0 || length > 0)
      .map(([colour, { stitches, length, ends }]) => ({ colour, stitches, length: length + ends, ends }));
  }
}

/** The yarn that one piece of a part takes, by colour in the order of their use. */
export function yarnOfPart(
  { part, rings, pieces }: Pick<PartShape, 'part' | 'rings' | 'pieces'>,
  events: readonly MakingEvent[],
  gauge: Gauge,
  thick: number,
): PartYarn[] {
  const sums = new Sums();
  addStitches(sums, rings, gauge, thick);
  const sewn = events.some(({ kind, part: at }) => kind === 'tail' && at === part);
  pieces.forEach((piece, i) => {
    const [first, last] = [piece.rings[0], piece.rings[piece.rings.length - 1]];
    const begins = sums.of(first?.laid[0]?.colour ?? null);
    begins.length += chainsOf(piece) * CHAIN_STRANDS * gauge.width;
    begins.ends += END;
    const tail = sewn && i === pieces.length - 1 ? seamOf(piece, gauge) : END;
    sums.of(last?.laid[last.laid.length - 1]?.colour ?? null).ends += tail;
  });
  return sums.all();
}

/** What is left to sew a piece on by its last edge. */
function seamOf(piece: Piece, gauge: Gauge): number {
  const edge = sectionsOf(piece, gauge.width).at(-1)?.around ?? 0;
  return Math.max(SEAM.least, SEAM.times * edge);
}

/** The yarn in the stitches, and the ends that are left where it is changed. */
function addStitches(sums: Sums, rings: readonly Ring[], gauge: Gauge, thick: number): void {
  const measured = new Map<readonly Laid[], [string | null, number, number][]>();
  let before: string | null | undefined;
  for (const ring of rings) {
    if (ring.laid.length === 0) countUnknown(ring, sums.of(ring.colour), gauge, thick);
    const runs = measured.get(ring.laid) ?? runsOf(ring.laid, gauge, thick);
    measured.set(ring.laid, runs);
    for (const [colour, stitches, length] of runs) {
      const yarn = sums.of(colour);
      yarn.stitches += stitches;
      yarn.length += length;
      if (before !== undefined && before !== colour) {
        sums.of(before).ends += CHANGE;
        yarn.ends += CHANGE;
      }
      before = colour;
    }
  }
}

/** Stretches of one colour in a ring: colour, stitches, and length in mm. */
function runsOf(laid: readonly Laid[], gauge: Gauge, thick: number): [string | null, number, number][] {
  const runs: [string | null, number, number][] = [];
  for (const one of laid) {
    const last = runs[runs.length - 1];
    const length = yarnIn(one, gauge, thick);
    if (last && last[0] === one.colour) {
      last[1] += one.made;
      last[2] += length;
    } else runs.push([one.colour, one.made, length]);
  }
  return runs;
}

/** A round whose count is taken on trust is counted as one-step stitches. */
function countUnknown({ made }: Ring, yarn: { stitches: number; length: number }, gauge: Gauge, thick: number): void {
  const count = made ?? 0;
  yarn.stitches += count;
  yarn.length += count * yarnIn({ stitch: 'step1', into: 1, made: 1 }, gauge, thick);
}

/** Chains that a piece is begun on, besides those that are counted as stitches. */
function chainsOf({ start, rings }: Piece): number {
  if (start.kind === 'oval') return start.along + 1;
  if (start.kind === 'chain') return (rings[0]?.made ?? 0) + 1;
  return start.kind === 'joined' ? start.chains : 0;
}

/** From one figure to another. */
export interface Range {
  readonly from: number;
  readonly to: number;
}

/** What a yarn of the materials is needed for, and whether what is listed is enough. */
export interface YarnNeed {
  /** As the materials write it; null for what is worked in no colour that is said. */
  readonly name: string | null;
  readonly listed: Material | null;
  readonly stitches: number;
  readonly metres: Range;
  /** Null where the length of 100 g is not known. */
  readonly grams: Range | null;
  /** Whole balls; null where what one weighs is not known. */
  readonly balls: number | null;
  /** What is listed, in grams, or in metres where it is listed so; null where it can't be told. */
  readonly has: { readonly grams: number | null; readonly metres: number | null } | null;
  readonly verdict: 'enough' | 'short' | 'far-more' | 'unknown';
  readonly weighed: number | null;
}

/** More than this many times what is needed, and more than so many grams over it, is far more. */
const FAR_MORE = { times: 2, grams: 15 } as const;

/** What all parts together take of each yarn, against what the materials list. */
export function yarnNeeds(
  parts: readonly { readonly make: number; readonly yarn: readonly PartYarn[] }[],
  materials: readonly Material[],
  lineOf: (material: Material) => string,
  band: Band,
  gauge: Gauge,
  { weighed }: Pick<ShapeSettings, 'weighed'>,
): YarnNeed[] {
  const lengths = new Map<string | null, { stitches: number; metres: number }>();
  for (const { make, yarn } of parts)
    for (const { colour, stitches, length } of yarn) {
      const known = lengths.get(colour) ?? { stitches: 0, metres: 0 };
      lengths.set(colour, {
        stitches: known.stitches + stitches * make,
        metres: known.metres + (length * make) / 1000,
      });
    }
  const yarns = materials.filter(({ kind }) => kind === 'yarn');
  const named = only(lengths, yarns);
  const { factor, spread } = calibrated(named, band, gauge, weighed);
  return named.map(([name, { stitches, metres }]) => {
    const listed = yarns.find((one) => one.name.toLowerCase() === name?.toLowerCase()) ?? null;
    const range = { from: metres * factor * (1 - spread), to: metres * factor * (1 + spread) };
    const grams = band.metres === null ? null : scaled(range, 100 / band.metres);
    const has = listed && hasOf(listed, lineOf(listed), band);
    return {
      name,
      listed,
      stitches,
      metres: range,
      grams,
      balls: grams && band.ball !== null ? Math.ceil(grams.to / band.ball) : null,
      has,
      verdict: verdictOf(has, range, grams),
      weighed: weighed[name?.toLowerCase() ?? ''] ?? null,
    };
  });
}

/** Where only one yarn is listed, all that is worked in no colour that is said is worked in it. */
function only(
  lengths: ReadonlyMap<string | null, { stitches: number; metres: number }>,
  yarns: readonly Material[],
): [string | null, { stitches: number; metres: number }][] {
  const [one, ...others] = yarns;
  const unsaid = lengths.get(null);
  if (!unsaid || !one || others.length > 0 || lengths.size > 1) return [...lengths];
  return [[one.name, unsaid]];
}

const scaled = ({ from, to }: Range, by: number): Range => ({ from: from * by, to: to * by });

/** By what was weighed, how much more or less than the formula a hand takes, and how far that may be off. */
function calibrated(
  needs: readonly [string | null, { metres: number }][],
  { metres: per100 }: Band,
  gauge: Gauge,
  weighed: ShapeSettings['weighed'],
): { factor: number; spread: number } {
  const spread = Math.hypot(SPREAD, gauge.spread);
  if (per100 === null) return { factor: 1, spread };
  let [real, told] = [0, 0];
  for (const [name, { metres }] of needs) {
    const grams = weighed[name?.toLowerCase() ?? ''];
    if (grams === undefined) continue;
    real += grams;
    told += (metres * 100) / per100;
  }
  return told > 0 ? { factor: real / told, spread: WEIGHED_SPREAD } : { factor: 1, spread };
}

function hasOf(listed: Material, line: string, band: Band): YarnNeed['has'] {
  if (listed.amount === null) return null;
  const { grams, metres, balls } = amountIn(listed.amount, line);
  if (grams !== null || metres !== null) return { grams, metres };
  return balls !== null && band.ball !== null ? { grams: balls * band.ball, metres: null } : null;
}

function verdictOf(has: YarnNeed['has'], metres: Range, grams: Range | null): YarnNeed['verdict'] {
  if (!has) return 'unknown';
  const need = has.metres !== null ? metres : grams;
  const amount = has.metres ?? has.grams;
  if (!need || amount === null) return 'unknown';
  if (amount < need.from) return 'short';
  const over = amount - need.to;
  return amount > FAR_MORE.times * need.to && over > FAR_MORE.grams ? 'far-more' : 'enough';
}
