import { describe, expect, it } from 'vitest';
import { checkText } from '../index.js';

const pattern = (...rounds: readonly string[]) =>
  checkText(`US terms\n\nBALL\n${rounds.join('\n')}\nFasten off.\n`, 'x');
const made = (...rounds: readonly string[]) =>
  pattern(...rounds).parts.flatMap((part) => part.rounds.map((round) => round.made));

describe('repeats that are left out', () => {
  it('are read to the end where the pattern has the habit, and one hint says so', () => {
    const rounds = [
      'R1 6 sc in MR (6)',
      'R2 inc (12)',
      'R3 sc, inc (18)',
      'R4 2 sc, inc (24)',
      'R5 sc (24)',
      'R6 2 sc, dec (18)',
    ];
    expect(made(...rounds)).toEqual([6, 12, 18, 24, 24, 18]);
    const { findings } = pattern(...rounds);
    expect(findings.map(({ rule, severity, line }) => [rule, severity, line])).toEqual([['notation/times', 'hint', 5]]);
    expect(findings[0]?.message).toContain('in 3 others');
  });

  it('are forgotten where it happens once', () => {
    const rounds = ['R1 6 sc in MR (6)', 'R2 inc x 6 (12)', 'R3 sc, inc (18)', 'R4 (2 sc, inc) x 6 (24)'];
    expect(made(...rounds)).toEqual([6, 12, 3, 24]);
    expect(pattern(...rounds).findings.map(({ rule, line }) => [rule, line])).toEqual([['count/under', 6]]);
  });

  it('are not read into rounds that come out as they stand', () => {
    expect(made('R1 6 sc in MR (6)', 'R2 inc x 6 (12)', 'R3 6 sc, 6 inc (18)', 'R4 17 sc, inc (19)')).toEqual([
      6, 12, 18, 19,
    ]);
  });

  it('do not hide a wrong count among them', () => {
    const rounds = [
      'R1 6 sc in MR (6)',
      'R2 inc (12)',
      'R3 sc, inc (18)',
      'R4 2 sc, inc (25)',
      'R5 sc (25)',
      'R6 3 sc, dec (20)',
      'R7 2 sc, dec (15)',
    ];
    expect(
      pattern(...rounds)
        .findings.filter(({ severity }) => severity === 'error')
        .map(({ line }) => line),
    ).toEqual([7]);
  });
});
