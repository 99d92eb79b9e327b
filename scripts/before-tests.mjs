import { bundle } from './bundles.mjs';

/** The tests count and read documents in the processes that the server does it in, and run the command line as it is built. */
export const setup = bundle;
