/** A process of its own in which the server has texts read and counted. Bundled by scripts/bundles.mjs. */
import { constants, setPriority } from 'node:os';
import { worker } from 'workerpool';
import { WORK } from './work.js';

// On a machine with one core requests go first.
setPriority(constants.priority.PRIORITY_BELOW_NORMAL);
worker(WORK);
