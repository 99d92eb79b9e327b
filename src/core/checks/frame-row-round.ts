import type { Round } from '../pattern/pattern.js';
import type { Found, Rule } from './rule.js';

export const frameRowRound: Rule = {
  id: 'frame/row-round',
  severity: 'warning',
  about: 'A row is called a round, or the other way, among others that are called right.',
  failing: {
    text: 'US terms\n\nScarf\nCh 11.\nRow 1: sc in 2nd ch from hook and in each ch across (10)\nRow 2: ch 1, turn, sc in each st across (10)\nRnd 3: ch 1, turn, sc in each st across (10)\n',
    says: ['Rnd 3', 'row'],
  },
  passing:
    'US terms\n\nScarf\nCh 11.\nRow 1: sc in 2nd ch from hook and in each ch across (10)\nRow 2: ch 1, turn, sc in each st across (10)\nRow 3: ch 1, turn, sc in each st across (10)\n',
  *check({ rounds }): Iterable<Found> {
    for (const [i, counted] of rounds.entries()) {
      const { round, stretch } = counted;
      const before = rounds[i - 1];
      if (before?.stretch !== stretch) continue;
      const [own, other] = [calledIn(round), calledIn(before.round)];
      // Worked back and forth like the row before it, and called otherwise.
      if (own === 'round' && other === 'row' && isTurned(round))
        yield {
          span: round.labelSpan,
          round: counted,
          message: `${round.label} is turned and worked back like ${before.round.label}: it is a row.`,
        };
      const after = rounds[i + 1];
      const goesOn = after?.stretch !== stretch || calledIn(after.round) === 'round';
      const twoBefore = rounds[i - 2];
      const among = twoBefore?.stretch === stretch && calledIn(twoBefore.round) === 'round';
      if (own === 'row' && other === 'round' && among && goesOn && !isTurned(round) && !isTurned(before.round))
        yield {
          span: round.labelSpan,
          round: counted,
          message: `${round.label} is worked around like ${before.round.label}: it is a round.`,
        };
    }
  },
};

/** What the label calls it; null where it says neither. */
function calledIn({ label, labelled }: Round): 'row' | 'round' | null {
  if (!labelled) return null;
  return /^row/i.test(label) ? 'row' : /^(?:rnd|round|rd)/i.test(label) ? 'round' : null;
}

function isTurned({ steps }: Round): boolean {
  return steps.some(({ kind }) => kind === 'turn');
}
