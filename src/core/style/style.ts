import type { CountedPattern, CountedRound } from '../counting/counted.js';
import { decide } from '../deciding/decide.js';
import { roundsOf, type Pattern } from '../pattern/pattern.js';
import type { ReadOptions } from '../reading/read.js';
import { TRAITS, type Occurrence, type StyleEdit, type Trait } from './traits.js';

/** How a press writes: by the id of a trait one of its ways. Traits that are not named are left to each designer. */
export type HouseStyle = Readonly<Record<string, string>>;

/** How often a pattern writes each trait in each way. */
export type StyleCount = Readonly<Record<string, Readonly<Record<string, number>>>>;

/** Where a pattern leaves the house style. */
export interface Deviation {
  readonly trait: Trait;
  readonly occurrence: Occurrence;
  readonly round: CountedRound;
  /** What puts it in style; null where that can't be done without changing what is understood. */
  readonly edits: readonly StyleEdit[] | null;
}

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

/** So many characters of one round are read again at most to prove its changes; what is beyond stays as it is. */
const MOST_REREAD = 30_000;

/** All places of a counted pattern that are not in the house style, in the order of the text. */
export function deviations({ pattern, rounds }: CountedPattern, style: HouseStyle): Deviation[] {
  const { text } = pattern.source;
  const found: Deviation[] = [];
  for (const round of rounds) {
    const here: Deviation[] = [];
    for (const trait of TRAITS) {
      const wanted = style[trait.id];
      if (wanted === undefined || !trait.ways.some(({ way }) => way === wanted)) continue;
      for (const occurrence of trait.find(round.round, text))
        if (occurrence.way !== wanted) here.push({ trait, occurrence, round, edits: occurrence.write(wanted) });
    }
    found.push(...proved(pattern, round, here));
  }
  return found.sort((a, b) => a.occurrence.span.from - b.occurrence.span.from);
}

/** The deviations of one round, without the edits that change what is understood. */
function proved(pattern: Pattern, counted: CountedRound, here: readonly Deviation[]): Deviation[] {
  const { from, to } = counted.round.span;
  const together = here.flatMap(({ edits }) => edits ?? []);
  if (apart(together) && keeps(pattern, counted, together)) return [...here];
  let reads = Math.floor(MOST_REREAD / Math.max(1, to - from));
  return here.map((deviation) => {
    const { edits } = deviation;
    reads -= 1;
    const kept = edits !== null && reads >= 0 && keeps(pattern, counted, edits);
    return kept ? deviation : { ...deviation, edits: null };
  });
}

/** Whether no two edits touch. */
function apart(edits: readonly StyleEdit[]): boolean {
  const sorted = [...edits].sort((a, b) => a.from - b.from);
  return sorted.every(({ from }, i) => from >= (sorted[i - 1]?.to ?? 0));
}

/** Whether a round does and states the same after some edits, and is understood as well as before. */
function keeps({ source, readAgain }: Pattern, counted: CountedRound, edits: readonly StyleEdit[]): boolean {
  const { round, outcome } = counted;
  // A label is proved with the whole text.
  if (edits.every(({ to }) => to <= round.bodyFrom)) return true;
  const changed = readAgain(edited(source.text, round.bodyFrom, round.span.to, edits), round);
  const other = counted.instead(changed);
  return (
    changed.unread.length === round.unread.length &&
    changed.brackets.length === round.brackets.length &&
    (changed.stated?.total ?? null) === (round.stated?.total ?? null) &&
    other.into === outcome.into &&
    other.made === outcome.made &&
    other.misfits.length === outcome.misfits.length
  );
}

function edited(text: string, from: number, to: number, edits: readonly StyleEdit[]): string {
  const pieces: string[] = [];
  let at = from;
  for (const edit of [...edits].sort((a, b) => a.from - b.from)) {
    pieces.push(text.slice(at, edit.from), edit.text);
    at = edit.to;
  }
  pieces.push(text.slice(at, to));
  return pieces.join('');
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
