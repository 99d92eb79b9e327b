import { releaseProxy, wrap, type Remote } from 'comlink';
import type { CheckWorker } from './check.worker.js';
import type { Answering, Piece } from './pieces.js';

/** A worker did not answer in time, and was ended. */
export class GaveUp extends Error {}
/** A worker could not be started, or what was asked of it failed. */
export class Failed extends Error {}
/** The code that a question needs could not be fetched. */
export class Unfetched extends Failed {}

/** How a question is asked. */
export interface Asking {
  /** It may take much longer than a person waits for. */
  readonly patient?: boolean;
  /** It needs a piece of code that is fetched first. */
  readonly needs?: Piece;
}

/** For what is asked now and then. */
export const ON_REQUEST: Asking = { needs: 'on-request' };

/** What a person waits for at most; and how long the worker's own code may take to arrive. Milliseconds. */
const LONGEST = 2000;
/** How many times as long a question may take that nobody waits for any more: a machine can be busy with other things. */
const PATIENCE = 5;
const LONGEST_START = 20_000;

interface Running<Api> {
  readonly worker: Worker;
  readonly remote: Remote<Api>;
  readonly broken: Promise<never>;
  readonly stop: (why: Error) => void;
  readonly ready: Promise<unknown>;
}

/**
 * The worker that reads and counts, under watch: it is asked one thing at a time, and one that has not answered in two
 * seconds is ended. The next question starts another.
 */
export class WatchedWorker<Api extends Answering = CheckWorker> {
  readonly #start: () => Worker;
  readonly #longest: number;
  #running: Running<Api> | null = null;
  #last: Promise<unknown> = Promise.resolve();
  #closed = false;

  /** @param start makes a worker, other than in a test the one in this folder. */
  constructor(start = startWorker, longest = LONGEST) {
    this.#start = start;
    this.#longest = longest;
  }

  /**
   * Asks something, after all that was asked before.
   * @throws GaveUp where there is no answer in time, Failed where there can't be one, Unfetched where its code is missing.
   */
  ask<Answer>(question: (remote: Remote<Api>) => Promise<Answer>, asking: Asking = {}): Promise<Answer> {
    const answer = this.#last.then(() => this.#ask(question, asking));
    this.#last = answer.catch(() => undefined);
    return answer;
  }

  /** Gives up what is being asked. */
  interrupt(): void {
    this.#running?.stop(new GaveUp());
  }

  close(): void {
    this.#closed = true;
    this.#end();
  }

  async #ask<Answer>(question: (remote: Remote<Api>) => Promise<Answer>, { patient, needs }: Asking): Promise<Answer> {
    if (this.#closed) throw new Failed('It was closed.');
    this.#running ??= this.#begin();
    const { remote, ready, broken } = this.#running;
    let there = false;
    try {
      await fetched(Promise.race([ready, broken]));
      there = true;
      if (needs) await fetched(Promise.race([readied(remote, needs), broken]));
      const longest = patient ? this.#longest * PATIENCE : this.#longest;
      return await inTime(Promise.race([question(remote), broken]), longest);
    } catch (error) {
      // What it knows of the text is not lost with code that another try may fetch.
      if (there && error instanceof Unfetched) throw error;
      this.#end();
      throw error instanceof GaveUp || error instanceof Failed
        ? error
        : new Failed(error instanceof Error ? error.message : String(error));
    }
  }

  #begin(): Running<Api> {
    const worker = this.#start();
    const remote = wrap<Api>(worker);
    let stop: (why: Error) => void = () => undefined;
    const broken = new Promise<never>((_, reject) => {
      stop = reject;
      // Without words of its own the code of the worker did not arrive.
      worker.addEventListener('error', ({ message }) =>
        reject(message ? new Failed(message) : new Unfetched('It could not be started.')),
      );
    });
    // Nobody may be waiting when it breaks.
    broken.catch(() => undefined);
    return { worker, remote, broken, stop, ready: readied(remote, null) };
  }

  #end(): void {
    this.#running?.remote[releaseProxy]();
    this.#running?.worker.terminate();
    this.#running = null;
  }
}

function startWorker(): Worker {
  return new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module' });
}

function readied(remote: Remote<Answering>, piece: Piece | null): Promise<true> {
  return remote.ready(piece);
}

/** Waits for code. @throws Unfetched where it does not come, GaveUp where nobody waits for it any more */
async function fetched(code: Promise<unknown>): Promise<void> {
  try {
    await inTime(code, LONGEST_START, new Unfetched('It took too long.'));
  } catch (error) {
    throw error instanceof GaveUp || error instanceof Failed ? error : new Unfetched(String(error));
  }
}

async function inTime<Answer>(
  answer: Promise<Answer>,
  longest: number,
  tooLate: Error = new GaveUp(),
): Promise<Answer> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(tooLate), longest);
  });
  try {
    return await Promise.race([answer, late]);
  } finally {
    clearTimeout(timer);
  }
}
