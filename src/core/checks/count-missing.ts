import type { Found, Rule } from './rule.js';

export const countMissing: Rule = {
  id: 'count/missing',
  severity: 'hint',
  about: 'A round that changes the count states none, while others do.',
  failing: { text: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6\nRnd 3: sc around (12)\n', says: ['12'] },
  passing: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around\n',
  *check({ rounds }): Iterable<Found> {
    if (rounds.filter(({ round }) => round.stated).length < rounds.length / 2) return;
    for (const counted of rounds) {
      const { edge, made } = counted.outcome;
      if (counted.round.stated || counted.round.reference || made === null || edge === null || made === edge) continue;
      yield {
        span: counted.round.span,
        round: counted,
        message: `No count is stated, and the round goes from ${edge} to ${made} stitches.`,
      };
    }
  },
};
