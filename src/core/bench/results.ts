import { Progress, roundsAlong, type HookMoment, type NoteMade } from './progress.js';
import type { Course } from './schema.js';
import type { Spot, Step } from './steps.js';

/** A tester with all their steps. */
export interface TesterSteps {
  readonly name: string;
  readonly steps: readonly Step[];
}

/** A tester at one round: of all copies together. */
export interface Cell {
  /** Copies of which this round is done. */
  readonly done: number;
  /** Milliseconds a copy, on the middle; null where none is done. */
  readonly spent: number | null;
  /** Counts that were others than the round makes, copy by copy. */
  readonly counted: readonly number[];
  readonly notes: readonly NoteMade[];
  readonly hooks: readonly HookMoment[];
}

/** A round, and how each of the testers fared with it. */
export interface ResultRow {
  readonly part: number;
  readonly ring: number;
  /** In the order of the testers. */
  readonly cells: readonly Cell[];
  /** Testers who stumbled: who counted otherwise, or noted something other than that they liked it. */
  readonly stumbled: number;
  /** Milliseconds, the middle of all testers; null where nobody has done it. */
  readonly spent: number | null;
}

/** What a tester says of the whole. */
export interface ResultTester {
  readonly name: string;
  readonly done: number;
  readonly of: number;
  readonly spent: number;
  readonly finished: { readonly at: number; readonly words: string } | null;
  readonly difficulty: number | null;
  readonly swatch: Progress['swatch'];
  /** Grams by yarn; null where it was not weighed before and after. */
  readonly grams: readonly (number | null)[];
  /** Of the toy first, then of each part; cm. */
  readonly sizes: readonly { readonly height: number | null; readonly width: number | null }[];
  /** What is about no round. */
  readonly notes: readonly NoteMade[];
}

/** What came of a test, side by side. */
export interface SideBySide {
  readonly testers: readonly ResultTester[];
  readonly rows: readonly ResultRow[];
  /** Of each yarn, what was weighed: how many did, the least, the middle and the most, in grams. */
  readonly yarns: readonly ({
    readonly count: number;
    readonly least: number;
    readonly middle: number;
    readonly most: number;
  } | null)[];
}

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
