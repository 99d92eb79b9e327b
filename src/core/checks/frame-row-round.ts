import type { CountedRound } from '../counting/counted.js';
import type { Round } from '../pattern/pattern.js';
import type { Fix, Found, Rule } from './rule.js';

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
  *check({ rounds, pattern }): Iterable<Found> {
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
          fixes: [calledLike(pattern.source.text, round, before.round)],
        };
      const turned = isTurned(round) || isTurned(before.round);
      if (own === 'row' && other === 'round' && !turned && standsAmongRounds(rounds, i))
        yield {
          span: round.labelSpan,
          round: counted,
          message: `${round.label} is worked around like ${before.round.label}: it is a round.`,
          fixes: [calledLike(pattern.source.text, round, before.round)],
        };
    }
  },
};

/** Whether what stands two before a row in its stretch, and what stands after it, are called rounds. */
function standsAmongRounds(rounds: readonly CountedRound[], i: number): boolean {
  const [before, here, after] = [rounds[i - 2], rounds[i], rounds[i + 1]];
  if (before?.stretch !== here?.stretch || !before || calledIn(before.round) !== 'round') return false;
  return after?.stretch !== here?.stretch || !after || calledIn(after.round) === 'round';
}

/** The label with the word that the one before it has. */
function calledLike(text: string, { labelSpan, label }: Round, before: Round): Fix {
  const own = /\p{L}+/u.exec(text.slice(labelSpan.from, labelSpan.to));
  const word = /\p{L}+/u.exec(before.label)?.[0] ?? '';
  const from = labelSpan.from + (own?.index ?? 0);
  return {
    title: `${word} instead of ${own?.[0] ?? label}`,
    edits: [{ span: { from, to: from + (own?.[0].length ?? 0) }, text: word }],
  };
}

/** What the label calls it; null where it says neither. */
function calledIn({ label, labelled }: Round): 'row' | 'round' | null {
  if (!labelled) return null;
  return /^row/i.test(label) ? 'row' : /^(?:rnd|round|rd)/i.test(label) ? 'round' : null;
}

function isTurned({ steps }: Round): boolean {
  return steps.some(({ kind }) => kind === 'turn');
}
