import { roundsByPart, type CountedRound } from '../counting/counted.js';
import type { Part, Pattern, Round } from '../pattern/pattern.js';
import { lineIndexAt, lineSpan, type SourceText } from '../text/source.js';
import type { Document, MakingEvent } from '../document/document.js';
import type { DrawnAt } from '../shape/drawnAt.js';
import { NARROW, openingOf } from '../shape/openings.js';
import type { Found, Rule } from './rule.js';
import { gaugeWords, stitches } from './wording.js';

/** A hollow piece is at least this wide somewhere, and this long; smaller ones may well be left empty. */
const HOLLOW = { stitches: 18, rounds: 6 };
/** A piece that ends on so few stitches is closed. */
const CLOSED = 8;

export const makeStuffingLate: Rule = {
  id: 'make/stuffing-late',
  severity: 'warning',
  across: true,
  about: 'Stuffing is first mentioned when the opening is too small for it, or never, in a part that closes.',
  failing: {
    text: 'US terms\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-5: sc around (12)\nFold flat and sc 6 through both layers (6)\nStuff the body now.\nFasten off.\n',
    says: ['Body', 'shut'],
  },
  passing:
    'US terms\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnds 3-5: sc around (12)\nStuff the body now.\nFold flat and sc 6 through both layers (6)\nFasten off.\n',
  *check({ pattern, rounds }, _, document, drawing): Iterable<Found> {
    const stuffing = document.events.filter(({ kind }) => kind === 'stuffing');
    const elsewhere = saidElsewhere(document);
    const byPart = roundsByPart(rounds);
    for (const part of pattern.parts) {
      const counted = byPart.get(part) ?? [];
      const first = stuffing.find((event) => event.part === part);
      if (first && saysEarlier(pattern.source, first)) continue;
      const found = first
        ? (workedShut(part, first) ?? throughNarrow(part, counted, first, drawing.at()))
        : elsewhere
          ? null
          : speaksOfIt(pattern, part)
            ? null
            : never(part, counted);
      if (found) yield found;
    }
  },
};

/** "Stuff before the last round", "after a bit more stuffing", "we stuff during the work": told late, and to be done in time. */
function saysEarlier(source: SourceText, { span }: MakingEvent): boolean {
  const line = lineSpan(source, lineIndexAt(source, span.from));
  return EARLIER.test(source.text.slice(line.from, line.to));
}

const EARLIER =
  /(?<!\p{L})(?:before|more stuffing|as you (?:go|work)|during|while (?:you )?work|along the way|in between|gradually)(?!\p{L})/iu;

/** Whether notes or assembly speak of stuffing for all parts. */
function saidElsewhere({ events }: Document): boolean {
  return events.some(({ kind, part }) => kind === 'stuffing' && part === null);
}

/** Whether its rounds speak of stuffing in words that were passed over. */
function speaksOfIt({ source, parts }: Pattern, part: Part): boolean {
  const at = parts.indexOf(part);
  let first = at;
  while (goesOn(parts[first - 1], parts[first])) first -= 1;
  return STUFFING.test(source.text.slice(parts[first]?.heading.from, parts[at + 1]?.heading.from));
}

/** Whether the numbers of a part go on from the one before: they are one hollow. */
function goesOn(before: Part | undefined, part: Part | undefined): boolean {
  const first = part?.stretches[0]?.rounds[0];
  const last = before?.stretches.at(-1)?.rounds.at(-1);
  return first !== undefined && last !== undefined && last.to > 0 && first.from === last.to + 1;
}

const STUFFING = /stuff|fill|wadd|padd|fluff|kapok|pellets|plump|rembourr|vull|stopf|imbott|rellen|fyll|fyld/iu;

function workedShut(part: Part, first: MakingEvent): Found | null {
  const shut = part.stretches
    .flatMap(({ rounds }) => rounds)
    // A flat piece that is seamed along its rows is open at both ends.
    .find(({ steps, kind }) => kind === 'round' && steps.some(throughBoth));
  if (!shut || first.negated || first.span.from < shut.span.to) return null;
  return {
    span: first.span,
    round: null,
    message: `${part.name} has been worked shut in line with "${shut.label}", and this is the first mention of stuffing. It belongs before that.`,
  };
}

function throughBoth(step: Round['steps'][number]): boolean {
  return step.kind === 'work' && step.place.kind === 'both-layers';
}

/** "Stuff; last: 6 decs", "stuff, flatten and sc through both layers": told in the line of the round, and done before. */
function isToldBefore({ after, span }: MakingEvent): boolean {
  const works = after?.steps.find(({ kind }) => kind === 'work' || kind === 'group' || kind === 'repeat');
  return after !== null && span.from >= after.bodyFrom && span.from < (works?.span.from ?? 0);
}

/** The last chance was some rounds ago. */
function throughNarrow(part: Part, counted: readonly CountedRound[], first: MakingEvent, at: DrawnAt): Found | null {
  const index = counted.findIndex(({ round }) => round === first.after) - (isToldBefore(first) ? 1 : 0);
  const after = counted[index];
  const made = after && after.outcome.obstacles.length === 0 ? after.outcome.made : (after?.carried ?? null);
  if (!after || made === null || first.negated || !isHollow(counted.slice(0, index + 1))) return null;
  const opening = openingOf(made, at.gauge.width);
  const better = counted.slice(0, index).findLast(({ outcome }) => (outcome.made ?? 0) >= 2 * made);
  if (opening >= NARROW || !better) return null;
  return {
    span: first.span,
    round: null,
    message: `${part.name}: this is the first mention of stuffing, and ${after.round.label} leaves ${stitches(made)}, an opening ${opening} mm wide ${gaugeWords(at)}. It would go in easily after ${better.round.label}, with ${better.outcome.made ?? 0}.`,
  };
}

function never(part: Part, counted: readonly CountedRound[]): Found | null {
  const last = counted.at(-1);
  const made = last?.outcome.made ?? last?.carried ?? null;
  if (!last || made === null || made > CLOSED || !isHollow(counted) || LEFT_EMPTY.test(part.name)) return null;
  if (last.round.steps.some(throughBoth) && LIES_FLAT.test(part.name)) return null;
  return {
    span: part.heading,
    round: null,
    message: `${part.name} closes to ${stitches(made)} in ${last.round.label}, and stuffing is never mentioned.`,
  };
}

/** What is made to hold something else, or to lie flat. */
const LEFT_EMPTY =
  /(?<!\p{L})(?:cos[yi]\p{L}*|covers?|purses?|pouch(?:es)?|bags?|hats?|caps?|puppets?|bowls?|cups?|baskets?|vases?|lea(?:f|ves)|petals?|tiles?|coasters?)(?!\p{L})/iu;

/** What is closed through both layers when it has been pressed flat, and stays so. */
const LIES_FLAT = /(?<!\p{L})(?:wings?|ears?|fins?|flippers?|crests?|manes?|collars?)(?!\p{L})/iu;

function isHollow(counted: readonly CountedRound[]): boolean {
  const widest = Math.max(0, ...counted.map(({ outcome }) => outcome.made ?? 0));
  const rounds = counted.reduce((sum, { round }) => sum + Math.max(1, round.numbers.length), 0);
  return widest >= HOLLOW.stitches && rounds >= HOLLOW.rounds && counted.every(({ round }) => round.kind === 'round');
}
