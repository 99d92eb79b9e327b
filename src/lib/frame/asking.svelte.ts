import { loadAnew } from '../loadAnew.js';
import type { Standing } from './places.js';

/** Asked again for the first time after so long, and each time after twice as long; milliseconds. */
const FIRST = 1000;

/**
 * A pattern that has just come in is still being counted: how it stands is asked again, less and less often.
 * To be called while a component is made.
 */
export function askWhileCounted(standing: () => Standing | null): void {
  let wait = FIRST;
  $effect(() => {
    const now = standing();
    if (!now || now.summary || now.state === 'too-much') return;
    const asking = setTimeout(() => void loadAnew('dostik:standing'), wait);
    wait *= 2;
    return () => clearTimeout(asking);
  });
}
