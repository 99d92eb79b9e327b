import { firstMention, type Prose, type Talk } from '../document/prose.js';
import type { Found, Rule } from './rule.js';

const SIZE =
  /\d(?:[.,]\d{1,2})?\s?mm|(?<!\p{L})(?:size|us|uk|hook)\s?(?:no\.?\s?)?(?:[B-P](?:[/-]?\d)?|\d{1,2}(?:[.,]\d{1,2})?)(?!\p{L})|(?<!\p{L})[B-P]\s?[/-]\s?\d{1,2}|\d(?:[.,]\d{1,2})?\s?(?:hook|crochet hook)|hook[^.\n]{0,20}\d/iu;
const HOOK = /(?<!\p{L})(?:crochet )?hooks?(?!\p{L})/iu;
const CHANGED =
  /(?<!\p{L})(?:with|using|use|to|change to|switch to)\s+(?:a\s+|the\s+)?(?:smaller\s+|larger\s+)?(\d(?:[.,]\d{1,2})?)\s?mm\s+(?:crochet\s+)?hook/iu;

export const materialsHook: Rule = {
  id: 'materials/hook',
  severity: 'warning',
  across: true,
  about: 'No hook size is given, or a hook is used that the materials do not list.',
  failing: {
    text: 'US terms\n\nMaterials\nYarn in Sand\nA 3.5 mm hook\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\nWith a 2.5 mm hook work the edge.\n',
    says: ['2.5 mm'],
  },
  passing:
    'US terms\n\nMaterials\nYarn in Sand\nHooks of 2.5 and 3.5 mm\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\nWith a 2.5 mm hook work the edge.\n',
  *check(_, prose): Iterable<Found> {
    const listed = prose.talk.filter(({ section }) => section === 'materials' || section === 'gauge');
    const hook = firstMention(listed, HOOK);
    const list = listed.find(({ section }) => section === 'materials');
    const said = (words: RegExp) => prose.talk.some(({ text }) => words.test(text));
    if (hook && !said(SIZE))
      yield { span: hook, round: null, severity: 'hint', message: 'A hook is listed, and nowhere its size.' };
    else if (list && !said(HOOK) && !said(SIZE))
      yield { span: list.span, round: null, severity: 'hint', message: 'Neither here nor anywhere is a hook named.' };
    yield* unlisted(prose, listed);
  },
};

/** Hooks that are changed to and not listed, where the list gives any size. */
function* unlisted({ talk }: Prose, listed: readonly Talk[]): Iterable<Found> {
  const words = listed.map(({ text }) => text).join('\n');
  const millimetres = new Set([...words.matchAll(/\d(?:[.,]\d{1,2})?/g)].map(([size]) => size.replace(',', '.')));
  if (millimetres.size === 0) return;
  for (const { text, span, section } of talk) {
    const match = section === 'materials' || section === 'gauge' || !/hook/i.test(text) ? null : CHANGED.exec(text);
    const size = match?.[1]?.replace(',', '.');
    if (!match || !size || millimetres.has(size)) continue;
    const from = span.from + match.index;
    yield {
      span: { from, to: from + match[0].length },
      round: null,
      message: `A ${size} mm hook is used here, and the materials do not list it.`,
    };
  }
}
