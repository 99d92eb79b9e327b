import path from 'node:path';
import { OverLimit, workingAside } from '../aside.js';
import type { Work } from './work.js';

/** A text that can't be counted within the limits; it is kept all the same. */
export class TooMuch extends Error {
  constructor() {
    super('This text is too much to count at once. It is kept as it is; split the pattern to have it counted.');
  }
}

/** Has the core do something with a text. */
export interface Counting {
  /** @throws TooMuch where it takes too long or too much memory. */
  have<Job extends keyof Work>(job: Job, asked: Parameters<Work[Job]>[0]): Promise<ReturnType<Work[Job]>>;
  close(): Promise<void>;
}

/** A pattern of 10,000 rounds takes a fifteenth of this; milliseconds of one core. */
const LONGEST = 10_000;
/** For what is counted, beside the program itself; megabytes. */
const MOST_MEMORY = 400;
/** One text each. Figures for the shelf are counted one after the other, so that one is always free for a person. */
const WORKERS = 2;

/** Counts in processes beside the server. */
export function countingAside({ longest = LONGEST, memory = MOST_MEMORY } = {}): Counting {
  const aside = workingAside<Work>(path.resolve('dist/counting.mjs'), {
    longest,
    memory,
    workers: WORKERS,
    ready: true,
  });
  return {
    async have(job, asked) {
      try {
        return await aside.have(job, asked);
      } catch (error) {
        throw error instanceof OverLimit ? new TooMuch() : error;
      }
    },
    close: () => aside.close(),
  };
}
