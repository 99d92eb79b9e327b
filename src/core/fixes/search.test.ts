import { describe, expect, it } from 'vitest';
import { checkPattern, fixedReport, searchIn, type Report } from '../index.js';

/** Three parts, each with a count that is off by one. */
const TEXT = ['BALL', 'CONE', 'CUP']
  .map(
    (name, i) => `${name}\nRnd 1: ${6 + i} sc in MR (${7 + i})\nRnd 2: inc x ${6 + i} (${12 + 2 * i})\nFasten off.\n`,
  )
  .join('\n');

const withFixes = ({ findings }: Report): string[] =>
  findings
    .filter(({ fixes, rule }) => fixes.length > 0 && rule.startsWith('count/'))
    .map(({ line }) => TEXT.split('\n')[line - 1] ?? '');

describe('the search for fixes', () => {
  it.each(['BALL', 'CONE', 'CUP'])('has those nearest to the caret first, in %s', (name) => {
    const caret = TEXT.indexOf('sc in MR', TEXT.indexOf(name));
    const found: string[][] = [];
    for (const report of searchIn(checkPattern(TEXT, ''), caret)) if (report) found.push(withFixes(report));
    expect(found).toHaveLength(1);
    expect(new Set(found[0])).toEqual(
      new Set([TEXT.slice(TEXT.lastIndexOf('\n', caret) + 1, TEXT.indexOf('\n', caret))]),
    );
  });

  it('comes to the same as all at once, wherever it begins', () => {
    const checked = checkPattern(TEXT, '');
    for (const near of [0, TEXT.indexOf('CONE'), TEXT.length, TEXT.length * 2]) {
      const steps = searchIn(checked, near);
      let step = steps.next();
      while (!step.done) step = steps.next();
      expect(step.value).toEqual(fixedReport(checked));
    }
  });

  it('has what words must be read again for, where nothing is wrong', () => {
    const rounds = [3, 4, 5].map((n) => `Rnd ${n}: (sc ${n - 2}, inc) x 6 (${6 * n})`).join('\n');
    const stacked = checkPattern(
      `US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n${rounds}\nFasten off.\n`,
      '',
    );
    const fixesIn = ({ findings }: Report) => findings.map(({ rule, fixes }) => [rule, fixes.length]);
    expect(fixesIn(stacked.report)).toEqual([['shape/stacked', 0]]);
    expect(fixesIn(fixedReport(stacked))).toEqual([['shape/stacked', 1]]);
  });

  it('ends with the report that is there where there is nothing to search', () => {
    const text = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nFasten off.\n';
    const checked = checkPattern(text, '');
    expect(fixedReport(checked)).toBe(checked.report);
  });

  it('pauses often, also in one long round', () => {
    const long = `BALL\nUS terms\nRnd 1: 6 sc in MR (6)\nRnd 2: ${'sc, inc, '.repeat(40)}sc (99)\nFasten off.\n`;
    let pauses = 0;
    for (const _ of searchIn(checkPattern(long, ''), 0)) pauses += 1;
    expect(pauses).toBeGreaterThan(30);
  });
});
