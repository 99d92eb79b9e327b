import { buildWorker } from './build-worker.mjs';

/** The tests of the server count in the process that the server counts in. */
export const setup = buildWorker;
