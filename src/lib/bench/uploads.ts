import { MOST_STEPS, type Exchanged } from '../bench.js';
import type { Step } from '../../core/index.js';
import type { Keep } from './keep.js';
import { NotSent, type Post } from './post.js';

/** How it stands with what is to go up. */
export type Going = 'up' | 'going' | 'waiting' | 'withdrawn';

/** After a failure it is tried again so much later, each time twice as late; milliseconds. */
const FIRST_WAIT = 2000;
const LONGEST_WAIT = 60_000;

export interface Told {
  /** Steps of the tester's other devices. */
  steps: (steps: readonly Step[]) => void;
  going: (going: Going, waiting: number) => void;
  /** The text has changed since; the tester's name; how far the clock of this device is behind that of the server. */
  news: (news: { readonly newer: boolean; readonly name: string; readonly behind: number }) => void;
}

/** Sends up what the browser keeps, in order, each once, and fetches what other devices have sent. */
export class Uploads {
  readonly #keep: Keep;
  readonly #post: Post;
  readonly #secret: string;
  readonly #token: string;
  readonly #told: Told;
  #running: Promise<void> | null = null;
  #again = false;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #wait = FIRST_WAIT;
  #ended = false;

  constructor(keep: Keep, post: Post, secret: string, token: string, told: Told) {
    this.#keep = keep;
    this.#post = post;
    this.#secret = secret;
    this.#token = token;
    this.#told = told;
  }

  /** Sends what there is; a call while it is under way has it look once more. */
  go(): Promise<void> {
    clearTimeout(this.#timer);
    if (this.#ended) return Promise.resolve();
    this.#again = true;
    this.#running ??= this.#all().finally(() => (this.#running = null));
    return this.#running;
  }

  end(): void {
    this.#ended = true;
    clearTimeout(this.#timer);
  }

  async #all(): Promise<void> {
    try {
      while (this.#again) {
        this.#again = false;
        await this.#steps();
        await this.#photographs();
      }
      this.#wait = FIRST_WAIT;
      // What was noted while this was under way is sent with the next.
      const left = await this.#keep.waitingCount(this.#secret);
      this.#told.going(left > 0 ? 'going' : 'up', left);
    } catch (error) {
      await this.#failed(error);
    }
  }

  async #steps(): Promise<void> {
    for (let more = true; more;) {
      const waiting = await this.#keep.waiting(this.#secret);
      const steps = waiting.slice(0, MOST_STEPS);
      if (waiting.length > 0) this.#told.going('going', waiting.length);
      const after = (await this.#keep.call(this.#secret))?.after ?? 0;
      const sent = Date.now();
      const answer = await this.#exchange(after, steps);
      await this.#keep.arrived(this.#secret, [...steps, ...answer.steps], answer.after);
      this.#told.steps(answer.steps);
      this.#told.news({ newer: answer.newer, name: answer.name, behind: answer.now - (sent + Date.now()) / 2 });
      more = answer.more || waiting.length > steps.length;
    }
  }

  /** A step that the server takes for none stays here, and nothing that stands behind it has to wait. */
  async #exchange(after: number, steps: readonly Step[]): Promise<Exchanged> {
    try {
      return await this.#post.exchange(this.#secret, this.#token, { after, steps: [...steps] });
    } catch (error) {
      if (!(error instanceof NotSent) || error.why !== 'refused' || steps.length === 0) throw error;
      if (steps.length > 1) for (const step of steps) await this.#exchange(after, [step]);
      return this.#exchange(after, []);
    }
  }

  async #photographs(): Promise<void> {
    const waiting = await this.#keep.waitingPhotographs(this.#secret);
    for (const [i, { id, file }] of waiting.entries()) {
      this.#told.going('going', waiting.length - i);
      await this.#post.photograph(this.#secret, this.#token, id, file).catch((error: unknown) => {
        // What the server takes for no picture is not sent again and again.
        if (!(error instanceof NotSent) || error.why !== 'refused') throw error;
      });
      await this.#keep.photographArrived(this.#secret, id);
    }
  }

  async #failed(error: unknown): Promise<void> {
    const why = error instanceof NotSent ? error.why : 'later';
    const waiting = await this.#keep.waitingCount(this.#secret).catch(() => 0);
    if (why === 'withdrawn' || why === 'none') {
      this.#ended = true;
      this.#told.going('withdrawn', waiting);
      return;
    }
    this.#told.going('waiting', waiting);
    this.#timer = setTimeout(() => void this.go(), this.#wait);
    this.#wait = Math.min(LONGEST_WAIT, this.#wait * 2);
  }
}
