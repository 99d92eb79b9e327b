/** A thread in which the terminal has many files checked. Bundled by scripts/bundles.mjs. */
import workerpool from 'workerpool';
import { checkFile, type AskedCheck } from './checking.js';

workerpool.worker({ check: (asked: readonly AskedCheck[]) => asked.map(checkFile) });
