import type { Part } from '../pattern/pattern.js';
import { formsOf, nounOf, sentencesOf, wordsOf } from './prose.js';
import type { Found, Rule } from './rule.js';

const BETWEEN =
  /between\s+(?:rnds?|rounds?|rds?|rows?|r)\.?\s?(\d{1,3})\s*(?:and|&|-|–|\/)\s*(?:rnds?|rounds?|rds?|rows?|r)?\.?\s?(\d{1,3})/giu;

export const makePlace: Rule = {
  id: 'make/place',
  severity: 'error',
  across: true,
  about: 'A place is named that does not exist: "between rounds 14 and 15" of a part with 12 rounds.',
  failing: {
    text: 'US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nSet the eyes between Rnds 5 and 6.\nFasten off.\n',
    says: ['5 and 6', '3'],
  },
  passing:
    'US terms\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around (12)\nSet the eyes between Rnds 2 and 3.\nFasten off.\n',
  *check({ pattern }, prose): Iterable<Found> {
    const lasts = new Map(
      pattern.parts.map((part) => [
        part,
        Math.max(0, ...part.stretches.flatMap(({ rounds }) => rounds.map(({ to }) => to))),
      ]),
    );
    const byNoun = new Map<string, Part[]>();
    for (const part of pattern.parts)
      for (const form of formsOf(nounOf(part))) byNoun.set(form, [...(byNoun.get(form) ?? []), part].slice(-40));
    for (const { text: all, span, part, section } of prose.talk) {
      if (!all.includes('etween')) continue;
      for (const { text, at } of sentencesOf(all)) {
        for (const match of text.matchAll(BETWEEN)) {
          // The part that it stands in, else any that the sentence speaks of, else any at all.
          const named = [...wordsOf(text)].flatMap((word) => byNoun.get(word) ?? []);
          const parts = section === null && part ? [part, ...named] : named.length > 0 ? named : pattern.parts;
          const longest = parts.reduce<Part | null>(
            (best, one) => (best && (lasts.get(best) ?? 0) >= (lasts.get(one) ?? 0) ? best : one),
            null,
          );
          const last = longest ? (lasts.get(longest) ?? 0) : 0;
          if (!longest || last === 0 || Number(match[2]) <= last) continue;
          const from = span.from + at + match.index;
          yield {
            span: { from, to: from + match[0].length },
            round: null,
            message: `Between ${match[1]} and ${match[2]}: ${longest.name} has ${last} rounds.`,
          };
        }
      }
    }
  },
};
