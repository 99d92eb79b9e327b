import { STITCHES, type Vocabulary } from '../vocabulary/stitches.js';
import type { Found, Rule } from './rule.js';
import { inEitherCase } from '../text/eitherCase.js';

const SHAPINGS = /^(?:inc|dec|inv\.? ?dec|[bf]lo|(?:sc|dc|hdc|htr|tr)(?:2|3) ?tog)$/i;

/** Whether a term is the name of a stitch or a shaping: only those are left out of a list for not being used. */
function namesStitch(term: string, vocabulary: Vocabulary): boolean {
  const name = term.toLowerCase();
  return (
    SHAPINGS.test(term) ||
    STITCHES.some(({ [vocabulary]: { short, long } }) => short.includes(name) || long.includes(name))
  );
}

export const termsUnused: Rule = {
  id: 'terms/unused',
  severity: 'hint',
  across: true,
  about: 'An abbreviation is explained and never used.',
  failing: {
    text: 'US terms\n\nAbbreviations\nsc = single crochet\ninc = 2 sc in one st\nhdc = half double crochet\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n',
    says: ['hdc'],
  },
  passing:
    'US terms\n\nAbbreviations\nsc = single crochet\ninc = 2 sc in one st\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n',
  *check({ pattern }): Iterable<Found> {
    const { text } = pattern.source;
    const terms = pattern.legend.filter(({ term, span }) => {
      const listed = pattern.parts.every(({ heading }) => span.to <= heading.from || heading.to <= heading.from);
      return listed && namesStitch(term, pattern.terms.used);
    });
    const groups = terms.map(({ term }) => `(${term.split(/[^\p{L}\d]+/u).join('\\.?[\\s-]?')})`);
    if (groups.length === 0) return;
    const used = inEitherCase(`(?<!\\p{L})(?:${groups.join('|')})(?!\\p{L}{3})`, 'g');
    const unused = new Set(terms.keys());
    for (const match of text.matchAll(used)) {
      if (terms.some(({ span: { from, to } }) => from <= match.index && match.index < to)) continue;
      for (const i of unused) if (match[i + 1] !== undefined) unused.delete(i);
      if (unused.size === 0) return;
    }
    for (const i of unused) {
      const entry = terms[i];
      if (entry) yield { span: entry.span, round: null, message: `"${entry.term}" is explained here and never used.` };
    }
  },
};
