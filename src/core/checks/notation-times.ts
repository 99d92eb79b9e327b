import type { Found, Rule } from './rule.js';

export const notationTimes: Rule = {
  id: 'notation/times',
  severity: 'error',
  about: 'A repeat has no number and no "around".',
  failing: { text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: (1 sc, inc) (9)\n', says: ['3 times', '6'] },
  passing: 'Rnd 1: 6 sc in MR (6)\nRnd 2: (1 sc, inc) x 3 (9)\n',
  *check({ rounds, implied }): Iterable<Found> {
    const first = rounds.find(({ round }) => implied.has(round));
    if (first)
      yield {
        span: first.round.span,
        round: first,
        severity: 'hint',
        message: `Nothing says how often. It is taken to the end of the round here and in ${implied.size - 1} others, where only so the stated counts come out.`,
      };
    for (const counted of rounds) {
      for (const obstacle of counted.outcome.obstacles) {
        if (obstacle.kind !== 'no-amount') continue;
        const { edge } = counted.outcome;
        const stated = counted.round.stated?.total;
        const often = edge !== null && obstacle.into > 0 && edge % obstacle.into === 0 ? edge / obstacle.into : null;
        const fits =
          often === null
            ? ''
            : ` ${often} times uses all ${edge} and leaves ${often * obstacle.made}${often * obstacle.made === stated ? ', as stated' : ''}.`;
        yield { span: obstacle.span, round: counted, message: `Nothing says how often this is repeated.${fits}` };
      }
    }
  },
};
