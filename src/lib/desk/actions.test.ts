import { describe, expect, it } from 'vitest';
import { actionFor, actionsOf, type ActionId } from './actions.js';

/** Actions that note their own name. */
function noting(): { actions: ReturnType<typeof actionsOf>; done: string[] } {
  const done: string[] = [];
  const doing = new Proxy({} as Record<ActionId, () => void>, { get: (_, id) => () => done.push(String(id)) });
  return { actions: actionsOf(doing), done };
}

const alt = { altKey: true, ctrlKey: false, metaKey: false, shiftKey: false };

describe('the keys of the Desk', () => {
  it('has no key twice, and no action twice', () => {
    const { actions } = noting();
    const keys = actions.flatMap(({ code, shift }) => (code ? [`${shift ? 'Shift ' : ''}${code}`] : []));
    expect(new Set(keys).size).toBe(keys.length);
    expect(new Set(actions.map(({ id }) => id)).size).toBe(actions.length);
  });

  it('writes the keys of each action that has one', () => {
    for (const { code, keys } of noting().actions) expect(keys === undefined).toBe(code === undefined);
  });

  it.each([
    [{ ...alt, code: 'KeyT' }, 'tick'],
    [{ ...alt, code: 'KeyF' }, 'fold'],
    [{ ...alt, code: 'KeyF', shiftKey: true }, 'fold-all'],
    [{ ...alt, code: 'Digit3' }, 'fix-3'],
  ])('does what a key stands for: %o', (key, id) => {
    const { actions, done } = noting();
    actionFor(actions, key)?.run();
    expect(done).toEqual([id]);
  });

  it.each([
    [{ ...alt, altKey: false, code: 'KeyT' }],
    [{ ...alt, ctrlKey: true, code: 'KeyT' }],
    [{ ...alt, metaKey: true, code: 'ArrowDown' }],
    [{ ...alt, shiftKey: true, code: 'KeyT' }],
    [{ ...alt, code: 'KeyQ' }],
  ])('leaves every other key to the manuscript: %o', (key) => {
    expect(actionFor(noting().actions, key)).toBeNull();
  });
});
