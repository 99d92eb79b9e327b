import { STAGES, type StageId } from './stages.js';
import type { Day, Workdays } from './days.js';

/** How long a stage took before. */
export interface Learnt {
  readonly median: number;
  /** A quarter was as fast as this, and a quarter as slow as that. */
  readonly low: number;
  readonly high: number;
  readonly patterns: number;
}

/** From fewer patterns nothing is learnt. */
const FEWEST = 3;

const quantile = (sorted: readonly number[], share: number): number => {
  const at = (sorted.length - 1) * share;
  const [low, high] = [sorted[Math.floor(at)] ?? 0, sorted[Math.ceil(at)] ?? 0];
  return low + (high - low) * (at - Math.floor(at));
};

/**
 * How long each stage took in the patterns that are through with it, in its own days; half days are rounded up. Stages of which
 * fewer than three patterns tell something are left out.
 */
export function learntFrom(
  histories: readonly Partial<Readonly<Record<StageId, Day>>>[],
  workdays: Workdays,
): Partial<Record<StageId, Learnt>> {
  const learnt: Partial<Record<StageId, Learnt>> = {};
  STAGES.forEach(({ id, counts }, i) => {
    const before = STAGES[i - 1];
    if (!before) return;
    const took = histories
      .flatMap((done) => {
        const [from, to] = [done[before.id], done[id]];
        return from === undefined || to === undefined || to < from
          ? []
          : [counts === 'work' ? workdays.between(from, to) : to - from];
      })
      .sort((a, b) => a - b);
    if (took.length < FEWEST) return;
    learnt[id] = {
      median: Math.ceil(quantile(took, 0.5)),
      low: Math.floor(quantile(took, 0.25)),
      high: Math.ceil(quantile(took, 0.75)),
      patterns: took.length,
    };
  });
  return learnt;
}
