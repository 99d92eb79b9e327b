import { describe, expect, it } from 'vitest';
import { blocksOf } from './pdfLayout.js';
import type { Page } from './pdfRows.js';

const SIZE = 10;
const LETTER = 5;
const WIDTH = 400;

/** Lines of a page, from the top down, each so far below the one before; letters are all as wide. */
function column(x: number, top: number, lines: readonly (readonly [text: string, gap: number])[]) {
  let y = top;
  return lines.map(([text, gap]) => {
    y -= gap;
    return { text, x, y, width: text.length * LETTER, size: SIZE };
  });
}
const evenly = (lines: readonly string[], gap = 12) => lines.map((text) => [text, gap] as const);
const page = (...items: Page['items'][]): Page => ({ width: WIDTH, height: 600, items: items.flat() });
const linesOf = (...pages: Page[]) =>
  blocksOf(pages).blocks.map((block) =>
    block.kind === 'paragraph' ? block.text : block.rows.map((row) => row.join(' | ')).join('\n'),
  );

describe('lines that go on', () => {
  it('are one, where the next word would not have fitted', () => {
    const lines = ['Rnd 2: (sc 1, inc) x 6, and close it with a slip', 'stitch (12)', 'Rnd 3: sc around (12)'];
    expect(linesOf(page(column(50, 560, evenly(lines))))).toEqual([`${lines[0]} ${lines[1]}`, lines[2]]);
  });

  it('are one also before a capital, where what begins is set apart', () => {
    const lines = [
      ['Fasten off.', 12],
      ['Sew it on.', 16],
      ['Stuff the head.', 16],
      ['Work all round as before; that leaves 18 stitches.', 16],
      ['Stop here.', 12],
      ['Weave in.', 16],
    ] as const;
    expect(linesOf(page(column(50, 560, lines)))).toEqual([
      'Fasten off.',
      'Sew it on.',
      'Stuff the head.',
      'Work all round as before; that leaves 18 stitches. Stop here.',
      'Weave in.',
    ]);
  });

  it('are not one where a line begins as others do that certainly begin something', () => {
    const lines = [
      '[x] 2/6 inc all round 12',
      '[x] 3/6 sc all round 12',
      '[x] 4/6 sc in the back loops all round, then turn 12',
      '[x] 5/6 dec all round 6',
    ];
    expect(linesOf(page(column(50, 560, evenly(lines))))).toEqual(lines);
  });

  it.each([
    ['a range', 'Arm, make 2. Change to Cocoa, and with it R3-', 'R9: sc around (9)', ''],
    ['a place', 'Sew the feet under the body, two of them between', 'Rnds 10 and 12 of it.', ' '],
    ['a count behind a dash', 'Row 16: ch 1, turn, dec, sc in the next 8 sts, dec', '– 10 sts', ' '],
  ])('are one where %s is parted', (_, above, below, blank) => {
    expect(linesOf(page(column(50, 560, evenly([above, below]))))).toEqual([`${above}${blank}${below}`]);
  });

  it('are one where what goes on hangs below what it belongs to, whatever room there was', () => {
    const lines = ['BODY', 'sc in the ring', 'inc all round', 'sc all round'];
    const hanging = ['Work the body in a spiral, first in', 'Rose.', 'Sew it to the third round of the', 'head.'];
    const short = ['Then close it with the tail', 'end.'];
    const below = ['Rose.', 'head.', 'end.'];
    const items = [...lines, ...hanging, ...short].flatMap((text, i) =>
      column(below.includes(text) ? 62 : 50, 560 - i * 12, evenly([text])),
    );
    expect(linesOf({ ...page(items), width: 300 })).toEqual([
      ...lines,
      'Work the body in a spiral, first in Rose.',
      'Sew it to the third round of the head.',
      'Then close it with the tail end.',
    ]);
  });

  it('lose their hyphen only where the word without it stands elsewhere', () => {
    const lines = [
      'Work an increase in each of the next few, then in-',
      'crease once more at the marker of it, and sew half-',
      'way up.',
    ];
    expect(linesOf(page(column(50, 560, evenly(lines))))).toEqual([
      'Work an increase in each of the next few, then increase once more at the marker of it, and sew half-way up.',
    ]);
  });
});

describe('columns', () => {
  const LEFT = ['BODY', 'rnd 1 6 sc in mr (6)', 'rnd 2 inc x 6 (12)', 'rnd 3 sc (12)', 'rnd 4 dec x 6 (6)'];
  const RIGHT = ['rnd 5 sc (6)', 'close it', 'ARM, which has a pocket', 'rnd 1 5 sc in mr', 'rnd 2 sc (5)'];

  it('are read one after the other, also where all lines stand beside each other', () => {
    const both = page(column(50, 560, evenly(LEFT)), column(210, 560, evenly(RIGHT)));
    expect(linesOf(both)).toEqual([...LEFT, ...RIGHT]);
  });

  it('may be three', () => {
    const words = (from: number) => [0, 1, 2, 3].map((i) => `round ${from + i}: sc 6 (6)`);
    const three = page(...[1, 5, 9].map((from, i) => column(20 + i * 125, 560, evenly(words(from)))));
    expect(linesOf(three)).toEqual([...words(1), ...words(5), ...words(9)]);
  });

  it('are a table where short labels stand beside what they are of', () => {
    const labels = ['Rounds', 'Rnd 1', 'Rnds 2-10', 'Rnd 11'];
    const work = [
      'What to do all around',
      '6 sc in a magic ring, and pull',
      'inc in each stitch of it',
      'dec all round',
    ];
    expect(linesOf(page(column(50, 560, evenly(labels)), column(150, 560, evenly(work))))).toEqual([
      labels.map((label, i) => `${label} | ${work[i] ?? ''}`).join('\n'),
    ]);
  });
});

describe('the numbers of pages', () => {
  const body = (label: string) => column(50, 540, evenly([`${label}: sc around (6)`, 'Fasten off.']));
  const foot = (text: string) => column(200, 32, evenly([text]));

  it('are left out where they follow each other', () => {
    expect(linesOf(page(body('Rnd 1'), foot('7')), page(body('Rnd 2'), foot('8')))).toEqual([
      'Rnd 1: sc around (6)',
      'Fasten off.',
      'Rnd 2: sc around (6)',
      'Fasten off.',
    ]);
    expect(linesOf(page(body('Rnd 1'), foot('1')))).not.toContain('1');
  });

  it('go with the heads and feet that they stand in', () => {
    const feet = (number: number) => foot(`Tumbly · ${number} of 2`);
    const head = column(150, 590, evenly(['A pattern of mine']));
    expect(linesOf(page(head, body('Rnd 1'), feet(1)), page(head, body('Rnd 2'), feet(2)))).toEqual(
      linesOf(page(body('Rnd 1')), page(body('Rnd 2'))),
    );
  });

  it('are no rounds that stand at one height on two pages', () => {
    const rounds = (first: number) => column(50, 80, evenly([`Rnd ${first}: sc (18)`, `Rnd ${first + 1}: sc (18)`]));
    expect(linesOf(page(rounds(1)), page(rounds(7)))).toHaveLength(4);
    const same = column(50, 84, evenly(['Rnd 8: inc all round (9)', 'Rnd 9: sc around (9)', 'Fasten off.']));
    expect(linesOf(page(same), page(same))).toHaveLength(6);
  });

  it('are no counts that stand alone at the foot of a page', () => {
    expect(linesOf(page(body('Rnd 1'), foot('24')), page(body('Rnd 2'), foot('18')))).toEqual(
      expect.arrayContaining(['24', '18']),
    );
  });
});
