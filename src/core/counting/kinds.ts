import type { StitchId } from '../vocabulary/stitches.js';
import type { CountedRound } from './counted.js';
import type { Worked } from './outcome.js';

/** How many stitches of each kind a round makes; those whose kind is not said are left out. */
export function madeByKind(counted: CountedRound): Map<StitchId, number> {
  const made = new Map<StitchId, number>();
  const add = (stitch: StitchId | null, count: number) => {
    if (stitch && count > 0) made.set(stitch, (made.get(stitch) ?? 0) + count);
  };
  const walk = (worked: readonly Worked[], times: number): void => {
    for (const { step, times: often, made: each, body } of worked) {
      if (step.kind === 'repeat') walk(body, times * often);
      else if (step.kind === 'work') add(step.stitch, each * often * times);
      else if (step.kind === 'group') {
        for (const { stitch, per, amount } of step.members)
          if (stitch !== 'chain' && stitch !== 'picot')
            add(stitch, per * (amount.kind === 'times' ? amount.times : 1) * often * times);
      }
    }
  };
  walk(counted.trace().worked, 1);
  return made;
}

/** As `madeByKind`, for a round that states its count by kinds; null where that can't be compared kind by kind. */
export function comparableKinds(counted: CountedRound): Map<StitchId, number> | null {
  const { stated } = counted.round;
  if (!stated || stated.breakdown.length < 2) return null;
  const kinds = madeByKind(counted);
  // Increases whose stitch isn't said may be of any kind.
  const all = [...kinds.values()].reduce((sum, count) => sum + count, 0) === counted.outcome.made;
  return all && stated.breakdown.some(({ stitch, count }) => (kinds.get(stitch) ?? 0) !== count) ? kinds : null;
}
