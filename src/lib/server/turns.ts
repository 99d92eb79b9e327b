/** A page waits so long for what was sent before it was asked for; milliseconds. */
const LONGEST = 3000;

/**
 * Keeps the order in which a person did things: a page that is asked for shows what was sent before, also where that is still
 * on its way through the server. A window that is reloaded at once would else show, and go on with, what was there before.
 */
export class Turns {
  readonly #writing = new Set<Promise<unknown>>();
  readonly #longest: number;

  constructor(longest = LONGEST) {
    this.#longest = longest;
  }

  /** Does what a request asks for: what shows something, after what was being written when it came. */
  async take<Answer>(turn: 'writes' | 'shows' | 'other', work: () => Promise<Answer>): Promise<Answer> {
    if (turn === 'shows') await this.#settled();
    const done = work();
    if (turn === 'writes') {
      const ended = done.catch(() => undefined);
      this.#writing.add(ended);
      void ended.then(() => this.#writing.delete(ended));
    }
    return done;
  }

  async #settled(): Promise<void> {
    if (this.#writing.size === 0) return;
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise((resolve) => (timer = setTimeout(resolve, this.#longest)));
    await Promise.race([Promise.all(this.#writing), late]);
    clearTimeout(timer);
  }
}
