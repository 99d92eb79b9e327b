import { describe, expect, it } from 'vitest';
import { gaugeIn } from './gauge.js';

/** Width and height of a one-step stitch, in mm to one place, as one string; "-" for what is not said. */
function told(words: string, vocabulary: 'us' | 'uk' = 'us'): string {
  const said = gaugeIn(words, vocabulary);
  const figure = (value: number | null | undefined) => value?.toFixed(1) ?? '-';
  return `${figure(said?.width)} x ${figure(said?.height)}`;
}

describe('what is said of the gauge, in the words of many hands', () => {
  it.each([
    ['Gauge: 24 sts and 26 rounds to 10 cm in sc.', '4.2 x 3.8'],
    ['Gauge: 5 sc = 1 inch.', '5.1 x -'],
    ['Gauge: 5 sc x 5 rnds = 1"', '5.1 x 5.1'],
    ['GAUGE: 5 sc and 6 rnds = 1 inch', '5.1 x 4.2'],
    ['your tension: 12 sc and 13 rounds measure 5 cm.', '4.2 x 3.8'],
    ['10 cm = 22 sts x 24 rows', '4.5 x 4.2'],
    ['22 stitches / 10cm', '4.5 x -'],
    ['4 in square = 18 sts and 20 rows of single crochet', '5.6 x 5.1'],
    ['Tension 20 sts × 22 rows per 10×10 cm', '5.0 x 4.5'],
    ['1 inch: 5 sts, 6 rows', '5.1 x 4.2'],
    ['Gauge: 8 sc rnds to 10 cm', '- x 12.5'],
    ['In 10 centimetres I get 25 stitches and 25 rounds.', '4.0 x 4.0'],
    ['Each stitch is about 5 mm wide.', '5.0 x -'],
    ['a stitch is 5 mm wide and 4.5 mm tall', '5.0 x 4.5'],
    ['10 sc over 2 inches', '5.1 x -'],
    ['gauge 6 st per inch', '4.2 x -'],
    ['5½ sts to the inch', '4.6 x -'],
    ['M: 21 sts & 23 rnds on 10 cm', '4.8 x 4.3'],
    ['24 sts to 4 inches and 26 rows to 10 cm', '4.2 x 3.8'],
    ['Six rounds of 6 increases measure 6 cm across', '- x 5.0'],
    ['a disc of 5 rounds is 5 cm in diameter', '- x 5.0'],
    ['Ten stitches measure 4.5 cm', '4.5 x -'],
  ])('%s', (words, expected) => {
    expect(told(words)).toBe(expected);
  });

  it('by the height of the stitch that it is measured in', () => {
    expect(told('10 sts and 12 rounds to 10 cm over dc.')).toBe('10.0 x 4.2');
    expect(told('10 sts and 12 rounds to 10 cm over dc.', 'uk')).toBe('10.0 x 8.3');
    expect(told('Gauge: 8 dc rnds to 10 cm.')).toBe('- x 6.3');
    expect(told('18 htr and 14 rows to 10 cm', 'uk')).toBe('5.6 x 5.4');
  });

  it.each([
    'Gauge is not important.',
    'Tension is unimportant so long as the work is firm.',
    'Leave 30 cm of yarn.',
    'Gauge: 0 sts to 10 cm',
    'Gauge: 24 sts to 0 cm',
    'Gauge: 24 sts',
    '10 cm tall, 24 sts in the last round',
    'Sew 5 sts over 1 cm of felt? No.',
    'hook 3 mm, 24 stitch markers',
    '',
  ])('nothing: %s', (words) => {
    expect(gaugeIn(words, 'us')).toBeNull();
  });
});
