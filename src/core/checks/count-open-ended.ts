import type { CountedRound } from '../counting/counted.js';
import type { SourceText, Span } from '../text/source.js';
import type { Fix, Found, Rule } from './rule.js';

export const countOpenEnded: Rule = {
  id: 'count/open-ended',
  severity: 'warning',
  about: '"Until closed" gives no number to work to.',
  failing: { text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: dec until hole is closed\n', says: ['12'] },
  passing: 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: dec x 6 (6)\n',
  *check({ pattern, rounds }): Iterable<Found> {
    for (const counted of rounds) {
      for (const obstacle of counted.outcome.obstacles) {
        if (obstacle.kind !== 'open-ended') continue;
        const edge = counted.outcome.edge;
        const from = edge === null ? '' : ` There are ${edge} stitches to begin with.`;
        yield {
          span: obstacle.span,
          round: counted,
          message: `No number and no target: this can't be counted.${from} Say how often, and how many are left.`,
          fixes: numbered(pattern.source, counted, obstacle.span),
        };
      }
    }
  },
};

/** "dec until closed" on 12 stitches as "dec x 6": how often it goes in, where it goes in evenly. */
function numbered({ text }: SourceText, { round, outcome: { edge } }: CountedRound, span: Span): Fix[] {
  const step = round.steps.find((one) => one.kind === 'work' && one.amount.kind === 'open');
  if (step?.kind !== 'work' || edge === null || edge % step.over !== 0) return [];
  const until = /\s*(?<!\p{L})(?:until|till|til)(?!\p{L})/iu.exec(text.slice(step.span.from, span.to));
  if (!until) return [];
  const times = edge / step.over;
  const from = step.span.from + until.index;
  return [
    {
      title: `${times} times: uses all ${edge} and leaves ${times * step.per}`,
      edits: [{ span: { from, to: step.span.to }, text: ` x ${times} (${times * step.per})` }],
    },
  ];
}
