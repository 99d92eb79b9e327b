import { describe, expect, it } from 'vitest';
import { Several } from './several.svelte.js';

describe('several rows of a list', () => {
  it('are selected one by one, all at once, and let go', () => {
    const rows = new Several(() => ['a', 'b', 'c']);
    rows.toggle('b');
    expect(rows.chosen).toEqual(['b']);
    rows.toggleAll();
    expect(rows.chosen).toEqual(['a', 'b', 'c']);
    rows.toggleAll();
    expect(rows.chosen).toEqual([]);
  });

  it('are those that are shown: one out of sight is kept, and nothing is done to it', () => {
    let shown = ['a', 'b', 'c'];
    const rows = new Several(() => shown);
    rows.toggle('a');
    rows.toggle('c');
    shown = ['b', 'c'];
    expect(rows.chosen).toEqual(['c']);
    rows.toggleAll();
    rows.toggleAll();
    shown = ['a', 'b', 'c'];
    expect(rows.chosen).toEqual(['a']);
  });

  it('are gone through by keys, and no further than the last', () => {
    const rows = new Several(() => ['a', 'b']);
    expect([rows.step(1), rows.at]).toEqual([0, 'a']);
    rows.toggleHere();
    expect([rows.step(1), rows.step(1), rows.at]).toEqual([1, null, 'b']);
    expect([rows.step(-1), rows.step(-1), rows.at]).toEqual([0, null, 'a']);
    expect(rows.chosen).toEqual(['a']);
    expect(new Several(() => ['a', 'b']).step(-1)).toBe(1);
    expect(new Several(() => []).step(1)).toBeNull();
  });

  it('go on from the beginning where the row that one was at has gone', () => {
    let shown = ['a', 'b'];
    const rows = new Several(() => shown);
    rows.step(1);
    shown = ['b', 'c'];
    expect(rows.step(1)).toBe(0);
  });
});
