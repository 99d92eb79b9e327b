import { describe, expect, it } from 'vitest';
import { seen } from './clean.js';
import { FAULT_KIND_IDS, type FaultKindId } from './kinds.js';
import { PLACES, type Planting } from './planting.js';

/** A toy in which each kind of fault has a place. */
const TOY = `Pebble and Twig
US terms

Materials
Sport cotton: Slate, Moss
Hook 2.75 mm (C/2)
6 mm safety eyes (not for children under three)
Stuffing, needle

sc = single crochet, hdc = half double crochet, inc = 2 sc in one stitch, dec = 2 sc together, MR = magic ring

BODY, in Slate
Rnd 1: 6 sc in MR (6)
Rnd 2: inc x 6 (12)
Rnd 3: (sc 1, inc) x 6 (18)
Rnd 4: *sc 2, inc; rep from * around (24)
Rnds 5-8: hdc around for 4 rounds (24)
Change to Moss.
Rnd 9: sc 11, dec, sc 11 (23)
Rnd 10: sc 11, inc, sc 11 (24)
Place the eyes between Rnds 7 and 8, 5 sts apart.
Rnd 11: (sc 2, dec) x 6 (18)
Stuff the body.
Rnd 12: (sc 1, dec) x 6 (12)
Rnd 13: dec x 6 (6)
Fasten off and close the hole.

ARM (make 2), in Moss
Rnd 1: 5 sc in MR (5)
Rnds 2-6: sc around (5)
Rnd 7: dec, sc 3 (4)
Fasten off, leaving a tail.

ASSEMBLY
Sew the two arms to the body at Rnd 9.
`;

const CLEAN = seen(TOY);
const LINES = TOY.split('\n');

/** The lines at which one would mark it, and what the text has instead. */
function told({ edits, at }: Planting): string {
  let text = TOY;
  for (const { from, to, text: instead } of [...edits].sort((a, b) => b.from - a.from))
    text = text.slice(0, from) + instead + text.slice(to);
  const lines = text.split('\n');
  const added = more(lines, LINES);
  const gone = more(LINES, lines);
  const marked = at.map((offset) => TOY.slice(0, offset).split('\n').length).join(' ');
  if (added.length > 0) return `${marked} | ${added.join(' / ')}`;
  if (gone.length > 0) return `${marked} | without: ${gone.join(' / ')}`;
  return `${marked} | moved to line ${lines.findLastIndex((line, i) => line !== LINES[i]) + 1}`;
}

/** The lines that stand oftener in one text than in the other. */
function more(these: readonly string[], those: readonly string[]): string[] {
  const often = (lines: readonly string[], line: string) => lines.filter((other) => other === line).length;
  return these.filter((line, i) => line !== '' && often(these.slice(0, i + 1), line) > often(those, line));
}

/** All that can be planted in the toy. */
const EXPECTED: Readonly<Record<FaultKindId, readonly string[]>> = {
  stated: [
    '13 | Rnd 1: 6 sc in MR (5)',
    '13 | Rnd 1: 6 sc in MR (7)',
    '13 | Rnd 1: 6 sc in MR (9)',
    '14 | Rnd 2: inc x 6 (11)',
    '14 | Rnd 2: inc x 6 (13)',
    '14 | Rnd 2: inc x 6 (15)',
    '14 | Rnd 2: inc x 6 (21)',
    '15 | Rnd 3: (sc 1, inc) x 6 (17)',
    '15 | Rnd 3: (sc 1, inc) x 6 (19)',
    '15 | Rnd 3: (sc 1, inc) x 6 (15)',
    '15 | Rnd 3: (sc 1, inc) x 6 (21)',
    '15 | Rnd 3: (sc 1, inc) x 6 (81)',
    '16 | Rnd 4: *sc 2, inc; rep from * around (23)',
    '16 | Rnd 4: *sc 2, inc; rep from * around (25)',
    '16 | Rnd 4: *sc 2, inc; rep from * around (21)',
    '16 | Rnd 4: *sc 2, inc; rep from * around (27)',
    '16 | Rnd 4: *sc 2, inc; rep from * around (42)',
    '17 | Rnds 5-8: hdc around for 4 rounds (23)',
    '17 | Rnds 5-8: hdc around for 4 rounds (25)',
    '17 | Rnds 5-8: hdc around for 4 rounds (21)',
    '17 | Rnds 5-8: hdc around for 4 rounds (27)',
    '17 | Rnds 5-8: hdc around for 4 rounds (42)',
    '19 | Rnd 9: sc 11, dec, sc 11 (22)',
    '19 | Rnd 9: sc 11, dec, sc 11 (24)',
    '19 | Rnd 9: sc 11, dec, sc 11 (20)',
    '19 | Rnd 9: sc 11, dec, sc 11 (26)',
    '19 | Rnd 9: sc 11, dec, sc 11 (32)',
    '20 | Rnd 10: sc 11, inc, sc 11 (23)',
    '20 | Rnd 10: sc 11, inc, sc 11 (25)',
    '20 | Rnd 10: sc 11, inc, sc 11 (21)',
    '20 | Rnd 10: sc 11, inc, sc 11 (27)',
    '20 | Rnd 10: sc 11, inc, sc 11 (42)',
    '22 | Rnd 11: (sc 2, dec) x 6 (17)',
    '22 | Rnd 11: (sc 2, dec) x 6 (19)',
    '22 | Rnd 11: (sc 2, dec) x 6 (15)',
    '22 | Rnd 11: (sc 2, dec) x 6 (21)',
    '22 | Rnd 11: (sc 2, dec) x 6 (81)',
    '24 | Rnd 12: (sc 1, dec) x 6 (11)',
    '24 | Rnd 12: (sc 1, dec) x 6 (13)',
    '24 | Rnd 12: (sc 1, dec) x 6 (15)',
    '24 | Rnd 12: (sc 1, dec) x 6 (21)',
    '29 | Rnd 1: 5 sc in MR (4)',
    '29 | Rnd 1: 5 sc in MR (6)',
    '29 | Rnd 1: 5 sc in MR (8)',
    '30 | Rnds 2-6: sc around (4)',
    '30 | Rnds 2-6: sc around (6)',
    '30 | Rnds 2-6: sc around (8)',
  ],
  figure: [
    '13 | Rnd 1: 5 sc in MR (6)',
    '13 | Rnd 1: 7 sc in MR (6)',
    '15 | Rnd 3: (sc 2, inc) x 6 (18)',
    '19 | Rnd 9: sc 10, dec, sc 11 (23)',
    '19 | Rnd 9: sc 12, dec, sc 11 (23)',
    '19 | Rnd 9: sc 11, dec, sc 10 (23)',
    '19 | Rnd 9: sc 11, dec, sc 12 (23)',
    '20 | Rnd 10: sc 10, inc, sc 11 (24)',
    '20 | Rnd 10: sc 12, inc, sc 11 (24)',
    '20 | Rnd 10: sc 11, inc, sc 10 (24)',
    '20 | Rnd 10: sc 11, inc, sc 12 (24)',
    '22 | Rnd 11: (sc 1, dec) x 6 (18)',
    '22 | Rnd 11: (sc 3, dec) x 6 (18)',
    '24 | Rnd 12: (sc 2, dec) x 6 (12)',
    '29 | Rnd 1: 4 sc in MR (5)',
    '29 | Rnd 1: 6 sc in MR (5)',
    '31 | Rnd 7: dec, sc 2 (4)',
    '31 | Rnd 7: dec, sc 4 (4)',
  ],
  multiple: ['16 | Rnd 4: *sc 1, inc; rep from * around (24)', '16 | Rnd 4: *sc 3, inc; rep from * around (24)'],
  times: [
    '14 | Rnd 2: inc x 5 (12)',
    '14 | Rnd 2: inc x 7 (12)',
    '15 | Rnd 3: (sc 1, inc) x 5 (18)',
    '15 | Rnd 3: (sc 1, inc) x 7 (18)',
    '22 | Rnd 11: (sc 2, dec) x 5 (18)',
    '22 | Rnd 11: (sc 2, dec) x 7 (18)',
    '24 | Rnd 12: (sc 1, dec) x 5 (12)',
    '24 | Rnd 12: (sc 1, dec) x 7 (12)',
    '25 | Rnd 13: dec x 5 (6)',
    '25 | Rnd 13: dec x 7 (6)',
  ],
  swapped: [
    '14 | Rnd 2: dec x 6 (12)',
    '15 | Rnd 3: (sc 1, dec) x 6 (18)',
    '16 | Rnd 4: *sc 2, dec; rep from * around (24)',
    '19 | Rnd 9: sc 11, inc, sc 11 (23)',
    '20 | Rnd 10: sc 11, dec, sc 11 (24)',
    '22 | Rnd 11: (sc 2, inc) x 6 (18)',
    '24 | Rnd 12: (sc 1, inc) x 6 (12)',
    '25 | Rnd 13: inc x 6 (6)',
    '31 | Rnd 7: inc, sc 3 (4)',
  ],
  'no-times': ['15 | Rnd 3: (sc 1, inc) (18)', '22 | Rnd 11: (sc 2, dec) (18)', '24 | Rnd 12: (sc 1, dec) (12)'],
  gap: ['30 31 | Rnds 2-5: sc around (5)', '30 31 | Rnds 2 and 6: sc around (5)'],
  twice: [
    '14 15 16 | Rnd 2: (sc 1, inc) x 6 (18)',
    '15 16 17 | Rnd 3: *sc 2, inc; rep from * around (24)',
    '17 19 20 | Rnd 8: sc 11, dec, sc 11 (23)',
    '19 20 22 | Rnd 9: sc 11, inc, sc 11 (24)',
    '20 22 24 | Rnd 10: (sc 2, dec) x 6 (18)',
    '22 24 25 | Rnd 11: (sc 1, dec) x 6 (12)',
    '24 25 | Rnd 12: dec x 6 (6)',
    '30 31 | Rnd 6: dec, sc 3 (4)',
  ],
  bracket: ['15 | Rnd 3: (sc 1, inc x 6 (18)', '22 | Rnd 11: (sc 2, dec x 6 (18)', '24 | Rnd 12: (sc 1, dec x 6 (12)'],
  range: ['17 | Rnds 5-8: hdc around for 3 rounds (24)', '17 | Rnds 5-8: hdc around for 5 rounds (24)'],
  mixed: ['17 | Rnds 5-8: htr around for 4 rounds (24)'],
  'eyes-late': ['27 | moved to line 26'],
  place: [
    '21 | Place the eyes between Rnds 15 and 16, 5 sts apart.',
    '21 | Place the eyes between Rnds 7 and 8, 30 sts apart.',
  ],
  quantity: ['28 35 | ARM (make 1), in Moss', '28 35 | ARM (make 3), in Moss', '28 35 | ARM (make 4), in Moss'],
  stuffing: ['27 | moved to line 26', '12 26 | without: Stuff the body.'],
  colour: ['12 5 | Sport cotton: Moss', '18 28 5 | Sport cotton: Slate'],
  hook: ['6 | Hook 2.75 mm (B/1)', '6 | Hook 2.75 mm (D/3)', '6 | Hook 2.75 mm (E/4)'],
  loose: ['28 35 | without: Sew the two arms to the body at Rnd 9.'],
};

it('nothing is wrong with the toy', () => {
  expect(CLEAN.report.findings).toEqual([]);
});

describe('what each kind of fault could be', () => {
  it.each(FAULT_KIND_IDS)('%s', (kind) => {
    expect([...PLACES[kind](CLEAN)].map(told)).toEqual(EXPECTED[kind]);
  });
});

it('a fault of a round says which, and all others say none', () => {
  const ofRounds = [
    'stated',
    'figure',
    'multiple',
    'times',
    'swapped',
    'no-times',
    'gap',
    'twice',
    'bracket',
    'range',
    'mixed',
  ];
  for (const kind of FAULT_KIND_IDS)
    for (const planting of PLACES[kind](CLEAN)) {
      expect(planting.kind).toBe(kind);
      if (!ofRounds.includes(kind)) {
        expect(planting.round).toBeNull();
        continue;
      }
      const round = CLEAN.counted.rounds[planting.round ?? -1]?.round;
      expect(planting.edits.every(({ from, to }) => round && from >= round.span.from && to <= round.span.to)).toBe(
        true,
      );
    }
});
