import * as z from 'zod/mini';
import { comparisonSchema, findingSchema, reportSchema } from '../../core/index.js';
import type { AskedComparison } from './check.worker.js';
import { ON_REQUEST, WatchedWorker } from './watched.js';

const comparedSchema = z.object({
  comparison: comparisonSchema,
  before: reportSchema,
  after: reportSchema,
  findings: z.object({ gone: z.array(findingSchema), come: z.array(findingSchema) }),
});
export type Compared = z.infer<typeof comparedSchema>;

/** Compares drafts in a worker. */
export class Comparer {
  readonly #worker = new WatchedWorker();

  /** @throws GaveUp, Failed */
  async compare(asked: AskedComparison): Promise<Compared> {
    return comparedSchema.parse(await this.#worker.ask((remote) => remote.compare(asked), ON_REQUEST));
  }

  close(): void {
    this.#worker.close();
  }
}
