import { comparableKinds } from '../counting/kinds.js';
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
  *check({ rounds }): Iterable<Found> {
    for (const [i, counted] of rounds.entries()) {
      const { stated } = counted.round;
      const { made, into, edge, misfits, obstacles } = counted.outcome;
      if (
        !stated ||
        made === null ||
        obstacles.length > 0 ||
        made === stated.total ||
        misfits.length > 0 ||
        counted.verdict !== 'off'
      )
        continue;
      // A count by kinds is compared kind by kind.
      if (comparableKinds(counted)) continue;
      const uses = into !== null && into === edge ? `uses all ${edge} and ` : '';
      const next = rounds[i + 1];
      // Only a round that comes out even on this one's count is a witness for it.
      const witness =
        next?.stretch === counted.stretch && next.outcome.edge === counted.carried && next.verdict === 'agrees'
          ? next.round.label
          : null;
      const after =
        witness === null
          ? ''
          : counted.blame === 'instruction'
            ? ` ${witness} goes on from ${stated.total}, so it is the instruction that is wrong.`
            : ` ${witness} goes on from ${made}, so it is the stated count that is wrong.`;
      yield {
        span: stated.span,
        round: counted,
        message: `States ${stated.total}; the instruction ${uses}makes ${made}.${after}`,
      };
    }
  },
};
