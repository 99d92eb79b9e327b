import { describe, expect, it } from 'vitest';
import { checkPattern } from '../index.js';
import { readPattern } from '../reading/read.js';
import { proseOf } from '../document/prose.js';
import { finishedSizeOf } from './finishedSize.js';

const BALL = '\n\nBALL\nRnd 1: 6 sc in MR (6)\nFasten off, leaving a tail of 20 cm.\n';

function told(words: string): string {
  const pattern = readPattern(`${words}${BALL}`, { terms: 'auto' });
  const said = finishedSizeOf(pattern, proseOf(pattern).talk);
  return said ? `${Math.round(said.millimetres)} ${said.way}` : '-';
}

describe('the finished size, in the words of many hands', () => {
  it.each([
    ['Puffin\nMarram & Tide, spring list, no. 1. About 14 cm tall.', '140 tall'],
    ['A small sea bird for a windy shelf. About 12 cm (4 3/4") tall.', '120 tall'],
    ['Fox\nFinished size: approximately 22 cm tall when made with the yarn and hook indicated.', '220 tall'],
    ['Tug\nHello! She is 15 cm from stem to stern and floats.', '150 long'],
    ['Bunny "Kissel", 15 cm', '150 any'],
    ['MERMAID (22 cm)', '220 any'],
    ['Mouse\nSize 11cm', '110 any'],
    ['Mouse\nSize: about 4 1/2" nose to rump. Gauge isnt critical', '114 long'],
    ['**Design:** I. P.  |  **Size:** 16 cm long  |  **Terms:** US', '160 long'],
    ['Gull\nAmigurumi pattern. 24 cm from beak to toe', '240 long'],
    ['R O C K E T   /   US terms   /   17 cm', '170 any'],
    ['Pear\nDesigned for a 2.25 mm hook and fingering cotton. Finished pear: about 7 cm.', '70 any'],
    ['Duck\nfor the bathroom shelf about 15 cm tall', '150 tall'],
    ['Owl\nIt will be six inches high.', '152 tall'],
    ['Owl\nMeasures 6" tall and 4" wide.', '152 tall'],
    ['Crab\nThe crab is 9 cm wide.', '90 wide'],
    ['Egg\nHeight: 8.5 cm', '85 tall'],
    ['Egg\nComes out at roughly 3 in. tall.', '76 tall'],
    ['Egg\n> US terms • intermediate • about 11 cm tall', '110 tall'],
  ])('%s', (words, expected) => {
    expect(told(words)).toBe(expected);
  });

  it.each([
    'Owl\nGauge: 24 sts to 10 cm.',
    'Teapot\nabout as tall as a real mug',
    'Owl\nMaterials: 30 cm of wire, hook 3 mm, safety eyes 8 mm',
    'Owl\nLeave 15 cm tails everywhere.',
    'Owl\nTension: 12 dc and 13 rounds measure 5 cm.',
    'Scarf\nRepeat until it measures 30 cm.',
    'Owl\nKeep 10 cm away from flames.',
    'Owl',
  ])('nothing: %s', (words) => {
    expect(told(words)).toBe('-');
  });

  it('is read where the title is the only heading', () => {
    const text =
      'Sardine, a flat fish\n\nI used sock yarn, 2 mm hook. American terms. Finished fish is 12 cm long.\n\nRow 1: ch 31, sc in 2nd ch from hook and across (30)\n';
    const pattern = readPattern(text, { terms: 'auto' });
    expect(finishedSizeOf(pattern, proseOf(pattern).talk)).toMatchObject({ millimetres: 120, way: 'long' });
  });

  it('is read without harm from anything', () => {
    expect(() => checkPattern(`${'9'.repeat(500)} cm tall`, '')).not.toThrow();
  });
});
