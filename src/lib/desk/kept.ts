import * as z from 'zod/mini';
import { openWindows, thisWindow } from '../thisWindow.js';

/**
 * Texts that have not reached the server, kept in this browser: one for each pattern and window, so that no window
 * overwrites what another one has not saved yet.
 */
const keptSchema = z.object({
  name: z.string(),
  text: z.string(),
  /** The revision that it was made from. */
  base: z.int(),
  /** The text of that revision, where there was room for it. */
  from: z.optional(z.string()),
  /** Keys (see `keyOf`) of the texts that were sent from that revision, and whose answer is still out. */
  sent: z.readonly(z.array(z.string())),
  /** Milliseconds since 1970. */
  at: z.number(),
});
export type Kept = z.infer<typeof keptSchema>;

/** A kept text with where it is kept. */
export interface KeptText extends Kept {
  readonly pattern: string;
  readonly window: string;
}

const PREFIX = 'dostik.kept.';
const placeOf = (pattern: string, window: string) => `${PREFIX}${pattern}.${window}`;

/** Keeps a text; false where the browser has no room or no storage for it. */
export function keep(pattern: string, window: string, kept: Kept): boolean {
  try {
    localStorage.setItem(placeOf(pattern, window), JSON.stringify(kept));
    return true;
  } catch {
    return false;
  }
}

export function drop(pattern: string, window: string): void {
  try {
    localStorage.removeItem(placeOf(pattern, window));
  } catch {
    // Without storage there is nothing to drop.
  }
}

/** All kept texts, of one pattern or of all, the newest first. One that can't be read is left where it is. */
export function keptTexts(pattern?: string): KeptText[] {
  const found: KeptText[] = [];
  try {
    for (const place of Object.keys(localStorage)) {
      const [of = '', window = ''] = place.startsWith(PREFIX) ? place.slice(PREFIX.length).split('.') : [];
      if (of === '' || (pattern !== undefined && of !== pattern)) continue;
      const kept = readKept(localStorage.getItem(place));
      if (kept) found.push({ ...kept, pattern: of, window });
    }
  } catch {
    // Without storage there are none.
  }
  return found.sort((a, b) => b.at - a.at);
}

/** The kept texts of a pattern that this window may go on from: its own first, then those of windows that are gone. */
export async function adoptable(pattern: string): Promise<KeptText[]> {
  const own = await thisWindow();
  const open = await openWindows();
  const texts = keptTexts(pattern);
  return [
    ...texts.filter(({ window }) => window === own),
    ...texts.filter(({ window }) => window !== own && open !== null && !open.has(window)),
  ];
}

function readKept(json: string | null): Kept | null {
  try {
    return json === null ? null : keptSchema.parse(JSON.parse(json));
  } catch {
    return null;
  }
}
