import { beforeNavigate, goto } from '$app/navigation';

/**
 * For a page of settings, called while it is made: what it returns takes note of a setting that is on its way. The page is
 * left only when all have arrived or failed, since the next one is made from them; each has a time limit of its own.
 */
export function leavingWhenKept(): <Kept>(setting: Promise<Kept>) => Promise<Kept> {
  let pending: readonly Promise<unknown>[] = [];
  beforeNavigate(({ cancel, to, delta, willUnload }) => {
    if (willUnload || !to || pending.length === 0) return;
    cancel();
    void Promise.allSettled(pending).then(() => {
      if (delta) history.go(delta);
      else void goto(to.url);
    });
  });
  return (setting) => {
    pending = [...pending, setting];
    return setting.finally(() => (pending = pending.filter((other) => other !== setting)));
  };
}
