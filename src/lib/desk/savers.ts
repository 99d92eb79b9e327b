import type { StoredPattern } from '../patterns.js';
import { wasSaved } from './saved.js';
import { Saver } from './saver.svelte.js';

/** Savers of the patterns that are open here, and of those that were left with something unsaved. */
const savers = new Map<string, Saver>();

/** The saver for a pattern: the one that has still something of it to save, or a new one. */
export function saverFor(pattern: StoredPattern): Saver {
  const known = savers.get(pattern.id);
  if (known) {
    known.back();
    return known;
  }
  const saver = new Saver(pattern);
  // On the server the Desk is only drawn.
  if (typeof localStorage === 'undefined') return saver;
  savers.set(pattern.id, saver);
  saver.begin();
  return saver;
}

/** Leaves a Desk; what is unsaved there is saved all the same. */
export function leave(saver: Saver): void {
  saver.leave(() => {
    savers.delete(saver.id);
    wasSaved();
  });
}

/** Sends at once all that is unsaved: the page is being left, or the network is back. */
export function flushAll(): void {
  for (const saver of savers.values()) void saver.flush();
}
