import { handChangeSchema } from '../../../../../lib/patterns.js';
import { noting } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Puts right how a pattern was understood, or takes that back. */
export const PUT: RequestHandler = noting(handChangeSchema, async ({ params }, change) =>
  (await stores()).patterns.changeHand(params.id, change),
);
