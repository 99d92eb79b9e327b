import { roundsByPart, type CountedRound } from '../counting/counted.js';
import type { Found, Rule } from './rule.js';
import { wedgesOf, type Wedges } from './shape.js';
import { times } from './wording.js';

/** From so many rounds on the corners show. */
const SHOWS = 3;

export const shapeStacked: Rule = {
  id: 'shape/stacked',
  severity: 'hint',
  across: true,
  about: 'Increases or decreases stand above each other over three rounds or more, and make corners.',
  failing: {
    text: 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 2, inc) x 6 (24)\nRnd 5: (sc 3, inc) x 6 (30)\nFasten off.\n',
    says: ['Rnd 3', 'Rnd 5', '6 corners'],
  },
  passing:
    'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: (sc 1, inc, sc 1) x 6 (24)\nRnd 5: (sc 3, inc) x 6 (30)\nFasten off.\n',
  *check(counted): Iterable<Found> {
    for (const rounds of roundsByPart(counted.rounds).values()) {
      let run: { round: CountedRound; wedges: Wedges }[] = [];
      for (const round of rounds) {
        const wedges = wedgesOf(round);
        const before = run.at(-1)?.wedges;
        if (wedges && before && above(before, wedges)) run.push({ round, wedges });
        else {
          yield* corners(run);
          run = wedges ? [{ round, wedges }] : [];
        }
      }
      yield* corners(run);
    }
  },
};

/** Whether the shapings of a round go into those of the round before. */
function above(before: Wedges, { times: often, plain, first, increases }: Wedges): boolean {
  if (often !== before.times || first !== before.first || increases !== before.increases) return false;
  return plain === before.plain + (increases ? 1 : -1);
}

function* corners(run: readonly { round: CountedRound; wedges: Wedges }[]): Iterable<Found> {
  const first = run[0];
  const last = run.at(-1);
  if (!first || !last || run.length < SHOWS) return;
  const what = first.wedges.increases ? 'increases' : 'decreases';
  yield {
    span: last.round.round.span,
    round: last.round,
    message: `The ${what} stand above each other ${times(run.length)}, from ${first.round.round.label} to ${last.round.round.label}: ${first.wedges.times} corners will show. Every second time in the middle of the plain stitches they don't.`,
  };
}
