import { COMPACT_LETTERS } from '../vocabulary/stitches.js';
import type { Found, Rule } from './rule.js';

export const termsUndefined: Rule = {
  id: 'terms/undefined',
  severity: 'warning',
  across: true,
  about: 'A letter is used for a stitch and stands in no list of letters.',
  failing: {
    text: 'US terms\n\nX = sc\nV = 2 sc in one stitch\nA = 2 sc together\n\nBall\nR1: 6X in MR (6)\nR2: 6V (12)\nR3: (X, G)*6 (12)\n',
    says: ['G'],
  },
  passing:
    'US terms\n\nX = sc\nV = 2 sc in one stitch\nG = bobble\n\nBall\nR1: 6X in MR (6)\nR2: 6V (12)\nR3: (X, G)*6 (12)\n',
  *check({ pattern, rounds }): Iterable<Found> {
    const explained = new Set(pattern.legend.map(({ term }) => term));
    // Only a pattern that explains its letters has forgotten one.
    if (!explained.has('X')) return;
    const letters = COMPACT_LETTERS.flatMap(({ letters: some }) => some).filter((letter) => letter.length === 1);
    const unexplained = letters.filter((letter) => !explained.has(letter)).join('');
    if (unexplained === '') return;
    const may = new RegExp(`[${unexplained}]`);
    const used = new RegExp(`(?<!\\p{L})\\d{0,3}([${unexplained}])\\d{0,3}(?!\\p{L})`, 'gu');
    const said = new Set<string>();
    for (const counted of rounds) {
      const { bodyFrom, span } = counted.round;
      const words = pattern.source.text.slice(bodyFrom, span.to);
      if (!may.test(words)) continue;
      for (const match of words.matchAll(used)) {
        const letter = match[1] ?? '';
        if (said.has(letter)) continue;
        said.add(letter);
        const from = bodyFrom + match.index;
        yield {
          span: { from, to: from + match[0].length },
          round: counted,
          message: `"${letter}" is used here, and the list of letters doesn't explain it.`,
        };
      }
    }
  },
};
