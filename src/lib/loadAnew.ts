import { untrack } from 'svelte';
import { invalidate, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';

/** By what name a page says what it rests on. */
export type Loaded = `dostik:${string}`;

/**
 * Has what a page rests on loaded anew: what depends on these names, or `'all'` of it. On the way to another
 * page it waits for the arrival, since the way would be given up for it, and whoever pressed the key would stay behind.
 * @returns when it is there. What can't be loaded is the page's to say.
 */
export async function loadAnew(...what: readonly (Loaded | 'all')[]): Promise<void> {
  const underWay = untrack(() => navigating.complete);
  // Whoever turned back halfway is still on a page.
  if (underWay) await underWay.catch(() => undefined);
  await Promise.all(what.map((name) => (name === 'all' ? invalidateAll() : invalidate(name))));
}
