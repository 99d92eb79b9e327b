import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkText } from '../index.js';
import { FAULT_KINDS, kindOf, LEVELS, type Level } from './kinds.js';
import { marked } from './marking.js';
import { LEVEL_RANGES, NotPlantable, practice, practiceFrom } from './practice.js';
import { practiceSchema, type PencilMark, type Practice } from './schema.js';
import { SCHOOLS } from './hands.js';

const grave = (text: string) => checkText(text, '').findings.filter(({ severity }) => severity !== 'hint');
const wrongRounds = (text: string) =>
  checkText(text, '')
    .parts.flatMap(({ rounds }) => rounds)
    .filter(({ verdict }) => verdict === 'off' || verdict === 'unreadable');

/** Lines of a text that something is wrong with, by what the check alone says. */
function linesOff(text: string): number[] {
  return [...grave(text), ...wrongRounds(text)].map(({ line }) => line);
}

/** So many practice patterns are made; `PRACTICE=1000` for all that are promised. */
const RUNS = Number(process.env.PRACTICE ?? 120);

const wishes = fc.record({
  level: fc.constantFrom(...LEVELS),
  school: fc.option(fc.constantFrom(...SCHOOLS), { nil: null }),
  terms: fc.option(fc.constantFrom('us' as const, 'uk' as const), { nil: null }),
  seed: fc.integer({ min: 1, max: 1_000_000 }),
});

describe('a practice pattern', () => {
  it('has just the faults that were planted, each found by its own rules', () => {
    fc.assert(
      fc.property(wishes, (wish) => {
        const made = practice(wish);
        expect(practiceSchema.parse(made)).toEqual(made);
        const range = LEVEL_RANGES[wish.level];
        expect(made.faults.length).toBeGreaterThanOrEqual(range.least);
        expect(made.faults.length).toBeLessThanOrEqual(range.most);
        const found = grave(made.text);
        for (const { kind, lines, says, compare } of made.faults) {
          expect(kindOf(kind).level).toBeLessThanOrEqual(wish.level);
          const here = found.filter(({ line, endLine }) => lines.some((one) => line <= one && one <= endLine));
          expect(here.some(({ rule, message }) => kindOf(kind).rules.test(rule) && message === says)).toBe(true);
          expect(compare).not.toBe('');
        }
        const planted = made.faults.flatMap(({ lines }) => lines);
        expect(linesOff(made.text).filter((line) => !planted.includes(line))).toEqual([]);
        // No line belongs to two of them.
        expect(new Set(planted).size).toBe(planted.length);
      }),
      { numRuns: RUNS, seed: 22 },
    );
  });

  it('comes in all schools, both vocabularies and with every kind of fault; no two are alike', () => {
    const made = LEVELS.flatMap((level) =>
      SCHOOLS.flatMap((school) =>
        (['us', 'uk'] as const).flatMap((terms) =>
          [1, 2].map((seed) => practice({ level, school, terms, seed: seed * 100 + level })),
        ),
      ),
    );
    expect(new Set(made.map(({ text }) => text)).size).toBe(made.length);
    for (const { text, terms } of made) expect(checkText(text, '').terms.declared).toBe(terms);
    const kinds = new Set(made.flatMap(({ faults }) => faults.map(({ kind }) => kind)));
    expect(FAULT_KINDS.map(({ id }) => id).filter((id) => !kinds.has(id))).toEqual([]);
  });

  it('says how each line read, and of one that was taken away where it stood', () => {
    const wish = { level: 3, school: 'abbreviations', terms: 'us' } as const;
    const faults = [1, 2, 3, 4, 5, 6, 7, 8].flatMap(
      (seed) => practice({ ...wish, kinds: ['eyes-late', 'figure'], seed }).faults,
    );
    const of = (kind: string) => faults.filter((fault) => fault.kind === kind).map(({ right }) => right);
    expect(of('eyes-late').length).toBeGreaterThan(2);
    for (const right of of('eyes-late')) expect(right).toMatch(/^Insert the eyes .* \(before “.+”\)$/);
    for (const right of of('figure')) expect(right).toMatch(/^(?:R|Rnd )/);
  });

  it('is the same for the same seed, and plants what is wanted first', () => {
    const wish = { level: 3, school: 'abbreviations', terms: 'us', kinds: ['eyes-late'] } as const;
    expect(practice({ ...wish, seed: 5 })).toEqual(practice({ ...wish, seed: 5 }));
    const many = Array.from({ length: 12 }, (_, i) => practice({ ...wish, seed: i + 1 }));
    const late = many.filter(({ faults }) => faults.some(({ kind }) => kind === 'eyes-late'));
    expect(late.length).toBeGreaterThanOrEqual(6);
  });
});

const BALL =
  'Ball\nUS terms\n\nMaterials\nDK cotton: Moss\n3 mm hook\nstuffing\n\nMR = magic ring, sc = single crochet, inc = 2 sc in one st, dec = sc 2 sts together, st = stitch\n\nBALL\nWith Moss.\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnds 4-8: sc around (18)\nRnd 9: (sc 1, dec) x 6 (12)\nStuff it.\nRnd 10: dec x 6 (6)\nFasten off and draw the last 6 sts together.\n';

describe('a pattern of one’s own', () => {
  it('takes faults where it is clean', () => {
    const made = practiceFrom(BALL, { level: 1, seed: 3 });
    expect(made.faults).toHaveLength(1);
    expect(made.school).toBeNull();
    expect(linesOff(made.text).length).toBeGreaterThan(0);
  });

  it('is refused in words where it is not clean, holds no rounds, or is too short', () => {
    const refused = (text: string, level: Level) => {
      try {
        practiceFrom(text, { level, seed: 1 });
      } catch (error) {
        expect(error).toBeInstanceOf(NotPlantable);
        return (error as Error).message;
      }
      return null;
    };
    expect(refused(BALL.replace('(18)', '(17)'), 1)).toMatch(/not clean: 1 of 6 rounds does not come out/);
    expect(refused('Bread\n\nFlour, water, salt.\n', 1)).toMatch(/no rounds/);
    const short = BALL.replace(/Rnd 2[^]*$/, 'Rnd 2: sc around (6)\nFasten off and weave in.\n');
    expect(refused(short, 3)).toMatch(/too short for this level: \d of 2 faults/);
  });
});

describe('the mark', () => {
  const PLANTED: Practice = {
    text: BALL.replace('(sc 1, inc) x 6', '(sc 1, inc) x 5').replace('10: dec x 6 (6)', '10: dec x 6 (7)'),
    faults: [
      { kind: 'times', lines: [15], says: 'x', compare: 'y', right: 'Rnd 3: (sc 1, inc) x 6 (18)' },
      { kind: 'stated', lines: [19], says: 'x', compare: 'y', right: 'Rnd 10: dec x 6 (6)' },
    ],
    level: 2,
    school: null,
    terms: 'us',
  };
  const at = (line: number, more: Partial<PencilMark> = {}): PencilMark => ({
    line,
    kind: null,
    proposal: '',
    ...more,
  });

  it('says where the lines stand that this file speaks of', () => {
    const lines = PLANTED.text.split('\n');
    expect(lines[14]).toBe('Rnd 3: (sc 1, inc) x 5 (18)');
    expect(lines[18]).toBe('Rnd 10: dec x 6 (7)');
  });

  it.each([
    ['nothing is marked', [], 0],
    ['one of two is found', [at(15)], 1 / 2],
    ['both are found', [at(15), at(19)], 1],
    ['one is found, and an innocent line is blamed', [at(15), at(13)], 1 / 3],
    ['all lines are marked', Array.from({ length: 21 }, (_, i) => at(i + 1)), 2 / 21],
    ['one line is marked twice', [at(15), at(15), at(13), at(13)], 1 / 3],
  ] as const)('where %s', (_, marks, mark) => {
    expect(marked(PLANTED, marks).mark).toBeCloseTo(mark);
  });

  it('is full for a clean pattern in which nothing was marked, and none where something was', () => {
    expect(marked({ text: BALL, faults: [] }, []).mark).toBe(1);
    expect(marked({ text: BALL, faults: [] }, [at(15)])).toMatchObject({
      mark: 0,
      blamed: [{ says: 'Rnd 3 uses 12 of 12, makes 18 and states 18: it comes out.' }],
    });
  });

  it('says whether what is wrong was named, and whether the proposal puts it right', () => {
    const result = (mark: Partial<PencilMark>) => marked(PLANTED, [at(15, mark)]).faults[0];
    expect(result({ kind: 'times', proposal: 'Rnd 3: (sc 1, inc) x 6 (18)' })).toMatchObject({
      named: true,
      righted: true,
    });
    // Written another way, it is right as well.
    expect(result({ kind: 'stated', proposal: '  Rnd 3: (sc 1, inc) around (18)' })).toMatchObject({
      named: false,
      righted: true,
    });
    expect(result({ proposal: 'Rnd 3: (sc 1, inc) x 5 (15)' })).toMatchObject({ righted: false });
    expect(result({ proposal: 'Rnd 3: (sc 1, inc) x 5 (18)' })).toMatchObject({ righted: false });
    expect(result({ proposal: 'something' })).toMatchObject({ righted: false });
    expect(result({})).toMatchObject({ righted: null });
  });

  it('shows the sums of all rounds', () => {
    expect(marked(PLANTED, []).rounds.slice(1, 3)).toEqual([
      { line: 14, part: 'Ball', label: 'Rnd 2', edge: 6, into: 6, made: 12, stated: 12 },
      { line: 15, part: 'Ball', label: 'Rnd 3', edge: 12, into: 10, made: 15, stated: 18 },
    ]);
  });
});
