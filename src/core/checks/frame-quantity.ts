import { cardinal, writtenLike } from '../vocabulary/numbers.js';
import type { Part } from '../pattern/pattern.js';
import { nounOf, singular } from './prose.js';
import type { Fix, Found, Rule } from './rule.js';

/** "both arms", "all four arms", "the 4 small arms": the last word is what is counted. */
const SEWN =
  /(?<!\p{L})(both|(?:all |the |these |all the |all of the )(\p{L}{3,5}|\d{1,2})) (?:(\p{L}+) )??(\p{L}{3,})(?!\p{L})/giu;
const JOINS = /(?<!\p{L})(?:sew|sewn|attach|join|stitch|glue|pin)\p{L}*(?!\p{L})/iu;
/** Words by which a part of them is meant. */
const SOME = /(?<!\p{L})(?:each|side|front|back|left|right|first|second|other|others|remaining|rest|more)(?!\p{L})/iu;

export const frameQuantity: Rule = {
  id: 'frame/quantity',
  severity: 'warning',
  across: true,
  about: 'How many pieces to make, and how many are sewn on, disagree.',
  failing: {
    text: 'US terms\n\nARMS (make 2)\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nFasten off.\n\nASSEMBLY\nSew all four arms to the sides.\n',
    says: ['2', '4'],
  },
  passing:
    'US terms\n\nARMS (make 2)\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nFasten off.\n\nASSEMBLY\nSew both arms to the sides.\n',
  *check({ pattern }, prose): Iterable<Found> {
    const byNoun = new Map<string, Part[]>();
    for (const part of pattern.parts) byNoun.set(nounOf(part), [...(byNoun.get(nounOf(part)) ?? []), part]);
    for (const { text, span, section } of prose.talk.filter(
      (one) => one.section === 'assembly' || JOINS.test(one.text),
    )) {
      if (section === 'materials' || section === 'legend') continue;
      for (const match of text.matchAll(SEWN)) {
        const parts = byNoun.get(singular(match[4] ?? '')) ?? [];
        if (parts.length === 0) continue;
        const word = match[2]?.toLowerCase() ?? '';
        const sewn = match[1]?.toLowerCase() === 'both' ? 2 : /^\d/.test(word) ? Number(word) : cardinal(word);
        // "Sew the two front legs": those alone; "two legs to the front, two behind": some of them.
        const named = parts.filter(({ name }) => match[3] && name.toLowerCase().includes(match[3].toLowerCase()));
        const make = (named.length > 0 ? named : parts).reduce((sum, part) => sum + part.make, 0);
        const some =
          !/^(?:both|all)/i.test(match[0]) &&
          SOME.test(text.slice(match.index - 40, match.index) + text.slice(match.index + match[0].length));
        if (sewn === null || sewn < 2 || sewn === make || (some && sewn < make)) continue;
        const from = span.from + match.index;
        // "Legs (make 4), three for each side": the heading has the slip.
        const slip = parts.find(
          ({ heading }) => twiceEachSide(pattern.source.text.slice(heading.from, heading.to)) === sewn,
        );
        yield slip
          ? {
              span: slip.heading,
              round: null,
              message: `${make} are to be made, and ${sewn / 2} for each side are ${sewn}.`,
            }
          : {
              span: { from, to: from + match[0].length },
              round: null,
              message: `${make} ${make === 1 ? 'is' : 'are'} made, and ${sewn} are sewn on here.`,
              fixes: fixesOf(match, from, make),
            };
      }
    }
  },
};

/** As many sewn on as are made: "both" for "all four", "the two" for "the four". */
function fixesOf(match: RegExpExecArray, from: number, make: number): Fix[] {
  const said = match[1] ?? '';
  const number = match[2];
  const text =
    make === 2 && (number === undefined || /^all/i.test(said))
      ? 'both'
      : number === undefined
        ? `all ${writtenLike(make, 'two')}`
        : said.slice(0, said.length - number.length) + writtenLike(make, number);
  if (make < 2) return [];
  const span = { from, to: from + said.length };
  return [{ title: `"${text}" instead of "${said}"`, edits: [{ span, text }] }];
}

const EACH_SIDE = /(\d{1,2}|\p{L}{3,5}) (?:for|on|per|at) (?:each|either|every) side/iu;

/** "three for each side" are six. */
function twiceEachSide(words: string): number | null {
  const said = EACH_SIDE.exec(words)?.[1]?.toLowerCase();
  const value = said === undefined ? null : /^\d/.test(said) ? Number(said) : cardinal(said);
  return value === null ? null : value * 2;
}
