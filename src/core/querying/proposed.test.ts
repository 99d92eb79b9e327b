import { describe, expect, it } from 'vitest';
import { checkPattern, fixedReport } from '../index.js';
import { queryIn } from '../onRequest.js';

const TEXT =
  'Ball\nUS terms\n\nSHELL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 5: (sc 2, inc) x 6 (24)\nSew on the eyes.\n';
const checked = checkPattern(TEXT, '');
const words = (at: { from: number; to: number } | null) => (at ? TEXT.slice(at.from, at.to) : null);

describe('a query on a finding', () => {
  const on = (rule: string) => {
    const finding = checked.report.findings.find((one) => one.rule === rule);
    return finding ? queryIn(TEXT, finding.key) : null;
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
    expect(queryIn(TEXT, 'nothing')).toBeNull();
  });
});

describe('a query in words of one’s own', () => {
  const at = (found: string, length = 0) =>
    queryIn(TEXT, { from: TEXT.indexOf(found), to: TEXT.indexOf(found) + length });

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
    expect(query?.scope).toBe(scope);
    expect(words(query?.at ?? null)).toBe(about);
    expect(query?.text).toMatch(text);
    expect(query?.proposal).toBe('');
  });
});

describe('a query on each kind of finding', () => {
  const shell =
    'Ball\nUS terms\n\nMaterials\nHook: 3.5 mm (G/6)\n\nSHELL\nRnd 1: 6 sc in MR (6). Rnd 2: inc x 6 (13)\nRnd 3: (sc 1, inc) x 6 (18)\nRnds 4-5: flurble around (18)\nRnd 6: (sc 2, inc x 6 (24)\nRnd 7: htr around (24)\nRnd 9: sc 20 (24)\nFasten off.\n\nLID\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
  const all = checkPattern(shell, '');

  it.each([
    [
      'materials/hook-size',
      'words',
      'Hook: 3.5 mm (G/6)',
      '',
      '',
      '3.5 mm is E/4; G/6 is 4.0 mm.\nIs this what is meant?',
      'Hook: 3.5 mm (E/4)',
    ],
    [
      'count/stated',
      'round',
      'Rnd 2: inc x 6 (13)',
      'Shell',
      'Rnd 2',
      'States 13; the instruction uses all 6 and makes 12. With Rnd 3 it goes on from 12, so it is the stated count that is wrong.\nWorked out: 2 single crochet in each of the next 6 stitches: uses all 6, makes 12.\nIs this what is meant?',
      'Rnd 2: inc x 6 (12)',
    ],
    [
      'notation/bracket',
      'round',
      'Rnd 6: (sc 2, inc x 6 (24)',
      'Shell',
      'Rnd 6',
      '"(" is opened and never closed, so it can\'t be told what is repeated.\nWorked out: not counted, because its brackets or stars do not close.\nIs this what is meant?',
      'Rnd 6: (sc 2, inc) x 6 (24)',
    ],
    [
      'terms/mixed',
      'round',
      'Rnd 7: htr around (24)',
      'Shell',
      'Rnd 7',
      '"htr" is a UK term in a US pattern; in US terms that is hdc.\nIs this what is meant?',
      'Rnd 7: hdc around (24)',
    ],
    [
      'frame/gap',
      'round',
      'Rnd 9: sc 20 (24)',
      'Shell',
      'Rnd 9',
      'Rnd 9 follows Rnd 7: 8 is missing.\nWorked out: 20 single crochet: uses 20 of 24, makes 20.\nIs this what is meant?',
      'Rnd 8: sc 20 (24)',
    ],
    [
      'count/under',
      'round',
      'Rnd 9: sc 20 (24)',
      'Shell',
      'Rnd 9',
      'Uses 20 of 24 stitches: 4 are left unworked. It makes 20 where 24 is stated.\nWorked out: 20 single crochet: uses 20 of 24, makes 20.\nIs this what is meant?',
      'Rnd 9: sc 24 (24)',
    ],
  ])('%s', (rule, scope, about, part, round, text, proposal) => {
    const finding = fixedReport(all).findings.find((one) => one.rule === rule);
    const query = queryIn(shell, finding?.key ?? '');
    expect(query).toMatchObject({ scope, part, round, text, proposal });
    expect(shell.slice(query?.at?.from, query?.at?.to)).toBe(about);
  });
});
