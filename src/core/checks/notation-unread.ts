import type { Found, Rule } from './rule.js';

export const notationUnread: Rule = {
  id: 'notation/unread',
  severity: 'error',
  about: 'Words in an instruction were not understood.',
  failing: { text: 'Rnd 1: 6 sc in MR (6)\nRnd 2: sc 2, flurble 3, sc 1 (6)\n', says: ['flurble'] },
  passing: 'Rnd 1: 6 sc in MR (6)\nRnd 2: sc 2, inc, sc 3 (7)\n',
  *check({ rounds }): Iterable<Found> {
    for (const counted of rounds) {
      const { round, outcome } = counted;
      // A bracket that doesn't close leaves other words hanging; that is said once.
      if (round.brackets.length > 0) continue;
      for (const { span, text, tooLong } of round.unread) {
        const words = text.length > 60 ? `${text.slice(0, 59)}…` : text;
        const message = tooLong
          ? `What begins with "${words}" is longer than one round can be, so it is not counted. Give each round a line of its own.`
          : `"${words}" was not understood, so this round is not counted.`;
        yield { span, round: counted, message };
      }
      if (round.unread.length === 0 && outcome.obstacles.some(({ kind }) => kind === 'unread')) {
        yield {
          span: round.span,
          round: counted,
          message: 'No stitches were found in this instruction, so it is not counted.',
        };
      }
    }
  },
};
