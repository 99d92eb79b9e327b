import { describe, expect, it } from 'vitest';
import { labelsIn } from './labels.js';
import { Lexicon } from './lexicon.js';

const US = new Lexicon('us', false);

/** The labels of a line: "text [numbers] kind series | what stands behind it". */
function labels(line: string, bare = true): string[] {
  return labelsIn(line, { from: 0, to: line.length }, { lexicon: US, bare }).map(
    ({ text, numbers, kind, series, next, bodyFrom, from, to }) => {
      expect([from, to]).toEqual([numbers[0] ?? 0, numbers.at(-1) ?? 0]);
      const which = next === undefined ? numbers.join(' ') : `+${next}`;
      return `${text} [${which}]${kind ? ` ${kind}` : ''}${series ? ` ${series}` : ''} | ${line.slice(bodyFrom).trim()}`;
    },
  );
}

describe('a word and a number', () => {
  it.each([
    ['Rnd 5: sc around', 'Rnd 5 [5] round | sc around'],
    ['rnd 5 sc around', 'rnd 5 [5] round | sc around'],
    ['RND 5. sc around', 'RND 5 [5] round | sc around'],
    ['Round 5 – sc around', 'Round 5 [5] round | sc around'],
    ['Rd.5: sc around', 'Rd.5 [5] round | sc around'],
    ['Rnd. 5: sc around', 'Rnd. 5 [5] round | sc around'],
    ['R5: sc around', 'R5 [5] | sc around'],
    ['r5) sc around', 'r5 [5] | sc around'],
    ['R 5 = sc around', 'R 5 [5] | sc around'],
    ['Row 5: sc across', 'Row 5 [5] row | sc across'],
    ['Rows 5–7: sc across', 'Rows 5–7 [5 6 7] row | sc across'],
    ['Rnd #5: sc around', 'Rnd #5 [5] round | sc around'],
    ['Round nr. 5: sc around', 'Round nr. 5 [5] round | sc around'],
    ['Round number 5: sc around', 'Round number 5 [5] round | sc around'],
    ['Round twelve: sc around', 'Round twelve [12] round | sc around'],
    ['Round twenty-one: sc around', 'Round twenty-one [21] round | sc around'],
    ['Rounds three to five: sc around', 'Rounds three to five [3 4 5] round | sc around'],
    ['Rnds 5-8: sc around', 'Rnds 5-8 [5 6 7 8] round | sc around'],
    ['Rnds 5 - 8: sc around', 'Rnds 5 - 8 [5 6 7 8] round | sc around'],
    ['Rnds 5..8: sc around', 'Rnds 5..8 [5 6 7 8] round | sc around'],
    ['Rnds 5…8: sc around', 'Rnds 5…8 [5 6 7 8] round | sc around'],
    ['Rnds 5~8: sc around', 'Rnds 5~8 [5 6 7 8] round | sc around'],
    ['Rnds 5→8: sc around', 'Rnds 5→8 [5 6 7 8] round | sc around'],
    ['Rnds 5 through 8: sc around', 'Rnds 5 through 8 [5 6 7 8] round | sc around'],
    ['Rnds 5 thru 8: sc around', 'Rnds 5 thru 8 [5 6 7 8] round | sc around'],
    ['R5 until R8: sc around', 'R5 until R8 [5 6 7 8] | sc around'],
    ['R5-R8: sc around', 'R5-R8 [5 6 7 8] | sc around'],
    ['R5 R6 R7: sc around', 'R5 R6 R7 [5 6 7] | sc around'],
    ['Rnds 5, 7, 9: sc around', 'Rnds 5, 7, 9 [5 7 9] round | sc around'],
    ['Rnds 5, 7 and 9: sc around', 'Rnds 5, 7 and 9 [5 7 9] round | sc around'],
    ['Rnds 5 & 6: sc around', 'Rnds 5 & 6 [5 6] round | sc around'],
    ['Rnds 5+6: sc around', 'Rnds 5+6 [5 6] round | sc around'],
    ['Rnds 5/6: sc around', 'Rnds 5/6 [5 6] round | sc around'],
    ['Rnds 5-7, 9: sc around', 'Rnds 5-7, 9 [5 6 7 9] round | sc around'],
    ['Rnd 11a: sc 6', 'Rnd 11a [11] round a | sc 6'],
    ['R11B: sc 6', 'R11B [11] b | sc 6'],
    ['Row 3 (RS): sc across', 'Row 3 [3] row | sc across'],
    ['Row 3 (wrong side): sc across', 'Row 3 [3] row | sc across'],
    ['Rnd 3 (inc): sc 1, inc', 'Rnd 3 [3] round | sc 1, inc'],
    ['Row 3 (dec row): sc across', 'Row 3 [3] row | sc across'],
    ['**Rnd 5:** sc around', 'Rnd 5 [5] round | sc around'],
    ['- Rnd 5: sc around', 'Rnd 5 [5] round | sc around'],
    ['• R5: sc around', 'R5 [5] | sc around'],
    ['> Rnd 5: sc around', 'Rnd 5 [5] round | sc around'],
    ['☐ Rnd 5: sc around', 'Rnd 5 [5] round | sc around'],
    ['(Rnd 5) sc around', 'Rnd 5 [5] round | sc around'],
    ['[R5] sc around', 'R5 [5] | sc around'],
    ['Rnd 5 is 6 dc in a ring', 'Rnd 5 [5] round | 6 dc in a ring'],
    ['Rnd 5, sc around', 'Rnd 5 [5] round | , sc around'],
    ['Rnd 5 / sc around', 'Rnd 5 [5] round | sc around'],
  ])('%s', (line, expected) => {
    expect(labels(line)).toEqual([expected]);
  });
});

describe('what is of the instruction and not of the label', () => {
  it.each([
    ['Rnd 1 - 6 sc in MR', 'Rnd 1 [1] round | 6 sc in MR'],
    ['R1-6 sc in MR', 'R1 [1] | -6 sc in MR'],
    ['Rnd 2 – 6 inc', 'Rnd 2 [2] round | 6 inc'],
    ['R10 - 6A', 'R10 [10] | 6A'],
    ['R10 ... 6 inc', 'R10 [10] | 6 inc'],
    ['Rnd 5, 6 sc in next 6', 'Rnd 5 [5] round | , 6 sc in next 6'],
  ])('%s', (line, expected) => {
    expect(labels(line)).toEqual([expected]);
  });
});

describe('an ordinal', () => {
  it.each([
    ['5th round: sc around', '5th round [5] round | sc around'],
    ['1st rnd - 6 sc', '1st rnd [1] round | 6 sc'],
    ['Third row: sc across', 'Third row [3] row | sc across'],
    ['2nd and 3rd rounds: sc around', '2nd and 3rd rounds [2 3] round | sc around'],
    ['6th - 10th rounds: sc around', '6th - 10th rounds [6 7 8 9 10] round | sc around'],
    ['6th to 8th R: sc around', '6th to 8th R [6 7 8] round | sc around'],
  ])('%s', (line, expected) => {
    expect(labels(line)).toEqual([expected]);
  });

  it('that nothing sets off is talk', () => {
    expect(labels('First round of the edging is hard.')).toEqual([]);
  });
});

describe('the number before its word', () => {
  it.each([
    ['3 row: sc across', '3 row [3] row | sc across'],
    ['5-8 rnd. sc around', '5-8 rnd [5 6 7 8] round | sc around'],
    ['3. round: sc around', '3. round [3] round | sc around'],
    ['3r: sc around', '3r [3] round | sc around'],
  ])('%s', (line, expected) => {
    expect(labels(line)).toEqual([expected]);
  });
});

describe('a number alone', () => {
  it.each([
    ['5. sc around', '5 [5] | sc around'],
    ['5) sc around', '5 [5] | sc around'],
    ['5: sc around', '5 [5] | sc around'],
    ['5 | sc around', '5 [5] | sc around'],
    ['5 – sc around', '5 [5] | sc around'],
    ['(5) sc around', '5 [5] | sc around'],
    ['5-8. sc around', '5-8 [5 6 7 8] | sc around'],
    ['5 to 8) sc around', '5 to 8 [5 6 7 8] | sc around'],
    ['11b. sc 6', '11b [11] b | sc 6'],
    ['5. With Moss, sc around', '5 [5] | With Moss, sc around'],
    ['6. for the wavy rim: sc 1, inc', '6 [6] | for the wavy rim: sc 1, inc'],
    ['05–08) 32 (32)', '05–08 [5 6 7 8] | 32 (32)'],
    ['① sc, inc', '① [1] | sc, inc'],
    ['③. sc around', '③. [3] | sc around'],
    ['⑤–⑨ sc around', '⑤–⑨ [5 6 7 8 9] | sc around'],
    ['L1: sc 6', 'L1 [1] l | sc 6'],
    ['E2-E4: sc 6', 'E2-E4 [2 3 4] e | sc 6'],
    ['E2-4: sc 6', 'E2-4 [2 3 4] e | sc 6'],
  ])('%s', (line, expected) => {
    expect(labels(line)).toEqual([expected]);
  });

  it.each([
    ['behind which no instruction stands', '5. Sew on the ears.'],
    ['that is a count', '(30)'],
    ['that falls', '8-5. sc around'],
    ['of something else', '2 balls of wool'],
    ['of circles that fall', '⑨–⑤ sc around'],
    ['of a letter that falls', 'E4-E2: sc 6'],
  ])('%s', (_, line) => {
    expect(labels(line)).toEqual([]);
  });

  it.each(['5. sc around', '(5) sc around', '③ sc around', '5 sc around'])(
    'is none in a list of materials: %s',
    (line) => {
      expect(labels(line, false)).toEqual([]);
    },
  );

  it('and spaces is one where the line above or below goes on', () => {
    const text = '9  dc 24\n10 (dc 6, dc2tog) x 3\n12 sc 6\n';
    const at = (line: string) => {
      const from = text.indexOf(line);
      return labelsIn(text, { from, to: from + line.length }, { lexicon: US, bare: true }).map(
        ({ numbers }) => numbers,
      );
    };
    expect(at('9  dc 24')).toEqual([[9]]);
    expect(at('10 (dc 6, dc2tog) x 3')).toEqual([[10]]);
    expect(at('12 sc 6')).toEqual([]);
  });
});

describe('a number between two that go on', () => {
  const at = (line: string, ...around: readonly [string, string]) => {
    const text = `${around[0]}\n${line}\n${around[1]}\n`;
    const from = around[0].length + 1;
    return labelsIn(text, { from, to: from + line.length }, { lexicon: US, bare: true }).map(({ numbers }) => numbers);
  };

  it.each([
    ['(3) qc | zip, six times [18]', '(2) sc in each [12]', '(4) sc around [18]', [[3]]],
    ['3. zip zip around', '2. sc around', '4. inc x 6', [[3]]],
    ['3-5) glorp', '2) sc around', '6) dec x 6', [[3, 4, 5]]],
    ['5: as it comes', '3-4: sc around', '6: dec x 6', [[5]]],
  ])('is a label whatever stands behind it: %s', (line, above, below, numbers) => {
    expect(at(line, above, below)).toEqual(numbers);
  });

  it.each([
    ['in a list of other things', '2. Sew on the arms.', '1. Pin the head.', '3. Cut the yarn.'],
    ['where no number goes before', '(3) qc around', 'BODY', '(4) sc around'],
    ['where no number goes on', '(3) qc around', '(2) sc around', 'Stuff.'],
    ['where another one does', '(3) qc around', '(2) sc around', '(5) sc around'],
    ['in another dress', '3. qc around', '(2) sc around', '(4) sc around'],
  ])('is none %s', (_, line, above, below) => {
    expect(at(line, above, below)).toEqual([]);
  });
});

describe('a label without a number', () => {
  it.each([
    ['Next round: sc around', 'Next round [+1] round | sc around'],
    ['Next 3 rnds: sc around', 'Next 3 rnds [+3] round | sc around'],
    ['The next two rows – sc across', 'The next two rows [+2] row | sc across'],
    ['Following round: sc around', 'Following round [+1] round | sc around'],
    ['next: sc around', 'next [+1] round | sc around'],
    ['next: inc, sc', 'next [+1] round | inc, sc'],
    ['First tile row: sc 6', 'First tile row [] row | sc 6'],
    ['Decrease round: sc2tog around', 'Decrease round [] round | sc2tog around'],
  ])('%s', (line, expected) => {
    expect(labels(line)).toEqual([expected]);
  });
});

describe('several in a line', () => {
  it('stand behind the end of a sentence or a bracket', () => {
    expect(labels('Rnd 5: sc around (6). Rnd 6: inc x 6 (12)')).toEqual([
      'Rnd 5 [5] round | sc around (6). Rnd 6: inc x 6 (12)',
      'Rnd 6 [6] round | inc x 6 (12)',
    ]);
    expect(labels('Oat. R5 - sc around; R6: inc')).toEqual(['R5 [5] | sc around; R6: inc', 'R6 [6] | inc']);
    expect(labels('R5: sc 6. Next round: inc')).toEqual([
      'R5 [5] | sc 6. Next round: inc',
      'Next round [+1] round | inc',
    ]);
  });

  it.each([
    'Rnd 5 has left the loops free.',
    'Rnd 5 should look like this.',
    'Rnds 9 and 10, 8 sts apart, is where the eyes go.',
    'Sew the arms. Rnd 5 and 6 are best.',
    'The eyes go between Rnds 5 and 6.',
    'Round about here you may stuff it.',
  ])('and talk holds none: %s', (line) => {
    expect(labels(line)).toEqual([]);
  });
});
