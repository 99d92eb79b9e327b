import { expose } from 'comlink';
import * as z from 'zod/mini';
import { checkText, type Report } from '../../core/index.js';

const askSchema = z.object({ text: z.string(), name: z.string() });

/** What the page may ask of the worker. */
export interface CheckWorker {
  check(asked: { text: string; name: string }): Report;
}

const worker: CheckWorker = {
  check(asked) {
    const { text, name } = askSchema.parse(asked);
    return checkText(text, name);
  },
};

expose(worker);
