import type { Found, Rule } from './rule.js';

export const frameOrder: Rule = {
  id: 'frame/order',
  severity: 'error',
  about: 'Round numbers go back.',
  failing: {
    text: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nRnd 5: sc around (12)\nRnd 4: sc around (12)\n',
    says: ['Rnd 4', 'Rnd 5'],
  },
  passing: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nRnd 4: sc around (12)\n',
  *check({ rounds }): Iterable<Found> {
    let before: (typeof rounds)[number] | null = null;
    for (const counted of rounds) {
      const { round, stretch } = counted;
      if (!round.labelled || round.from === 0) continue;
      if (before?.stretch === stretch && round.to < before.round.from)
        yield {
          span: round.labelSpan,
          round: counted,
          message: `${round.label} stands behind ${before.round.label}.`,
        };
      before = counted;
    }
  },
};
