import { describe, expect, it } from 'vitest';
import { checkPattern, fixedReport, type Report } from '../src/core/index.js';
import { apply } from './apply.js';
import { mutate } from './mutate.js';

const errors = (report: Report) => report.findings.filter(({ severity }) => severity === 'error');

describe('fixes for slips planted in clean patterns', () => {
  const planted = mutate(160, 7).filter(({ fate }) => fate === 'named');

  it('remove the error that they are offered for, and never add another', () => {
    for (const { text } of planted) {
      const report = fixedReport(checkPattern(text, 'x'));
      for (const finding of errors(report)) {
        for (const fix of finding.fixes) {
          const after = errors(checkPattern(apply(text, fix), 'x').report);
          const still = after.some(({ rule, line }) => rule === finding.rule && line === finding.line);
          expect({ fix: fix.title, still, more: after.length >= errors(report).length }).toEqual({
            fix: fix.title,
            still: false,
            more: false,
          });
        }
      }
    }
  });

  it('have the text as it was first in four of five cases, and among the first four nearly always', () => {
    const countable = planted.filter(({ text }) =>
      errors(checkPattern(text, 'x').report).some(({ rule }) => rule.startsWith('count/')),
    );
    const places = countable.map(({ text, whole }) => {
      const fixes = errors(fixedReport(checkPattern(text, 'x'))).flatMap((finding) => finding.fixes);
      return fixes.findIndex((fix) => apply(text, fix) === whole);
    });
    const share = (test: (place: number) => boolean) => places.filter(test).length / places.length;
    expect(countable.length).toBeGreaterThan(80);
    expect(share((place) => place === 0)).toBeGreaterThan(0.9);
    expect(share((place) => place >= 0 && place < 4)).toBeGreaterThan(0.94);
  });
});
