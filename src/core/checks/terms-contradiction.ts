import type { Found, Rule } from './rule.js';

export const termsContradiction: Rule = {
  id: 'terms/contradiction',
  severity: 'error',
  about: 'The text says that it uses one vocabulary, and uses the other.',
  failing: {
    text: 'UK terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: 2 sc in each st (12)\nRnd 3: sc around (12)\nRnd 4: hdc around (12)\n',
    says: ['UK', 'US'],
  },
  passing:
    'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: 2 sc in each st (12)\nRnd 3: sc around (12)\nRnd 4: hdc around (12)\n',
  *check({ pattern }): Iterable<Found> {
    const { declared, detected, declaredAt } = pattern.terms;
    if (!declared || !declaredAt || (detected !== 'us' && detected !== 'uk') || detected === declared) return;
    yield {
      span: declaredAt,
      round: null,
      message: `This says ${declared.toUpperCase()} terms, and the stitches are ${detected.toUpperCase()} ones.`,
    };
  },
};
