import type { Found, Rule } from './rule.js';
import { growingFlat } from './flatness.js';

export const shapeCup: Rule = {
  id: 'shape/cup',
  severity: 'hint',
  across: true,
  about: 'A part that is meant to be flat grows too slowly to lie flat: it will cup.',
  failing: {
    text: 'US terms\n\nBASE\nRnd 1: 8 sc in MR (8)\nRnd 2: (sc 1, inc) x 4 (12)\nRnd 3: (inc, sc 2) x 4 (16)\nRnd 4: (sc 3, inc) x 4 (20)\nFasten off.\n',
    says: ['4', '5'],
  },
  passing:
    'US terms\n\nBASE\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 1, inc, sc 1) x 6 (24)\nFasten off.\n',
  *check(counted): Iterable<Found> {
    for (const { part, rounds, each, flat } of growingFlat(counted)) {
      const first = rounds[0];
      const last = rounds.at(-1);
      if (each >= flat[0] || !first || !last) continue;
      yield {
        span: last.round.span,
        round: last,
        message: `${part} grows by ${Math.round(each * 10) / 10} stitches a round from ${first.round.label} to ${last.round.label}; it takes ${Math.ceil(flat[0])} or more to lie flat in this stitch, fewer make a cup.`,
      };
    }
  },
};
