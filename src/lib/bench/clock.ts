/** A stitch takes a slow hand so long, and looking something up so long; milliseconds. */
const SLOW_STITCH = 15_000;
const LEAST_PAUSE = 3 * 60_000;

/** After a longer time than this without a touch the work was put down. @param stitches that the touch stands for */
export function pauseAfter(stitches: number): number {
  return Math.max(LEAST_PAUSE, stitches * SLOW_STITCH);
}

/** Time that runs while rounds are worked, and stops by itself when nothing happens. */
export class Clock {
  readonly #now: () => number;
  #last: number | null = null;

  /** @param now of a clock that nobody can put back; milliseconds */
  constructor(now: () => number = () => performance.now()) {
    this.#now = now;
  }

  /**
   * Takes the time since the last touch: what has passed in it was work, unless it was too long for that.
   * @param stitches that were to be made in it
   */
  touch(stitches: number): number {
    const now = this.#now();
    const passed = this.#last === null ? 0 : now - this.#last;
    this.#last = now;
    return passed <= pauseAfter(stitches) ? Math.round(passed) : 0;
  }

  /** The time since the last touch, as it would be taken now; null while nothing is worked. */
  running(stitches: number): number | null {
    if (this.#last === null) return null;
    const passed = this.#now() - this.#last;
    return passed <= pauseAfter(stitches) ? passed : null;
  }

  /** The work is put down. */
  stop(): void {
    this.#last = null;
  }
}
