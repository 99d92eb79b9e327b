import { OverLimit, workingAside } from '../aside.js';
import { NotTaken } from '../documents/document.js';
import type { Paper } from '../../../core/index.js';
import type { Picture } from './form.js';
import type { DrawnText } from './drawn.js';
import type { Photographed } from './photograph.js';
import type { EditionAsked, Layout, Made } from './publish.js';

/** What can't be done says why: errors lose their kind on the way between processes. */
export type OrRefused<Answer> = Answer | { readonly refused: string };

/** What is asked of the process that lays out files. */
export interface PublishingWork extends Record<string, (asked: never) => unknown> {
  edition: (asked: EditionAsked) => Promise<Made>;
  paper: (asked: {
    readonly paper: Paper;
    readonly pictures: readonly Picture[];
    readonly layout: Layout;
  }) => Promise<Made>;
  report: (asked: { readonly paper: Paper; readonly drawn: DrawnText; readonly layout: Layout }) => Promise<Made>;
  photograph: (bytes: Uint8Array) => Promise<OrRefused<Photographed>>;
}

/** Lays out files, and makes photographs fit for them. */
export interface Publishing {
  /** @throws NotTaken where it takes too long or too much memory. */
  edition(asked: EditionAsked): Promise<Made>;
  paper(paper: Paper, layout: Layout): Promise<Made>;
  /** A report, with a picture of the text that it is of. */
  report(paper: Paper, drawn: DrawnText, layout: Layout): Promise<Made>;
  /** @throws NotTaken where it is no picture. */
  photograph(bytes: Uint8Array): Promise<Photographed>;
  close(): Promise<void>;
}

/** A pattern of 300 rounds takes a twentieth of this; milliseconds. */
const LONGEST = 30_000;
const MOST_MEMORY = 600;
const OVER = 'This takes too long to lay out, or too much memory. Split the pattern, or take smaller photographs.';

/**
 * Lays out files in processes of their own.
 * @param script the bundle of `worker.ts`.
 */
export function publishingAside(script: string, { workers = 2 } = {}): Publishing {
  const aside = workingAside<PublishingWork>(script, {
    longest: LONGEST,
    memory: MOST_MEMORY,
    workers,
    ready: workers > 1,
  });
  const had = async <Answer>(work: Promise<Answer>): Promise<Answer> => {
    try {
      return await work;
    } catch (error) {
      throw error instanceof OverLimit ? new NotTaken(OVER) : error;
    }
  };
  return {
    edition: (asked) => had(aside.have('edition', asked)),
    paper: (paper, layout) => had(aside.have('paper', { paper, pictures: [], layout })),
    report: (paper, drawn, layout) => had(aside.have('report', { paper, drawn, layout })),
    async photograph(bytes) {
      const answer = await had(aside.have('photograph', bytes));
      if ('refused' in answer) throw new NotTaken(answer.refused);
      return answer;
    },
    close: () => aside.close(),
  };
}
