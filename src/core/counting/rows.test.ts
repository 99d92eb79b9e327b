import { describe, expect, it } from 'vitest';
import { readPattern } from '../reading/read.js';
import { countPattern } from './count.js';

type Row = readonly [edge: number, words: string, figures: string];

/** What a row does on an edge of so many stitches, `uses → makes`; with what does not fit, or was not read, behind it. */
function on(edge: number, instruction: string, terms: 'US' | 'UK'): string {
  const stitch = terms === 'US' ? 'sc' : 'dc';
  const text = `${terms} terms\n\nFLAP\nRow 1: ch ${edge + 1}, ${stitch} in 2nd ch from hook and in each ch across (${edge})\nRow 2: ${instruction}\nFasten off.\n`;
  const { outcome, round } = countPattern(readPattern(text)).rounds[1] ?? {};
  if (!outcome || !round) return 'no row';
  const unread = round.unread.map(({ span }) => `“${text.slice(span.from, span.to)}”`);
  const figures = `${outcome.into ?? '–'} → ${outcome.made ?? '–'}`;
  return [figures, ...outcome.misfits.map(({ kind }) => kind), ...unread].join('; ');
}

const US: Readonly<Record<string, readonly Row[]>> = {
  'plain rows': [
    [8, 'ch 1, turn, sc across', '8 → 8'],
    [8, 'ch 1, turn, sc in each st', '8 → 8'],
    [8, 'ch 1 and turn, sc in each st across', '8 → 8'],
    [8, 'turn, ch 1, sc in each st to the end', '8 → 8'],
    [8, 'turn. Ch 1. Sc in each stitch across.', '8 → 8'],
    [8, 'ch1, turn; sc 8', '8 → 8'],
    [8, 'ch 1 (does not count), sc 8, turn', '8 → 8'],
    [8, 'ch 1 (does not count as a stitch here or throughout), sc in each st across', '8 → 8'],
    [8, 'ch 1, sc in first st and in each st across, turn', '8 → 8'],
    [8, 'ch 1, sc in each sc across. Ch 1, turn.', '8 → 8'],
    [8, 'sc across, ch 1, turn', '8 → 8'],
    [8, 'sc 8, turn', '8 → 8'],
    [8, 'sc in next 8 sts, turn', '8 → 8'],
    [8, 'ch 2, turn, hdc across', '8 → 8'],
    [8, 'ch 2 (does not count), hdc in each st, turn', '8 → 8'],
    [8, 'ch 2 (counts as first hdc), hdc in next 7 sts', '8 → 8'],
    [8, 'ch 3 (counts as dc), turn, skip first st, dc in each st across', '8 → 8'],
    [8, 'ch 3 (counts as dc), dc in next 7 sts', '8 → 8'],
    [8, 'ch 1, sl st across', '8 → 8'],
    [8, 'ch 1, turn, sc in back loops only across', '8 → 8'],
    [8, 'ch 1, turn, BLO sc 8', '8 → 8'],
    [8, 'ch 1, turn, sc in BLO of each st', '8 → 8'],
    [8, 'work even', '8 → 8'],
    [8, 'ch 1, work even in sc', '8 → 8'],
  ],
  'rows that grow': [
    [8, 'ch 1, turn, inc, sc 6, inc', '8 → 10'],
    [8, 'ch 1, turn, 2 sc in first st, sc in next 6 sts, 2 sc in last st', '8 → 10'],
    [8, 'ch 1, 2 sc in first st, sc across to last st, 2 sc in last st', '8 → 10'],
    [8, 'ch 1, 2 sc in the first stitch, sc in each stitch until last, 2 sc in the last', '8 → 10'],
    [8, 'ch 1, turn, inc, sc to last st, inc', '8 → 10'],
    [8, 'ch 1, turn, inc in first st, sc to end', '8 → 9'],
    [8, 'ch 1, turn, inc, sc to end', '8 → 9'],
    [8, 'ch 1, turn, sc to last st, inc', '8 → 9'],
    [8, 'ch 1, turn, sc 7, inc', '8 → 9'],
    [8, 'ch 1, turn, (sc 3, inc) twice', '8 → 10'],
    [8, 'ch 1, turn, (sc, inc) across', '8 → 12'],
    [8, 'ch 1, turn, 3 sc in first st, sc 6, 3 sc in last st', '8 → 12'],
    [8, 'ch 1, inc in each st across', '8 → 16'],
  ],
  'rows that shrink': [
    [8, 'ch 1, turn, dec, sc 4, dec', '8 → 6'],
    [8, 'ch 1, turn, sc2tog, sc 4, sc2tog', '8 → 6'],
    [8, 'ch 1, turn, sc2tog, sc to last 2 sts, sc2tog', '8 → 6'],
    [8, 'ch 1, turn, dec, sc across to last 2 sts, dec', '8 → 6'],
    [8, 'ch 1, turn, sc first 2 sts together, sc to last 2 sts, sc last 2 sts together', '8 → 6'],
    [8, 'ch 1, turn, dec, sc across', '8 → 7'],
    [8, 'ch 1, turn, skip first st, sc across', '8 → 7'],
    [8, 'ch 1, turn, sc to last 2 sts, dec', '8 → 7'],
    [8, 'ch 1, turn, dec across', '8 → 4'],
    [8, 'ch 1, turn, dec 4 times', '8 → 4'],
    [8, 'ch 1, turn, sc3tog, sc 2, sc3tog', '8 → 4'],
    [8, 'ch 1, turn, sc 6, leave 2 sts unworked', '6 → 6'],
    [8, 'ch 1, turn, sc 6, leave the remaining sts unworked', '6 → 6'],
    [8, 'sl st in first 2 sts, sc 4, leave last 2 sts', '6 → 6'],
  ],
  'more than one kind': [
    [8, 'ch 1, turn, sc 4, hdc 4', '8 → 8'],
    [8, 'ch 1, turn, sc 2, hdc 2, dc 2, tr 2', '8 → 8'],
    [8, 'ch 1, turn, sl st, sc, hdc, dc 2, hdc, sc, sl st', '8 → 8'],
    [8, 'ch 1, (sc, dc) across', '8 → 8'],
    [8, 'ch 1, sc, *ch 3, skip 1, sc; rep from * twice, sc', '8 → 14'],
    [8, 'ch 1, (sc in next st, ch 2, skip next st) 4 times', '8 → 12'],
    [8, 'ch 1, sc, bobble, sc 4, bobble, sc', '8 → 8'],
    [8, '(skip 1 st, 5 dc in next st, skip 1 st, sl st in next st) twice', '8 → 12'],
    [8, 'ch 1, sc 3, (sc, ch 3, sc) in next st, sc 4', '8 → 9'],
    [8, 'ch 1, sc 8, do not turn', '8 → 8'],
  ],
};

const UK: Readonly<Record<string, readonly Row[]>> = {
  'in UK terms': [
    [8, '1 ch, turn, 1 dc in each st to end', '8 → 8'],
    [8, '1 ch, 1 dc in each dc to end, turn', '8 → 8'],
    [8, 'turn, 1 ch, dc 8', '8 → 8'],
    [8, '2 ch, turn, 1 htr in each st', '8 → 8'],
    [8, '3 ch (counts as 1 tr), miss first st, 1 tr in each st to end', '8 → 8'],
    [8, '1 ch, turn, 2 dc in first st, dc to last st, 2 dc in last st', '8 → 10'],
    [8, '1 ch, turn, dc2tog, dc to last 2 sts, dc2tog', '8 → 6'],
    [8, '1 ch, turn, dc2tog across', '8 → 4'],
    [8, '1 ch, turn, miss 1 st, dc to end', '8 → 7'],
    [8, '1 ch, turn, dc 6, leave remaining 2 sts unworked', '6 → 6'],
    [8, '1 ch, turn, *1 dc, 2 dc in next st; rep from * to end', '8 → 12'],
    [8, '1 ch, turn, (3 dc, 2 dc in next st) twice', '8 → 10'],
    [8, '1 ch, turn, 1 ss, 1 dc, 1 htr, 2 tr, 1 htr, 1 dc, 1 ss', '8 → 8'],
  ],
};

describe.each(Object.entries(US))('%s', (_, rows) => {
  it.each(rows)('on %i: %s', (edge, words, figures) => {
    expect(on(edge, words, 'US')).toBe(figures);
  });
});

describe.each(Object.entries(UK))('%s', (_, rows) => {
  it.each(rows)('on %i: %s', (edge, words, figures) => {
    expect(on(edge, words, 'UK')).toBe(figures);
  });
});

/** The counts that the rows of a piece leave. */
function counts(...lines: string[]): (number | null)[] {
  const text = `US terms\n\nFLAP\n${lines.map((line, i) => (/^Rows? /.test(line) ? line : `Row ${i + 1}: ${line}`)).join('\n')}\nFasten off.\n`;
  return countPattern(readPattern(text)).rounds.map(({ outcome }) => outcome.made);
}

describe('rows one on the other', () => {
  it('make a triangle, up and down', () => {
    expect(
      counts(
        'ch 2, sc in 2nd ch from hook',
        'ch 1, turn, 3 sc in next st',
        'ch 1, turn, inc, sc to last st, inc',
        'ch 1, turn, inc, sc to last st, inc',
        'ch 1, turn, sc across',
        'ch 1, turn, dec, sc to last 2 sts, dec',
        'ch 1, turn, dec, sc to last 2 sts, dec',
        'ch 1, turn, sc3tog',
      ),
    ).toEqual([1, 3, 5, 7, 7, 5, 3, 1]);
  });

  it('make a heart’s half', () => {
    expect(
      counts(
        'ch 9, sc in 2nd ch from hook and in each ch across',
        'ch 1, turn, sc 8',
        'Rows 3-5: ch 1, turn, sc across',
        'Row 6: ch 1, turn, sc 4, leave the rest unworked',
        'Row 7: ch 1, turn, dec, dec',
      ),
    ).toEqual([8, 8, 8, 4, 2]);
  });

  it('may each take one away', () => {
    expect(
      counts('ch 7, sc in 2nd ch from hook, sc 5', 'Rows 2-5: ch 1, turn, dec, sc to end', 'Row 6: ch 1, turn, dec'),
    ).toEqual([6, 2, 1]);
  });

  it('may be told by one of them', () => {
    expect(
      counts('ch 7, sc in 2nd ch from hook, sc 5', 'ch 1, turn, sc 6', 'Rows 3-10: repeat row 2', 'Row 11: dec across'),
    ).toEqual([6, 6, 6, 3]);
  });
});
