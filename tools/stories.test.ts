import { describe, expect, it } from 'vitest';
import { checkPattern, checkText, fixedReport } from '../src/core/index.js';
import { apply } from './apply.js';

const HEAD = 'US terms\n\nBALL\n';

/** A fault on one line, and what the line before or after would have to say to carry it. */
const STORIES: readonly (readonly [string, string, string, string])[] = [
  [
    'the ring was to have another number',
    'Rnd 1: 7 sc in MR (7)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nFasten off.\n',
    'Rnd 1 carries it: 6 instead of 7. It makes 6. Rnd 2 then uses all 6 and makes 12, as stated.',
    'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, inc) x 6 (18)\nFasten off.\n',
  ],
  [
    'the round before was to make fewer',
    'Rnd 1: 6 sc in MR (6)\nRnd 2: 3 sc in each st around (18)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: sc around (18)\nFasten off.\n',
    'Rnd 2 carries it: 2 instead of 3. It uses all 6 and makes 12. Rnd 3 then uses all 12 and makes 18, as stated.',
    'Rnd 1: 6 sc in MR (6)\nRnd 2: 2 sc in each st around (12)\nRnd 3: (sc 1, inc) x 6 (18)\nRnd 4: sc around (18)\nFasten off.\n',
  ],
  [
    'the round itself, with its count',
    'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, dec) x 3 (6)\nRnd 4: sc around\nFasten off.\n',
    'Rnd 3 carries it: 2 instead of 1. It uses all 12 and makes 9.',
    'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 2, dec) x 3 (9)\nRnd 4: sc around\nFasten off.\n',
  ],
  [
    'the next round was to use what is really there',
    'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (14)\nRnd 3: (sc 6, inc) x 2 (16)\nRnd 4: sc around\nFasten off.\n',
    'Rnd 3 carries it: 5 instead of 6. Rnd 2 then states 12, and Rnd 3 uses all 12 and makes 14.',
    'Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 5, inc) x 2 (14)\nRnd 4: sc around\nFasten off.\n',
  ],
  [
    'the chain in the words before',
    'Ch 12.\nRow 1: sc in 2nd ch from hook and in next 9 ch, turn (10)\nRow 2: ch 1, sc 10, turn (10)\nFasten off.\n',
    'Chain 11 instead of 12 (makes 10)',
    'Ch 11.\nRow 1: sc in 2nd ch from hook and in next 9 ch, turn (10)\nRow 2: ch 1, sc 10, turn (10)\nFasten off.\n',
  ],
];

describe('a fault that another line could carry', () => {
  it.each(STORIES)('%s', (_, lines, title, mended) => {
    const text = HEAD + lines;
    const fixes = fixedReport(checkPattern(text, 'x')).findings.flatMap((finding) => finding.fixes);
    const fix = fixes.find((one) => one.title === title);
    expect(fixes.map((one) => one.title)).toContain(title);
    expect(fix && apply(text, fix)).toBe(HEAD + mended);
    expect(checkText(HEAD + mended, 'x').findings.filter(({ severity }) => severity === 'error')).toEqual([]);
  });

  it('is not told where the rounds after would no longer come out', () => {
    const text = `${HEAD}Rnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\nRnd 3: (sc 1, dec) x 3 (6)\nRnd 4: 6 sc (6)\nFasten off.\n`;
    const titles = fixedReport(checkPattern(text, 'x')).findings.flatMap((finding) =>
      finding.fixes.map((fix) => fix.title),
    );
    expect(titles.filter((title) => title.includes('makes 9'))).toEqual([]);
  });
});
