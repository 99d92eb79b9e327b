import { roundsByPart } from '../counting/counted.js';
import type { Round } from '../pattern/pattern.js';
import { shifted, stackedRuns } from '../shape/stacked.js';
import type { Found, Rule } from './rule.js';
import { times } from './wording.js';

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
  *check({ pattern, rounds: all }): Iterable<Found> {
    for (const rounds of roundsByPart(all).values())
      for (const run of stackedRuns(rounds)) {
        const [first, last] = [run[0], run.at(-1)];
        if (!first || !last) continue;
        const what = first.wedges.increases ? 'increases' : 'decreases';
        yield {
          span: last.counted.round.span,
          round: last.counted,
          message: `The ${what} stand above each other ${times(run.length)}, from ${first.counted.round.label} to ${last.counted.round.label}: ${first.wedges.times} corners will show. Every second time in the middle of the plain stitches they don't.`,
          search: () => {
            const change = shifted(pattern, run);
            return change ? [{ title: titleOf(what, change.rounds), edits: change.edits }] : [];
          },
        };
      }
  },
};

function titleOf(what: string, rounds: readonly Round[]): string {
  const labels = rounds.map(({ label }) => label);
  return `Shift the ${what} of ${labels.join(' and ')} by half a repeat`;
}
