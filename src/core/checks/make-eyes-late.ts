import { openingOf, stitchWidth } from './opening.js';
import type { CountedRound } from '../counting/counted.js';
import type { Part, Pattern, Round } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type Span } from '../text/source.js';
import { formsOf, nounOf, wordsOf } from '../document/prose.js';
import type { Found, Rule } from './rule.js';

const CLOSED = /clos(?:e|ed)|pull (?:it )?tight|gather|draw|sew (?:the hole |it )?shut|through the (?:last )?\d+ st/iu;
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
  *check({ pattern, rounds }, _, { events }): Iterable<Found> {
    if (!/safety eyes?|eyes? (?:\d+ mm )?on screw|plastic eyes?/i.test(pattern.source.text)) return;
    const { width } = stitchWidth(pattern);
    for (const { kind, span, part: at, after } of events) {
      if (kind !== 'eyes-set') continue;
      const part = partNamed(pattern, span) ?? at;
      const last = part?.stretches.at(-1)?.rounds.at(-1);
      // In words behind its last round, or in the assembly.
      if (!part || !last || (part === at ? after !== last : span.from < last.span.to)) continue;
      const made = leftBy(last, rounds);
      if (made === null || made > OPEN_ENOUGH) continue;
      const closed = events.some(
        (event) => event.kind === 'closed' && event.after === last && event.span.from <= span.from,
      );
      if (!closed && !CLOSED.test(pattern.source.text.slice(last.span.from, last.span.to))) continue;
      yield {
        span,
        round: null,
        message: `The eyes go in after ${last.label} has closed ${part.name} to ${made} stitches, ${openingOf(made, width)} mm wide: their backs can no longer be reached.`,
      };
    }
  },
};

/** The stitches that a round leaves; null where that is not known. */
function leftBy(last: Round, rounds: readonly CountedRound[]): number | null {
  const counted = rounds.find(({ round }) => round === last);
  return counted?.outcome.made ?? counted?.carried ?? null;
}

/** The piece that a line about the eyes names: "on Rnd 3 of the head". */
function partNamed({ source, parts }: Pattern, span: Span): Part | null {
  const line = lineSpan(source, lineIndexAt(source, span.from));
  const words = wordsOf(source.text.slice(line.from, line.to));
  const named = parts.filter((part) => formsOf(nounOf(part)).some((form) => words.has(form)) && nounOf(part) !== 'eye');
  return named.length === 1 ? (named[0] ?? null) : null;
}
