import type { Span } from '../text/source.js';
import { outsideMaterials } from '../document/document.js';
import type { Found, Rule } from './rule.js';
import { inEitherCase } from '../text/eitherCase.js';

export const materialsNotion: Rule = {
  id: 'materials/notion',
  severity: 'warning',
  across: true,
  about: 'Something is listed among the materials and never used.',
  failing: {
    text: 'US terms\n\nMaterials\nYarn, a 3 mm hook, a scrap of grey felt\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n',
    says: ['felt'],
  },
  passing:
    'US terms\n\nMaterials\nYarn, a 3 mm hook, a scrap of grey felt\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off. Glue the felt on.\n',
  *check({ pattern }, prose, { materials }): Iterable<Found> {
    const { text } = pattern.source;
    const talk = prose.talk;
    const listed = new Map<string, Span>();
    for (const { kind, name, span } of materials)
      if (kind === 'notion' || (kind === 'eyes' && /safety/i.test(name))) listed.set(name.toLowerCase(), span);
    for (const [notion, span] of listed) {
      const used = inEitherCase(`(?<!\\p{L})${notion.split(' ').at(-1)?.replace(/s$/, '') ?? notion}s?(?!\\p{L})`);
      const named = pattern.parts.some(({ name }) => used.test(name)) || used.test(pattern.title ?? '');
      if (named || talk.some((one) => one.section !== 'materials' && used.test(one.text))) continue;
      // A line that was taken for a heading, or stands in a round.
      if (used.test(outsideMaterials(pattern))) continue;
      yield { span, round: null, message: `${text.slice(span.from, span.to)} is listed here and never used.` };
    }
  },
};
