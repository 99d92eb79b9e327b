import { beginningAtFault } from './begun.js';
import type { Found, Rule } from './rule.js';
import { are, beside } from './wording.js';

export const countUnder: Rule = {
  id: 'count/under',
  severity: 'error',
  about: 'Stitches are left unworked, and the text does not say so.',
  failing: {
    text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 5 (18)\n',
    says: ['10 of 12', '2 are'],
  },
  passing: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\n',
  *check({ rounds, pattern }): Iterable<Found> {
    for (const [i, counted] of rounds.entries()) {
      for (const misfit of counted.outcome.misfits) {
        if (misfit.kind !== 'under') continue;
        const begun = beginningAtFault(pattern.source.text, rounds, i);
        if (begun) yield begun;
        if (begun) continue;
        const left = misfit.edge - misfit.into;
        yield {
          span: counted.round.span,
          round: counted,
          message: `Uses ${misfit.into} of ${misfit.edge} stitches: ${left} ${are(left)} left unworked.${beside(counted)}`,
        };
      }
    }
  },
};
