/** A process of its own in which files are laid out. Bundled by scripts/bundles.mjs. */
import { offer } from '../asideWorker.js';
import { NotTaken } from '../documents/document.js';
import type { PublishingWork } from './aside.js';
import { publishedReport } from './drawn.js';
import { photograph } from './photograph.js';
import { published, publishedEdition } from './publish.js';

const WORK: PublishingWork = {
  edition: (asked) => publishedEdition(asked),
  paper: async ({ paper, pictures, layout }) => ({ ...(await published(paper, pictures, layout)), proved: true }),
  report: async ({ paper, drawn, layout }) => ({ ...(await publishedReport(paper, drawn, layout)), proved: true }),
  async photograph(bytes) {
    try {
      return await photograph(bytes);
    } catch (error) {
      if (error instanceof NotTaken) return { refused: error.message };
      throw error;
    }
  },
};

offer(WORK);
