import { doesTheSame, lengthOf, LIKE, likeness } from './likeness.js';
import type { Pairing } from './pairing.js';
import type { Unit } from './units.js';

/** Rounds that a range stands for which was written out, or drawn together: by each of them the range. */
export function spreadOf(old: readonly Unit[], now: readonly Unit[], pairing: Pairing): Spread {
  const written = writtenOut(old, now, (unit) => pairing.was(unit));
  const drawn = writtenOut(now, old, (unit) => pairing.became(unit));
  for (const [single, range] of written) pairing.share(range, single);
  for (const [single, range] of drawn) {
    const after = pairing.became(single);
    if (after && after !== range) pairing.part(after);
  }
  return { written, drawn };
}

export interface Spread {
  /** By a round of the later draft the range of the earlier one that it was written out of. */
  readonly written: ReadonlyMap<Unit, Unit>;
  /** By a round of the earlier draft the range of the later one that it was drawn into. */
  readonly drawn: ReadonlyMap<Unit, Unit>;
}

/** By each single round in `singles` that stands for a part of a range in `ranges` that range. */
function writtenOut(
  ranges: readonly Unit[],
  singles: readonly Unit[],
  partner: (single: Unit) => Unit | null,
): Map<Unit, Unit> {
  const found = new Map<Unit, Unit>();
  const labelled = singles.filter(({ round, from, to }) => round !== null && from > 0 && from === to);
  for (const range of ranges) {
    if (range.to <= range.from || range.round === null) continue;
    const free = labelled.filter((one) => [null, range].includes(partner(one)) && doesAsOne(range, one));
    const run = likestRun(runsOf(free), range, partner);
    for (const one of run) found.set(one, range);
  }
  return found;
}

/** The run of single rounds that a range was written out into; none where there is no such run. */
function likestRun(
  runs: readonly (readonly Unit[])[],
  range: Unit,
  partner: (single: Unit) => Unit | null,
): readonly Unit[] {
  const half = lengthOf(range) / 2;
  const inside = (run: readonly Unit[]) => run.filter(({ from }) => from >= range.from && from <= range.to).length;
  return runs
    .filter((run) => run.length > 1 && run.length >= half)
    .filter((run) => inside(run) >= Math.max(half, run.length / 2) || run.some((one) => partner(one) === range))
    .reduce<readonly Unit[]>((best, run) => (best.length === 0 || inside(run) > inside(best) ? run : best), []);
}

/** Single rounds in runs: of one part, their numbers in order, and at most one between two of them that is not there. */
function runsOf(singles: readonly Unit[]): Unit[][] {
  const runs: Unit[][] = [];
  for (const one of singles) {
    const last = runs.at(-1)?.at(-1);
    if (last && one.part === last.part && one.from > last.from && one.from <= last.from + 2) runs.at(-1)?.push(one);
    else runs.push([one]);
  }
  return runs;
}

function doesAsOne(range: Unit, single: Unit): boolean {
  if (range.body === single.body) return true;
  if (range.made !== null && single.made !== null && range.made !== single.made) return false;
  return doesTheSame(range, single) || likeness(range.words, single.words) >= LIKE;
}
