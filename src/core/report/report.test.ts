import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, checkText, fixedReport, markedLines, markedText, reportSchema } from '../index.js';
import { reportText } from './text.js';

const HEAD = 'US terms\n\nBALL (make 2)\n';
const BALL = `${HEAD}Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: sc around\nRnd 4: (sc 1, dec) x 4 (9)\nRnd 5: (sc 1, inc x 4 (9)\n`;
const roundsOf = (text: string) => checkText(text, 'ball.txt').parts.flatMap(({ rounds }) => rounds);

describe('a report', () => {
  it('says for each round where it stands, what it uses and makes, and what comes of that', () => {
    const { rounds, ...part } = checkText(BALL, 'ball.txt').parts[0] ?? { rounds: [] };
    expect(part).toEqual({ name: 'Ball', make: 2, line: 3 });
    expect(rounds.map(({ key: _key, why: _why, ...round }) => round)).toEqual([
      {
        label: 'Rnd 1',
        from: 1,
        to: 1,
        kind: 'round',
        line: 4,
        column: 1,
        endLine: 4,
        edge: null,
        into: null,
        made: 6,
        stated: 6,
        verdict: 'agrees',
        doubt: 'none',
      },
      {
        label: 'Rnd 2',
        from: 2,
        to: 2,
        kind: 'round',
        line: 5,
        column: 1,
        endLine: 5,
        edge: 6,
        into: 6,
        made: 12,
        stated: 12,
        verdict: 'agrees',
        doubt: 'none',
      },
      {
        label: 'Rnd 3',
        from: 3,
        to: 3,
        kind: 'round',
        line: 6,
        column: 1,
        endLine: 6,
        edge: 12,
        into: 12,
        made: 12,
        stated: null,
        verdict: 'counted',
        doubt: 'none',
      },
      {
        label: 'Rnd 4',
        from: 4,
        to: 4,
        kind: 'round',
        line: 7,
        column: 1,
        endLine: 7,
        edge: 12,
        into: 12,
        made: 8,
        stated: 9,
        verdict: 'off',
        doubt: 'none',
      },
      expect.objectContaining({ label: 'Rnd 5', line: 8, stated: 9, verdict: 'unreadable' }),
    ]);
  });

  it('says what was declared, what was found, and how much was read', () => {
    const { schema, file, terms, coverage } = checkText(BALL, 'ball.txt');
    expect({ schema, file, terms, coverage }).toEqual({
      schema: 'dostik.check/1',
      file: 'ball.txt',
      terms: { declared: 'us', detected: 'us', confidence: 1 },
      coverage: { instructionLines: 5, read: 4 },
    });
  });

  it('places a finding by line and column, from 1, the end exclusive', () => {
    const [finding] = checkText(`${HEAD}Rnd 1: 6 sc in MR (7)\n`, '').findings;
    expect(finding).toMatchObject({
      rule: 'count/stated',
      line: 4,
      column: 19,
      endLine: 4,
      endColumn: 22,
      round: 'Rnd 1',
      part: 'Ball',
    });
  });

  it('is what its schema says, whatever the text is', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300, unit: 'binary' }), (text) => {
        expect(reportSchema.parse(JSON.parse(JSON.stringify(checkText(text, ''))))).toBeDefined();
      }),
      { numRuns: 60 },
    );
  });
});

describe('the key of a round', () => {
  const keys = (text: string) => roundsOf(text).map(({ key }) => key);

  it('stays where lines come before it, and changes with its words, its part and what it rests on', () => {
    const before = keys(BALL);
    expect(new Set(before).size).toBe(before.length);
    expect(keys(`A note.\n\n${BALL}`)).toEqual(before);
    expect(keys(BALL.replace('Rnd 3: sc', 'Rnd 3: hdc'))[2]).not.toBe(before[2]);
    expect(keys(BALL.replace('BALL', 'PALL'))[0]).not.toBe(before[0]);
    // The round below another count is another round.
    expect(keys(BALL.replace('6 sc in MR (6)', '7 sc in MR (7)'))[1]).not.toBe(before[1]);
  });

  it('is told apart from another in the same words', () => {
    const twice = keys(`${HEAD}Rnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nRnd 2: sc around (6)\n`);
    expect(new Set(twice).size).toBe(3);
  });
});

describe('the key of a finding', () => {
  const keys = (text: string) => checkText(text, '').findings.map(({ key }) => key);

  it('stays where lines come before it, and changes with its own line', () => {
    const wrong = `${HEAD}Rnd 1: 6 sc in MR (7)\nRnd 2: sc around (7)\n`;
    const before = keys(wrong);
    expect(before.length).toBeGreaterThan(0);
    expect(keys(`A note.\n\n${wrong}`)).toEqual(before);
    expect(keys(wrong.replace('6 sc', '5 sc'))[0]).not.toBe(before[0]);
  });
});

describe('the sums in the margin', () => {
  it.each([
    ['Rnd 2: inc x 6 (12)', '6/6 → 12 (+6)', '='],
    ['Rnd 2: sc around', '6/6 → 6', '·'],
    ['Rnd 2: inc x 6 (13)', '6/6 → 12 (+6), states 13', '≠'],
    ['Rnd 2: dec x 3 (3)', '6/6 → 3 (−3)', '='],
    ['Rnd 2: inc x 5 (10)', '5/6 → 10 (+4)', '≠'],
    ['Rnd 2: (sc 1, inc x 3 (6)', '–/6 → –, states 6', '?'],
  ])('%s', (line, words, sign) => {
    const text = `${HEAD}Rnd 1: 6 sc in MR (6)\n${line}\nFasten off.\n`;
    const report = checkText(text, '');
    const marked = markedLines(text, report);
    expect(marked[4]).toMatchObject({ text: line, sums: [{ words }] });
    expect(marked[5]?.sums).toEqual([]);
    const [row] = markedText(text, report).split('\n').slice(4);
    expect(row).toMatch(new RegExp(`^\\${sign} ${words.replace(/[.()+]/g, '\\$&')} *\\| `));
  });

  it('stand in one column, and a line of two rounds has two of them', () => {
    const text = `${HEAD}Rnd 1: 6 sc in MR (6). Rnd 2: inc x 6 (12).\n`;
    const rows = markedText(text, checkText(text, '')).split('\n');
    expect(new Set(rows.map((row) => row.indexOf('|'))).size).toBe(1);
    expect(rows.filter((row) => row.startsWith('='))).toHaveLength(2);
    expect(rows.filter((row) => row.includes('Rnd 1:'))).toHaveLength(1);
  });
});

describe('the report as text', () => {
  const textOf = (text: string, explained = false) => {
    const { report, account } = checkPattern(text, 'ball.txt');
    return reportText(report, explained ? account : undefined);
  };

  it('begins with the file and what it comes to, and has each round with its figures', () => {
    expect(textOf(BALL).split('\n').slice(0, 9)).toEqual([
      'ball.txt',
      '  terms: US (as declared); 5 instructions in 1 parts, 1 off; read to the last word: 4 of 5',
      '',
      '  Ball (make 2)',
      '    = Rnd 1       –/– →    6 stated 6',
      '    = Rnd 2       6/6 →   12 stated 12',
      '    · Rnd 3     12/12 →   12',
      '    ≠ Rnd 4     12/12 →    8 stated 9',
      expect.stringMatching(/^ {4}\? Rnd 5 .*stated 9$/),
    ]);
  });

  it.each([
    ['Rnd 1: 6 sc in MR (6)\n', 'US (not declared)'],
    ['UK terms\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\n', '(declared UK)'],
    ['A letter.\n', 'unclear (not declared)'],
  ])('says of %j: %s', (text, terms) => {
    expect(textOf(text).split('\n')[1]).toContain(terms);
  });

  it('tells each round in plain words where that is asked for', () => {
    expect(textOf(BALL)).not.toContain('uses all 6, makes 12.');
    expect(textOf(BALL, true)).toContain(
      '        2 single crochet in each of the next 6 stitches: uses all 6, makes 12.',
    );
  });

  it('ends with the findings and what mends each, or says that there are none', () => {
    const wrong = fixedReport(checkPattern(`${HEAD}Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (13)\n`, 'x'));
    const lines = reportText(wrong).trimEnd().split('\n');
    expect(lines.find((line) => line.includes('count/stated'))).toMatch(
      /^ {2}5:\d+ {2}error {2}count\/stated {2}States 13/,
    );
    expect(lines).toContainEqual(expect.stringMatching(/^ {6}→ State 12 instead of 13/));
    expect(textOf('US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nFasten off.\n')).toContain('  Nothing found.');
    expect(textOf('A letter.\n')).toContain(
      'No rounds were found. A line such as "Rnd 3: (sc 1, inc) x 6 (18)" is read as one.',
    );
  });
});
