import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { loadAnew } from './loadAnew.js';
import { begin, invalidate, invalidateAll } from './testing/navigation.js';
import { navigating } from './testing/state.svelte.js';

describe('what is loaded anew', () => {
  beforeEach(begin);
  afterEach(() => {
    navigating.complete = null;
  });

  it('is asked for at once on a page that nobody leaves', async () => {
    const loading = loadAnew('dostik:terms', 'dostik:standing');
    expect(invalidate.mock.calls).toEqual([['dostik:terms'], ['dostik:standing']]);
    await loading;
    expect(invalidateAll).not.toHaveBeenCalled();
  });

  it('waits for whoever is on the way to another page', async () => {
    let arrive = (): void => undefined;
    navigating.complete = new Promise((arrived) => (arrive = arrived));
    const loading = loadAnew('all');
    await Promise.resolve();
    expect(invalidateAll).not.toHaveBeenCalled();
    arrive();
    await loading;
    expect(invalidateAll).toHaveBeenCalledOnce();
  });

  it('is asked for where somebody turned back halfway', async () => {
    navigating.complete = Promise.reject(new Error('navigation aborted'));
    await loadAnew('dostik:shelf');
    expect(invalidate).toHaveBeenCalledWith('dostik:shelf');
  });
});
