import { HOOKS, hookNamed, hookOf } from '../vocabulary/hooks.js';
import type { Found, Rule } from './rule.js';

/** "3.5 mm (E/4)", "3.5mm / US E-4". */
const HOOK =
  /(\d{1,2}(?:[.,]\d{1,2})?)\s?mm\s{0,2}(?:hook\s{0,2})?[(/,–—-]?\s{0,2}(?:US\s)?(?:size\s)?([A-Q])(?:\s?[/-]\s?(\d{1,2}(?:½|\.5)?))?(?![\p{L}\d])/gu;

/** Millimetres between a size without a letter and that of the letter which some makers print on it. */
const NEAR = 0.5;

export const materialsHookSize: Rule = {
  id: 'materials/hook-size',
  severity: 'error',
  about: 'Millimetres and the letter or number of a hook disagree.',
  failing: {
    text: 'US terms\n\nMaterials\nHook: 3.5 mm (G/6)\n\nBall\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n',
    says: ['E/4', '4.0'],
  },
  passing: 'US terms\n\nMaterials\nHook: 3.5 mm (E/4)\n\nBall\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n',
  *check({ pattern: { source } }): Iterable<Found> {
    yield* numbersIn(source.text);
    for (const match of source.text.matchAll(HOOK)) {
      const [words, size = '', letter = '', number] = match;
      const millimetres = Number(size.replace(',', '.'));
      const listed = hookOf(millimetres);
      const named = hookNamed(letter);
      if (!listed || !named || named === listed) continue;
      const lettered = number ? `${letter}/${number}` : letter;
      // A size without a letter of its own goes by the nearest one.
      if (listed.us === null) {
        if (Math.abs(named.millimetres - millimetres) <= NEAR) continue;
        yield {
          span: { from: match.index, to: match.index + words.length },
          round: null,
          message: `${size} mm has no letter; ${lettered} is ${named.millimetres.toFixed(2).replace(/0$/, '')} mm.`,
        };
        continue;
      }
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

/** "4.00 mm (old UK size 9)" */
const NUMBERED =
  /(\d{1,2}(?:[.,]\d{1,2})?)\s?mm\s{0,2}(?:hook\s{0,2})?[(/,–—-]?\s{0,2}(?:old\s)?UK\s(?:size\s|no\.?\s?)?(0{1,3}|\d{1,2})(?![\d.\p{L}])/giu;

function* numbersIn(text: string): Iterable<Found> {
  for (const match of text.matchAll(NUMBERED)) {
    const [words, size = '', number = ''] = match;
    const right = hookOf(Number(size.replace(',', '.')))?.uk;
    const named = HOOKS.find(({ uk }) => uk === number);
    if (!right || !named || right === number) continue;
    const span = { from: match.index + words.length - number.length, to: match.index + words.length };
    yield {
      span: { from: match.index, to: match.index + words.length },
      round: null,
      message: `${size} mm is the old UK size ${right}; size ${number} is ${named.millimetres.toFixed(2)} mm.`,
      fixes: [{ title: `${right} instead of ${number}`, edits: [{ span, text: right }] }],
    };
  }
}
