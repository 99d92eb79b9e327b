import { roundsByPart, type CountedPattern, type CountedRound } from '../counting/counted.js';
import type { Amount, Step } from '../pattern/instruction.js';
import type { StitchId } from '../vocabulary/stitches.js';

/**
 * How many stitches more each round of a flat disc needs, by the stitch that it is worked in: a round further out is
 * longer by 2π times its height, which is about one, one and a half or two widths of a stitch.
 */
const FLAT_GROWTH: Partial<Record<StitchId, readonly [number, number]>> = {
  step1: [5, 7.5],
  step1half: [7, 10],
  step2: [10, 14],
};

const FLAT_NAME =
  /(?<!\p{L})(?:dis[ck]s?|circles?|bases?|soles?|bottoms?|coasters?|patch(?:es)?|brims?|lids?|flat|saucers?|plates?|wheels?)(?!\p{L})/iu;

/** A run of rounds with what each adds to the one before. */
export interface Growth {
  readonly part: string;
  readonly rounds: readonly CountedRound[];
  /** Stitches that one round adds, on average. */
  readonly each: number;
  /** What would lie flat, from and to. */
  readonly flat: readonly [number, number];
}

/** Runs of three rounds and more that grow, in parts whose name or text says that they are flat. */
export function* growingFlat(counted: CountedPattern): Iterable<Growth> {
  for (const [part, rounds] of roundsByPart(counted.rounds)) {
    if (!FLAT_NAME.test(part.name)) continue;
    let run: CountedRound[] = [];
    for (const round of [...rounds, null]) {
      if (round && growsAlone(round)) {
        run.push(round);
        continue;
      }
      const growth = growthOf(part.name, run);
      if (growth) yield growth;
      run = [];
    }
  }
}

/** Whether a round grows, and stands for itself alone. */
function growsAlone({ round, outcome }: CountedRound): boolean {
  return round.kind === 'round' && round.from === round.to && (outcome.made ?? 0) > (outcome.edge ?? Infinity);
}

/** The growth of a run; null where it is too short or its stitches are mixed. */
function growthOf(part: string, run: readonly CountedRound[]): Growth | null {
  const flat = stitchOf(run);
  const first = run[0]?.outcome.edge ?? null;
  const last = run.at(-1)?.outcome.made ?? null;
  if (run.length < 3 || !flat || first === null || last === null) return null;
  return { part, rounds: run, each: (last - first) / run.length, flat };
}

/** What a run in one stitch needs to lie flat; null where it mixes them. */
function stitchOf(run: readonly CountedRound[]): readonly [number, number] | null {
  const stitches = new Set<StitchId>();
  const note = (step: Step): void => {
    if (step.kind === 'repeat') step.body.forEach(note);
    else if (step.kind === 'work' && step.stitch && step.stitch !== 'slip') stitches.add(step.stitch);
  };
  for (const { round } of run) round.steps.forEach(note);
  const only = stitches.size === 1 ? [...stitches][0] : stitches.size === 0 ? ('step1' as const) : undefined;
  return (only && FLAT_GROWTH[only]) ?? null;
}

/** A round as (plain n, shaping) × times, or the other way round; null where it is anything else. */
export interface Wedges {
  readonly times: number;
  readonly plain: number;
  readonly first: boolean;
  readonly increases: boolean;
}

/** The wedges that a round is worked in, where it is nothing but one shaping in each of several equal stretches. */
export function wedgesOf({ round, outcome }: CountedRound): Wedges | null {
  const fabric = round.steps.filter(({ kind }) => kind === 'work' || kind === 'repeat' || kind === 'group');
  const only = fabric[0];
  if (fabric.length !== 1 || only?.kind !== 'repeat') return null;
  const works = only.body.filter((step) => step.kind === 'work');
  const shaping = works.find(({ per, over }) => per !== over);
  const plain = works.filter(({ per, over }) => per === 1 && over === 1);
  if (!shaping || timesOf(shaping.amount) !== 1) return null;
  if (works.length !== only.body.length || plain.length > 1 || works.length > 2) return null;
  const size = timesOf(plain[0]?.amount) ?? 0;
  const times = timesOf(only.amount) ?? (outcome.into ?? 0) / (size + shaping.over);
  if (!Number.isInteger(times) || times < 3) return null;
  return { times, plain: size, first: works[0] === shaping, increases: shaping.per > shaping.over };
}

function timesOf(amount: Amount | null | undefined): number | null {
  return amount?.kind === 'times' ? amount.times : null;
}
