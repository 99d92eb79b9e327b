import { describe, expect, it } from 'vitest';
import { actionFor, actionsOf, goingTo, type ActionId } from './actions.js';
import { HOUSE, PATTERN } from './places.js';

/** Actions that note their own name, of some groups of the table. */
function noting(...groups: readonly string[]): { actions: ReturnType<typeof actionsOf>; done: string[] } {
  const done: string[] = [];
  const doing = new Proxy({} as Record<ActionId, () => void>, { get: (_, id) => () => done.push(String(id)) });
  const all = actionsOf(doing);
  return { actions: groups.length === 0 ? all : all.filter(({ group }) => groups.includes(group)), done };
}

const alt = { altKey: true, ctrlKey: false, metaKey: false, shiftKey: false, key: '' };
const bare = { ...alt, altKey: false, code: '' };
/** The groups that are never there together. */
const PAGES = [
  ['Rounds', 'Findings', 'Parts', 'Text', 'Places'],
  ['Changes', 'Places'],
  ['Shape', 'Places'],
  ['Tests', 'Places'],
  ['List', 'Places'],
];

describe('the table of actions', () => {
  it('has no key twice on a page, and no action twice', () => {
    for (const groups of PAGES) {
      const { actions } = noting(...groups);
      const keys = actions.flatMap(({ keys: written }) => written ?? []);
      expect(new Set(keys).size).toBe(keys.length);
    }
    const { actions } = noting();
    expect(new Set(actions.map(({ id }) => id)).size).toBe(actions.length);
  });

  it('writes the keys of each action as they are pressed', () => {
    for (const { code, bare: alone, shift, keys } of noting().actions) {
      expect(keys === undefined).toBe(code === undefined && alone === undefined);
      if (code) expect(keys).toMatch(shift ? /^Alt Shift / : /^Alt (?!Shift)/);
    }
  });

  it('names the places with the keys that they are shown with', () => {
    const { actions } = noting('Places');
    for (const { id, text, keys } of [...HOUSE, ...PATTERN])
      expect(actions).toContainEqual(expect.objectContaining({ id: `go-${id}`, text, keys }));
  });

  it('has those alone that a page does something for', () => {
    expect(actionsOf({ finder: () => undefined, tick: () => undefined }).map(({ id }) => id)).toEqual([
      'tick',
      'finder',
    ]);
  });
});

describe('the keys', () => {
  it.each([
    [{ ...alt, code: 'KeyT' }, 'tick'],
    [{ ...alt, code: 'KeyF' }, 'fold'],
    [{ ...alt, code: 'KeyF', shiftKey: true }, 'fold-all'],
    [{ ...alt, code: 'Digit3' }, 'fix-3'],
    [{ ...alt, code: 'KeyT', shiftKey: true }, 'go-terms'],
  ])('do what they stand for: %o', (key, id) => {
    const { actions, done } = noting('Rounds', 'Findings', 'Parts', 'Places');
    actionFor(actions, key, true)?.run();
    expect(done).toEqual([id]);
  });

  it.each([
    [{ ...alt, altKey: false, code: 'KeyT' }],
    [{ ...alt, ctrlKey: true, code: 'KeyT' }],
    [{ ...alt, metaKey: true, code: 'ArrowDown' }],
    [{ ...alt, shiftKey: true, code: 'KeyG' }],
    [{ ...alt, code: 'KeyV' }],
  ])('are left to the text where they stand for nothing: %o', (key) => {
    expect(actionFor(noting().actions, key, true)).toBeNull();
  });

  it('alone do something only where nothing is typed', () => {
    const { actions } = noting('List', 'Places');
    expect(actionFor(actions, { ...bare, key: 'n' }, false)?.id).toBe('take-in');
    expect(actionFor(actions, { ...bare, key: 'n' }, true)).toBeNull();
    expect(actionFor(actions, { ...bare, key: 'n', ctrlKey: true }, false)).toBeNull();
    expect(actionFor(actions, { ...bare, key: 'Q' }, false)).toBeNull();
  });
});

describe('going to a place', () => {
  it('leads to those of the house, and to those of a pattern where there is one', () => {
    const gone: string[] = [];
    const go = (href: string) => gone.push(href);
    for (const { run } of actionsOf(goingTo('p1', true, go))) run();
    expect(gone).toEqual([
      '/',
      '/plan',
      '/trainer',
      '/rules',
      '/style',
      '/card',
      '/workspace',
      '/people',
      '/intake/p1',
      '/desk/p1',
      '/drafts/p1',
      '/queries/p1',
      '/terms/p1',
      '/shape/p1',
      '/tests/p1',
      '/release/p1',
      '/desk/p1/rules',
    ]);
    expect(actionsOf(goingTo(null, true, go)).map(({ id }) => id)).toEqual([
      'go-shelf',
      'go-plan',
      'go-trainer',
      'go-rules',
      'go-style',
      'go-card',
      'go-workspace',
      'go-people',
    ]);
    // What is the owner’s is not led to by others.
    expect(actionsOf(goingTo(null, false, go)).map(({ id }) => id)).toEqual([
      'go-shelf',
      'go-plan',
      'go-trainer',
      'go-rules',
      'go-style',
      'go-card',
    ]);
  });
});
