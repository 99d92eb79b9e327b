import { beforeNavigate, goto } from '$app/navigation';
import type { Saver } from './saver.svelte.js';

/**
 * The other places of a pattern are made from what is saved of it: on the way to one of them what is unsaved goes first.
 * Called while the page is made. The shelf is not kept waiting: what is left unsaved there is saved behind it.
 */
export function leavingWhenSaved(saver: Saver): void {
  let tried = false;
  beforeNavigate(({ cancel, to, willUnload }) => {
    if (tried || willUnload || saver.clean || !to?.url.pathname.includes(saver.id)) return;
    cancel();
    void saver.flush().then(() => {
      // What could not be saved is kept here all the same: one goes on without it.
      tried = true;
      void goto(to.url);
    });
  });
}
