import type { Found, Rule } from './rule.js';

export const countStated: Rule = {
  id: 'count/stated',
  severity: 'error',
  about: 'The stated count differs from what comes out.',
  failing: {
    text: 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (21)\nRnd 4: (sc 2, inc) x 6 (24)\n',
    says: ['21', '18'],
  },
  passing: 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 6 (24)\n',
  *check({ rounds }): Iterable<Found> {
    for (const counted of rounds) {
      const { stated } = counted.round;
      const { made, into, edge, misfits } = counted.outcome;
      if (!stated || made === null || made === stated.total || misfits.length > 0 || counted.verdict !== 'off') continue;
      const uses = into !== null && into === edge ? `uses all ${edge} and ` : '';
      const after =
        counted.blame === 'instruction'
          ? ` What follows goes with ${stated.total}, so look at the instruction.`
          : ` ${made} is what follows from the rounds before it.`;
      yield { span: stated.span, round: counted, message: `States ${stated.total}; the instruction ${uses}makes ${made}.${after}` };
    }
  },
};
