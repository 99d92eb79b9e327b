import { roundsByPart, type CountedPattern } from '../counting/counted.js';
import type { AssemblyStep, Document } from '../document/document.js';
import { locatedIn, type Located } from '../document/located.js';
import { Pieces } from '../document/pieces.js';
import type { Prose } from '../document/prose.js';
import type { Part } from '../pattern/pattern.js';
import { Colours } from './colours.js';
import { drawnAt, type DrawnAt } from './drawnAt.js';
import { finishedSizeOf, type FinishedSize } from './finishedSize.js';
import { joined, type WholeToy } from './joining.js';
import { openingsOf, washerOf, type Openings } from './openings.js';
import { shapePart, type PartShape } from './partShape.js';
import { lazily } from './lazily.js';
import { piecesOf } from './pieces.js';
import { placedOn, type Placed } from './placing.js';
import { ringsOf } from './rings.js';
import { NO_SETTINGS, type ShapeSettings } from './settings.js';
import { toolsOf, type Tools } from './tools.js';
import { yarnNeeds, yarnOfPart, type PartYarn, type YarnNeed } from './yarn.js';
import { thicknessOf } from './yarnBand.js';

/** Eyes where none are listed; mm. */
const USUAL_EYES = 8;

/** A pattern as its counts would come out in the hand. Each matter is worked out when it is first asked for. */
export interface Drawing {
  readonly counted: CountedPattern;
  readonly settings: ShapeSettings;
  readonly tools: () => Tools;
  readonly at: () => DrawnAt;
  /** Each part, in the order of the text. */
  readonly parts: () => readonly PartShape[];
  readonly toy: () => WholeToy;
  readonly finished: () => FinishedSize | null;
  readonly placed: () => readonly Placed[];
  /** The eyes in mm, and whether the text, or a person, says so. */
  readonly eyes: () => { readonly size: number; readonly said: boolean };
  readonly openings: (shape: PartShape) => Openings | null;
  readonly yarnOf: (shape: PartShape) => readonly PartYarn[];
  readonly yarns: () => readonly YarnNeed[];
}

/** Draws a counted pattern, with what a person set otherwise. */
export function drawingOf(
  counted: CountedPattern,
  { talk }: Pick<Prose, 'talk'>,
  document: Document,
  settings: ShapeSettings = NO_SETTINGS,
): Drawing {
  const { pattern } = counted;
  const tools = lazily(() => toolsOf(pattern, talk, document));
  const at = lazily(() => drawnAt(tools(), settings));
  const parts = lazily(() => shapesOf(counted, talk, document, tools(), at()));
  const shapes = lazily(() => new Map<Part, PartShape>(parts().map((shape) => [shape.part, shape])));
  const pieces = lazily(() => new Pieces(pattern.parts, counted.rounds));
  const eyes = lazily(() => {
    const said = settings.eyes ?? tools().eyes;
    return { size: said ?? USUAL_EYES, said: said !== null };
  });
  const yarns = new Map<PartShape, readonly PartYarn[]>();
  const yarnOf = (shape: PartShape) => {
    const known = yarns.get(shape) ?? yarnOfPart(shape, document.events, at().gauge, thicknessOf(at().band));
    yarns.set(shape, known);
    return known;
  };
  return {
    counted,
    settings,
    tools,
    at,
    parts,
    toy: lazily(() => joined(parts(), document.assembly, (step) => ontoOf(step, pieces()))),
    finished: lazily(() => finishedSizeOf(pattern, talk)),
    placed: lazily(() =>
      placedOn(
        [...locatedIn(document.assembly, pieces())].map((one) => settled(one, pieces())),
        shapes(),
        (words) =>
          pieces()
            .in(words)
            .map(({ part }) => part),
      ),
    ),
    eyes,
    openings: (shape) => openingsOf(shape, washerOf(eyes().size)),
    yarnOf,
    yarns: lazily(() =>
      yarnNeeds(
        parts().map((shape) => ({ make: shape.part.make, yarn: yarnOf(shape) })),
        tools().materials,
        ({ span }) => tools().lineOf(span),
        at().band,
        at().gauge,
        settings,
      ),
    ),
  };
}

function shapesOf(
  { pattern, rounds }: CountedPattern,
  talk: Prose['talk'],
  document: Document,
  { materials }: Tools,
  { gauge }: DrawnAt,
): PartShape[] {
  const colours = new Colours(pattern, document, materials);
  const byPart = roundsByPart(rounds);
  const stuffed = document.events.some(({ kind, part, negated }) => kind === 'stuffing' && part === null && !negated);
  let first = 0;
  let before: string | null = null;
  return pattern.parts.map((part) => {
    const counted = byPart.get(part) ?? [];
    const from = first;
    first += counted.length;
    const rings = ringsOf(
      part,
      counted.map((one, i) => ({ counted: one, index: from + i })),
      talk,
      colours,
      pattern.source,
    );
    const pieces = piecesOf(part, rings, counted, from, before);
    before = part.name;
    return shapePart(part, rings, pieces, document.events, stuffed, gauge);
  });
}

/** Where the words leave open which part is meant, and one alone has so many rounds, it is that. */
function settled(located: Located, pieces: Pieces): Located {
  const { step, place, where } = located;
  if (!place.rounds) return located;
  const round = Math.max(...place.rounds);
  // A part that has no such round is not the one that is meant.
  if (where?.certain && round <= where.piece.last) return located;
  // What is named first is what is put there.
  const piece = pieces.onlyOneWith(round, []) ?? pieces.onlyOneWith(round, step.pieces.slice(0, 1));
  return piece ? { ...located, where: { piece, certain: true, farthest: piece.last } } : located;
}

/** The part that a sentence puts something on, where the places in it tell. */
function ontoOf(step: AssemblyStep, pieces: Pieces): Part | null {
  const all = [...locatedIn([step], pieces)].map((one) => settled(one, pieces).where);
  const where = all.find((one) => one?.certain) ?? pieces.of(step.talk, step.text);
  return where?.certain ? where.piece.part : null;
}
