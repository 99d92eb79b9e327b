import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Pace } from './pace.js';

describe('what one may ask', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it('ends at so much a minute, for that one alone, and begins anew after it', async () => {
    const pace = new Pace({ reads: 3, writes: 2 });
    const asked = async (who: string, methods: string[]) => {
      const waits: number[] = [];
      for (const method of methods) waits.push(await pace.wait(who, method));
      return waits;
    };
    expect(await asked('una', ['PUT', 'POST'])).toEqual([0, 0]);
    const [wait = 0] = await asked('una', ['DELETE']);
    expect(wait).toBeGreaterThan(0);
    expect(wait).toBeLessThanOrEqual(60);
    // Reading goes on, and so does everybody else.
    expect(await asked('una', ['GET', 'HEAD', 'GET'])).toEqual([0, 0, 0]);
    expect((await asked('una', ['GET']))[0]).toBeGreaterThan(0);
    expect(await asked('tess', ['PUT', 'GET'])).toEqual([0, 0]);
    vi.advanceTimersByTime(61_000);
    expect(await asked('una', ['PUT', 'GET'])).toEqual([0, 0]);
  });
});
