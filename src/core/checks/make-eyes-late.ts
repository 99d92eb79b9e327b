import { openingOf, stitchWidth } from './opening.js';
import type { Found, Rule } from './rule.js';

const SETS_EYES =
  /(?:put|push|insert|place|set|attach|fix|add|press)\p{L}*\s(?:[^.!]{0,30}\s)?(?:safety\s)?eyes?(?!\p{L})/iu;
const CLOSED =
  /clos(?:e|ed)|pull (?:it )?tight|gather|draw (?:it |the (?:end|gap|hole|opening) )?(?:closed|together|shut)|sew (?:the hole |it )?shut|through the (?:last )?\d+ st/iu;
/** Smaller openings than this let no hand in; stitches. */
const OPEN_ENOUGH = 8;

export const makeEyesLate: Rule = {
  id: 'make/eyes-late',
  severity: 'error',
  across: true,
  about: 'Safety eyes are set after the part has been closed: their backs can no longer be reached.',
  failing: {
    text: 'US terms\n\nMaterials: two 6 mm safety eyes. Safety eyes are small parts, not for children under 3.\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-5: sc around (12)\nRnd 6: dec x 6 (6)\nFasten off and pull tight.\nPush the eyes in between Rnds 3 and 4.\n',
    says: ['Rnd 6', '6 stitches'],
  },
  passing:
    'US terms\n\nMaterials: two 6 mm safety eyes. Safety eyes are small parts, not for children under 3.\n\nHEAD\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-5: sc around (12)\nPush the eyes in between Rnds 3 and 4.\nRnd 6: dec x 6 (6)\nFasten off and pull tight.\n',
  *check({ pattern, rounds }, prose): Iterable<Found> {
    if (!/safety eyes?|eyes? (?:\d+ mm )?on screw|plastic eyes?/i.test(pattern.source.text)) return;
    const { talk, afterRound } = prose;
    const { width } = stitchWidth(pattern);
    for (const { text, span, part, after } of talk) {
      const match = part && after ? SETS_EYES.exec(text) : null;
      const last = part?.stretches.at(-1)?.rounds.at(-1);
      if (!match || !part || !last || after !== last) continue;
      const counted = rounds.find(({ round }) => round === last);
      if (!counted) continue;
      const made = counted.outcome.made ?? counted.carried;
      if (made === null || made > OPEN_ENOUGH) continue;
      const before = (afterRound.get(last) ?? []).filter((one) => one.span.from <= span.from);
      const closed = before.some((one) => CLOSED.test(one.text));
      const inLast = CLOSED.test(pattern.source.text.slice(last.span.from, last.span.to));
      if (!closed && !inLast) continue;
      const from = span.from + match.index;
      yield {
        span: { from, to: from + match[0].length },
        round: null,
        message: `The eyes go in after ${last.label} has closed ${part.name} to ${made} stitches, ${openingOf(made, width)} mm wide: their backs can no longer be reached.`,
      };
    }
  },
};
