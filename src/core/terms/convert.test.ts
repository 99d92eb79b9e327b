import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { convertTerms } from './convert.js';

const LEAD = { us: 'US terms\n\n', uk: 'UK terms\n\n' };
const other = (from: 'us' | 'uk') => (from === 'us' ? 'uk' : 'us');

/** A sentence converted in a text that says which terms it is in. */
function converted(from: 'us' | 'uk', sentence: string, options = {}): string {
  const to = other(from);
  return convertTerms(LEAD[from] + sentence, { from, to, ...options }).text.slice(LEAD[to].length);
}

const FROM_US: readonly (readonly [string, string])[] = [
  ['Rnd 1: 6 sc in MR (6)', 'Rnd 1: 6 dc in MR (6)'],
  ['1st round: 6 s.c. in 2nd ch., 1 h.d.c.', '1st round: 6 d.c. in 2nd ch., 1 h.tr.'],
  ['Rnd 2: SC IN EACH ST (12)', 'Rnd 2: DC IN EACH ST (12)'],
  ['Sc in next st, hdc in next, dc in next, tr in next.', 'Dc in next st, htr in next, tr in next, dtr in next.'],
  ['Single Crochet in each stitch.', 'Double Crochet in each stitch.'],
  ['Work 6 single crochets in the ring.', 'Work 6 double crochets in the ring.'],
  ["The sc's sit above the scs below.", "The dc's sit above the dcs below."],
  ['Rnd 3: 1sc, sc5, 5sc (11)', 'Rnd 3: 1dc, dc5, 5dc (11)'],
  ['Rnd 4: sc2tog x 6 (6)', 'Rnd 4: dc2tog x 6 (6)'],
  ['Rnd 4: hdc2tog, dc3tog, tr2tog', 'Rnd 4: htr2tog, tr3tog, dtr2tog'],
  ['Rnd 4: sc-inc x 3, hdc-dec x 2', 'Rnd 4: dc-inc x 3, htr-dec x 2'],
  ['FPsc around, BPdc in the next, FPhdc twice', 'FPdc around, BPtr in the next, FPhtr twice'],
  ['Work an sc in the corner.', 'Work a dc in the corner.'],
  ['Work a single crochet in the corner.', 'Work a double crochet in the corner.'],
  ['A dc, then an sc.', 'A tr, then a dc.'],
  ['half double\ncrochet in the next chain', 'half treble\ncrochet in the next chain'],
  ['double\ncrochet in the next chain', 'treble\ncrochet in the next chain'],
  ['half-double crochet', 'half-treble crochet'],
  ['treble crochet and triple crochet', 'double treble crochet and double treble crochet'],
  ['double treble crochet', 'triple treble crochet'],
  ['5 dtr, 1 trtr', '5 trtr, 1 qtr'],
  ['extended single crochet is made like single crochet', 'extended double crochet is made like double crochet'],
  ['esc in each st, fsc 12, rsc around', 'edc in each st, fdc 12, rdc around'],
  ['Skip the next 2 sts.', 'Miss the next 2 sts.'],
  ['sk 1 st, sc in next', 'miss 1 st, dc in next'],
  ['Skip 1 stitch, then skip to the next part.', 'Miss 1 stitch, then skip to the next part.'],
  ['the skipped stitch', 'the missed stitch'],
  ['Skipping the first ch, sc in each ch.', 'Missing the first ch, dc in each ch.'],
  ['You may skip this round.', 'You may skip this round.'],
  ['yarn over and pull through', 'yarn round hook and pull through'],
  ['Yo, pull up a loop, yo', 'Yrh, pull up a loop, yrh'],
  ['A yo-yo makes a good base.', 'A yo-yo makes a good base.'],
  ['Gauge: 20 sc to 10 cm', 'Tension: 20 dc to 10 cm'],
  ['GAUGE', 'TENSION'],
  ['Check your gauge.', 'Check your tension.'],
  ['double the yarn', 'double the yarn'],
  ['Hold the yarn double for the legs.', 'Hold the yarn double for the legs.'],
  ['with a double strand', 'with a double strand'],
  ['double-check the count', 'double-check the count'],
  ['double knitting (DK) yarn', 'double knitting (DK) yarn'],
  ['in double thickness', 'in double thickness'],
  ['a double knot', 'a double knot'],
  ['a single strand of black', 'a single strand of black'],
  ['Every single stitch counts.', 'Every single stitch counts.'],
  ['a treble clef on his hat', 'a treble clef on his hat'],
  ['keep an even tension', 'keep an even tension'],
  ["don't skip meals", "don't skip meals"],
  ['See www.example.org/sc-basics for help.', 'See www.example.org/sc-basics for help.'],
  ['It says "sc is easy" on the label.', 'It says "sc is easy" on the label.'],
  ['sl st in the next sc, fasten off', 'sl st in the next dc, fasten off'],
  ['ch 3 (counts as 1 dc)', 'ch 3 (counts as 1 tr)'],
  ['inc = 2 sc in one st; dec = sc2tog', 'inc = 2 dc in one st; dec = dc2tog'],
  ['bobble of 4 dc', 'bobble of 4 tr'],
  ['(12 sc, 6 hdc)', '(12 dc, 6 htr)'],
  ['Hook: 3.5 mm (E/4), worsted, gray', 'Hook: 3.5 mm (E/4), worsted, gray'],
  ['misc. scraps, a disc, an arc', 'misc. scraps, a disc, an arc'],
  ['Written in American terms by B. Troy.', 'Written in British terms by B. Troy.'],
];
const FROM_UK: readonly (readonly [string, string])[] = [
  ['A dc here, and a treble.', 'An sc here, and a double.'],
  ['Skip to the sewing, skip ahead.', 'Skip to the sewing, skip ahead.'],
  ['UK terminology, British names.', 'US terminology, American names.'],
  ['2nd round: 2 d.c. in each d.c., 1 h.tr., 1 tr.', '2nd round: 2 s.c. in each s.c., 1 h.d.c., 1 dc.'],
  ['Round 1: 6dc into a magic ring. [6]', 'Round 1: 6sc into a magic ring. [6]'],
  ['Dc in each st, htr in next, tr in last.', 'Sc in each st, hdc in next, dc in last.'],
  ['dc2tog, 2dctog, htr3tog', 'sc2tog, 2sctog, hdc3tog'],
  ['ss in next st, ss to join', 'sl st in next st, sl st to join'],
  ['Miss 1 st, dc in next.', 'Skip 1 st, sc in next.'],
  ["don't miss the marker", "don't miss the marker"],
  ['You will miss the fun.', 'You will miss the fun.'],
  ['missing the first stitch', 'skipping the first stitch'],
  ['RdcF around the next st', 'FPsc around the next st'],
  ['RtrB around the next st', 'BPdc around the next st'],
  ['Tension: 24 sts to 10 cm in dc', 'Gauge: 24 sts to 10 cm in sc'],
  ['Keep an even tension throughout.', 'Keep an even tension throughout.'],
  ['yarn round hook, yrh again', 'yarn over, yo again'],
  ['treble crochet, double treble crochet', 'double crochet, treble crochet'],
  ['half treble crochet', 'half double crochet'],
  ['Work a dc and a tr.', 'Work an sc and a dc.'],
  ['3dtr, 2trtr, 1ttr, 1qtr', '3tr, 2dtr, 1dtr, 1trtr'],
  ['double knitting wool, held double', 'double knitting wool, held double'],
];

describe('sentences with a trap in them', () => {
  it.each(FROM_US)('US: %s', (sentence, expected) => expect(converted('us', sentence)).toBe(expected));
  it.each(FROM_UK)('UK: %s', (sentence, expected) => expect(converted('uk', sentence)).toBe(expected));
});

describe('what goes along', () => {
  it('leaves an entry out of the list that the other vocabulary does not need', () => {
    expect(converted('us', 'sc = single crochet\nsk = skip\nst = stitch\n')).toBe('dc = double crochet\nst = stitch\n');
    expect(converted('us', '**sc** single crochet, **sk** skip, **st** stitch')).toBe(
      '**dc** double crochet, **st** stitch',
    );
  });

  it('adds a statement of terms where none was', () => {
    const text = 'Ball\n\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
    expect(convertTerms(text, { to: 'uk' }).text).toBe(
      'Ball\nUK crochet terms\n\nRnd 1: 6 dc in MR (6)\nRnd 2: inc x 6 (12)\n',
    );
  });

  it('changes hooks, weights and spelling only where that is asked for', () => {
    const line = 'A 3.5 mm (E/4) hook, worsted yarn in gray.';
    expect(converted('us', line)).toBe(line);
    expect(converted('us', line, { hooks: true, weights: true, spelling: true })).toBe(
      'A 3.5 mm (UK 9) hook, aran yarn in grey.',
    );
  });

  it('leaves names of parts and of the pattern alone', () => {
    const text = 'The Treble Clef\nUS terms\n\nTREBLE\nRnd 1: 6 sc in MR (6)\nRnd 2: dc around (6)\n';
    expect(convertTerms(text, { to: 'uk' }).text).toBe(
      'The Treble Clef\nUK terms\n\nTREBLE\nRnd 1: 6 dc in MR (6)\nRnd 2: tr around (6)\n',
    );
  });
});

describe('words in doubt', () => {
  const text = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: sc around (6)\nMake the next one double.\n';

  it('are asked about and left until they are decided', () => {
    const first = convertTerms(text, { to: 'uk' });
    const question = first.changes.find(({ doubtful }) => doubtful);
    expect(question).toMatchObject({ line: 6, before: 'double', after: 'treble', written: 'double', decided: false });
    const second = convertTerms(text, { to: 'uk', decisions: new Map([[question?.key ?? '', 'treble']]) });
    expect(second.text).toContain('Make the next one treble.');
  });
});

describe('what is refused', () => {
  it.each([
    ['already', 'UK terms\n\nBALL\nRnd 1: 6 dc in a magic ring (6)\n', 'uk'],
    ['unclear', 'A shopping list: milk, bread, two eggs.\n', 'uk'],
    [
      'mixed',
      'Rnd 1: 6 sc in MR (6)\nRnd 2: 12 htr (12)\nRnd 3: sc 12\nRnd 4: htr 12\nRnd 5: sc 12\nRnd 6: htr 12\n',
      'uk',
    ],
  ] as const)('%s', (state, text, to) => {
    const conversion = convertTerms(text, { to });
    expect(conversion).toMatchObject({ state, text, changes: [] });
  });
});

describe('there and back', () => {
  const stitch = fc.constantFrom('sc', 'hdc', 'dc', 'tr');
  const step = fc.oneof(
    fc.tuple(stitch, fc.integer({ min: 1, max: 9 })).map(([name, n]) => `${name} ${n}`),
    fc.tuple(stitch, fc.integer({ min: 2, max: 9 })).map(([name, n]) => `${n} ${name} in next ${n} sts`),
    stitch.map((name) => `2 ${name} in next st`),
    stitch.map((name) => `${name}2tog`),
    stitch.map((name) => `${name.toUpperCase()} in next st`),
    fc.constantFrom('inc', 'dec', 'sl st in next st', 'ch 2', 'bobble', 'skip 1 st'),
    fc.tuple(stitch, stitch).map(([a, b]) => `(${a}, ${b}) in next st`),
    fc.tuple(stitch, stitch, fc.integer({ min: 2, max: 6 })).map(([a, b, n]) => `(${a} 2, ${b} in next st) x ${n}`),
  );
  const pattern = fc
    .array(fc.array(step, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 8 })
    .map(
      (rounds) =>
        `US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\n${rounds.map((round, i) => `Rnd ${i + 2}: ${round.join(', ')}`).join('\n')}\n`,
    );

  it('gives the text again, and the counts never change', () => {
    fc.assert(
      fc.property(pattern, (text) => {
        const uk = convertTerms(text, { to: 'uk', from: 'us' });
        expect(uk.problems).toEqual([]);
        const us = convertTerms(uk.text, { to: 'us', from: 'uk' });
        expect(us.text).toBe(text);
      }),
      { numRuns: 150 },
    );
  });
});
