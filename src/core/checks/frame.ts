import type { CountedPattern, CountedRound } from '../counting/counted.js';
import type { Round } from '../pattern/pattern.js';
import type { SourceText } from '../text/source.js';
import type { Fix } from './rule.js';

/** How a labelled round goes on from the labelled round before it. */
export interface FrameStep {
  readonly before: CountedRound;
  readonly round: CountedRound;
  /** Numbers left out between the two, or inside the round's own list. */
  readonly missing: readonly number[];
  /** A number that both carry. */
  readonly repeated: number | null;
  /** The round before is a range that runs into this one, and all that follows counts on from this one. */
  readonly overrun: boolean;
  /** The number of the round after, for the guess at what was meant. */
  readonly next: number | null;
}

/**
 * The sequence of the numbers, stretch by stretch. A number that stands twice explains the gap behind
 * it: after "21, 21, 23" it is the second 21 that is wrong, and 22 is not missing.
 */
export function* steps({ rounds }: CountedPattern): Iterable<FrameStep> {
  let before: CountedRound | null = null;
  let owed = 0;
  let unnumbered = 0;
  for (let i = 0; i < rounds.length; i += 1) {
    const round = rounds[i];
    if (!round?.round.labelled || round.round.from === 0) {
      // "Continue in sc for 3 more rounds." stands for the numbers that it leaves out.
      if (round && before?.stretch === round.stretch) unnumbered += roundsIn(round.round);
      continue;
    }
    const next = numberAfter(rounds, i);
    const inner = between(round.round.numbers);
    if (inner.length > 0) yield { before: round, round, missing: inner, repeated: null, overrun: false, next };
    if (!before || before.stretch !== round.stretch) {
      owed = 0;
      unnumbered = 0;
      before = round;
      continue;
    }
    const gap = round.round.from - before.round.to - 1 - unnumbered;
    unnumbered = 0;
    if (gap < 0 && round.round.from >= before.round.from) {
      owed += 1;
      const overrun = runsOver(before.round, round.round, next);
      yield { before, round, missing: [], repeated: round.round.from, overrun, next };
    } else if (gap > owed) {
      const first = before.round.to + 1 + owed;
      const missing = Array.from({ length: Math.min(gap - owed, 500) }, (_, k) => first + k);
      yield { before, round, missing, repeated: null, overrun: false, next };
      owed = 0;
    } else if (gap > 0) owed = 0;
    before = round;
  }
}

/** The number of the round after one, in the same stretch. */
function numberAfter(rounds: readonly CountedRound[], i: number): number | null {
  const after = rounds[i + 1];
  return after && after.stretch === rounds[i]?.stretch ? after.round.from : null;
}

/** Whether the range before a round runs into it, and the numbers go on from the round. */
function runsOver(before: Round, round: Round, next: number | null): boolean {
  const follows = next === null || next === round.to + 1;
  return before.to > before.from && round.from > before.from && follows;
}

/** How many rounds a line without a number stands for. */
function roundsIn({ statedRounds, reference }: Round): number {
  const again = reference?.part === undefined ? (reference?.rounds.length ?? 0) * (reference?.times ?? 1) : 0;
  return statedRounds?.count ?? again;
}

/** Numbers that a list leaves out: "Rnds 8 and 12" for 8 to 12. Lists on purpose ("5, 7 and 9") come with their partners. */
function between(numbers: readonly number[]): number[] {
  const first = numbers[0];
  const second = numbers[1];
  if (numbers.length !== 2 || first === undefined || second === undefined || second - first < 2) return [];
  return Array.from({ length: Math.min(second - first - 1, 500) }, (_, i) => first + 1 + i);
}

/**
 * The label numbered on from the round before it, where the round after agrees with that: "R19" behind R17 and at
 * the end becomes "R18". Empty where the label holds more than one number or one range.
 */
export function renumbered(source: SourceText, { before, round, next }: FrameStep): Fix[] {
  const { numbers, labelSpan } = round.round;
  const from = before.round.to + 1;
  const to = from + numbers.length - 1;
  if (before === round || (next !== null && next !== to + 1)) return [];
  const label = source.text.slice(labelSpan.from, labelSpan.to);
  const figures = [...label.matchAll(/\d+/g)];
  const wanted = figures.length === 1 ? [from] : figures.length === 2 ? [from, to] : [];
  if (wanted.length === 0 || (figures.length === 1 && numbers.length > 1)) return [];
  const edits = figures.map(({ 0: figure, index }, i) => ({
    span: { from: labelSpan.from + index, to: labelSpan.from + index + figure.length },
    text: String(wanted[i] ?? figure),
  }));
  return [{ title: `Number it ${wanted.join(' to ')}`, edits }];
}

/** The last number of a range made to end before the round that follows. */
export function shortened(source: SourceText, { before, round }: FrameStep): Fix[] {
  const { labelSpan } = before.round;
  const label = source.text.slice(labelSpan.from, labelSpan.to);
  const figures = [...label.matchAll(/\d+/g)];
  const last = figures.at(-1);
  const wanted = round.round.from - 1;
  if (figures.length !== 2 || !last || wanted <= before.round.from) return [];
  const from = labelSpan.from + last.index;
  return [
    { title: `End it with ${wanted}`, edits: [{ span: { from, to: from + last[0].length }, text: String(wanted) }] },
  ];
}
