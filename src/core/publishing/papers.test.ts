import { describe, expect, it } from 'vitest';
import { checkPattern } from '../index.js';
import { compareTexts } from '../onRequest.js';
import { errataOf, erratumWords, type Erratum } from './errata.js';
import { certificateOf, recordOf, type Recorded } from './record.js';
import { asText } from './text.js';
import { comesAfter, nextVersion, since } from './version.js';

const BALL =
  'BALL\nUS terms\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: dec until it is closed\nFasten off.\n';
const signed = { version: '1.1', who: 'Oda', day: '2026-03-04' };

function recorded(text: string, more: Partial<Recorded> = {}): Recorded {
  const checked = checkPattern(text, '');
  return {
    name: 'Ball',
    signed,
    report: checked.report,
    sentences: checked.sentences(),
    aside: new Map(),
    trusted: new Map(),
    queries: [],
    rules: {},
    ...more,
  };
}

describe('the report of the checking', () => {
  it('tells each round with its sum, how it comes about, and what it is worth', () => {
    const words = asText(recordOf(recorded(BALL)));
    expect(words).toContain('Version 1.1, signed by Oda on 2026-03-04.');
    expect(words).toMatch(/Rnd 2 {2}uses 6 of 6, makes 12, states 12 {2}.+ {2}agrees/);
    expect(words).toContain('Rnd 3');
    expect(words).toContain('Checks that were run');
  });

  it('tells what was found, and how it was settled', () => {
    const off = BALL.replace('(12)', '(13)');
    const finding = checkPattern(off, '').report.findings.find(({ rule }) => rule === 'count/stated');
    expect(asText(recordOf(recorded(off)))).toContain('It stands.');
    const aside = new Map([[finding?.key ?? '', 'the designer says so']]);
    expect(asText(recordOf(recorded(off, { aside })))).toContain('Put aside: the designer says so');
    const query = { number: 4, where: 'Ball, Rnd 2', text: '12 or 13?', answer: '12.', state: 'settled' };
    expect(asText(recordOf(recorded(BALL, { queries: [query] })))).toContain(
      '4. Ball, Rnd 2: 12 or 13? Answer: 12. (settled)',
    );
  });

  it('tells what is taken on trust, which checks were switched off, and that nobody has signed', () => {
    const key = checkPattern(BALL, '').report.parts[0]?.rounds[2]?.key ?? '';
    const words = asText(
      recordOf(
        recorded(BALL, { signed: null, trusted: new Map([[key, 'by feel']]), rules: { 'shape/stacked': 'off' } }),
      ),
    );
    expect(words).toContain('Taken on trust: by feel');
    expect(words).toContain('1 not counted, 1 of them taken on trust');
    expect(words).toMatch(/Checks that were switched off\n\n- shape\/stacked/);
    expect(words).toContain('This text has not been signed.');
  });
  it('is the same to the word for the same text', () => {
    const otter =
      'OTTER\nUS terms\n\nBODY\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 5 (18)\nRnd 4: sc around\nFasten off, leaving a tail.\n\nPAW (make 2)\nRnd 1: 5 sc in MR (5)\nRnd 2: dec until closed\nFasten off and sew on.\n';
    const query = { number: 1, where: 'Paw, Rnd 2', text: 'How often?', answer: '', state: 'open' };
    const words = asText(recordOf(recorded(otter, { name: 'Otter', queries: [query] })));
    expect(words.slice(0, words.indexOf('\n\nChecks that were run')).split('\n')).toEqual([
      'Otter',
      '=====',
      '',
      'Version 1.1, signed by Oda on 2026-03-04.',
      '',
      'In figures',
      '',
      '- 6 rounds and rows in 2 parts, each recounted from the one before',
      '- 3 agree with the count that is stated, 1 state none and were counted',
      '- 1 off',
      '- 1 not counted, 0 of them taken on trust with a reason',
      '- Terms: US, as the text says',
      '',
      'Body',
      '',
      'Rnd 1  makes 6, states 6  6 single crochet in the ring: makes 6.  agrees',
      'Rnd 2  uses 6 of 6, makes 12, states 12  2 single crochet in each of the next 6 stitches: uses all 6, makes 12.  agrees',
      'Rnd 3  uses 10 of 12, makes 15, states 18  1 single crochet, then 2 in the next stitch; do this 5 times: uses 10 of 12, makes 15.  off',
      'Rnd 4  uses 18 of 18, makes 18  18 single crochet: uses all 18, makes 18.  counted; none is stated',
      '',
      'Paw (make 2)',
      '',
      'Rnd 1  makes 5, states 5  5 single crochet in the ring: makes 5.  agrees',
      "Rnd 2  makes –  How many stitches that leaves can't be told from the text.  on trust",
      '',
      'What was found',
      '',
      '- error count/under, Body, Rnd 3, line 7: Uses 10 of 12 stitches: 2 are left unworked. It makes 15 where 18 is stated. It stands.',
      "- warning count/open-ended, Paw, Rnd 2, line 13: No number and no target: this can't be counted. There are 5 stitches to begin with. Say how often, and how many are left. It stands.",
      '',
      'What was asked',
      '',
      '- 1. Paw, Rnd 2: How often? (open)',
    ]);
  });
});

it('a certificate has no word of the pattern, and the prints by which its texts are known', () => {
  const { report } = checkPattern(BALL, '');
  const texts = [{ name: 'US terms', hash: 'aa' }];
  const words = asText(certificateOf({ name: 'Ball', signed, report, fingerprint: 'ff00', texts }));
  expect(words).toContain('All 3 rounds and rows');
  expect(words).toContain('1 of them gives no count');
  expect(words).toContain('ff00');
  expect(words).toContain('US terms  aa');
  expect(words).not.toMatch(/MR|inc x/);
  expect(words).toContain('nothing of whether the toy is safe');
});

const erratum: Erratum = {
  number: 1,
  version: '1.0',
  part: 'Body',
  round: 'Rnd 18',
  wrong: 'Rnd 18: (4 sc, dec) x 6',
  right: 'Rnd 18: (3 sc, dec) x 6',
  count: 24,
  note: '',
  takenIn: '',
};

describe('errata', () => {
  it.each([
    [{}, 'Body, Rnd 18: for “(4 sc, dec) x 6” read “(3 sc, dec) x 6”; 24 sts.'],
    [{ count: 1 }, 'Body, Rnd 18: for “(4 sc, dec) x 6” read “(3 sc, dec) x 6”; 1 st.'],
    [
      { part: '', round: '', count: null, wrong: 'Sew it at Rnd 18.', right: 'Sew it at Rnd 20.' },
      'For “Sew it at Rnd 18.” read “Sew it at Rnd 20.”',
    ],
    [
      { round: '', count: null, right: 'Use 4 mm', wrong: 'Use 3 mm', note: 'Sorry!' },
      'Body: for “Use 3 mm” read “Use 4 mm”. Sorry!',
    ],
  ])('%j', (change, words) => {
    expect(erratumWords({ ...erratum, ...change })).toBe(words);
  });

  it('are listed by version, the last first, with the one that is right', () => {
    const later = { ...erratum, number: 2, version: '1.1', round: 'Rnd 3' };
    const { blocks, language } = errataOf('Ball', 'uk', [{ ...erratum, takenIn: '1.1' }, later]);
    expect(language).toBe('en-GB');
    expect(blocks.map((block) => ('text' in block ? block.text : ''))).toEqual([
      'Ball: errata',
      'Version 1.1',
      expect.stringContaining('Rnd 3'),
      'Version 1.0',
      expect.stringMatching(/Right since version 1\.1\.$/),
    ]);
    expect(errataOf('Ball', 'us', []).blocks).toContainEqual({ kind: 'paragraph', text: 'None is known.' });
  });
});

describe('the number of the next version', () => {
  const changed = (after: string) => since(BALL, after, compareTexts({ text: BALL }, { text: after }));

  it.each([
    [BALL, 'nothing'],
    [BALL.replace('Fasten off.', 'Fasten off and hide the end.'), 'words'],
    [BALL.replace('inc x 6', '2 sc in each st'), 'words'],
    [BALL.replace('inc x 6 (12)', '(sc 1, inc) x 3 (9)'), 'stitches'],
    [`${BALL}\nEAR\nRnd 1: 5 sc in MR (5)\n`, 'stitches'],
  ])('is told by what has changed (%#)', (after, what) => {
    expect(changed(after)).toBe(what);
  });

  it.each([
    [null, 'stitches', '1.0'],
    ['1.0', 'words', '1.1'],
    ['1.9', 'words', '1.10'],
    ['1.4', 'stitches', '2.0'],
  ] as const)('%s with other %s is %s', (last, what, next) => {
    expect(nextVersion(last, what)).toBe(next);
  });

  it.each([
    ['1.1', '1.0', true],
    ['2.0', '1.9', true],
    ['1.10', '1.9', true],
    ['1.0', '1.0', false],
    ['1.9', '2.0', false],
  ])('%s comes after %s: %s', (version, last, after) => {
    expect(comesAfter(version, last)).toBe(after);
  });
});
