import { describe, expect, it } from 'vitest';
import { decide } from '../deciding/decide.js';
import { check, RULES } from './registry.js';

const run = (text: string) => check(decide(text));

describe.each(RULES.map((rule) => [rule.id, rule] as const))('%s', (id, rule) => {
  it('finds its failing example, with the figures', () => {
    const found = run(rule.failing.text).filter((finding) => finding.rule.id === id);
    expect(found).not.toEqual([]);
    for (const words of rule.failing.says) expect(found.map(({ message }) => message).join('\n')).toContain(words);
  });

  it('finds nothing in its passing example, nor does any other rule', () => {
    expect(run(rule.passing).map((finding) => `${finding.rule.id}: ${finding.message}`)).toEqual([]);
  });
});

describe('a rule that is set otherwise', () => {
  const text = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nFasten off.\n';
  const counted = decide(text);

  it('is taken as it is set', () => {
    const severities = (settings: Parameters<typeof check>[1]) =>
      check(counted, settings)
        .filter(({ rule }) => rule.id === 'count/stated')
        .map(({ severity, rule }) => severity ?? rule.severity);
    expect(severities({})).toEqual(['error']);
    expect(severities({ 'count/stated': 'hint' })).toEqual(['hint']);
    expect(severities({ 'count/stated': 'off' })).toEqual([]);
  });
});
