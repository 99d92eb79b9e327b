import type { CountedPattern } from '../counting/counted.js';
import { COMPACT_LETTERS, STITCHES } from '../vocabulary/stitches.js';
import type { Found, Rule } from './rule.js';
import { wordsInRounds } from './wordsInRounds.js';
import { inEitherCase } from '../text/eitherCase.js';

/** A list that explains so many stitches is meant to explain them all. */
const LIST = 3;
const SHAPINGS = ['inc', 'dec', 'invdec', 'blo', 'flo'];

export const termsUndefined: Rule = {
  id: 'terms/undefined',
  severity: 'warning',
  across: true,
  about: 'An abbreviation is used and not explained in the list that explains the others.',
  failing: {
    text: 'US terms\n\nX = sc\nV = 2 sc in one stitch\nA = 2 sc together\n\nBall\nR1: 6X in MR (6)\nR2: 6V (12)\nR3: (X, G)*6 (12)\n',
    says: ['G'],
  },
  passing:
    'US terms\n\nX = sc\nV = 2 sc in one stitch\nG = bobble\n\nBall\nR1: 6X in MR (6)\nR2: 6V (12)\nR3: (X, G)*6 (12)\n',
  *check(counted): Iterable<Found> {
    yield* letters(counted);
    yield* abbreviations(counted);
  },
};

function* letters({ pattern, rounds }: CountedPattern): Iterable<Found> {
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
}

/** Short names of stitches and shapings that the instructions use and the list leaves out. Chains explain themselves. */
function* abbreviations(counted: CountedPattern): Iterable<Found> {
  const { legend, terms } = counted.pattern;
  const stitches = STITCHES.filter(({ id }) => id !== 'chain' && id !== 'slip').flatMap(
    (stitch) => stitch[terms.used].short,
  );
  const explained = new Set(legend.flatMap(({ term }) => term.toLowerCase().split(/[^\p{L}\d]+/u)));
  if (
    stitches.filter((name) => explained.has(name)).length + SHAPINGS.filter((name) => explained.has(name)).length <
    LIST
  )
    return;
  const missing = [...stitches, ...SHAPINGS].filter((name) => /^\p{L}+$/u.test(name) && !explained.has(name));
  const used = inEitherCase(`(?<!\\p{L})(${missing.join('|')})(?!\\p{L})`, 'g');
  const said = new Set<string>();
  for (const { match, counted: round } of wordsInRounds(counted, used)) {
    const name = match[0].toLowerCase();
    if (said.has(name)) continue;
    said.add(name);
    yield {
      span: { from: match.index, to: match.index + match[0].length },
      round,
      message: `"${match[0]}" is used here, and the list of abbreviations doesn't explain it.`,
    };
  }
}
