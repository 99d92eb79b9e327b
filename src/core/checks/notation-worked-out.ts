import { senseInWords } from '../deciding/why.js';
import type { Found, Rule } from './rule.js';

const FAILING = `US terms

BALL
Rnd 1: 6 sc in MR (6)
Rnd 2: 6 bumps (12)
Rnd 3: (sc 1, bump) x 6 (18)
Rnd 4: (sc 2, bump) x 6 (24)
Fasten off.
`;

export const notationWorkedOut: Rule = {
  id: 'notation/worked-out',
  severity: 'hint',
  about: 'A word that is explained nowhere was worked out from the counts.',
  failing: { text: FAILING, says: ['bump', 'increase'] },
  passing: FAILING.replace('US terms\n', 'US terms\nbump = 2 sc in one stitch\n'),
  *check({ rounds, pattern }): Iterable<Found> {
    const first = rounds.find(({ round }) => round.doubt?.kind === 'worked-out');
    if (!first) return;
    const words = [...pattern.words].flatMap(([word, sense]) => {
      const count = rounds.filter(({ round }) => round.doubt?.why.some((why) => why.startsWith(`"${word}"`))).length;
      if (count === 0) return [];
      return [`"${word}" is taken for ${senseInWords(sense)}, by ${count} ${count === 1 ? 'round' : 'rounds'}`];
    });
    const others = rounds.filter(({ round }) => round.doubt?.kind === 'worked-out').length - 1;
    const elsewhere = others === 0 ? '' : `, here and in ${others} other ${others === 1 ? 'round' : 'rounds'}`;
    yield {
      span: first.round.span,
      round: first,
      message:
        words.length > 0
          ? `${words.join('; ')}. Only so the counts come out.`
          : `How this is meant was worked out from the counts${elsewhere}: ${first.round.doubt?.why[0] ?? ''}.`,
    };
  },
};
