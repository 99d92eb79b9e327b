import { comparableKinds } from '../counting/kinds.js';
import { nameOf } from '../explaining/words.js';
import type { Found, Rule } from './rule.js';

export const countBreakdown: Rule = {
  id: 'count/breakdown',
  severity: 'error',
  about: 'A count by kinds of stitches, "(12 sc, 6 hdc)", doesn\'t match the kinds that are made.',
  failing: {
    text: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc 8, hdc 4 (7 sc, 5 hdc)\n',
    says: ['8 single crochet', '7'],
  },
  passing: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc 8, hdc 4 (8 sc, 4 hdc)\n',
  *check({ rounds, pattern }): Iterable<Found> {
    for (const counted of rounds) {
      const { stated } = counted.round;
      const { made, misfits } = counted.outcome;
      if (!stated || made === null || misfits.length > 0) continue;
      const kinds = comparableKinds(counted);
      if (!kinds) continue;
      const speech = { vocabulary: pattern.terms.used, base: 'step1' as const };
      for (const { count, stitch } of stated.breakdown) {
        const right = kinds.get(stitch) ?? 0;
        if (right === count) continue;
        const message = `The round makes ${right} ${nameOf(stitch, speech)} where ${count} are stated.`;
        yield { span: stated.span, round: counted, message };
      }
    }
  },
};
