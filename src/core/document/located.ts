import type { AssemblyStep } from './document.js';
import type { Pieces, Where } from './pieces.js';
import type { Place } from './places.js';

/** A place that a sentence names, with the piece that it lies on. */
export interface Located {
  readonly step: AssemblyStep;
  readonly place: Place;
  /** Null where no piece has rounds. */
  readonly where: Where | null;
  /** Where the place stands in the text. */
  readonly from: number;
}

/** "Sc in the back loops of Rnd 3": loops left free are asked for where they are worked into. */
const FREE_LOOPS = /(?:front|back|free|unused|unworked|remaining)\s+(?:loops?|lps?)(?!\p{L})/iu;

/** The places that the sentences of assembly name, each on the piece that the words before it name. */
export function* locatedIn(assembly: readonly AssemblyStep[], pieces: Pieces): Iterable<Located> {
  for (const step of assembly) {
    const { text, places, span, talk } = step;
    if (places.length === 0 || FREE_LOOPS.test(text)) continue;
    const whole = pieces.of(talk, text);
    let clause = 0;
    for (const place of places) {
      // "on the balloon, at rnd 29, the other end to the basket at rnd 10": each by what stands before it.
      const where = pieces.named(text.slice(clause, place.to)) ?? whole;
      clause = place.to;
      yield { step, place, where, from: span.from + place.from };
    }
  }
}
