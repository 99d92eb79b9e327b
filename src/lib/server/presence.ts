import type { Here, Other } from '../company.js';

/** A window that has said nothing for so long is gone; milliseconds. Each says every few seconds that it is there. */
const GONE_AFTER = 15_000;
/** So many windows of one pattern are known, and so many patterns. */
const MOST = { windows: 50, patterns: 5000 } as const;

interface Seen extends Other {
  readonly seen: number;
}

/** Which windows have which pattern open. It is known to this process alone, and to nobody after its end. */
export class Presence {
  readonly #windows = new Map<string, Map<string, Seen>>();

  /** A window is at a pattern. @returns the others that are, by name */
  here(pattern: string, { window, at }: Here, who: string, now = Date.now()): Other[] {
    const windows = this.#windows.get(pattern) ?? new Map<string, Seen>();
    // The patterns that were asked about last stand last.
    this.#windows.delete(pattern);
    this.#windows.set(pattern, windows);
    for (const [name, { seen }] of windows) if (now - seen > GONE_AFTER) windows.delete(name);
    windows.delete(window);
    if (windows.size < MOST.windows) windows.set(window, { who, at, seen: now });
    for (const oldest of this.#windows.keys()) {
      if (this.#windows.size <= MOST.patterns) break;
      this.#windows.delete(oldest);
    }
    return (
      [...windows]
        .filter(([name]) => name !== window)
        // Another window of one's own is nobody else.
        .map(([, other]) => ({ who: other.who === who ? '' : other.who, at: other.at }))
        .sort((a, b) => a.who.localeCompare(b.who, 'en'))
    );
  }
}
