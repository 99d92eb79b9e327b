import type { BenchRound, BenchStep, Instruction } from './schema.js';

/** How a maker counts: each stitch, each repeat, or only whole rounds. */
export const COUNTINGS = ['stitch', 'repeat', 'round'] as const;
export type Counting = (typeof COUNTINGS)[number];

/** What one touch stands for: some stitches, and the words that tell to make them. */
export interface Beat {
  readonly made: number;
  /** Among the words of the round. */
  readonly from: number;
  readonly to: number;
  /** Which pass of a repeat it is, from 1, and of how many; null where it is in none. */
  readonly pass: { readonly at: number; readonly of: number } | null;
}

/**
 * The touches that a round takes.
 * @returns one for the whole round where its steps are not known, or where a whole round is what is counted.
 */
export function beatsOf(round: BenchRound, { steps, words }: Instruction, counting: Counting): Beat[] {
  const whole: Beat = { made: round.made ?? 0, from: 0, to: words.length, pass: null };
  if (counting === 'round') return [whole];
  const beats = counting === 'stitch' ? stitchesOf(steps) : repeatsOf(steps);
  const sum = beats.reduce((all, { made }) => all + made, 0);
  // "sc in each st" of another edge in a range, or a count that is taken on trust: what is worked is what is counted.
  if (sum === round.made) return beats;
  if (counting === 'repeat' || round.made === null) return [whole];
  return Array.from({ length: round.made }, () => ({ ...whole, made: 1 }));
}

type Pass = Beat['pass'];

function stitchesOf(steps: readonly BenchStep[], pass: Pass = null): Beat[] {
  return steps.flatMap((step) => {
    if (step.steps.length === 0)
      return Array.from({ length: step.made }, () => ({ made: 1, from: step.from, to: step.to, pass }));
    return Array.from({ length: step.times }, (_, i) => stitchesOf(step.steps, pass ?? passOf(i, step.times))).flat();
  });
}

/** Each pass of a repeat is a beat; what stands between two repeats is one too. */
function repeatsOf(steps: readonly BenchStep[]): Beat[] {
  const beats: Beat[] = [];
  let open: Beat | null = null;
  const close = () => {
    if (open && open.made > 0) beats.push(open);
    open = null;
  };
  for (const step of steps) {
    if (step.steps.length > 0 && step.times > 1) {
      close();
      for (let i = 0; i < step.times; i += 1)
        beats.push({ made: step.made / step.times, from: step.from, to: step.to, pass: passOf(i, step.times) });
      continue;
    }
    const before: Beat = open ?? { made: 0, from: step.from, to: step.to, pass: null };
    open = {
      made: before.made + step.made,
      from: Math.min(before.from, step.from),
      to: Math.max(before.to, step.to),
      pass: null,
    };
  }
  close();
  return beats;
}

function passOf(i: number, of: number): Pass {
  return of > 1 ? { at: i + 1, of } : null;
}
