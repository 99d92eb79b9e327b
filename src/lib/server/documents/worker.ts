/** A process of its own in which documents are read. Bundled by scripts/bundles.mjs. */
import { workerEmit } from 'workerpool';
import { offer } from '../asideWorker.js';
import type { DocumentWork } from './aside.js';
import { NotTaken } from './document.js';
import { takenFrom } from './index.js';

/** What is done in less is not worth telling; milliseconds. */
const A_WHILE = 300;

const WORK: DocumentWork = {
  async take({ bytes, name }) {
    const start = performance.now();
    try {
      return await takenFrom(bytes, name, (share) => {
        if (performance.now() - start > A_WHILE) workerEmit(share);
      });
    } catch (error) {
      if (error instanceof NotTaken) return { refused: error.message };
      throw error;
    }
  },
};

offer(WORK);
