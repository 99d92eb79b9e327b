import { describe, expect, it } from 'vitest';
import { HOOKS, hookNamed, hookOf } from './hooks.js';
import { STITCHES } from './stitches.js';
import { YARN_WEIGHTS } from './yarns.js';

/** The tables once more, as one writes them down on a card: what one of the two says wrongly, the other does not. */
const HOOK_CARD =
  '2 – – 14 · 2.25 B/1 13 · 2.5 – 12 · 2.75 C/2 – · 3 – 11 · 3.25 D/3 10 · 3.5 E/4 9 · 3.75 F/5 – · 4 G/6 8 · 4.5 7 7 · 5 H/8 6 · 5.5 I/9 5 · 6 J/10 4 · 6.5 K/10½ 3 · 7 – 2 · 8 L/11 0 · 9 M/13 00 · 10 N/15 000'.replaceAll(
    '– –',
    '–',
  );
const YARN_CARD =
  '0 lace, thread – 1 to 2 ply · 1 super fine, fingering, sock – 3 to 4 ply · 2 fine, sport, baby – 4 ply to light DK · 3 light, DK – DK · 4 medium, worsted – aran · 5 bulky – chunky · 6 super bulky – super chunky · 7 jumbo – jumbo';

it('hooks have their sizes, letters and old numbers', () => {
  expect(HOOKS.map(({ millimetres, us, uk }) => `${millimetres} ${us ?? '–'} ${uk ?? '–'}`).join(' · ')).toBe(
    HOOK_CARD,
  );
});

it('yarn weights have their numbers and names', () => {
  expect(YARN_WEIGHTS.map(({ number, us, uk }) => `${number} ${us.join(', ')} – ${uk.join(', ')}`).join(' · ')).toBe(
    YARN_CARD,
  );
});

describe('a hook', () => {
  it.each([
    [3.5, 'E/4'],
    [3.505, 'E/4'],
    [3.52, undefined],
    [10, 'N/15'],
    [11, undefined],
  ])('of %f mm is %s', (millimetres, us) => {
    expect(hookOf(millimetres)?.us).toBe(us);
  });

  it.each([
    ['e', 3.5],
    ['H', 5],
    ['h/8', 5],
    ['Z', undefined],
  ])('called %s has its size', (letter, millimetres) => {
    expect(hookNamed(letter)?.millimetres).toBe(millimetres);
  });
});

describe('stitches', () => {
  it.each([
    ['step1', 'single crochet', 'sc', 'double crochet', 'dc'],
    ['step1half', 'half double crochet', 'hdc', 'half treble crochet', 'htr'],
    ['step2', 'double crochet', 'dc', 'treble crochet', 'tr'],
    ['step3', 'treble crochet', 'tr', 'double treble crochet', 'dtr'],
    ['step4', 'double treble crochet', 'dtr', 'triple treble crochet', 'trtr'],
    ['step5', 'triple treble crochet', 'trtr', 'quadruple treble crochet', 'qtr'],
    ['extended1', 'extended single crochet', 'esc', 'extended double crochet', 'edc'],
    ['foundation1', 'foundation single crochet', 'fsc', 'foundation double crochet', 'fdc'],
    ['reverse1', 'reverse single crochet', 'rsc', 'reverse double crochet', 'rdc'],
    ['chain', 'chain stitch', 'ch', 'chain stitch', 'ch'],
    ['slip', 'slip stitch', 'sl st', 'slip stitch', 'sl st'],
  ])('%s is "%s" (%s) in US and "%s" (%s) in UK terms', (id, usLong, usShort, ukLong, ukShort) => {
    const stitch = STITCHES.find((one) => one.id === id);
    expect(stitch?.us.long[0]).toBe(usLong);
    expect(stitch?.us.short[0]).toBe(usShort);
    expect(stitch?.uk.long[0]).toBe(ukLong);
    expect(stitch?.uk.short[0]).toBe(ukShort);
  });

  it.each(['us', 'uk'] as const)('have each name once in %s terms', (vocabulary) => {
    const names = STITCHES.flatMap((stitch) => [...stitch[vocabulary].long, ...stitch[vocabulary].short]);
    expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
  });
});
