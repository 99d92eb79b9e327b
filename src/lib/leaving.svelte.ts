import { beforeNavigate, goto } from '$app/navigation';

/**
 * For a page of settings, called while it is made: what it returns takes note of a setting that is on its way. The page is
 * left only when all have arrived or failed, since the next one is made from them; each has a time limit of its own.
 */
export function leavingWhenKept(): <Kept>(setting: Promise<Kept>) => Promise<Kept> {
  const pending = new Set<Promise<unknown>>();
  beforeNavigate(({ cancel, to, delta, willUnload }) => {
    if (willUnload || !to || pending.size === 0) return;
    cancel();
    void Promise.allSettled(pending).then(() => {
      if (delta) history.go(delta);
      else void goto(to.url);
    });
  });
  return (setting) => {
    const done = setting.finally(() => pending.delete(done));
    pending.add(done);
    return done;
  };
}
