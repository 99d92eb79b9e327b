import type { Span } from '../text/source.js';
import type { Found, Rule } from './rule.js';
import { times } from './wording.js';
import { wordsInRounds } from './wordsInRounds.js';
import { inEitherCase } from '../text/eitherCase.js';

/** Ways to write one thing. Each is looked for in the instructions alone. */
const SPELLINGS: readonly { readonly thing: string; readonly ways: readonly (readonly [string, RegExp])[] }[] = [
  {
    thing: 'slip stitch',
    ways: [
      ['sl st', /(?<!\p{L})sl\.?\s?sts?(?!\p{L})/u],
      ['ss', /(?<!\p{L})ss(?!\p{L})/u],
      ['slip stitch', /(?<!\p{L})slip st(?:itch(?:es)?)?(?!\p{L})/u],
    ],
  },
  {
    thing: 'increase',
    ways: [
      ['inc', /(?<!\p{L})inc(?!\p{L})/u],
      ['2 in the next', /(?<!\d)2\s?(?:sc|dc)\s+in(?:to)?\s+(?:the\s+)?(?:next|each|every|same)(?!\p{L})/u],
      ['increase', /(?<!\p{L})increase(?!\p{L})/u],
    ],
  },
  {
    thing: 'decrease',
    ways: [
      ['dec', /(?<!\p{L}|inv\.?\s?|invisible\s)dec(?!\p{L})/u],
      ['2tog', /(?:sc|dc)\s?2\s?tog(?!\p{L})/u],
      ['invdec', /(?<!\p{L})inv\.?\s?dec(?!\p{L})/u],
      ['decrease', /(?<!\p{L})decrease(?!\p{L})/u],
    ],
  },
  {
    thing: 'ring to begin with',
    ways: [
      ['MR', /(?<!\p{L})mr(?!\p{L})/u],
      ['magic ring', /(?<!\p{L})magic ring(?!\p{L})/u],
      ['magic circle', /(?<!\p{L})magic circle(?!\p{L})/u],
      ['magic loop', /(?<!\p{L})magic loop(?!\p{L})/u],
    ],
  },
];

/** Each thing with one expression for all its ways, a group for each. */
const THINGS = SPELLINGS.map(({ thing, ways }) => ({
  thing,
  ways,
  any: inEitherCase(ways.map(([, words]) => `(${words.source})`).join('|'), 'g'),
}));

export const termsInconsistent: Rule = {
  id: 'terms/inconsistent',
  severity: 'hint',
  across: true,
  about: 'One thing is written in two ways.',
  failing: {
    text: 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, increase) x 6 (24)\nRnd 5: sc around (24)\nFasten off.\n',
    says: ['"increase"', '"inc" twice'],
  },
  passing:
    'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (inc, sc 2) x 6 (24)\nRnd 5: sc around (24)\nFasten off.\n',
  *check(counted): Iterable<Found> {
    const { text } = counted.pattern.source;
    for (const { thing, ways, any } of THINGS) {
      const found = ways.map(([way]) => ({ way, places: [] as Span[] }));
      for (const { match } of wordsInRounds(counted, any)) {
        const which = ways.findIndex((_, i) => match[i + 1] !== undefined);
        found[which]?.places.push({ from: match.index, to: match.index + match[0].length });
      }
      const used = found.filter(({ places }) => places.length > 0);
      used.sort((a, b) => b.places.length - a.places.length);
      const [usual, ...others] = used;
      for (const { way, places } of others) {
        const first = places[0];
        if (!usual || !first) continue;
        const here = text.slice(first.from, first.to);
        yield {
          span: first,
          round: null,
          message: `The ${thing} is written "${here === way ? way : here}" here, ${times(places.length)} in all, and "${usual.way}" ${times(usual.places.length)}.`,
        };
      }
    }
  },
};
