import type { Found, Rule } from './rule.js';
import { are, beside, stitches, times } from './wording.js';

export const countRemainder: Rule = {
  id: 'count/remainder',
  severity: 'error',
  about: 'A repeat "around" does not divide the stitches there are.',
  failing: {
    text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nRnd 4: (sc 3, dec) around (8)\n',
    says: ['twice', '12', '2 stitches are'],
  },
  passing:
    'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nRnd 4: (sc 2, dec) around (9)\n',
  *check({ rounds }): Iterable<Found> {
    for (const counted of rounds) {
      for (const misfit of counted.outcome.misfits) {
        if (misfit.kind !== 'remainder') continue;
        yield {
          span: misfit.span,
          round: counted,
          message: `The repeat takes ${misfit.each} at a time: it fits ${times(misfit.whole)} into ${misfit.room} and ${stitches(misfit.left)} ${are(misfit.left)} left over.${beside(counted)}`,
        };
      }
    }
  },
};
