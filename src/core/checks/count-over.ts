import { beginningAtFault } from './begun.js';
import type { Found, Rule } from './rule.js';
import { beside, stitches } from './wording.js';

export const countOver: Rule = {
  id: 'count/over',
  severity: 'error',
  about: 'More stitches are used than the edge has.',
  failing: { text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 7 (18)\n', says: ['14', '12'] },
  passing: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\n',
  *check({ rounds, pattern }): Iterable<Found> {
    for (const [i, counted] of rounds.entries()) {
      for (const misfit of counted.outcome.misfits) {
        if (misfit.kind !== 'over') continue;
        const begun = beginningAtFault(pattern.source.text, rounds, i);
        if (begun) yield begun;
        if (begun) continue;
        yield {
          span: counted.round.span,
          round: counted,
          message: `Uses ${stitches(misfit.into)} and there are ${misfit.edge}: ${misfit.into - misfit.edge} too many.${beside(counted)}`,
        };
      }
    }
  },
};
