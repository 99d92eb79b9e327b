import { invalidate } from '$app/navigation';
import { navigating } from '$app/state';
import type { Standing } from './places.js';

/** Asked again for the first time after so long, and each time after twice as long; milliseconds. */
const FIRST = 1000;

/**
 * A pattern that has just come in is still being counted: how it stands is asked again, less and less often, and never on
 * the way to another page, which would be given up for it. To be called while a component is made.
 */
export function askWhileCounted(standing: () => Standing | null): void {
  let wait = FIRST;
  $effect(() => {
    const now = standing();
    if (!now || now.summary || now.state === 'too-much' || navigating.to) return;
    const asking = setTimeout(() => void invalidate('dostik:standing'), wait);
    wait *= 2;
    return () => clearTimeout(asking);
  });
}
