import { vi } from 'vitest';

/** No machine is so busy that what comes at all has not come by then. Milliseconds. */
const LONGEST = 40_000;

/**
 * Waits until something holds, however long a busy machine takes: how long a thing takes is for the benchmarks to say.
 * @throws what was wrong last, where it does not come to hold at all.
 */
export function until<Seen>(holds: () => Seen | Promise<Seen>, interval = 50): Promise<Seen> {
  return vi.waitFor(holds, { timeout: LONGEST, interval });
}
