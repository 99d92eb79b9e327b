/** Keeps the screen awake as long as the page is seen, where the browser can. @returns what lets it sleep again */
export function awake(): () => void {
  let lock: WakeLockSentinel | null = null;
  let ended = false;
  const ask = () => {
    if (ended || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
    navigator.wakeLock.request('screen').then(
      (got) => {
        if (ended) void got.release();
        else lock = got;
      },
      // A battery that is low says no: the screen sleeps as it always does.
      () => undefined,
    );
  };
  ask();
  document.addEventListener('visibilitychange', ask);
  return () => {
    ended = true;
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  };
}
