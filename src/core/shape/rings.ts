import type { CountedRound } from '../counting/counted.js';
import type { Outcome, Worked } from '../counting/outcome.js';
import type { Talk } from '../document/prose.js';
import type { Group, Step, Work } from '../pattern/instruction.js';
import type { Part } from '../pattern/pattern.js';
import type { SourceText } from '../text/source.js';
import type { StitchId } from '../vocabulary/stitches.js';
import { betweenRounds, keepsColours, type Colours } from './colours.js';

/** One step done once: what it uses of the edge, what it makes, and of which yarn. */
export interface Laid {
  readonly stitch: StitchId;
  readonly into: number;
  readonly made: number;
  /** Null where no colour was ever said. */
  readonly colour: string | null;
}

/** One round or row as it is worked, by itself: a label that stands for several is several rings. */
export interface Ring {
  /** Its number among all rounds of the pattern, from 0; rings of one label share it. */
  readonly round: number;
  /** The number that its label gives it; null where it has none. */
  readonly number: number | null;
  readonly label: string;
  readonly kind: 'round' | 'row';
  /** Stitches that it is worked into, and that it leaves; null where the text does not give them. */
  readonly edge: number | null;
  readonly made: number | null;
  /** The count is the stated one, taken on trust: the words don't give it. */
  readonly trusted: boolean;
  /** Step by step, in the order of the work; empty where that is not known. */
  readonly laid: readonly Laid[];
  /** The yarn that is on the hook behind it; null where no colour was ever said. */
  readonly colour: string | null;
  readonly loops: 'front' | 'back' | 'both';
  /** Worked shut, through both layers. */
  readonly shut: boolean;
}

/** More stitches than a round has that somebody made. */
const MOST_LAID = 4000;
/** More rounds than one label stands for. */
const MOST_RINGS = 4000;

/**
 * The rings of a part.
 * @param rounds its counted rounds, with the place of each among all rounds of the pattern.
 */
export function ringsOf(
  part: Part,
  rounds: readonly { readonly counted: CountedRound; readonly index: number }[],
  talk: readonly Talk[],
  colours: Colours,
  source: SourceText,
): Ring[] {
  const rings: Ring[] = [];
  const said = betweenRounds(part, talk);
  const heading = source.text.slice(part.heading.from, part.heading.to);
  let colour = colours.ofHeading(heading, part.name);
  let next = 0;
  for (const { counted, index } of rounds) {
    const { round } = counted;
    for (; next < said.length && (said[next] as Talk).span.from < round.span.from; next += 1)
      colour = colours.takenUp((said[next] as Talk).text) ?? colour;
    colour = colours.takenUp(source.text.slice(round.labelSpan.to, round.bodyFrom)) ?? colour;
    const made = worked(counted, index, colour, colours, source);
    for (const ring of made) {
      if (rings.length >= MOST_RINGS) return rings;
      const kept = keepsColours(source.text.slice(round.span.from, round.span.to)) ? inColoursOf(ring, rings) : ring;
      rings.push(kept);
      colour = colourBehind(kept.laid, colour);
    }
  }
  return rings;
}

function worked(
  counted: CountedRound,
  index: number,
  colour: string | null,
  colours: Colours,
  source: SourceText,
): Ring[] {
  const { round } = counted;
  const outcomes = counted.works();
  const count = Math.min(MOST_RINGS, Math.max(1, round.numbers.length, outcomes.length));
  const { kind } = round;
  const label = source.text.slice(round.labelSpan.from, round.labelSpan.to).trim() || round.label;
  const loops = loopsOf(round.steps);
  const shut = round.steps.some((step) => step.kind === 'work' && step.place.kind === 'both-layers');
  const rings: Ring[] = [];
  let edge = counted.outcome.starts ? null : (outcomes[0]?.edge ?? counted.outcome.edge);
  let same = null as { outcome: Outcome; from: string | null; laid: readonly Laid[] } | null;
  for (let i = 0; i < count; i += 1) {
    const outcome = outcomes[Math.min(i, outcomes.length - 1)] ?? counted.outcome;
    const made = madeBy(counted, outcome, i === count - 1);
    if (same?.outcome !== outcome || same.from !== colour)
      same = { outcome, from: colour, laid: outcome.made === null ? [] : laidOf(outcome, colour, colours) };
    const { laid } = same;
    colour = colourBehind(laid, colour);
    const trusted = outcome.made === null && made !== null;
    const number = round.numbers[i] ?? null;
    // Written out, as there are thousands: a spread takes ten times as long.
    rings.push({ round: index, number, label, kind, edge, made, trusted, laid, colour, loops, shut });
    edge = made;
  }
  return rings;
}

/** The yarn that is on the hook behind some stitches. */
function colourBehind(laid: readonly Laid[], before: string | null): string | null {
  return laid[laid.length - 1]?.colour ?? before;
}

/** The stitches that a ring leaves. What neither the words nor a stated count give is not taken from the next round. */
function madeBy({ round, carried }: CountedRound, { made }: Outcome, last: boolean): number | null {
  if (made === null && round.stated === null) return null;
  return last ? (carried ?? made) : (made ?? carried);
}

function loopsOf(steps: readonly Step[]): Ring['loops'] {
  const marker = steps.find((step) => step.kind === 'loops');
  return marker?.kind === 'loops' ? marker.loops : 'both';
}

/** What a round does, step by step; a step whose stitch is not said is of the stitch of those around it. */
function laidOf({ worked: steps }: Outcome, from: string | null, colours: Colours): readonly Laid[] {
  const laid: Laid[] = [];
  const base = baseOf(steps);
  let colour = from;
  const lay = (stitch: StitchId | null, into: number, made: number, times = 1) => {
    const one: Laid = { stitch: stitch ?? base, into, made, colour };
    for (let i = 0; i < times && laid.length < MOST_LAID; i += 1) laid.push(one);
  };
  const walk = (some: readonly Worked[]): void => {
    for (const one of some) {
      const { step, times, into, made, body } = one;
      if (step.kind === 'colour') colour = colours.named(step.name);
      else if (step.kind === 'repeat') for (let i = 0; i < times && laid.length < MOST_LAID; i += 1) walk(body);
      else if (step.kind === 'chain') layChains(one, lay);
      else if (step.kind === 'skip') lay('chain', into, 0);
      else if (step.kind === 'work' || step.kind === 'group') lay(stitchOf(step), into, made, times);
    }
  };
  walk(steps);
  return laid;
}

function layChains({ into, made }: Worked, lay: (stitch: StitchId, into: number, made: number) => void): void {
  for (let i = 0; i < made; i += 1) lay('chain', i === 0 ? into : 0, 1);
}

function stitchOf(step: Work | Group): StitchId | null {
  if (step.kind === 'work') return step.stitch;
  const main = step.members.find(({ stitch }) => stitch !== 'chain' && stitch !== 'slip') ?? step.members[0];
  return main?.stitch ?? null;
}

/** The stitch that most of a round is worked in. */
function baseOf(steps: readonly Worked[]): StitchId {
  const counts = new Map<StitchId, number>();
  const walk = (some: readonly Worked[], often: number): void => {
    for (const { step, times, made, body } of some) {
      if (step.kind === 'repeat') walk(body, often * times);
      else if (step.kind === 'work' && step.stitch && step.stitch !== 'chain' && step.stitch !== 'slip')
        counts.set(step.stitch, (counts.get(step.stitch) ?? 0) + often * times * Math.max(1, made));
    }
  };
  walk(steps, 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'step1';
}

/** A ring whose stitches have the colours of those below them. */
function inColoursOf(ring: Ring, rings: readonly Ring[]): Ring {
  const below = rings[rings.length - 1];
  if (!below) return ring;
  const colours = below.laid.flatMap(({ made, colour }) => Array<string | null>(made).fill(colour));
  if (colours.length === 0) return ring;
  let at = 0;
  const laid = ring.laid.map((one) => {
    const colour = colours[Math.min(at, colours.length - 1)] ?? one.colour;
    at += one.into;
    return { ...one, colour };
  });
  return { ...ring, laid };
}
