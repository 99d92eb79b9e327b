import { planEntrySchema } from '../../../../lib/plan.js';
import { answering, done, noting, Refused } from '../../../../lib/server/answers.js';
import { stores } from '../../../../lib/server/store.js';
import type { RequestHandler } from './$types.js';

/** Puts a pattern on a list, or changes what is settled of it. */
export const PUT: RequestHandler = noting(planEntrySchema, async ({ params, locals }, entry) => {
  locals.deed = { patterns: [params.id] };
  return (await stores()).plan.put(params.id, entry);
});

/** Takes a pattern off its list. */
export const DELETE: RequestHandler = answering(async ({ params, locals }) => {
  locals.deed = { patterns: [params.id] };
  if (!(await (await stores()).plan.remove(params.id))) throw new Refused(404, 'This pattern is on no list.');
  return done();
});
