import type { Found, Rule } from './rule.js';

export const countTurningChain: Rule = {
  id: 'count/turning-chain',
  severity: 'hint',
  about: 'Whether the starting chain counts as a stitch is not said, and it matters.',
  failing: {
    text: 'US terms\n\nRnd 1: 12 dc in MR (12)\nRnd 2: ch 3, dc in same st, 2 dc in next 11 sts, sl st to top of ch 3 (24)\n',
    says: ['counts'],
  },
  passing:
    'US terms\n\nRnd 1: 12 dc in MR (12)\nRnd 2: ch 3 (counts as dc), dc in same st, 2 dc in next 11 sts, sl st to top of ch 3 (24)\n',
  *check({ rounds }): Iterable<Found> {
    for (const counted of rounds) {
      const guess = counted.outcome.chainGuess;
      if (!guess) continue;
      yield {
        span: guess.chain.span,
        round: counted,
        message: `Nothing says whether the ${guess.chain.count} chains count as a stitch. The stated count agrees only where the chain ${guess.counts ? 'counts' : 'does not count'}.`,
      };
    }
  },
};
