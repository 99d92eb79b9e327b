import { tickSchema } from '../../../../../lib/patterns.js';
import { noting } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Sets a round's tick, or takes it off. */
export const PUT: RequestHandler = noting(tickSchema, async ({ params }, { key, on }) =>
  (await stores()).patterns.tick(params.id, key, on),
);
