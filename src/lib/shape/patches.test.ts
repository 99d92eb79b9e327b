import { Color } from 'three';
import { describe, expect, it } from 'vitest';
import { solidOf } from '../../core/index.js';
import { shapeOfText } from '../../core/onRequest.js';
import { paint, patchesOf } from './patches.js';

const CUP =
  'US terms\n\nCUP\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnds 4-7: sc around (18)\nFasten off.\n';
const [cup] = shapeOfText(CUP).parts;
if (!cup) throw new Error('a cup');
const solid = solidOf(cup, false);

type Vector = [number, number, number];
const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

describe('the patches of a part', () => {
  const geometry = patchesOf(solid);
  const at = (name: string, corner: number): Vector => {
    const values = geometry.getAttribute(name);
    return [values.getX(corner), values.getY(corner), values.getZ(corner)];
  };

  it('are a pyramid for each stitch, about its place', () => {
    expect(geometry.getAttribute('position').count).toBe(5 * solid.count);
    for (let i = 0; i < solid.count; i += 1)
      for (const axis of [0, 1, 2] as const) {
        const base = [0, 1, 2, 3].reduce((sum, corner) => sum + at('position', 5 * i + corner)[axis], 0) / 4;
        expect(base).toBeCloseTo(solid.frames[12 * i + 9 + axis] ?? NaN, 3);
      }
  });

  it('have sides that face as their corners are lit', () => {
    const index = geometry.getIndex();
    expect(index?.count).toBe(12 * solid.count);
    for (let side = 0; side < (index?.count ?? 0) / 3; side += 1) {
      const corners = [0, 1, 2].map((k) => index?.getX(3 * side + k) ?? -1) as [number, number, number];
      const [a, b, c] = corners.map((corner) => at('position', corner)) as [Vector, Vector, Vector];
      const face = cross(minus(b, a), minus(c, a));
      for (const corner of corners) expect(dot(face, at('normal', corner))).toBeGreaterThan(0);
    }
  });

  it('are painted whole, each in its colour', () => {
    const colours = [new Color('#ff0000'), new Color('#0000ff')] as const;
    paint(geometry, solid.count, (i) => colours[i % 2 === 0 ? 0 : 1]);
    for (let corner = 0; corner < 5 * solid.count; corner += 1)
      expect(at('yarn', corner)).toEqual(Math.floor(corner / 5) % 2 === 0 ? [1, 0, 0] : [0, 0, 1]);
  });
});
