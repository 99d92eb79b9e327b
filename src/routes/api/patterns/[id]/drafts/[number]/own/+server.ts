import { ownDecidedSchema } from '../../../../../../../lib/drafts.js';
import { noting, numberIn } from '../../../../../../../lib/server/answers.js';
import { stores } from '../../../../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** What was decided on something that the editor had changed in the draft before. */
export const PUT: RequestHandler = noting(ownDecidedSchema, async ({ params }, decided) =>
  (await stores()).drafts.decideOwn(params.id, numberIn(params.number), decided),
);
