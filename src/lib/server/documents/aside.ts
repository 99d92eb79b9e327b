import { OverLimit, workingAside } from '../aside.js';
import { NotTaken, type Taken } from './document.js';

/** What is asked of the process that reads documents. */
export interface DocumentWork extends Record<string, (asked: never) => unknown> {
  take: (asked: { readonly bytes: Uint8Array; readonly name: string }) => Promise<TakenOr>;
}

/** A file that could not be taken in says why: errors lose their kind on the way between processes. */
export type TakenOr = Taken | { readonly refused: string };

/** Reads documents. */
export interface Documents {
  /**
   * @param told hears how much is read, from 0 to 1, where that takes a while.
   * @throws NotTaken where the file can't be read, in words that say what to do.
   */
  take(bytes: Uint8Array, name: string, told?: (share: number) => void): Promise<Taken>;
  close(): Promise<void>;
}

/** A manuscript of twenty pages takes a twentieth of this; milliseconds. */
const LONGEST = 10_000;
const MOST_MEMORY = 400;

const OVER =
  'This file takes too long to read, or too much memory. Copy the pattern itself into a new document, and take that in.';

/**
 * Reads documents in a process of its own, so that a hostile file can neither hang nor end this one.
 * @param script the bundle of `worker.ts`.
 */
export function documentsAside(
  script: string,
  { longest = LONGEST, memory = MOST_MEMORY, workers = 2 } = {},
): Documents {
  const aside = workingAside<DocumentWork>(script, { longest, memory, workers, ready: workers > 1 });
  return {
    async take(bytes, name, told) {
      let answer: TakenOr;
      try {
        answer = await aside.have('take', { bytes, name }, told && ((said) => typeof said === 'number' && told(said)));
      } catch (error) {
        throw error instanceof OverLimit ? new NotTaken(OVER) : error;
      }
      if ('refused' in answer) throw new NotTaken(answer.refused);
      return answer;
    },
    close: () => aside.close(),
  };
}
