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
      // Worked back and forth like the row before it, and called otherwise.
      const turned = round.steps.some(({ kind }) => kind === 'turn');
      if (before?.stretch !== stretch || !turned || !round.labelled || !before.round.labelled) continue;
      if (!/^(?:rnd|round|rd)/i.test(round.label) || !/^row/i.test(before.round.label)) continue;
      yield {
        span: round.labelSpan,
        round: counted,
        message: `${round.label} is turned and worked back like ${before.round.label}: it is a row.`,
      };
    }
  },
};
