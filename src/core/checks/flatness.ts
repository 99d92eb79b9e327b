import { roundsByPart, type CountedPattern, type CountedRound } from '../counting/counted.js';
import type { Step } from '../pattern/instruction.js';
import { FLAT_GROWTH } from '../shape/fabric.js';
import type { StitchId } from '../vocabulary/stitches.js';

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
