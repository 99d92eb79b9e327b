import { describe, expect, it } from 'vitest';
import { readPattern } from './read.js';

/** The count that a round states, `18`, with its kinds where it names them; `–` where it states none. */
function stated(round: string, terms: 'US' | 'UK' = 'US'): string {
  const text = `${terms} terms\n\nBALL\nRnd 1: 6 ${terms === 'US' ? 'sc' : 'dc'} in MR\nRnd 2: ${round}\nFasten off.\n`;
  const found = readPattern(text).parts[0]?.stretches[0]?.rounds[1]?.stated;
  if (!found) return '–';
  const kinds = found.breakdown.map(({ stitch, count }) => `${count} ${stitch}`).join(', ');
  return kinds === '' ? String(found.total) : `${found.total}: ${kinds}`;
}

describe('how a hand states its count', () => {
  it.each([
    ['sc, inc around (18)', '18'],
    ['sc, inc around (18 sts)', '18'],
    ['sc, inc around (18 sts.)', '18'],
    ['sc, inc around (18 st)', '18'],
    ['sc, inc around (18 stitches)', '18'],
    ['sc, inc around (18 stitches in total)', '18'],
    ['sc, inc around (18 sts total)', '18'],
    ['sc, inc around (total: 18)', '18'],
    ['sc, inc around (= 18)', '18'],
    ['sc, inc around (18 sc)', '18: 18 step1'],
    ['sc, inc around [18]', '18'],
    ['sc, inc around, change to rust on the last st [18]', '18'],
    ['sc, inc around, changing to Rust (18 sts)', '18'],
    ['sc, inc around [18 sts]', '18'],
    ['sc, inc around {18}', '18'],
    ['sc, inc around <18>', '18'],
    ['sc, inc around - 18', '18'],
    ['sc, inc around – 18 sts', '18'],
    ['sc, inc around — 18 sts', '18'],
    ['sc, inc around = 18', '18'],
    ['sc, inc around = 18 sts', '18'],
    ['sc, inc around → 18', '18'],
    ['sc, inc around -> 18', '18'],
    ['sc, inc around / 18', '18'],
    ['sc, inc around | 18', '18'],
    ['sc, inc around: 18', '18'],
    ['sc, inc around; 18 sts', '18'],
    ['sc, inc around, 18 sts', '18'],
    ['sc, inc around. 18 sts.', '18'],
    ['sc, inc around. (18)', '18'],
    ['sc, inc around. [18 sts]', '18'],
    ['sc, inc around .... 18', '18'],
    ['sc, inc around (18).', '18'],
    ['sc, inc around **(18)**', '18'],
    ['sc, inc around *18*', '18'],
    ['sc, inc around (18) stuff a little', '18'],
    ['sc, inc around (18) – BLO', '18'],
    ['sc, inc around (18), join', '18'],
    ['sc, inc around (18). Fasten off.', '18'],
    ['sc, inc around (18) (this is the neck)', '18'],
    ['sc, inc around. You will have 18 sts.', '18'],
    ["sc, inc around. You'll have 18 stitches", '18'],
    ['sc, inc around. You should have 18 sts now.', '18'],
    ['sc, inc around. You now have 18 stitches', '18'],
    ['sc, inc around, making 18 stitches', '18'],
    ['sc, inc around, which makes 18', '18'],
    ['sc, inc around to make 18 stitches', '18'],
    ['sc, inc around for a total of 18 sts', '18'],
    ['sc, inc around; total 18', '18'],
    ['sc, inc around. Total: 18 sts', '18'],
    ['sc, inc around. Stitch count: 18', '18'],
    ['sc, inc around (eighteen)', '18'],
    ['sc, inc around – eighteen stitches', '18'],
    ['(sc, inc) x 6 (18)', '18'],
    ['(sc, inc) x 6 18', '18'],
    ['(sc, inc) x 6 [18]', '18'],
    ['[sc, inc] x 6 [18]', '18'],
    ['[sc, inc] 6 times (18 sts)', '18'],
    ['*sc, inc* x 6 (18)', '18'],
    ['sc 18 (18)', '18'],
    ['18 sc (18)', '18'],
  ])('%s', (round, expected) => {
    expect(stated(round)).toBe(expected);
  });
});

describe('a count by kinds', () => {
  it.each([
    ['sc 9, hdc 9 (9 sc, 9 hdc)', '18: 9 step1, 9 step1half'],
    ['sc 9, hdc 9 (18: 9 sc, 9 hdc)', '18: 9 step1, 9 step1half'],
    ['sc 12, ch 2, sc 4 (16 sc, 2 ch)', '18: 16 step1, 2 chain'],
    ['dc 20 (20 dc)', '20'],
  ])('%s', (round, expected) => {
    const found = stated(round);
    expect(found.split(':')[0]).toBe(expected.split(':')[0]);
    expect(found.split(',').length).toBe(expected.split(',').length);
  });
});

describe('figures that are no count', () => {
  it.each([
    'sc, inc around (place marker)',
    'sc 6 (white), sc 6 (red)',
    '(sc, inc) x 6',
    '(sc 1, inc 1) repeat 6 times',
    'sc, inc around (repeat 6 times)',
    'sc, inc around (6 times)',
    'sc, inc around (see photo 4)',
    'sc, inc around (about 4 cm)',
    'sc, inc around (hook 3 mm)',
    'sc, inc around (Rnd 12 of the head)',
    'sc in next 6 sts',
    'sc around, eyes 5 sts apart',
    'sc in each of the 6 sts',
    'sc around (6 rounds)',
    'sc around for 3 rounds',
  ])('%s', (round) => {
    expect(stated(round)).toBe('–');
  });
});

describe('a count that more is said of', () => {
  it.each([
    ['sc around (3 rounds, 18 sts)', '18'],
    ['sc around (18 sts, 3 rounds)', '18'],
    ['sc around (18 in each round)', '18'],
    ['sc around (18 sts each round)', '18'],
    ['sc around (18) x 3 rounds', '18'],
    ['ch 1, sc around, join (18 sts)', '18'],
    ['sc 16, leave 2 sts unworked (16)', '16'],
    ['dec x 3, 12 sc (15), stuff', '15'],
    ['inc x 6 (12) (white)', '12'],
    ['inc x 6 (white) (12)', '12'],
  ])('%s', (round, expected) => {
    expect(stated(round)).toBe(expected);
  });
});
