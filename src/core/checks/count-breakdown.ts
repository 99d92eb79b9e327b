import type { CountedRound } from '../counting/counted.js';
import { comparableKinds } from '../counting/kinds.js';
import { isFabric } from '../counting/tally.js';
import { nameOf } from '../explaining/words.js';
import type { StitchId } from '../vocabulary/stitches.js';
import type { Found, Rule } from './rule.js';

export const countBreakdown: Rule = {
  id: 'count/breakdown',
  severity: 'error',
  about: 'A count by kinds of stitches, "(12 sc, 6 hdc)", doesn\'t match the kinds that are made.',
  failing: {
    text: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc 8, hdc 4 (7 sc, 5 hdc)\n',
    says: ['8 single crochet', '7'],
  },
  passing: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc 8, hdc 4 (8 sc, 4 hdc)\n',
  *check({ rounds, pattern }): Iterable<Found> {
    for (const counted of rounds) {
      const { stated } = counted.round;
      const { made, misfits } = counted.outcome;
      if (!stated || made === null || misfits.length > 0) continue;
      const other = otherKind(counted);
      if (other) {
        const speech = { vocabulary: pattern.terms.used, base: 'step1' as const };
        const message = `The round makes ${made} ${nameOf(other.made, speech)} where ${stated.total} ${nameOf(other.stated, speech)} are stated.`;
        yield { span: stated.span, round: counted, message };
        continue;
      }
      const kinds = comparableKinds(counted);
      if (!kinds) continue;
      const speech = { vocabulary: pattern.terms.used, base: 'step1' as const };
      for (const { count, stitch } of stated.breakdown) {
        const right = kinds.get(stitch) ?? 0;
        if (right === count) continue;
        const message = `The round makes ${right} ${nameOf(stitch, speech)} where ${count} are stated.`;
        yield { span: stated.span, round: counted, message };
      }
    }
  },
};

const PLAIN: ReadonlySet<StitchId> = new Set(['step1', 'step1half', 'step2', 'step3', 'step4']);

/** A count of one kind, "24 sc", behind a round in which all stitches are of another; null elsewhere. */
function otherKind({ round, outcome }: CountedRound): { made: StitchId; stated: StitchId } | null {
  const [only, ...more] = round.stated?.breakdown ?? [];
  const step = round.steps.find(({ kind }) => kind === 'work');
  const plain = round.steps.filter(isFabric).length === 1 && step?.kind === 'work' && step.over === 1;
  if (!only || more.length > 0 || only.count !== outcome.made || !plain || step.stitch === null) return null;
  const differs = step.stitch !== only.stitch && PLAIN.has(step.stitch) && PLAIN.has(only.stitch);
  return differs ? { made: step.stitch, stated: only.stitch } : null;
}
