import { describe, expect, it } from 'vitest';
import { convertTerms } from './convert.js';
import { termsEvidence } from './evidence.js';

const US = 'US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n';
const UK = US.replace('US', 'UK').replace(' sc ', ' dc ');

/** A line of a pattern as it is written in the other terms. */
function converted(line: string, to: 'us' | 'uk', along: Partial<Parameters<typeof convertTerms>[1]> = {}): string {
  const head = to === 'uk' ? US : UK;
  const { text } = convertTerms(`${head}${line}\nFasten off.\n`, { to, ...along });
  return text.split('\n').slice(5, -2).join('\n');
}

describe('a line in both terms', () => {
  it.each([
    ['Rnd 3: sc around (12)', 'Rnd 3: dc around (12)'],
    ['Rnd 3: SC AROUND (12)', 'Rnd 3: DC AROUND (12)'],
    ['Rnd 3: Sc around (12)', 'Rnd 3: Dc around (12)'],
    ['Rnd 3: hdc 12 (12)', 'Rnd 3: htr 12 (12)'],
    ['Rnd 3: dc 12 (12)', 'Rnd 3: tr 12 (12)'],
    ['Rnd 3: tr 12 (12)', 'Rnd 3: dtr 12 (12)'],
    ['Rnd 3: sc 3, hdc 3, dc 3, tr 3 (12)', 'Rnd 3: dc 3, htr 3, tr 3, dtr 3 (12)'],
    ['Rnd 3: 12sc (12)', 'Rnd 3: 12dc (12)'],
    ['Rnd 3: sc12 (12)', 'Rnd 3: dc12 (12)'],
    ['Rnd 3: sc2tog x 6 (6)', 'Rnd 3: dc2tog x 6 (6)'],
    ['Rnd 3: dc2tog x 6 (6)', 'Rnd 3: tr2tog x 6 (6)'],
    ['Rnd 3: sc-inc x 12 (24)', 'Rnd 3: dc-inc x 12 (24)'],
    ['Rnd 3: (sc, inc) x 6 (18 sc)', 'Rnd 3: (dc, inc) x 6 (18 dc)'],
    ['Rnd 3: FPsc 6, BPdc 6 (12)', 'Rnd 3: FPdc 6, BPtr 6 (12)'],
    ['Rnd 3: single crochet in each stitch around (12)', 'Rnd 3: double crochet in each stitch around (12)'],
    ['Rnd 3: Half Double Crochet around (12)', 'Rnd 3: Half Treble Crochet around (12)'],
    ['Rnd 3: 12 single crochets (12)', 'Rnd 3: 12 double crochets (12)'],
    ['Rnd 3: skip 2, sc 10 (10)', 'Rnd 3: miss 2, dc 10 (10)'],
    ['Rnd 3: sk 2, sc 10 (10)', 'Rnd 3: miss 2, dc 10 (10)'],
    ['Rnd 3: sl st 12 (12)', 'Rnd 3: sl st 12 (12)'],
    ['Rnd 3: ch 1, sc around, sl st to first sc (12)', 'Rnd 3: ch 1, dc around, sl st to first dc (12)'],
    ['Rnd 3: BLO sc around (12)', 'Rnd 3: BLO dc around (12)'],
    ['Rnd 3: (sc 1, inv dec) x 4 (8)', 'Rnd 3: (dc 1, inv dec) x 4 (8)'],
    ['Rnd 3: sc 11, bobble (12)', 'Rnd 3: dc 11, bobble (12)'],
    ['Rnd 3: rsc around (12)', 'Rnd 3: rdc around (12)'],
  ])('%s  ⇄  %s', (us, uk) => {
    expect(converted(us, 'uk')).toBe(us === uk ? us : uk);
    // "miss" has one short form in UK terms and two in US ones.
    if (!us.includes('sk ')) expect(converted(uk, 'us')).toBe(us);
  });

  it.each([
    ['Rnd 3: ss 12 (12)', 'Rnd 3: sl st 12 (12)'],
    ['Rnd 3: RtrF 6, dc 6 (12)', 'Rnd 3: FPdc 6, sc 6 (12)'],
  ])('UK alone: %s → %s', (uk, us) => {
    expect(converted(uk, 'us')).toBe(us);
  });
});

describe('what must not be touched', () => {
  it.each([
    'Work with a double strand.',
    'Double-check your count.',
    'Use double knitting (DK) yarn.',
    "Don't miss the next part.",
    'Skip to the next part if you like.',
    'Keep an even tension.',
    'Embroider a treble clef on the front.',
    'See https://example.test/sc-pattern for more.',
    'Mark "sc" on your card.',
    'Stuff with single sheets.',
  ])('%s', (line) => {
    expect(converted(line, 'uk')).toBe(line);
  });
});

describe('what goes along where it is asked for', () => {
  it.each([
    ['Grey and colorful', { spelling: true }, 'Grey and colourful'],
    ['Any color will do', { spelling: true }, 'Any colour will do'],
    ['Any color will do', {}, 'Any color will do'],
    ['Worsted yarn in Sand', { weights: true }, 'Aran yarn in Sand'],
    ['Bulky yarn in Sand', { weights: true }, 'Chunky yarn in Sand'],
    ['Worsted yarn in Sand', {}, 'Worsted yarn in Sand'],
  ])('%s %j', (line, along, expected) => {
    expect(converted(line, 'uk', along)).toBe(expected);
  });
});

describe('which terms a text is in', () => {
  it.each([
    ['Rnd 1: 6 sc in MR (6)\nRnd 2: hdc 6 (6)\n', 'us'],
    ['Rnd 1: 6 htr in MR (6)\nRnd 2: miss 1, htr 5 (5)\n', 'uk'],
    ['Rnd 1: 6 dc in MR (6)\nRnd 2: 2 dc in each (12)\nRnd 3: (dc 1, 2 dc in next) x 6 (18)\n', 'uk'],
    ['Rnd 1: 12 dc in MR (12)\nRnd 2: 2 dc in each (24)\nRnd 3: (dc 1, 2 dc in next) x 12 (36)\n', 'us'],
    ['A letter to my aunt.\n', 'unclear'],
  ])('%j: %s', (text, detected) => {
    expect(termsEvidence(text).detected).toBe(detected);
  });

  it.each([
    ['US terms', ['us']],
    ['This pattern is written in British terminology.', ['uk']],
    ['UK crochet terms used throughout', ['uk']],
    ['American terms, with British ones in brackets', ['us']],
    ['Made in the US', []],
  ])('what it says of itself: %s', (line, declared) => {
    const found = termsEvidence(`${line}\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n`);
    expect(found.declared.map(({ vocabulary }) => vocabulary)).toEqual(declared);
  });

  it('is told by its words, with how often and where each stands first', () => {
    const { words } = termsEvidence('BALL\nRnd 1: 6 sc in MR (6)\nRnd 2: sc 6 (6)\nRnd 3: hdc 6 (6)\n');
    expect(words).toContainEqual(expect.objectContaining({ word: 'sc', tells: 'us', count: 2, line: 2 }));
    expect(words).toContainEqual(expect.objectContaining({ word: 'hdc', tells: 'us', count: 1, line: 4 }));
  });
});
