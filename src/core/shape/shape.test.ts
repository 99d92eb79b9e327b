import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_SETTINGS, shapeSchema, type Shape, type ShapeSettings } from '../index.js';
import { shapeOfText } from '../onRequest.js';

/** A one-step stitch 5 mm wide and tall. */
const SQUARE: ShapeSettings = { ...NO_SETTINGS, stitches: 20, rounds: 20 };
const W = 5;

function shapeOf(text: string, settings: Partial<ShapeSettings> = {}): Shape {
  return shapeOfText(`US terms\n\n${text}`, { ...SQUARE, ...settings });
}

const sized = (text: string) => {
  const size = shapeOf(text).parts[0]?.size;
  if (!size) throw new Error('no size');
  return size;
};

/** Rounds from one number on, each written as it is to be. */
function rounds(...lines: [string, number][]): string {
  return lines.map(([words, made], i) => `Rnd ${i + 1}: ${words} (${made})`).join('\n');
}

function ball(n: number, straight: number): string {
  const up = Array.from({ length: n - 1 }, (_, i): [string, number] => [
    i === 0 ? 'inc x 6' : `(sc ${i}, inc) x 6`,
    6 * (i + 2),
  ]);
  const middle = Array.from({ length: straight }, (): [string, number] => ['sc around', 6 * n]);
  const down = Array.from({ length: n - 1 }, (_, i): [string, number] => {
    const plain = n - 2 - i;
    return [plain === 0 ? 'dec x 6' : `(sc ${plain}, dec) x 6`, 6 * (n - 1 - i)];
  });
  return `BALL\n${rounds(['6 sc in MR', 6], ...up, ...middle, ...down)}\nStuff it. Fasten off.\n`;
}

const within = (value: number, wanted: number, part = 0.02) => {
  expect(value).toBeGreaterThan(wanted * (1 - part));
  expect(value).toBeLessThan(wanted * (1 + part));
};

describe('closed forms', () => {
  it.each([3, 4, 5, 6, 8, 10, 14])('a ball of 6·%i is round: as tall as wide, as its way round says', (n) => {
    // Half way round it are as many rounds as stitches: 2n - 1 that grow and shrink, and n + 1 straight ones.
    const { height, width, around } = sized(ball(n, n + 1));
    within(around, 6 * n * W);
    within(width, (6 * n * W) / Math.PI);
    within(height, (6 * n * W) / Math.PI);
  });

  it.each([
    [24, 10],
    [48, 30],
  ])('a tube of %i stitches and %i rounds', (n, tall) => {
    const { height, width, around } = sized(
      `TUBE\nCh ${n} and join with a sl st to form a ring.\nRnds 1-${tall}: sc around (${n})\nFasten off.\n`,
    );
    within(height, tall * W);
    within(around, n * W);
    within(width, (n * W) / Math.PI);
  });

  it('a cylinder whose ends are turned in the back loops has flat ends', () => {
    const text = `TIN\n${rounds(['6 sc in MR', 6], ['inc x 6', 12], ['(sc 1, inc) x 6', 18], ['(sc 2, inc) x 6', 24], ['BLO: sc around', 24], ...Array.from({ length: 9 }, (): [string, number] => ['sc around', 24]), ['BLO: (sc 2, dec) x 6', 18], ['(sc 1, dec) x 6', 12], ['dec x 6', 6])}\nStuff it. Fasten off.\n`;
    const { height, around } = sized(text);
    within(around, 24 * W);
    within(height, 10 * W);
  });

  it.each([6, 8, 12])('a flat disc of %i rounds', (n) => {
    const text = `DISC\n${rounds(['6 sc in MR', 6], ['inc x 6', 12], ...Array.from({ length: n - 2 }, (_, i): [string, number] => [`(sc ${i + 1}, inc) x 6`, 6 * (i + 3)]))}\nFasten off.\n`;
    const shape = shapeOf(text).parts[0];
    expect(shape?.filling).toBe('lies-flat');
    within(shape?.size?.around ?? 0, 6 * n * W);
    within(shape?.size?.width ?? 0, (6 * n * W) / Math.PI);
    expect(shape?.size?.depth).toBeLessThan(W);
    expect(shape?.outlines[0]?.levels.every(({ lie }) => lie === 'flat')).toBe(true);
  });

  it('an oval: two straight sides of the chain, and round ends', () => {
    const text =
      'SOLE\nRnd 1: Ch 11, sc in 2nd ch from hook, sc 8, 3 sc in last ch; along the other side: sc 8, 2 sc in last ch (22)\nRnd 2: inc, sc 8, inc x 3, sc 8, inc x 2 (28)\nRnd 3: sc 1, inc, sc 8, (sc 1, inc) x 3, sc 8, (sc 1, inc) x 2 (34)\nFasten off.\n';
    const { width, height, around } = sized(text);
    const straight = 9 * W;
    const radius = (34 * W - 2 * straight) / (2 * Math.PI);
    within(around, 34 * W);
    within(width, straight + 2 * radius);
    within(height, 2 * radius);
  });

  it('a cone rises as its lengths say', () => {
    const n = 10;
    const text = `CONE\n${rounds(['6 sc in MR', 6], ...Array.from({ length: n - 1 }, (_, i): [string, number] => [`(sc ${i + 1}, inc) x 3`, 3 * (i + 3)]))}\nFasten off.\n`;
    const outline = shapeOf(text).parts[0]?.outlines[0];
    const [first, last] = [outline?.levels[0]?.bare, outline?.levels.at(-1)?.bare];
    const out = (3 * W) / (2 * Math.PI);
    within((last?.z ?? 0) - (first?.z ?? 0), (n - 1) * Math.sqrt(W ** 2 - out ** 2));
  });

  it('a cube of corners where three are worked into one above each other', () => {
    const text = `BOX\n${rounds(['8 sc in MR', 8], ['(sc 1, 3 sc in next st) x 4', 16], ['(sc 2, 3 sc in next st, sc 1) x 4', 24], ...Array.from({ length: 6 }, (): [string, number] => ['sc around', 24]))}\nStuff it. Fasten off.\n`;
    const shape = shapeOf(text).parts[0];
    const last = shape?.outlines[0]?.levels.at(-1);
    expect(last?.section.corners).toBe(4);
    within(2 * (last?.section.radius ?? 0), 6 * W);
    expect(shape?.rings.at(-1)?.corners).toBe(4);
  });

  it('rows are as wide as their stitches and as tall as their number', () => {
    const { width, height } = sized(
      'FLAP\nCh 13.\nRow 1: sc in 2nd ch from hook and in each ch across (12)\nRows 2-9: ch 1, turn, sc across (12)\nFasten off.\n',
    );
    within(width, 12 * W);
    within(height, 9 * W);
  });

  it('taller stitches make taller rounds', () => {
    const tube = (stitch: string) =>
      `TUBE\nCh 24 and join with a sl st to form a ring.\nRnds 1-10: ${stitch} around (24)\nFasten off.\n`;
    within(sized(tube('hdc')).height, (10 * W * 4) / 3);
    within(sized(tube('dc')).height, 10 * W * 2);
    within(sized(tube('tr')).height, 10 * W * 3);
  });
});

describe('what the text does not give is shown as a gap', () => {
  const BROKEN =
    'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc\nRnd 4: sc around (18)\nRnd 5: (sc 2, inc) x 6 (24)\nFasten off.\n';

  it('where a round can’t be read and states no count', () => {
    const [part] = shapeOf(BROKEN).parts;
    expect(part?.outlines.map(({ end, gap, levels }) => [end, gap, levels.length])).toEqual([
      ['gap', 'Rnd 3', 2],
      ['open', null, 2],
    ]);
    expect(part?.outlines[1]?.start).toBe('gap');
  });

  it('where a round is worked evenly into a side', () => {
    const part = shapeOf(
      'FLAP\nCh 6.\nRow 1: sc in 2nd ch from hook and in each ch across (5)\nRow 2: ch 1, turn, sc across (5)\n\nEdging\nRnd 1: sc evenly around (18)\nFasten off.\n',
    ).parts.at(-1);
    expect(part?.outlines[0]?.start).toBe('gap');
  });

  it('legs that are joined by a chain are told as what it stands on', () => {
    const text =
      'LEG (make 2)\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-6: sc around (12)\n\nBODY\nRnd 1: sc around first leg, ch 3, sc around second leg, sc 3 along ch (30)\nRnds 2-5: sc around (30)\nFasten off.\n';
    const body = shapeOf(text).parts.at(-1)?.outlines[0];
    expect(body?.start).toBe('joined');
  });
});

describe('bad input', () => {
  it('a part of 2,000 rounds', () => {
    const shape = shapeOf(`ROPE\nRnd 1: 6 sc in MR (6)\nRnds 2-2000: sc around (6)\nFasten off.\n`);
    expect(shape.parts[0]?.rings).toHaveLength(2000);
    within(shape.parts[0]?.size?.height ?? 0, 2000 * W, 0.05);
  });

  it('a part that ruffles to a ball goes out no farther than its fabric reaches', () => {
    const doubling = Array.from({ length: 6 }, (_, i): [string, number] => [`inc x ${6 * 2 ** i}`, 12 * 2 ** i]);
    const [part] = shapeOf(`CORAL\n${rounds(['6 sc in MR', 6], ...doubling)}\nFasten off.\n`).parts;
    const last = part?.outlines[0]?.levels.at(-1);
    expect(last?.lie).toBe('ruffle');
    expect(last?.full).toBeGreaterThan(3);
    expect(last?.bare.r).toBeLessThan(7 * W * 1.3);
  });

  it.each(['', 'A letter.', 'BALL\nRnd 1: (((', 'Gauge: 0 sts to 0 cm\n\nBALL\nRnd 1: 6 sc in MR (6)\n'])(
    '%j',
    (text) => {
      const shape = shapeOfText(text);
      expect(shapeSchema.parse(JSON.parse(JSON.stringify(shape)))).toEqual(JSON.parse(JSON.stringify(shape)));
      expect(shape.gauge.width).toBeGreaterThan(0);
    },
  );
});

/** Rounds that double, halve or keep their counts, as they are told. */
function changing(first: number, changes: readonly ('inc' | 'dec' | 'plain')[]): string {
  let count = first;
  const lines = changes.map((change): [string, number] => {
    const factor = change === 'inc' && count < 120 ? 2 : change === 'dec' && count % 2 === 0 && count > 4 ? 0.5 : 1;
    count *= factor;
    return [factor === 2 ? 'inc around' : factor === 1 ? 'sc around' : 'dec around', count];
  });
  return `BALL\n${rounds([`${first} sc in MR`, first], ...lines)}\nStuff it.\nFasten off.\n`;
}

it('any counts have an outline of finite figures, and larger stitches a larger one', () => {
  const changes = fc.array(fc.constantFrom('inc' as const, 'dec' as const, 'plain' as const), {
    minLength: 1,
    maxLength: 25,
  });
  fc.assert(
    fc.property(changes, fc.integer({ min: 5, max: 8 }), (some, first) => {
      const text = changing(first, some);
      const [small, large] = [text, text].map(
        (one, i) => shapeOf(one, i === 0 ? {} : { stitches: 10, rounds: 10 }).parts[0],
      );
      const points = small?.outlines.flatMap(({ base, levels }) =>
        [base, ...levels].flatMap((one) => [one.stuffed, one.bare]),
      );
      expect(points?.every(({ r, z }) => Number.isFinite(r) && Number.isFinite(z))).toBe(true);
      within(large?.size?.height ?? 0, 2 * (small?.size?.height ?? 0), 0.03);
      within(large?.size?.around ?? 0, 2 * (small?.size?.around ?? 0), 0.03);
    }),
    { numRuns: 60 },
  );
});

describe('where eyes and ears go', () => {
  const HEAD =
    'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnds 4-8: sc around (18)\nWORDS\nStuff it.\nRnd 9: (sc 1, dec) x 6 (12)\nRnd 10: dec x 6 (6)\nFasten off and close.\n';

  /** Each thing with its rings, how many stitches of how many apart, where its middle is in degrees, and what is missing. */
  function placed(words: string): string[] {
    const shape = shapeOfText(`US terms\n\nHEAD\n${HEAD.replace('WORDS', words)}`);
    return shape.placed.map(({ what, rings, apart, of, middle, turns, symmetric, missing }) =>
      [
        what,
        rings?.join('-') ?? 'nowhere',
        `${apart ?? '?'}/${of ?? '?'}`,
        ...(middle === null ? [] : [`at ${Math.round(middle * 360)}°`]),
        ...(turns.length === 2 ? [`±${turns[1]}°`] : []),
        ...(symmetric === null ? [] : [symmetric ? 'in line' : 'askew']),
        ...missing.map((one) => `without ${one}`),
      ].join(' '),
    );
  }

  it.each([
    ['Set the eyes on Rnd 6, in stitches 5 and 11.', ['eyes 5-5 6/18 at 150° ±60°']],
    ['Set the eyes in stitches 17 and 5 of Rnd 6.', ['eyes 5-5 6/18 at 30° ±60°']],
    ['Set the eyes between stitches 5 and 11 of Rnd 6.', ['eyes 5-5 ?/18 at 150° without how far apart']],
    ['Set the eyes on Rnd 6, opposite each other.', ['eyes 5-5 9/18 ±90°']],
    ['Set the eyes between Rnds 3 and 4 from the end, 6 sts apart.', ['eyes 6-7 6/18 ±60°']],
    ['Set the eyes on Rnd 16, 6 sts apart.', ['eyes nowhere 6/? without a round of that number']],
    ['Sew the nose on stitch 8 of Rnd 6.', ['nose 5-5 ?/18 at 150°']],
    [
      'Set the eyes in stitches 5 and 11 of Rnd 6. Sew the ears to stitches 2 and 14 of Rnd 4.',
      ['eyes 5-5 6/18 at 150° ±60° askew', 'ears 3-3 6/18 at 330° ±60° askew'],
    ],
    [
      'Set the eyes in stitches 5 and 11 of Rnd 6. Sew the ears to stitches 3 and 13 of Rnd 4.',
      ['eyes 5-5 6/18 at 150° ±60° askew', 'ears 3-3 8/18 at 330° ±80° askew'],
    ],
    [
      'Set the eyes in stitches 5 and 11 of Rnd 6. Sew the ears to stitches 4 and 11 of Rnd 4.',
      ['eyes 5-5 6/18 at 150° ±60° in line', 'ears 3-3 7/18 at 140° ±70° in line'],
    ],
  ])('%s', (words, expected) => {
    expect(placed(words)).toEqual(expected);
  });
});

describe('a making that is set otherwise than in the text', () => {
  const TUBE =
    'US terms\n\nMaterials\nDK cotton (50 g = 110 m): Moss 30 g, Sand 10 g\n3 mm hook\n\nTUBE\nWith Moss.\nCh 40 and join with a sl st to form a ring.\nRnds 1-20: sc around (40)\nChange to Sand.\nRnds 21-25: sc around (40)\nFasten off.\n';

  /** Width and height of a stitch and where that is from, the hook, and what the yarns need at least: metres and grams. */
  function set(settings: Partial<ShapeSettings>): string {
    const { gauge, hook, yarns, target } = shapeOfText(TUBE, { ...NO_SETTINGS, ...settings });
    const needs = yarns.map(
      ({ name, metres, grams }) => `${name} ${metres.from.toFixed(0)} m${grams ? ` ${grams.from.toFixed(0)} g` : ''}`,
    );
    const aimed = target ? [`${target.stitches.toFixed(0)} to 10 cm on ${target.hook ?? 'none'}`] : [];
    return [`${gauge.width.toFixed(2)}×${gauge.height.toFixed(2)} by ${gauge.from}`, hook, ...needs, ...aimed].join(
      ', ',
    );
  }

  it.each<[Partial<ShapeSettings>, string]>([
    [{}, '4.95×4.95 by hook, 3, Moss 22 m 10 g, Sand 6 m 3 g'],
    [{ hook: 4 }, '5.95×5.95 by hook, 4, Moss 26 m 12 g, Sand 6 m 3 g'],
    // Another yarn is worked on a hook that goes with it, and has no metres yet.
    [{ weight: 5 }, '8.39×8.39 by hook, 5, Moss 38 m, Sand 9 m'],
    [{ weight: 2 }, '4.09×4.09 by hook, 2.5, Moss 18 m, Sand 5 m'],
    [{ stitches: 18, rounds: 20 }, '5.56×5.00 by set, 3, Moss 25 m 11 g, Sand 6 m 3 g'],
    [{ stitches: 18 }, '5.56×5.56 by set, 3, Moss 26 m 12 g, Sand 6 m 3 g'],
    [{ rounds: 20 }, '4.95×5.00 by set, 3, Moss 23 m 11 g, Sand 6 m 3 g'],
    // What was weighed of one says how a hand takes all of them.
    [{ weighed: { moss: 24 } }, '4.95×4.95 by hook, 3, Moss 50 m 23 g, Sand 13 m 6 g'],
    [{ weighed: { other: 3 } }, '4.95×4.95 by hook, 3, Moss 22 m 10 g, Sand 6 m 3 g'],
    [{ target: 12 }, '4.95×4.95 by hook, 3, Moss 22 m 10 g, Sand 6 m 3 g, 21 to 10 cm on 2.75'],
  ])('%j', (settings, expected) => {
    expect(set(settings)).toBe(expected);
  });
});
