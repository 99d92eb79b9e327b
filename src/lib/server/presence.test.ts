import { describe, expect, it } from 'vitest';
import { Presence } from './presence.js';

describe('who has a pattern open', () => {
  it('are all others who have said so a moment ago, and where they are', () => {
    const presence = new Presence();
    expect(presence.here('ball', { window: 'a', at: 'Rnd 1' }, 'Una', 0)).toEqual([]);
    expect(presence.here('ball', { window: 'b', at: 'Rnd 2' }, 'Ines', 1000)).toEqual([{ who: 'Una', at: 'Rnd 1' }]);
    expect(presence.here('ball', { window: 'a', at: 'Rnd 3' }, 'Una', 2000)).toEqual([{ who: 'Ines', at: 'Rnd 2' }]);
    expect(presence.here('ball', { window: 'd', at: '' }, 'Una', 2000)).toEqual([
      { who: '', at: 'Rnd 3' },
      { who: 'Ines', at: 'Rnd 2' },
    ]);
    expect(presence.here('cube', { window: 'c', at: '' }, 'Ines', 2000)).toEqual([]);
    // Who says nothing any more is gone.
    expect(presence.here('ball', { window: 'a', at: 'Rnd 3' }, 'Una', 17_500)).toEqual([]);
  });

  it('are no more than can be kept in mind', () => {
    const presence = new Presence();
    for (let i = 0; i < 80; i += 1) presence.here('ball', { window: `w${i}`, at: '' }, '', 0);
    expect(presence.here('ball', { window: 'last', at: '' }, '', 0).length).toBeLessThanOrEqual(50);
    for (let i = 0; i < 6000; i += 1) presence.here(`p${i}`, { window: 'w', at: '' }, '', 0);
    expect(presence.here('ball', { window: 'again', at: '' }, '', 0)).toEqual([]);
  });
});
