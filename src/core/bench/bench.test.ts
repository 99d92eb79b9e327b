import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  beatsOf,
  courseOfText,
  comesBefore,
  Progress,
  resultTable,
  sideBySide,
  roundsAlong,
  stepSchema,
  type Course,
  type Step,
  type What,
} from '../index.js';

const OTTER =
  'Otter\nUS terms\n\nMaterials\nDK cotton in Bark 30 g and Foam 10 g\n3 mm hook\n\nBODY\nStart with Bark.\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnds 4-6: sc around (18)\nStuff it.\nRnd 7: sc 2, (sc 1, dec) x 5, sc 1 (13)\nFasten off.\n\nPAW (make 2)\nRnd 1: 5 sc in MR (5)\nRnd 2: sc around (5)\n\nAssembly\nSew the paws to the body.\n';
const course = courseOfText(OTTER, 'Untitled');

const roundAt = (part: number, ring: number) => {
  const round = course.parts[part]?.rounds[ring];
  const instruction = course.instructions[round?.instruction ?? -1];
  if (!round || !instruction) throw new Error('no such round');
  return { round, instruction };
};

describe('a course', () => {
  it('has all parts with their copies, and each round of a range by itself', () => {
    expect(course.title).toBe('Otter');
    expect(course.parts.map(({ name, make, rounds }) => [name, make, rounds.length])).toEqual([
      ['Body', 1, 7],
      ['Paw', 2, 2],
    ]);
    expect(course.parts[0]?.rounds.map(({ number, edge, made }) => [number, edge, made])).toEqual([
      [1, null, 6],
      [2, 6, 12],
      [3, 12, 18],
      [4, 18, 18],
      [5, 18, 18],
      [6, 18, 18],
      [7, 18, 13],
    ]);
    expect(roundAt(0, 4).round.range).toEqual([4, 6]);
  });

  it('says what stands around the rounds where it is to be done', () => {
    expect(course.before).toContain('DK cotton in Bark 30 g and Foam 10 g');
    expect(course.after).toEqual(['Assembly', 'Sew the paws to the body.']);
    expect(course.yarns).toEqual(['Bark', 'Foam']);
    expect(course.parts[0]?.before).toEqual(['Start with Bark.']);
    expect(course.parts[0]?.rounds.map(({ then }) => then)).toEqual([
      [],
      [],
      [],
      [],
      [],
      ['Stuff it.'],
      ['Fasten off.'],
    ]);
  });

  it('tells which slip explains a count that is off', () => {
    const { instruction } = roundAt(0, 6);
    expect(instruction.slips.find(({ off }) => off === 1)?.slips[0]?.what).toBe(
      'One decrease was worked as two stitches.',
    );
    expect(instruction.slips.some(({ off }) => off === 0)).toBe(false);
  });
});

describe('the touches of a round', () => {
  const words = (part: number, ring: number, counting: 'stitch' | 'repeat' | 'round') => {
    const { round, instruction } = roundAt(part, ring);
    return beatsOf(round, instruction, counting).map(
      ({ made, from, to, pass }) =>
        `${made} ${instruction.words.slice(from, to)}${pass ? ` ${pass.at}/${pass.of}` : ''}`,
    );
  };

  it('are its repeats, and what stands between them', () => {
    expect(words(0, 6, 'repeat')).toEqual([
      '2 sc 2',
      ...[1, 2, 3, 4, 5].map((at) => `2 (sc 1, dec) x 5 ${at}/5`),
      '1 sc 1',
    ]);
  });

  it('are its stitches, each with the words that tell to make it', () => {
    expect(words(0, 6, 'stitch')).toEqual([
      '1 sc 2',
      '1 sc 2',
      ...[1, 2, 3, 4, 5].flatMap((at) => [`1 sc 1 ${at}/5`, `1 dec ${at}/5`]),
      '1 sc 1',
    ]);
  });

  it('are one for a whole round', () => {
    expect(words(0, 6, 'round')).toEqual([`13 ${roundAt(0, 6).instruction.words}`]);
  });

  it('make what the round makes, however they are counted', () => {
    for (const { part, ring } of roundsAlong(course))
      for (const counting of ['stitch', 'repeat', 'round'] as const) {
        const { round, instruction } = roundAt(part, ring);
        const sum = beatsOf(round, instruction, counting).reduce((all, { made }) => all + made, 0);
        expect(sum).toBe(round.made);
      }
  });
});

let made = 0;
function step(order: number, what: What, { device = 'device-a', spent = 0 } = {}): Step {
  made += 1;
  return { id: `step-${String(made).padStart(6, '0')}`, device, order, at: 1000 + order, spent, what };
}
const spot = (part: number, copy: number, ring: number) => ({ part, copy, ring });
const round = (order: number, part: number, copy: number, ring: number, spent = 0) =>
  step(order, { kind: 'round', spot: spot(part, copy, ring), counted: null }, { spent });

describe('how far a tester is', () => {
  it('begins at the first round, and goes on from copy to copy', () => {
    const progress = new Progress(course);
    expect(progress.at).toEqual(spot(0, 0, 0));
    const all = [...roundsAlong(course)];
    expect(all.length).toBe(11);
    for (const [i, one] of all.entries()) {
      expect(progress.at).toEqual(one);
      progress.take([step(i + 1, { kind: 'round', spot: one, counted: null })]);
    }
    expect(progress.at).toBeNull();
    expect(progress.share).toEqual({ done: 11, of: 11 });
  });

  it('comes back for a round that was passed over', () => {
    const progress = new Progress(course, [
      step(1, { kind: 'go', spot: spot(1, 1, 0) }),
      round(2, 1, 1, 0),
      round(3, 1, 1, 1),
    ]);
    expect(progress.at).toEqual(spot(0, 0, 0));
  });

  it('takes any step back', () => {
    const first = round(1, 0, 0, 0, 5000);
    const second = round(2, 0, 0, 1, 7000);
    const progress = new Progress(course, [first, second]);
    expect(progress.last?.id).toBe(second.id);
    progress.take([step(3, { kind: 'undo', of: second.id })]);
    expect(progress.at).toEqual(spot(0, 0, 1));
    expect(progress.spent).toBe(5000);
    expect(progress.last?.id).toBe(first.id);
    progress.take([step(4, { kind: 'undo', of: first.id })]);
    expect(progress.at).toEqual(spot(0, 0, 0));
    expect(progress.last).toBeNull();
  });

  it('counts the time of a round once, touch by touch, until it is put right', () => {
    const touch = (order: number, done: number, spent: number) =>
      step(order, { kind: 'count', spot: spot(0, 0, 0), done, by: 'stitch' }, { spent });
    const progress = new Progress(course, [touch(1, 1, 4000)]);
    progress.replace({ ...touch(1, 2, 9000), id: 'other-id-1' });
    expect(progress.round(spot(0, 0, 0))).toMatchObject({ touches: 2, spent: 9000, done: false });
    progress.take([round(2, 0, 0, 0, 1000)]);
    expect(progress.round(spot(0, 0, 0))).toMatchObject({ spent: 10_000, done: true });
    progress.take([step(3, { kind: 'time', spot: spot(0, 0, 0), spent: 60_000 })]);
    expect(progress.spent).toBe(60_000);
  });

  it('keeps how hard it was, and what was said at the end', () => {
    const progress = new Progress(course, [
      step(1, { kind: 'difficulty', of: 1 }),
      step(2, { kind: 'size', part: null, height: 9.5, width: null }),
    ]);
    expect([progress.difficulty, progress.finished, progress.sizes.get(null)]).toEqual([
      1,
      null,
      { height: 9.5, width: null },
    ]);
    const ended = new Progress(course, [step(1, { kind: 'finished', words: 'A joy.' })]);
    expect(ended.finished?.words).toBe('A joy.');
  });

  it.each([
    [1, true],
    [5, true],
    [0, false],
    [6, false],
    [1.5, false],
  ])('takes %d for how hard it was: %s', (of, taken) => {
    expect(stepSchema.safeParse(step(1, { kind: 'difficulty', of })).success).toBe(taken);
  });

  it('keeps what was decided on the hook, the swatch and what was weighed', () => {
    const hook = { kind: 'hook', spot: spot(0, 0, 2), counted: 17, made: 18, decided: 'One inc was missed.' } as const;
    const progress = new Progress(course, [
      step(1, hook),
      step(2, { kind: 'swatch', stitches: 20, rows: 22 }),
      step(3, { kind: 'weigh', yarn: 'Bark', when: 'before', grams: 50 }),
      step(4, { kind: 'weigh', yarn: 'Bark', when: 'after', grams: 31 }),
    ]);
    expect(progress.hooks).toEqual([expect.objectContaining({ ...hook, at: 1001 })]);
    expect(progress.swatch).toEqual({ stitches: 20, rows: 22 });
    expect(progress.weighed.get('Bark')).toEqual({ before: 50, after: 31 });
    expect(progress.order).toBe(4);
    expect(progress.standing.map(({ order }) => order)).toEqual([4, 3, 2, 1]);
    expect(new Progress(course).order).toBe(0);
  });

  it('puts a touch in the place of a step of another kind, and counts all anew', () => {
    const progress = new Progress(course, [round(1, 0, 0, 0, 5000)]);
    const touch = step(1, { kind: 'count', spot: spot(0, 0, 0), done: 2, by: 'stitch' }, { spent: 800 });
    progress.replace(touch);
    expect(progress.round(spot(0, 0, 0))).toMatchObject({ touches: 2, spent: 800, done: false });
    expect(progress.steps).toEqual([touch]);
    expect(progress.at).toEqual(spot(0, 0, 0));
  });

  it('has nothing to take back in a touch that undoes all touches', () => {
    const progress = new Progress(course, [
      step(1, { kind: 'count', spot: spot(0, 0, 1), done: 1, by: 'stitch' }),
      step(2, { kind: 'count', spot: spot(0, 0, 1), done: 0, by: 'stitch' }),
    ]);
    expect(progress.last?.order).toBe(1);
    expect(progress.at).toEqual(spot(0, 0, 1));
  });

  it('is not led astray by a round that is not there', () => {
    const progress = new Progress(course, [
      step(1, { kind: 'go', spot: spot(7, 0, 0) }),
      step(2, { kind: 'go', spot: spot(0, 3, 0) }),
    ]);
    expect(progress.at).toEqual(spot(0, 0, 0));
  });

  it('comes out the same on every device, whenever the steps of the others arrive', () => {
    const places = [...roundsAlong(course)];
    const what: fc.Arbitrary<What> = fc.oneof(
      fc.constantFrom(...places).map((one): What => ({ kind: 'round', spot: one, counted: null })),
      fc.constantFrom(...places).map((one): What => ({ kind: 'go', spot: one })),
      fc
        .record({ spot: fc.constantFrom(...places), done: fc.nat(12) })
        .map((one): What => ({ kind: 'count', by: 'stitch', ...one })),
      fc.nat(40).map((n): What => ({ kind: 'weigh', yarn: 'Bark', when: 'after', grams: n })),
    );
    const journal = fc
      .array(
        fc.record({
          device: fc.constantFrom('device-a', 'device-b'),
          order: fc.integer({ min: 1, max: 30 }),
          spent: fc.nat(9),
          what,
        }),
        { maxLength: 40 },
      )
      .map((steps) => steps.map((one, i): Step => ({ ...one, id: `step-${i}-0000`, at: 5 })))
      .chain((steps) =>
        fc.record({
          steps: fc.constant(
            steps.flatMap((one, i): Step[] =>
              i % 5 === 4
                ? [one, { ...one, id: `undo-${i}-000`, order: one.order + 1, what: { kind: 'undo', of: one.id } }]
                : [one],
            ),
          ),
          cuts: fc.array(fc.nat(40), { maxLength: 4 }),
          mixed: fc.shuffledSubarray(
            steps.map((_, i) => i),
            { minLength: steps.length },
          ),
        }),
      );
    fc.assert(
      fc.property(journal, ({ steps, cuts, mixed }) => {
        const whole = new Progress(course, steps);
        const parts = new Progress(course);
        const shuffled = mixed.flatMap((i) => steps[i] ?? []).concat(steps);
        for (const [from, to] of [0, ...cuts.sort((a, b) => a - b), shuffled.length].map(
          (at, i, all) => [all[i - 1] ?? 0, at] as const,
        ))
          parts.take(shuffled.slice(from, to));
        expect(stateOf(parts, course)).toEqual(stateOf(whole, course));
        expect(parts.steps).toEqual([...steps].sort(comesBefore));
      }),
    );
  });
});

function stateOf(progress: Progress, { parts }: Course) {
  return {
    at: progress.at,
    spent: progress.spent,
    weighed: [...progress.weighed],
    rounds: [...roundsAlong({ parts } as Course)].map((one) => progress.round(one)),
  };
}

describe('testers side by side', () => {
  const done = (order: number, ring: number, spent: number, counted: number | null = null) =>
    step(order, { kind: 'round', spot: spot(0, 0, ring), counted }, { spent });
  const people = [
    {
      name: 'Aune',
      steps: [done(1, 0, 60_000), done(2, 1, 90_000, 11), weigh(3, 'before', 50), weigh(4, 'after', 21.5)],
    },
    {
      name: 'Mirre',
      steps: [
        done(1, 0, 30_000),
        done(2, 1, 50_000),
        step(3, { kind: 'note', spot: spot(0, 0, 1), note: 'unclear', words: 'twelve of what?', photographs: [] }),
        step(4, { kind: 'note', spot: spot(0, 0, 2), note: 'liked', words: '', photographs: [] }),
        weigh(5, 'before', 48),
        weigh(6, 'after', 16),
      ],
    },
    { name: 'Tove', steps: [done(1, 0, 45_000), weigh(2, 'before', 49)] },
  ];
  function weigh(order: number, when: 'before' | 'after', grams: number) {
    return step(order, { kind: 'weigh', yarn: 'Bark', when, grams });
  }
  const told = people.map(({ name, steps }) => ({ name, progress: new Progress(course, steps) }));
  const { rows, testers, yarns } = sideBySide(course, told);

  it('show who stumbled where, and the middle of their times', () => {
    expect(rows).toHaveLength(9);
    expect(rows.slice(0, 3).map(({ stumbled, spent }) => [stumbled, spent])).toEqual([
      [0, 45_000],
      [2, 70_000],
      [0, null],
    ]);
    expect(rows[1]?.told.map(({ tester, counted, notes }) => [tester, counted, notes.length])).toEqual([
      [0, [11], 0],
      [1, [], 1],
    ]);
    expect([rows[1]?.done, rows[1]?.times]).toEqual([
      [1, 1, 0],
      [90_000, 50_000, null],
    ]);
    expect(testers.map(({ name, done: rounds, of, spent }) => [name, rounds, of, spent])).toEqual([
      ['Aune', 2, 11, 150_000],
      ['Mirre', 2, 11, 80_000],
      ['Tove', 1, 11, 45_000],
    ]);
  });

  it('say what a yarn takes only of those who weighed it before and after', () => {
    expect(yarns).toEqual([{ count: 2, least: 28.5, middle: 30.25, most: 32 }, null]);
  });

  it('come as a table of all rounds that were worked or noted at', () => {
    const table = resultTable(course, told);
    expect(table[0]).toEqual(['tester', 'part', 'copy', 'round', 'makes', 'counted', 'seconds', 'notes']);
    expect(table).toHaveLength(1 + 2 + 3 + 1);
    expect(table).toContainEqual(['Mirre', 'Body', 1, 2, 12, '', 50, 'unclear: twelve of what?']);
    expect(table).toContainEqual(['Mirre', 'Body', 1, 3, 18, '', 0, 'liked']);
  });
});
