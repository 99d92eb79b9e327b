import type { Found, Rule } from './rule.js';

export const countOpenEnded: Rule = {
  id: 'count/open-ended',
  severity: 'warning',
  about: '"Until closed" gives no number to work to.',
  failing: { text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: dec until hole is closed\n', says: ['12'] },
  passing: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: dec x 6 (6)\n',
  *check({ rounds }): Iterable<Found> {
    for (const counted of rounds) {
      for (const obstacle of counted.outcome.obstacles) {
        if (obstacle.kind !== 'open-ended') continue;
        const edge = counted.outcome.edge;
        const from = edge === null ? '' : ` There are ${edge} stitches to begin with.`;
        yield {
          span: obstacle.span,
          round: counted,
          message: `No number and no target: this can't be counted.${from} Say how often, and how many are left.`,
        };
      }
    }
  },
};
