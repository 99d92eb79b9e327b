import type { Span } from '../text/source.js';
import type { Found, Rule } from './rule.js';

/** Things that a list of materials names for one use in the making; needles and markers are for all of it. */
const NOTIONS = [
  'felt',
  'wire',
  'pipe cleaner',
  'button',
  'bead',
  'ribbon',
  'safety eye',
  'bell',
  'magnet',
  'rattle',
  'keyring',
  'key ring',
];

const LISTED = new RegExp(`(?<!\\p{L})(${NOTIONS.join('|')})s?(?!\\p{L})`, 'giu');

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
  *check({ pattern }, prose): Iterable<Found> {
    const { text } = pattern.source;
    const talk = prose.talk;
    const listed = new Map<string, Span>();
    for (const { text: words, span, section } of talk) {
      if (section !== 'materials') continue;
      for (const match of words.matchAll(LISTED)) {
        const notion = (match[1] ?? '').toLowerCase();
        const from = span.from + match.index;
        if (!listed.has(notion)) listed.set(notion, { from, to: from + match[0].length });
      }
    }
    for (const [notion, span] of listed) {
      const used = new RegExp(`(?<!\\p{L})${notion.split(' ').at(-1) ?? notion}s?(?!\\p{L})`, 'iu');
      if (talk.some((one) => one.section !== 'materials' && used.test(one.text))) continue;
      yield { span, round: null, message: `${text.slice(span.from, span.to)} is listed here and never used.` };
    }
  },
};
