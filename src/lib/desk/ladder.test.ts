import { describe, expect, it } from 'vitest';
import { checkPattern } from '../../core/index.js';
import { draw, yarnColours } from './ladder.js';

function ladderOf(line: string) {
  const { account } = checkPattern(`US terms\n\nBALL\nRnd 1: 6 sc in MR (6)\nRnd 2: inc x 6 (12)\n${line}\n`, 'x');
  const ladder = account(2)?.ladder;
  if (!ladder) throw new Error('no ladder');
  return ladder;
}

describe('the drawing of a ladder', () => {
  it('hangs every made stitch from the stitches that it is worked into', () => {
    const { edge, rungs } = draw(ladderOf('Rnd 3: inc, dec, sc 9 (12)'), false);
    expect(edge).toHaveLength(12);
    expect(rungs.slice(0, 3).map(({ from }) => from)).toEqual([[edge[0]?.x], [edge[0]?.x], [edge[1]?.x, edge[2]?.x]]);
  });

  it('marks what is left over, missed, and not there', () => {
    const states = (line: string) => draw(ladderOf(line), false).edge.map(({ state }) => state);
    expect(states('Rnd 3: sk 1, sc 9 (9)').filter((state) => state !== 'used')).toEqual(['missed', 'left', 'left']);
    expect(states('Rnd 3: sc 14 (14)').slice(-2)).toEqual(['beyond', 'beyond']);
  });

  it('leaves out passes that are alike, and shows them when asked', () => {
    const ladder = ladderOf('Rnd 3: (4 dc in next st) x 12 (48)');
    const short = draw(ladder, false);
    expect(short.gap?.passes).toBe(9);
    expect(short.rungs).toHaveLength(12);
    expect(draw(ladder, true)).toMatchObject({ gap: null });
    expect(draw(ladder, true).rungs).toHaveLength(48);
    expect(short.width).toBeLessThan(draw(ladder, true).width);
  });

  it('gives each yarn a colour of its own', () => {
    const colours = yarnColours(ladderOf('Rnd 3: *with Ember sc 2, with white sc 2; rep from * around (12)'));
    expect([...colours.keys()]).toEqual(['Ember', 'white']);
    expect(new Set(colours.values()).size).toBe(2);
  });
});
