import { roundsByPart } from '../counting/counted.js';
import type { Part } from '../pattern/pattern.js';
import { positionAt } from '../text/source.js';
import { HOOKS } from '../vocabulary/hooks.js';
import type { RingShaping } from './columns.js';
import type { Drawing } from './drawing.js';
import { washerOf } from './openings.js';
import type { OutlinePiece } from './outline.js';
import type { PartShape } from './partShape.js';
import type { Placed } from './placing.js';
import type { Ring } from './rings.js';
import type { Shape, ShapeOutline, ShapePart, ShapeRing } from './schema.js';
import { shifted, stackedRuns } from './stacked.js';
import { eyesFor } from './substitute.js';
import { sizeGap, wayOf } from './wholeSize.js';
import { thicknessOf } from './yarnBand.js';

/** Everything that can be said of the shape of a pattern, as data. */
export function shapeOf(drawing: Drawing): Shape {
  const { counted, settings } = drawing;
  const { source } = counted.pattern;
  const lineOf = (offset: number) => positionAt(source, offset).line;
  const [tools, at, toy] = [drawing.tools(), drawing.at(), drawing.toy()];
  const parts = drawing.parts();
  const indexOf = new Map<Part, number>(parts.map(({ part }, i) => [part, i]));
  const index = (part: Part) => indexOf.get(part) ?? 0;
  const yarns = drawing.yarns();
  const yarnAt = yarnsByColour(yarns);
  const eyes = drawing.eyes();
  const { gauge } = at;
  return {
    gauge,
    said: {
      hook: tools.hook,
      ...tools.band,
      gauge: tools.gauge && source.text.slice(tools.gauge.span.from, tools.gauge.span.to).trim(),
      eyes: tools.eyes,
    },
    hook: at.hook,
    ...at.band,
    eyes: { ...eyes, washer: washerOf(eyes.size) },
    parts: parts.map((shape) => partOf(drawing, shape, yarnAt, lineOf)),
    toy: {
      height: toy.height === null ? null : around(toy.height, gauge.spread),
      stacked: toy.stacked.map(index),
      unplaced: toy.unplaced.map(index),
      joins: toy.joins.map(({ part, onto, where, by }) => ({ part: index(part), onto: index(onto), where, by })),
    },
    finished: finishedOf(drawing, lineOf),
    target: targetOf(drawing),
    placed: placedOf(drawing.placed(), index, lineOf),
    neverPlaced: neverPlaced(drawing),
    yarns: yarns.map(({ listed, ...need }) => ({
      ...need,
      listed: listed?.amount ?? null,
      line: listed ? lineOf(listed.span.from) : null,
    })),
    substitute: substituteOf(drawing),
    stacked: stackedOf(drawing, index),
  };

  function substituteOf({ tools: said }: Drawing): Shape['substitute'] {
    if (settings.weight === null || settings.weight === tools.band.weight) return null;
    const own = said();
    const before = (own.hook ?? at.hook) + thicknessOf(own.band);
    const times = (at.hook + thicknessOf(at.band)) / before;
    return { hook: at.hook, eyes: own.eyes === null ? null : eyesFor(own.eyes, times), times };
  }
}

const around = (value: number, spread: number) => ({ from: value * (1 - spread), to: value * (1 + spread) });

/** The place of a colour among the yarns; less than 0 where it is none of them. */
type YarnAt = (colour: string | null) => number;

/** Asked for every stitch, so each colour is looked up once. */
function yarnsByColour(yarns: ReturnType<Drawing['yarns']>): YarnAt {
  const places = new Map<string | null, number>();
  return (colour) => {
    const known = places.get(colour);
    if (known !== undefined) return known;
    const found = yarns.findIndex(({ name }) => name?.toLowerCase() === colour?.toLowerCase());
    // What is worked in no colour that is said is of the only yarn there is.
    const at = found < 0 && colour === null && yarns.length === 1 ? 0 : found;
    places.set(colour, at);
    return at;
  };
}

function partOf(drawing: Drawing, shape: PartShape, yarnAt: YarnAt, lineOf: (at: number) => number): ShapePart {
  const { part, rings, filling, fillingSaid, size } = shape;
  return {
    name: part.name,
    make: part.make,
    line: lineOf(part.heading.from),
    filling,
    fillingSaid,
    size,
    rings: ringsOf(drawing, shape, yarnAt),
    outlines: shape.outlines.map((outline) => outlineOf(outline, rings)),
    openings: drawing.openings(shape),
    yarn: drawing.yarnOf(shape).flatMap(({ colour, stitches, length, ends }) => {
      const yarn = yarnAt(colour);
      return yarn < 0 ? [] : [{ yarn, stitches, metres: length / 1000, ends: ends / 1000 }];
    }),
  };
}

function ringsOf({ counted }: Drawing, { rings, pieces }: PartShape, yarnAt: YarnAt): ShapeRing[] {
  const { source } = counted.pattern;
  const lineAt = (offset: number) => positionAt(source, offset).line;
  const shaping = new Map(pieces.flatMap((piece) => piece.shaping.map((one, i) => [piece.first + i, one] as const)));
  return rings.map((ring, at): ShapeRing => {
    const { round, number, label, kind, edge, made, trusted } = ring;
    const one = counted.rounds[round];
    const lies = shaping.get(at) ?? NO_SHAPING;
    const last = rings[at + 1]?.round !== round;
    const span = one?.round.span ?? { from: 0, to: 1 };
    return {
      line: lineAt(span.from),
      endLine: lineAt(Math.max(span.from, span.to - 1)),
      round,
      number,
      label,
      kind,
      edge,
      made,
      stated: last ? (one?.round.stated?.total ?? null) : null,
      verdict: one?.verdict ?? 'counted',
      trusted,
      colours: coloursOf(ring, yarnAt),
      shapings: [...lies.shapings],
      start: lies.start,
      corners: lies.corners,
    };
  });
}

const NO_SHAPING: RingShaping = { shapings: [], start: 0, corners: 0 };

function coloursOf({ laid, made, colour }: Ring, yarnAt: YarnAt): [number | null, number][] {
  const runs: [number | null, number][] = [];
  for (const one of laid) {
    const at = yarnAt(one.colour);
    const yarn = at < 0 ? null : at;
    const last = runs[runs.length - 1];
    if (last && last[0] === yarn) last[1] += one.made;
    else runs.push([yarn, one.made]);
  }
  const at = yarnAt(colour);
  return runs.length > 0 || made === null ? runs : [[at < 0 ? null : at, made]];
}

function outlineOf(
  { start, name, end, gap, flat, base, levels, pole }: OutlinePiece,
  rings: readonly Ring[],
): ShapeOutline {
  return {
    name,
    start: start.kind,
    startWords: startWords(start, rings),
    end,
    gap,
    flat,
    base,
    levels: levels.map((level) => ({ ...level, section: { ...level.section } })),
    pole,
  };
}

function startWords(start: OutlinePiece['start'], rings: readonly Ring[]): string | null {
  switch (start.kind) {
    case 'joined': {
      const chains = start.chains > 0 ? `, with ${start.chains} chains between` : '';
      return `${start.pieces.join(' and ')}${chains}`;
    }
    case 'on':
      return start.ring === null ? null : (rings[start.ring]?.label ?? null);
    case 'gap':
      return start.why;
    default:
      return null;
  }
}

function finishedOf(drawing: Drawing, lineOf: (at: number) => number): Shape['finished'] {
  const finished = drawing.finished();
  if (!finished) return null;
  const { millimetres, way, span } = finished;
  const gap = sizeGap(drawing);
  return {
    millimetres,
    way,
    line: lineOf(span.from),
    counts: gap?.counts ?? null,
    differs: gap?.differs ?? false,
    atLeast: gap?.atLeast ?? false,
  };
}

function targetOf(drawing: Drawing): Shape['target'] {
  const { target } = drawing.settings;
  const height = drawing.toy().height ?? wayOf(drawing, 'tall');
  if (target === null || !height) return null;
  const { gauge, hook } = drawing.at();
  const width = (gauge.width * target * 10) / height;
  const thick = gauge.width - hook;
  // The same yarn on a hook as much larger or smaller as its stitches are to be.
  const wanted = HOOKS.map(({ millimetres }) => millimetres).filter(
    (one) => Math.abs(one + thick - width) < width * 0.06,
  );
  const best = wanted.sort((a, b) => Math.abs(a + thick - width) - Math.abs(b + thick - width))[0];
  return { height: target * 10, width, stitches: 100 / width, hook: best ?? null };
}

function placedOf(
  all: readonly Placed[],
  index: (part: Part) => number,
  lineOf: (at: number) => number,
): Shape['placed'] {
  return all.map(({ onto, span, rounds, rings, turns, missing, ...rest }) => ({
    ...rest,
    part: onto && index(onto),
    line: lineOf(span.from),
    rounds: rounds && [rounds[0], rounds[1]],
    rings: rings && [rings[0], rings[1]],
    turns: [...turns],
    missing: [...missing],
    symmetric: symmetric(rest.middle, onto, rest.of, all),
  }));
}

/** Whether a pair's middle is that of the other pairs on its part whose stitches are named: within a stitch. */
function symmetric(
  middle: number | null,
  onto: Part | null,
  of: number | null,
  all: readonly Placed[],
): boolean | null {
  if (middle === null || of === null) return null;
  const others = all.filter((one) => one.onto === onto && one.pair && one.middle !== null && one.middle !== middle);
  if (others.length === 0)
    return all.filter((one) => one.onto === onto && one.middle === middle).length > 1 ? true : null;
  return others.every((one) => {
    const gap = Math.abs((one.middle ?? 0) - middle);
    return Math.min(gap, 1 - gap) <= 1 / of;
  });
}

/** Eyes that are listed, where no words say the round that they go on. */
function neverPlaced(drawing: Drawing): string[] {
  const eyes = drawing.tools().materials.find(({ kind }) => kind === 'eyes');
  if (!eyes || drawing.placed().some(({ what, rings }) => /eye/.test(what) && rings !== null)) return [];
  return [eyes.name.toLowerCase()];
}

function stackedOf({ counted, parts }: Drawing, index: (part: Part) => number): Shape['stacked'] {
  const known = new Set(parts().map(({ part }) => part));
  return [...roundsByPart(counted.rounds)].flatMap(([part, rounds]) => {
    if (!known.has(part)) return [];
    return stackedRuns(rounds).map((run) => {
      const change = shifted(counted.pattern, run);
      const [first, last] = [run[0], run[run.length - 1]];
      return {
        part: index(part),
        from: first?.counted.round.label ?? '',
        to: last?.counted.round.label ?? '',
        corners: first?.wedges.times ?? 0,
        what: first?.wedges.increases ? ('increases' as const) : ('decreases' as const),
        fix: change && {
          labels: change.rounds.map(({ label }) => label),
          edits: change.edits.map(({ span: { from, to }, text }) => ({ from, to, text })),
        },
      };
    });
  });
}
