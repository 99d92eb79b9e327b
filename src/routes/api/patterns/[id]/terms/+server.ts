import { settledSchema } from '../../../../../lib/patterns.js';
import { noting } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Settles which vocabulary the pattern is in. */
export const PUT: RequestHandler = noting(settledSchema, async ({ params }, { terms }) =>
  (await stores()).terms.settle(params.id, terms),
);
