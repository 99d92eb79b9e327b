/** Stands in for `$app/state` where components are tested on their own. */
import { SvelteURL } from 'svelte/reactivity';

export const page = $state({
  url: new SvelteURL('http://dostik.test/'),
  status: 200,
  error: null as { message: string } | null,
  state: {},
});
export const navigating = { complete: null as Promise<void> | null };
/** `found`: what looking for a newer version comes to. */
export const updated = $state({ current: false, found: false, check: () => Promise.resolve(updated.found) });
