import * as z from 'zod/mini';

const count = z.int().check(z.gte(0));
const figure = z.number();
const line = z.int().check(z.gte(1));
const point = z.object({ r: figure, z: figure });
const range = z.object({ from: figure, to: figure });
const size = z.object({ height: figure, width: figure, depth: figure, around: figure });
const opening = z.object({ ring: count, width: figure });
const sectionKind = z.object({ around: figure, straight: figure, corners: count, radius: figure });

/** A ring: a round or row by itself. */
const ringSchema = z.object({
  /** Its number among all rounds of the report, from 0. */
  round: count,
  number: z.nullable(z.int()),
  label: z.string(),
  /** Its lines in the text. */
  line,
  endLine: line,
  kind: z.enum(['round', 'row']),
  edge: z.nullable(count),
  made: z.nullable(count),
  /** What the pattern states; null where it states none, and for all but the last ring of a label. */
  stated: z.nullable(count),
  verdict: z.enum(['agrees', 'counted', 'off', 'unreadable', 'on-trust']),
  trusted: z.boolean(),
  /** Stretches of one yarn in the order of the work: place among the yarns, or null, and stitches made. */
  colours: z.array(z.tuple([z.nullable(count), count])),
  shapings: z.array(z.object({ kind: z.enum(['increase', 'decrease']), at: figure, stacked: count })),
  /** Where the round starts, a part of the way round. */
  start: figure,
  corners: count,
});

const levelSchema = z.object({
  ring: count,
  section: sectionKind,
  lie: z.enum(['flat', 'cup', 'tube', 'ruffle']),
  full: figure,
  height: figure,
  bare: point,
  stuffed: point,
});

const outlineSchema = z.object({
  name: z.nullable(z.string()),
  start: z.enum(['ring', 'oval', 'chain', 'joined', 'on', 'gap']),
  /** What it begins on, where that is to be said. */
  startWords: z.nullable(z.string()),
  end: z.enum(['closed', 'shut', 'open', 'gap']),
  gap: z.nullable(z.string()),
  flat: z.boolean(),
  base: z.object({ bare: point, stuffed: point }),
  levels: z.array(levelSchema),
  pole: z.nullable(z.object({ bare: point, stuffed: point })),
});

const partSchema = z.object({
  name: z.string(),
  make: count,
  line,
  filling: z.enum(['stuffed', 'empty', 'lies-flat']),
  fillingSaid: z.boolean(),
  size: z.nullable(size),
  rings: z.array(ringSchema),
  outlines: z.array(outlineSchema),
  openings: z.nullable(
    z.object({
      widest: opening,
      stuffing: z.nullable(opening),
      washers: z.nullable(opening),
      last: opening,
    }),
  ),
  /** Metres of each yarn in one piece. */
  yarn: z.array(z.object({ yarn: count, stitches: count, metres: figure, ends: figure })),
});

const placedSchema = z.object({
  what: z.string(),
  pair: z.boolean(),
  part: z.nullable(count),
  line,
  rounds: z.nullable(z.tuple([z.int(), z.int()])),
  rings: z.nullable(z.tuple([count, count])),
  between: z.boolean(),
  apart: z.nullable(figure),
  of: z.nullable(count),
  turns: z.array(figure),
  middle: z.nullable(figure),
  /** Whether its middle is that of the other pairs on the part; null where that can't be told. */
  symmetric: z.nullable(z.boolean()),
  distance: z.nullable(figure),
  z: z.nullable(figure),
  r: z.nullable(figure),
  missing: z.array(z.string()),
});

const yarnSchema = z.object({
  name: z.nullable(z.string()),
  stitches: count,
  metres: range,
  grams: z.nullable(range),
  balls: z.nullable(count),
  /** What the materials list, as written, and in grams or metres. */
  listed: z.nullable(z.string()),
  line: z.nullable(line),
  has: z.nullable(z.object({ grams: z.nullable(figure), metres: z.nullable(figure) })),
  verdict: z.enum(['enough', 'short', 'far-more', 'unknown']),
  weighed: z.nullable(figure),
});

/** What the sums of a pattern come to in the hand. Lengths are mm, weights grams, unless a name says otherwise. */
export const shapeSchema = z.object({
  gauge: z.object({
    width: figure,
    height: figure,
    spread: figure,
    from: z.enum(['set', 'text', 'hook', 'usual']),
    square: z.boolean(),
  }),
  /** As the text says them. */
  said: z.object({
    hook: z.nullable(figure),
    weight: z.nullable(z.int()),
    metres: z.nullable(figure),
    ball: z.nullable(figure),
    gauge: z.nullable(z.string()),
    eyes: z.nullable(figure),
  }),
  hook: figure,
  weight: z.nullable(z.int()),
  metres: z.nullable(figure),
  ball: z.nullable(figure),
  eyes: z.object({ size: figure, said: z.boolean(), washer: figure }),
  parts: z.array(partSchema),
  toy: z.object({
    height: z.nullable(range),
    /** Places among the parts. */
    stacked: z.array(count),
    unplaced: z.array(count),
    joins: z.array(
      z.object({
        part: count,
        onto: count,
        where: z.enum(['start', 'end', 'side', 'unsaid']),
        by: z.nullable(z.enum(['crochet', 'round', 'name'])),
      }),
    ),
  }),
  finished: z.nullable(
    z.object({
      millimetres: figure,
      way: z.enum(['tall', 'long', 'wide', 'any']),
      line,
      /** What the counts give the same way; null where they don't. */
      counts: z.nullable(range),
      differs: z.boolean(),
      /** A part of it has a gap: the counts give no less than this. */
      atLeast: z.boolean(),
    }),
  ),
  /** What it takes to come out as tall as wanted; null where nothing is wanted, or the height is not known. */
  target: z.nullable(z.object({ height: figure, width: figure, stitches: figure, hook: z.nullable(figure) })),
  placed: z.array(placedSchema),
  /** Things that the materials list and no words place. */
  neverPlaced: z.array(z.string()),
  yarns: z.array(yarnSchema),
  /** For a yarn that is set otherwise than in the text. */
  substitute: z.nullable(z.object({ hook: figure, eyes: z.nullable(figure), times: figure })),
  stacked: z.array(
    z.object({
      part: count,
      /** Labels of the first and the last round. */
      from: z.string(),
      to: z.string(),
      corners: count,
      what: z.enum(['increases', 'decreases']),
      fix: z.nullable(
        z.object({
          labels: z.array(z.string()),
          edits: z.array(z.object({ from: count, to: count, text: z.string() })),
        }),
      ),
    }),
  ),
});
export type Shape = z.infer<typeof shapeSchema>;
export type ShapePart = Shape['parts'][number];
export type ShapeRing = ShapePart['rings'][number];
export type ShapeOutline = ShapePart['outlines'][number];
export type ShapePlaced = Shape['placed'][number];
export type ShapeYarn = Shape['yarns'][number];
