import { describe, expect, it } from 'vitest';
import { frontOf, pictureOf, solidOf, spotsOf, type Solid } from '../index.js';
import { shapeOfText } from '../onRequest.js';

const EGG =
  'US terms\n\nMaterials\nDK cotton in Moss and Sand, 3 mm hook, 8 mm safety eyes\n\nEGG\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 1, inc, sc 1) x 6 (24)\nRnds 5-9: (Moss) sc 9, (Sand) sc 6, (Moss) sc 9 (24)\nSet the eyes between Rnds 6 and 7, 4 sts apart. Stuff it.\nRnd 10: (sc 2, dec) x 6 (18)\nRnd 11: (sc 1, dec) x 6 (12)\nRnd 12: dec x 6 (6)\nFasten off.\n\nFLAP\nWith Sand.\nCh 7.\nRow 1: sc in 2nd ch from hook and in each ch across (6)\nRows 2-4: ch 1, turn, sc across (6)\nFasten off.\n';
const shape = shapeOfText(EGG);
const [egg, flap] = shape.parts;
if (!egg || !flap) throw new Error('two parts');

/** The vectors of a stitch: along the round, up the fabric, outwards, and its middle. */
function stitchAt({ frames }: Solid, i: number) {
  const [along, up, out, at] = [0, 3, 6, 9].map((from) => [...frames.subarray(i * 12 + from, i * 12 + from + 3)]) as [
    number[],
    number[],
    number[],
    number[],
  ];
  return { along, up, out, at };
}

const dot = (a: number[], b: number[]) => a.reduce((sum, x, i) => sum + x * (b[i] ?? 0), 0);
const cross = ([a = 0, b = 0, c = 0]: number[], [d = 0, e = 0, f = 0]: number[]) => [
  b * f - c * e,
  c * d - a * f,
  a * e - b * d,
];

describe('a part in space', () => {
  it.each([false, true])('has a patch for each stitch, with its face outwards (over: %s)', (over) => {
    const solid = solidOf(egg, over);
    expect(solid.count).toBe(6 + 12 + 18 + 24 * 6 + 18 + 12 + 6);
    for (let i = 0; i < solid.count; i += 1) {
      const { along, up, out, at } = stitchAt(solid, i);
      expect(dot(cross(along, up), out)).toBeGreaterThan(0);
      // Outwards is away from the axis, or along it at the poles.
      const [x = 0, , z = 0] = at;
      expect((out[0] ?? 0) * x + (out[2] ?? 0) * z).toBeGreaterThan(-1e-6);
    }
  });

  it.each([1, 2])(
    'has patches as thick as a third of their width, and as tall as the rounds are apart (coarse: %i)',
    (coarse) => {
      const solid = solidOf(egg, false, coarse);
      const long = (vector: number[]) => Math.hypot(...vector);
      for (let i = 0; i < solid.count; i += 1) {
        const { along, out, up } = stitchAt(solid, i);
        expect((long(out) / long(along)) * coarse).toBeCloseTo(0.7, 4);
        expect(Math.abs(dot(up, out))).toBeLessThan(1e-3);
        expect(Math.abs(dot(along, out)) / (long(along) * long(out))).toBeLessThan(0.02);
      }
    },
  );

  it('lies with its middle at 0, and reaches as far as its stitches do', () => {
    const solid = solidOf(egg, false);
    const all = [...Array(solid.count).keys()].map((i) => stitchAt(solid, i).at as [number, number, number]);
    const ys = all.map(([, y]) => y);
    // The pole lies half a round farther out than the middles of its stitches.
    expect(Math.min(...ys)).toBeCloseTo(-Math.max(...ys), 0);
    expect(solid.reach.up).toBeCloseTo(Math.max(...ys), 0);
    expect(solid.reach.across).toBeCloseTo(Math.max(...all.map(([x, , z]) => Math.hypot(x, z))), 4);
    const turned = solidOf(egg, true);
    expect(stitchAt(turned, 0).at[1]).toBeCloseTo(-(stitchAt(solid, 0).at[1] ?? 0), 4);
    expect(stitchAt(turned, 0).at[2]).toBeCloseTo(stitchAt(solid, 0).at[2] ?? 0, 4);
  });

  it('shows the yarn of the middle of a round to the front, and the eyes there', () => {
    for (const over of [false, true]) {
      const solid = solidOf(egg, over);
      const turn = frontOf(egg, shape.placed[0]?.rings ?? null, over);
      const facing = (x: number, z: number) => Math.atan2(x, z) + turn;
      const round = [...Array(solid.count).keys()].filter((i) => solid.rings[i] === 6);
      const front = round.reduce((best, i) => {
        const off = (j: number) => Math.abs(facing(stitchAt(solid, j).at[0] ?? 0, stitchAt(solid, j).at[2] ?? 0));
        return off(i) < off(best) ? i : best;
      });
      expect(shape.yarns[solid.yarns[front] ?? -1]?.name).toBe('Sand');
      const angles = spotsOf(egg, shape.placed[0] as Parameters<typeof spotsOf>[1], over).map(([x, , z]) =>
        facing(x, z),
      );
      expect(angles.map((angle) => Math.round((Math.abs(angle) * 180) / Math.PI))).toEqual([30, 30]);
    }
  });

  it('is drawn coarser with fewer and larger patches', () => {
    const [fine, coarse] = [solidOf(egg, false), solidOf(egg, false, 2)];
    expect(coarse.count).toBeLessThan(fine.count / 3);
    const width = (solid: Solid) => Math.hypot(...(stitchAt(solid, solid.count - 1).along as [number, number, number]));
    expect(width(coarse)).toBeGreaterThan(width(fine) * 1.5);
  });

  it('rows lie in a plane', () => {
    const solid = solidOf(flap, false);
    expect(solid.count).toBe(24);
    for (let i = 0; i < solid.count; i += 1) expect(stitchAt(solid, i).at[2]).toBe(0);
  });
});

describe('a still picture', () => {
  it('has all parts in the colours that are given, and is the same every time', () => {
    const colours = ['#336633', '#ccbb88', '#999999'];
    const picture = pictureOf(shape, colours, () => false) ?? '';
    expect(picture.match(/<path/g)?.length).toBeGreaterThan(100);
    expect(picture).not.toMatch(/NaN|undefined|Infinity/);
    expect(pictureOf(shape, colours, () => false)).toBe(picture);
    expect(pictureOf(shape, ['#ff0000', '#ff0000', '#ff0000'], () => false)).not.toBe(picture);
  });

  it('is none where nothing can be drawn', () => {
    expect(pictureOf(shapeOfText('A letter.'), [], () => false)).toBeNull();
  });
});
