import { cardinal, writtenLike } from '../vocabulary/numbers.js';
import type { Part } from '../pattern/pattern.js';
import { nounOf, singular, type Talk } from '../document/prose.js';
import type { Fix, Found, Rule } from './rule.js';

/** "both arms", "all four arms", "the 4 small arms": the last word is what is counted. */
const SEWN =
  /(?<!\p{L})(both|(?:all |the |these |all the |all of the )(\p{L}{3,5}|\d{1,2})) (\p{L}{3,})(?: (\p{L}{3,}))?(?!\p{L})/giu;
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
    for (const { text, span } of prose.talk.filter(tellsSewing)) {
      for (const match of text.matchAll(SEWN)) {
        const { parts, make } = meantIn(match, byNoun);
        const sewn = sewnIn(match);
        if (make === 0 || sewn === null || sewn < 2 || sewn === make) continue;
        if (sewn < make && tellsSome(match, text)) continue;
        yield miscounted({ parts, make, sewn }, match, span.from + match.index, pattern.source.text);
      }
    }
  },
};

/** The parts that "the three front legs" and "the three legs to" name, and how many are made of them. */
function meantIn(
  [, , , named = '', behind = '']: RegExpExecArray,
  byNoun: ReadonlyMap<string, readonly Part[]>,
): { parts: readonly Part[]; make: number } {
  const told = byNoun.get(singular(behind));
  const parts = told ?? byNoun.get(singular(named)) ?? [];
  return { parts, make: madeOf(parts, told ? named.toLowerCase() : '') };
}

function miscounted(
  { parts, make, sewn }: { parts: readonly Part[]; make: number; sewn: number },
  match: RegExpExecArray,
  from: number,
  text: string,
): Found {
  // "Legs (make 4), three for each side": the heading has the slip.
  const slip = parts.find(({ heading }) => twiceEachSide(text.slice(heading.from, heading.to)) === sewn);
  if (slip) {
    const message = `${make} are to be made, and ${sewn / 2} for each side are ${sewn}.`;
    return { span: slip.heading, round: null, message };
  }
  const message = `${make} ${make === 1 ? 'is' : 'are'} made, and ${sewn} are sewn on here.`;
  return { span: { from, to: from + match[0].length }, round: null, message, fixes: fixesOf(match, from, make) };
}

function tellsSewing({ section, text }: Talk): boolean {
  return section === 'assembly' || (section !== 'materials' && section !== 'legend' && JOINS.test(text));
}

/** How many a match of SEWN says: "both", "4", "four"; null where that is no number. */
function sewnIn([, said, number = '']: RegExpExecArray): number | null {
  if (said?.toLowerCase() === 'both') return 2;
  return /^\d/.test(number) ? Number(number) : cardinal(number.toLowerCase());
}

/** How many of some parts are made; "the two front legs" are those alone. */
function madeOf(parts: readonly Part[], which: string): number {
  const named = which === '' ? [] : parts.filter(({ name }) => name.toLowerCase().includes(which));
  return (named.length > 0 ? named : parts).reduce((sum, part) => sum + part.make, 0);
}

/** "Two legs to the front, two behind": the words are of some of them. */
function tellsSome({ 0: words, index }: RegExpExecArray, text: string): boolean {
  if (/^(?:both|all)/i.test(words)) return false;
  return SOME.test(text.slice(index - 40, index) + text.slice(index + words.length));
}

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
