import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Keeps } from './keeps.svelte.js';

const FULL = 'The disk is full. Make room, then save again.';
beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe('whether the server keeps what is done', () => {
  it('is asked again and again once it has said that it can’t, until it can', async () => {
    const look = vi.fn<() => Promise<string | null>>().mockResolvedValue(FULL);
    const keeps = new Keeps(look);
    await vi.advanceTimersByTimeAsync(60_000);
    expect(look).not.toHaveBeenCalled();
    keeps.cannot(FULL);
    await vi.advanceTimersByTimeAsync(16_000);
    expect([keeps.trouble, look.mock.calls.length]).toEqual([FULL, 3]);
    look.mockRejectedValueOnce(new TypeError('fetch failed'));
    await vi.advanceTimersByTimeAsync(5000);
    expect(keeps.trouble).toBe(FULL);
    look.mockResolvedValue(null);
    await vi.advanceTimersByTimeAsync(60_000);
    expect([keeps.trouble, look.mock.calls.length]).toEqual([null, 5]);
  });

  it('is known at once where something else went through', async () => {
    const look = vi.fn<() => Promise<string | null>>().mockResolvedValue(FULL);
    const keeps = new Keeps(look);
    keeps.cannot(FULL);
    keeps.can();
    await vi.advanceTimersByTimeAsync(60_000);
    expect([keeps.trouble, look.mock.calls.length]).toEqual([null, 0]);
  });
});
