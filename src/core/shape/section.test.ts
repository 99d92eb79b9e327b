import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pointOn, sectionOf, widthsOf, type Section } from './section.js';

/** The way along a section, measured on many short chords. */
function measured(section: Section, points = 4000): number {
  let way = 0;
  for (let i = 0; i < points; i += 1) {
    const [here, next] = [pointOn(section, i / points), pointOn(section, (i + 1) / points)];
    way += Math.hypot(next.x - here.x, next.y - here.y);
  }
  return way;
}

/** How far a section reaches: to the right, and to the front. */
function reach(section: Section): { x: number; y: number } {
  const all = Array.from({ length: 4000 }, (_, i) => pointOn(section, i / 4000));
  return { x: Math.max(...all.map(({ x }) => x)), y: Math.max(...all.map(({ y }) => y)) };
}

describe('the outline of a ring', () => {
  it.each([
    ['round', 120, 0, 0, 120 / (2 * Math.PI)],
    ['oval', 120, 30, 0, 60 / (2 * Math.PI)],
    ['a triangle', 120, 0, 3, 40 / (2 * Math.tan(Math.PI / 3))],
    ['a square', 120, 0, 4, 15],
  ] as const)('%s: its radius', (_, around, straight, corners, radius) => {
    expect(sectionOf(around, straight, corners).radius).toBeCloseTo(radius, 9);
  });

  it.each([
    ['round', sectionOf(120, 0, 0), { front: 120 / Math.PI, side: 120 / Math.PI }],
    ['oval', sectionOf(120, 30, 0), { front: 60 / Math.PI + 30, side: 60 / Math.PI }],
    ['a square', sectionOf(120, 0, 4), { front: 30, side: 30 }],
    ['a triangle', sectionOf(120, 0, 3), { front: 40, side: 40 / Math.tan(Math.PI / 3) }],
  ] as const)('%s: how wide it is from the front and from the side', (_, section, { front, side }) => {
    expect(widthsOf(section).front).toBeCloseTo(front, 9);
    expect(widthsOf(section).side).toBeCloseTo(side, 9);
  });

  it('is as long as its stitches, whatever its form', () => {
    const forms = fc.record({
      around: fc.double({ min: 20, max: 500, noNaN: true }),
      part: fc.double({ min: 0, max: 0.45, noNaN: true }),
      corners: fc.constantFrom(0, 3, 4),
    });
    fc.assert(
      fc.property(forms, ({ around, part, corners }) => {
        const section = sectionOf(around, corners > 0 ? 0 : part * around, corners);
        expect(measured(section) / around).toBeCloseTo(1, 2);
      }),
      { numRuns: 40, seed: 3 },
    );
  });

  it.each([
    ['round', sectionOf(120, 0, 0)],
    ['oval', sectionOf(120, 30, 0)],
  ])('%s: begins in the middle of the front, and goes by the right', (_, section) => {
    const { radius, straight } = section;
    expect(pointOn(section, 0)).toEqual({ x: 0, y: radius });
    const right = pointOn(section, 0.25);
    expect(right.x).toBeCloseTo(radius + straight / 2, 9);
    expect(right.y).toBeCloseTo(0, 9);
    const back = pointOn(section, 0.5);
    expect(back.x).toBeCloseTo(0, 9);
    expect(back.y).toBeCloseTo(-radius, 9);
    const left = pointOn(section, 0.75);
    expect(left.x).toBeCloseTo(-radius - straight / 2, 9);
    expect(left.y).toBeCloseTo(0, 9);
  });

  it('an oval has straight sides', () => {
    const oval = sectionOf(120, 30, 0);
    for (const at of [0.01, 0.1, 0.9, 0.99]) expect(pointOn(oval, at).y).toBeCloseTo(oval.radius, 9);
    for (const at of [0.45, 0.5, 0.55]) expect(pointOn(oval, at).y).toBeCloseTo(-oval.radius, 9);
    expect(pointOn(oval, 0.1).x).toBeCloseTo(12, 9);
    expect(pointOn(oval, 0.95).x).toBeCloseTo(-6, 9);
  });

  it('a square reaches as far to the side as to the front, and its corners farther', () => {
    const square = sectionOf(120, 0, 4);
    expect(reach(square).x).toBeCloseTo(reach(square).y, 6);
    const corner = pointOn(square, 0.25);
    expect(Math.hypot(corner.x, corner.y)).toBeCloseTo(Math.SQRT2 * 15, 6);
    const side = pointOn(square, 0.125);
    expect(Math.hypot(side.x, side.y)).toBeCloseTo(15, 6);
  });

  it('goes on from its start, forwards and back', () => {
    for (const section of [sectionOf(120, 0, 0), sectionOf(120, 30, 0), sectionOf(120, 0, 4)])
      for (const at of [0.1, 0.37, 0.8]) {
        const [one, next, before] = [at, at + 1, at - 1].map((part) => pointOn(section, part));
        expect(next?.x).toBeCloseTo(one?.x ?? NaN, 9);
        expect(before?.y).toBeCloseTo(one?.y ?? NaN, 9);
      }
  });

  it('of no stitches is a point', () => {
    const { x, y } = pointOn(sectionOf(0, 0, 0), 0.3);
    expect(Math.hypot(x, y)).toBe(0);
  });
});
