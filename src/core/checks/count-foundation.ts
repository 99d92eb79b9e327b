import type { Found, Rule } from './rule.js';
import { beside } from './wording.js';

export const countFoundation: Rule = {
  id: 'count/foundation',
  severity: 'error',
  about: 'The foundation chain and the stitches along it disagree.',
  failing: { text: 'FLAP\nRow 1: Ch 9, sc in 2nd ch from hook, sc 6 (7)\n', says: ['Ch 9', '8', '7'] },
  passing: 'FLAP\nRow 1: Ch 8, sc in 2nd ch from hook, sc 6 (7)\n',
  *check({ rounds }): Iterable<Found> {
    for (const counted of rounds) {
      for (const misfit of counted.outcome.misfits) {
        if (misfit.kind !== 'foundation') continue;
        const { chains, along, first, other } = misfit;
        const back = other === null ? '' : ` and ${other} back along the other side`;
        const fits = chains - along + first;
        yield {
          span: counted.round.span,
          round: counted,
          message: `Ch ${chains} gives ${along === 1 ? 'one chain' : `${along} chains`} to work along; this uses ${first}${back}. Ch ${fits} fits the first side.${beside(counted)}`,
        };
      }
    }
  },
};
