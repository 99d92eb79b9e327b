import { writtenLike } from '../vocabulary/numbers.js';
import type { Found, Rule } from './rule.js';
import { rounds as roundsInWords } from './wording.js';

export const frameRange: Rule = {
  id: 'frame/range',
  severity: 'error',
  about: 'A range of rounds, and the number of rounds that the words give, disagree.',
  failing: {
    text: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnds 2-5: sc around for 3 rnds (6)\n',
    says: ['4 rounds', '3'],
  },
  passing: 'US terms\n\nRnd 1: 6 sc in MR (6)\nRnds 2-5: sc around for 4 rnds (6)\n',
  *check({ rounds, pattern }): Iterable<Found> {
    for (const counted of rounds) {
      const { round } = counted;
      const said = round.statedRounds;
      if (!said || !round.labelled || round.from === 0 || said.count === round.numbers.length) continue;
      const written = pattern.source.text.slice(said.span.from, said.span.to);
      const right = writtenLike(round.numbers.length, written);
      const spanned = roundsInWords(round.numbers.length, round.kind);
      yield {
        span: said.span,
        round: counted,
        message: `${round.label} ${round.numbers.length === 1 ? 'is' : 'are'} ${spanned}; the text says ${said.count}.`,
        fixes: [{ title: `Say ${right} instead of ${written}`, edits: [{ span: said.span, text: right }] }],
      };
    }
  },
};
