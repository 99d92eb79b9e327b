import { describe, expect, it } from 'vitest';
import { checkText } from '../index.js';

/** What of a small faultless pattern is written otherwise. */
interface Otherwise {
  readonly terms?: string;
  readonly materials?: readonly string[];
  readonly notes?: string;
  readonly body?: readonly string[];
  readonly end?: string;
}

const MATERIALS = ['Cotton yarn: Sand', 'Hook: 3 mm', 'Yarn needle', 'Stuffing'];
const BODY = [
  'Rnd 1: 6 sc in MR (6)',
  'Rnd 2: inc x 6 (12)',
  'Rnd 3: (sc 1, inc) x 6 (18)',
  'Rnd 4: sc around (18)',
  'Rnd 5: (sc 1, dec) x 6 (12)',
  'Stuff.',
  'Rnd 6: dec x 6 (6)',
];
/** Six rounds that close, of which none speaks of stuffing. */
const SHELL = [
  'Rnd 1: 6 sc in MR (6)',
  'Rnd 2: inc x 6 (12)',
  'Rnd 3: (sc 1, inc) x 6 (18)',
  'Rnds 4-9: sc around (18)',
  'Rnd 10: (sc 1, dec) x 6 (12)',
  'Rnd 11: dec x 6 (6)',
];
const END = 'Fasten off and weave in the end with the yarn needle.';

/** A whelk in one piece, with something written otherwise. */
function whelk({ terms = 'US terms', materials = MATERIALS, notes = '', body = BODY, end = END }: Otherwise): string {
  const front = ['Whelk', terms, '', 'MATERIALS', ...materials, '', ...(notes ? ['NOTES', notes, ''] : [])];
  return [...front, 'BODY', 'With Sand.', ...body, end, ''].join('\n');
}

/** The rules that find something in a text. */
const rulesIn = (text: string) => checkText(text, 'whelk.txt').findings.map(({ rule }) => rule);

it('the pattern that everything here is made from has no fault', () => {
  expect(rulesIn(whelk({}))).toEqual([]);
});

const after = (round: number, ...lines: readonly string[]) => {
  const at = BODY.findIndex((line) => line.startsWith(`Rnd ${round}:`)) + 1;
  return [...BODY.slice(0, at), ...lines, ...BODY.slice(at)];
};
const instead = (round: number, ...lines: readonly string[]) =>
  BODY.flatMap((line) => (line.startsWith(`Rnd ${round}:`) ? lines : [line]));

/** By rule: in what it finds something, and in what it finds nothing though it looks alike. */
const TABLES: Readonly<
  Record<string, { readonly found: readonly Otherwise[]; readonly passed: readonly Otherwise[] }>
> = {
  'count/stated': {
    found: [
      { body: instead(3, 'Rnd 3: (sc 1, inc) x 6 (19)') },
      { body: instead(4, 'Rnd 4: sc around [20]') },
      { body: instead(5, 'Rnd 5: *sc 1, dec; rep from * 5 more times (13 sts)') },
      { body: instead(2, 'Rnd 2: 2 sc in each st around. 13 stitches.') },
    ],
    passed: [
      { body: instead(3, 'Rnd 3: (sc 1, inc) six times – 18 sts') },
      { body: instead(4, 'Rnd 4: sc in each st around (18 stitches)') },
      { body: instead(4, 'Rnd 4: sc around, changing to Sand in the last st (18)') },
    ],
  },
  'count/over': {
    found: [
      { body: instead(3, 'Rnd 3: (sc 1, inc) x 7 (21)') },
      { body: instead(4, 'Rnd 4: sc 19 (19)') },
      { body: instead(5, 'Rnd 5: (sc 1, dec) x 7 (14)') },
    ],
    passed: [
      { body: instead(4, 'Rnd 4: sc 17, sc in the last st (18)') },
      { body: instead(4, 'Rnd 4: (BLO) sc around (18)') },
    ],
  },
  'count/under': {
    found: [
      { body: instead(3, 'Rnd 3: (sc 1, inc) x 5 (15)') },
      { body: instead(4, 'Rnd 4: sc 16 (16)') },
      { body: instead(5, 'Rnd 5: *sc 1, dec; rep from * 4 more times (10)') },
    ],
    passed: [
      { body: instead(6, 'Rnd 6: dec x 3, leave the remaining sts unworked (3)') },
      { body: instead(5, 'Rnd 5: (sc 1, dec) x 6 (12)') },
    ],
  },
  'count/remainder': {
    found: [
      { body: instead(4, 'Rnd 4: (sc 3, inc) around (22)') },
      { body: instead(5, 'Rnd 5: *sc 2, dec; repeat from * around (14)') },
    ],
    passed: [
      { body: instead(5, 'Rnd 5: (sc 1, dec) around (12)') },
      { body: instead(5, 'Rnd 5: *sc 1, dec; rep from * to end (12)') },
    ],
  },
  'count/missing': {
    found: [{ body: instead(3, 'Rnd 3: (sc 1, inc) x 6') }, { body: instead(5, 'Rnd 5: [sc 1, dec] 6 times.') }],
    passed: [{ body: BODY.map((line) => line.replace(/ \(\d+\)$/, '')) }, { body: instead(4, 'Rnd 4: sc around') }],
  },
  'count/breakdown': {
    found: [
      { body: instead(4, 'Rnd 4: sc 9, hdc 9 (10 sc, 8 hdc)') },
      { body: instead(4, 'Rnd 4: ((sc 1, hdc 2) x 3) x 2 (9 sc, 9 hdc)') },
    ],
    passed: [
      { body: instead(4, 'Rnd 4: sc 9, hdc 9 (9 sc, 9 hdc)') },
      { body: instead(4, 'Rnd 4: ((sc 1, hdc 2) x 3) x 2 (6 sc, 12 hdc)') },
      // One slip, one finding: it uses too many.
      { body: instead(4, 'Rnd 4: sc 10, hdc 9 (9 sc, 9 hdc)') },
      { body: instead(4, 'Rnd 4: sc 9, hdc 9 (18)') },
    ],
  },
  'count/foundation': {
    found: [
      { body: ['Row 1: Ch 9, sc in 2nd ch from hook and in next 8 ch (9)', 'Row 2: ch 1, turn, sc 9 (9)'] },
      { body: ['Row 1: Ch 9, hdc in 3rd ch from hook, hdc 5 (6)', 'Row 2: ch 1, turn, sc 6 (6)'] },
    ],
    passed: [
      { body: ['Row 1: Ch 9, sc in 2nd ch from hook and in next 7 ch (8)', 'Row 2: ch 1, turn, sc 8 (8)'] },
      { body: ['Row 1: Ch 9, hdc in 3rd ch from hook, hdc 6 (7)', 'Row 2: ch 1, turn, sc 7 (7)'] },
    ],
  },
  'frame/order': {
    found: [{ body: [...BODY.slice(0, 4), 'Rnd 2: sc around (18)', ...BODY.slice(4)] }],
    passed: [{ body: BODY }],
  },
  'frame/row-round': {
    found: [{ body: instead(4, 'Row 4: sc around (18)') }],
    passed: [{ body: BODY.map((line) => line.replace('Rnd', 'Round')) }],
  },
  'count/open-ended': {
    found: [
      { body: instead(6, 'Rnd 6: dec until closed') },
      { body: instead(6, 'Rnd 6: dec around until the hole is closed') },
    ],
    passed: [{ body: instead(6, 'Rnd 6: dec around (6)') }, { end: `Sew the hole closed. ${END}` }],
  },
  'frame/gap': {
    found: [{ body: instead(4, 'Rnd 5: sc around (18)', 'Rnd 7: sc around (18)') }, { body: instead(4) }],
    passed: [
      { body: instead(4, 'Rnd 4 - sc around (18)') },
      { body: BODY.map((line) => line.replace('Rnd', 'Round')) },
    ],
  },
  'frame/duplicate': {
    found: [{ body: instead(4, 'Rnd 3: sc around (18)') }, { body: after(4, 'Rnd 4: sc around (18)') }],
    passed: [{ body: after(4, 'Rnd 4 is the widest one.') }],
  },
  'frame/range': {
    found: [
      { body: instead(4, 'Rnd 4: sc around for 2 rounds (18)') },
      {
        body: [
          ...BODY.slice(0, 3),
          'Rnds 4-6: sc around for 4 rnds (18)',
          'Rnd 7: (sc 1, dec) x 6 (12)',
          'Stuff.',
          'Rnd 8: dec x 6 (6)',
        ],
      },
    ],
    passed: [
      {
        body: [
          ...BODY.slice(0, 3),
          'Rnds 4-6: sc around for 3 rnds (18)',
          'Rnd 7: (sc 1, dec) x 6 (12)',
          'Stuff.',
          'Rnd 8: dec x 6 (6)',
        ],
      },
      {
        body: [
          ...BODY.slice(0, 3),
          'Rnds 4-6 (3 rounds): sc around (18)',
          'Rnd 7: (sc 1, dec) x 6 (12)',
          'Stuff.',
          'Rnd 8: dec x 6 (6)',
        ],
      },
    ],
  },
  'frame/reference': {
    found: [{ body: instead(4, 'Rnd 4: repeat Rnd 12 (18)') }, { body: instead(4, 'Rnd 4: as Rnd 9 (18)') }],
    passed: [
      {
        body: [
          ...BODY.slice(0, 4),
          'Rnd 5: repeat Rnd 4 (18)',
          'Rnd 6: (sc 1, dec) x 6 (12)',
          'Stuff.',
          'Rnd 7: dec x 6 (6)',
        ],
      },
      // The numbers go on from part to part, and so do the loops that are left.
      {
        body: [
          ...BODY.slice(0, 3),
          'Rnd 4: FLO (sc 2, inc) x 6 (24)',
          'Fasten off.',
          '',
          'NECK',
          'Rnd 5: in the back loops left free in Rnd 4: 18 sc (18)',
          'Rnd 6: (sc 1, dec) x 6 (12)',
          'Stuff.',
          'Rnd 7: dec x 6 (6)',
        ],
      },
    ],
  },
  'notation/bracket': {
    found: [
      { body: instead(3, 'Rnd 3: (sc 1, inc x 6 (18)') },
      { body: instead(3, 'Rnd 3: [sc 1, inc) x 6 (18)') },
      { body: instead(5, 'Rnd 5: sc 1, dec) x 6 (12)') },
    ],
    passed: [{ body: instead(3, 'Rnd 3: [(sc 1), (inc)] x 6 (18)') }, { body: instead(4, 'Rnd 4: sc around :) (18)') }],
  },
  'notation/times': {
    found: [{ body: instead(3, 'Rnd 3: (sc 1, inc) (18)') }, { body: instead(3, 'Rnd 3: *sc 1, inc* (18)') }],
    passed: [
      { body: instead(3, 'Rnd 3: (sc 1, inc) around (18)') },
      { body: instead(3, 'Rnd 3: *sc 1, inc* x6 (18)') },
    ],
  },
  'notation/unread': {
    found: [
      { body: instead(4, 'Rnd 4: sc 4, flumph 3, sc 11 (18)') },
      { body: instead(3, 'Rnd 3: (sc 1, icn) x 6 (18)') },
    ],
    passed: [
      { body: instead(4, 'Rnd 4: sc around, and breathe (18)') },
      { body: instead(4, 'Rnd 4: Sc in each stitch all the way around. (18)') },
    ],
  },
  'terms/undeclared': {
    found: [{ terms: '' }, { terms: 'A pattern for beginners' }],
    passed: [
      { terms: 'This pattern uses UK terminology.', body: BODY.map((line) => line.replaceAll('sc', 'dc')) },
      { terms: 'Written in US crochet terms.' },
      { terms: '', notes: 'All terms are American.' },
    ],
  },
  'terms/contradiction': {
    found: [{ terms: 'UK terms' }, { terms: 'This pattern is written in British terms.' }],
    passed: [{ terms: 'US terms (UK in brackets)' }, { terms: 'US terminology is used throughout.' }],
  },
  'terms/undefined': {
    found: [{ notes: 'sc – single crochet\ninc – increase\nhdc – half double crochet' }],
    passed: [{ notes: 'sc – single crochet\ninc – increase\ndec – decrease\nMR – magic ring\nRnd – round' }],
  },
  'terms/unused': {
    found: [
      { notes: 'sc – single crochet\ninc – increase\ndec – decrease\nMR – magic ring\nhdc – half double crochet' },
    ],
    passed: [{ notes: 'sc – single crochet\ninc – increase\ndec – decrease\nMR – magic ring' }],
  },
  'materials/hook': {
    found: [
      { materials: MATERIALS.filter((line) => !line.startsWith('Hook')) },
      { body: after(3, 'Change to the 4 mm hook.') },
    ],
    passed: [
      { materials: ['Cotton yarn: Sand', 'Size E/3.5 mm crochet hook', 'Yarn needle', 'Stuffing'] },
      { materials: MATERIALS.filter((line) => !line.startsWith('Hook')), notes: 'Worked with a 3.5 mm hook.' },
      { materials: [...MATERIALS, 'Hook: 4 mm'], body: after(3, 'Change to the 4 mm hook.') },
    ],
  },
  'materials/hook-size': {
    found: [
      { materials: ['Cotton yarn: Sand', 'Hook: 3 mm (H)', 'Yarn needle', 'Stuffing'] },
      { materials: ['Cotton yarn: Sand', '4 mm (E) crochet hook', 'Yarn needle', 'Stuffing'] },
    ],
    passed: [
      { materials: ['Cotton yarn: Sand', 'Hook: 5 mm (H)', 'Yarn needle', 'Stuffing'] },
      { materials: ['Cotton yarn: Sand', 'Hook size 3.5 mm / E', 'Yarn needle', 'Stuffing'] },
    ],
  },
  'materials/colour': {
    found: [
      { body: after(3, 'Change to Moss.') },
      {
        materials: ['Cotton yarn: Sand 20 g, Moss 5 g, Rust 5 g', 'Hook: 3 mm', 'Yarn needle', 'Stuffing'],
        body: after(3, 'Change to Moss.'),
      },
    ],
    passed: [
      {
        materials: ['Cotton yarn: Sand, Moss', 'Hook: 3 mm', 'Yarn needle', 'Stuffing'],
        body: after(3, 'Change to Moss.'),
      },
      { end: `Sand the wooden base. ${END}` },
    ],
  },
  'materials/notion': {
    found: [
      { materials: [...MATERIALS, 'A button'] },
      { materials: [...MATERIALS, 'Pipe cleaner'] },
      { materials: [...MATERIALS, 'A scrap of red felt'] },
    ],
    passed: [
      { materials: [...MATERIALS, 'A button'], end: `Sew on the button. ${END}` },
      { materials: [...MATERIALS, 'Scissors'] },
      { materials: [...MATERIALS, 'A scrap of red felt'], end: `Cut a tongue from the felt. ${END}` },
    ],
  },
  'make/no-finish': {
    found: [],
    passed: [
      { end: 'Cut the yarn and pull it through. Use the yarn needle to hide the end.' },
      { end: 'F/O, weave in with the needle.' },
      { end: 'Break yarn, thread the yarn needle, close the hole and hide the end.' },
    ],
  },
  'make/eyes-late': {
    found: [
      {
        materials: [...MATERIALS, 'Safety eyes, 6 mm', 'Caution: small parts, not for children under three'],
        body: [...BODY, 'Fasten off and close the hole.', 'Insert the safety eyes between Rnds 3 and 4.'],
      },
    ],
    passed: [
      {
        materials: [...MATERIALS, 'Safety eyes, 6 mm', 'Caution: small parts, not for children under three'],
        body: after(4, 'Insert the safety eyes between Rnds 3 and 4.'),
      },
    ],
  },
  'make/stuffing-late': {
    found: [
      { body: BODY.filter((line) => line !== 'Stuff.') },
      // Its numbers begin anew: it is another hollow than that of the base.
      {
        body: ['Rnd 1: 6 sc in MR (6)', 'Rnd 2: inc x 6 (12)', 'Rnd 3: inc x 12 (24)', 'Fill it.', '', 'TOP', ...SHELL],
      },
    ],
    passed: [
      // Its numbers go on: one hollow, that was filled before.
      {
        body: [...SHELL.slice(0, 3), 'Fill it.', '', 'TOP', ...SHELL.slice(3)],
      },
      { body: BODY.map((line) => (line === 'Stuff.' ? 'Fill firmly with the stuffing.' : line)) },
      {
        materials: MATERIALS.slice(0, 3),
        notes: 'The whelk is not stuffed.',
        body: BODY.filter((line) => line !== 'Stuff.'),
      },
    ],
  },
  'make/place': {
    found: [
      { end: `Embroider a mouth between Rnds 11 and 12. ${END}` },
      { body: after(4, 'Place a marker at Rnd 14.') },
    ],
    passed: [{ end: `Embroider a mouth between Rnds 3 and 4. ${END}` }, { body: after(4, 'Place a marker at Rnd 4.') }],
  },
  'safety/small-parts': {
    found: [
      {
        materials: [...MATERIALS, 'Safety eyes, 6 mm'],
        body: after(4, 'Insert the safety eyes between Rnds 3 and 4.'),
      },
      { materials: [...MATERIALS, '2 buttons'], end: `Sew on the buttons for eyes. ${END}` },
      { materials: [...MATERIALS, 'Jingle bell', 'SAFETY EYES'] },
    ],
    passed: [
      {
        materials: [...MATERIALS, 'Safety eyes, 6 mm'],
        notes: 'Safety eyes are a choking hazard: embroider them for a child under three.',
        body: after(4, 'Insert the safety eyes between Rnds 3 and 4.'),
      },
      { end: `Embroider the eyes. ${END}` },
    ],
  },
  'safety/wire': {
    found: [{ materials: [...MATERIALS, 'Floral wire'], end: `Push the wire into the body. ${END}` }],
    passed: [
      {
        materials: [...MATERIALS, 'Floral wire'],
        notes: 'Bend the sharp ends of the wire back and tape them; not a toy for children.',
        end: `Push the wire into the body. ${END}`,
      },
      { end: `Wiry hair is not needed. ${END}` },
    ],
  },
  'safety/magnet': {
    found: [{ materials: [...MATERIALS, '1 magnet'], body: after(4, 'Place the magnet inside.') }],
    passed: [
      {
        materials: [...MATERIALS, '1 magnet'],
        notes: 'Magnets are dangerous when swallowed: keep them away from children.',
        body: after(4, 'Place the magnet inside.'),
      },
      { terms: 'US terms', body: instead(1, 'Rnd 1: 6 sc in magic ring (6)') },
    ],
  },
  'safety/cord': {
    found: [{ end: `Chain 150 for a cord to hang it up by. ${END}` }],
    passed: [
      {
        end: `Chain 150 for a cord to hang it up by. A long cord can strangle: keep it out of reach of small children. ${END}`,
      },
      { end: `Chain 5 for a tail. ${END}` },
    ],
  },
  'safety/heat': {
    found: [{ end: `Melt the end of the ribbon with a lighter. ${END}` }],
    passed: [
      { end: `Melt the end of the ribbon with a lighter. Mind the flame: it burns, and an adult should do it. ${END}` },
      { notes: 'Made for the heat of summer.' },
    ],
  },
  'rights/character': {
    found: [],
    passed: [{ notes: 'A whelk from the beach, of my own design.' }],
  },
  'shape/ruffle': {
    found: [],
    passed: [{ body: BODY }],
  },
};

describe('numbers that are missing', () => {
  it.each([
    [['Rnds 3 and 7: sc around (12)'], ['Rnds 3 and 7 leaves out 4 to 6.']],
    [['Rnds 3 and 5: sc around (12)'], ['Rnds 3 and 5 leaves out 4.']],
    [['Rnds 3 and 4: sc around (12)'], []],
    [['Rnd 3: sc around (12)', 'Rnd 5: sc around (12)'], ['Rnd 5 follows Rnd 3: 4 is missing.']],
    [['Rnd 3: sc around (12)', 'Rnd 7: sc around (12)'], ['Rnd 7 follows Rnd 3: 4 to 6 are missing.']],
    [['Rnds 3-5: sc around (12)', 'Rnds 7-9: sc around (12)'], ['Rnds 7-9 follows Rnds 3-5: 6 is missing.']],
    [['Rnds 3-5: sc around (12)', 'Rnds 6-9: sc around (12)'], []],
  ])('%j', (lines, said) => {
    const text = ['US terms', '', 'BALL', ...BODY.slice(0, 2), ...lines, 'Fasten off.', ''].join('\n');
    const gaps = checkText(text, 'x').findings.filter(({ rule }) => rule === 'frame/gap');
    expect(gaps.map(({ message }) => message)).toEqual(said);
  });
});

describe('a disc that is meant to be flat', () => {
  /** A disc of so many rounds that grows by so many stitches in each. */
  const disc = (stitch: string, growth: number) =>
    [
      'US terms',
      '',
      'BASE',
      `Rnd 1: ${growth} ${stitch} in MR (${growth})`,
      `Rnd 2: ${stitch} inc x ${growth} (${2 * growth})`,
    ]
      .concat(
        [3, 4, 5, 6].map(
          (round) => `Rnd ${round}: (${stitch} ${round - 2}, ${stitch} inc) x ${growth} (${round * growth})`,
        ),
      )
      .concat('Fasten off.', '')
      .join('\n');
  const shapes = (text: string) => rulesIn(text).filter((rule) => /ruffle|cup/.test(rule));

  it.each([
    ['sc', 4, ['shape/cup']],
    ['sc', 5, []],
    ['sc', 7, []],
    ['sc', 8, ['shape/ruffle']],
    ['hdc', 6, ['shape/cup']],
    ['hdc', 7, []],
    ['hdc', 10, []],
    ['hdc', 11, ['shape/ruffle']],
    ['dc', 9, ['shape/cup']],
    ['dc', 10, []],
    ['dc', 14, []],
    ['dc', 15, ['shape/ruffle']],
  ])('of %s that grows by %i: %j', (stitch, growth, found) => {
    expect(shapes(disc(stitch, growth))).toEqual(found);
  });
});

describe('a piece that has to be sewn on', () => {
  const bear = (assembly: string) =>
    [
      'US terms',
      '',
      'BODY',
      ...BODY,
      'Fasten off.',
      '',
      'EAR (make 2)',
      'Rnd 1: 6 sc in MR (6)',
      'Rnd 2: sc around (6)',
      'Fasten off.',
      '',
      'FIN',
      'Rnd 1: 5 sc in MR (5)',
      'Fasten off.',
      '',
      'ASSEMBLY',
      'Sew the fin to the body.',
      assembly,
      '',
    ].join('\n');
  const missed = (assembly: string) => rulesIn(bear(assembly)).includes('make/not-attached');

  it.each(['Sew a heart on near the top.', 'Weave in all ends.', 'Sew on the early bird.'])(
    'is missed in: %s',
    (words) => {
      expect(missed(words)).toBe(true);
    },
  );

  it.each(['Sew the ears to the body.', 'Attach both EARS.', 'Ears: sew them on.', 'One ear on each side.'])(
    'is not missed in: %s',
    (words) => {
      expect(missed(words)).toBe(false);
    },
  );

  it.each([
    ['Sew the four ears to the body.', true],
    ['Sew the two ears to the body.', false],
    ['Sew both ears to the body.', false],
    ['Sew the ear to the body.', false],
  ])('as often as it is made: %s', (words, found) => {
    expect(rulesIn(bear(words)).includes('frame/quantity')).toBe(found);
  });
});

describe.each(Object.entries(TABLES))('%s', (rule, { found, passed }) => {
  if (found.length > 0)
    it.each(found.map((one): [Otherwise] => [one]))('finds something: %j', (one) => {
      expect(rulesIn(whelk(one))).toContain(rule);
    });
  it.each(passed.map((one): [Otherwise] => [one]))('finds nothing: %j', (one) => {
    expect(rulesIn(whelk(one))).not.toContain(rule);
  });
});
