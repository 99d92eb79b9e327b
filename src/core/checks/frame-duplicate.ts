import type { Found, Rule } from './rule.js';
import { renumbered, shortened, steps } from './frame.js';

export const frameDuplicate: Rule = {
  id: 'frame/duplicate',
  severity: 'error',
  about: 'A round number stands twice.',
  failing: {
    text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 2: sc around (12)\nRnd 4: sc around (12)\n',
    says: ['2', 'twice'],
  },
  passing: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nRnd 4: sc around (12)\n',
  *check(counted): Iterable<Found> {
    for (const step of steps(counted)) {
      const { before, round, repeated, overrun, next } = step;
      if (repeated === null) continue;
      if (overrun) {
        yield {
          span: before.round.labelSpan,
          round: before,
          message: `${before.round.label} runs into ${round.round.label}, which the numbers go on from: it ends with ${repeated - 1}.`,
          fixes: shortened(counted.pattern.source, step),
        };
        continue;
      }
      const meant =
        next !== null && next === before.round.to + 2 ? ` ${next} follows, so this one is ${before.round.to + 1}.` : '';
      yield {
        span: round.round.labelSpan,
        round,
        message: `Number ${repeated} stands twice: ${before.round.label} came before.${meant}`,
        fixes: renumbered(counted.pattern.source, step),
      };
    }
  },
};
