/** A process of its own in which the server has texts read and counted. Bundled by scripts/bundles.mjs. */
import { offer } from '../asideWorker.js';
import { WORK } from './work.js';

offer(WORK);
