import { firstMention } from '../document/prose.js';
import type { Rule } from './rule.js';

/** A reminder of a danger: what brings it, and the words that show that the pattern has thought of it. */
export function reminder(
  id: string,
  about: string,
  uses: RegExp,
  caution: RegExp,
  says: string,
  examples: Pick<Rule, 'failing' | 'passing'>,
): Rule {
  return {
    id,
    severity: 'warning',
    across: true,
    about,
    ...examples,
    *check({ pattern }, prose) {
      const { text } = pattern.source;
      const span = firstMention(prose.talk, uses);
      if (!span || caution.test(text)) return;
      const words = text.slice(span.from, span.to);
      yield { span, round: null, message: `${words.charAt(0).toUpperCase()}${words.slice(1)}: ${says}` };
    },
  };
}

/** A small pattern to put a danger beside. */
export const BALL = 'BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';
