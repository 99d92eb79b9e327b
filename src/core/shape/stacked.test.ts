import { describe, expect, it } from 'vitest';
import { apply } from '../../../tools/apply.js';
import { checkPattern, fixedReport } from '../index.js';

/** The text after the fix of its stacked increases, its rounds alone. */
function shiftedText(text: string): string | null {
  const { findings } = fixedReport(checkPattern(text, ''));
  const fix = findings.find(({ rule }) => rule === 'shape/stacked')?.fixes[0];
  return fix ? apply(text, fix) : null;
}

const round = (text: string | null, number: number) =>
  text?.split('\n').find((line) => new RegExp(`^\\W*(?:R|Rnd|Round|R\\.)? ?${number}\\b`).test(line));

describe('increases above each other are shifted by half a repeat, in the words of the hand', () => {
  it.each([
    [
      'Rnd 4: (sc 2, inc) x 6 (24)',
      'Rnd 4: (sc 1, inc, sc 1) x 6 (24)',
      (n: number, made: number) => `Rnd ${n}: (sc ${n - 2}, inc) x 6 (${made})`,
    ],
    ['R4: (X, V, X)*6 (24)', null, (n: number, made: number) => `R${n}: (${n - 2 === 1 ? '' : n - 2}X, V)*6 (${made})`],
    [
      'Round 4: *sc in next st, 2 sc in next st, sc in next st; repeat from * around (24)',
      null,
      (n: number, made: number) =>
        `Round ${n}: *sc in next ${n - 2 === 1 ? 'st' : `${n - 2} sts`}, 2 sc in next st; repeat from * around (${made})`,
    ],
    [
      'Rnd 4: (inc, sc 2) x 6 (24)',
      'Rnd 4: (sc 1, inc, sc 1) x 6 (24)',
      (n: number, made: number) => `Rnd ${n}: (inc, sc ${n - 2}) x 6 (${made})`,
    ],
  ])('%s', (_, expected, write) => {
    const rounds = [3, 4, 5, 6].map((n) => write(n, 6 * n));
    const text = `US terms\n\nBALL\n${write(3, 18).startsWith('R3') ? 'R1: 6X in MR (6)\nR2: 6V (12)' : 'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)'}\n${rounds.join('\n')}\nFasten off.\n`;
    const after = shiftedText(text);
    expect(after).not.toBeNull();
    if (expected !== null) expect(round(after, 4)).toBe(expected);
    const again = checkPattern(after ?? '', '').report;
    expect(again.findings.filter(({ rule }) => rule === 'shape/stacked')).toEqual([]);
    expect(again.parts.flatMap(({ rounds: all }) => all).map(({ made }) => made)).toEqual([6, 12, 18, 24, 30, 36]);
    expect(again.findings.filter(({ severity }) => severity === 'error')).toEqual([]);
  });

  it('decreases as well', () => {
    const text =
      'US terms\n\nBALL\nCh 36, join.\nRnd 1: sc around (36)\nRnd 2: (sc 4, dec) x 6 (30)\nRnd 3: (sc 3, dec) x 6 (24)\nRnd 4: (sc 2, dec) x 6 (18)\nRnd 5: (sc 1, dec) x 6 (12)\nFasten off.\n';
    const after = shiftedText(text);
    expect(after).toContain('Rnd 3: (sc 1, dec, sc 2) x 6 (24)');
    expect(checkPattern(after ?? '', '').report.findings.filter(({ rule }) => rule === 'shape/stacked')).toEqual([]);
  });

  it('not where no figure can be halved', () => {
    const text =
      'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc, inc) x 6 (18)\nRnd 4: (sc, sc, inc) x 6 (24)\nRnd 5: (sc, sc, sc, inc) x 6 (30)\nFasten off.\n';
    expect(shiftedText(text)).toBeNull();
  });
});
