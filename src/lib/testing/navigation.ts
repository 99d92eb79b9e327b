/** Stands in for `$app/navigation` where components are tested on their own: going somewhere is noted. */
import { vi } from 'vitest';
import type { BeforeNavigate } from '@sveltejs/kit';

export const goto = vi.fn((_to: string | URL) => Promise.resolve());
export const invalidate = vi.fn((_what: string) => Promise.resolve());
export const invalidateAll = vi.fn(() => Promise.resolve());

type Leaving = (navigation: BeforeNavigate) => void;
let guards: Leaving[] = [];
export function beforeNavigate(guard: Leaving): void {
  guards.push(guard);
}

/** Leaves the page for an address, as a link would. @returns whether what is there let it. */
export function leave(to: string): boolean {
  let left = true;
  const cancel = () => void (left = false);
  for (const guard of guards)
    guard({ cancel, to: { url: new URL(to, location.href) }, willUnload: false } as unknown as BeforeNavigate);
  return left;
}

/** Forgets all that happened. */
export function begin(): void {
  guards = [];
  for (const mock of [goto, invalidate, invalidateAll]) mock.mockClear();
}
