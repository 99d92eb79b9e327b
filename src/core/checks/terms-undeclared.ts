import type { Found, Rule } from './rule.js';

export const termsUndeclared: Rule = {
  id: 'terms/undeclared',
  severity: 'warning',
  about: 'Nowhere is it said whether US or UK terms are used.',
  failing: {
    text: 'Ball\nRnd 1: 6 sc in MR (6)\nRnd 2: 2 sc in each st (12)\nRnd 3: sc around (12)\nRnd 4: sc around (12)\n',
    says: ['US'],
  },
  passing:
    'US terms\n\nBall\nRnd 1: 6 sc in MR (6)\nRnd 2: 2 sc in each st (12)\nRnd 3: sc around (12)\nRnd 4: sc around (12)\n',
  *check({ pattern, rounds }): Iterable<Found> {
    const { declared, detected } = pattern.terms;
    // A snippet of two lines needs no statement.
    if (declared !== null || rounds.length < 4) return;
    const seems = detected === 'us' || detected === 'uk' ? ` The stitches are ${detected.toUpperCase()} ones.` : '';
    yield { span: { from: 0, to: 0 }, round: null, message: `Nowhere says whether US or UK terms are used.${seems}` };
  },
};
