import { longName, shortName } from '../vocabulary/stitches.js';
import type { Found, Rule } from './rule.js';

export const termsMixed: Rule = {
  id: 'terms/mixed',
  severity: 'error',
  about: 'A term of the other vocabulary stands in an instruction.',
  failing: {
    text: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: htr around (12)\n',
    says: ['htr', 'UK', 'hdc'],
  },
  passing: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: hdc around (12)\n',
  *check({ rounds, pattern }): Iterable<Found> {
    const other = pattern.terms.used === 'us' ? 'UK' : 'US';
    const own = pattern.terms.used.toUpperCase();
    for (const counted of rounds) {
      for (const { span, stitch } of counted.round.foreign) {
        const words = pattern.source.text.slice(span.from, span.to);
        const meant = meantBy(stitch, words, pattern.terms.used);
        yield {
          span,
          round: counted,
          message: `"${words}" is a ${other} term in a ${own} pattern; in ${own} terms that is ${meant}.`,
          fixes: [{ title: `${meant} instead of ${words}`, edits: [{ span, text: meant }] }],
        };
      }
    }
  },
};

/** How the pattern's own vocabulary writes a stitch, short or long as it stands there, and in its case. */
function meantBy(stitch: Parameters<typeof longName>[0], words: string, vocabulary: 'us' | 'uk'): string {
  const name = words.length > 5 ? longName(stitch, vocabulary) : shortName(stitch, vocabulary);
  if (words === words.toUpperCase()) return name.toUpperCase();
  return /^\p{Lu}/u.test(words) ? name.charAt(0).toUpperCase() + name.slice(1) : name;
}
