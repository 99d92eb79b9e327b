import type { Found, Rule } from './rule.js';
import { growingFlat } from './flatness.js';

export const shapeRuffle: Rule = {
  id: 'shape/ruffle',
  severity: 'hint',
  across: true,
  about: 'A part that is meant to be flat grows too fast to lie flat: its edge will ruffle.',
  failing: {
    text: 'US terms\n\nBASE\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: inc x 12 (24)\nRnd 4: (inc, sc 1) x 12 (36)\nFasten off.\n',
    says: ['10', '7'],
  },
  passing:
    'US terms\n\nBASE\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 1, inc, sc 1) x 6 (24)\nFasten off.\n',
  *check(counted): Iterable<Found> {
    for (const { part, rounds, each, flat } of growingFlat(counted)) {
      const first = rounds[0];
      const last = rounds.at(-1);
      if (each <= flat[1] || !first || !last) continue;
      yield {
        span: last.round.span,
        round: last,
        message: `${part} grows by ${Math.round(each * 10) / 10} stitches a round from ${first.round.label} to ${last.round.label}; up to ${Math.floor(flat[1])} lie flat in this stitch, more will ruffle.`,
      };
    }
  },
};
