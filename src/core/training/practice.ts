import type { Vocabulary } from '../vocabulary/stitches.js';
import type { ReportFinding, ReportRound } from '../report/schema.js';
import { begun } from './begun.js';
import { between, oneOf, shuffled, type Chance } from './chances.js';
import { faultsIn, seen, unfit, type Seen } from './clean.js';
import { compared } from './compared.js';
import { SCHOOLS, written, type School } from './hands.js';
import { FAULT_KINDS, kindOf, type FaultKindId, type Level } from './kinds.js';
import { PLACES, type Planting, type TextEdit } from './planting.js';
import type { PlantedFault, Practice } from './schema.js';
import { toyBy } from './toy.js';

/** How far each level goes. */
interface Range {
  /** Faults, at the least and at the most. */
  readonly least: number;
  readonly most: number;
  /** Small parts beside head and body. */
  readonly limbs: number;
  /** It is said beforehand how many there are. */
  readonly told: boolean;
}

export const LEVEL_RANGES: Readonly<Record<Level, Range>> = {
  1: { least: 1, most: 1, limbs: 1, told: true },
  2: { least: 2, most: 3, limbs: 2, told: true },
  3: { least: 2, most: 4, limbs: 3, told: false },
  4: { least: 0, most: 6, limbs: 4, told: false },
};

/** What is wanted of a practice pattern. */
export interface Wanted {
  readonly level: Level;
  /** A way of writing, and a vocabulary; any where it is left out. */
  readonly school?: School | null;
  readonly terms?: Vocabulary | null;
  /** Kinds of fault to be planted first, where there is a place for them. */
  readonly kinds?: readonly FaultKindId[];
  /** The same wish with the same seed gives the same pattern; a whole number from 1. */
  readonly seed: number;
}

/** A clean pattern can't be given the faults that are wanted; says why, and what to do. */
export class NotPlantable extends Error {}

/** So many toys are tried until one takes the faults that are wanted. */
const MOST_TOYS = 12;
/** So many places of one kind are tried. */
const MOST_TRIES = 8;
/** Two faults stand so many lines apart at the least: each is to be told by its own neighbours. */
const APART = 3;

/** A practice pattern, made up on the spot. The core has proved that its faults, and nothing else, are wrong with it. */
export function practice(wanted: Wanted): Practice {
  const chance = begun(wanted.seed);
  for (let i = 0; i < MOST_TOYS; i += 1) {
    const school = wanted.school ?? oneOf(SCHOOLS, chance);
    const terms = wanted.terms ?? oneOf(['us', 'uk'] as const, chance);
    const { limbs, least, most } = LEVEL_RANGES[wanted.level];
    const clean = seen(written(toyBy(chance, { limbs }), school, terms, chance));
    if (unfit(clean) !== null) continue;
    const made = planted(clean, between(least, most, chance), wanted, chance);
    if (made.length >= least) return { ...finished(clean, made), level: wanted.level, school, terms };
  }
  throw new NotPlantable(
    'No practice pattern could be made as it is wanted. Choose another way of writing, or another level.',
  );
}

/**
 * Plants faults in a pattern of one's own.
 * @throws NotPlantable where it is not clean, or too short for so many faults.
 */
export function practiceFrom(text: string, wanted: Omit<Wanted, 'school' | 'terms'>): Practice {
  const clean = seen(text);
  const why = unfit(clean);
  if (why !== null) throw new NotPlantable(`${why} Faults can be planted only where none stands yet.`);
  const { least, most } = LEVEL_RANGES[wanted.level];
  const chance = begun(wanted.seed);
  const made = planted(clean, between(least, most, chance), wanted, chance);
  if (made.length < least)
    throw new NotPlantable(
      `It is too short for this level: ${made.length} of ${least} faults found a place in its ${clean.counted.rounds.length} rounds. Take a longer pattern, or a lower level.`,
    );
  return { ...finished(clean, made), level: wanted.level, school: null, terms: clean.counted.pattern.terms.used };
}

/** Plants up to so many faults, those of the wanted kinds first, each of them proved. */
function planted(
  clean: Seen,
  count: number,
  { level, kinds = [] }: Pick<Wanted, 'level' | 'kinds'>,
  chance: Chance,
): Planting[] {
  const made: Planting[] = [];
  const within = FAULT_KINDS.filter((kind) => kind.level <= level).map(({ id }) => id);
  const order = [...kinds.filter((id) => within.includes(id)), ...shuffled(within, chance)];
  for (const kind of new Set(order)) {
    if (made.length >= count) break;
    const one = oneThatHolds(clean, made, kind, chance);
    if (one) made.push(one);
  }
  // A long list of one kind is no practice, but better than too few faults.
  for (const kind of order) {
    if (made.length >= count) break;
    const one = oneThatHolds(clean, made, kind, chance);
    if (one) made.push(one);
  }
  return made;
}

function oneThatHolds(clean: Seen, made: readonly Planting[], kind: FaultKindId, chance: Chance): Planting | null {
  const places = shuffled([...PLACES[kind](clean)], chance).slice(0, MOST_TRIES);
  return places.find((place) => isApart(clean, made, place) && holds(clean, [...made, place])) ?? null;
}

function isApart(clean: Seen, made: readonly Planting[], place: Planting): boolean {
  const lines = (one: Planting) =>
    [...one.at, ...one.edits.map(({ from }) => from)].map((at) => lineOf(clean.text, at));
  const here = lines(place);
  return made.every((other) => lines(other).every((line) => here.every((mine) => Math.abs(mine - line) >= APART)));
}

/** Whether just these faults are wrong with the text: each is found by its own rules, and nothing else is found. */
function holds(clean: Seen, plantings: readonly Planting[]): boolean {
  const { report } = seen(
    rewritten(
      clean.text,
      plantings.flatMap(({ edits }) => edits),
    ),
  );
  const lines = plantings.map((planting) => linesOf(clean.text, plantings, planting));
  const isOn = (line: number, endLine: number) => lines.some((own) => own.some((one) => line <= one && one <= endLine));
  const found = faultsIn(report);
  const wrong = report.parts
    .flatMap(({ rounds }) => rounds)
    .filter(({ verdict }) => verdict === 'off' || verdict === 'unreadable');
  return (
    plantings.every(({ kind }, i) =>
      foundAt(found, lines[i] ?? []).some(({ rule }) => kindOf(kind).rules.test(rule)),
    ) && [...found, ...wrong].every(({ line, endLine }) => isOn(line, endLine))
  );
}

const foundAt = (found: readonly ReportFinding[], lines: readonly number[]): ReportFinding[] =>
  found.filter(({ line, endLine }) => lines.some((one) => line <= one && one <= endLine));

function rewritten(text: string, edits: readonly TextEdit[]): string {
  return [...edits]
    .sort((a, b) => b.from - a.from || b.to - a.to)
    .reduce((all, { from, to, text: other }) => all.slice(0, from) + other + all.slice(to), text);
}

const lineOf = (text: string, offset: number): number => text.slice(0, offset).split('\n').length;

/** The lines of the planted text, from 1, on which a fault is rightly marked. */
function linesOf(text: string, plantings: readonly Planting[], { at }: Planting): number[] {
  const edits = plantings.flatMap((planting) => planting.edits);
  const rest = rewritten(text, edits);
  const moved = (offset: number) =>
    edits
      .filter(({ to, from }) => to <= offset && from < offset)
      .reduce((all, { from, to, text: other }) => all + other.length - (to - from), offset);
  return [...new Set(at.map((offset) => lineOf(rest, moved(offset))))].sort((a, b) => a - b);
}

function finished(clean: Seen, plantings: readonly Planting[]): Omit<Practice, 'level' | 'school' | 'terms'> {
  const text = rewritten(
    clean.text,
    plantings.flatMap(({ edits }) => edits),
  );
  const { report } = seen(text);
  const rounds = report.parts.flatMap((part) => part.rounds);
  const faults = plantings.map((planting): PlantedFault => {
    const lines = linesOf(clean.text, plantings, planting);
    const found = foundAt(faultsIn(report), lines).filter(({ rule }) => kindOf(planting.kind).rules.test(rule));
    const round = rounds.findIndex(
      (one) => lines.includes(one.line) && found.some(({ line }) => one.line <= line && line <= one.endLine),
    );
    return {
      kind: planting.kind,
      lines: [...lines],
      says: found[0]?.message ?? '',
      compare: compared(planting.kind, rounds[round] ?? null, neighbours(rounds, round)),
      right: rightOf(clean.text, planting),
    };
  });
  return { text, faults: faults.sort((a, b) => (a.lines[0] ?? 0) - (b.lines[0] ?? 0)) };
}

function neighbours(
  rounds: readonly ReportRound[],
  at: number,
): { before: ReportRound | null; after: ReportRound | null } {
  return { before: rounds[at - 1] ?? null, after: rounds[at + 1] ?? null };
}

/** How the text reads where nothing was planted: the line as it was; of one that was taken away, before which line it stood. */
function rightOf(text: string, { edits }: Planting): string {
  const first = edits[0];
  if (!first) return '';
  const from = text.lastIndexOf('\n', first.from - 1) + 1;
  const end = text.indexOf('\n', Math.max(first.from, first.to - 1));
  const line = text.slice(from, end < 0 ? text.length : end).trim();
  const whole = first.text === '' && first.from === from && text.charAt(first.to - 1) === '\n';
  const next = whole
    ? text
        .slice(first.to)
        .split('\n')
        .find((other) => other.trim() !== '')
    : undefined;
  return next === undefined ? line : `${line} (before “${next.trim()}”)`;
}
