import * as z from 'zod/mini';
import { Progress, roundsAlong } from './progress.js';
import type { Course } from './schema.js';
import { NOTE_KINDS, spotSchema, type Spot, type Step } from './steps.js';

/** A tester with all their steps. */
export interface TesterSteps {
  readonly name: string;
  readonly steps: readonly Step[];
}

const count = z.int().check(z.gte(0));
const figure = z.number();
const moment = z.number();

const noteSchema = z.object({
  id: z.string(),
  spot: z.nullable(spotSchema),
  note: z.enum(NOTE_KINDS),
  words: z.string(),
  photographs: z.readonly(z.array(z.string())),
  at: moment,
});
const hookSchema = z.object({
  id: z.string(),
  spot: spotSchema,
  counted: count,
  made: count,
  decided: z.string(),
  at: moment,
});

/** A tester at one round: of all copies together. */
const cellSchema = z.object({
  /** Copies of which this round is done. */
  done: count,
  /** Milliseconds a copy, on the middle; null where none is done. */
  spent: z.nullable(figure),
  /** Counts that were others than the round makes, copy by copy. */
  counted: z.array(count),
  notes: z.array(noteSchema),
  hooks: z.array(hookSchema),
});
export type Cell = z.infer<typeof cellSchema>;

/** A round, and how each of the testers fared with it. */
const rowSchema = z.object({
  part: count,
  ring: count,
  /** In the order of the testers. */
  cells: z.array(cellSchema),
  /** Testers who stumbled: who counted otherwise, or noted something other than that they liked it. */
  stumbled: count,
  /** Milliseconds, the middle of all testers; null where nobody has done it. */
  spent: z.nullable(figure),
});
export type ResultRow = z.infer<typeof rowSchema>;

/** What a tester says of the whole. */
const testerSchema = z.object({
  name: z.string(),
  done: count,
  of: count,
  spent: figure,
  finished: z.nullable(z.object({ at: moment, words: z.string() })),
  difficulty: z.nullable(count),
  swatch: z.nullable(z.object({ stitches: z.nullable(figure), rows: z.nullable(figure) })),
  /** Grams by yarn; null where it was not weighed before and after. */
  grams: z.array(z.nullable(figure)),
  /** Of the toy first, then of each part; cm. */
  sizes: z.array(z.object({ height: z.nullable(figure), width: z.nullable(figure) })),
  /** What is about no round. */
  notes: z.array(noteSchema),
});
export type ResultTester = z.infer<typeof testerSchema>;

/** What came of a test, side by side. */
export const sideBySideSchema = z.object({
  testers: z.array(testerSchema),
  rows: z.array(rowSchema),
  /** Of each yarn, what was weighed: how many did, the least, the middle and the most, in grams. */
  yarns: z.array(z.nullable(z.object({ count, least: figure, middle: figure, most: figure }))),
});
export type SideBySide = z.infer<typeof sideBySideSchema>;

/** From so many testers who weighed on, what they weighed tells what a yarn takes. */
export const WEIGHED_BY = 3;

/** Lays testers side by side, round by round in the order of the pattern. */
export function sideBySide(course: Course, people: readonly TesterSteps[]): SideBySide {
  const all = people.map(({ steps }) => new Progress(course, steps));
  const rows = course.parts.flatMap(({ rounds }, part) =>
    rounds.map((_, ring): ResultRow => {
      const cells = all.map((progress) => cellOf(course, progress, part, ring));
      const times = cells.flatMap(({ spent }) => (spent === null ? [] : [spent]));
      return { part, ring, cells, stumbled: cells.filter(stumbledAt).length, spent: middleOf(times) };
    }),
  );
  const testers = all.map((progress, i) => testerOf(course, progress, people[i]?.name ?? ''));
  return {
    testers,
    rows,
    yarns: course.yarns.map((_, i) => {
      const grams = testers.flatMap((tester) => tester.grams[i] ?? []).sort((a, b) => a - b);
      const [least, most, middle] = [grams[0], grams.at(-1), middleOf(grams)];
      return least === undefined || most === undefined || middle === null
        ? null
        : { count: grams.length, least, middle, most };
    }),
  };
}

function cellOf(course: Course, progress: Progress, part: number, ring: number): Cell {
  const here = (spot: Spot | null) => spot?.part === part && spot.ring === ring;
  const { make = 1, rounds = [] } = course.parts[part] ?? {};
  const states = Array.from({ length: make }, (_, copy) => progress.round({ part, copy, ring }));
  const done = states.filter((state) => state.done);
  const made = rounds[ring]?.made ?? null;
  return {
    done: done.length,
    spent: middleOf(done.map(({ spent }) => spent).filter((spent) => spent > 0)),
    counted: done.flatMap(({ counted }) => (counted !== null && counted !== made ? [counted] : [])),
    notes: progress.notes.filter(({ spot }) => here(spot)),
    hooks: progress.hooks.filter(({ spot }) => here(spot)),
  };
}

/** Whether a tester stumbled here. */
export function stumbledAt({ counted, notes, hooks }: Cell): boolean {
  return counted.length > 0 || hooks.length > 0 || notes.some(({ note }) => note !== 'liked');
}

function testerOf(course: Course, progress: Progress, name: string): ResultTester {
  const { share, spent, finished, difficulty, swatch } = progress;
  const none = { height: null, width: null };
  return {
    name,
    ...share,
    spent,
    finished,
    difficulty,
    swatch,
    grams: course.yarns.map((yarn) => {
      const { before = null, after = null } = progress.weighed.get(yarn) ?? {};
      return before === null || after === null || after > before ? null : Math.round((before - after) * 10) / 10;
    }),
    sizes: [null, ...course.parts.keys()].map((part) => progress.sizes.get(part) ?? none),
    notes: progress.notes.filter(({ spot }) => spot === null),
  };
}

/** The middle of some figures; of two, the mean of both. */
export function middleOf(figures: readonly number[]): number | null {
  if (figures.length === 0) return null;
  const sorted = figures.toSorted((a, b) => a - b);
  const half = sorted.length >> 1;
  const [low = 0, high = 0] = [sorted[sorted.length % 2 === 1 ? half : half - 1], sorted[half]];
  return (low + high) / 2;
}

/** All rounds of all testers as a table: first the names of its columns. */
export function resultTable(course: Course, people: readonly TesterSteps[]): (string | number)[][] {
  const head = ['tester', 'part', 'copy', 'round', 'makes', 'counted', 'seconds', 'notes'];
  const body = people.flatMap(({ name, steps }) => {
    const progress = new Progress(course, steps);
    return [...roundsAlong(course)].flatMap((spot) => {
      const state = progress.round(spot);
      const notes = progress.notes.filter(
        (one) => one.spot?.part === spot.part && one.spot.ring === spot.ring && one.spot.copy === spot.copy,
      );
      if (!state.done && notes.length === 0) return [];
      const part = course.parts[spot.part];
      const round = part?.rounds[spot.ring];
      const words = notes.map(({ note, words: said }) => (said === '' ? note : `${note}: ${said}`)).join('; ');
      return [
        [
          name,
          part?.name ?? '',
          spot.copy + 1,
          round?.number ?? round?.label ?? '',
          round?.made ?? '',
          state.counted ?? '',
          Math.round(state.spent / 1000),
          words,
        ],
      ];
    });
  });
  return [head, ...body];
}
