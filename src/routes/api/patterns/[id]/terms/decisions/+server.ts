import { termDecisionSchema } from '../../../../../../lib/patterns.js';
import { noting } from '../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Keeps what is to be written for a word in the other vocabulary, or forgets it. */
export const PUT: RequestHandler = noting(termDecisionSchema, async ({ params }, decision) =>
  (await stores()).terms.decide(params.id, decision),
);
