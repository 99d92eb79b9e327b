import type { CountedRound } from '../counting/counted.js';
import type { Document } from '../document/document.js';
import type { Part, Pattern, Round } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type Span } from '../text/source.js';
import { formsOf, nounOf, wordsOf } from '../document/prose.js';
import type { Drawing } from '../shape/drawing.js';
import { openingOf, washerOf } from '../shape/openings.js';
import type { Found, Rule } from './rule.js';
import { gaugeWords } from './wording.js';

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
  *check({ pattern, rounds }, _, { events }, drawing): Iterable<Found> {
    if (!/safety eyes?|eyes? (?:\d+ mm )?on screw|plastic eyes?/i.test(pattern.source.text)) return;
    for (const { kind, span, part: at, after } of events) {
      if (kind !== 'eyes-set') continue;
      const part = partNamed(pattern, span) ?? at;
      const last = part?.stretches.at(-1)?.rounds.at(-1);
      if (!part || !last) continue;
      // In words behind its last round, or in the assembly.
      const behind = part === at ? after === last : span.from >= last.span.to;
      const made = leftBy(behind ? last : after, rounds);
      if (made === null) continue;
      const found = behind
        ? closedBefore(pattern, part, last, made, span, events, drawing)
        : tooNarrow(part, at === part ? after : null, made, drawing);
      if (found) yield { span, round: null, message: found };
    }
  },
};

function closedBefore(
  { source }: Pattern,
  part: Part,
  last: Round,
  made: number,
  span: Span,
  events: Document['events'],
  drawing: Drawing,
): string | null {
  if (made > OPEN_ENOUGH) return null;
  const closed = events.some(
    (event) => event.kind === 'closed' && event.after === last && event.span.from <= span.from,
  );
  if (!closed && !CLOSED.test(source.text.slice(last.span.from, last.span.to))) return null;
  const opening = openingOf(made, drawing.at().gauge.width);
  return `The eyes go in after ${last.label} has closed ${part.name} to ${made} stitches, ${opening} mm wide: their backs can no longer be reached.`;
}

/** The opening is smaller than the washers that are to go behind the eyes. */
function tooNarrow(part: Part, after: Round | null, made: number, drawing: Drawing): string | null {
  const eyes = drawing.eyes();
  const opening = openingOf(made, drawing.at().gauge.width);
  const washer = washerOf(eyes.size);
  // Drawing a part takes longer than all other rules together.
  if (!after || !eyes.said || opening >= washer) return null;
  const shape = drawing.parts().find((one) => one.part === part);
  const openings = shape && drawing.openings(shape);
  // On the way to its widest a part is open at the other end of the work: only what gets narrower again shuts them out.
  const ring = shape?.rings.findLastIndex((one) => drawing.counted.rounds[one.round]?.round === after) ?? -1;
  if (!shape || !openings || ring <= openings.widest.ring) return null;
  const better = openings.washers && shape.rings[openings.washers.ring];
  const advice = better ? ` They would still go in after ${better.label}.` : '';
  return `The washers of ${eyes.size} mm eyes are about ${washer} mm wide, and ${after.label} leaves ${made} stitches, an opening ${opening} mm wide ${gaugeWords(drawing.at())}.${advice}`;
}

/** The stitches that a round leaves; null where that is not known. */
function leftBy(last: Round | null, rounds: readonly CountedRound[]): number | null {
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
