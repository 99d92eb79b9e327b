import { describe, expect, it } from 'vitest';
import { checkPattern } from '../index.js';

const TEXT =
  'Ball\nUS terms\n\nSHELL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 5: (sc 2, inc) x 6 (24)\nSew on the eyes.\n';
const checked = checkPattern(TEXT, '');
const words = (at: { from: number; to: number } | null) => (at ? TEXT.slice(at.from, at.to) : null);

describe('a query on a finding', () => {
  const on = (rule: string) => {
    const finding = checked.report.findings.find((one) => one.rule === rule);
    return finding ? checked.query(finding.key) : null;
  };

  it('holds what the text says, the round laid open, and the line as it would come out', () => {
    const query = on('count/stated');
    expect(query).toMatchObject({ scope: 'round', round: 'Rnd 2', proposal: 'Rnd 2: inc x 6 (12)' });
    expect(words(query?.at ?? null)).toBe('Rnd 2: inc x 6 (13)');
    expect(query?.part.toLowerCase()).toBe('shell');
    const [says, open, asks] = query?.text.split('\n') ?? [];
    expect(says).toContain('13');
    expect(open).toMatch(/^Worked out: .*uses all 6, makes 12\.$/);
    expect(asks).toBe('Is this what is meant?');
  });

  it('leaves the sums away where they are not in doubt', () => {
    const query = on('frame/gap');
    expect(query?.round).toBe('Rnd 5');
    expect(query?.text).not.toContain('Worked out');
  });

  it('is nothing where there is no such finding', () => {
    expect(checked.query('nothing')).toBeNull();
  });
});

describe('a query in words of one’s own', () => {
  const at = (found: string, length = 0) => checked.queryAt(TEXT.indexOf(found), TEXT.indexOf(found) + length);

  it.each([
    [
      'a round, with its sums below the question',
      at('Rnd 3'),
      'round',
      'Rnd 3: (sc 1, inc) x 6 (18)',
      /^\nWorked out: /,
    ],
    ['some words', at('inc) x 6 (18)', 3), 'words', 'inc', /^$/],
    ['a part, at its heading', at('SHELL'), 'part', 'SHELL', /^$/],
    ['any other line', at('Sew on'), 'words', 'Sew on the eyes.', /^$/],
  ] as const)('is about %s', (_, query, scope, about, text) => {
    expect(query.scope).toBe(scope);
    expect(words(query.at)).toBe(about);
    expect(query.text).toMatch(text);
    expect(query.proposal).toBe('');
  });
});
