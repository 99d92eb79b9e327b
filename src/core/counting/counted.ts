import type { Step } from '../pattern/instruction.js';
import type { Instruction, Part, Pattern, Round, Stretch } from '../pattern/pattern.js';
import type { Outcome } from './outcome.js';

/** What the counting says of a round; see the verdicts of the report. */
export type Verdict = 'agrees' | 'counted' | 'off' | 'unreadable' | 'on-trust';

/** Which figure carries the fault of a round that is off. */
export type Blame = 'stated' | 'instruction' | 'both';

export interface CountedRound {
  readonly round: Round;
  readonly part: Part;
  readonly stretch: Stretch;
  /** Of one round; of the last one where the label is a range. */
  readonly outcome: Outcome;
  readonly verdict: Verdict;
  readonly blame: Blame | null;
  /** The count that the next round is checked against: made, stated, or null where neither is known. */
  readonly carried: number | null;
  /** Works the round once more, and tells what each step did (of its last round, where it is a range). */
  readonly trace: () => Outcome;
  /**
   * As `trace`, of each round that the label stands for, from the first. It ends early where one does not fit, and where
   * those that follow are the same.
   */
  readonly works: () => readonly Outcome[];
  /** What another instruction would do in its place, on its edge or on one of so many stitches. */
  readonly instead: (instruction: Instruction, edge?: number) => Outcome;
  /** What it would do along so many chains; null where it is not worked along a chain that was laid before it. */
  readonly along: ((chains: number) => Outcome) | null;
  /** What it would do on an edge of so many stitches. */
  readonly on: (edge: number) => Outcome;
}

/** The rounds of each part, in the order of the text. */
export function roundsByPart(rounds: readonly CountedRound[]): ReadonlyMap<Part, readonly CountedRound[]> {
  const byPart = new Map<Part, CountedRound[]>();
  for (const counted of rounds) {
    const list = byPart.get(counted.part);
    if (list) list.push(counted);
    else byPart.set(counted.part, [counted]);
  }
  return byPart;
}

export interface CountedPattern {
  readonly pattern: Pattern;
  /** All rounds in the order of the text. */
  readonly rounds: readonly CountedRound[];
  /** The steps of those that are meant to be repeated, and don't say so; see `impliedRepeats`. */
  readonly implied: ReadonlyMap<Round, readonly Step[]>;
}
