import type { CountedRound } from '../counting/counted.js';
import { comparableKinds } from '../counting/kinds.js';
import { beginningAtFault } from './begun.js';
import type { Found, Rule } from './rule.js';

export const countStated: Rule = {
  id: 'count/stated',
  severity: 'error',
  about: 'The stated count differs from what comes out.',
  failing: {
    text: 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (21)\nRnd 4: (sc 2, inc) x 6 (24)\n',
    says: ['21', '18'],
  },
  passing:
    'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 6 (24)\n',
  *check({ rounds, pattern }): Iterable<Found> {
    for (const [i, counted] of rounds.entries()) {
      const { stated } = counted.round;
      const { made, into, edge } = counted.outcome;
      if (!stated || made === null || made === stated.total || !comparable(counted)) continue;
      const begun = beginningAtFault(pattern.source.text, rounds, i);
      if (begun) yield begun;
      if (begun) continue;
      const uses = into !== null && into === edge ? `uses all ${edge} and ` : '';
      const witness = witnessFor(counted, rounds[i + 1]);
      const right = counted.blame === 'instruction' ? stated.total : made;
      const wrong = counted.blame === 'instruction' ? 'instruction' : 'stated count';
      const after =
        witness === null ? '' : ` With ${witness} it goes on from ${right}, so it is the ${wrong} that is wrong.`;
      yield {
        span: stated.span,
        round: counted,
        message: `States ${stated.total}; the instruction ${uses}makes ${made}.${after}`,
      };
    }
  },
};

/** Whether a round is off by its count alone; a count by kinds is compared kind by kind. */
function comparable(counted: CountedRound): boolean {
  const { misfits, obstacles } = counted.outcome;
  return misfits.length + obstacles.length === 0 && counted.verdict === 'off' && !comparableKinds(counted);
}

/** The round after, where it bears out what this one leaves: only one that comes out even on its count does. */
function witnessFor(counted: CountedRound, next: CountedRound | undefined): string | null {
  const follows = next?.stretch === counted.stretch && next.outcome.edge === counted.carried;
  return follows && next.verdict === 'agrees' ? next.round.label : null;
}
