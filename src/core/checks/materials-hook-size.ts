import { hookNamed, hookOf } from '../vocabulary/hooks.js';
import type { Found, Rule } from './rule.js';

/** "3.5 mm (E/4)", "3.5mm / US E-4". */
const HOOK =
  /(\d{1,2}(?:[.,]\d{1,2})?)\s?mm\s{0,2}[(/,–—-]?\s{0,2}(?:US\s)?([A-Q])(?:\s?[/-]\s?(\d{1,2}(?:½|\.5)?))?(?![\p{L}\d])/gu;

export const materialsHookSize: Rule = {
  id: 'materials/hook-size',
  severity: 'error',
  about: 'Millimetres and letter of a hook disagree.',
  failing: {
    text: 'US terms\n\nMaterials\nHook: 3.5 mm (G/6)\n\nBall\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n',
    says: ['E/4', '4.0'],
  },
  passing: 'US terms\n\nMaterials\nHook: 3.5 mm (E/4)\n\nBall\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n',
  *check({ pattern: { source } }): Iterable<Found> {
    for (const match of source.text.matchAll(HOOK)) {
      const [words, size = '', letter = '', number] = match;
      const millimetres = Number(size.replace(',', '.'));
      const listed = hookOf(millimetres);
      const named = hookNamed(letter);
      if (!listed?.us || !named || named === listed) continue;
      const lettered = number ? `${letter}/${number}` : letter;
      const right = number ? listed.us : (listed.us.split('/')[0] ?? listed.us);
      const from = match.index + words.lastIndexOf(letter);
      const span = { from, to: match.index + words.length };
      yield {
        span: { from: match.index, to: match.index + words.length },
        round: null,
        message: `${size} mm is ${listed.us}; ${lettered} is ${named.millimetres.toFixed(1)} mm.`,
        fixes: [{ title: `${right} instead of ${lettered}`, edits: [{ span, text: right }] }],
      };
    }
  },
};
