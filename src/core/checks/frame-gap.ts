import type { Found, Rule } from './rule.js';
import { renumbered, steps } from './frame.js';

export const frameGap: Rule = {
  id: 'frame/gap',
  severity: 'error',
  about: 'Round numbers are missing.',
  failing: { text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 4-6: sc around (12)\n', says: ['Rnd 2', '3'] },
  passing: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-6: sc around (12)\n',
  *check(counted): Iterable<Found> {
    for (const step of steps(counted)) {
      const { before, round, missing } = step;
      if (missing.length === 0) continue;
      const numbers = missing.length === 1 ? String(missing[0]) : `${missing[0]} to ${missing[missing.length - 1]}`;
      const inside = before.round === round.round;
      const message = inside
        ? `${round.round.label} leaves out ${numbers}.`
        : `${round.round.label} follows ${before.round.label}: ${numbers} ${missing.length === 1 ? 'is' : 'are'} missing.`;
      // Where rounds grow from the bottom of a table, the one before stands below.
      const upwards = before.round.labelSpan.from > round.round.labelSpan.from;
      yield {
        span: (upwards ? before : round).round.labelSpan,
        round,
        message,
        fixes: renumbered(counted.pattern.source, step),
      };
    }
  },
};
