import type { CountedRound } from '../counting/counted.js';
import { decide } from '../deciding/decide.js';
import { roundsOf } from '../pattern/pattern.js';
import type { ReadOptions } from '../reading/read.js';
import { deviations, edited, type HouseStyle } from './style.js';
import { TRAITS, type StyleEdit } from './traits.js';

/** How often a pattern writes each trait in each way. */
export type StyleCount = Readonly<Record<string, Readonly<Record<string, number>>>>;

/** How a pattern writes: each trait with its ways, and how often each stands there. */
export function styleOf(text: string, options?: ReadOptions): StyleCount {
  const { pattern } = decide(text, options);
  const count: Record<string, Record<string, number>> = {};
  for (const trait of TRAITS) {
    const ways: Record<string, number> = {};
    for (const round of roundsOf(pattern))
      for (const { way } of trait.find(round, text)) ways[way] = (ways[way] ?? 0) + 1;
    count[trait.id] = ways;
  }
  return count;
}

/** The style that most of a pattern is written in. */
export function learnt(count: StyleCount): HouseStyle {
  const style: Record<string, string> = {};
  for (const [trait, ways] of Object.entries(count)) {
    const [usual] = Object.entries(ways).sort((a, b) => b[1] - a[1]);
    if (usual) style[trait] = usual[0];
  }
  return style;
}

/** A text in house style, and what could not be put into it. */
export interface Styled {
  readonly text: string;
  /** The lines that change, with how they read before and after; lines count from 1. */
  readonly lines: readonly { readonly line: number; readonly before: string; readonly after: string }[];
  /** Places that stay as they are, since no other way of writing them is understood to be the same. */
  readonly left: number;
  /** Whether the whole has been counted again and comes out the same; otherwise nothing is changed. */
  readonly proved: boolean;
}

/**
 * Puts a whole pattern in house style as one change that alters no count: each round is proved by itself, and the
 * text as a whole once more.
 */
export function inStyle(text: string, style: HouseStyle, options?: ReadOptions): Styled {
  const counted = decide(text, options);
  const all = deviations(counted, style);
  const edits: StyleEdit[] = [];
  const inRound = new Map<CountedRound, StyleEdit[]>();
  for (const { edits: own, round } of all) {
    // Two traits may want the same words; the first of them has its way.
    const taken = inRound.get(round) ?? [];
    if (!own?.every((edit) => !taken.some(({ from, to }) => edit.from < to && from < edit.to))) continue;
    edits.push(...own);
    inRound.set(round, [...taken, ...own]);
  }
  const result = edited(text, 0, text.length, edits);
  const recounted = decide(result, options);
  const proved = sameCounts(counted.rounds, recounted.rounds);
  const before = text.split('\n');
  const after = result.split('\n');
  return {
    text: proved ? result : text,
    lines: proved
      ? before.flatMap((line, i) => (after[i] === line ? [] : [{ line: i + 1, before: line, after: after[i] ?? '' }]))
      : [],
    left: all.filter((one) => one.edits === null).length,
    proved,
  };
}

function sameCounts(before: readonly CountedRound[], after: readonly CountedRound[]): boolean {
  return (
    before.length === after.length &&
    before.every((one, i) => {
      const other = after[i];
      return (
        other?.verdict === one.verdict &&
        other.round.from === one.round.from &&
        other.round.to === one.round.to &&
        other.outcome.edge === one.outcome.edge &&
        other.outcome.into === one.outcome.into &&
        other.outcome.made === one.outcome.made
      );
    })
  );
}
