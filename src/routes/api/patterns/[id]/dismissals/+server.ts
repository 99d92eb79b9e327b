import { dismissalSchema } from '../../../../../lib/patterns.js';
import { noting } from '../../../../../lib/server/answers.js';
import { stores } from '../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Puts a finding aside with a reason, or takes it up again. */
export const PUT: RequestHandler = noting(
  dismissalSchema,
  async ({ params }, dismissal) => (await stores()).patterns.dismiss(params.id, dismissal),
  'This pattern is no longer on the shelf, or there is no such rule.',
);
