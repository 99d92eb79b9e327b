import { cardinal } from '../vocabulary/numbers.js';
import { nounOf, singular } from './prose.js';
import type { Found, Rule } from './rule.js';

/** "both arms", "all four arms", "all 4 small arms": the last word is what is counted. */
const SEWN = /(?<!\p{L})(both|all (?:the )?(\p{L}+|\d+)) (?:\p{L}+ ){0,1}?(\p{L}{3,})(?!\p{L})/giu;

export const frameQuantity: Rule = {
  id: 'frame/quantity',
  severity: 'warning',
  across: true,
  about: 'How many pieces to make, and how many are sewn on, disagree.',
  failing: {
    text: 'US terms\n\nARMS (make 2)\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nFasten off.\n\nASSEMBLY\nSew all four arms to the sides.\n',
    says: ['2', '4'],
  },
  passing:
    'US terms\n\nARMS (make 2)\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nFasten off.\n\nASSEMBLY\nSew both arms to the sides.\n',
  *check({ pattern }, prose): Iterable<Found> {
    const byNoun = new Map<string, number>();
    for (const part of pattern.parts) byNoun.set(nounOf(part), (byNoun.get(nounOf(part)) ?? 0) + part.make);
    for (const { text, span, section } of prose.talk) {
      if (section !== 'assembly' || !/both|all /i.test(text)) continue;
      for (const match of text.matchAll(SEWN)) {
        const noun = singular(match[3] ?? '');
        const make = byNoun.get(noun);
        if (make === undefined) continue;
        const word = match[2]?.toLowerCase() ?? '';
        const sewn = match[1]?.toLowerCase() === 'both' ? 2 : /^\d/.test(word) ? Number(word) : cardinal(word);
        if (sewn === null || sewn === make) continue;
        const from = span.from + match.index;
        yield {
          span: { from, to: from + match[0].length },
          round: null,
          message: `${make} ${make === 1 ? 'is' : 'are'} made, and ${sewn} are sewn on here.`,
        };
      }
    }
  },
};
