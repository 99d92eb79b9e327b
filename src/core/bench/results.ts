import * as z from 'zod/mini';
import { Progress, roundsAlong } from './progress.js';
import type { RoundList } from './schema.js';
import { NOTE_KINDS, spotSchema, type Spot } from './steps.js';

/** A tester, and how far they have come. */
export interface TesterProgress {
  readonly name: string;
  readonly progress: Progress;
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

/** What a tester told at one round, of all copies together. */
const toldSchema = z.object({
  /** Place among the testers. */
  tester: count,
  /** Counts that were others than the round makes, copy by copy. */
  counted: z.array(count),
  notes: z.array(noteSchema),
  hooks: z.array(hookSchema),
});
export type Told = z.infer<typeof toldSchema>;

/** A round, and how each of the testers fared with it. */
const rowSchema = z.object({
  part: count,
  ring: count,
  /** Copies of which each tester has done this round. */
  done: z.array(count),
  /** Milliseconds that a copy took each tester, on the middle; null where none is done. */
  times: z.array(z.nullable(figure)),
  /** Only of testers who told something: most rounds go by in silence. */
  told: z.array(toldSchema),
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
export function sideBySide(course: RoundList, people: readonly TesterProgress[]): SideBySide {
  const notes = people.map(({ progress }) => byRound(progress.notes));
  const hooks = people.map(({ progress }) => byRound(progress.hooks));
  const rows = course.parts.flatMap(({ make, rounds }, part) =>
    rounds.map(({ made }, ring): ResultRow => {
      const key = roundKey({ part, ring });
      const [done, times, told]: [number[], (number | null)[], Told[]] = [[], [], []];
      for (const [tester, { progress }] of people.entries()) {
        const copies = copiesOf(progress, { part, ring }, make, made);
        done.push(copies.done);
        times.push(copies.spent);
        const [noted, met] = [notes[tester]?.get(key) ?? [], hooks[tester]?.get(key) ?? []];
        if (copies.counted.length + noted.length + met.length > 0)
          told.push({ tester, counted: copies.counted, notes: noted, hooks: met });
      }
      const spent = middleOf(times.filter((time) => time !== null));
      return { part, ring, done, times, told, stumbled: told.filter(stumbledAt).length, spent };
    }),
  );
  const testers = people.map((person) => testerOf(course, person));
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

/** A tester at one round, all copies together. */
function copiesOf(progress: Progress, at: Pick<Spot, 'part' | 'ring'>, make: number, made: number | null) {
  const [times, counted]: [number[], number[]] = [[], []];
  let done = 0;
  for (let copy = 0; copy < make; copy += 1) {
    const state = progress.round({ ...at, copy });
    if (!state.done) continue;
    done += 1;
    if (state.spent > 0) times.push(state.spent);
    if (state.counted !== null && state.counted !== made) counted.push(state.counted);
  }
  return { done, spent: middleOf(times), counted };
}

/** What is about a round, whichever copy it was noted at. */
function byRound<Told extends { readonly spot: Spot | null }>(all: readonly Told[]): Map<string, Told[]> {
  const rounds = new Map<string, Told[]>();
  for (const one of all) {
    if (!one.spot) continue;
    const key = roundKey(one.spot);
    const known = rounds.get(key);
    if (known) known.push(one);
    else rounds.set(key, [one]);
  }
  return rounds;
}

const roundKey = ({ part, ring }: Pick<Spot, 'part' | 'ring'>): string => `${part} ${ring}`;

/** Whether a tester stumbled here. */
export function stumbledAt({ counted, notes, hooks }: Told): boolean {
  return counted.length > 0 || hooks.length > 0 || notes.some(({ note }) => note !== 'liked');
}

function testerOf(course: RoundList, { name, progress }: TesterProgress): ResultTester {
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
  if (figures.length < 2) return figures[0] ?? null;
  const sorted = figures.toSorted((a, b) => a - b);
  const half = sorted.length >> 1;
  const [low = 0, high = 0] = [sorted[sorted.length % 2 === 1 ? half : half - 1], sorted[half]];
  return (low + high) / 2;
}

/** All rounds of all testers as a table: first the names of its columns. */
export function resultTable(course: RoundList, people: readonly TesterProgress[]): (string | number)[][] {
  const head = ['tester', 'part', 'copy', 'round', 'makes', 'counted', 'seconds', 'notes'];
  const body = people.flatMap(({ name, progress }) => {
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
